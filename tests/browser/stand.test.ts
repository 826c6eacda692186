import { expect, test, type Page } from '@playwright/test';
import { PDFDocument } from 'pdf-lib';
import { readFile } from 'node:fs/promises';
import { helmet } from '../support/forms.ts';
import { open } from '../support/open.ts';
import { STAND } from '../support/servers.ts';

test.use({ baseURL: STAND.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const percent = async (page: Page) =>
	Number(/([\d.]+) %/.exec(await page.locator('.figures b').innerText())![1]);

test('the stand: turned by keys, a level with its girth, over what is worn, saved as STL; guesses are told', async ({
	page
}) => {
	await open(page, '/c/1/measure/stand');
	const form = page.getByRole('application', { name: /The form of Ona/ });
	await expect(form).toBeVisible();
	const before = await form.screenshot();
	await form.focus();
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	await expect(async () => expect((await form.screenshot()).equals(before)).toBe(false)).toPass();
	const main = page.getByRole('main');
	const level = main.getByRole('combobox', { name: /^Level/ });
	const chest = await level.locator('option', { hasText: 'chest: ' }).textContent();
	await level.selectOption({ label: chest! });
	const girth = async () => parseFloat(await main.locator('.girth').innerText());
	const bare = await girth();
	expect(chest).toContain(`${bare} cm`);
	await expect(main.getByText('round, as measured')).toBeVisible();
	// The breastplate, and what is under it, is worn over the chest.
	const over = main.getByLabel('Over', { exact: true });
	const plate = await over.locator('option', { hasText: 'Breastplate' }).textContent();
	await over.selectOption({ label: plate! });
	await expect.poll(girth).toBeGreaterThan(bare + 2 * Math.PI * 0.5);
	const [saved] = await Promise.all([
		page.waitForEvent('download'),
		main.getByRole('link', { name: 'STL, mm' }).click()
	]);
	const bytes = await readFile(await saved.path());
	expect(bytes.length).toBe(84 + 50 * bytes.readUInt32LE(80));
	// Feet on the ground, the crown at the stature that was measured.
	let [low, high] = [Infinity, -Infinity];
	for (let t = 0; t < bytes.readUInt32LE(80); t++)
		for (let k = 0; k < 3; k++) {
			const y = bytes.readFloatLE(84 + 50 * t + 12 + 12 * k + 4);
			low = Math.min(low, y);
			high = Math.max(high, y);
		}
	expect(Math.abs(low)).toBeLessThan(1);
	expect(high).toBeGreaterThan(1400);
	const words = await page.request.get('/c/1/measure/stand/obj');
	expect(await words.text()).toMatch(/^v [-\d. ]+$/m);
	expect((await page.request.get('/c/1/measure/stand/ply')).status()).toBe(404);
});

test('without WebGL the form is there as outlines from three sides, and its figures stay', async ({
	page
}) => {
	await page.addInitScript(() => {
		HTMLCanvasElement.prototype.getContext = () => null;
	});
	await open(page, '/c/1/measure/stand');
	await expect(page.getByRole('img', { name: /from the front, the left side and the back/ })).toBeVisible();
	await expect(page.getByText('round, as measured')).toBeVisible();
});

test('a breastplate in two plates from the stand: beyond what cold foam gives, a dart is taken, kept, printed; a new measure makes other pieces', async ({
	page
}) => {
	await open(page, '/c/1/pattern/stand');
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'A-01 Breastplate' });
	await page.waitForURL(/of=\d+/);
	await expect(page.getByRole('heading', { name: '2 pieces' })).toBeVisible({ timeout: 20_000 });
	await page.getByLabel('Worked').selectOption({ label: 'plate foam, cold: 3 %' });
	await expect(page.getByText(/plate foam, cold gives\s+3 %/)).toBeVisible();
	const seek = page.getByRole('button', { name: 'Look for a dart' });
	await expect(seek).toBeVisible({ timeout: 20_000 });
	const before = await percent(page);
	expect(before).toBeGreaterThan(3);
	await seek.click();
	await page.getByRole('button', { name: 'Take the dart' }).click({ timeout: 60_000 });
	await expect(page.getByText('· dart')).toBeVisible();
	await expect.poll(() => percent(page), { timeout: 30_000 }).not.toBe(before);
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Laid 2 panels flat for A-01 Breastplate');
	await page.waitForURL(/pattern\/\d+$/);
	const address = new URL(page.url()).pathname;
	const id = address.split('/').pop();
	await expect(page.getByRole('link', { name: 'Change its panels on the stand' })).toBeVisible();
	const print = await page.request.get(`/c/1/pattern/out/pdf?shape=${id}`);
	expect((await PDFDocument.load(await print.body())).getPageCount()).toBeGreaterThan(1);
	const wide = async () => {
		const svg = await (await page.request.get(`/c/1/pattern/out/svg?shape=${id}`)).text();
		return Number(/width="([\d.]+)mm"/.exec(svg)![1]);
	};
	const was = await wide();
	await open(page, '/c/1/measure/take');
	await page
		.getByRole('group', { name: 'bust or chest girth', exact: true })
		.getByRole('textbox')
		.first()
		.fill('97');
	await page.getByRole('button', { name: 'Save the measures' }).click();
	await toast(page, 'Took 1 measure of Ona');
	expect(await wide()).toBeGreaterThan(was + 5);
	// Undone, they are as they were.
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect.poll(wide).toBe(was);
});

test('a curved helmet comes apart into few patches within what the material gives', async ({ page }) => {
	await open(page, '/c/1/pattern/bring?of=3');
	const { vertices, faces } = helmet(1000);
	const obj = [
		...vertices.map((p) => `v ${p.join(' ')}`),
		...faces.map((f) => `f ${f.map((i) => i + 1).join(' ')}`)
	].join('\n');
	await page
		.getByLabel('File', { exact: true })
		.setInputFiles({ name: 'dome.obj', mimeType: 'model/obj', buffer: Buffer.from(obj) });
	await expect(page.getByLabel('Laid flat')).toHaveValue('patches');
	await page.getByLabel('The material gives').selectOption({ label: '10 %: plate foam with heat' });
	await page.getByRole('button', { name: 'Lay flat' }).click();
	await expect(page.getByRole('heading', { name: /^\d+ pieces?$/ })).toBeVisible({ timeout: 60_000 });
	const said = await page.getByText(/of seams in \d+ seams?/).innerText();
	expect(parseFloat(said)).toBeLessThan(300);
	expect(Number(/pulled ([\d.]+) %/.exec(said)![1])).toBeLessThanOrEqual(10);
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Brought dome to A-03 Pauldrons');
});
