import type { Component } from '$core/facts/component.ts';
import type { Costume, CostumeRecord, FoundStep, Photo, WorkLog } from '$core/facts/costume.ts';
import type { Step } from '$core/facts/step.ts';
import type { Coat } from '$core/facts/coat.ts';
import type { Fault } from '$core/facts/fault.ts';
import type { Need, Purchase } from '$core/facts/material.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { needsLeft } from '$core/answers/leaveOut.ts';
import { followPieces, type PiecesFrom } from '$core/answers/followPieces.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { loadShapes, loadWearersOf, loadWorn } from './measure.ts';
import { loadHandbook, loadMaterials } from './workshop.ts';

/**
 * Everything about these costumes, in a dozen queries however many there are. Costumes in order of
 * their event. Amounts that follow the pieces are what these come to.
 */
export async function loadRecords(db: Executor, ids: readonly number[]): Promise<CostumeRecord[]> {
	const records = await loadEntered(db, ids);
	const following = records.some((r) =>
		[
			...r.steps.map((s) => s.fromPieces),
			...r.leftOut.map((s) => s.fromPieces),
			...r.coats.map((c) => c.fromPieces),
			...r.needs.map((n) => n.waste !== null)
		].includes(true)
	);
	return following ? withPieces(db, records) : records;
}

/** The same with all amounts as they were entered. */
export async function loadEntered(db: Executor, ids: readonly number[]): Promise<CostumeRecord[]> {
	const list = [ids];
	const [costumes, components, steps, links, coats, needs, purchases, faults, logs, photos, found, fittings] =
		await Promise.all([
			all<Costume>(
				db,
				`select id, name, wearer, event_name, event_at, buffer_days, limit_minor, currency, stash_turn, stash_at_cost, split,
				target_odds, rehearsal_at, archived_at, note, version
			from costume where id = any($1) order by event_at, id`,
				list
			),
			all<Component>(
				db,
				`select id, costume_id, parent_id, position, code, name, kind, form, layer, zones, side, count, flex,
				thickness_mm, source, seen_from, look_need, route, note, version
			from component where costume_id = any($1) order by position, id`,
				list
			),
			all<Omit<Step, 'after'> & { costumeId: number; leftOut: boolean }>(
				db,
				`select s.id, c.costume_id, s.component_id, s.position, s.name, s.technique, s.phase, s.amount, s.from_pieces, s.per_copy,
				s.set_up_minutes, s.wait_minutes, s.within_minutes, s.or_after_minutes, s.one_sitting, s.needs_helper,
				s.place_id, s.coat_id, s.fault_id, s.done_at, s.pinned_at, s.left_out, s.version
			from step s join component c on c.id = s.component_id where c.costume_id = any($1)
			order by s.component_id, s.position, s.id`,
				list
			),
			all<{ stepId: number; afterId: number }>(
				db,
				`select a.step_id, a.after_id from step_after a join step s on s.id = a.step_id
			join component c on c.id = s.component_id where c.costume_id = any($1) order by a.id`,
				list
			),
			all<Coat & { costumeId: number }>(
				db,
				`select k.id, c.costume_id, k.component_id, k.position, k.product, k.coats, k.area_mm2 as area, k.from_pieces,
				k.recoat_minutes, k.handling_minutes, k.version
			from coat k join component c on c.id = k.component_id where c.costume_id = any($1) order by k.position, k.id`,
				list
			),
			all<Need & { costumeId: number }>(
				db,
				`select n.id, c.costume_id, n.component_id, n.material_id, n.quantity, n.step_id, n.waste, n.taken, n.version
			from need n join component c on c.id = n.component_id where c.costume_id = any($1) order by n.id`,
				list
			),
			all<Purchase>(
				db,
				`select id, costume_id, component_id, material_id, packs, pack_price_minor, shipping_minor, supplier,
				lead_days, lead_working_days, state, ordered_on, due_on, arrived_on, note, version
			from purchase where costume_id = any($1) order by id`,
				list
			),
			all<Fault & { costumeId: number }>(
				db,
				`select f.id, c.costume_id, f.component_id, f.symptom, f.known, f.cause, f.cure, f.occasion, f.happened_at,
				f.minutes_lost, f.came_back_of, f.version
			from fault f join component c on c.id = f.component_id where c.costume_id = any($1)
			order by f.happened_at desc, f.id desc`,
				list
			),
			all<WorkLog & { costumeId: number }>(
				db,
				`select l.id, c.costume_id, l.step_id, l.maker_id, l.started_at, l.ended_at, l.minutes, l.note, l.version
			from work_log l join step s on s.id = l.step_id join component c on c.id = s.component_id
			where c.costume_id = any($1) order by l.started_at desc, l.id desc`,
				list
			),
			all<Photo & { costumeId: number }>(
				db,
				`select id, costume_id, component_id, step_id, fault_id, fitting_id, hash, mime, width, height, bytes, caption, taken_at
			from photo where costume_id = any($1) order by taken_at desc, id desc`,
				list
			),
			all<{ costumeId: number; plan: FoundStep[] }>(
				db,
				'select costume_id, plan from found_plan where costume_id = any($1)',
				list
			),
			all<{ id: number; costumeId: number; heldAt: number; componentIds: number[] }>(
				db,
				`select f.id, f.costume_id, f.held_at,
				array(select component_id from fitting_component where fitting_id = f.id order by id) as component_ids
			from fitting f where f.costume_id = any($1) order by f.held_at, f.id`,
				list
			)
		]);
	const after = new Map<number, number[]>();
	for (const { stepId, afterId } of links) after.set(stepId, [...(after.get(stepId) ?? []), afterId]);
	return costumes.map((costume): CostumeRecord => {
		const its = of(steps, costume.id).map(({ leftOut, ...s }) => ({
			leftOut,
			step: { ...s, after: after.get(s.id) ?? [] }
		}));
		const leftOut = its.filter((s) => s.leftOut).map((s) => s.step);
		const kept = its.filter((s) => !s.leftOut).map((s) => s.step);
		return {
			costume,
			components: of(components, costume.id),
			steps: kept,
			leftOut,
			coats: of(coats, costume.id),
			...needsLeft(kept, leftOut, of(needs, costume.id)),
			purchases: of(purchases, costume.id),
			faults: of(faults, costume.id),
			logs: of(logs, costume.id),
			photos: of(photos, costume.id),
			found: found.find((f) => f.costumeId === costume.id)?.plan ?? null,
			fittings: of(fittings, costume.id)
		};
	});
}

