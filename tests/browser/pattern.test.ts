import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test, type Page, type Route } from '@playwright/test';
import { PATTERN } from '../support/servers.ts';
import { open } from '../support/open.ts';

test.use({ baseURL: PATTERN.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const shown = async (page: Page, title: string) =>
	Number(
		/([\d.]+)/.exec(
			(await page.getByRole('button', { name: new RegExp(`^${title}: .*Show the working`) }).textContent())!
		)![1]
	);

test('a bracer from the wearer’s girths: worked out, kept, printed at 1:1, and re-shaped by a new measure', async ({
	page
}, info) => {
	await open(page, '/c/1/pattern');
	await expect(page.getByText('pieces to cut.')).toBeVisible();
	await page.getByRole('link', { name: 'Shape', exact: true }).first().click();
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'A-04 Bracers' });
	await page.waitForURL(/of=\d+/);
	await page.getByRole('link', { name: /^tapered band/ }).click();
	await page.waitForURL(/shaper=taperedBand/);
	await page.waitForLoadState('networkidle');

	// It follows the larger forearm at once: 25.6 cm on the right, plus the ease that is typed.
	await page.getByLabel('Name').fill('second shell');
	// What its component takes is chosen already; at first nobody has said.
	await expect(page.getByLabel('Cut from')).not.toHaveValue('');
	await page.getByLabel('Cut from').selectOption('');
	await page.getByLabel('upper girth, with ease of').fill('1.2');
	await page.getByLabel('lower girth, with ease of').fill('1.2');
	await page.getByLabel('thickness').fill('0');
	await expect(page.getByText('forearm girth, right, Ona')).toBeVisible();
	expect(await shown(page, 'Upper edge of a panel')).toBeCloseTo(25.6 + 1.2, 1);

	// A slip is told at its field while the last whole shape stays in sight.
	await page.getByLabel('gap left open').fill('30');
	await expect(page.getByText('The gap is as wide as the narrow girth')).toBeVisible();
	await expect(page.getByRole('img', { name: 'Pieces of tapered band' })).toBeVisible();
	await page.getByLabel('gap left open').fill('0');
	await page.getByLabel('panels').fill('2');
	expect(await shown(page, 'Upper edge of a panel')).toBeCloseTo((25.6 + 1.2) / 2, 1);
	await page.getByLabel('overlap').fill('1.5');
	// What it moves is shown before it is kept.
	await page.getByLabel('Cut from').selectOption({ label: 'High-density foam 6 mm' });
	await expect(page.getByText('If you keep this')).toBeVisible();
	await expect(page.getByText(/^\d+h\d* →$/)).toBeVisible();
	await page.getByRole('button', { name: 'Keep this shape' }).click();
	await toast(page, 'Shaped second shell of A-04 Bracers');
	await page.waitForURL(/pattern\/\d+$/);
	await page.waitForLoadState('networkidle');
	await expect(page.getByRole('row').filter({ hasText: 'panel' }).getByText('4 ×')).toBeVisible();

	// The print, opened by another program: A4, and the words that a maker looks for.
	const downloading = page.waitForEvent('download');
	await page.getByRole('link', { name: '1:1 PDF' }).click();
	const file = info.outputPath('pattern.pdf');
	await (await downloading).saveAs(file);
	const text = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout;
	expect(text).toContain('Print at 100 %');
	expect(text).toMatch(/A-04 L\+R \d\/\d/);
	expect(text).toContain('cut 4');
	expect(spawnSync('pdfinfo', [file], { encoding: 'utf8' }).stdout).toMatch(
		/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/
	);
	const drawing = page.waitForEvent('download');
	await page.getByRole('link', { name: 'SVG' }).click();
	expect(readFileSync((await (await drawing).path())!, 'utf8')).toMatch(/^<svg [^>]*width="[\d.]+mm"/);

	// A new measure of the wearer re-shapes it.
	const address = page.url();
	await open(page, '/c/1/measure/take');
	await page.getByRole('group', { name: 'forearm girth', exact: true }).getByLabel('Right').fill('27.6');
	await page.getByRole('button', { name: 'Save the measures' }).click();
	await toast(page, 'Took 1 measure of Ona');
	await open(page, address);
	// It is cut from 6 mm, whatever was typed: the neutral line is 0.6π farther round.
	const thick = 0.6 * Math.PI;
	expect(await shown(page, 'Upper edge of a panel')).toBeCloseTo((27.6 + 1.2 + thick) / 2, 1);

	// And everything can be taken back.
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect.poll(() => shown(page, 'Upper edge of a panel')).toBeCloseTo((25.6 + 1.2 + thick) / 2, 1);
	await page.getByRole('button', { name: 'Remove' }).click();
	await page.waitForURL(/\/pattern$/);
	await expect(page.getByRole('link', { name: /second shell/ })).toHaveCount(0);
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('link', { name: /second shell/ })).toBeVisible();
});

