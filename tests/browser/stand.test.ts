import { expect, test, type Page } from '@playwright/test';
import { PDFDocument } from 'pdf-lib';
import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
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
	// Each told by what it comes to; what is enough with the least to join stands first.
	const proposed = page.getByRole('table', { name: /plate, pulled by/ }).getByRole('row');
	await expect(proposed).toHaveCount(4, { timeout: 60_000 });
	await expect(proposed.nth(1)).toContainText(/a dart\s*[\d.]+ %\s*1 → 1/);
	await expect(proposed.filter({ hasText: 'a gusset' })).toContainText('1 → 2');
	await expect(proposed.filter({ hasText: 'a seam' })).toContainText('1 → 2');
	await page.getByRole('button', { name: 'Take the dart' }).click();
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

test('a panel drawn along the level and upright is mirrored, its corners are moved, ease is said by level, a dart is drawn', async ({
	page
}) => {
	await page.setViewportSize({ width: 1280, height: 1400 });
	await open(page, '/c/1/pattern/stand?of=1');
	await expect(page.getByRole('heading', { name: '2 pieces' })).toBeVisible({ timeout: 20_000 });
	await page.getByRole('button', { name: 'leave out back plate' }).click();
	await expect(page.getByRole('heading', { name: '1 piece', exact: true })).toBeVisible({ timeout: 20_000 });
	const form = page.getByRole('application', { name: /Panels of/ });
	const press = async (x: number, y: number) => {
		const box = (await form.boundingBox())!;
		await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
	};
	await page.getByRole('button', { name: 'Draw a panel' }).click();
	await page.getByRole('checkbox', { name: 'Its mirror image too' }).check();
	await press(0.5, 0.45);
	await expect(page.getByText('1 so far')).toBeVisible();
	await page.getByRole('radio', { name: 'along the level' }).check();
	await press(0.57, 0.5);
	await page.getByRole('radio', { name: 'upright, as grain lies' }).check();
	await press(0.5, 0.6);
	await page.getByRole('radio', { name: 'along the level' }).check();
	await press(0.5, 0.55);
	await expect(page.getByText('4 so far')).toBeVisible();
	await page.getByRole('button', { name: 'Close the panel' }).click();
	await expect(page.getByRole('heading', { name: '3 pieces' })).toBeVisible({ timeout: 20_000 });
	// Along the level its first two corners are of one level, upright the next of one turn; the middle is at 90.
	await page.locator('summary', { hasText: 'panel 2, left' }).click();
	const corner = (key: string, n: number, side: string) =>
		page.getByLabel(`${key} of corner ${n} of panel 2, ${side}`, { exact: true });
	const level = await corner('level', 1, 'left').inputValue();
	await expect(corner('level', 2, 'left')).toHaveValue(level);
	await expect(corner('turn', 1, 'left')).toHaveValue('90');
	const turn = await corner('turn', 2, 'left').inputValue();
	await expect(corner('turn', 3, 'left')).toHaveValue(turn);
	await page.locator('summary', { hasText: 'panel 2, right' }).click();
	// A corner on the middle is moved on both sides.
	await corner('level', 1, 'left').fill('far');
	await corner('level', 1, 'left').press('Tab');
	await expect(page.getByText('Corner 1: its level is a number from')).toBeVisible();
	await corner('level', 1, 'left').fill('3.9');
	await corner('level', 1, 'left').press('Tab');
	await expect(corner('level', 4, 'right')).toHaveValue('3.9');
	await page.getByLabel('eased in after corner 2 of panel 2, left', { exact: true }).fill('20');
	await page.keyboard.press('Tab');
	await expect(page.getByText('Corner 2: an edge is eased in by 0 to 10 %.')).toBeVisible();
	await page.getByLabel('eased in after corner 2 of panel 2, left', { exact: true }).fill('5');
	await page.keyboard.press('Tab');
	await expect(page.getByText('an edge is eased in by')).toHaveCount(0);
	// On a phone the corners scroll in their place.
	await page.setViewportSize({ width: 390, height: 1400 });
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
	await page.setViewportSize({ width: 1280, height: 1400 });
	// Ease at a level moves the pieces.
	const joined = page.getByText(/to join; edges with the same number meet/);
	await expect(page.getByRole('button', { name: 'Keep these pieces' })).toBeEnabled();
	const before = await joined.innerText();
	await page.locator('summary', { hasText: 'Ease by level' }).click();
	await page.getByLabel('Ease at the chest').fill('far');
	await expect(page.getByText('“far” is not a length')).toBeVisible();
	await page.getByLabel('Ease at the chest').fill('30');
	await expect.poll(() => joined.innerText(), { timeout: 20_000 }).not.toBe(before);
	// A dart by hand: outside of all it is refused.
	await page.getByRole('button', { name: 'Draw a dart' }).click();
	await press(0.5, 0.7);
	await press(0.5, 0.08);
	await expect(page.getByRole('alert').getByText('A dart ends within a panel')).toBeVisible();
	await press(0.45, 0.75);
	await press(0.45, 0.6);
	await expect(page.getByText('· dart')).toBeVisible();
	await expect(page.getByRole('heading', { name: '3 pieces' })).toBeVisible();
	await page.getByRole('button', { name: 'Keep these pieces' }).click();
	await toast(page, 'Laid 3 panels flat for A-01 Breastplate');
	await page.waitForURL(/pattern\/\d+$/);
	const kept = page.url().split('/').pop();
	await open(page, `/c/1/pattern/stand?shape=${kept}`);
	await expect(page.getByLabel('Ease at the chest')).toHaveValue('30 cm');
	await expect(page.getByText('· dart')).toBeVisible();
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await toast(page, /Undone|Undid/);
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
	// Its surface was kept with it: it stands on the wearer.
	await open(page, '/c/1/look/stand');
	await expect(
		page.getByRole('combobox', { name: /^Part/ }).locator('option', { hasText: 'A-03 dome' }).first()
	).toBeAttached();
});

