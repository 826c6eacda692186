import type { Carried } from '../answers/carried.ts';
import { FOLDED, longestPart, type Luggage } from '../answers/packed.ts';
import { length, number } from '../units/figure.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Figure } from './figure.ts';

/** What a part of the body carries. */
export const borneFigure = ({ of }: Pick<Carried, 'of'>, title: string): Figure => ({
	title,
	formula: 'sum',
	as: { kind: 'number', unit: 'g' },
	inputs: of.map(({ component, grams }) =>
		number(`${component.code} ${component.name}`, grams, 'its share, all copies', 'g')
	)
});

/** How long a thing is at the door: what it comes apart into. */
export function longFigure({ component, said: { size, parts } }: Luggage, unit: LengthUnit): Figure {
	const longest = size ? Math.max(...size) : 0;
	return {
		title: `${component.code} ${component.name} at the door`,
		formula: parts > 1 ? 'partLong' : 'same',
		as: { kind: 'length', unit },
		inputs:
			parts > 1 && size
				? [
						length('put together', longest, unit),
						number('parts', parts, 'entered'),
						length('overlap', longestPart(size, parts) - longest / parts, unit, 'starting value, from memory')
					]
				: [length('its longest side', longest, unit)]
	};
}

/** How high a folded component lies in its case; null where it is not folded by its pieces. */
export function foldedFigure({ component, box }: Luggage, unit: LengthUnit): Figure | null {
	if (!box?.folded) return null;
	const memory = 'starting value, from memory';
	return {
		title: `${component.code} ${component.name}, folded`,
		formula: 'folded',
		as: { kind: 'length', unit },
		inputs: [
			{ name: 'area', value: box.folded.area, as: { kind: 'area', unit }, source: 'its pieces' },
			length('how thick', box.folded.thickness, unit, 'its materials'),
			number('layers stand off', FOLDED.loft, memory, '×'),
			length('parcel, long', FOLDED.length, unit, memory),
			length('parcel, wide', FOLDED.width, unit, memory)
		]
	};
}
