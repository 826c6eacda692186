import type { Callout, Decision, LookRecord, ReferencePicture, StoredMeasure } from '$core/facts/picture.ts';
import type { Point } from '$core/units/point.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

/** x, y, x, y … as points. */
const pairs = (flat: readonly number[]): Point[] =>
	Array.from({ length: flat.length / 2 }, (_, i): Point => [flat[2 * i]!, flat[2 * i + 1]!]);
const withPoints = <T extends { points: unknown }>(row: T) => ({
	...row,
	points: pairs(row.points as number[])
});

export async function loadLook(db: Executor, costumeId: number): Promise<LookRecord> {
	const of = [costumeId];
	const [pictures, callouts, measures, decisions] = await Promise.all([
		all<ReferencePicture>(
			db,
			`select id, costume_id, position, hash, mime, width, height, bytes, title, angle, design, source_note,
				purpose, axis_px, scale, click_px, scale_sigma_mm, version
			from reference_picture where costume_id = $1 order by position, id`,
			of
		),
		all<Callout>(
			db,
			`select c.id, c.picture_id, c.component_id, c.label, c.shape, c.side, c.points, c.version
			from callout c join reference_picture p on p.id = c.picture_id where p.costume_id = $1 order by c.id`,
			of
		),
		all<StoredMeasure>(
			db,
			`select m.id, m.picture_id, m.component_id, m.label, m.kind, m.points, m.off_plane_mm, m.version
			from picture_measure m join reference_picture p on p.id = m.picture_id where p.costume_id = $1 order by m.id`,
			of
		),
		all<Decision>(
			db,
			`select d.id, d.component_id, d.source, d.reason, d.decided_at, d.buy_price_minor, d.buy_lead_days,
				d.alter_price_minor, d.alter_lead_days, d.version
			from decision d join component c on c.id = d.component_id where c.costume_id = $1 order by d.decided_at desc, d.id desc`,
			of
		)
	]);
	return { pictures, callouts: callouts.map(withPoints), measures: measures.map(withPoints), decisions };
}