/** By hand: base 900 to 1500 over 260, lines every 20 mm, fullness 3 to 2: see the shaper's own test. */
test('a bodice from the wearer’s measures: what counts stays in sight, seams instead of darts, and sleeves for its armholes', async ({
	page
}) => {
	await open(page, '/c/1/pattern/new');
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'G-01 Watch coat' });
	await page.getByRole('link', { name: /^bodice/ }).click();
	await page.waitForURL(/of=\d+&shaper=bodice/);
	await page.waitForLoadState('networkidle');
	await page.getByLabel('Name').fill('lining of the body');

	// Ona’s chest is 93.1 cm and the ease 6; her waist 78.2 and 3: (99.1 − 81.2) ÷ 4 = 4.475, of which the side takes 30 %.
	await expect(page.getByText('bust or chest girth, Ona')).toBeVisible();
	expect(await shown(page, 'Chest, as cut')).toBeCloseTo(99.1, 2);
	expect(await shown(page, 'Waist, as cut')).toBeCloseTo(81.2, 2);
	expect(await shown(page, 'Taken in at the waist by each dart or seam')).toBeCloseTo(3.13, 2);
	await expect(page.getByLabel('girth at the hem of the sleeve')).toHaveCount(0);
	await expect(page.getByRole('cell', { name: 'back, half of them mirrored' })).toBeVisible();

	await page.getByLabel('shaped by').selectOption('princess seams from the armhole');
	await expect(page.getByLabel('darts end before the bust point by')).toHaveCount(0);
	await expect(page.getByRole('cell', { name: 'front, side, half of them mirrored' })).toBeVisible();
	await page.getByLabel('sleeves', { exact: true }).selectOption('straight');
	// Her right armscye is 41.2 cm and the ease 4; the cap is 5 % longer.
	expect(await shown(page, 'Armhole')).toBeCloseTo(45.2, 2);
	await page.getByLabel('ease of the sleeve’s cap').fill('5');
	expect(await shown(page, 'Cap of the sleeve, along its edge')).toBeCloseTo(47.46, 2);
	// A slip is told at its field.
	await page.getByLabel('neck to bust point, with ease of').fill('18');
	await expect(page.getByText('The bust point would lie at the waist or below it')).toBeVisible();
	await page.getByLabel('neck to bust point, with ease of').fill('0');
	await page.getByRole('button', { name: 'Keep this shape' }).click();
	await toast(page, 'Shaped lining of the body of G-01 Watch coat');
	await page.waitForURL(/pattern\/\d+$/);
	await expect(page.getByRole('row').filter({ hasText: 'sleeve' }).getByText('2 ×')).toBeVisible();

	// Its drawing, read by the browser's own SVG: at 1:1, marks across the line to sew, the grain upright, as long round as is said.
	const toSew = await shown(page, 'Cap of the sleeve, along its edge');
	const drawing = page.waitForEvent('download');
	await page.getByRole('link', { name: 'SVG' }).click();
	await page.setContent(readFileSync((await (await drawing).path())!, 'utf8'));
	const seen = await page.evaluate(() => {
		const svg = document.querySelector('svg')!;
		const groups = [...svg.querySelectorAll('g')].map((g) => {
			const sew = g.querySelector<SVGPathElement>('.sew')!;
			const along = Array.from({ length: 4000 }, (_, i) =>
				sew.getPointAtLength((i / 4000) * sew.getTotalLength())
			);
			const marks = [...g.querySelectorAll<SVGPathElement>('.notch')].map((notch) => {
				const long = notch.getTotalLength();
				const ends = [0, long].map((at) => notch.getPointAtLength(at));
				const off = ends.map((p) => Math.min(...along.map((q) => Math.hypot(p.x - q.x, p.y - q.y))));
				return { long, off: Math.min(...off) };
			});
			const grain = g.querySelector<SVGPathElement>('.grain')?.getBBox();
			return {
				name: g.querySelector('title')!.textContent!,
				marks,
				grain: grain && grain.width / grain.height
			};
		});
		return { scale: (svg.getBoundingClientRect().width / 96) * 25.4 - svg.viewBox.baseVal.width, groups };
	});
	expect(Math.abs(seen.scale)).toBeLessThan(0.05);
	expect(seen.groups).toHaveLength(5);
	for (const { name, marks, grain } of seen.groups) {
		expect(marks.length, name).toBeGreaterThan(0);
		for (const { long, off } of marks) {
			expect(long, name).toBeCloseTo(5, 1);
			expect(off, name).toBeLessThan(0.2);
		}
		expect(grain!, name).toBeLessThan(0.3);
	}
	expect(seen.groups.find((g) => g.name.includes('sleeve'))!.marks).toHaveLength(3);
	expect(toSew).toBeGreaterThan(45);
});

