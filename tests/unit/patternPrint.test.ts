import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { areaD, FillRule, intersectD } from 'clipper2-ts';
import jsQRModule from 'jsqr';
import sharp from 'sharp';
import { NET } from '../support/shapes.ts';
import { printFonts } from '../support/fonts.ts';
import { chartPdf } from '../../src/core/formats/chartPdf.ts';
import { tagsPdf } from '../../src/core/formats/tagsPdf.ts';
import { cutListOf, rectangleOf } from '../../src/core/engines/pattern/cutList.ts';
import { placementChart } from '../../src/core/engines/pattern/placement.ts';
import { CHECK_SQUARE, patternPdf } from '../../src/core/formats/patternPdf.ts';
import { patternSvg } from '../../src/core/formats/patternSvg.ts';
import { boxOf, flatten, outlineLength } from '../../src/core/engines/pattern/outline.ts';
import { runShaper } from '../../src/core/engines/pattern/shaper.ts';
import { SHAPERS, type ShaperKey } from '../../src/core/engines/shapers/shapers.ts';
import {
	MARGIN,
	OVERLAP,
	PAPER_KEYS,
	PAPERS,
	tile,
	type PaperKey
} from '../../src/core/engines/pattern/tile.ts';

/** Prints are opened by poppler (Debian), which has no part in making them. */
const folder = mkdtempSync(join(tmpdir(), 'dapper-print-'));
after(() => rmSync(folder, { recursive: true, force: true }));

const pieces = (key: ShaperKey, values: Record<string, number> = {}) => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(done.ok);
	return done.value.pieces.map((piece, i) => ({
		piece,
		code: `A-01 ${i + 1}`,
		count: piece.quantity,
		shape: 0
	}));
};
/** CommonJS with types of an ES module. */
const jsQR = 'default' in jsQRModule ? (jsQRModule.default as typeof jsQRModule) : jsQRModule;
const DPI = 254;
/** A page in grey, ten pixels to the mm. */
async function rendered(paper: PaperKey, page: number, pdf: Uint8Array) {
	const file = join(folder, `${paper}.pdf`);
	writeFileSync(file, pdf);
	const done = spawnSync('pdftoppm', [
		'-r',
		String(DPI),
		'-f',
		String(page),
		'-l',
		String(page),
		'-gray',
		'-png',
		'-singlefile',
		file,
		join(folder, 'page')
	]);
	assert.equal(done.status, 0, String(done.stderr));
	return sharp(join(folder, 'page.png')).greyscale().raw().toBuffer({ resolveWithObject: true });
}
const info = (paper: PaperKey) =>
	spawnSync('pdfinfo', [join(folder, `${paper}.pdf`)], { encoding: 'utf8' }).stdout;

for (const paper of PAPER_KEYS)
	test(`the check square is 100 ± 0.1 mm on ${PAPERS[paper].name}, and the paper its size`, async () => {
		const pdf = await patternPdf(
			pieces('taperedBand', { upper: 520, lower: 340, height: 300 }),
			paper,
			'A test of the square',
			printFonts()
		);
		const { data, info: size } = await rendered(paper, 1, pdf);
		const dark = (x: number, y: number) => data[y * size.width + x]! < 225;
		// Its four sides are the dark lines of about its length.
		const lined = (length: number, across: number, at: (i: number, j: number) => boolean) => {
			const lines: number[] = [];
			for (let j = 0; j < across; j++) {
				let run = 0;
				for (let i = 0; i <= length; i++) {
					if (i < length && at(i, j)) run++;
					else {
						if (Math.abs(run / 10 - CHECK_SQUARE) < 1) lines.push(j);
						run = 0;
					}
				}
			}
			return lines;
		};
		// The square's sides lie apart by its side: the middles of both strokes are compared.
		const sides = (lines: number[]) => {
			const groups: number[][] = [];
			for (const l of lines) {
				const last = groups.at(-1);
				if (last && l - last.at(-1)! <= 2) last.push(l);
				else groups.push([l]);
			}
			return groups.map((g) => (g[0]! + g.at(-1)!) / 2);
		};
		const [top, bottom] = sides(lined(size.width, size.height, (i, j) => dark(i, j)));
		const [left, right] = sides(lined(size.height, size.width, (i, j) => dark(j, i)));
		assert.ok(Math.abs((bottom! - top!) / 10 - CHECK_SQUARE) <= 0.1, `${bottom! - top!}`);
		assert.ok(Math.abs((right! - left!) / 10 - CHECK_SQUARE) <= 0.1, `${right! - left!}`);
		if (paper !== 'plotter') {
			const [, w, h] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(info(paper))!;
			assert.ok(Math.abs((Number(w) / 72) * 25.4 - PAPERS[paper].width) < 0.05);
			assert.ok(Math.abs((Number(h) / 72) * 25.4 - PAPERS[paper].height) < 0.05);
		}
	});

