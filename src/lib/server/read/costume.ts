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
import type { PaletteColour } from '$core/facts/palette.ts';
import type { Swatch } from '$core/facts/swatch.ts';
import type { TableName } from '$core/facts/tables.ts';
import type { LaidPart } from '$core/facts/layout.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { select, selectOfCostumes } from '../db/tables.ts';
import { loadFittings, loadShapes, loadWearers, loadWorn } from './measure.ts';
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
	const of = <T>(table: TableName, order?: string) => selectOfCostumes<T>(db, table, ids, order);
	const [
		costumes,
		components,
		steps,
		links,
		coats,
		needs,
		purchases,
		faults,
		logs,
		photos,
		found,
		laid,
		fittings,
		palette,
		paletteParts,
		swatches
	] = await Promise.all([
		select<Costume>(db, 'costume', 'event_at, id', ids),
		of<Component>('component', 'position, id'),
		of<Omit<Step, 'after'> & { leftOut: boolean }>('step', 'step.component_id, step.position, step.id'),
		of<{ stepId: number; afterId: number }>('step_after'),
		of<Coat>('coat', 'coat.position, coat.id'),
		of<Need>('need'),
		of<Purchase>('purchase'),
		of<Fault>('fault', 'fault.happened_at desc, fault.id desc'),
		of<WorkLog>('work_log', 'work_log.started_at desc, work_log.id desc'),
		of<Photo>('photo', 'taken_at desc, id desc'),
		of<{ plan: FoundStep[] }>('found_plan'),
		loadLaid(db, ids),
		loadFittings(db, ids),
		of<PaletteColour>('palette_colour', 'position, id'),
		of<{ paletteColourId: number; componentId: number }>('palette_part', 'palette_part.id'),
		of<Swatch>('swatch', 'made_on desc, id desc')
	]);
	const after = new Map<number, number[]>();
	for (const { stepId, afterId } of links) after.set(stepId, [...(after.get(stepId) ?? []), afterId]);
	return costumes.map((costume): CostumeRecord => {
		const its = <T extends { costumeId: number }>(rows: readonly T[]) => ofCostume(rows, costume.id);
		const all = its(steps).map(({ leftOut, ...s }) => ({
			leftOut,
			step: { ...s, after: after.get(s.id) ?? [] }
		}));
		const leftOut = all.filter((s) => s.leftOut).map((s) => s.step);
		const kept = all.filter((s) => !s.leftOut).map((s) => s.step);
		return {
			costume,
			components: its(components),
			steps: kept,
			leftOut,
			coats: its(coats),
			...needsLeft(kept, leftOut, its(needs)),
			purchases: its(purchases),
			faults: its(faults),
			logs: its(logs),
			photos: its(photos),
			laid: its(laid),
			found: found.find((f) => f.costumeId === costume.id)?.plan ?? null,
			fittings: its(fittings),
			palette: its(palette).map((c) => ({
				...c,
				componentIds: paletteParts.filter((p) => p.paletteColourId === c.id).map((p) => p.componentId)
			})),
			swatches: its(swatches)
		};
	});
}

/** What the newest layout of each material takes, of those that are kept and not cut yet. The layouts themselves are large. */
const loadLaid = (db: Executor, ids: readonly number[]) =>
	all<LaidPart & { costumeId: number; materialId: number }>(
		db,
		`select l.costume_id, l.material_id, (p ->> 'componentId')::integer as component_id,
			(p ->> 'quantity')::double precision as quantity, (p ->> 'area')::double precision as area
		from (
			select distinct on (costume_id, material_id) costume_id, material_id, parts from layout
			where costume_id = any($1) and cut_at is null order by costume_id, material_id, kept_at desc, id desc
		) l, jsonb_array_elements(l.parts) p`,
		[ids]
	);

/** Rows by costume, sorted out once for each list. */
const sortedOut = new WeakMap<readonly object[], Map<number, object[]>>();
function ofCostume<T extends { costumeId: number }>(rows: readonly T[], id: number): T[] {
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
		loadWearers(db)
	]);
	return new Map(
		ids.map((id) => [
			id,
			{ shapes: ofCostume(shapes, id), wearers: fittedOf({ wearers, worn: ofCostume(worn, id) }) }
		])
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
