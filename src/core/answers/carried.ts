import { copiesOf, type Component } from '../facts/component.ts';
import { BEARERS, type Bearer, type ComfortLimits, type Worn } from '../facts/wear.ts';
import type { Zone } from '../facts/zone.ts';
import { plainZone } from '../trade/wearSpot.ts';
import { carrying, type Held } from './holding.ts';
import { bothSides, joinCircle } from './joins.ts';
import type { Weight } from './weight.ts';

/** Of a bearer that is there twice, its side. */
export type BodySide = 'left' | 'right' | null;

/** What a part of the body carries. */
export interface Carried {
	bearer: Bearer;
	side: BodySide;
	grams: number;
	of: { component: Component; grams: number }[];
	limit: number;
}
export interface CarriedAll {
	/** Of those that carry anything. */
	parts: Carried[];
	/** g on both shoulders, and what they bear together. */
	shoulders: { grams: number; limit: number };
	/** Worn and of no known weight: carried all the same. */
	unknown: Component[];
	/** Of no zone, held to nothing: nobody has said where it is borne. */
	nowhere: Component[];
}

/** What carries what hangs on a zone; feet stand on the ground, and so does what is on them. */
const BEARER_OF: Readonly<Record<string, Bearer | null>> = {
	head: 'head',
	face: 'head',
	neck: 'neck',
	shoulder: 'shoulder',
	chest: 'shoulder',
	back: 'shoulder',
	'upper-arm': 'arm',
	forearm: 'arm',
	hand: 'hand',
	waist: 'waist',
	hips: 'waist',
	thigh: 'waist',
	shin: 'leg',
	foot: null
};
const sideOf = (zone: Zone): BodySide =>
	zone.endsWith('-left') ? 'left' : zone.endsWith('-right') ? 'right' : null;

/** The parts of the body that bear a zone, with their shares: chest and back hang from both shoulders. */
function bearersOf(zone: Zone): { bearer: Bearer; side: BodySide; share: number }[] {
	const bearer = BEARER_OF[plainZone(zone)];
	if (!bearer) return [];
	if (bearer === 'shoulder' && sideOf(zone) === null)
		return [
			{ bearer, side: 'left', share: 0.5 },
			{ bearer, side: 'right', share: 0.5 }
		];
	return [{ bearer, side: bearer === 'waist' ? null : sideOf(zone), share: 1 }];
}

/** Where a component bears on the body, with shares that come to 1: by how its joins carry it when standing, else its zones alike. */
function bearsOn(component: Component, held: Held | undefined): { zone: Zone; share: number }[] {
	const joins = held ? carrying(held) : [];
	const lifts = joins.map((_, i) => Math.max(0, held?.loads?.standing.joins[i]?.force[1] ?? 0));
	const lifted = lifts.reduce((a, b) => a + b, 0);
	const placed = joins.flatMap((join, i) => {
		if (join.zone === null) return [];
		const zones = bothSides(join.zone, component);
		return zones.map((zone) => ({ zone, share: (lifted > 0 ? lifts[i]! / lifted : 1) / zones.length }));
	});
	const found = placed.some((p) => p.share > 0)
		? placed
		: component.zones.map((zone) => ({ zone, share: 1 }));
	const all = found.reduce((sum, f) => sum + f.share, 0);
	return found.filter((f) => f.share > 0).map((f) => ({ ...f, share: f.share / all }));
}

/**
 * What head, neck, shoulders, waist, arms, hands and legs carry. What hangs on another component, or is a part of one, bears where that one
 * does; what travels on nobody does not count. Joins in a circle hang on nothing.
 *
 * @param weights of one copy of each
 */
export function carriedBy(
	components: readonly Component[],
	{ joins }: Pick<Worn, 'joins'>,
	weights: ReadonlyMap<number, Weight>,
	held: readonly Held[],
	limits: ComfortLimits
): CarriedAll {
	const byId = new Map(components.map((c) => [c.id, c]));
	const circle = joinCircle(components, joins) !== null;
	/** The one on which it hangs in the end. */
	function root(component: Component, seen = new Set<number>()): Component {
		if (seen.has(component.id)) return component;
		seen.add(component.id);
		const on = circle
			? undefined
			: joins.find((j) => j.componentId === component.id && j.toComponentId !== null)?.toComponentId;
		const next = byId.get(on ?? component.parentId ?? -1);
		return next ? root(next, seen) : component;
	}
	const parts = new Map<string, Carried>();
	const unknown: Component[] = [];
	const nowhere: Component[] = [];
	for (const component of components) {
		const weight = weights.get(component.id)?.grams ?? null;
		if (weight === null) {
			unknown.push(component);
			continue;
		}
		const on = root(component);
		const places = bearsOn(
			on,
			held.find((h) => h.component.id === on.id)
		);
		if (!places.length) nowhere.push(component);
		const grams = weight * copiesOf(component, byId);
		for (const { zone, share } of places)
			for (const { bearer, side, share: its } of bearersOf(zone)) {
				const key = `${bearer} ${side}`;
				const part = parts.get(key) ?? { bearer, side, grams: 0, of: [], limit: limits[bearer] };
				const carried = grams * share * its;
				part.grams += carried;
				const same = part.of.find((o) => o.component === component);
				if (same) same.grams += carried;
				else part.of.push({ component, grams: carried });
				parts.set(key, part);
			}
	}
	const order = (p: Carried) =>
		BEARERS.indexOf(p.bearer) * 3 + (p.side === 'left' ? 1 : p.side === 'right' ? 2 : 0);
	const all = [...parts.values()].sort((a, b) => order(a) - order(b));
	for (const part of all) part.of.sort((a, b) => b.grams - a.grams);
	return {
		parts: all,
		shoulders: {
			grams: all.filter((p) => p.bearer === 'shoulder').reduce((sum, p) => sum + p.grams, 0),
			limit: limits.shoulders
		},
		unknown,
		nowhere
	};
}

/** Sides that differ by more than so much of the heavier one are told, from so many grams on. From memory. */
export const UNEVEN = { share: 0.25, grams: 200 };

/** Parts of the body of which one side carries much more. */
export function uneven({ parts }: CarriedAll): { bearer: Bearer; heavier: BodySide; by: number }[] {
	return BEARERS.flatMap((bearer) => {
		const of = (side: BodySide) => parts.find((p) => p.bearer === bearer && p.side === side)?.grams ?? 0;
		const [left, right] = [of('left'), of('right')];
		const by = Math.abs(left - right);
		return by >= UNEVEN.grams && by > UNEVEN.share * Math.max(left, right)
			? [{ bearer, heavier: left > right ? ('left' as const) : ('right' as const), by }]
			: [];
	});
}

/** What the part of the body at a zone carries; of two that share it, the one that carries more of its limit. */
export const carriedAt = (zone: Zone, { parts }: CarriedAll): Carried | null =>
	parts
		.filter((p) => bearersOf(zone).some((b) => b.bearer === p.bearer && b.side === p.side))
		.sort((a, b) => b.grams / b.limit - a.grams / a.limit)[0] ?? null;
