import { spawnSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { PDFDocument } from 'pdf-lib';
import sharp from 'sharp';
import { circle, placedOutline } from '../../src/core/engines/pattern/outline.ts';
import type { Point } from '../../src/core/units/point.ts';
import { blob } from '../support/outlines.ts';
import { binaryStlOf, bumpy, meshOf } from '../support/meshes.ts';
import { slantPhotoOf } from '../support/photo.ts';
import { BRING } from '../support/servers.ts';
import { open } from '../support/open.ts';

test.use({ baseURL: BRING.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const bringTo = async (page: Page, costume: number, label: string) => {
	await open(page, `/c/${costume}/pattern/bring`);
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label });
	await page.waitForURL(/of=\d+/);
	return page.getByLabel('File', { exact: true });
};

test('a faceted helmet of our own: read, scaled to the head, unfolded with numbered edges, kept and printed; bad files are told', async ({
	page
}, info) => {
	await open(page, '/c/1/pattern/bring');
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'A-03 Pauldrons' });
	await page.waitForURL(/of=\d+/);
	const file = page.getByLabel('File', { exact: true });
	await file.setInputFiles({ name: 'x.stl', mimeType: 'model/stl', buffer: Buffer.from('only words') });
	await expect(page.getByRole('alert')).toHaveText('This is no STL, OBJ, SVG, DXF or PDF file.');
	const ball = bumpy(8, 10, 100, 0.08);
	const obj = [
		...Array.from(
			{ length: ball.points.length / 3 },
			(_, i) => `v ${[...ball.points.slice(3 * i, 3 * i + 3)].join(' ')}`
		),
		...Array.from(
			{ length: ball.triangles.length / 3 },
			(_, t) => `f ${[...ball.triangles.slice(3 * t, 3 * t + 3)].map((p) => p + 1).join(' ')}`
		)
	].join('\n');
	await file.setInputFiles({ name: 'our helmet.obj', mimeType: 'model/obj', buffer: Buffer.from(obj) });
	await expect(page.getByText('Triangles').locator('..')).toContainText('140');
	await page.getByLabel('Scaled by').selectOption({ label: 'a girth of the wearer' });
	// The tape over the ears is a girth as well.
	await page.getByLabel('Girth', { exact: true }).selectOption({ label: 'head girth over ears' });
	await expect(page.getByText(/head girth over ears of Ona/)).toBeVisible();
	await page.getByLabel('Girth', { exact: true }).selectOption({ label: 'head girth' });
	// What the working beneath says is what the page goes by.
	await expect(page.getByText(/head girth of Ona\s+[\d.]+ cm and 3 cm: [\d.]+ cm, scaled by/)).toBeVisible();
	await page.getByRole('button', { name: 'Unfold', exact: true }).click();
	await expect(page.getByRole('heading', { name: /^\d+ pieces?$/ })).toBeVisible();
	await expect(page.getByText(/^[\d.]+ cm$/).first()).toBeVisible();
	// Few large pieces or many small ones, each way with what it takes to join, before anything is kept.
	const apart = page.getByRole('group', { name: 'Comes apart as' });
	const seams = async (way: RegExp) =>
		Number(/([\d.]+) (?:cm|m) of seams/.exec(await apart.getByText(way).innerText())![1]);
	const pieces = async () =>
		Number(/^\d+/.exec(await page.getByRole('heading', { name: /^\d+ pieces?$/ }).innerText())![0]);
	const few = await pieces();
	await apart.getByRole('radio', { name: /each facet by itself/ }).check();
	await expect.poll(pieces).toBeGreaterThan(few);
	expect(await seams(/each facet by itself/)).toBeGreaterThan(await seams(/few large pieces/));
	await apart.getByRole('radio', { name: /few large pieces/ }).check();
	await expect.poll(pieces).toBe(few);
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Brought our helmet to A-03 Pauldrons');
	await page.waitForURL(/pattern\/\d+$/);
	await page.waitForLoadState('networkidle');
	await expect(page.getByText('Drawn by hand since it was shaped')).toHaveCount(0);
	await expect(page.getByRole('row').filter({ hasText: 'part 1' })).toBeVisible();
	// Its facets bend: edges are bevelled, and say how much of them.
	await expect(page.getByRole('button', { name: /^Bevelled edges: [1-9][\d.]* cm/ })).toBeVisible();
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: '1:1 PDF' }).click();
	const pdf = info.outputPath('helmet.pdf');
	await (await download).saveAs(pdf);
	const text = spawnSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' }).stdout;
	expect(text).toContain('part 1');
	expect(text).toContain('Print at 100 %');
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('banner').getByRole('button', { name: 'Redo' })).toBeEnabled();
	await open(page, '/c/1/pattern');
	await expect(page.getByRole('link', { name: /our helmet/ })).toHaveCount(0);
});

