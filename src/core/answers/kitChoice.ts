import { chooseKit, savedBy, type KitLimit, type Trouble } from '../engines/kit/choose.ts';
import type { Component } from '../facts/component.ts';
import type { Fault } from '../facts/fault.ts';
import type { KeptKitItem, KitTakes } from '../facts/health.ts';
import type { EventRule } from '../facts/travel.ts';
import { kitSizeOf, onTheSpot, SLIPS, type KitUse, type OnTheSpot } from '../trade/kitUse.ts';
import type { LookAt } from './inspection.ts';
import { forbids, type KitItem } from './kit.ts';

/** What is likely to be mended at the event. */
export interface KitTrouble {
	code: string;
	/** What lets go, by its kind; `wig` for a wig that slips. */
	kind: string;
	/** How often it is expected at the next wear. */
	expected: number;
	/** Minutes that it costs each time without a kit, and how many that is expected to come to. */
	lost: number;
	costs: number;
	/** Share of them that the kit saves. */
	saves: number;
}

/** Something of the kit, and whether it goes along. */
export interface KitLine extends KitItem {
	grams: number;
	ml: number;
	takes: KitTakes;
	/** What is said of it; null where nothing is. */
	kept: KeptKitItem | null;
	taken: boolean;
	/** Why it stays; null for what goes along. */
	stays: 'forbidden' | 'never' | 'tooMuch' | 'noUse' | null;
	rule: EventRule | null;
	/** Minutes more that the kit is expected to save with it than without. */
	saves: number;
}

/** The emergency kit as it is packed. */
export interface KitChoice {
	/** What goes along first; of both the most minutes a gram first. */
	lines: KitLine[];
	/** Costliest first. */
	troubles: KitTrouble[];
	grams: number;
	ml: number;
	/** Expected minutes: what is lost without a kit, and what the kit saves of it. */
	lost: number;
	saves: number;
	/** False where not every kit could be tried. */
	proved: boolean;
	/** What goes along in any case is more than the limit. */
	over: boolean;
}

/** Of what one component is made of: they mend no other. */
const OF_ITS_OWN: readonly KitUse[] = ['glue', 'paint', 'cells'];
/** What mends the wearer, or what only its maker knows, is not weighed against minutes. */
const ALWAYS_GOES: readonly KitUse[] = ['plasters', 'own'];

/** What a kind costs on the spot is known as well as so many faults tell. From memory. */
export const KNOWN_FAULTS_LOST = 3;

/** Minutes that a fault costs at an event: the starting value, and what faults of this kind did cost. */
export function minutesLost(start: number, faults: readonly Pick<Fault, 'minutesLost'>[]): number {
	const told = faults.filter((f) => f.minutesLost > 0);
	const sum = told.reduce((all, f) => all + f.minutesLost, 0);
	return (start * KNOWN_FAULTS_LOST + sum) / (KNOWN_FAULTS_LOST + told.length);
}

/**
 * What to take along, so that the most minutes are saved.
 *
 * @param kit what mends the costume
 * @param looks what may let go at the next wear
 * @param of what is said of the kit, rules of the event, and the faults of each kind so far
 */
