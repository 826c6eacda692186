import sharp from 'sharp';
import type { Assembled } from '$core/answers/assembled.ts';
import { ASSEMBLED_VIEWS, assembledSvg } from '$core/formats/assembledSvg.ts';
import type { StoryPicture } from '$core/formats/storyTypes.ts';
import { readStored } from './pictures.ts';

/** So many pictures are in a record at most: more are counted, and stay with the costume. */
export const MOST_PICTURES = 300;
/** Pixels along the longest side: three across a page at some 250 an inch. */
const SIDE = 560;
const AT_ONCE = 4;

/** All that stands on the wearer, as a print has it. */
export async function standPicture(
	assembled: Assembled
): Promise<{ picture: StoryPicture; jpeg: Uint8Array }> {
	const { data, info } = await sharp(Buffer.from(assembledSvg(assembled)))
		.resize({ width: 3 * SIDE, height: 3 * SIDE, fit: 'inside', withoutEnlargement: true })
		.flatten({ background: '#fff' })
		.jpeg({ quality: 80 })
		.toBuffer({ resolveWithObject: true });
	const { width, height } = info;
	const caption = `On the wearer, ${ASSEMBLED_VIEWS}`;
	return {
		picture: { hash: 'on the stand', mime: 'image/jpeg', caption, width, height },
		jpeg: new Uint8Array(data)
	};
}

/** How far records that are being written have come, by their key. */
const under = new Map<string, { done: number; of: number }>();
export const progressOf = (key: string): { done: number; of: number } | null => under.get(key) ?? null;

/**
 * Pictures as a print has them: JPEG, small, by their hash. One whose file is gone is left out.
 *
 * @param key under which its progress is asked for
 */
export async function storyPictures(
	folder: string,
	hashes: readonly string[],
	key: string
): Promise<Map<string, Uint8Array>> {
	const waiting = hashes.slice(0, MOST_PICTURES);
	const found = new Map<string, Uint8Array>();
	const progress = { done: 0, of: waiting.length };
	under.set(key, progress);
	const next = waiting.values();
	const work = async () => {
		for (const hash of next) {
			const data = await readStored(folder, hash).catch(() => null);
			if (data) {
				const small = await sharp(data)
					.resize({ width: SIDE, height: SIDE, fit: 'inside', withoutEnlargement: true })
					.flatten({ background: '#fff' })
					.jpeg({ quality: 72 })
					.toBuffer();
				found.set(hash, new Uint8Array(small));
			}
			progress.done++;
		}
	};
	try {
		await Promise.all(Array.from({ length: AT_ONCE }, work));
	} finally {
		under.delete(key);
	}
	// In the order of the story, whichever was ready first.
	return new Map(waiting.flatMap((hash) => (found.has(hash) ? [[hash, found.get(hash)!] as const] : [])));
}
