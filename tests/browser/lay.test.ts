import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import sharp from 'sharp';
import { readDxf } from '../../src/core/formats/readDxf.ts';
import { LAY } from '../support/servers.ts';
import { open } from '../support/open.ts';

test.use({ baseURL: LAY.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const laidOut = (page: Page) => expect(page.getByRole('heading', { name: /laid out$/ })).toBeVisible();
const openLay = async (page: Page, costume: number, material: string) => {
	await open(page, `/c/${costume}/lay`);
	// Chosen before the page's scripts run, it is chosen again, as a person would.
	await expect(async () => {
		await page.getByLabel('Cut from', { exact: true }).selectOption({ label: material });
		await expect(page.getByRole('heading', { name: new RegExp(`^${material}, `) })).toBeVisible();
	}).toPass();
};
/** Where a piece lies, in mm on its sheet. */
const box = (piece: Locator) =>
	piece.evaluate((node: SVGGraphicsElement) => {
		const { x, y, width, height } = node.getBBox();
		return { left: x, top: y, right: x + width, bottom: y + height };
	});
const stashOf = async (page: Page, material: string) => {
	await open(page, '/stash');
	return page.getByRole('textbox', { name: `Stash of ${material}` }).inputValue();
};
/** What the costume needs of it, as Buy has it. */
const neededOf = async (page: Page) => {
	await open(page, '/c/1/buy');
	const row = page.getByRole('row').filter({ hasText: FOAM }).last();
	return (await row.getByRole('cell').nth(1).innerText()).trim();
};
const FOAM = 'High-density foam 6 mm';

test('a demo costume is laid out on offcut and sheet, stopped, a piece dragged, the rest laid round it, kept, printed and cut', async ({
	page
}, info) => {
	expect(await stashOf(page, FOAM)).toBe('1');
	const needed = await neededOf(page);
	await openLay(page, 1, FOAM);
	// The offcut with its real outline is filled first.
	await expect(page.getByRole('checkbox', { name: /^Offcut 1, 0\.152 m²/ })).toBeChecked();
	await laidOut(page);

	// Longer, watched, and stopped when it is good: the best so far stays.
	await page.getByLabel('Look for').selectOption({ label: 'a minute' });
	await page.getByRole('button', { name: 'Lay it again' }).click();
	await expect(page.getByRole('progressbar', { name: 'Laying out' })).toBeVisible();
	await expect(page.getByRole('heading', { name: /best so far$/ })).toBeVisible();
	// Chosen again while it is being laid, it is laid on.
	await page.getByLabel('Cut from', { exact: true }).selectOption({ label: FOAM });
	// Six seconds on, it is what is being laid that is shown, not what lay there before it.
	const share = () =>
		page.getByRole('progressbar', { name: 'Laying out' }).evaluate((bar: HTMLProgressElement) => bar.value);
	await expect.poll(share).toBeGreaterThan(0.1);
	await expect(
		page.getByRole('region', { name: /best so far$/ }).getByText('1 sheet and 1 offcut', { exact: true })
	).toBeVisible();
	await page.getByRole('button', { name: 'Stop' }).click();
	await laidOut(page);
	await expect(page.getByText('1 sheet and 1 offcut', { exact: true })).toBeVisible();

	// Every sheet is in sight whole, on a screen of 1280 × 800.
	for (const one of await page.locator('svg[data-sheet]').all()) {
		const box = (await one.boundingBox())!;
		expect(box.y + box.height).toBeLessThanOrEqual(800);
	}

	// The piece nearest to the free end, dragged there, is laid against the border, and stays when the rest is laid again.
	const sheet = page.getByRole('group', { name: 'Sheet 1' });
	await sheet.evaluate((node) => node.scrollIntoView({ block: 'center' }));
	const all = (await sheet.boundingBox())!;
	const boxes = await Promise.all(
		(await sheet.getByRole('button').all()).map(async (one) => ({ one, at: (await one.boundingBox())! }))
	);
	expect(boxes.length).toBeGreaterThan(1);
	const { one, at } = boxes.reduce((a, b) => (b.at.x + b.at.width > a.at.x + a.at.width ? b : a));
	const name = (await one.getAttribute('aria-label'))!;
	const piece = page.getByRole('button', { name });
	await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
	await page.mouse.down();
	// Beyond the border: told while it is held.
	await page.mouse.move(all.x + all.width, at.y + at.height / 2, { steps: 8 });
	await expect(piece).toHaveClass(/clash/);
	const free = all.x + all.width - at.width / 2 - 5;
	await page.mouse.move(free, at.y + at.height / 2, { steps: 4 });
	await expect(piece).not.toHaveClass(/clash/);
	await page.mouse.up();
	const kept = page.getByRole('button', { name: `${name}, kept there` });
	await expect(kept).toBeVisible();
	// The sheet is 1000 long, the edge 5: it lies against it.
	expect((await box(kept)).top).toBeCloseTo(-995, 0);
	// By the keyboard: a millimetre back; further on is the border, which is told.
	await kept.focus();
	await page.keyboard.press('ArrowRight');
	await expect(page.getByText('Something is in the way.')).toBeVisible();
	await page.keyboard.press('ArrowLeft');
	await expect.poll(async () => (await box(kept)).top).toBeCloseTo(-994, 0);
	await kept.focus();
	await page.keyboard.press('Control+z');
	await expect.poll(async () => (await box(kept)).top).toBeCloseTo(-995, 0);
	const there = await kept.getAttribute('d');
	await page.getByLabel('Look for').selectOption({ label: '10 seconds' });
	await page.getByRole('button', { name: 'Lay the rest again' }).click();
	await expect(page.getByRole('heading', { name: /best so far$/ })).toBeVisible();
	await laidOut(page);
	await expect(page.getByText('1 sheet and 1 offcut', { exact: true })).toBeVisible();
	expect(await kept.getAttribute('d')).toBe(there);

	await page.getByLabel('Called').fill('Plates of foam');
	await page.getByRole('button', { name: 'Keep it and plan the cut' }).click();
	await page.waitForURL(/lay\/\d+$/);
	await page.waitForLoadState('networkidle');
	await expect(page.getByText('1 sheet and 1 offcut')).toBeVisible();
	const cuts = await page.getByRole('table').getByRole('row').count();

	// Printed at 1:1 and measured: the check square is 100 mm, the page as large as its sheet.
	const file = async (link: string) => {
		const download = page.waitForEvent('download');
		await page.getByRole('link', { name: link, exact: true }).click();
		const path = info.outputPath(`plan-${link.replaceAll(/[^\w]/g, '')}`);
		await (await download).saveAs(path);
		return path;
	};
	const full = await file('PDF at 1:1');
	const pages = spawnSync('pdfinfo', ['-f', '1', '-l', '2', full], { encoding: 'utf8' }).stdout;
	const sizes = [...pages.matchAll(/size:\s+([\d.]+) x ([\d.]+) pts/g)].map((m) =>
		[m[1], m[2]].map((pt) => Math.round((Number(pt) * 25.4) / 72))
	);
	// The offcut is 470 × 420, the sheet 500 × 1000; margins of 10 all round, and the square above.
	expect(sizes).toEqual([
		[490, 550],
		[520, 1130]
	]);
	const dpi = 50.8;
	spawnSync('pdftoppm', [
		'-r',
		String(dpi),
		'-f',
		'1',
		'-l',
		'1',
		'-gray',
		'-png',
		'-singlefile',
		full,
		full
	]);
	const { data, info: image } = await sharp(`${full}.png`)
		.greyscale()
		.raw()
		.toBuffer({ resolveWithObject: true });
	const perMm = dpi / 25.4;
	const dark = (x: number, y: number) =>
		data[Math.round(y) * image.width * image.channels + Math.round(x) * image.channels]! < 160;
	/** Left and right line of the square, in its own row 30 mm below its top. */
	const row = Math.round(40 * perMm);
	const lines = Array.from({ length: Math.round(120 * perMm) }, (_, x) => x).filter((x) => dark(x, row));
	expect((lines[lines.length - 1]! - lines[0]!) / perMm).toBeCloseTo(100, 0);

	const a4 = spawnSync('pdftotext', ['-layout', await file('PDF, A4'), '-'], { encoding: 'utf8' }).stdout;
	expect(a4).toContain('Plates of foam');
	expect(a4).toMatch(/Offcut 1 \(1 of 2\), 47 cm × 42 cm/);
	expect(a4.match(/, copy \d/g)!.length).toBe(cuts - 1);
	const svg = readFileSync(await file('SVG'), 'utf8');
	expect(svg.match(/class="cut"/g)!.length).toBe(cuts - 1);
	const dxf = readDxf(readFileSync(await file('DXF'), 'utf8'));
	expect(dxf.ok).toBe(true);

	// Cut: the offcut is gone, the sheet out of the stash, what is left of use lies there, and nothing is short of it.
	const words = (await page.getByText(/offcuts? go(es)? to the stash/).textContent())!;
	const left = /One/.test(words) ? 1 : Number(/(\d+) offcuts/.exec(words)![1]);
	await page.getByRole('button', { name: 'Mark it as cut' }).click();
	await toast(
		page,
		new RegExp(`Cut Plates of foam: 1 sheet, ${left === 1 ? 'one offcut' : `${left} offcuts`} to the stash`)
	);
	await expect(page.getByRole('heading', { name: 'It is cut' })).toBeVisible();
	// What was bought for the costume is cut first.
	await expect(
		page.getByText('1 sheet, 1 of what was bought for the costume and 0 of the stash')
	).toBeVisible();
	expect(await stashOf(page, FOAM)).toBe('1');
	await expect(page.getByText('of Plates of foam')).toHaveCount(left);
	await expect(page.getByRole('button', { name: 'Edit Offcut 1' })).toHaveCount(0);
	// What was laid is what is needed, and no more: the pieces' area with something for waste before.
	expect(await neededOf(page)).not.toBe(needed);
	expect(await neededOf(page)).toMatch(/^1 sheet/);

	// All of it comes back in one step.
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('banner').getByRole('button', { name: 'Redo' })).toBeEnabled();
	expect(await stashOf(page, FOAM)).toBe('1');
	await expect(page.getByRole('button', { name: 'Edit Offcut 1' })).toBeVisible();
	expect(await neededOf(page)).toBe(needed);
});

test('cloth: folded, with what it shrinks and its repeat; a slip is told at its field; needs follow', async ({
	page
}) => {
	await openLay(page, 1, 'Waxed linen, slate');
	await laidOut(page);
	await page.getByLabel('Shrinks in length').fill('5');
	await page.getByLabel('Print repeats every').fill('10 cm');
	await page.getByLabel('Folded along its length').check();
	await expect(page.getByText('pieces, offcuts or settings have changed since')).toBeVisible();
	// Folded, offcuts are left alone.
	await expect(page.getByText('Offcuts from the stash')).toHaveCount(0);
	await page.getByRole('button', { name: 'Lay it again' }).click();
	await laidOut(page);
	const number = async (of: Locator) => Number(/([\d.]+) cm/.exec((await of.textContent())!)![1]);
	const used = await number(page.getByText(/^[\d.]+ cm$/).first());
	const toBuy = await number(page.getByRole('button', { name: /^Length to buy/ }));
	expect(toBuy).toBeCloseTo(used / 0.95 + 10, 1);
	const need = page.getByRole('button', { name: /^Need [\d.]+ m of it/ });
	const metres = Number(/Need ([\d.]+)/.exec((await need.textContent())!)![1]);
	expect(metres).toBeCloseTo(Math.ceil(toBuy) / 100, 2);
	await need.click();
	await toast(page, `Took ${metres} m of Waxed linen, slate from its layout`);
	await page.getByLabel('Between pieces').fill('wide');
	await expect(page.getByText('“wide” is not a length')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Lay it again' })).toBeDisabled();
});

test('other sheets and stacks are laid out and weighed; what is stacked is cut in layers, glued, and back by undo', async ({
	page
}) => {
	await openLay(page, 1, FOAM);
	await laidOut(page);
	await page.getByLabel('Another size, width').fill('60 cm');
	await page.getByLabel('Length', { exact: true }).fill('60 cm');
	await page.getByLabel('Price of one').fill('9.90');
	await page.getByRole('button', { name: 'Add to the list' }).click();
	await page.getByRole('button', { name: 'Lay out each' }).click();
	await expect(page.getByRole('row', { name: /Another size/ })).toContainText(/2\s+sheets\s+19\.80 EUR/);
	const stacked = page.getByRole('row', { name: /3 layers of High-density foam 2 mm/ });
	// 0.373 m² in two joints at 450 ml.
	await expect(stacked).toContainText(/336 ml\s+of glue/);
	await page.getByLabel('Layers are joined with').selectOption({ label: 'Contact cement' });
	await stacked.getByRole('button', { name: 'Cut from it' }).click();
	await toast(page, '3 layers of High-density foam 2 mm instead of High-density foam 6 mm');
	await open(page, '/c/1/lay');
	await expect(page.getByLabel('Cut from', { exact: true }).getByRole('option', { name: FOAM })).toHaveCount(
		0
	);
	await open(page, '/c/1/plan/line');
	await expect(page.getByText('stack 3 layers').filter({ visible: true }).first()).toBeVisible();
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByText('stack 3 layers')).toHaveCount(0);
});

test('an offcut by its corners, with what is spoiled; two kept layouts compared', async ({ page }) => {
	await open(page, '/stash');
	await page.getByRole('button', { name: 'Offcut', exact: true }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Of', { exact: true }).selectOption({ label: 'High-density foam 10 mm' });
	await dialog.getByLabel('Width').fill('40 cm');
	await dialog.getByLabel('Length').fill('30 cm');
	await dialog.getByRole('button', { name: 'Take it as a rectangle of these' }).click();
	await expect(dialog.getByText('0.12 m² of use')).toBeVisible();
	await dialog.getByLabel(/^Or type it/).fill('0 cm, 0 cm, 5 cm, 5 cm');
	await dialog.getByRole('button', { name: 'Mark it spoiled' }).click();
	await expect(dialog.getByText(/0\.11[78] m² of use/)).toBeVisible();
	await dialog.getByRole('textbox', { name: /^Corners/ }).fill('0 cm, 0 cm\n40 cm, x');
	await expect(dialog.getByRole('alert')).toContainText('Corner 2');
	await dialog
		.getByRole('textbox', { name: /^Corners/ })
		.fill('0 cm, 0 cm\n40 cm, 0 cm\n40 cm, 30 cm\n0 cm, 30 cm');
	await dialog.getByLabel('Where it lies').fill('under the bench');
	await dialog.getByRole('button', { name: 'Add offcut' }).click();
	await toast(page, /Kept Offcut \d+ of High-density foam 10 mm/);

	await open(page, '/c/1/lay?open=1');
	await page.getByLabel('Cut from', { exact: true }).selectOption({ label: 'High-density foam 10 mm' });
	await expect(page.getByText('pieces, offcuts or settings have changed since')).toBeVisible();
	await page.getByRole('button', { name: 'Lay it again' }).click();
	await laidOut(page);
	await page.getByLabel('Called').fill('On the offcut');
	await page.getByRole('button', { name: 'Keep it and plan the cut' }).click();
	await page.waitForURL(/lay\/\d+$/);
	await open(page, '/c/1/lay');
	await page.getByLabel('Compare On the offcut').check();
	await page.getByLabel('Compare High-density foam 10 mm, layout 1').check();
	await page.getByRole('link', { name: 'Compare these two' }).click();
	const fresh = page.getByRole('row', { name: /New material/ });
	await expect(fresh).toContainText('1 sheet');
	await expect(fresh).toContainText(/0 sheet\s*better/);
});
