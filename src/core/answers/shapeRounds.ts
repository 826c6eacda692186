import { easedGirths } from '../engines/body/girth.ts';
import type { Param } from '../engines/pattern/shaper.ts';
import { shaperOf } from '../engines/shapers/shapers.ts';
import { definitionOf, type MeasureKey } from '../facts/bodyMeasure.ts';
import type { Component } from '../facts/component.ts';
import { type Opening, type PassageKey, PASSAGE_KEYS, PASSAGES } from '../facts/opening.ts';
import type { StoredShape } from '../facts/shape.ts';
import { easeOf, type WornRound } from './goesOn.ts';
import { type FitFor, givenByMaterial, shapeFor, type ShapeSource } from './shapePieces.ts';

/** What a band on that part of the body closes round, at its upper and at its lower edge. Common practice. */
const BANDS: Readonly<Record<string, readonly [upper: PassageKey, lower: PassageKey]>> = {
	'upper-arm': ['upperArm', 'upperArm'],
	forearm: ['forearm', 'cuff'],
	chest: ['chest', 'waist'],
	waist: ['waist', 'waist'],
	hips: ['hips', 'hips'],
	thigh: ['thigh', 'knee'],
	shin: ['calf', 'shaft']
};

/** Where a band of the component sits, by the one part of the body that it covers; null where it covers several or none. */
function bandOf({ zones }: Pick<Component, 'zones'>, value: string): PassageKey | null {
	const places = [...new Set(zones.map((zone) => zone.replace(/-(left|right)$/, '')))];
	const band = places.length === 1 ? BANDS[places[0]!] : undefined;
	return band && value === 'upper' ? band[0] : band && value === 'lower' ? band[1] : null;
}

/** The measure that a value of a new shape follows: of a band, what lies where the component is worn. */
export function usualMeasure(value: string, { measure }: Param, component: Pick<Component, 'zones'>) {
	const band = measure && bandOf(component, value);
	return band ? PASSAGES[band].seat : measure;
}

/**
 * What a value that follows a girth begins with beyond it, mm: the least ease of a rigid component. Shapes of cloth ask for their ease
 * by a value of its own, or take it from the stretch; a length takes none. Whole millimetres.
 */
export function usualEase(
	mm: number,
	measure: MeasureKey,
	{ eased }: Param,
	component: Pick<Component, 'flex' | 'kind'>
): number {
	const rigid = easeOf(component) === 'rigid' && definitionOf(measure).girth && !eased;
	return rigid ? Math.round(easedGirths(mm, 'rigid')[0] - mm) : 0;
}

/** A closed round that a shape makes. */
export interface ShapeRound extends WornRound {
	/** The shape's value that says how far round it goes. */
	value: string;
}

/** Where a shape closes round the body; none where its pieces are drawn by hand, or where nothing says what they go round. */
export function roundsOf(shape: ShapeSource, fit: FitFor): ShapeRound[] {
	const done = shapeFor(shape, fit);
	if (!done.ok) return [];
	const { component } = fit;
	const { params } = shaperOf(shape.shaper);
	const stretch =
		component.flex === 'stretch' ? (givenByMaterial(shape, fit.materials).stretchAcross ?? 0) : 0;
	return done.value.rounds.flatMap(({ value, closed, split }) => {
		const its = shape.values[value];
		const follows = typeof its === 'object' ? its.follows : null;
		const of = (measure: MeasureKey | undefined) =>
			PASSAGE_KEYS.find((key) => PASSAGES[key].seat === measure);
		const typed = params[value]?.measure;
		const edge = value === 'upper' || value === 'lower';
		const passage = follows ? of(follows) : edge ? bandOf(component, value) : of(typed);
		return passage
			? [
					{
						componentId: component.id,
						passage,
						closedMm: closed,
						stretchPercent: stretch,
						openingMm: 0,
						split,
						value
					}
				]
			: [];
	});
}

/** Rounds of all shapes of a costume that nobody has entered as an opening: what is entered counts. */
export function roundsOfShapes(
	shapes: readonly StoredShape[],
	openings: readonly Opening[],
	fit: Omit<FitFor, 'component'>
): (ShapeRound & { shape: StoredShape })[] {
	const all = shapes.flatMap((shape) => {
		const component = fit.components.find((c) => c.id === shape.componentId);
		if (!component) return [];
		return roundsOf(shape, { ...fit, component })
			.filter((r) => !openings.some((o) => o.componentId === r.componentId && o.passage === r.passage))
			.map((round) => ({ ...round, shape }));
	});
	// What lies one over another closes at the narrowest.
	const same = (a: ShapeRound, b: ShapeRound) => a.componentId === b.componentId && a.passage === b.passage;
	return all.filter(
		(r) => r === all.filter((o) => same(o, r)).reduce((a, b) => (b.closedMm < a.closedMm ? b : a))
	);
}