test('drawings in and out: an SVG without a unit is asked about, a DXF keeps its own; written out and read again they are as large', async ({
	page
}, info) => {
	await open(page, '/c/2/pattern/bring');
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'G-03 Wave embroidery' });
	await page.waitForURL(/of=\d+/);
	const file = page.getByLabel('File', { exact: true });
	const svg = (body: string) => ({
		name: 'crest.svg',
		mimeType: 'image/svg+xml',
		buffer: Buffer.from(`<svg>${body}</svg>`)
	});
	await file.setInputFiles(svg('<text>words</text>'));
	await expect(page.getByRole('alert')).toHaveText('There is no closed line in it that could be a piece.');
	await file.setInputFiles(svg('<path id="crest" d="M0 0H12V9H0Z M3 3H6V6H3Z"/><script>alert(1)</script>'));
	await expect(page.getByText('1.2 cm × 0.9 cm')).toBeVisible();
	await page.getByLabel('One unit of the drawing is').selectOption('cm');
	await expect(page.getByText('12 cm × 9 cm')).toBeVisible();
	// What keeping them would move is told before.
	await expect(page.getByText(/If you keep this|Keeping this moves no hours/)).toBeVisible();
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Brought crest to G-03 Wave embroidery');
	await page.waitForURL(/pattern\/\d+$/);
	const shape = /(\d+)$/.exec(page.url())![1];
	// Out as DXF, and in again: the same size, without being asked.
	const written = await (await page.request.get(`/c/2/pattern/out/dxf?shape=${shape}`)).text();
	await open(page, '/c/2/pattern/bring?of=' + new URL(page.url()).searchParams.get('of'));
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'G-03 Wave embroidery' });
	await page.waitForURL(/of=\d+/);
	await file.setInputFiles({ name: 'again.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(written) });
	await expect(page.getByText('The file says its size: one unit is 1 mm.')).toBeVisible();
	await expect(page.getByText('12 cm × 9 cm')).toBeVisible();
	await expect(page.getByRole('img', { name: 'Pieces of again' })).toBeVisible();
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Brought again to G-03 Wave embroidery');
	expect(info.errors).toHaveLength(0);
});

test('traced from a photo with four known corners: outlines at true size, chosen, kept, printed', async ({
	page
}, info) => {
	await open(page, '/c/1/pattern/bring');
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'A-04 Bracers' });
	await page.waitForURL(/of=\d+/);
	// The four corners are those of a sheet among the pieces: the photo opens with all that it shows.
	await expect(page.getByRole('combobox', { name: 'Trace' })).toHaveValue('all');
	await page.getByRole('button', { name: 'Trace', exact: true }).click();
	await expect(page.getByText(/^4 outlines/)).toBeVisible();
	// The sheet of paper that gave the scale is an A4: 297 × 210 mm (ISO 216), drawn with a line round it of a millimetre.
	const paper = page.getByRole('checkbox', {
		name: /^29\.[89]\d? cm × 21\.[12]\d? cm · the sheet that is known/
	});
	await expect(paper).not.toBeChecked();
	// The table is not taken by itself; the card of a bracer and the badge of 64 mm are.
	await expect(page.getByRole('checkbox', { name: /cut off by the border/ })).not.toBeChecked();
	await expect(page.getByRole('checkbox', { name: /^6\.[234]\d? cm × 6\.[234]\d? cm/ })).toBeChecked();
	await expect(page.getByRole('checkbox', { checked: true, name: /cm × / })).toHaveCount(2);
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, /^Brought .* to A-04 Bracers/);
	await page.waitForURL(/pattern\/\d+$/);
	await page.waitForLoadState('networkidle');
	await expect(page.getByRole('row').filter({ hasText: 'piece' })).toHaveCount(2);
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: '1:1 PDF' }).click();
	const pdf = info.outputPath('traced.pdf');
	await (await download).saveAs(pdf);
	expect(spawnSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' }).stdout).toContain(
		'Print at 100 %'
	);
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
});

