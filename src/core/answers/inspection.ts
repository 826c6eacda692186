import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Inspected, WearLog } from '../facts/health.ts';
import type { WearRecord } from '../facts/wear.ts';
import { DAY, type LocalMinutes } from '../units/localTime.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { agedFactor, holdRateOf } from '../trade/holdRate.ts';
import { carrying, worstOf, type Held } from './holding.ts';
import { rateOfKind, type LearnedHold } from './holdRates.ts';
import { holdsOf, kindOfFault, wearsOf, type Hold } from './holds.ts';

/** What all of its kind say counts as much for one of them as so many wears of its own. From memory. */
export const KIND_WEARS = 5;
/** What is loaded to more than half of what it bears lets go oftener: at all of it, and where it tips. From memory. */
export const LOADED = { from: 0.5, full: 2, tips: 3 } as const;

/** One thing to look at. */
export interface LookAt extends Hold {
	/** How often its kind lets go, in ten wears. */
	kindRate: number;
	/** Of its component: wears of all of this kind, and how often one of them let go. */
	wears: number;
	faults: number;
	/** Times oftener by how much of what it bears it takes, and by its age. */
	loadFactor: number;
	ageFactor: number;
	/** Both together. */
	factor: number;
	/** How often it is expected to let go at the next wear, and how likely it does at all. */
	expected: number;
	chance: number;
	minutes: number;
	/** Since the last wear; null where nobody has looked yet. */
	looked: Inspected | null;
}

/** How often something is expected to let go in one wear: its own log beside what its kind says. */
export const expectedFaults = (
	kindRate: number,
	faults: number,
	wears: number,
	factor: number,
	known: number = KIND_WEARS
): number => (factor * ((kindRate / 10) * known + faults)) / (known + wears);

/** That it lets go in one wear. */
export const chanceOf = (...of: Parameters<typeof expectedFaults>): number =>
	1 - Math.exp(-expectedFaults(...of));

/** Times oftener by the share of what it bears that it takes when jumping. */
export function loadedFactor(share: number | null): number {
	if (share === null) return 1;
	if (!Number.isFinite(share)) return LOADED.tips;
	const over = Math.max(0, share - LOADED.from) / (1 - LOADED.from);
	return Math.min(LOADED.tips, 1 + (LOADED.full - 1) * over);
}

/** Looked at since it was worn: on a later day, or on the same one after that was told. */
const isAfter = (lookedAt: LocalMinutes, wears: readonly WearLog[]): boolean =>
	wears.every((w) => lookedAt >= Math.min(w.toldAt, (w.wornOn + 1) * DAY));

/**
 * What to look at before a costume is worn again, the likeliest to let go first.
 *
 * @param learned of each kind, by all costumes
 * @param wears of this costume
 * @param ready as it will be: work that is still to do counts as done
 */
export function toInspect(
	record: Pick<CostumeRecord, 'components' | 'steps' | 'coats' | 'faults'>,
	wear: WearRecord,
	{
		held,
		learned,
		wears,
		inspected,
		now
	}: {
		held: readonly Held[];
		learned: readonly LearnedHold[];
		wears: readonly WearLog[];
		inspected: readonly Inspected[];
		now: LocalMinutes;
	},
	trade: Catalogue,
	ready = false
): LookAt[] {
	const holds = holdsOf(record, wear, trade, ready);
	const kinds = record.faults.map((f) => ({ of: f.componentId, kind: kindOfFault(f, holds, trade) }));
	const shareOf = ({ join, component }: Hold): number | null => {
		const its = held.find((h) => h.component.id === component.id);
		const at = its && join ? carrying(its).findIndex((j) => j.id === join.id) : -1;
		const load = its?.loads?.jumping;
		return !load || at < 0 ? null : load.tips ? worstOf(load) : load.joins[at]!.share;
	};
	return holds
		.map((hold): LookAt => {
			const { kind, component, line } = hold;
			const { minutes } = holdRateOf(kind, trade);
			const last = inspected.find((i) => i.line === line) ?? null;
			const kindRate = rateOfKind(kind, learned, trade);
			// Nobody says which of several alike let go: they are taken together.
			const alike = holds.filter((h) => h.component === component && h.kind === kind).length;
			const worn = alike * wearsOf(component, record.components, wears, wear.variants);
			const faults = kinds.filter((f) => f.of === component.id && f.kind === kind).length;
			const loadFactor = loadedFactor(shareOf(hold));
			// Cells that were looked at were changed then.
			const since = kind === 'cells' && last ? last.lookedAt : hold.madeAt;
			const ageFactor = agedFactor(kind, since === null ? null : (now - since) / DAY);
			const factor = loadFactor * ageFactor;
			const looked = last && isAfter(last.lookedAt, wears) ? last : null;
			return {
				...hold,
				kindRate,
				wears: worn,
				faults,
				loadFactor,
				ageFactor,
				factor,
				expected: expectedFaults(kindRate, faults, worn, factor),
				chance: chanceOf(kindRate, faults, worn, factor),
				minutes,
				looked
			};
		})
		.sort((a, b) => b.chance - a.chance);
}

/** What is still to be looked at, and how long that takes. */
export function toLook(looks: readonly LookAt[]): { left: LookAt[]; failed: LookAt[]; minutes: number } {
	const left = looks.filter((l) => l.looked === null);
	return {
		left,
		failed: looks.filter((l) => l.looked?.works === false),
		minutes: left.reduce((sum, l) => sum + l.minutes, 0)
	};
}

/** By where to look: a component at a time, the one with the likeliest first. */
export function byComponent(looks: readonly LookAt[]): { component: Component; looks: LookAt[] }[] {
	const groups = new Map<number, { component: Component; looks: LookAt[] }>();
	for (const look of looks) {
		const group = groups.get(look.component.id) ?? { component: look.component, looks: [] };
		group.looks.push(look);
		groups.set(look.component.id, group);
	}
	return [...groups.values()];
}
