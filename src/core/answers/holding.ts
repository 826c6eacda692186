import { copiesOf, type Component } from '../facts/component.ts';
import { MOTIONS, type Facing, type Join, type LoadFactors, type Motion, type Worn } from '../facts/wear.ts';
import { groupLoad, type GroupLoad, type HungBody } from '../engines/load/fastenerGroup.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { capacityOf, fastenerOf } from '../trade/fastener.ts';
import type { Vec } from '../units/vec.ts';
import { joinCircle, joinsOf } from './joins.ts';
import { rateOfKind, type LearnedHold } from './holdRates.ts';
import type { Weight } from './weight.ts';

/** How a component is held, and whether it stays on. */
export interface Held {
	component: Component;
	joins: Join[];
	/** Its own. */
	weight: Weight;
	/** What hangs on it, with the weight of what hangs on that. */
	hung: { component: Component; grams: number }[];
	/** g of both; null where its own or that of something on it is not known. */
	grams: number | null;
	centre: Vec;
	/** What its joins take in each motion; null where nothing is known to hold or to be held. */
	loads: Readonly<Record<Motion, GroupLoad>> | null;
	/** The most that it stands. */
	upTo: Motion | 'nothing' | null;
}

/** A way to make it hold. */
export interface Remedy {
	kind: 'tie' | 'lower' | 'larger' | 'more' | 'other';
	/** What the joins become; one without an id is new. */
	joins: (Omit<Join, 'id' | 'version'> & { id: number | null })[];
	/** Those of them that are changed or new. */
	changed: number[];
	/** Of what it bears, what its worst join then takes when jumping. */
	share: number;
	/** Of another fastener, how often it lets go in ten wears; null for the others. */
	per10: number | null;
}

const OFF: Readonly<Record<Facing, Vec>> = { forward: [0, 0, 1], outward: [1, 0, 0], up: [0, 1, 0] };

type Placed = Pick<
	Join,
	'fastener' | 'count' | 'widthMm' | 'lengthMm' | 'outMm' | 'upMm' | 'forwardMm' | 'faces' | 'holdsTo'
>;

/** Those that carry it: what closes its own opening carries nothing. */
const carry = <J extends Placed>(joins: readonly J[]): J[] => joins.filter((j) => j.holdsTo !== 'self');

/** As its joins hold it, each by its place in the list. */
export function bodyOf(joins: readonly Placed[], grams: number, centre: Vec, trade: Catalogue): HungBody {
	return {
		id: '',
		kg: grams / 1000,
		centre,
		joins: joins.map((j, i) => ({
			id: String(i),
			at: [j.outMm, j.upMm, j.forwardMm],
			capacityN: capacityOf(j, fastenerOf(trade.fastener, j.fastener)),
			// What lies behind its joins comes off backwards.
			off: j.faces === 'forward' && centre[2] < j.forwardMm ? [0, 0, -1] : OFF[j.faces]
		}))
	};
}

const loadOf = (
	joins: readonly Placed[],
	grams: number,
	centre: Vec,
	factor: number,
	trade: Catalogue
): GroupLoad => groupLoad(bodyOf(joins, grams, centre, trade), factor);

/** The greatest share of what a join bears; more than anything where it tips. */
export const worstOf = ({ joins, tips }: GroupLoad): number =>
	tips ? Infinity : Math.max(0, ...joins.map((j) => j.share));

/**
 * How every component that has joins is held. What hangs on another pulls on that one’s joins too, where that one’s weight is.
 *
 * @param weights of one copy of each
 * @param record where its joins make a circle nothing counts as hanging on another
 */
export function holdings(
	components: readonly Component[],
	record: Worn,
	weights: ReadonlyMap<number, Weight>,
	factors: LoadFactors,
	trade: Catalogue
): Held[] {
	const circle = joinCircle(components, record.joins);
	const hungOn = (id: number): Component[] =>
		components.filter((c) => record.joins.some((j) => j.componentId === c.id && j.toComponentId === id));
	const byId = new Map(components.map((c) => [c.id, c]));
	/** Of a pair both hang on the one that carries them; of what is a pair itself one on each. */
	const copiesOn = (c: Component, on: Component) => copiesOf(c, byId) / copiesOf(on, byId);
	const wholeOf = (component: Component): number | null => {
		const own = weights.get(component.id)?.grams ?? null;
		if (circle) return own;
		return hungOn(component.id).reduce<number | null>((sum, c) => {
			const its = wholeOf(c);
			return sum === null || its === null ? null : sum + its * copiesOn(c, component);
		}, own);
	};
	return components.flatMap((component): Held[] => {
		const joins = joinsOf(component, record.joins);
		if (!joins.length) return [];
		const hung = circle
			? []
			: hungOn(component.id).map((c) => ({
					component: c,
					grams: (wholeOf(c) ?? 0) * copiesOn(c, component)
				}));
		const grams = wholeOf(component);
		const centre = record.wearings.find((w) => w.componentId === component.id)?.centre ?? [0, 0, 0];
		const carrying = carry(joins);
		const loads =
			grams === null || grams <= 0 || !carrying.length
				? null
				: (Object.fromEntries(
						MOTIONS.map((m) => [m, loadOf(carrying, grams, centre, factors[m], trade)])
					) as Record<Motion, GroupLoad>);
		return [
			{
				component,
				joins,
				weight: weights.get(component.id)!,
				hung,
				grams,
				centre,
				loads,
				upTo: loads && (MOTIONS.findLast((m) => worstOf(loads[m]) <= 1) ?? 'nothing')
			}
		];
	});
}