test('from the photo to the print: a mat seen at a slant, its corners clicked, two pieces and a hole traced, a mark caught, printed', async ({
	page
}, info) => {
	const [wide, high] = [600, 400];
	const [width, height] = [2000, 1500];
	const at = (x: number, y: number) => ({ move: [x, y] as const });
	const { photo, corners } = slantPhotoOf(
		[
			{
				outline: placedOutline(circle([0, 0], 70), at(160, 210)),
				holes: [placedOutline(circle([0, 0], 20, true), at(160, 210))],
				grey: 215
			},
			{ outline: placedOutline(blob(8), at(440, 200)), holes: [], grey: 205 }
		],
		{ wide, high, width, height, mmPerPx: 0.3 }
	);
	const jpeg = await sharp(Buffer.from(photo.data.buffer), { raw: { width, height, channels: 4 } })
		.jpeg({ quality: 90 })
		.toBuffer();
	await open(page, '/c/2/measure/pictures');
	await page.getByRole('button', { name: 'Picture', exact: true }).click();
	await page
		.getByLabel('Choose or take a picture')
		.setInputFiles({ name: 'mat.jpg', mimeType: 'image/jpeg', buffer: jpeg });
	await page.getByLabel('Title').fill('Pieces on the mat');
	await page.getByLabel('Seen from').selectOption('detail');
	await page.getByRole('button', { name: 'Add picture' }).click();
	await page.waitForURL(/measure\/pictures\/\d+$/);
	await page.waitForLoadState('networkidle');
	await expect(page.getByRole('application')).toBeVisible();
	for (const [x, y] of corners) {
		const box = (await page.getByRole('application').boundingBox())!;
		const scale = Math.min(box.width / width, box.height / height);
		await page.mouse.click(
			box.x + box.width / 2 + (x - width / 2) * scale,
			box.y + box.height / 2 + (y - height / 2) * scale
		);
	}
	await page.getByLabel('First side').fill('60 cm');
	await page.getByLabel('Next side').fill('400 mm');
	await page.getByRole('button', { name: 'Set the scale (4 of 4 points)' }).click();
	await toast(page, 'Gave Pieces on the mat a scale');

	await bringTo(page, 2, 'G-03 Wave embroidery');
	await page.getByLabel('Photo with four known corners').selectOption({ label: 'Pieces on the mat' });
	await page.getByRole('button', { name: 'Trace', exact: true }).click();
	await expect(page.getByText(/^2 outlines/)).toBeVisible();
	// A disc of 140 mm with a hole, within what a click in a fitted picture is true to.
	await expect(
		page.getByRole('checkbox', {
			name: /^(13\.[89]\d?|14(\.[012]\d?)?) cm × (13\.[89]\d?|14(\.[012]\d?)?) cm 1 hole/
		})
	).toBeChecked();
	// A mark on its face, set from the keyboard and taken off again, then one where the picture is clicked.
	const seen = page.getByRole('application', { name: /^What was traced/ });
	await seen.press('ArrowLeft');
	await seen.press('Enter');
	await expect(page.getByText('1 mark', { exact: true })).toBeVisible();
	await page.getByRole('button', { name: 'Take the last one off' }).click();
	await expect(page.getByText('1 mark', { exact: true })).toHaveCount(0);
	await page.getByLabel('Name', { exact: true }).fill('traced wave');
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Brought traced wave to G-03 Wave embroidery');
	await page.waitForURL(/pattern\/\d+$/);
	const shape = /(\d+)$/.exec(page.url())![1]!;
	// One of the two printed: the other is left out of the choice.
	await open(page, '/c/2/pattern/print');
	await page.getByRole('button', { name: 'None', exact: true }).click();
	await expect(page.getByText('Tick what is to be printed.')).toBeVisible();
	await page.getByRole('checkbox', { name: 'All of G-03 Wave embroidery' }).check();
	const its = page.getByRole('checkbox', { name: /^\d+\/\d+ piece 2/ });
	await its.last().uncheck();
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'Pattern at 1:1' }).click();
	const pdf = info.outputPath('traced.pdf');
	await (await download).saveAs(pdf);
	const text = spawnSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' }).stdout;
	expect(text).toContain('piece 1');
	expect(text).not.toContain('piece 2');
	expect(Number(shape)).toBeGreaterThan(0);
});