/** A figure 1,000 px high, its crown at 100, that nobody has drawn: only what is clicked on it counts. */
const figure = () =>
	sharp(
		Buffer.from(
			'<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="1200"><rect width="1000" height="1200" fill="#dfe8e2"/><rect x="440" y="100" width="120" height="1000" fill="#55707a"/></svg>'
		)
	)
		.png()
		.toBuffer();
async function click(page: Page, [x, y]: [number, number]) {
	const box = (await page.getByRole('application').boundingBox())!;
	const scale = Math.min(box.width / 1000, box.height / 1200);
	await page.mouse.click(
		box.x + box.width / 2 + (x - 500) * scale,
		box.y + box.height / 2 + (y - 600) * scale
	);
}

test('a pauldron 12 % larger than in the picture is told, moved and kept on the stand, and into the body by so much where it is', async ({
	page
}) => {
	await open(page, '/c/1/look');
	// All of the picture is in sight.
	await page.setViewportSize({ width: 1280, height: 1400 });
	await page.getByRole('button', { name: 'Component', exact: true }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Name').fill('Tall pauldron');
	await dialog.getByLabel('Side').selectOption('left');
	await dialog.getByRole('button', { name: 'Add component' }).click();
	await toast(page, /Added A-\d+ Tall pauldron/);
	await page.keyboard.press('Escape');
	// Round, 400 mm across and 448 high: its girth is 125.66 cm.
	await open(page, '/c/1/pattern/new');
	const of = page.getByRole('combobox', { name: /^Of/ });
	await of.selectOption({
		label: (await of.locator('option', { hasText: 'Tall pauldron' }).textContent())!.trim()
	});
	await page.getByRole('link', { name: /^oval band/ }).click();
	await page.waitForURL(/shaper=ovalBand/);
	await page.waitForLoadState('networkidle');
	for (const edge of ['upper', 'lower'])
		await page.getByRole('combobox', { name: `${edge} girth: what it follows` }).selectOption('');
	for (const [label, value] of [
		['upper girth', '125.664'],
		['lower girth', '125.664'],
		['upper depth by width', '1'],
		['lower depth by width', '1'],
		['length, straight up', '44.8'],
		['thickness', '0']
	] as const)
		await page.getByLabel(label, { exact: true }).fill(value);
	await page.getByRole('button', { name: 'Keep this shape' }).click();
	await page.waitForURL(/pattern\/\d+$/);

	// A picture of the figure from the front, its outline there smaller by 12 %: 357 × 400 mm at 1.68 mm a pixel.
	await open(page, '/c/1/measure/pictures');
	await page.getByRole('button', { name: 'Picture', exact: true }).click();
	await page
		.getByLabel('Choose or take a picture')
		.setInputFiles({ name: 'front.png', mimeType: 'image/png', buffer: await figure() });
	await page.getByLabel('Title').fill('Plain figure');
	await page.getByLabel('Seen from').selectOption('front');
	await page.getByRole('button', { name: 'Add picture' }).click();
	await page.waitForURL(/measure\/pictures\/\d+$/);
	const id = /(\d+)$/.exec(page.url())![1]!;
	await page.waitForLoadState('networkidle');
	await page.getByLabel('By', { exact: true }).selectOption({ label: 'the height of a standing figure' });
	await click(page, [500, 100]);
	await click(page, [500, 1100]);
	await page.getByRole('button', { name: /^Set the scale/ }).click();
	await toast(page, 'Gave Plain figure a scale');
	await open(page, `/c/1/look/pictures/${id}`);
	await page.waitForLoadState('networkidle');
	await page.getByRole('button', { name: 'Outline', exact: true }).click();
	const chosen = page.getByLabel('Component', { exact: true });
	await chosen.selectOption(
		(await chosen
			.getByRole('option', { name: /Tall pauldron/ })
			.first()
			.getAttribute('value'))!
	);
	const [w, h] = [400 / 1.12 / 1.68 / 2, 448 / 1.12 / 1.68 / 2];
	for (const [x, y] of [[-w, -h], [w, -h], [w, h], [-w, h]] as const) await click(page, [700 + x, 350 + y]); // prettier-ignore
	await page.getByRole('button', { name: 'Finish outline (4 points)' }).click();
	await toast(page, /Placed A-\d+ Tall pauldron on Plain figure/);

	// It begins round the arm, which leans: upright beside the shoulders it is moved to, and kept.
	await open(page, `/c/1/look/stand?picture=${id}`);
	await expect(page.getByText(/where it does not|nothing runs into anything/)).toBeVisible();
	const part = page.getByRole('combobox', { name: /^Part/ });
	await part.selectOption({
		label: (await part.locator('option', { hasText: 'Tall pauldron' }).textContent())!.trim()
	});
	const place = page.getByRole('form', { name: /^Where Tall pauldron stands/ });
	// However slowly it is kept meanwhile, nothing falls back to what an earlier answer had.
	let slow = true;
	await page.route(/placeShape/, async (route) => {
		if (slow) await new Promise((later) => setTimeout(later, 1500));
		await route.continue();
	});
	await place.getByLabel('On the').selectOption('trunk and head');
	await page.waitForTimeout(800);
	await place.getByLabel('Level').fill('3');
	await page.waitForTimeout(800);
	await place.getByLabel('Turned to').fill('0');
	await page.waitForTimeout(500);
	await place.getByLabel('Off the body').fill('far');
	await expect(place.getByText('“far” is not a length')).toBeVisible();
	/** A move is kept: its own answer is there. */
	const kept = (words: string) =>
		page.waitForResponse(
			(r) =>
				r.url().includes('placeShape') && decodeURIComponent(r.request().postData() ?? '').includes(words)
		);
	const off = kept('"out":200');
	await place.getByLabel('Off the body').fill('20');
	await off;
	await toast(page, /^Moved oval band of A-\d+ on the stand/);
	await expect(page.getByText('Round the trunk: shoulders, moved off it.')).toBeVisible();
	const told = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Tall pauldron' });
	const against = told.filter({ hasText: 'in the picture' });
	await expect(against).toContainText('larger than in the picture');
	const larger = Number(/(\d+) % larger/.exec(await against.innerText())![1]);
	expect(Math.abs(larger - 12)).toBeLessThanOrEqual(1);
	slow = false;
	await against.getByRole('button', { name: /Show the working/ }).click();
	await expect(
		page.getByRole('dialog').getByText(/covered by what is made ÷ covered on the picture/)
	).toBeVisible();
	await page.keyboard.press('Escape');
	// 400 mm round the shoulder, of whose middle it is 200 off: it runs into the body.
	await expect(told.filter({ hasText: 'runs into the body by' })).toContainText(/\d+(\.\d+)? mm/);

	// By keys it goes up; undone, it stands where it was; put back, where it is worn.
	const form = page.getByRole('application', { name: /on Ona/ });
	await expect(page.getByRole('dialog')).toHaveCount(0);
	const up = kept('"level":2.95');
	await form.press('Shift+ArrowUp');
	await expect(place.getByLabel('Level')).toHaveValue('2.95');
	await up;
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(place.getByLabel('Level')).toHaveValue('3');
	await form.press('Shift+ArrowDown');
	await expect(place.getByLabel('Level')).toHaveValue('3.05');
	// Kept: it stands there when the page is read anew.
	await expect(async () => {
		await open(page, `/c/1/look/stand?picture=${id}`);
		await part.selectOption({
			label: (await part.locator('option', { hasText: 'Tall pauldron' }).textContent())!.trim()
		});
		await expect(place.getByLabel('Level')).toHaveValue('3.05', { timeout: 1000 });
	}).toPass();
	await page.getByRole('button', { name: 'Back where it is worn' }).click();
	await expect(page.getByText(/^Round the arm/)).toBeVisible();

	// Into the breakdown sheet, on the same page.
	await open(page, `/c/1/look/sheet?picture=${id}`);
	const worn = page.getByRole('img', { name: 'On the wearer, from the front, the left and the back' });
	await expect.poll(() => worn.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100);
	const pdf = await page.pdf({ preferCSSPageSize: true });
	expect((await PDFDocument.load(pdf)).getPageCount()).toBe(1);
	const record = await page.request.get('/c/1/mend/record/out?form=full');
	expect((await PDFDocument.load(await record.body())).getPageCount()).toBeGreaterThan(1);
});

test('a scan of the wearer: pressed at chest and hips it has their girths, and the form of a section is taken with it', async ({
	page
}) => {
	await open(page, '/c/1/measure/stand');
	const [saved] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('main').getByRole('link', { name: 'STL, mm' }).click()
	]);
	await page.getByRole('link', { name: 'From a scan' }).click();
	await page.waitForURL(/stand\/scan/);
	await page.getByLabel('File', { exact: true }).setInputFiles({
		name: 'scan.stl',
		mimeType: 'model/stl',
		buffer: await readFile(await saved.path())
	});
	await expect(page.getByText('168 cm high; measured 168 cm.')).toBeVisible();
	await page.getByLabel('The file is in').selectOption('in');
	await expect(page.getByText(/is it in another unit/)).toBeVisible();
	await page.getByLabel('The file is in').selectOption('mm');
	const scan = page.getByRole('application', { name: /Scan of Ona/ });
	await page
		.getByRole('combobox', { name: /^Press on it at/ })
		.selectOption({ label: 'bust or chest girth' });
	await scan.scrollIntoViewIfNeeded();
	const box = (await scan.boundingBox())!;
	// The form stands 6 % within the scene: the chest at 0.72 of its height.
	const high = (share: number) => box.y + box.height / 2 + (box.height / 1.06) * (0.5 - share);
	await page.mouse.click(box.x + box.width / 2, high(0.72));
	const found = page.getByRole('list', { name: 'Girths found' });
	const chest = found.getByRole('listitem').filter({ hasText: 'bust or chest girth' });
	await expect(chest).toBeVisible();
	expect(Math.abs(parseFloat(await chest.locator('.figure').innerText()) - 93.1)).toBeLessThan(4);
	await page.getByRole('combobox', { name: /^Press on it at/ }).selectOption({ label: 'hip girth' });
	await page.mouse.click(box.x + box.width / 2, high(0.52));
	await expect(found.getByRole('listitem')).toHaveCount(2);
	await found.getByRole('button', { name: /^leave out hip girth/ }).click();
	await page.getByRole('button', { name: 'Take these measures and forms' }).click();
	await toast(page, 'Took 1 measure of Ona from a scan');
	await page.waitForURL(/measure\/stand\?/);
	const level = page.getByRole('main').getByRole('combobox', { name: /^Level/ });
	await level.selectOption({ label: (await level.locator('option', { hasText: 'chest: ' }).textContent())! });
	const said = page.getByLabel('Times as wide as deep');
	await expect(said).toHaveValue(/^1\.[12]\d?$/);
	await said.fill('1.5');
	await page.getByRole('button', { name: 'Keep the form' }).click();
	await toast(page, 'Shaped the section “chest” of Ona');
	await expect
		.poll(async () => {
			const words = await page.locator('.section').innerText();
			const [, wide, deep] = /([\d.]+) cm wide, ([\d.]+) cm deep/.exec(words)!;
			return Number(wide) / Number(deep);
		})
		.toBeCloseTo(1.5, 2);
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
});
