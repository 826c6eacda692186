import type { Component } from '../facts/component.ts';
import { girthOver, type EaseOf } from '../engines/body/girth.ts';
import {
	definitionOf,
	latest,
	LAYER_OF_OVER,
	type MeasureKey,
	type MeasureSide,
	type Wearer
} from '../facts/bodyMeasure.ts';
import { closureRange, type Fit, goesOn, type GoesOn } from '../engines/body/goesOn.ts';
import { type Opening, PASSAGES } from '../facts/opening.ts';

export const easeOf = (component: Pick<Component, 'flex' | 'kind'>): EaseOf =>
	component.flex === 'stretch' ? 'stretch' : component.kind === 'garment' ? 'woven' : 'rigid';

/** The components worn beneath another at a measure: deeper, on the same zone, not part of it or around it. */
export function beneathAt(
	component: Component,
	components: readonly Component[],
	measure: MeasureKey,
	side: MeasureSide,
	above = 0
): Component[] {
	const { zone } = definitionOf(measure);
	const here = (zones: readonly string[]) =>
		zones.some(
			(z) => z === zone || (z.startsWith(`${zone}-`) && (side === 'none' || z === `${zone}-${side}`))
		);
	const family = new Set([component.id]);
	for (let at = component.parentId; at !== null; at = components.find((c) => c.id === at)?.parentId ?? null)
		family.add(at);
	return components
		.filter(
			(c) =>
				!family.has(c.id) &&
				c.parentId !== component.id &&
				c.layer < component.layer &&
				// What the measure was taken over is in it already.
				(above === 0 || c.layer > above) &&
				here(c.zones)
		)
		.sort((a, b) => a.layer - b.layer);
}

/** A measure of a wearer over what is worn beneath a component there, mm; null where nobody has taken it. */
export function measureBeneath(
	wearer: Pick<Wearer, 'measures'>,
	key: MeasureKey,
	side: MeasureSide,
	component: Component,
	components: readonly Component[]
): { body: number; beneath: number; mm: number } | null {
	const measure = latest(wearer.measures, key, side);
	if (!measure) return null;
	// What is worn beneath makes rounds longer; a length along the body stays as it is.
	const layers = definitionOf(key).girth
		? beneathAt(component, components, key, side, LAYER_OF_OVER[measure.over])
		: [];
	const beneath = layers.reduce((sum, c) => sum + (c.thicknessMm ?? 0), 0);
	return { body: measure.mm, beneath, mm: girthOver(measure.mm, beneath) };
}

export interface WearerGoesOn {
	wearer: Wearer;
	results: GoesOn[];
}

/** A closed round of a component, as somebody entered it or as a shape makes it. */
export type WornRound = Omit<Opening, 'id' | 'version'>;

/** How a closed round sits: how far it is out of the girths that it should be closed at, and the end of them that it is beyond, mm. */
export interface Sits {
	fit: Fit;
	by: number;
	end: number;
}

export interface OpeningCheck<R extends WornRound = Opening> {
	opening: R;
	component: Component;
	wearers: WearerGoesOn[];
	/** Components beneath whose thickness nobody has entered: taken as nothing. */
	thicknessUnknown: Component[];
	/** With more than one seat: the closed girths that its closure has to cover. */
	range: readonly [number, number] | null;
	/** All wearers, all sides: false when one fails, null when one cannot be told. */
	passes: boolean | null;
	/** How it sits, at the worst of all wearers and sides: too tight comes before loose. Null when no seat is measured. */
	sits: Sits | null;
}

/** Every opening of a costume for every wearer of it, each side that the component has. */
export function checkOpenings<R extends WornRound>(
	openings: readonly R[],
	components: readonly Component[],
	wearers: readonly Wearer[],
	asOf = Infinity
): OpeningCheck<R>[] {
	return openings.flatMap((opening) => {
		const component = components.find((c) => c.id === opening.componentId);
		return component ? [checkOpening(opening, component, components, wearers, asOf)] : [];
	});
}

function checkOpening<R extends WornRound>(
	opening: R,
	component: Component,
	components: readonly Component[],
	wearers: readonly Wearer[],
	asOf: number
): OpeningCheck<R> {
	const sided = definitionOf(PASSAGES[opening.passage].seat).sided;
	const sides: MeasureSide[] = !sided
		? ['none']
		: component.side === 'left' || component.side === 'right'
			? [component.side]
			: ['left', 'right'];
	const unknown = new Map<number, Component>();
	const round = {
		passage: opening.passage,
		closed: opening.closedMm,
		stretch: opening.stretchPercent,
		opening: opening.openingMm,
		split: opening.split,
		ease: easeOf(component)
	};
	const checked = wearers.map((wearer): WearerGoesOn => ({
		wearer,
		results: sides.map((side) =>
			goesOn(
				round,
				(key, at) => {
					const measured = latest(wearer.measures, key, at, { asOf });
					if (!measured) return null;
					const beneath = beneathAt(component, components, key, at, LAYER_OF_OVER[measured.over]);
					for (const c of beneath) if (c.thicknessMm === null) unknown.set(c.id, c);
					return { body: measured.mm, beneath: beneath.reduce((sum, c) => sum + (c.thicknessMm ?? 0), 0) };
				},
				side
			)
		)
	}));
	const results = checked.flatMap((w) => w.results);
	return {
		opening,
		component,
		wearers: checked,
		thicknessUnknown: [...unknown.values()],
		sits: sitsOf(opening.closedMm, results),
		range: results.length > 1 ? closureRange(results) : null,
		passes: results.some((r) => r.passes === false && r.unknown.length === 0)
			? false
			: results.length === 0 || results.some((r) => r.passes === null || r.unknown.length > 0)
				? null
				: true
	};
}

function sitsOf(closed: number, results: readonly GoesOn[]): Sits | null {
	const seats = results.flatMap(({ seat }): Sits[] => {
		if (!seat) return [];
		const end = seat.fit === 'tight' ? seat.range[0] : seat.range[1];
		return [{ fit: seat.fit, by: seat.fit === 'good' ? 0 : Math.abs(closed - end), end }];
	});
	const worst = (fit: Fit) =>
		seats.filter((s) => s.fit === fit).reduce<Sits | null>((a, b) => (a && a.by >= b.by ? a : b), null);
	return worst('tight') ?? worst('loose') ?? worst('good');
}