/** A pattern over two by two pages of A4 that overlap by 10 mm, with crosses in the overlaps. */
async function tiles(): Promise<Buffer> {
	const [mm, wide, high, over] = [72 / 25.4, 210, 297, 10];
	const pdf = await PDFDocument.create();
	for (let i = 0; i < 4; i++) {
		const page = pdf.addPage([wide * mm, high * mm]);
		const [left, top] = [(i % 2) * (wide - over), Math.floor(i / 2) * (high - over)];
		const at = ([x, y]: Point) => ({ x: (x - left) * mm, y: (high - (y - top)) * mm });
		const line = (a: Point, b: Point) => page.drawLine({ start: at(a), end: at(b), thickness: 1.2 });
		const closed = (points: Point[]) => points.forEach((p, k) => line(p, points[(k + 1) % points.length]!));
		closed([
			[60, 60],
			[330, 90],
			[350, 480],
			[80, 500]
		]);
		closed(
			Array.from({ length: 60 }, (_, k): Point => {
				const a = (k * Math.PI) / 30;
				return [200 + 40 * Math.cos(a), 200 + 40 * Math.sin(a)];
			})
		);
		for (const [x, y] of CROSSES) {
			line([x - 4, y], [x + 4, y]);
			line([x, y - 4], [x, y + 4]);
		}
	}
	return Buffer.from(await pdf.save());
}
const CROSSES: Point[] = [
	[205, 30],
	[205, 275],
	[205, 560],
	[30, 292],
	[380, 292]
];

test('a bought pattern over four pages: laid in rows, or joined by two marks each, traced at true size', async ({
	page
}) => {
	const file = await bringTo(page, 3, 'P-01 Oar');
	await file.setInputFiles({
		name: 'x.pdf',
		mimeType: 'application/pdf',
		buffer: Buffer.from('%PDF-1.7 and no more')
	});
	await expect(page.getByRole('alert')).toHaveText('The PDF is damaged, or a page of it cannot be drawn.');
	await file.setInputFiles({ name: 'blade.pdf', mimeType: 'application/pdf', buffer: await tiles() });
	await page.getByRole('button', { name: 'Begin with it' }).click();
	/** Points at a place of the plane, mm, in a picture that shows so much of it. */
	const point = async (name: RegExp, [x, y]: Point, shown: { wide: number; high: number }) => {
		const drawing = page.getByRole('application', { name });
		await drawing.scrollIntoViewIfNeeded();
		const box = (await drawing.boundingBox())!;
		const k = Math.min((box.width - 24) / shown.wide, (box.height - 24) / shown.high);
		await drawing.click({
			position: { x: box.width / 2 + (x - shown.wide / 2) * k, y: box.height / 2 + (y - shown.high / 2) * k }
		});
	};
	const A4 = { wide: 210, high: 297 };
	// Beside the marks, as a hand points: their middles are found.
	await point(/^The sheet/, [206, 31], A4);
	await point(/^The sheet/, [204, 274], A4);
	await point(/^Page 2/, [6, 30], A4);
	await point(/^Page 2/, [4, 276], A4);
	await expect(page.getByText(/^The marks are 0(\.[01])? mm farther apart/)).toBeVisible();
	await page.getByRole('button', { name: 'Join page 2' }).click();
	await expect(
		page.getByRole('heading', { name: /^Sheet, 41(\.0\d?)? cm × 29\.[67]\d? cm, 2 pages/ })
	).toBeVisible();
	// The rest in rows: the same sheet, whole.
	await page.getByRole('button', { name: 'Begin again' }).click();
	await page.getByLabel('Pages side by side').fill('2');
	await page.getByLabel('They overlap by').fill('1 cm');
	await page.getByRole('button', { name: 'Lay all 4 pages in rows' }).click();
	await expect(page.getByRole('heading', { name: 'Sheet, 41 cm × 58.4 cm, 4 pages' })).toBeVisible();
	await page.getByRole('button', { name: 'Trace', exact: true }).click();
	await expect(page.getByText(/^1 outline\./)).toBeVisible();
	// A line drawn in the piece is a line on it, until it is said to be cut.
	await expect(page.getByRole('checkbox', { name: /^29 cm × 44 cm(?! 1 hole)/ })).toBeChecked();
	await page.getByLabel('Closed lines in a piece are cut out').check();
	await page
		.getByRole('button', { name: /^Trace/ })
		.last()
		.click();
	await expect(page.getByRole('checkbox', { name: /^29 cm × 44 cm 1 hole/ })).toBeChecked();
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Brought blade to P-01 Oar');
});