/** The joins of a component that carry it, in the order of its loads. */
export const carrying = ({ joins }: Pick<Held, 'joins'>): Join[] => carry(joins);

/** How far a tie is moved or set lower, at most, mm. */
const LOWEST = 400;
const STEP_MM = 10;
/** Ties that are nearer are as one. From memory. */
const NEAREST_MM = 40;
const LARGER = [1.25, 1.5, 2, 2.5, 3, 4];
const MOST_OF_ONE = 8;

/**
 * What makes it hold when jumping, the least change of each kind: a tie lower down, larger ones, more of them, another fastener. Each is
 * worked out with the joins as they would be. Of other fasteners the one that lets go least comes first.
 *
 * @param learned of each kind, by all costumes
 */
export function remedies(
	held: Held,
	factors: LoadFactors,
	trade: Catalogue,
	learned: readonly Pick<LearnedHold, 'kind' | 'now'>[] = []
): Remedy[] {
	const { loads, grams, centre } = held;
	if (!loads || grams === null || held.upTo === 'jumping') return [];
	const now = carrying(held);
	const shareOf = (joins: readonly Placed[]) => worstOf(loadOf(joins, grams, centre, factors.jumping, trade));
	type Planned = Remedy['joins'];
	const found: Remedy[] = [];
	/** The first of some ways that holds. */
	function first(kind: Remedy['kind'], ways: Iterable<{ joins: Planned; changed: number[] }>): void {
		for (const way of ways) {
			const share = shareOf(way.joins);
			if (share > 1) continue;
			const [change] = way.changed;
			const per10 =
				kind === 'other' ? rateOfKind(`fastener ${way.joins[change!]!.fastener}`, learned, trade) : null;
			found.push({ kind, ...way, share, per10 });
			return;
		}
	}
	const lowest = now.reduce((a, b) => (b.upMm < a.upMm ? b : a));
	const top = now.reduce((a, b) => (b.upMm > a.upMm ? b : a));
	const low = now.indexOf(lowest);
	const overloaded = now.flatMap((_, i) => (loads.jumping.joins[i]!.share > 1 ? [i] : []));
	const eachOf = (change: (join: Join) => Partial<Join>) => ({
		joins: now.map((j, i) => (overloaded.includes(i) ? { ...j, ...change(j) } : j)),
		changed: overloaded
	});
	const distances = Array.from({ length: LOWEST / STEP_MM }, (_, i) => (i + 1) * STEP_MM);
	if (now.length > 1 && lowest !== top)
		first(
			'lower',
			distances
				.filter((d) => top.upMm - lowest.upMm + d >= NEAREST_MM)
				.map((d) => ({
					joins: now.map((j) => (j === lowest ? { ...j, upMm: j.upMm - d } : j)),
					changed: [low]
				}))
		);
	first(
		'tie',
		distances
			.filter((d) => d >= NEAREST_MM)
			.map((d) => {
				const { version: _, ...tie } = { ...lowest, id: null, stepId: null, upMm: lowest.upMm - d };
				return { joins: [...now, { ...tie, position: now.length }], changed: [now.length] };
			})
	);
	if (overloaded.length) {
		first(
			'larger',
			LARGER.map((k) =>
				eachOf((j) => ({ widthMm: Math.round(j.widthMm * k), lengthMm: Math.round(j.lengthMm * k) }))
			)
		);
		first(
			'more',
			Array.from({ length: MOST_OF_ONE }, (_, i) => eachOf((j) => ({ count: j.count + i + 1 })))
		);
		for (const [key, fastener] of Object.entries(trade.fastener))
			if (!fastener.selfAdhesive && !fastener.steel && overloaded.some((i) => now[i]!.fastener !== key))
				first('other', [eachOf(() => ({ fastener: key }))]);
	}
	return found.sort(
		(a, b) =>
			KIND_ORDER.indexOf(a.kind) - KIND_ORDER.indexOf(b.kind) ||
			(a.per10 ?? 0) - (b.per10 ?? 0) ||
			a.share - b.share
	);
}
/** A longer lever costs nothing and shows least; another fastener is other work. */
const KIND_ORDER: readonly Remedy['kind'][] = ['lower', 'tie', 'larger', 'more', 'other'];
