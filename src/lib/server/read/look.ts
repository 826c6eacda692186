import type { Callout, Decision, LookRecord, ReferencePicture, StoredMeasure } from '$core/facts/picture.ts';
import type { TableName } from '$core/facts/tables.ts';
import type { Point } from '$core/units/point.ts';
import type { Executor } from '../db/open.ts';
import { selectOfCostumes } from '../db/tables.ts';

/** x, y, x, y … as points. */
const pairs = (flat: readonly number[]): Point[] =>
	Array.from({ length: flat.length / 2 }, (_, i): Point => [flat[2 * i]!, flat[2 * i + 1]!]);
const withPoints = <T extends { points: unknown }>(row: T) => ({
	...row,
	points: pairs(row.points as number[])
});

export async function loadLook(db: Executor, costumeId: number): Promise<LookRecord> {
	const of = <T>(table: TableName, order?: string) => selectOfCostumes<T>(db, table, [costumeId], order);
	const [pictures, callouts, measures, decisions] = await Promise.all([
		of<ReferencePicture>('reference_picture', 'position, id'),
		of<Callout>('callout'),
		of<StoredMeasure>('picture_measure'),
		of<Decision>('decision', 'decided_at desc, decision.id desc')
	]);
	return { pictures, callouts: callouts.map(withPoints), measures: measures.map(withPoints), decisions };
}

/** Everything on the pictures of a costume, with the one that is asked for; null when it is not there. */
export async function loadLookAt(
	db: Executor,
	params: { costume: string; picture: string }
): Promise<{ look: LookRecord; pictureId: number } | null> {
	const look = await loadLook(db, Number(params.costume));
	const pictureId = Number(params.picture);
	return look.pictures.some((p) => p.id === pictureId) ? { look, pictureId } : null;
}
