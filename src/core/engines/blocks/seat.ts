import type { Edge, EdgeMarks } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { problem, type Problem } from '../../units/problem.ts';
import { count, type Dimension, mm, type Param } from '../pattern/shaper.ts';
import { between, line, marked, plus, runBack, towards, type Run } from './drawing.ts';
import { asCut, asCutDimension, easedParam, easeParam, lengthParam } from './given.ts';
import type { HalfOfSeat, Legs, LegsGiven } from './legs.ts';

/** Of everything that is worn on hips and legs. */
export const SEAT_PARAMS = {
	waist: easedParam('waist girth', 720, 330, 2200, 'waistGirth'),
	waistEase: easeParam('waist', 10),
	hip: easedParam('hip girth', 980, 380, 2300, 'hipGirth'),
	hipEase: easeParam('hips', 50),
	outside: lengthParam('outside leg length', 1060, 380, 1500, 'outsideLeg'),
	inside: lengthParam('inside leg length', 790, 260, 1250, 'insideLeg'),
	riseEase: easeParam('fork', 15, 'how far the fork hangs below the body'),
	waistToHip: lengthParam('waist to hip', 200, 60, 420, 'waistToHip'),
	crotch: easedParam('total crotch length', 690, 300, 1500, 'crotchLength'),
	crotchEase: easeParam('crotch seam', 25),
	backMore: lengthParam('back wider than the front by', 20, -200, 300),
	fork: {
		name: 'fork, of the hip',
		unit: 'percent',
		value: 15,
		least: 5,
		most: 30,
		hint: 'what reaches from front to back between the legs; 13 to 19'
	}
} as const satisfies Record<string, Param>;

/** Its measures with their ease, as they are cut: what of the stretch is worn, taken off. */
export function seatAsCut(
	its: Readonly<Record<keyof typeof SEAT_PARAMS | keyof Parameters<typeof asCut>[0], number>>
): Omit<LegsGiven, 'levels' | 'onePiece' | 'loose'> {
	const cut = asCut(its);
	return {
		waist: cut.across(its.waist + its.waistEase),
		hip: cut.across(its.hip + its.hipEase),
		rise: cut.along(its.outside - its.inside + its.riseEase),
		waistToHip: cut.along(its.waistToHip),
		crotch: cut.along(its.crotch + its.crotchEase),
		backMore: cut.across(its.backMore),
		fork: its.fork / 100
	};
}

/** Edges of one half from the middle of the waist on: down to the fork, down the inside seam. */
export function middleOf(
	its: HalfOfSeat,
	which: 'front' | 'back',
	sewn: EdgeMarks,
	opening: { long: number; marks: EdgeMarks } | null
): Run {
	const crotch = marked(its.crotch, { seam: `crotch, ${which}`, ...sewn });
	const straight = crotch.edges[0]!;
	const open: Edge[] = opening
		? [line(plus(its.top, towards(its.top, straight.to), opening.long), opening.marks)]
		: [];
	return {
		from: its.top,
		edges: [...open, ...crotch.edges, ...marked(its.inside, { seam: 'inside', ...sewn }).edges]
	};
}

/** Round the fork the other way: up the inside seam and the middle, to its top at the waist. */
export const middleUp = (...of: Parameters<typeof middleOf>): Run => runBack(middleOf(...of));

/** From the hem up the side to the waist: the same in front and back. */
export function sideUp({ outside }: HalfOfSeat, { aside, rise, hipLevel }: Legs, marks: EdgeMarks): Run {
	const hip: Point = [0, hipLevel];
	const top: Point = [aside, rise];
	const third = (rise - hipLevel) / 3;
	return marked(
		{
			from: outside.from,
			edges: [
				...outside.edges,
				{ kind: 'cubic', c1: plus(hip, [0, third]), c2: between(top, hip, 1 / 3), to: top }
			]
		},
		marks
	);
}

/** From one end of the waist to the other, a dart in its middle, square to it: how deep it goes is told. */
export function waistOf(
	from: Point,
	to: Point,
	dart: number,
	deep: number,
	marks: EdgeMarks,
	legs: EdgeMarks
): Edge[] {
	if (dart < 0.01) return [line(to, marks)];
	const along = towards(from, to);
	const middle = between(from, to, 0.5);
	// The piece lies to the left of its outline.
	const tip = plus(middle, [-along[1], along[0]], deep);
	return [
		line(plus(middle, along, -dart / 2), marks),
		line(tip, legs),
		line(plus(middle, along, dart / 2), legs),
		line(to, marks)
	];
}

/** What knickers and leggings say of their seat. @param loose drawn in by elastic at the waist */
export function seatDimensions(
	its: Readonly<Record<'waist' | 'waistEase' | 'hip' | 'hipEase' | 'stretchAcross' | 'stretchUsed', number>>,
	{ front, back, raised }: Legs,
	loose: boolean
): Dimension[] {
	return [
		loose
			? {
					title: 'Waist, drawn in by elastic from',
					of: 'length',
					formula: 'product',
					inputs: [mm('front and back of one side', front.waist + back.waist), count('sides', 2)]
				}
			: asCutDimension('Waist, as cut', 'waist and its ease', its.waist + its.waistEase, its),
		asCutDimension('Hips, as cut', 'hips and their ease', its.hip + its.hipEase, its),
		{
			title: 'Back higher than the front, at its middle',
			of: 'length',
			formula: 'same',
			inputs: [mm('at which both crotch seams are as long as measured', raised)]
		}
	];
}

/** A back that rises by more or less than this is a measure that slipped, mm. Common practice. */
const RISES = [-40, 120] as const;
export const riseWarnings = ({ raised }: Legs): Problem[] =>
	raised < RISES[0] || raised > RISES[1]
		? [problem('backRises', { mm: Math.round(raised) }, ['crotch'])]
		: [];
