import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromBuffer } from 'file-type';
import sharp, { type OutputInfo } from 'sharp';
import { writeDurably } from './db/onDisk.ts';
import { Refused } from './db/rows.ts';

/** Uploaded files are hostile: type by content, size limited, and only our own re-encoding is kept. */
export const MOST_BYTES = 20 * 1024 * 1024;
const MOST_PIXELS = 80_000_000;
/** A strip of one pixel's height is no photo, but work. */
const MOST_SIDE = 20_000;
const LONGEST_SIDE = 4096;
const ACCEPTED = new Set(['image/jpeg', 'image/png', 'image/webp']);

export interface StoredPicture {
	hash: string;
	mime: 'image/jpeg' | 'image/png' | 'image/webp';
	width: number;
	height: number;
	bytes: number;
}

/**
 * Checks, turns upright, strips everything that is not picture (place and camera included), and
 * stores under the content's hash.
 */
export async function storePicture(
	folder: string,
	input: Uint8Array,
	field = 'photo'
): Promise<StoredPicture> {
	if (input.byteLength === 0) throw new Refused('The file is empty.', field);
	if (input.byteLength > MOST_BYTES)
		throw new Refused(
			`The picture has ${Math.round(input.byteLength / 1048576)} MB; at most 20 MB. Save it smaller first.`,
			field
		);
	const type = await fileTypeFromBuffer(input);
	if (type?.mime === 'image/heic' || type?.mime === 'image/heif')
		throw new Refused(
			'HEIC pictures cannot be read here. Set the camera to JPEG, or save the picture as JPEG.',
			field
		);
	if (!type || !ACCEPTED.has(type.mime))
		throw new Refused('This is not a JPEG, PNG or WebP picture, whatever its name says.', field);
	let output: { data: Buffer; info: OutputInfo };
	const { width = 0, height = 0 } = await sharp(input, { limitInputPixels: false })
		.metadata()
		.catch(() => ({}) as { width?: number; height?: number });
	if (width * height > MOST_PIXELS || Math.max(width, height) > MOST_SIDE)
		throw new Refused(
			`The picture has ${width} × ${height} pixels; at most 80 million, and ${MOST_SIDE.toLocaleString('en-GB')} a side. Save it smaller first.`,
			field
		);
	try {
		const image = sharp(input, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
			.rotate()
			.resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true });
		const encoded =
			type.mime === 'image/png'
				? image.png()
				: type.mime === 'image/webp'
					? image.webp({ quality: 88 })
					: image.jpeg({ quality: 88 });
		output = await encoded.toBuffer({ resolveWithObject: true });
	} catch {
		throw new Refused('The picture is damaged.', field);
	}
	const hash = await storeFile(folder, output.data);
	return {
		hash,
		mime: type.mime as StoredPicture['mime'],
		width: output.info.width,
		height: output.info.height,
		bytes: output.data.byteLength
	};
}

/** The columns of a row whose photo is taken off. Its file stays: undo needs it, and another row may show it too. */
export const NO_PICTURE = { hash: null, mime: null, width: null, height: null, bytes: null };

/** Stores bytes under their hash: whole and on the disk, or not at all. */
export async function storeFile(folder: string, data: Uint8Array): Promise<string> {
	const hash = createHash('sha256').update(data).digest('hex');
	const path = filePath(folder, hash);
	if (existsSync(path)) return hash;
	await mkdir(join(folder, 'files'), { recursive: true });
	await writeDurably(path, data);
	return hash;
}

/** The longest sides that a picture is also given in, for lists and for looking at a large one smoothly. */
export const SMALLER = [256, 512, 1024, 2048] as const;

/** The picture made smaller: made when asked for, kept by the browser. */
export async function smaller(folder: string, hash: string, side: number): Promise<Uint8Array> {
	const data = await readStored(folder, hash);
	return sharp(data)
		.resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
		.toBuffer();
}

export const filePath = (folder: string, hash: string): string => join(folder, 'files', hash);
export const readStored = (folder: string, hash: string): Promise<Buffer> => readFile(filePath(folder, hash));
