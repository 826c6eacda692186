import type { RehearsalTime } from '../facts/wear.ts';
import type { Zone } from '../facts/zone.ts';
import type { DressingPlan, PutOn } from './dressing.ts';

/** A rehearsal that runs: what was begun and ended when, ms of the clock of whoever holds it. */
export interface Rehearsing {
	/** The wearer among them. */
	dressers: number;
	variantId: number | null;
	startedAt: number;
	begun: Record<string, number>;
	ended: Record<string, number>;
}

/** `c3`: component 3; `p2`: preparation 2. */
export const keyOf = ({ component, preparation }: Pick<PutOn, 'component' | 'preparation'>): string =>
	component ? `c${component.id}` : `p${preparation?.id}`;

/** Two that follow each other without a wait between them. */
const AT_ONCE = 1e-6;

const zonesOf = ({ component, preparation }: PutOn): readonly Zone[] =>
	(component ?? preparation)?.zones ?? [];

/** Whatever is next for whoever is free: everybody whom it takes is done with what was before it, what lies beneath it is on, and nothing has to dry first. */
function next({ order }: DressingPlan, run: Rehearsing, at: number): Rehearsing {
	const begun = { ...run.begun };
	for (const one of order) {
		if (begun[keyOf(one)] !== undefined) continue;
		// What its dressers do before it, and what lies beneath it, whoever puts that on.
		const before = order.filter(
			(o) =>
				o.end <= one.start + AT_ONCE &&
				(o.by.some((who) => one.by.includes(who)) || zonesOf(o).some((z) => zonesOf(one).includes(z)))
		);
		const isFree = one.by.every((who) =>
			order.every(
				(o) => !o.by.includes(who) || begun[keyOf(o)] === undefined || run.ended[keyOf(o)] !== undefined
			)
		);
		const isNext = before.every((o) => run.ended[keyOf(o)] !== undefined);
		const waits = one.start - Math.max(0, ...before.map((o) => o.end));
		if (isFree && isNext && waits < AT_ONCE) begun[keyOf(one)] = at;
	}
	return { ...run, begun };
}

export const beginRehearsing = (plan: DressingPlan, variantId: number | null, at: number): Rehearsing =>
	next(plan, { dressers: plan.dressers, variantId, startedAt: at, begun: {}, ended: {} }, at);

/** Begun by hand: out of turn, or after a wait. */
export const beginOne = (run: Rehearsing, key: string, at: number): Rehearsing => ({
	...run,
	begun: { ...run.begun, [key]: at }
});

/** It is on: the next one begins. */
export const endOne = (plan: DressingPlan, run: Rehearsing, key: string, at: number): Rehearsing =>
	next(plan, { ...run, ended: { ...run.ended, [key]: at } }, at);

/** The tap was wrong: it still runs, and what began with it has not. */
export function takeBack(run: Rehearsing, key: string): Rehearsing {
	const { [key]: at, ...ended } = run.ended;
	const begun = Object.fromEntries(
		Object.entries(run.begun).filter(([k, from]) => k === key || from !== at || ended[k] !== undefined)
	);
	return { ...run, begun, ended };
}

const MS = 60_000;
/** Minutes to hundredths: a tap is no more exact. */
const minutesBetween = (from: number, to: number): number => Math.round(((to - from) / MS) * 100) / 100;

/** What is told of it: how long each thing took that was ended, and all of it. */
export function rehearsalOf({ startedAt, begun, ended }: Rehearsing): {
	minutes: number;
	times: RehearsalTime[];
} {
	const keys = Object.keys(ended);
	return {
		minutes: minutesBetween(startedAt, Math.max(startedAt, ...keys.map((k) => ended[k]!))),
		times: keys
			.map((key) => ({
				componentId: key.startsWith('c') ? Number(key.slice(1)) : null,
				preparationId: key.startsWith('p') ? Number(key.slice(1)) : null,
				minutes: minutesBetween(begun[key]!, ended[key]!)
			}))
			.filter((t) => t.minutes > 0)
	};
}
