import { FILAMENTS, layersOf, PRINT_STARTS, type FilamentKey, type OnBed } from '../engines/mesh/printed.ts';
import { number } from '../units/figure.ts';
import { valueOf, type Figure } from './figure.ts';

/** What a printed part takes, worked from its shape and how it is printed. */
export interface PrintPlan {
	/** Of the shape, mm³ and mm². */
	volume: number;
	area: number;
	filament: FilamentKey;
	/** %, mm, mm, mm³/s */
	infill: number;
	wall: number;
	layer: number;
	flow: number;
	onBed: OnBed;
}

export function printFigures(p: PrintPlan): { laid: Figure; grams: Figure; minutes: Figure } {
	const laid: Figure = {
		title: 'Laid down',
		formula: 'printedVolume',
		as: { kind: 'number', unit: 'mm³' },
		inputs: [
			number('volume', p.volume, 'the faceted shape', 'mm³'),
			number('surface', p.area, 'the faceted shape', 'mm²'),
			number('walls', p.wall, 'entered', 'mm'),
			number('infill', p.infill, 'entered', '%')
		]
	};
	const { name, density } = FILAMENTS[p.filament];
	return {
		laid,
		grams: {
			title: 'Weight, one copy',
			formula: 'wholeProduct',
			as: { kind: 'number', unit: 'g' },
			inputs: [
				number('laid down', valueOf(laid), 'walls and infill', 'mm³'),
				number(`1 mm³ of ${name}`, density / 1e6, 'common practice', 'g')
			]
		},
		minutes: {
			title: 'At the machine, one copy',
			formula: 'printMinutes',
			as: { kind: 'wait' },
			inputs: [
				number('laid down', valueOf(laid), 'walls and infill', 'mm³'),
				number('flow', p.flow, 'entered', 'mm³/s'),
				number('layers of all parts', layersOf(p.onBed, p.layer), 'height ÷ layer, part beside part', ''),
				number('to go up one', PRINT_STARTS.change, 'common practice', 's'),
				number('parts', p.onBed.parts, 'the bed'),
				number('to start one', PRINT_STARTS.start, 'common practice', 'min')
			]
		}
	};
}
