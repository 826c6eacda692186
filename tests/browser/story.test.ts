import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { inDays, STORY } from '../support/servers.ts';
import { open } from '../support/open.ts';

/** The whole story, as a new user would live it, on a workshop that begins empty. */
test.use({ baseURL: STORY.address });

const dialog = (page: Page) => page.getByRole('dialog');
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
async function station(page: Page, name: string) {
	await page
		.getByRole('navigation', { name: 'Stations' })
		.getByRole('link', { name: new RegExp(`^${name}`) })
		.click();
	await page.waitForURL(new RegExp(`/${name.toLowerCase()}$`));
}

test('from a first costume to mended, undone, written out and read again', async ({ page }, info) => {
	await open(page, '/');
	await expect(page.getByText('Nothing on the shelf yet')).toBeVisible();

	// A costume, with a slip first: what was typed stays.
	await page.getByLabel('Name').fill('Reed singer');
	await page.getByLabel('Wearer').fill('Tam');
	await page.getByLabel('Event begins').fill(`${inDays(STORY, 30)}T09:00`);
	await page.getByLabel('Limit of cost').fill('12o');
	await page.getByRole('button', { name: 'Begin the first costume' }).click();
	await expect(page.getByText('“12o” is not an amount of money')).toBeVisible();
	await expect(page.getByLabel('Name')).toHaveValue('Reed singer');
	await page.getByLabel('Limit of cost').fill('60');
	await page.getByRole('button', { name: 'Begin the first costume' }).click();
	await expect(page.getByRole('heading', { name: 'Reed singer' })).toBeVisible();
	await expect(page.getByText('30 days left')).toBeVisible();

	// A pair of bracers by a route: steps, coats and minutes come along.
	await page.getByRole('button', { name: 'Component', exact: true }).click();
	await dialog(page).getByLabel('Name').fill('Bracers');
	// What it is called says the rest.
	await expect(dialog(page).getByLabel('Side')).toHaveValue('pair');
	await expect(dialog(page).getByText('left forearm, right forearm')).toBeVisible();
	await expect(dialog(page).getByLabel('Route: its usual steps')).toHaveValue('foamPlate');
	await dialog(page).getByRole('button', { name: 'Add component' }).click();
	await toast(page, 'Added A-01 Bracers with 20 steps');
	const step = (name: string) => page.getByRole('row').filter({ has: page.getByText(name, { exact: true }) });
	// Cutting: 3 m × 2 copies × 1/0.6 min = 10 min.
	await expect(step('cut').getByRole('button', { name: /Hands-on time/ })).toHaveText('10m');

	// The working says so, and what it would be with one input changed.
	await step('cut')
		.getByRole('button', { name: /Hands-on time/ })
		.click();
	await expect(dialog(page).getByText('= set-up + amount × copies × minutes each')).toBeVisible();
	await dialog(page).getByLabel('What if copies were').fill('4');
	await expect(dialog(page).getByText('With that it would be')).toContainText('20m');
	await page.keyboard.press('Escape');

	// The amount is typed as makers do: 6 yd is 5.4864 m, times 2 copies, by 1/0.6 min a metre.
	await step('cut').getByRole('button', { name: 'Edit cut' }).click();
	await dialog(page).getByLabel('Amount').fill('6 1/');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(dialog(page).getByText('“6 1/” is not a length')).toBeVisible();
	await dialog(page).getByLabel('Amount').fill('6 yd');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(step('cut').getByRole('button', { name: /Hands-on time/ })).toHaveText('18m');

	// What it takes, and what that costs.
	await station(page, 'Buy');
	await expect(
		page.getByText('No material stands for filler primer, acrylic spray, clear spray yet')
	).toBeVisible();
	await page.getByRole('button', { name: 'Material', exact: true }).click();
	await dialog(page).getByRole('textbox', { name: 'Material' }).fill('High-density foam 6 mm');
	await dialog(page).getByLabel('Family').selectOption('foam');
	await dialog(page).getByLabel('Counted in').fill('sheet');
	await dialog(page).getByLabel('Is the coat product').selectOption('');
	await dialog(page).getByLabel('Price of a pack').fill('13,90');
	await dialog(page).getByLabel('Lead days').fill('4');
	await dialog(page).getByRole('button', { name: 'Add material' }).click();
	await toast(page, 'Added material High-density foam 6 mm');
	await station(page, 'Look');
	await page.getByRole('link', { name: /A-01/ }).click();
	await page.getByRole('button', { name: 'Need', exact: true }).click();
	await dialog(page).getByLabel('Material').selectOption({ label: 'High-density foam 6 mm (sheet)' });
	await dialog(page).getByLabel('Quantity, for all copies').fill('1 1/2');
	await dialog(page).getByRole('button', { name: 'Add need' }).click();
	await station(page, 'Buy');
	// 1.5 sheets are 2 packs: 27.80, of a limit of 60.
	await expect(page.getByRole('button', { name: /What it will cost/ })).toHaveText('27.80 EUR');
	await expect(page.getByText('32.20 EUR')).toBeVisible();
	await page.getByRole('button', { name: 'Put the 1 short on the list' }).click();
	const purchase = page.getByRole('row').filter({ hasText: 'High-density foam 6 mm' }).first();
	await expect(purchase.getByRole('button', { name: /^Order by/ })).toBeVisible();
	await purchase.getByRole('button', { name: 'High-density foam 6 mm is ordered' }).click();
	await expect(purchase.getByText('ordered', { exact: true })).toBeVisible();
	await purchase.getByRole('button', { name: 'High-density foam 6 mm is arrived' }).click();

	// The plan answers.
	await station(page, 'Plan');
	await expect(page.getByRole('button', { name: /^Ready when/ })).toBeVisible();
	await expect(page.getByText(/\dh\d* spare before/).first()).toBeVisible();
	await expect(page.getByRole('heading', { name: 'What decides it' })).toBeVisible();

	// At the bench: the timer by the space bar, a note, done.
	await station(page, 'Bench');
	await expect(page.getByRole('heading', { name: 'pattern' })).toBeVisible();
	await page.locator('body').press(' ');
	await expect(page.getByRole('timer')).toBeVisible();
	await page.getByLabel('Note: how it was made').fill('traced from the left arm');
	await page.getByRole('button', { name: 'Done, finished' }).click();
	await expect(page.getByRole('heading', { name: 'mock-up' })).toBeVisible();
	await expect(page.getByText('traced from the left arm')).toBeVisible();
	await page.getByRole('button', { name: 'Log minutes' }).click();
	await dialog(page).getByLabel('Worked').fill('1h20');
	await dialog(page).getByLabel('The step is done').check();
	await dialog(page).getByRole('button', { name: 'Log it' }).click();
	await toast(page, 'Logged 1h20 on mock-up of A-01');
	await expect(page.getByRole('heading', { name: 'trace and label' })).toBeVisible();

	// Coats: the stack grows, and too early is warned of before it is saved.
	await station(page, 'Look');
	await page.getByRole('link', { name: /A-01/ }).click();
	for (const name of [
		'trace and label',
		'cut',
		'bevel',
		'heat-shape',
		'join',
		'fill seams',
		'detail layer',
		'heat-seal'
	])
		await page.getByRole('button', { name: `Finish ${name}`, exact: true }).click();
	await station(page, 'Finish');
	// What is read anew after the last press would put a field back that is being typed in.
	await open(page, new URL(page.url()).pathname);
	const primer = page
		.getByRole('list', { name: /^Coats of A-01/ })
		.getByRole('listitem')
		.filter({ hasText: 'filler primer' });
	await primer.getByRole('button', { name: 'Edit' }).click();
	await dialog(page).getByRole('textbox', { name: 'Coats' }).fill('3');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(primer).toContainText('0/3');
	// 0.15 m² × 3 coats × 2 copies = 0.9 m² of 1.2 m²: 0.75 of a can.
	await expect(page.getByRole('button', { name: /^Packs: filler primer: / })).toHaveText('0.75');
	await expect(page.getByRole('button', { name: /^Packs: filler primer, whole costume/ })).toHaveText('1');
	await page.getByRole('button', { name: 'Log this coat' }).click();
	await dialog(page).getByRole('button', { name: 'Log the coat' }).click();
	await toast(page, /Finished filler primer, coat 1 of 3/);
	await expect(page.getByText(/coat 2 of 3: not before/)).toBeVisible();
	await page.getByRole('button', { name: 'Log this coat' }).click();
	await dialog(page).getByRole('button', { name: 'Log the coat' }).click();
	await expect(dialog(page).getByText(/Too early: “filler primer, coat 1 of 3” needs until/)).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(primer).toContainText('1/3');
	await station(page, 'Bench');
	await expect(page.getByRole('region', { name: 'Drying' })).toContainText('filler primer, coat 1 of 3');

	// Something breaks, and is mended.
	await station(page, 'Mend');
	await page.getByRole('button', { name: 'Fault' }).click();
	await dialog(page).getByLabel('Component').selectOption({ label: 'A-01 Bracers' });
	await dialog(page).getByLabel('Symptom').fill('seam opens');
	await dialog(page).getByLabel('Time lost').fill('15m');
	await expect(dialog(page).getByLabel('Cause')).toHaveValue(/glued too wet/);
	await dialog(page).getByRole('button', { name: 'Log the fault' }).click();
	await expect(page.getByRole('heading', { name: '1 to mend' })).toBeVisible();
	await station(page, 'Look');
	await expect(page.getByText('broken', { exact: true }).last()).toBeVisible();
	await station(page, 'Mend');
	await page.getByRole('button', { name: 'Finish clean both faces' }).click();
	await page.getByRole('button', { name: 'Finish re-cement seam' }).click();
	await expect(page.getByRole('heading', { name: 'Nothing broken' })).toBeVisible();

	// Undo by key takes the last action back whole; redo brings it again.
	await page.locator('body').press('Control+z');
	await expect(page.getByRole('heading', { name: '1 to mend' })).toBeVisible();
	await page.locator('body').press('Control+Shift+z');
	await expect(page.getByRole('heading', { name: 'Nothing broken' })).toBeVisible();

	// Any older action can be looked at and undone from History.
	await open(page, '/history');
	await page.getByRole('link', { name: /^Look at undoing: Logged 1h20 on mock-up/ }).click();
	await expect(page.getByText('Undoing it would')).toBeVisible();
	await expect(page.getByText('removed log')).toBeVisible();
	await page.getByRole('button', { name: 'Undo this' }).click();
	await toast(page, /Undid: Logged 1h20 on mock-up/);

	// Out and in again: the same breakdown, the same money.
	await open(page, '/');
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'File', exact: true }).click();
	const file = info.outputPath('reed-singer.dapper.zip');
	await (await download).saveAs(file);
	expect(readFileSync(file).subarray(0, 2).toString()).toBe('PK');
	await page.getByRole('button', { name: 'Archive Reed singer' }).click();
	await expect(page.getByRole('heading', { name: 'Archive' })).toBeVisible();
	await page.getByRole('button', { name: 'Read a costume file' }).click();
	await dialog(page).getByLabel('Costume file (.dapper.zip)').setInputFiles(file);
	await dialog(page).getByRole('button', { name: 'Read it' }).click();
	await expect(page.getByRole('heading', { name: 'Reed singer' })).toBeVisible();
	await expect(page.getByRole('link', { name: /A-01 Bracers/ })).toBeVisible();
	await station(page, 'Buy');
	await expect(page.getByRole('button', { name: /What it will cost/ })).toHaveText('27.80 EUR');
});

