import { writeFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import { PAGES } from '../support/pages.ts';
import { DEMO } from '../support/servers.ts';
import { open } from '../support/open.ts';

test.use({ baseURL: DEMO.address });

/** Serious violations, of all rules or some, on the page or a part. No page has a frame, so axe needs no window of its own. */
async function violations(page: Page, rules: string[] | null, part?: string): Promise<string[]> {
	const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
	if (rules) axe.withRules(rules);
	if (part) axe.include(part);
	const found = (await axe.analyze()).violations;
	return found
		.filter((v) => v.impact === 'serious' || v.impact === 'critical')
		.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`);
}

/** Opening every page in one tab spares loading the same scripts anew forty times. */
let tab: Page;
test.beforeAll(async ({ browser }) => {
	tab = await browser.newPage({ baseURL: DEMO.address });
});
test.afterAll(() => tab.close());

for (const path of [...PAGES, '/nowhere'])
	test(`${path}: no serious violation, light and dim, and nothing overflows a phone`, async () => {
		const page = tab;
		const errors: string[] = [];
		const note = (error: Error) => errors.push(error.message);
		page.on('pageerror', note);
		await page.setViewportSize({ width: 1280, height: 800 });
		await page.emulateMedia({ colorScheme: 'light' });
		await open(page, path);
		for (const colorScheme of ['light', 'dark'] as const) {
			await page.emulateMedia({ colorScheme });
			// Only colours differ in the dim variant.
			expect(await violations(page, colorScheme === 'dark' ? ['color-contrast'] : null), colorScheme).toEqual(
				[]
			);
		}
		await page.setViewportSize({ width: 390, height: 800 });
		const { scroll, client } = await page.evaluate(() => ({
			scroll: document.documentElement.scrollWidth,
			client: document.documentElement.clientWidth
		}));
		expect(scroll).toBeLessThanOrEqual(client);
		page.off('pageerror', note);
		expect(errors).toEqual([]);
	});

test('dialogs have no serious violation either', async ({ page }) => {
	for (const [path, button] of [
		['/', 'New costume'],
		['/c/1/look', 'Component'],
		['/c/1/look/1', 'Step'],
		['/c/3/mend', 'Fault']
	] as const) {
		await open(page, path);
		await page.getByRole('button', { name: button, exact: true }).first().click();
		await expect(page.getByRole('dialog')).toBeVisible();
		expect(await violations(page, null, 'dialog'), path).toEqual([]);
	}
});

test('by keyboard alone: stations, ledger, nesting, and back again', async ({ page }) => {
	await open(page, '/');
	await page.getByRole('link', { name: 'Lamplighter of Quay Nine' }).focus();
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/c\/1\/bench/);
	await page.keyboard.press('l');
	await expect(page).toHaveURL(/\/c\/1\/look/);
	const place = (code: string) =>
		page
			.locator(`[data-component]`)
			.evaluateAll((rows, c) => rows.findIndex((r) => r.textContent?.includes(c)), code);
	const before = await place('G-01');
	await page.locator('[data-component]').getByRole('link', { name: /W-01/ }).focus();
	await page.keyboard.press('ArrowUp');
	await expect(page.locator('[data-component]').getByRole('link', { name: /G-01/ })).toBeFocused();
	await page.keyboard.press('Alt+ArrowUp');
	await expect.poll(() => place('G-01')).toBe(before - 1);
	await page.locator('[data-component]').getByRole('link', { name: /G-01/ }).focus();
	await page.keyboard.press('Alt+ArrowRight');
	await expect(page.getByRole('status').getByText(/Made G-01 Watch coat a part of A-04/)).toBeVisible();
	await page.locator('body').press('Control+z');
	await page.locator('body').press('Control+z');
	await expect.poll(() => place('G-01')).toBe(before);
	await page.keyboard.press('/');
	await page.getByRole('searchbox').fill('sand');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/look\/\d+#step-/);
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.keyboard.press('Escape');
	await page.keyboard.press('h');
	await expect(page).toHaveURL(/\/history/);
});

test('dragging by the handle reorders; the figure chooses by zone', async ({ page }) => {
	await open(page, '/c/1/look');
	const handle = (code: string) => page.getByLabel(new RegExp(`^Move ${code} `));
	await handle('W-01').scrollIntoViewIfNeeded();
	const from = (await handle('W-01').boundingBox())!;
	const to = (await handle('A-03').boundingBox())!;
	await page.mouse.move(from.x + 8, from.y + from.height / 2);
	await page.mouse.down();
	await page.mouse.move(from.x + 10, from.y - 20, { steps: 5 });
	await page.mouse.move(to.x + 8, to.y - 4, { steps: 25 });
	await page.waitForTimeout(300);
	await page.mouse.up();
	await expect(page.getByRole('status').getByText(/Moved W-01 Keel wig|Made W-01/)).toBeVisible();
	await page.locator('body').press('Control+z');

	await page
		.getByRole('group', { name: 'Figure, front' })
		.getByRole('button', { name: /^left shin/ })
		.click();
	await expect(page.getByText('Showing left shin')).toBeVisible();
	await expect(page.locator('.entry.dim').filter({ hasText: 'A-01' })).toHaveCount(1);
	await expect(page.locator('.entry:not(.dim)').filter({ hasText: 'A-05' })).toHaveCount(1);
});

test('photos: a picture is kept, a text named .png and a giant are refused in words', async ({
	page
}, info) => {
	await open(page, '/c/1/look/2');
	const input = page.locator('input[type=file]').first();
	await input.setInputFiles({ name: 'not.png', mimeType: 'image/png', buffer: Buffer.from('just words') });
	await expect(page.getByText('This is not a JPEG, PNG or WebP picture')).toBeVisible();
	const giant = info.outputPath('giant.jpg');
	writeFileSync(giant, Buffer.alloc(30 * 1024 * 1024));
	await input.setInputFiles(giant);
	await expect(page.getByText('The picture has 30 MB; at most 20 MB')).toBeVisible();
	await input.setInputFiles('docs/screenshots/shelf.png');
	await expect(page.getByRole('status').getByText('Added a photo')).toBeVisible();
	const picture = page.getByRole('img', { name: 'Photo' });
	await expect(picture).toBeVisible();
	// Small in the list, whole behind it.
	await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(256);
	const whole = await page.locator('a', { has: picture }).getAttribute('href');
	const kept = await sharp(await (await page.request.get(whole!)).body()).metadata();
	expect([kept.width, kept.height]).toEqual([1280, 800]);
});

test('the calendar, tables and backup can be saved', async ({ page }) => {
	for (const [path, head, type] of [
		['/c/1/out/calendar', 'BEGIN:VCALENDAR', 'text/calendar'],
		['/c/1/out/steps', 'code,component,step', 'text/csv'],
		['/c/1/out/materials', 'material,family', 'text/csv'],
		['/c/1/out/money', 'line,state', 'text/csv'],
		['/backup', 'PK', 'application/zip']
	] as const) {
		const response = await page.request.get(path);
		expect(response.status(), path).toBe(200);
		expect(response.headers()['content-type']).toContain(type);
		expect(response.headers()['content-disposition']).toContain('attachment');
		expect((await response.body()).subarray(0, head.length).toString()).toBe(head);
	}
});
