import jStat from 'jstat';
import type { CostumeRecord } from '../facts/costume.ts';
import type { HoldKind } from '../facts/fault.ts';
import type { HoldTally, WearLog } from '../facts/health.ts';
import type { WearRecord } from '../facts/wear.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { holdRateOf } from '../trade/holdRate.ts';
import { holdsOf, kindOfFault, wearsOf } from './holds.ts';

/** A costume that was worn. */
export interface WornCostume {
	record: Pick<CostumeRecord, 'costume' | 'components' | 'steps' | 'coats' | 'faults'>;
	wear: WearRecord;
	wears: readonly WearLog[];
}

/** How often a kind lets go. */
export interface LearnedHold {
	kind: HoldKind;
	/** Before anything was logged, faults in ten wears. */
	before: number;
	/** Wears of all things of this kind, and how often one let go. */
	wears: number;
	faults: number;
	/** Faults in ten wears: what is expected, and between what it lies nine times in ten. */
	now: number;
	sure: readonly [number, number];
}

/** The starting value counts as much as so many wears. From memory. */
export const KNOWN_WEARS = 10;
/** Wears that a rate is told for. */
const TOLD = 10;

/** Faults in ten wears, from what was expected and what was logged: the mean of a gamma distribution. */
export const holdsFor = (
	before: number,
	faults: number,
	wears: number,
	known: number = KNOWN_WEARS
): number => (TOLD * ((before / TOLD) * known + faults)) / (known + wears);

/**
 * How often a kind lets go: faults are Poisson in wears, their rate gamma (Gelman et al., Bayesian Data Analysis, 2.6): from shape and
 * rate (before × 10 wears, 10) to (… + faults, … + wears).
 *
 * @param before faults in ten wears, more than nothing
 */
export function learnHold(before: number, faults: number, wears: number): Pick<LearnedHold, 'now' | 'sure'> {
	const shape = (before / TOLD) * KNOWN_WEARS + faults;
	const rate = KNOWN_WEARS + wears;
	const at = (share: number) => TOLD * jStat.gamma.inv(share, shape, 1 / rate);
	return { now: holdsFor(before, faults, wears), sure: [at(0.05), at(0.95)] };
}

/** What one costume tells of each kind that it has: where no wear is logged, nothing, and its faults say nothing of how often. */
export function tallyHolds({ record, wear, wears }: WornCostume, trade: Catalogue): HoldTally[] {
	if (wears.length === 0) return [];
	const costumeId = record.costume.id;
	const tallies = new Map<HoldKind, HoldTally>();
	const of = (kind: HoldKind) => {
		const its = tallies.get(kind) ?? { costumeId, kind, wears: 0, faults: 0 };
		tallies.set(kind, its);
		return its;
	};
	const holds = holdsOf(record, wear, trade);
	for (const { kind, component } of holds)
		of(kind).wears += wearsOf(component, record.components, wears, wear.variants);
	for (const fault of record.faults) {
		const kind = kindOfFault(fault, holds, trade);
		if (kind !== null) of(kind).faults++;
	}
	return [...tallies.values()];
}

/**
 * What costumes that were worn tell of each kind, the likeliest to let go first.
 *
 * @param also kinds that are told even where no costume that was worn has them
 */
export function learnHolds(
	tallies: readonly HoldTally[],
	trade: Catalogue,
	also: readonly HoldKind[] = []
): LearnedHold[] {
	const kinds = new Set([...tallies.map((t) => t.kind), ...also]);
	return [...kinds]
		.map((kind) => {
			const its = tallies.filter((t) => t.kind === kind);
			const wears = its.reduce((sum, t) => sum + t.wears, 0);
			const faults = its.reduce((sum, t) => sum + t.faults, 0);
			const before = holdRateOf(kind, trade).per10;
			return { kind, before, wears, faults, ...learnHold(before, faults, wears) };
		})
		.sort((a, b) => b.now - a.now);
}

/** Faults in ten wears of a kind: as learned, else as it is known before. */
export const rateOfKind = (
	kind: HoldKind,
	learned: readonly Pick<LearnedHold, 'kind' | 'now'>[],
	trade: Catalogue
): number => learned.find((l) => l.kind === kind)?.now ?? holdRateOf(kind, trade).per10;