test('strips that are larger than a page are a list to measure off by, not pages of rectangles', async () => {
	const net = pieces('netSkirt', { ...NET, templates: 1 });
	const { list, rest } = cutListOf(net, { width: 190, height: 277 });
	// Two layers of two nets, each name a line: two strips of 1.5 m by 100 mm.
	assert.deepEqual(
		list.map((l) => [Math.round(l.width), Math.round(l.height), l.count]),
		Array.from({ length: 4 }, () => [1500, 100, 2])
	);
	assert.deepEqual(
		rest.map((r) => r.piece.name),
		['edge template 1'],
		'the card is drawn'
	);
	assert.equal(cutListOf(net, null).rest.length, net.length, 'a plotter draws all');
	const file = join(folder, 'list.pdf');
	writeFileSync(file, await patternPdf(net, 'a4', 'skirt', printFonts()));
	const { stdout } = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
	assert.match(stdout, /skirt: cut list/);
	assert.match(stdout, /2\s?x\s+1500 x 100 mm\s+layer 1, structure net/);
	// Nothing but strips: the list alone, and no empty page behind it.
	writeFileSync(file, await patternPdf(net.slice(0, 4), 'a4', 'skirt', printFonts()));
	assert.match(spawnSync('pdfinfo', [file], { encoding: 'utf8' }).stdout, /Pages:\s+1\n/);
	// Bent, holed and folded pieces are drawn.
	assert.equal(rectangleOf(pieces('horn')[0]!), null);
	assert.equal(rectangleOf(pieces('sash')[0]!), null);
	const [strap] = pieces('tubeWrap', { girth: 900, thickness: 5, length: 40 });
	assert.deepEqual(
		rectangleOf(strap!)!.map((s) => Math.round(s)),
		[Math.round(900 + 5 * Math.PI), 40]
	);
});

test('a printed strip has its length: 250 mm from end to end across the pages', async () => {
	const strip = pieces('tubeWrap', { girth: 150, thickness: 5, length: 40 });
	const truth = 150 + 5 * Math.PI;
	const pdf = await patternPdf(strip, 'a4', 'strip', printFonts());
	const { data, info: size } = await rendered('a4', 2, pdf);
	let [first, last] = [Infinity, -Infinity];
	// A row through the middle of the strip meets its two ends.
	const { shows } = tile(strip, 'a4').pages[0]!;
	const y = Math.round(size.height - (MARGIN + 10 - shows.bottom) * 10);
	for (let x = (MARGIN + 1) * 10 - 15; x < (PAPERS.a4.width - MARGIN - 1) * 10; x++)
		if (data[y * size.width + x]! < 100) [first, last] = [Math.min(first, x), Math.max(last, x)];
	assert.ok(Math.abs((last - first) / 10 - truth) < 0.5, `${(last - first) / 10}, not ${truth}`);
});

test('pages put together cover the pattern once: every piece lies whole within their windows', () => {
	for (const paper of ['a4', 'a3', 'letter'] as const) {
		const all = [
			...pieces('circleSkirt', { length: 500 }),
			...pieces('taperedBand'),
			...pieces('horn'),
			...pieces('strap')
		];
		const t = tile(all, paper);
		assert.equal(t.pieces.length, all.length);
		const step = {
			x: PAPERS[paper].width - 2 * MARGIN - OVERLAP,
			y: PAPERS[paper].height - 2 * MARGIN - OVERLAP
		};
		for (const page of t.pages) {
			// Without its overlaps each page shows a part that no other shows.
			assert.ok(
				Math.abs(page.shows.left - page.column * step.x) < 1e-9 &&
					Math.abs(page.shows.right - page.shows.left - step.x - OVERLAP) < 1e-9
			);
			assert.ok(Math.abs(page.shows.bottom - page.row * step.y) < 1e-9);
		}
		assert.equal(new Set(t.pages.map((p) => `${p.row} ${p.column}`)).size, t.pages.length);
		for (const p of t.pieces)
			for (const [x, y] of p.cut) {
				const shown = t.pages.filter(
					(w) =>
						x >= w.shows.left - 1e-6 &&
						x <= w.shows.right + 1e-6 &&
						y >= w.shows.bottom - 1e-6 &&
						y <= w.shows.top + 1e-6
				);
				assert.ok(shown.length >= 1 && shown.length <= 4, `${paper} ${x} ${y}: ${shown.length}`);
			}
		// And no piece lies on another.
		const boxes = t.pieces.map((p) => boxOf(p.cut));
		boxes.forEach((a, i) =>
			boxes
				.slice(i + 1)
				.forEach((b) =>
					assert.ok(a.right <= b.left || b.right <= a.left || a.top <= b.bottom || b.top <= a.bottom)
				)
		);
	}
});

