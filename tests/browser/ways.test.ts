import { PDFDocument } from 'pdf-lib';
import { expect, test, type Browser, type Locator, type Page } from '@playwright/test';
import { WAYS } from '../support/servers.ts';
import { open, reopen } from '../support/open.ts';

/** The ways a shop works: by keys, two makers at once, a phone beside the machine, on paper. On the demo. */
test.use({ baseURL: WAYS.address });

const dialog = (page: Page) => page.getByRole('dialog');
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();

test('by keys: what is typed into a dialog goes into its first field, and the focus is back afterwards', async ({
	page
}) => {
	await open(page, '/');
	const link = page.getByRole('link', { name: 'Foam-Crest Dancer' });
	await link.focus();
	await page.keyboard.press('n');
	// Words with spaces and with letters that are stations: nothing closes, nothing leaves.
	await page.keyboard.type('Bell of the far shoal');
	await expect(dialog(page).getByLabel('Name')).toHaveValue('Bell of the far shoal');
	await page.keyboard.press('Escape');
	await expect(dialog(page)).toBeHidden();
	await expect(link).toBeFocused();
	// What was typed is still there, until it is discarded.
	await page.keyboard.press('n');
	await expect(dialog(page).getByText('kept')).toBeVisible();
	await expect(dialog(page).getByLabel('Name')).toHaveValue('Bell of the far shoal');
	await dialog(page).getByRole('button', { name: 'discard' }).click();
	await expect(dialog(page).getByLabel('Name')).toHaveValue('');
	await page.keyboard.press('Escape');
	await page.keyboard.press('/');
	await page.keyboard.type('makers');
	await expect(page.getByRole('searchbox')).toHaveValue('makers');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/makers$/);
});

test('every dialog of the costume’s pages opens on a field, and not on Close', async ({ page }) => {
	const opened: string[] = [];
	for (const [path, buttons] of [
		['/c/1/look', ['Component', 'Edit costume', 'Paste rows', 'Copy from …']],
		['/c/1/look/1', ['Step', 'Coat', 'Need']],
		['/c/1/buy', ['Purchase', 'Material']],
		['/c/3/mend', ['Fault']],
		['/c/1/measure/goes-on', ['Opening']],
		['/stash', ['Material', 'Paste rows']]
	] as const) {
		await open(page, path);
		for (const name of buttons) {
			const button = page.getByRole('button', { name, exact: true }).first();
			if (!(await button.count())) continue;
			await button.click();
			await expect(dialog(page)).toBeVisible();
			const tag = await page.evaluate(() => document.activeElement?.tagName ?? '');
			expect(tag, `${path} ${name}`).toMatch(/INPUT|SELECT|TEXTAREA/);
			opened.push(name);
			await page.keyboard.press('Escape');
			await expect(dialog(page)).toBeHidden();
			await expect(button, `${path} ${name}`).toBeFocused();
		}
	}
	expect(opened.length).toBeGreaterThan(9);
});

test('fifty fields of measures are kept when the page is left, and come back', async ({ page }) => {
	await open(page, '/c/1/measure/take');
	const form = page.getByRole('form', { name: 'Measures' });
	const chest = form.getByRole('group', { name: 'bust or chest girth' }).getByRole('textbox');
	const wrist = form.getByRole('group', { name: 'wrist girth' }).getByLabel('Left');
	await chest.fill('93.5');
	await wrist.fill('15,8');
	await page.getByRole('link', { name: /^Plan/ }).click();
	await expect(page).toHaveURL(/plan/);
	await open(page, '/c/1/measure/take');
	await expect(form.getByText('kept')).toBeVisible();
	await expect(chest).toHaveValue('93.5');
	await expect(wrist).toHaveValue('15,8');
	await form.getByRole('button', { name: 'discard' }).click();
	await expect(chest).toHaveValue('');
	await reopen(page);
	await expect(form.getByText('kept')).toBeHidden();
});

async function maker(browser: Browser, name: string): Promise<Page> {
	const page = await (await browser.newContext({ baseURL: WAYS.address })).newPage();
	await open(page, '/c/1/bench');
	await page.getByLabel('Maker').selectOption({ label: name });
	return page;
}