test('a skirt of twelve layers of net: its cut list', async ({ page }) => {
	await open(page, '/c/2/pattern');
	await page.getByRole('link', { name: /twelve tides/ }).click();
	await page.waitForURL(/pattern\/\d+$/);
	await page.waitForLoadState('networkidle');
	await page.getByLabel('girth of the base at the top: what it follows').selectOption({ label: 'as typed' });
	await page.getByLabel('girth of the base at the top', { exact: true }).fill('90');
	await expect.poll(() => shown(page, 'Layer 1: length')).toBeCloseTo(283.85, 1);
	expect(await shown(page, 'Layer 7: length')).toBeCloseTo(300.21, 1);
	expect(await shown(page, 'Layer 12: length')).toBeCloseTo(290.77, 1);
	await expect(page.getByRole('row').filter({ hasText: 'soft net' })).toHaveCount(12);
	await expect(
		page.getByRole('row').filter({ hasText: 'layer 7, structure net' }).getByText('3 ×')
	).toBeVisible();
});

/** The shape of the demo's bracers, opened at its first piece. */
async function openPiece(page: Page) {
	await open(page, '/c/1/pattern');
	await page.getByRole('link', { name: /bracer shell/ }).click();
	await page.waitForURL(/pattern\/\d+$/);
	await page.getByRole('link', { name: 'panel', exact: true }).click();
	await page.waitForURL(/pattern\/\d+\/1$/);
	await page.waitForLoadState('networkidle');
}

test('a piece is split, its edges get an allowance, it is printed and measured; a new wearer’s measure splits it anew; undo', async ({
	page
}, info) => {
	await openPiece(page);
	const base = page.url().replace(/\/1$/, '');
	await page.getByRole('button', { name: 'Line, split, measure' }).click();
	await page.getByRole('button', { name: 'Middle, upright' }).click();
	await page.getByLabel('Allowance on both sides').fill('soon');
	await page.getByRole('button', { name: 'Split along it' }).click();
	await expect(page.getByText('“soon” is not a length')).toBeVisible();
	await page.getByLabel('Allowance on both sides').fill('6 mm');
	await page.getByRole('button', { name: 'Split along it' }).click();
	await toast(page, /A-04 Bracers, piece 1: split, 0\.6 cm allowance, 2 register marks/);
	await expect(page.getByRole('heading', { name: 'panel a' })).toBeVisible();
	// Both halves of the upper edge: 13.71 cm in two, on each its notches.
	await page.getByRole('button', { name: 'Choose', exact: true }).click();
	await expect(page.getByRole('row', { name: /arc 6\.8[56] cm/ })).toBeVisible();
	await expect(page.getByText('1.2', { exact: true })).toBeVisible();
	await page
		.getByRole('row', { name: /straight 19\.06 cm/ })
		.getByRole('checkbox')
		.first()
		.check();
	await page.getByRole('textbox', { name: 'Allowance' }).fill('13 mm');
	await page.getByRole('button', { name: 'Add to this edge' }).click();
	await toast(page, /allowance of 1\.3 cm on 1 edge/);
	await expect(page.getByRole('row', { name: /1\.3 cm/ })).toBeVisible();

	// Printed with the other piece of the shape left out, and measured as vectors.
	await open(page, base.replace(/\/\d+$/, '/print'));
	await page.getByRole('button', { name: 'None' }).click();
	await expect(page.getByText('Tick what is to be printed.')).toBeVisible();
	await page.getByRole('checkbox', { name: /panel a/ }).check();
	await expect(page.getByText(/^1 of \d+ pieces, \d pages of A4$/)).toBeVisible();
	const download = async (name: string, as: string) => {
		const coming = page.waitForEvent('download');
		await page.getByRole('link', { name }).click();
		await (await coming).saveAs(info.outputPath(as));
		return info.outputPath(as);
	};
	const pdf = await download('Pattern at 1:1', 'pattern.pdf');
	const sizes = (number: number) => {
		const svg = spawnSync('pdftocairo', ['-svg', '-f', String(number), '-l', String(number), pdf, '-'], {
			encoding: 'utf8',
			maxBuffer: 1e8
		}).stdout;
		return [...svg.matchAll(/<path[^>]* d="([^"]+)"/g)].map(([, d]) => {
			const at = [...d!.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);
			const span = (axis: 0 | 1) =>
				((Math.max(...at.map((p) => p[axis]!)) - Math.min(...at.map((p) => p[axis]!))) / 72) * 25.4;
			return [span(0), span(1)] as const;
		});
	};
	expect(sizes(1).some(([w, h]) => Math.abs(w - 100) < 0.1 && Math.abs(h - 100) < 0.1)).toBe(true);
	// Half of 13.68 cm and 6 mm and 13 mm off a side that leans by 6.9°: 68.4 + 6 + 13/cos, about 87.5 mm wide.
	const wide = sizes(2).filter(([w, h]) => w > 80 && w < 95 && h > 180);
	expect(wide.length).toBeGreaterThan(0);
	const tags = spawnSync('pdftotext', ['-layout', await download('Tags', 'tags.pdf'), '-'], {
		encoding: 'utf8'
	}).stdout;
	expect(tags).toMatch(/A-04 L\+R 1\/\d/);
	const chart = spawnSync('pdftotext', ['-layout', await download('Placement chart', 'chart.pdf'), '-'], {
		encoding: 'utf8'
	}).stdout;
	expect(chart).toContain('A-04 Bracers');

	// A new measure splits it anew, in the same middle.
	await open(page, '/c/1/measure/take');
	await page.getByRole('group', { name: 'forearm girth', exact: true }).getByLabel('Right').fill('27.6');
	await page.getByRole('button', { name: 'Save the measures' }).click();
	await toast(page, 'Took 1 measure of Ona');
	await open(page, `${base}/1`);
	await expect(page.getByRole('row', { name: /arc 7\.3[56] cm/ })).toBeVisible();

	// Back to nothing: the measure, the allowance, the split.
	for (let i = 0; i < 3; i++) {
		await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
		await page.waitForLoadState('networkidle');
	}
	await expect(page.getByRole('row', { name: /arc 13\.7\d cm/ })).toBeVisible();
	await expect(page.getByRole('heading', { name: 'Done to the pieces' })).toHaveCount(0);
});