test('two tabs: the second is told, sees both, and loses nothing', async ({ page, context }) => {
	await open(page, '/stash');
	await page.getByRole('button', { name: 'Material', exact: true }).first().click();
	await dialog(page).getByRole('textbox', { name: 'Material' }).fill('Tarlatan');
	await dialog(page).getByLabel('Price of a pack').fill('2');
	await dialog(page).getByRole('button', { name: 'Add material' }).click();
	await page.getByRole('button', { name: 'Edit Tarlatan' }).click();
	await dialog(page).getByLabel('Supplier').fill('by the bridge');

	const other = await context.newPage();
	await other.goto('/stash');
	await other.getByRole('button', { name: 'Edit Tarlatan' }).click();
	await dialog(other).getByLabel('Supplier').fill('at the mill');
	await dialog(other).getByRole('button', { name: 'Save' }).click();
	await toast(other, 'Changed material Tarlatan');

	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(dialog(page).getByText('changed in another window meanwhile')).toBeVisible();
	await expect(dialog(page).getByText('at the mill')).toBeVisible();
	await expect(dialog(page).getByLabel('Supplier')).toHaveValue('by the bridge');
	await dialog(page).getByRole('button', { name: 'Save mine over it' }).click();
	await toast(page, 'Changed material Tarlatan');
	await expect(page.getByRole('row').filter({ hasText: 'Tarlatan' })).toContainText('by the bridge');
});

test('hostile words are shown, not run', async ({ page }) => {
	await open(page, '/');
	await page.getByRole('button', { name: 'New costume' }).click();
	const name = '<img src=x onerror="document.title=1">';
	await page.getByLabel('Name').fill(name);
	await page.getByLabel('Event begins').fill(`${inDays(STORY, 10)}T09:00`);
	await page.getByRole('button', { name: 'Add costume' }).click();
	await expect(page.getByRole('heading', { name })).toBeVisible();
	await expect(page.locator('main img, header img')).toHaveCount(0);
	await page.locator('body').press('Control+z');
});