test('a shop with two makers at once: each has a timer, and Stop stops one’s own', async ({ browser }) => {
	const me = await maker(browser, 'Me');
	await me.getByRole('button', { name: 'Start', exact: true }).click();
	const mine = me.getByRole('region', { name: 'Running: Me' });
	await expect(mine.getByRole('timer')).toBeVisible();
	const myStep = await mine.getByRole('heading').innerText();
	await mine.getByLabel('Note: how it was made').fill('mix two to one');
	// Left at once, by its address: the note is the timer’s all the same.
	await open(me, '/makers');
	await open(me, '/c/1/bench');

	const helper = await maker(browser, 'Helper');
	const next = helper.getByRole('region', { name: 'Do now' });
	// What somebody is at is not proposed to another.
	await expect(next.getByRole('heading')).not.toHaveText(myStep);
	await next.getByRole('button', { name: 'Start', exact: true }).click();
	const theirs = helper.getByRole('region', { name: 'Running: Helper' });
	await expect(theirs.getByRole('timer')).toBeVisible();
	await expect(helper.getByRole('region', { name: 'Running: Me' })).toBeVisible();
	const theirStep = await theirs.getByRole('heading').innerText();
	await theirs.getByLabel('Note: how it was made').fill('cut with the grain');
	await theirs.getByLabel('Minutes, if the timer is not right').fill('12m');
	await theirs.getByRole('button', { name: 'Done, finished' }).click();
	await toast(helper, new RegExp(`Finished ${theirStep.replace(/[()]/g, '.')} of .* after 12m`));

	// Mine runs on, with its own note, on another device too.
	await open(me, '/stash');
	await expect(me.getByRole('link', { name: /Timer running/ })).toBeVisible();
	await me.getByRole('link', { name: /Timer running/ }).click();
	await expect(me).toHaveURL(/c\/1\/bench/);
	await expect(mine.getByLabel('Note: how it was made')).toHaveValue('mix two to one');
	await open(helper, '/c/1/bench');
	await expect(helper.getByRole('region', { name: 'Running: Me' }).getByLabel('Note')).toHaveValue(
		'mix two to one'
	);
	await expect(helper.getByText('cut with the grain')).toBeVisible();

	// Stopped here, it is told there, and nothing else is stopped.
	await mine.getByRole('button', { name: 'Stop, not finished' }).click();
	await toast(me, /Stopped/);
	await helper
		.getByRole('region', { name: 'Running: Me' })
		.getByRole('button', { name: 'Done, finished' })
		.click();
	await expect(helper.getByText('This timer was stopped meanwhile')).toBeVisible();
	for (const page of [me, helper]) await page.context().close();
});

/** What lies on top at the middle of it is the thing itself. */
const uncovered = (thing: Locator) =>
	thing.evaluate((element) => {
		const box = element.getBoundingClientRect();
		const top = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
		return element === top || element.contains(top);
	});

test('a phone beside the machine, by touch: Stop is under the thumb, notes stay, dates fit, the lit flag is seen', async ({
	browser
}) => {
	const context = await browser.newContext({
		baseURL: WAYS.address,
		viewport: { width: 390, height: 800 },
		hasTouch: true,
		isMobile: true
	});
	const page = await context.newPage();
	await open(page, '/c/2/bench');
	await page.getByRole('button', { name: 'Start', exact: true }).tap();
	await expect(page.getByRole('timer')).toBeVisible();
	// Neither the message about it nor the rail covers Stop.
	await toast(page, /Started/);
	for (const name of ['Done, finished', 'Stop, not finished'])
		expect(await uncovered(page.getByRole('button', { name })), name).toBe(true);
	await page.getByLabel('Note: how it was made').fill('second glue line held');
	await open(page, '/');
	await page.getByRole('link', { name: /Timer running/ }).tap();
	await expect(page.getByLabel('Note: how it was made')).toHaveValue('second glue line held');
	await page.getByRole('button', { name: 'Stop, not finished' }).tap();
	await expect(page.getByRole('timer')).toBeHidden();

	await page.getByRole('button', { name: 'Edit costume' }).tap();
	const sheet = (await dialog(page).boundingBox())!;
	for (const input of await dialog(page).locator('input[type=datetime-local]').all()) {
		const box = (await input.boundingBox())!;
		expect(box.x + box.width).toBeLessThanOrEqual(sheet.x + sheet.width);
		expect(box.width).toBeGreaterThan(200);
	}
	await page.keyboard.press('Escape');
	await open(page, '/c/2/look/sheet');
	const lit = (await page.getByRole('navigation', { name: 'Look' }).locator('[aria-current]').boundingBox())!;
	expect(lit.x).toBeGreaterThanOrEqual(0);
	expect(lit.x + lit.width).toBeLessThanOrEqual(390);
	// A callout that is dragged does not drag or zoom the page with it.
	await open(page, '/c/1/look/pictures/1');
	const callout = page.locator('.callout path.line').first();
	await expect(callout).toBeAttached();
	expect(await callout.evaluate((e) => getComputedStyle(e).touchAction)).toBe('none');
	await context.close();
});

