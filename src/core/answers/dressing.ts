import { inLedgerOrder, type Component, type Kind } from '../facts/component.ts';
import type { Preparation, DressRecord, Wearing, Worn } from '../facts/wear.ts';
import { circleOf, dressOrder, type Dressing } from '../engines/dress/order.ts';
import { KNOWN, pulled, timesOf } from './rehearsed.ts';

/** One thing that is put on, or prepared, with who does it. */
export interface PutOn {
	/** Null for a preparation. */
	component: Component | null;
	preparation: Preparation | null;
	/** Minutes from the beginning. */
	start: number;
	end: number;
	/** Which of the dressers, the wearer first. */
	by: number[];
	/** Nobody has said how long it takes. */
	guessed: boolean;
}
export interface DressingPlan {
	/** The wearer among them. */
	dressers: number;
	order: PutOn[];
	minutes: number;
	/** Nothing is quicker. */
	proved: boolean;
}

/** What putting one on takes while nobody has timed it, minutes: starting values, from memory. */
export const ON_MINUTES: Readonly<Record<Kind, number>> = { garment: 2, armor: 2, wig: 5, prop: 0.5 };
/** And what each of its fasteners takes besides. */
export const FASTEN_MINUTES = 0.5;

const of = (component: Component, { wearings }: Worn): Wearing | undefined =>
	wearings.find((w) => w.componentId === component.id);

/** How long something takes, and what that is from. */
export interface OnMinutes {
	minutes: number;
	/** As it was typed, or by its kind. */
	before: number;
	entered: boolean;
	/** At rehearsals, the newest first. */
	times: number[];
	/** Nobody has said how long it takes, and it was never rehearsed. */
	guessed: boolean;
}
const learned = (before: number, entered: boolean, times: number[]): OnMinutes => ({
	minutes: pulled(before, entered ? KNOWN.entered : KNOWN.guessed, times),
	before,
	entered,
	times,
	guessed: !entered && times.length === 0
});

/** Minutes to put on all copies of a component: typed, else by its kind, and learned from rehearsals. */
export function onMinutes(
	component: Component,
	wear: DressRecord
): OnMinutes & { copies: number; base: number; joins: number } {
	const joins = wear.joins.filter((j) => j.componentId === component.id).length;
	const copies = component.side === 'pair' ? 2 : 1;
	const said = of(component, wear)?.onMinutes ?? null;
	const base = ON_MINUTES[component.kind];
	const before = said ?? copies * (base + joins * FASTEN_MINUTES);
	const times = timesOf({ componentId: component.id }, wear);
	return { ...learned(before, said !== null, times), copies, base, joins };
}

/** Minutes that a preparation takes, learned from rehearsals. */
export const preparationMinutes = ({ id, minutes }: Preparation, wear: DressRecord): OnMinutes =>
	learned(minutes, true, timesOf({ preparationId: id }, wear));

/** People that it takes, the wearer among them. */
export const handsFor = (component: Component, wear: Worn): number => of(component, wear)?.hands ?? 1;

/** What is put on by itself: parts come with what they are parts of. */
export const wornOnes = (components: readonly Component[]): Component[] =>
	inLedgerOrder(components)
		.filter(({ depth }) => depth === 0)
		.map(({ item }) => item);

/** On the skin, beneath the innermost layer. */
const ON_SKIN = -1;
const prepared = (p: Preparation) => `prepare ${p.id}`;
const dried = (p: Preparation) => `dry ${p.id}`;

function tasks(components: readonly Component[], wear: DressRecord): Dressing[] {
	const worn = wornOnes(components);
	const ids = new Set(worn.map((c) => c.id));
	const preparations = wear.preparations.flatMap((p, i): Dressing[] => [
		{
			id: prepared(p),
			minutes: preparationMinutes(p, wear).minutes,
			layer: ON_SKIN,
			zones: p.zones,
			// One after the other on a zone, in their order; the next waits until it has dried.
			after: wear.preparations
				.slice(0, i)
				.filter((before) => before.zones.some((z) => p.zones.includes(z)))
				.map((before) => (before.waitMinutes > 0 ? dried(before) : prepared(before))),
			hands: p.hands
		},
		// Drying needs nobody, and nothing is put on there meanwhile.
		...(p.waitMinutes > 0
			? [
					{
						id: dried(p),
						minutes: p.waitMinutes,
						layer: ON_SKIN,
						zones: p.zones,
						after: [prepared(p)],
						hands: 0
					}
				]
			: [])
	]);
	return preparations.concat(
		worn.map((c) => ({
			id: String(c.id),
			minutes: onMinutes(c, wear).minutes,
			layer: c.layer,
			zones: c.zones,
			// What it is held to has to be on.
			after: wear.joins.flatMap((j) =>
				j.componentId === c.id && j.toComponentId !== null && ids.has(j.toComponentId)
					? [String(j.toComponentId)]
					: []
			),
			hands: handsFor(c, wear)
		}))
	);
}

/** Components that wait for each other to be put on, the first again at the end; null where none do. */
export function dressingCircle(components: readonly Component[], wear: DressRecord): Component[] | null {
	const circle = circleOf(tasks(components, wear));
	return circle && circle.flatMap((id) => components.find((c) => String(c.id) === id) ?? []);
}

/**
 * The quickest order to put a costume on, and who does what. What more than one has to hold goes to the first who are free.
 *
 * @param dressers the wearer among them; what needs more people is left out by the caller
 * @param elapsed seconds since the search began
 */
export function dressingPlan(
	components: readonly Component[],
	wear: DressRecord,
	dressers: number,
	seconds: number,
	elapsed: () => number
): DressingPlan {
	const { order, minutes, proved } = dressOrder(
		{ components: tasks(components, wear), dressers },
		seconds,
		elapsed
	);
	const free = Array.from({ length: dressers }, () => 0);
	return {
		dressers,
		minutes,
		proved,
		order: order.flatMap(({ id, start, end }): PutOn[] => {
			const component = components.find((c) => String(c.id) === id) ?? null;
			const preparation = wear.preparations.find((p) => prepared(p) === id) ?? null;
			const hands = component ? handsFor(component, wear) : (preparation?.hands ?? 0);
			// Drying is nobody's.
			if (hands === 0) return [];
			const by = free
				.map((until, i) => ({ until, i }))
				.filter(({ until }) => until <= start + 1e-9)
				.slice(0, hands)
				.map(({ i }) => i);
			for (const i of by) free[i] = end;
			const guessed = component !== null && onMinutes(component, wear).guessed;
			return [{ component, preparation, start, end, by, guessed }];
		})
	};
}

/** The most people that one thing takes. */
export const mostHands = (components: readonly Component[], wear: DressRecord): number =>
	Math.max(
		1,
		...wornOnes(components).map((c) => handsFor(c, wear)),
		...wear.preparations.map((p) => p.hands)
	);