test('a printed part: told in parts, weight and hours, planned on its step; what is open or too fine is refused', async ({
	page
}) => {
	const file = await bringTo(page, 1, 'A-03 Pauldrons');
	const stl = (name: string, bytes: Uint8Array) => ({
		name,
		mimeType: 'model/stl',
		buffer: Buffer.from(bytes)
	});
	const fine = new Uint8Array(84 + 20_001 * 50);
	new DataView(fine.buffer).setUint32(80, 20_001, true);
	await file.setInputFiles(stl('fine.stl', fine));
	await expect(page.getByRole('alert')).toContainText('It has 20001 triangles; the most is 20000');
	// A box of 100 mm without its lid: unfolded, but no solid to print.
	const box = (closed: boolean) =>
		meshOf(
			[0, 1].flatMap((z) => [
				[0, 0, 100 * z],
				[100, 0, 100 * z],
				[100, 100, 100 * z],
				[0, 100, 100 * z]
			]),
			[
				[0, 3, 2, 1],
				...[0, 1, 2, 3].map((i) => [i, (i + 1) % 4, 4 + ((i + 1) % 4), 4 + i]),
				...(closed ? [[4, 5, 6, 7]] : [])
			]
		);
	await file.setInputFiles(stl('open.stl', binaryStlOf(box(false))));
	await expect(page.getByText('The surface is not closed: 4 edges have one face only')).toBeVisible();
	await expect(page.getByText('a print needs a closed solid')).toBeVisible();
	await page.getByLabel('No piece larger than').fill('wide');
	await page.getByRole('button', { name: 'Unfold', exact: true }).click();
	await expect(page.getByRole('heading', { name: /^\d+ pieces?$/ })).toHaveCount(0);
	await file.setInputFiles(stl('cube.stl', binaryStlOf(box(true))));
	// By hand: walls 72,000 mm³ and 15 % of 928,000 are 211,200 mm³, 262 g of PLA; 440 + 33 + 15 minutes.
	await expect(page.getByRole('button', { name: /^Weight, one copy: 262 g/ })).toBeVisible();
	await expect(page.getByRole('button', { name: /^At the machine, one copy: 8\s?h\s?08/ })).toBeVisible();
	await page.getByLabel('The file is in').selectOption('cm');
	await expect(page.getByText('5 × 5 × 4 on the bed')).toBeVisible();
	await page.getByLabel('The file is in').selectOption('mm');
	await page.getByRole('button', { name: 'Plan its print on A-03' }).click();
	await toast(page, 'Planned the print of A-03 Pauldrons');
	// Both of the pair, one after the other: 2 × 8 h 08.
	await open(page, '/c/1/look');
	await page
		.getByRole('link', { name: /Pauldrons/ })
		.first()
		.click();
	await page.waitForLoadState('networkidle');
	const row = page.getByRole('row', { name: /^Move print up/ });
	await expect(row.getByRole('cell', { name: '16h16' })).toBeVisible();
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(row).toHaveCount(0);
});
