import type { Carried } from '../answers/carried.ts';
import { copyWords } from '../answers/packList.ts';
import { FOLDED, lineOf, SLEEVE_MM, type Luggage } from '../answers/packed.ts';
import type { Packing, PackTask } from '../engines/case/pack.ts';
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
						length('overlap', SLEEVE_MM, unit, 'starting value, from memory')
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

/** What one copy weighs when it travels: itself, and the parts that go with it. */
export const luggageFigure = ({ component, weighs }: Luggage): Figure => ({
	title: `${component.code} ${component.name} weighs`,
	formula: 'sum',
	as: { kind: 'number', unit: 'g' },
	inputs: weighs.map(({ component: c, grams }) =>
		number(`${c.code} ${c.name}`, grams ?? 0, c === component ? 'itself' : 'goes with it, all copies', 'g')
	)
});

/** What is in a case, with what is inside it. */
export const caseFigure = (
	its: { id: number; name: string },
	{ placements }: Packing,
	{ items }: Pick<PackTask, 'items'>,
	luggage: readonly Luggage[]
): Figure => ({
	title: `In the case ${its.name}`,
	formula: 'sum',
	as: { kind: 'number', unit: 'kg' },
	inputs: placements
		.filter((p) => p.case === String(its.id))
		.map((p) => {
			const thing = luggage.find((l) => lineOf(l) === p.item)!;
			const { kg } = items.find((i) => i.id === p.item)!;
			return number(`${copyWords(thing)} ${thing.component.name}`, kg, 'with what is inside it', 'kg');
		})
});
