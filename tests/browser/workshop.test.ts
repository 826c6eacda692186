import { writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { inDays, WORKSHOP } from '../support/servers.ts';
import { open } from '../support/open.ts';

/** The rooms beside the costumes, and what they change in the plan. Each test makes its own costume. */
test.use({ baseURL: WORKSHOP.address });

const dialog = (page: Page) => page.getByRole('dialog');
/** A component of the ledger: the strip of what to settle may name it too. */
const inLedger = (page: Page, name: string) =>
	page.locator('[data-component]').getByRole('link', { name: new RegExp(name) });
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();

async function newCostume(page: Page, name: string, days = 40): Promise<string> {
	// The key works once the page's scripts do.
	await open(page, '/');
	await page.keyboard.press('n');
	await dialog(page).getByLabel('Name').fill(name);
	await dialog(page)
		.getByLabel('Event begins')
		.fill(`${inDays(WORKSHOP, days)}T09:00`);
	await dialog(page).getByRole('button', { name: 'Add costume' }).click();
	await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
	return new URL(page.url()).pathname.split('/')[2]!;
}

async function paste(page: Page, rows: string): Promise<void> {
	await page.getByRole('button', { name: 'Paste rows' }).click();
	await dialog(page).getByRole('textbox', { name: 'Rows' }).fill(rows);
	await dialog(page).getByRole('button', { name: 'Add the rows' }).click();
}

test('rows pasted from a spreadsheet: a slip is named by row and column, then all come with their parts', async ({
	page
}) => {
	await newCostume(page, 'Pasted warden');
	await paste(page, 'name\tlayer\tzones\troute\tpart of\nHelmet\tthree\thead\t\t');
	await expect(dialog(page).getByText('Row 2, layer: “three” is not a number.')).toBeVisible();
	await dialog(page)
		.getByRole('textbox', { name: 'Rows' })
		.fill(
			'name\tlayer\tzones\troute\tpart of\nHelmet\t3\thead\tfoam plate\t\nVisor\t4\tface\t\tHelmet\nSash\t2\twaist\t\t'
		);
	await dialog(page).getByRole('button', { name: 'Add the rows' }).click();
	await toast(page, 'Added 3 components from pasted rows');
	await expect(inLedger(page, 'A-02 Visor')).toBeVisible();
	const left = page
		.locator('.entry')
		.filter({ hasText: 'Helmet' })
		.getByRole('button', { name: /^Hands-on left/ });
	await expect(left).toBeVisible();
	// The working of the sum lists every step, and what one changed would make of it.
	await left.click();
	await expect(dialog(page).getByText('= all of these added up')).toBeVisible();
	await expect(dialog(page).getByRole('row').filter({ hasText: 'pattern' })).toContainText('36m');
	await page.keyboard.press('Escape');
	await page
		.getByRole('group', { name: 'Figure, front' })
		.getByRole('button', { name: /^waist: 1 component/ })
		.click();
	await expect(page.locator('.entry:not(.dim)')).toHaveCount(1);
	await page.getByRole('button', { name: 'Show all' }).click();
	await expect(page.locator('.entry:not(.dim)')).toHaveCount(3);
});

test('hours and days off move the plan; without hours it says why nothing can be planned', async ({
	page
}) => {
	const id = await newCostume(page, 'Hours and days');
	await paste(page, 'name\troute\nGauntlet\tlight');
	await toast(page, 'Added 1 component');
	await open(page, `/c/${id}/plan`);
	const ready = page.getByRole('button', { name: /^Ready when/ });
	const before = await ready.textContent();

	await open(page, '/makers');
	await page.getByText('To the minute: as a list, or typed').first().click();
	const add = page.getByRole('form', { name: 'Add hours to Me' });
	await add.getByRole('button', { name: 'Hours' }).click();
	await expect(add.getByText('Choose at least one day.').first()).toBeVisible();
	await page.getByRole('button', { name: 'Remove Mon–Fri of Me' }).click();
	await page.getByRole('button', { name: 'Remove Sat, Sun of Me' }).click();
	await expect(page.getByText('No hours: nothing can be planned for Me.')).toBeVisible();
	await open(page, `/c/${id}/plan`);
	await expect(page.getByRole('heading', { name: 'Cannot be placed' })).toBeVisible();
	await expect(page.getByText('Nobody has working windows: add some under Makers.').first()).toBeVisible();
	await expect(page.getByText('Stuck: some steps cannot be placed').first()).toBeVisible();

	await page.locator('body').press('Control+z');
	await toast(page, /Undid: Took hours from Me/);
	await page.locator('body').press('Control+z');
	await expect(ready).toHaveText(before!);

	await open(page, '/makers');
	for (const days of [0, 1, 2, 3, 4]) {
		await page
			.getByRole('form', { name: 'Day off for Me' })
			.getByLabel('Day off')
			.fill(inDays(WORKSHOP, days));
		await page.getByRole('form', { name: 'Day off for Me' }).getByRole('button', { name: 'Day off' }).click();
		await toast(page, /Me is off on/);
	}
	await open(page, `/c/${id}/plan`);
	await expect(ready).not.toHaveText(before!);
});

test('own rates change every step that uses them, and go back', async ({ page }) => {
	const id = await newCostume(page, 'Rates');
	await paste(page, 'name\troute\nGlove\tlight');
	await inLedger(page, 'A-01 Glove').click();
	const wire = page.getByRole('row').filter({ has: page.getByText('wire', { exact: true }) });
	await expect(wire.getByRole('button', { name: /Hands-on time/ })).toHaveText('24m');
	await open(page, '/makers');
	const rate = page.getByRole('form', { name: 'Rate for wire' });
	await rate.getByLabel('Usual').fill('30');
	await rate.getByRole('button', { name: 'Set' }).click();
	await expect(rate.getByText('Bad is at least usual.')).toBeVisible();
	await rate.getByLabel('Bad').fill('45');
	await rate.getByRole('button', { name: 'Set' }).click();
	await toast(page, 'Set the rate for wire');
	await open(page, `/c/${id}/look`);
	await inLedger(page, 'A-01 Glove').click();
	await expect(wire.getByRole('button', { name: /Hands-on time/ })).toHaveText('1h');
	await open(page, '/makers');
	await page.getByRole('button', { name: 'Starting value for wire' }).click();
	await expect(rate.getByLabel('Usual')).toHaveValue('12');
});

test('units: inches and yards are shown and typed, and nothing stored moves', async ({ page }) => {
	await newCostume(page, 'Units');
	await paste(page, 'name\troute\nCuff\tfoam plate');
	await page.getByRole('link', { name: /A-01 Cuff/ }).click();
	const cut = page.getByRole('row').filter({ has: page.getByText('cut', { exact: true }) });
	await expect(cut).toContainText('3 m outline');
	const url = page.url();
	await open(page, '/settings');
	await page.getByLabel('Cloth and long lines').selectOption('yd');
	await page.getByLabel('Measures').selectOption('in');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await toast(page, 'Changed the settings');
	await open(page, url);
	await expect(cut).toContainText('3.28 yd outline');
	await expect(cut.getByRole('button', { name: /Hands-on time/ })).toHaveText('5m');
	await page.locator('body').press('Control+z');
	await expect(cut).toContainText('3 m outline');
});

test('a circle of steps is refused where it was made', async ({ page }) => {
	await newCostume(page, 'Circle');
	await paste(page, 'name\troute\nOne\tlight\nTwo\tlight');
	await inLedger(page, 'A-01 One').click();
	const wait = async (step: string, other: string) => {
		await page.getByRole('button', { name: `Edit ${step}`, exact: true }).click();
		await dialog(page).getByLabel('Waits also for').selectOption({ label: other });
		await dialog(page).getByRole('button', { name: 'Add', exact: true }).click();
	};
	await wait('place', 'A-02 test');
	await toast(page, 'A-01 place waits for A-02 test');
	await page.keyboard.press('Escape');
	await page.getByRole('link', { name: 'Components' }).click();
	await page.getByRole('link', { name: /A-02 Two/ }).click();
	await wait('wire', 'A-01 test');
	await expect(dialog(page).getByText(/wait for each other in a circle/)).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(
		page.getByRole('row').filter({ has: page.getByText('wire', { exact: true }) })
	).not.toContainText('waits for');
});

test('the shelf: copied without what was done, archived, restored, removed, undone', async ({ page }) => {
	await newCostume(page, 'Original');
	await paste(page, 'name\troute\nHat\tlight');
	await open(page, '/');
	const card = page.getByRole('article', { name: 'Original', exact: true });
	await expect(card.getByRole('button', { name: /^Days left/ })).toHaveText('40 days left');
	await card.getByRole('button', { name: 'Copy' }).click();
	await dialog(page).getByLabel('Name').fill('Duplicate');
	await dialog(page).getByLabel('Event begins').fill('2001-01-01T10:00');
	await dialog(page).getByRole('button', { name: 'Copy' }).click();
	await expect(dialog(page).getByText('The event lies in the past.')).toBeVisible();
	await dialog(page)
		.getByLabel('Event begins')
		.fill(`${inDays(WORKSHOP, 90)}T10:00`);
	await dialog(page).getByRole('button', { name: 'Copy' }).click();
	await expect(page.getByRole('heading', { name: 'Duplicate', level: 1 })).toBeVisible();
	await expect(inLedger(page, 'A-01 Hat')).toBeVisible();
	await open(page, '/');
	await page.getByRole('button', { name: 'Archive Duplicate' }).click();
	await expect(page.getByRole('article', { name: 'Duplicate' })).toHaveCount(0);
	const archived = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Duplicate' });
	await archived.getByRole('button', { name: 'Restore' }).click();
	await expect(page.getByRole('article', { name: 'Duplicate' })).toBeVisible();
	await page.getByRole('button', { name: 'Archive Duplicate' }).click();
	await archived.getByRole('button', { name: 'Remove' }).click();
	await expect(archived).toHaveCount(0);
	await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
	await expect(archived).toHaveCount(1);
});

test('the stash: counted in place, filtered, what is in use is kept', async ({ page }) => {
	const id = await newCostume(page, 'Stash user');
	await open(page, '/stash');
	await paste(
		page,
		'material\tfamily\tunit\tprice\tlead\nSailcloth\tcloth\tm\t7.80\t3\nBeeswax\tother\tg\t4\t0'
	);
	await toast(page, 'Added 2 materials from pasted rows');
	const row = page.getByRole('row').filter({ hasText: 'Sailcloth' });
	await row.getByRole('button', { name: 'Put Sailcloth in the stash' }).click();
	await dialog(page).getByLabel('How much there is').fill('4');
	await dialog(page).getByRole('button', { name: 'Put it in the stash' }).click();
	await toast(page, 'Put 4 m of Sailcloth in the stash');
	await row.getByRole('textbox', { name: 'Stash of Sailcloth' }).fill('a lot');
	await row.getByRole('button', { name: 'Count' }).click();
	await expect(row.getByText('“a lot” is not a number.')).toBeVisible();
	await row.getByRole('textbox', { name: 'Stash of Sailcloth' }).fill('2 1/2');
	await row.getByRole('button', { name: 'Count' }).click();
	await toast(page, 'Counted 2.5 m of Sailcloth');
	await page.getByRole('button', { name: 'Price', exact: true }).click();
	const names = () => page.locator('tbody tr b').allTextContents();
	const cheapest = await names();
	expect(cheapest.indexOf('Beeswax')).toBeLessThan(cheapest.indexOf('Sailcloth'));
	await page.getByRole('button', { name: 'Price', exact: true }).click();
	await expect(page.getByRole('columnheader', { name: 'Price' })).toHaveAttribute('aria-sort', 'descending');
	expect(await names()).not.toEqual(cheapest);
	await page.getByLabel('Filter materials').fill('beesw');
	await expect(row).toHaveCount(0);
	await page.getByLabel('Filter materials').fill('');
	await open(page, `/c/${id}/buy`);
	await page.getByRole('button', { name: 'Purchase', exact: true }).click();
	await dialog(page).getByLabel('Material').selectOption({ label: 'Sailcloth, pack of 1 m' });
	await dialog(page).getByLabel('Packs').fill('3');
	await dialog(page).getByRole('button', { name: 'Put on the list' }).click();
	const cost = page.getByRole('button', { name: /^Cost: Sailcloth/ });
	await expect(cost).toHaveText('23.40 EUR');
	await cost.click();
	await dialog(page).getByLabel('What if shipping were').fill('4,95');
	await expect(dialog(page).getByText('With that it would be')).toContainText('28.35 EUR');
	await page.keyboard.press('Escape');
	await open(page, '/stash');
	await page.getByRole('button', { name: 'Remove Sailcloth' }).click();
	await expect(page.getByText(/Sailcloth is in use in Stash user/).first()).toBeVisible();
	await page.getByRole('button', { name: 'Remove Beeswax' }).click();
	await toast(page, 'Removed material Beeswax');
});

test('backup out and back: what came after it is gone, and the data before is kept as a backup', async ({
	page,
	browser
}, info) => {
	await newCostume(page, 'Before the backup');
	const download = page.waitForEvent('download');
	await open(page, '/settings');
	await page.getByRole('link', { name: 'Save a backup' }).click();
	const file = info.outputPath('all.dapper-backup.zip');
	await (await download).saveAs(file);
	await newCostume(page, 'After the backup');
	await open(page, '/settings');
	const wrong = info.outputPath('wrong.zip');
	writeFileSync(wrong, 'no backup');
	const restore = page.getByRole('form', { name: 'Restore from a file' });
	await restore.getByLabel('Backup file').setInputFiles(wrong);
	await restore.getByRole('button', { name: 'Restore this file' }).click();
	await expect(restore.getByText('The file is damaged or cut off.')).toBeVisible();
	// Two more windows, one of this browser and one of another, with something typed.
	const beside = await page.context().newPage();
	await open(beside, '/');
	await expect(beside.getByRole('article', { name: 'After the backup' })).toBeVisible();
	const elsewhere = await browser.newPage({ baseURL: WORKSHOP.address });
	await open(elsewhere, '/settings');
	const rate = elsewhere.getByRole('form', { name: 'Exchange rate' });
	await rate.getByRole('textbox').last().fill('7.5');
	await restore.getByLabel('Backup file').setInputFiles(file);
	await restore.getByRole('button', { name: 'Restore this file' }).click();
	await toast(page, 'Restored the backup');
	await toast(beside, 'A backup was put in place of all data in another window.');
	await expect(beside.getByRole('article', { name: 'After the backup' })).toHaveCount(0);
	await rate.getByRole('button').click();
	const refused = rate.getByText('A backup was put in place of all data since this was shown.');
	await expect(refused).toBeVisible();
	// What there is now was loaded meanwhile; the refusal stays to be read.
	await expect(elsewhere.getByText(/before restore/).first()).toBeVisible();
	await expect(refused).toBeVisible();
	await expect(rate.getByRole('textbox').last()).toHaveValue('7.5');
	await rate.getByRole('button').click();
	await toast(elsewhere, '1 USD is 7.5 EUR');
	// One that only looks is told when it is looked at again.
	const looking = await browser.newPage({ baseURL: WORKSHOP.address });
	await open(looking, '/');
	await restore.getByLabel('Backup file').setInputFiles(file);
	await restore.getByRole('button', { name: 'Restore this file' }).click();
	await expect(async () => {
		await looking.evaluate(() => window.dispatchEvent(new Event('focus')));
		const told = looking.getByText('A backup was put in place of all data in another window.');
		await expect(told).toBeVisible({ timeout: 1000 });
	}).toPass();
	await looking.close();
	await elsewhere.close();
	await beside.close();
	await expect(page.getByText(/before restore/).first()).toBeVisible();
	await open(page, '/');
	await expect(page.getByRole('article', { name: 'Before the backup' })).toBeVisible();
	await expect(page.getByRole('article', { name: 'After the backup' })).toHaveCount(0);
});

test('on a phone: start, stop and log at the bench with a thumb', async ({ page }) => {
	const id = await newCostume(page, 'Pocket');
	await paste(page, 'name\troute\nBadge\tlight');
	await toast(page, 'Added 1 component');
	await page.setViewportSize({ width: 390, height: 800 });
	await open(page, `/c/${id}/bench`);
	const start = page.getByRole('button', { name: 'Start', exact: true });
	expect((await start.boundingBox())!.height).toBeGreaterThanOrEqual(44);
	await start.click();
	await expect(page.getByRole('timer')).toBeVisible();
	const done = page.getByRole('button', { name: 'Done, finished' });
	expect((await done.boundingBox())!.height).toBeGreaterThanOrEqual(44);
	await page.getByLabel('Minutes, if the timer is not right').fill('half an hour');
	await done.click();
	await expect(page.getByText('“half an hour” is not a length of time')).toBeVisible();
	await page.getByLabel('Minutes, if the timer is not right').fill('30m');
	await done.click();
	await toast(page, /Finished try diffuse layers of A-01 after 30m/);
	for (const link of await page.getByRole('navigation', { name: 'Stations' }).getByRole('link').all())
		expect((await link.boundingBox())!.height).toBeGreaterThanOrEqual(44);
});

test('an edit undone from History by hand, with what it would change shown first', async ({ page }) => {
	const id = await newCostume(page, 'Chronicle');
	await page.getByRole('button', { name: 'Edit costume' }).click();
	await dialog(page).getByLabel('Days kept before it').fill('5');
	await dialog(page).getByLabel('Limit of cost').fill('99,90');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await toast(page, 'Changed costume Chronicle');
	await open(page, `/history?costume=${id}`);
	await page.getByRole('link', { name: 'Look at undoing: Changed costume Chronicle' }).click();
	await expect(page.getByText('buffer days: 2 → 5')).toBeVisible();
	await expect(page.getByText('limit: nothing → 99.90')).toBeVisible();
	await expect(page.getByText('buffer days: 5 → 2')).toBeVisible();
	await page.getByRole('button', { name: 'Undo this' }).click();
	await toast(page, 'Undid: Changed costume Chronicle');
	await expect(page.getByText('undone', { exact: true })).toBeVisible();
});

test('a week is painted by dragging and by keys, a day copied to another; the finish follows at once', async ({
	page
}) => {
	await newCostume(page, 'Painted week');
	await paste(page, 'name\troute\nBanner staff\tlight');
	await toast(page, 'Added 1 component');
	await open(page, '/makers');
	const me = page
		.getByRole('main')
		.locator('section')
		.filter({ has: page.getByRole('form', { name: 'Name of Me' }) });
	const total = me.getByText(/ a week$/);
	const minutes = async () => {
		const [, h = '0', m = '0'] = /^(?:(\d+)h)?(\d+)?/.exec((await total.innerText()).trim())!;
		return Number(h) * 60 + Number(m || 0);
	};
	const before = await minutes();
	const ready = page
		.getByRole('region', { name: 'With these hours' })
		.getByRole('listitem')
		.filter({ hasText: 'Painted week' });
	await expect(ready).toContainText('ready');
	const was = await ready.innerText();

	// Monday from four to five in the morning, by dragging: nobody works then.
	const monday = me.getByTitle(/^Mon: /);
	const box = (await monday.boundingBox())!;
	const x = (minute: number) => box.x + (box.width * minute) / 1440;
	await page.mouse.move(x(245), box.y + 8);
	await page.mouse.down();
	await page.mouse.move(x(285), box.y + 8, { steps: 4 });
	await page.mouse.up();
	await toast(page, 'Changed the hours of Me');
	await expect.poll(minutes).toBe(before + 60);
	await expect(me.getByTitle(/^Mon: 04:00–05:00/)).toBeVisible();

	// Half an hour more by keys, from where the hand was.
	await me.getByRole('application', { name: /^Week of Me/ }).focus();
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press(' ');
	await expect.poll(minutes).toBe(before + 90);

	// As Monday, so Tuesday.
	await me.getByRole('button', { name: 'Mon', exact: true }).click();
	await me.getByRole('button', { name: 'Tue', exact: true }).click();
	await expect(me.getByTitle(/^Tue: 04:00–05:30/)).toBeVisible();
	await expect.poll(minutes).toBe(before + 180);
	await expect.poll(() => ready.innerText()).not.toBe(was);
	for (let i = 0; i < 3; i++) await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect.poll(minutes).toBe(before);
	await expect(page).toHaveURL(/makers/);
});

test('strokes painted faster than they are kept are all kept; odd weeks differ; days off are painted on a month', async ({
	page
}) => {
	await open(page, '/makers');
	const me = page
		.getByRole('main')
		.locator('section')
		.filter({ has: page.getByRole('form', { name: 'Name of Me' }) });
	let kept = 0;
	page.on('response', (answer) => (kept += answer.url().includes('setWeek') ? 1 : 0));
	// Answers are slow: four strokes are on the mat before the first is kept.
	await page.route('**/makers?/setWeek', async (route) => {
		await new Promise((done) => setTimeout(done, 300));
		await route.continue();
	});
	const week = me.getByRole('application', { name: /^Week of Me/ });
	const monday = me.getByTitle(/^Mon: /);
	const box = (await monday.boundingBox())!;
	for (const hour of [1, 3, 5, 7])
		await page.mouse.click(box.x + (box.width * (hour * 60 + 10)) / 1440, box.y + 8);
	const strokes = /01:00–01:30, 03:00–03:30, 05:00–05:30, 07:00–07:30/;
	await expect(monday).toHaveAttribute('title', strokes);
	await expect.poll(() => kept).toBe(4);
	await page.unroute('**/makers?/setWeek');
	await open(page, '/makers');
	await expect(me.getByTitle(/^Mon: /)).toHaveAttribute('title', strokes);
	await expect(week).toBeVisible();

	await me.getByLabel('Odd weeks are different').check();
	const odd = me.getByRole('application', { name: /^Odd weeks of Me/ });
	await odd.focus();
	await page.keyboard.press(' ');
	await toast(page, 'Changed the hours of Me');
	await open(page, '/makers');
	await expect(me.getByLabel('Odd weeks are different')).toBeChecked();
	// 2 May 2031 lies in week 18; what was painted is of odd weeks alone.
	await expect(me.getByText(/^Even weeks, this one: /)).toBeVisible();
	await me.getByText('To the minute: as a list, or typed').click();
	await expect(me.getByRole('listitem').filter({ hasText: 'odd weeks' }).first()).toBeVisible();
	await me.getByLabel('Odd weeks are different').uncheck();
	await expect(me.getByRole('listitem').filter({ hasText: 'odd weeks' })).toHaveCount(0);

	// From Tuesday the 20th to Thursday by dragging, Thursday worked after all by the keyboard.
	const day = (words: string) => me.getByRole('button', { name: words, exact: true });
	const at = async (words: string) => {
		const its = (await day(words).boundingBox())!;
		return [its.x + its.width / 2, its.y + its.height / 2] as const;
	};
	await day('Tue 20 May').scrollIntoViewIfNeeded();
	await page.mouse.move(...(await at('Tue 20 May')));
	await page.mouse.down();
	await page.mouse.move(...(await at('Thu 22 May')), { steps: 5 });
	await page.mouse.up();
	await toast(page, 'Me is off on 3 days from Tue 20 May to Thu 22 May');
	await expect(day('Wed 21 May')).toHaveAttribute('aria-pressed', 'true');
	await day('Tue 20 May').focus();
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press(' ');
	await toast(page, /on Thu 22 May after all/);
	await expect(day('Thu 22 May')).toHaveAttribute('aria-pressed', 'false');
	await expect(day('Wed 21 May')).toHaveAttribute('aria-pressed', 'true');
	await me.getByRole('button', { name: 'Me: the next month' }).click();
	await expect(me.getByText('June 2031')).toBeVisible();
});
