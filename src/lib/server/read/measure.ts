import type { BodyMeasure, Wearer } from '$core/facts/bodyMeasure.ts';
import type { Opening } from '$core/facts/opening.ts';
import type { CostumeWearer, MeasureRecord, StoredNominal } from '$core/facts/measureRecord.ts';
import type { StoredShape } from '$core/facts/shape.ts';
import type { Fitting, FittingPoint } from '$core/facts/fitting.ts';
import type { Executor } from '../db/open.ts';
import { select, selectOfCostumes } from '../db/tables.ts';

export async function loadWearers(db: Executor): Promise<Wearer[]> {
	const [wearers, measures] = await Promise.all([
		select<Omit<Wearer, 'measures'>>(db, 'wearer', 'lower(name), id'),
		select<BodyMeasure>(db, 'body_measure', 'taken_on, id')
	]);
	return wearers.map((w) => ({ ...w, measures: measures.filter((m) => m.wearerId === w.id) }));
}

/** Who wears these costumes, in the order in which they were added. */
export const loadWorn = (db: Executor, costumeIds: readonly number[]) =>
	selectOfCostumes<CostumeWearer>(db, 'costume_wearer', costumeIds);

/** The shapes of these costumes, by component and position. */
export const loadShapes = (db: Executor, costumeIds: readonly number[]) =>
	selectOfCostumes<StoredShape>(
		db,
		'shape',
		costumeIds,
		'component.position, component.id, shape.position, shape.id'
	);

/** Fittings with what was tried on, in order of time. */
export async function loadFittings(
	db: Executor,
	costumeIds: readonly number[]
): Promise<(Fitting & { costumeId: number })[]> {
	const [fittings, tried] = await Promise.all([
		selectOfCostumes<Omit<Fitting, 'componentIds'>>(db, 'fitting', costumeIds, 'held_at, id'),
		selectOfCostumes<{ fittingId: number; componentId: number }>(db, 'fitting_component', costumeIds)
	]);
	return fittings.map((f) => ({
		...f,
		componentIds: tried.filter((t) => t.fittingId === f.id).map((t) => t.componentId)
	}));
}

export async function loadMeasure(db: Executor, costumeId: number): Promise<MeasureRecord> {
	const ids = [costumeId];
	const [wearers, worn, openings, nominals, fittings, points, shapes] = await Promise.all([
		loadWearers(db),
		loadWorn(db, ids),
		selectOfCostumes<Opening>(db, 'opening', ids, 'component.position, component.id, opening.id'),
		selectOfCostumes<StoredNominal>(db, 'nominal', ids),
		loadFittings(db, ids),
		selectOfCostumes<FittingPoint>(db, 'fitting_point', ids),
		loadShapes(db, ids)
	]);
	return { wearers, worn, openings, nominals, fittings: fittings.reverse(), points, shapes };
}