test('an undo from History is taken back by Ctrl Z, and not something else', async ({ page }) => {
	await open(page, '/stash');
	const add = async (name: string) => {
		await page.getByRole('button', { name: 'Material', exact: true }).first().click();
		await dialog(page).getByRole('textbox', { name: 'Material' }).fill(name);
		await dialog(page).getByLabel('Price of a pack').fill('2');
		await dialog(page).getByRole('button', { name: 'Add material' }).click();
		await toast(page, `Added material ${name}`);
	};
	await add('Tow rope');
	await add('Sail needles');
	await open(page, '/history');
	await page.getByRole('link', { name: 'Look at undoing: Added material Tow rope' }).click();
	await page.getByRole('button', { name: 'Undo this' }).click();
	await toast(page, 'Undid: Added material Tow rope');
	await page.locator('body').press('Control+z');
	await toast(page, 'Redid: Added material Tow rope');
	await open(page, '/stash');
	for (const name of ['Tow rope', 'Sail needles'])
		await expect(page.getByRole('row').filter({ hasText: name })).toBeVisible();
});

test('a measure says before it is kept what it moves, and what is cut already and no longer fits', async ({
	page
}) => {
	await open(page, '/c/1/measure');
	await page.getByRole('button', { name: 'waist girth', exact: true }).click();
	await dialog(page)
		.getByRole('button', { name: /^(Edit|Correct)/ })
		.first()
		.click();
	const form = page.getByRole('dialog', { name: /waist girth/ }).getByRole('textbox', { name: 'Measure' });
	await form.fill('90');
	await expect(page.getByRole('dialog', { name: /waist girth/ })).toContainText(
		/pieces? (is|are) cut already and no longer fit/
	);
	await page.keyboard.press('Escape');
});

test('on paper: the breakdown alone lies across; the shopping list has boxes and no money page', async ({
	page
}) => {
	const sizes = async () => {
		const pdf = await PDFDocument.load(await page.pdf({ preferCSSPageSize: true, format: 'A4' }));
		return pdf.getPages().map((p) => (p.getWidth() > p.getHeight() ? 'across' : 'upright'));
	};
	await open(page, '/c/1/look/sheet');
	expect(new Set(await sizes())).toEqual(new Set(['across']));
	// Its rules stay loaded when another page is opened from it.
	await page.getByRole('link', { name: /^Buy/ }).click();
	await expect(page.getByRole('heading', { name: 'Shopping list' })).toBeVisible();
	expect(new Set(await sizes())).toEqual(new Set(['upright']));
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('heading', { name: 'Money by component' })).toBeHidden();
	await expect(page.getByRole('heading', { name: 'Needed' })).toBeHidden();
	await expect(page.getByRole('button', { name: 'Purchase', exact: true })).toBeHidden();
	await open(page, '/c/1/buy/list');
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('button', { name: 'Bought what is ticked' }).first()).toBeHidden();
	const boxes = page.locator('li .box');
	expect(await boxes.count()).toBeGreaterThan(2);
	for (const box of await boxes.all()) expect((await box.boundingBox())!.width).toBeGreaterThan(10);
	await expect(page.getByRole('checkbox').first()).toBeHidden();
	await open(page, '/c/1/look');
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('button', { name: 'Component', exact: true })).toBeHidden();
	await expect(page.getByLabel(/^Move A-01/)).toBeHidden();
	const mark = page.getByRole('img', { name: 'the look needs it: 4 of 5' }).first().locator('i').first();
	expect(await mark.evaluate((i) => getComputedStyle(i).printColorAdjust)).toBe('exact');
	await open(page, '/c/1/measure/take');
	await page.emulateMedia({ media: 'print' });
	const row = page.getByRole('group', { name: 'wrist girth' });
	expect(await row.evaluate((e) => getComputedStyle(e).breakInside)).toBe('avoid');
});

test('no answer: the form says so, keeps what was typed, and sent again it is done once', async ({
	page
}) => {
	await open(page, '/');
	await page.getByRole('button', { name: 'New costume' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Name').fill('Heron of the Weir');
	await page.route(/addCostume/, (route) => route.abort());
	await dialog.getByRole('button', { name: 'Add costume' }).click();
	await expect(dialog.getByRole('alert')).toHaveText(/The server does not answer/);
	await expect(dialog.getByLabel('Name')).toHaveValue('Heron of the Weir');
	await page.unroute(/addCostume/);
	await dialog.getByRole('button', { name: 'Add costume' }).click();
	await expect(page.getByRole('heading', { name: 'Heron of the Weir', level: 1 })).toBeVisible();
	await open(page, '/');
	await expect(page.getByRole('article', { name: 'Heron of the Weir' })).toHaveCount(1);

	// A button has no field to say it at; it is said as everything that was done is said.
	await page.route(/archiveCostume/, (route) => route.abort());
	await page.getByRole('button', { name: 'Archive Heron of the Weir' }).click();
	await expect(page.getByRole('status').getByText(/The server does not answer/)).toBeVisible();
	await expect(page.getByRole('article', { name: 'Heron of the Weir' })).toBeVisible();
});
