import sharp from 'sharp';
import { parseColour } from '$core/engines/colour/lab.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { DAY, dayOf } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { one } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { storePicture } from '../pictures.ts';
import type { DemoCostume } from './costumes.ts';

/** Scraps painted halfway across: the rubber coating shows beside the paint. */
export async function layOutSwatches(
	tx: Executor,
	folder: string,
	demo: DemoCostume,
	costumeId: number,
	ids: ReadonlyMap<string, number>,
	now: number
): Promise<void> {
	for (const swatch of demo.swatches ?? []) {
		const paint = await one<{ id: number }>(tx, 'select id from material where name = $1', [swatch.paint]);
		const swatchId = await insert(tx, 'swatch', {
			costumeId,
			recipe: swatch.recipe,
			recipeVersion: 0,
			layers: STANDARD.recipe[swatch.recipe]!.layers,
			surface: swatch.surface,
			materialId: paint!.id,
			madeOn: dayOf(now) - swatch.daysAgo,
			coatsToCover: swatch.covers,
			wet: parseColour(swatch.wet),
			dry: parseColour(swatch.dry),
			verdict: swatch.verdict,
			note: swatch.note
		});
		for (const caption of ['wet', 'dry'] as const) {
			const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="320" height="240"><rect width="320" height="240" fill="#d8d3c8"/>
				<path d="M24 30l270-8 6 180-280 10z" fill="#2b2b2e"/><path d="M96 28l198-6 6 180-196 6q14-40 2-84t-10-96z" fill="${swatch[caption]}"/>
				<path d="M120 60q80-14 160-4M124 110q70 8 160-2M122 166q80-10 166 2" stroke="#fff" stroke-opacity="${caption === 'wet' ? 0.5 : 0.12}" stroke-width="5" fill="none"/></svg>`;
			const picture = await storePicture(folder, await sharp(Buffer.from(svg)).png().toBuffer());
			await insert(tx, 'photo', {
				costumeId,
				swatchId,
				...picture,
				caption,
				takenAt: (dayOf(now) - swatch.daysAgo) * DAY + 20 * 60
			});
		}
		for (const name of swatch.on)
			await set(tx, 'component', ids.get(name)!, { recipe: swatch.recipe, recipeVersion: 0, swatchId });
	}
}
