import { sharedWith } from '$core/answers/bookings.ts';
import { piecesOf } from '$core/answers/shapePieces.ts';
import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { StorySource } from '$core/formats/storyTypes.ts';
import type { Executor } from '../db/open.ts';
import { loadPieces } from './costume.ts';
import { loadHealth } from './health.ts';
import { loadShared } from './loans.ts';
import { loadLook } from './look.ts';
import { loadMeasure } from './measure.ts';
import { loadWear } from './wear.ts';

/** Everything that the record of a costume is written from. */
export async function loadStory(
	db: Executor,
	record: CostumeRecord,
	workshop: Workshop
): Promise<StorySource> {
	const { id } = record.costume;
	const [fit, wear, look, health, shared, from] = await Promise.all([
		loadMeasure(db, id),
		loadWear(db, id),
		loadLook(db, id),
		loadHealth(db, id),
		loadShared(db),
		loadPieces(db, [id])
	]);
	const { shapes, wearers } = from.get(id)!;
	const pieces = new Map<number, NumberedPiece[]>();
	for (const component of record.components) {
		const its = shapes.filter((s) => s.componentId === component.id);
		const done = piecesOf(its, {
			component,
			components: record.components,
			wearers,
			materials: workshop.materials
		});
		for (const { shape, pieces: of } of done) pieces.set(shape.id, of);
	}
	return {
		record,
		workshop,
		fit,
		wear,
		...health,
		references: look.pictures,
		shared: sharedWith(id, shared),
		pieces,
		unit: workshop.settings.lengthUnit
	};
}