test('a picture of pieces at 1:1: its size in mm, every cut line, names that are not code', () => {
	const [strap] = pieces('strap');
	const svg = patternSvg([{ ...strap!, code: 'A-01 <b>' }], 'a & b');
	assert.match(svg, /^<svg [^>]*width="1010mm" height="38mm"/);
	assert.equal(svg.match(/class="cut"/g)!.length, 6);
	assert.ok(!svg.includes('<b>') && svg.includes('a &#38; b'));
	assert.ok(outlineLength(strap!.piece.outline) > 2000);
});

/** The pages of a PDF as poppler draws them, 8 pixels to the mm. */
async function page(name: string, pdf: Uint8Array, number = 1) {
	const file = join(folder, `${name}.pdf`);
	writeFileSync(file, pdf);
	spawnSync('pdftoppm', [
		'-r',
		'203.2',
		'-f',
		String(number),
		'-l',
		String(number),
		'-png',
		'-singlefile',
		file,
		join(folder, name)
	]);
	return join(folder, `${name}.png`);
}
const text = (name: string) =>
	spawnSync('pdftotext', ['-layout', join(folder, `${name}.pdf`), '-'], { encoding: 'utf8' }).stdout;

test('tags: every code is on the sheet, and an independent reader reads the address from each QR code', async () => {
	const tags = Array.from({ length: 26 }, (_, i) => ({
		code: `A-04 L+R ${i + 1}/26`,
		name: 'Bracers: panel with a name that is much too long for its tag',
		said: 'cut 4, L+R, half mirrored',
		small: 'High-density foam 2 mm',
		address: `http://127.0.0.1:4173/c/1/pattern/2/${i + 1}`
	}));
	const pdf = await tagsPdf(tags, 'a4', printFonts());
	const png = await page('tags', pdf);
	const said = text('tags');
	for (const t of tags) assert.ok(said.includes(t.code), t.code);
	// Where the first three tags are: 62 × 34 mm from the margin on.
	for (const [i, left] of [MARGIN, MARGIN + 63, MARGIN + 126].entries()) {
		const { data, info } = await sharp(png)
			.extract({ left: Math.round(left * 8), top: MARGIN * 8, width: 62 * 8, height: 34 * 8 })
			.ensureAlpha()
			.raw()
			.toBuffer({ resolveWithObject: true });
		const read = jsQR(new Uint8ClampedArray(data), info.width, info.height);
		assert.equal(read?.data, tags[i]!.address);
	}
	assert.match(spawnSync('pdfinfo', [join(folder, 'tags.pdf')], { encoding: 'utf8' }).stdout, /Pages: +2/);
});

test('placement chart: joined edges face each other on one page, nothing covers anything', async () => {
	for (const [key, values] of [
		['plateBox', {}],
		['domeGores', { gores: 6 }],
		['ridge', {}],
		['taperedBand', { panels: 4 }],
		['netSkirt', { layers: 3 }]
	] as const) {
		const its = pieces(key, values);
		const chart = placementChart(its);
		assert.equal(
			chart.pieces.length,
			its.reduce((sum, p) => sum + Math.min(24, p.piece.quantity), 0),
			key
		);
		const flat = chart.pieces.map((p) =>
			flatten(p.piece.outline, 0.5).points.map(([x, y]) => ({ x: x + p.at[0], y: y + p.at[1] }))
		);
		flat.forEach((a, i) =>
			flat
				.slice(i + 1)
				.forEach((b) =>
					assert.ok(
						intersectD([a], [b], FillRule.NonZero, 3).reduce((sum, q) => sum + Math.abs(areaD(q)), 0) < 1,
						key
					)
				)
		);
	}
	assert.equal(placementChart(pieces('ridge')).joins.length, 1);
	assert.equal(placementChart(pieces('taperedBand', { panels: 4 })).joins.length, 3);
	// Seams of different shapes bear the same names and are not joined.
	const [a, b] = [pieces('taperedBand', { panels: 1 }), pieces('taperedBand', { panels: 1 })];
	assert.equal(placementChart([...a, ...b.map((p) => ({ ...p, shape: 1 }))]).joins.length, 0);
	const pdf = await chartPdf(
		['ridge', 'domeGores', 'plateBox', 'horn'].map((key) => ({
			title: key,
			pieces: pieces(key as ShaperKey)
		})),
		'a4',
		'Reed singer: placement',
		printFonts()
	);
	await page('chart', pdf);
	assert.match(spawnSync('pdfinfo', [join(folder, 'chart.pdf')], { encoding: 'utf8' }).stdout, /Pages: +1\b/);
	for (const word of ['Reed singer: placement', 'domeGores', 'Scale 1 :'])
		assert.ok(text('chart').includes(word));
});
