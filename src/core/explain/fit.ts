import type { Girth, GoesOn } from '../engines/body/goesOn.ts';
import type { Sits } from '../answers/goesOn.ts';
import type { LengthUnit } from '../units/measure.ts';
import { definitionOf, type MeasureSide, measureWords } from '../facts/bodyMeasure.ts';
import type { Figure } from './figure.ts';
import { length, number } from '../units/figure.ts';
import type { Opening } from '../facts/opening.ts';
import type { MadeFor } from '../facts/measureRecord.ts';

/** A girth of the body with what is worn on it; a length along the body, as it was measured. */
export function girthFigure(girth: Girth, unit: LengthUnit, side: MeasureSide): Figure {
	const { girth: round, sided } = definitionOf(girth.key);
	const words = measureWords(girth.key, sided ? side : 'none');
	if (!round && girth.beneath === 0)
		return {
			title: words,
			formula: 'same',
			as: { kind: 'length', unit },
			inputs: [length('length of the body', girth.body, unit, 'measured')]
		};
	return {
		title: `${words}, with what is worn beneath`,
		formula: 'girthOver',
		as: { kind: 'length', unit },
		inputs: [
			length('girth of the body', girth.body, unit, 'measured'),
			length('thickness of the layers beneath', girth.beneath, unit, 'their components')
		]
	};
}

export function reachFigure(
	opening: Pick<Opening, 'closedMm' | 'stretchPercent' | 'openingMm'>,
	unit: LengthUnit
): Figure {
	return {
		title: 'How far it reaches round',
		formula: 'reach',
		as: { kind: 'length', unit },
		inputs: [
			length('closed girth', opening.closedMm, unit),
			number('stretch', opening.stretchPercent, 'entered', '%'),
			length('opening', opening.openingMm, unit)
		]
	};
}

/** What is missing round the tightest place on the way. */
export function missingFigure(result: GoesOn, unit: LengthUnit): Figure {
	return {
		title: 'Missing round the tightest place',
		formula: 'difference',
		as: { kind: 'length', unit },
		inputs: [
			length('girth of the tightest place, with what is worn', result.tightest!.mm, unit, 'measured'),
			length('how far it reaches round', result.reach, unit, 'closed, stretch and opening')
		]
	};
}

/** By how much a closed round is out of the girths that it should be closed at. */
export function sitsFigure(closed: number, sits: Sits, unit: LengthUnit): Figure {
	const [is, end] = [
		length('closed girth', closed, unit),
		length(
			sits.fit === 'tight' ? 'least that it should be' : 'most that it should be',
			sits.end,
			unit,
			'girth, layers and ease'
		)
	];
	return {
		title: sits.fit === 'tight' ? 'Too tight by' : 'Loose by',
		formula: 'difference',
		as: { kind: 'length', unit },
		inputs: sits.fit === 'tight' ? [end, is] : [is, end]
	};
}

export function closureFigure(range: readonly [number, number], unit: LengthUnit): Figure {
	return {
		title: 'What the closure must cover',
		formula: 'closureRange',
		as: { kind: 'length', unit },
		inputs: [
			length('closed on the smallest seat', range[0], unit, 'girth, layers and least ease'),
			length('closed on the largest seat', range[1], unit, 'girth, layers and least ease')
		]
	};
}

export function resizeFigure(
	name: string,
	body: number,
	ease: number,
	nominal: number,
	madeFor: MadeFor,
	unit: LengthUnit
): Figure {
	return {
		title: `Print size by ${name}`,
		formula: madeFor === 'body' ? 'resizeBodyPercent' : 'resizePercent',
		as: { kind: 'number', unit: '%' },
		inputs: [
			length('body', body, unit, 'measured'),
			length('ease', ease, unit),
			length('the pattern was made for', nominal, unit)
		]
	};
}

/** A prop or part that keeps its share of the wearer's height. */
export function scaledFigure(
	label: string,
	mm: number,
	figure: number,
	wearer: number,
	unit: LengthUnit
): Figure {
	return {
		title: `${label}, for this wearer`,
		formula: 'scaledToWearer',
		as: { kind: 'length', unit },
		inputs: [
			length('on the figure', mm, unit, 'measured on the picture'),
			length('the figure’s stature', figure, unit, 'the scale'),
			length('the wearer’s stature', wearer, unit, 'measured')
		]
	};
}
