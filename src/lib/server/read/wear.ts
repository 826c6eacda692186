import { holdings, type Held } from '$core/answers/holding.ts';
import { cutsOf } from '$core/answers/followPieces.ts';
import { weightOf, type Weight } from '$core/answers/weight.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type {
	Join,
	MoveCheck,
	Moving,
	Preparation,
	Rehearsal,
	RehearsalTime,
	Variant,
	Wearing,
	WearRecord
} from '$core/facts/wear.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import type { Context } from '../commands/command.ts';
import type { Executor } from '../db/open.ts';
import { selectOfCostumes } from '../db/tables.ts';
import { loadPieces } from './costume.ts';
import { loadMaterials } from './workshop.ts';

/** How a costume is worn: its joins component by component, in their order. */
export async function loadWear(db: Executor, costumeId: number): Promise<WearRecord> {
	const [joins, wearings, preparations, [moving], moves, variants, rehearsals] = await Promise.all([
		selectOfCostumes<Join>(
			db,
			'wear_join',
			[costumeId],
			'component.position, component.id, wear_join.position, wear_join.id'
		),
		selectOfCostumes<Wearing>(db, 'wearing', [costumeId]),
		selectOfCostumes<Preparation>(db, 'preparation', [costumeId], 'preparation.position, preparation.id'),
		selectOfCostumes<Moving>(db, 'moving', [costumeId]),
		selectOfCostumes<MoveCheck>(db, 'move_check', [costumeId]),
		loadVariants(db, costumeId),
		loadRehearsals(db, costumeId)
	]);
	return { joins, wearings, preparations, moving: moving ?? null, moves, variants, rehearsals };
}

/** The ways to wear a costume, with what is left off. */
export async function loadVariants(db: Executor, costumeId: number): Promise<Variant[]> {
	const [variants, off] = await Promise.all([
		selectOfCostumes<Omit<Variant, 'without'>>(db, 'variant', [costumeId], 'variant.position, variant.id'),
		selectOfCostumes<{ variantId: number; componentId: number }>(
			db,
			'variant_without',
			[costumeId],
			'variant_without.id'
		)
	]);
	return variants.map((v) => ({
		...v,
		without: off.filter((o) => o.variantId === v.id).map((o) => o.componentId)
	}));
}

async function loadRehearsals(db: Executor, costumeId: number): Promise<Rehearsal[]> {
	const [rehearsals, times] = await Promise.all([
		selectOfCostumes<Omit<Rehearsal, 'times'>>(
			db,
			'rehearsal',
			[costumeId],
			'rehearsal.held_at desc, rehearsal.id desc'
		),
		selectOfCostumes<RehearsalTime & { rehearsalId: number }>(
			db,
			'rehearsal_time',
			[costumeId],
			'rehearsal_time.id'
		)
	]);
	return rehearsals.map((r) => ({
		...r,
		times: times
			.filter((t) => t.rehearsalId === r.id)
			.map(({ componentId, preparationId, minutes }) => ({ componentId, preparationId, minutes }))
	}));
}

/** How a costume is worn, and what one copy of each component weighs. */
export async function loadWeights(
	db: Executor,
	record: CostumeRecord,
	{ materials, handbook }: Pick<Workshop, 'materials' | 'handbook'>
): Promise<{ wear: WearRecord; weights: Map<number, Weight> }> {
	const { id } = record.costume;
	const [wear, pieces] = await Promise.all([loadWear(db, id), loadPieces(db, [id])]);
	const from = { ...pieces.get(id)!, materials };
	const trade = catalogueOf(handbook);
	const weights = new Map(
		record.components.map((c) => {
			const cuts = cutsOf(c, record.components, from);
			return [c.id, weightOf(c, record, wear, { cuts, materials, trade })];
		})
	);
	return { wear, weights };
}

/** How its components are held. */
export async function loadHeld(
	db: Executor,
	record: CostumeRecord,
	{ handbook, trade, settings }: Pick<Context, 'handbook' | 'trade' | 'settings'>
): Promise<Held[]> {
	const { wear, weights } = await loadWeights(db, record, { handbook, materials: await loadMaterials(db) });
	return holdings(record.components, wear, weights, settings.loadFactors, trade);
}
