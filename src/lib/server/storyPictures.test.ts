import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import sharp from 'sharp';
import { storyPdf } from '$core/formats/storyPdf.ts';
import type { Story } from '$core/formats/storyTypes.ts';
import { storeFile } from './pictures.ts';
import { printFonts } from './prints/fonts.ts';
import { MOST_PICTURES, progressOf, storyPictures } from './storyPictures.ts';

let folder: string;
before(async () => {
	folder = await mkdtemp(join(tmpdir(), 'story-'));
});
after(() => rm(folder, { recursive: true }));

const picture = async (i: number) =>
	storeFile(
		folder,
		await sharp({
			create: {
				width: 900,
				height: 700,
				channels: 4,
				background: { r: i % 256, g: i >> 8, b: 90, alpha: 0.5 }
			}
		})
			.png()
			.toBuffer()
	);
const storyWith = (hashes: readonly string[]): Story => ({
	title: 'Gorget of Łódź',
	said: 'Pageant',
	chapters: [
		{
			title: 'Components',
			parts: [
				{
					title: 'A-01 gorget',
					componentId: 1,
					lines: [
						{ name: 'Inside', text: 'fusible interfacing; 2.5 m' },
						{ name: 'Recipe', text: 'worn metal on foam' },
						{ name: 'Fault', text: 'strap torn out' }
					],
					pictures: hashes.map((hash, i) => ({
						hash,
						mime: 'image/png',
						caption: `picture ${i}`,
						width: 900,
						height: 700
					}))
				}
			]
		}
	]
});
const textOf = (pdf: Uint8Array) =>
	execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, maxBuffer: 1e7 }).toString('utf8');
const imagesOf = async (pdf: Uint8Array) => {
	const path = join(folder, 'read.pdf');
	await writeFile(path, pdf);
	return execFileSync('pdfimages', ['-list', path]).toString().trim().split('\n').slice(2);
};

test('a record with more pictures than are printed: their number is bounded, its size too, and how far it has come is told', async () => {
	const hashes = await Promise.all(Array.from({ length: MOST_PICTURES + 20 }, (_, i) => picture(i)));
	const gone = 'f'.repeat(64);
	const asked = storyPictures(folder, [gone, ...hashes], 'x');
	assert.deepEqual(progressOf('x'), { done: 0, of: MOST_PICTURES });
	const pictures = await asked;
	assert.equal(progressOf('x'), null);
	assert.equal(pictures.size, MOST_PICTURES - 1, 'a file that is gone is left out');
	assert.deepEqual([...pictures.keys()].slice(0, 3), hashes.slice(0, 3), 'in the order of the story');
	const pdf = await storyPdf(storyWith(hashes), pictures, printFonts());
	assert.ok(pdf.length < 20 * 1024 * 1024, `${pdf.length}`);
	assert.match(textOf(pdf), /21 pictures more with the costume\./);
});

test('read back by poppler: every line is in it, with letters of other languages, and its pictures are small', async () => {
	const hashes = await Promise.all([1, 2, 3, 4].map((i) => picture(1000 + i)));
	const pdf = await storyPdf(storyWith(hashes), await storyPictures(folder, hashes, 'y'), printFonts());
	const text = textOf(pdf);
	for (const said of [
		'Gorget of Łódź',
		'A-01 gorget',
		'fusible interfacing; 2.5 m',
		'worn metal on foam',
		'strap torn out',
		'picture 3',
		'page 1 of 1'
	])
		assert.ok(text.includes(said), `${said}\n${text}`);
	const images = await imagesOf(pdf);
	assert.equal(images.length, 4);
	for (const image of images) assert.match(image, /\b560\s+436\b.*jpeg/);
});