export function chooseOfKit(
	kit: readonly KitItem[],
	looks: readonly LookAt[],
	of: {
		limit: KitLimit;
		kept: readonly KeptKitItem[];
		rules: readonly EventRule[];
		faultsOf: (kind: string) => readonly Pick<Fault, 'minutesLost'>[];
	}
): KitChoice {
	const { kept, rules, faultsOf } = of;
	const own = kept
		.filter((k) => k.name !== '')
		.map((k): KitItem => ({
			key: k.key,
			name: k.name,
			use: 'own',
			componentIds: [],
			materialId: null,
			because: 'of your own',
			feature: null
		}));
	const lines = [...kit, ...own].map((item): KitLine => {
		const its = kept.find((k) => k.key === item.key) ?? null;
		const size = kitSizeOf(item.use);
		const rule = forbids(item, rules) ?? null;
		return {
			...item,
			grams: its?.grams ?? size.grams,
			ml: its?.ml ?? size.ml,
			takes: its?.takes ?? (ALWAYS_GOES.includes(item.use) ? 'always' : 'asWorkedOut'),
			kept: its,
			taken: false,
			stays: null,
			rule,
			saves: 0
		};
	});
	const mayGo = lines.filter((l) => !l.rule && l.takes !== 'never');

	const found = new Map<string, KitTrouble & { componentId: number; ways: OnTheSpot['ways'] }>();
	const happens = (
		kind: string,
		{ code, id }: Pick<Component, 'code' | 'id'>,
		expected: number,
		{ lost, ways }: OnTheSpot
	) => {
		const key = `${id} ${kind}`;
		const its = found.get(key);
		if (its) its.expected += expected;
		else
			found.set(key, {
				code,
				kind,
				expected,
				lost: minutesLost(lost, faultsOf(kind)),
				costs: 0,
				saves: 0,
				componentId: id,
				ways
			});
	};
	for (const { kind, component, expected } of looks) happens(kind, component, expected, onTheSpot(kind));
	for (const item of kit)
		if (item.use === 'wig')
			happens('wig', { code: item.because, id: item.componentIds[0]! }, SLIPS.expected, SLIPS);
	const told = [...found.values()];

	const helps = (use: KitUse, componentId: number) =>
		mayGo.flatMap((l, i) =>
			l.use === use &&
			(!l.componentIds.length || !OF_ITS_OWN.includes(use) || l.componentIds.includes(componentId))
				? [i]
				: []
		);
	const troubles = told.map(({ expected, lost, componentId, ways }): Trouble => ({
		costs: expected * lost,
		ways: ways.flatMap(({ with: uses, saves }) =>
			uses
				.reduce<number[][]>(
					(sets, use) => sets.flatMap((set) => helps(use, componentId).map((i) => [...set, i])),
					[[]]
				)
				.map((takes) => ({ takes, saves }))
		)
	}));
	const must = mayGo.flatMap((l, i) => (l.takes === 'always' ? [i] : []));
	const isLimited = of.limit.grams !== null || of.limit.ml !== null;
	const chosen = isLimited
		? chooseKit(mayGo, troubles, of.limit, must)
		: { taken: mayGo.map(() => true), proved: true };
	const { taken, proved } = chosen;
	mayGo.forEach((line, i) => {
		line.taken = taken[i]!;
		const saved = (has: boolean) => savedBy(taken.with(i, has), troubles);
		line.saves = saved(true) - saved(false);
		if (!line.taken) line.stays = line.saves > 0 ? 'tooMuch' : 'noUse';
	});
	for (const line of lines) if (!mayGo.includes(line)) line.stays = line.rule ? 'forbidden' : 'never';
	const goes = lines.filter((l) => l.taken);
	const sum = (size: 'grams' | 'ml') => goes.reduce((all, l) => all + l[size], 0);
	const its = { grams: sum('grams'), ml: sum('ml') };
	return {
		lines: lines.sort((a, b) => Number(b.taken) - Number(a.taken) || b.saves / b.grams - a.saves / a.grams),
		troubles: told
			.map(({ code, kind, expected, lost }, i) => {
				const { costs } = troubles[i]!;
				return {
					code,
					kind,
					expected,
					lost,
					costs,
					saves: costs > 0 ? savedBy(taken, [troubles[i]!]) / costs : 0
				};
			})
			.sort((a, b) => b.costs - a.costs),
		...its,
		lost: troubles.reduce((all, t) => all + t.costs, 0),
		saves: savedBy(taken, troubles),
		proved,
		over: its.grams > (of.limit.grams ?? Infinity) || its.ml > (of.limit.ml ?? Infinity)
	};
}