test('drawn on by hand: a point dragged and typed, an edge bent, and the shape comes back by undo', async ({
	page
}) => {
	await openPiece(page);
	await page.getByRole('button', { name: 'Draw on by hand' }).click();
	await toast(page, 'Drew on bracer shell of A-04 Bracers');
	const point = page.getByRole('button', { name: 'Point 1', exact: true });
	await expect(point).toHaveCSS('cursor', 'move');
	const box = (await point.boundingBox())!;
	await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
	await page.mouse.down();
	await page.mouse.move(box.x + 40, box.y - 20, { steps: 5 });
	// What is typed while the drag is being kept stays typed.
	const held: Route[] = [];
	await page.route(/drawShape/, (route) => void held.push(route));
	await page.mouse.up();
	await expect(page.getByRole('heading', { name: 'Point 1' })).toBeVisible();
	await expect.poll(async () => (await point.boundingBox())!.x).not.toBeCloseTo(box.x, 0);
	await page.getByLabel('Across').fill('14 cm');
	await expect.poll(() => held.length).toBe(1);
	const kept = page.waitForResponse(/drawShape/);
	await held[0]!.continue();
	await kept;
	await page.waitForLoadState('networkidle');
	await page.unroute(/drawShape/);
	await expect(page.getByLabel('Across')).toHaveValue('14 cm');
	await page.getByLabel('Up', { exact: true }).fill('20cm');
	await page.getByRole('button', { name: 'Move it there' }).click();
	await expect(page.getByLabel('Across')).toHaveValue('14 cm');
	await page.getByRole('checkbox', { name: 'Edge 2', exact: true }).check();
	await page.getByLabel('Rises by').fill('2 cm');
	await page.getByRole('button', { name: 'Arc', exact: true }).click();
	await expect(page.getByRole('row', { name: /^Edge 2 2 arc/ })).toBeVisible();
	for (let i = 0; i < 4; i++) {
		await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
		await page.waitForLoadState('networkidle');
	}
	await expect(
		page
			.getByRole('button', { name: 'Draw on by hand' })
			.or(page.getByRole('checkbox', { name: 'Edge 2' }))
			.first()
	).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: 'Draw on by hand' })).toBeVisible();
});