/** Rows by costume, sorted out once for each list. */
const sortedOut = new WeakMap<readonly object[], Map<number, object[]>>();
function of<T extends { costumeId: number }>(rows: readonly T[], id: number): T[] {
	let by = sortedOut.get(rows);
	if (!by) {
		by = new Map();
		for (const r of rows) {
			const list = by.get(r.costumeId);
			if (list) list.push(r);
			else by.set(r.costumeId, [r]);
		}
		sortedOut.set(rows, by);
	}
	return (by.get(id) ?? []) as T[];
}

/** What the pieces of a costume are made of. */
export type PiecesOf = Pick<PiecesFrom, 'shapes' | 'wearers'>;

/** The shapes of these costumes, and the wearers whose measures they follow. */
export async function loadPieces(db: Executor, ids: readonly number[]): Promise<Map<number, PiecesOf>> {
	if (ids.length === 0) return new Map();
	const [shapes, worn, wearers] = await Promise.all([
		loadShapes(db, ids),
		loadWorn(db, ids),
		loadWearersOf(db, ids)
	]);
	return new Map(
		ids.map((id) => [id, { shapes: of(shapes, id), wearers: fittedOf({ wearers, worn: of(worn, id) }) }])
	);
}

/** Amounts that follow the pieces, put in once for everything that reads the record. */
async function withPieces(db: Executor, records: readonly CostumeRecord[]): Promise<CostumeRecord[]> {
	const ids = records.map((r) => r.costume.id);
	const [pieces, materials, handbook] = await Promise.all([
		loadPieces(db, ids),
		loadMaterials(db),
		loadHandbook(db)
	]);
	const trade = catalogueOf(handbook);
	return records.map((record) =>
		followPieces(record, { ...pieces.get(record.costume.id)!, materials, trade })
	);
}

export async function loadRecord(db: Executor, id: number): Promise<CostumeRecord | null> {
	return (await loadRecords(db, [id]))[0] ?? null;
}

/** Costumes that are being worked on, or put away. */
export async function costumeIds(db: Executor, archived: boolean): Promise<number[]> {
	const rows = await all<{ id: number }>(
		db,
		'select id from costume where (archived_at is not null) = $1 order by event_at, id',
		[archived]
	);
	return rows.map((r) => r.id);
}
