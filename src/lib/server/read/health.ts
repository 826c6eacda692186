import { byDue, careOf, type Care } from '$core/answers/care.ts';
import { slowerBy } from '$core/answers/wait.ts';
import { chooseOfKit } from '$core/answers/kitChoice.ts';
import { emergencyKit, rulesOf } from '$core/answers/kit.ts';
import { holdsOf, kindOfFault } from '$core/answers/holds.ts';
import { recordOnly } from '$core/answers/variant.ts';
import type { Component } from '$core/facts/component.ts';
import type { Worn } from '$core/facts/wear.ts';
import { holdings } from '$core/answers/holding.ts';
import { otherHolds, type OtherHold } from '$core/answers/otherHold.ts';
import { isMended, type HoldKind } from '$core/facts/fault.ts';
import { learnHolds } from '$core/answers/holdRates.ts';
import { toInspect, type LookAt } from '$core/answers/inspection.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Inspected, Keeping, KeptKitItem, KeptKitLimit, NextTime } from '$core/facts/health.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import type { Context } from '../commands/command.ts';
import type { Executor } from '../db/open.ts';
import { selectOfCostumes } from '../db/tables.ts';
import { loadHoldTallies, loadWears, loadWorn } from './holdTallies.ts';
import { loadShapes } from './measure.ts';
import { loadRules } from './rules.ts';
import { loadHeld, loadWear, loadWeights } from './wear.ts';

export const loadNextTimes = (db: Executor, costumeIds: readonly number[]) =>
	selectOfCostumes<NextTime>(db, 'next_time', costumeIds, 'next_time.position, next_time.id');
export const loadKeepings = (db: Executor, costumeIds: readonly number[]) =>
	selectOfCostumes<Keeping>(db, 'keeping', costumeIds, 'keeping.id');

/** What is told of wearing and keeping one costume. */
export async function loadHealth(db: Executor, costumeId: number) {
	const [wears, nextTimes, keepings] = await Promise.all([
		loadWears(db, [costumeId]),
		loadNextTimes(db, [costumeId]),
		loadKeepings(db, [costumeId])
	]);
	return { wears, nextTimes, keepings };
}

/**
 * What to look at before it is worn again.
 *
 * @param ready as it will be when all of it is made
 */
export async function loadInspection(
	db: Executor,
	record: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	ready = false
): Promise<LookAt[]> {
	const trade = catalogueOf(workshop.handbook);
	const { id } = record.costume;
	const learned = learnHolds(workshop.holds ?? [], trade);
	const [{ wear, weights }, wears, inspected] = await Promise.all([
		loadWeights(db, record, workshop),
		loadWears(db, [id]),
		selectOfCostumes<Inspected>(db, 'inspected', [id])
	]);
	const held = holdings(record.components, wear, weights, workshop.settings.loadFactors, trade);
	return toInspect(record, wear, { held, learned, wears, inspected, now }, trade, ready);
}

/** What could hold it instead, of each fault of a fastener that is not mended. */
export async function loadOtherHolds(
	db: Executor,
	record: CostumeRecord,
	context: Pick<Context, 'settings' | 'trade' | 'handbook'>
): Promise<Map<number, { kind: HoldKind; others: OtherHold[] }>> {
	const open = record.faults.filter((f) => !isMended(f, record.steps));
	if (!open.length) return new Map();
	const { settings, trade } = context;
	const [wear, held, tallies] = await Promise.all([
		loadWear(db, record.costume.id),
		loadHeld(db, record, context),
		loadWorn(db).then((worn) => loadHoldTallies(db, trade, worn))
	]);
	const learned = learnHolds([...tallies.values()].flat(), trade);
	const holds = holdsOf(record, wear, trade);
	return new Map(
		open.flatMap((f): [number, { kind: HoldKind; others: OtherHold[] }][] => {
			const kind = kindOfFault(f, holds, trade);
			const its = held.find((h) => h.component.id === f.componentId);
			return kind && its
				? [[f.id, { kind, others: otherHolds(kind, its, learned, settings.loadFactors, trade) }]]
				: [];
		})
	);
}

/**
 * The emergency kit, what goes along of it, and what is said of it.
 *
 * @param components those that are worn
 */
export async function loadKit(
	db: Executor,
	record: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	{ wear, components }: { wear: Worn; components: readonly Component[] }
) {
	const { id, eventName } = record.costume;
	const [looks, rules, kept, [limit]] = await Promise.all([
		loadInspection(db, record, workshop, now, true),
		loadRules(db),
		selectOfCostumes<KeptKitItem>(db, 'kit_item', [id], 'kit_item.id'),
		selectOfCostumes<KeptKitLimit>(db, 'kit_limit', [id])
	]);
	const trade = catalogueOf(workshop.handbook);
	const holds = holdsOf(record, wear, trade, true);
	const faults = record.faults.map((f) => ({ ...f, kind: kindOfFault(f, holds, trade) }));
	const worn = recordOnly(record, [...components]);
	return {
		choice: chooseOfKit(
			emergencyKit(worn, wear, workshop.materials, trade),
			looks.filter((l) => components.some((c) => c.id === l.component.id)),
			{
				limit: limit ?? { grams: null, ml: null },
				kept,
				rules: rulesOf(eventName, rules),
				faultsOf: (kind) => faults.filter((f) => f.kind === kind)
			}
		),
		limit: limit ?? null
	};
}

/** How each component is washed, dried, stored and looked after, what is due first. */
export async function loadCares(db: Executor, record: CostumeRecord, workshop: Workshop): Promise<Care[]> {
	const { id } = record.costume;
	const [wear, shapes, keepings, inspected] = await Promise.all([
		loadWear(db, id),
		loadShapes(db, [id]),
		loadKeepings(db, [id]),
		selectOfCostumes<Inspected>(db, 'inspected', [id])
	]);
	const { materials, settings } = workshop;
	const cutFrom = new Map<number, number[]>();
	for (const { componentId, materialId, roles } of shapes)
		cutFrom.set(componentId, [
			...(cutFrom.get(componentId) ?? []),
			...[materialId, ...Object.values(roles)].flatMap((m) => m ?? [])
		]);
	const its = { materials, keepings, inspected, slower: slowerBy(settings), cutFrom };
	const trade = catalogueOf(workshop.handbook);
	return byDue(record.components.map((c) => careOf(c, record, wear, its, trade)));
}
