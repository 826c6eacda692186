import type { BodyMeasure, Wearer } from '$core/facts/bodyMeasure.ts';
import type { Opening } from '$core/facts/opening.ts';
import type { CostumeWearer, MeasureRecord, StoredNominal } from '$core/facts/measureRecord.ts';
import type { StoredShape } from '$core/facts/shape.ts';
import type { Fitting, FittingPoint } from '$core/facts/fitting.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

const withMeasures = (
	wearers: readonly Omit<Wearer, 'measures'>[],
	measures: readonly BodyMeasure[]
): Wearer[] => wearers.map((w) => ({ ...w, measures: measures.filter((m) => m.wearerId === w.id) }));

export async function loadWearers(db: Executor): Promise<Wearer[]> {
	const [wearers, measures] = await Promise.all([
		all<Omit<Wearer, 'measures'>>(db, 'select id, name, note, version from wearer order by lower(name), id'),
		all<BodyMeasure>(
			db,
			`select id, wearer_id, measure, side, taken_over as over, value_mm as mm, taken_on, confirmed, note, version
			from body_measure order by taken_on, id`
		)
	]);
	return withMeasures(wearers, measures);
}

/** Those of these costumes. */
export async function loadWearersOf(db: Executor, costumeIds: readonly number[]): Promise<Wearer[]> {
	const of = [costumeIds];
	const [wearers, measures] = await Promise.all([
		all<Omit<Wearer, 'measures'>>(
			db,
			`select id, name, note, version from wearer
			where id in (select wearer_id from costume_wearer where costume_id = any($1)) order by lower(name), id`,
			of
		),
		all<BodyMeasure>(
			db,
			`select id, wearer_id, measure, side, taken_over as over, value_mm as mm, taken_on, confirmed, note, version
			from body_measure where wearer_id in (select wearer_id from costume_wearer where costume_id = any($1))
			order by taken_on, id`,
			of
		)
	]);
	return withMeasures(wearers, measures);
}

/** Who wears these costumes, in the order in which they were added. */
export const loadWorn = (
	db: Executor,
	costumeIds: readonly number[]
): Promise<(CostumeWearer & { costumeId: number })[]> =>
	all(
		db,
		'select id, costume_id, wearer_id, built_on, fitted_at, version from costume_wearer where costume_id = any($1) order by id',
		[costumeIds]
	);

/** The shapes of these costumes, by component and position. */
export const loadShapes = (
	db: Executor,
	costumeIds: readonly number[]
): Promise<(StoredShape & { costumeId: number })[]> =>
	all(
		db,
		`select s.id, c.costume_id, s.component_id, s.shaper, s.name, s."values", s.works, s.drawn, s.material_id, s.layers, s.note,
			s.version
		from shape s join component c on c.id = s.component_id where c.costume_id = any($1)
		order by c.position, c.id, s.position, s.id`,
		[costumeIds]
	);

export async function loadMeasure(db: Executor, costumeId: number): Promise<MeasureRecord> {
	const of = [costumeId];
	const [wearers, worn, openings, nominals, fittings, points, shapes] = await Promise.all([
		loadWearers(db),
		loadWorn(db, of),
		all<Opening>(
			db,
			`select o.id, o.component_id, o.passage, o.closed_mm, o.stretch_percent, o.opening_mm, o.split, o.version
			from opening o join component c on c.id = o.component_id where c.costume_id = $1
			order by c.position, c.id, o.id`,
			of
		),
		all<StoredNominal>(
			db,
			`select n.id, n.component_id, n.measure, n.direction, n.nominal_mm, n.made_for, n.ease_mm, n.version
			from nominal n join component c on c.id = n.component_id where c.costume_id = $1 order by n.id`,
			of
		),
		all<Fitting>(
			db,
			`select f.id, f.costume_id, f.wearer_id, f.held_at, f.note, f.clears, f.version,
				array(select component_id from fitting_component where fitting_id = f.id order by id) as component_ids
			from fitting f where f.costume_id = $1 order by f.held_at desc, f.id desc`,
			of
		),
		all<FittingPoint>(
			db,
			`select p.id, p.fitting_id, p.component_id, p.what, p.direction, p.move_mm, p.side, p.step_id, p.settled, p.version
			from fitting_point p join fitting f on f.id = p.fitting_id where f.costume_id = $1 order by p.id`,
			of
		),
		loadShapes(db, of)
	]);
	return { wearers, worn, openings, nominals, fittings, points, shapes };
}
