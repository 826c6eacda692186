import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { SHOP } from '../support/servers.ts';
import { shownMinor } from '../support/shownMoney.ts';
import { open } from '../support/open.ts';

/** What all costumes share: the handbook, the stash and who is promised it, prices and currencies. */
test.use({ baseURL: SHOP.address });
test.describe.configure({ mode: 'serial' });

const dialog = (page: Page) => page.getByRole('dialog');
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const row = (page: Page, name: string) =>
	page.getByRole('row').filter({ has: page.getByText(name, { exact: true }) });

test('a row of the handbook is changed: the steps follow; it is marked, and brought back', async ({
	page
}) => {
	await open(page, '/stash');
	await page.getByRole('link', { name: 'Handbook' }).click();
	await page.getByRole('button', { name: 'Edit attach' }).click();
	const field = dialog(page).getByLabel('Usual minutes a metre, m² or each');
	await expect(field).toHaveValue('8');
	await field.fill('a lot');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(dialog(page).getByText('“a lot” is not a number.')).toBeVisible();
	await field.fill('20');
	await dialog(page).getByLabel('Where it is from').fill('our own watch');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await toast(page, 'Changed “attach” in the handbook');
	await expect(row(page, 'attach')).toContainText('20 min each, ornament');
	await expect(row(page, 'attach')).toContainText('changed: our own watch');
	await page.getByRole('button', { name: 'Bring back attach' }).click();
	await toast(page, 'Brought back “attach” as it ships');
	await expect(row(page, 'attach')).toContainText('8 min each, ornament');
	await expect(row(page, 'attach')).not.toContainText('changed');
});

test('a technique and a route of one’s own: a component made by it has the hours that its rows say', async ({
	page
}) => {
	await open(page, '/stash/handbook');
	await page.getByRole('button', { name: 'technique', exact: true }).click();
	await dialog(page).getByLabel('Name').fill('vacuum form');
	await dialog(page).getByLabel('Counts').fill('shell');
	await dialog(page).getByLabel('Usual minutes a metre, m² or each').fill('15');
	await dialog(page).getByRole('checkbox', { name: 'heat' }).check();
	await dialog(page).getByRole('button', { name: 'Add' }).click();
	await expect(row(page, 'vacuum form')).toContainText('added: my own');
	await page.getByRole('link', { name: 'Routes' }).click();
	await page.getByRole('button', { name: 'route', exact: true }).click();
	await dialog(page).getByLabel('Name', { exact: true }).fill('formed shell');
	await dialog(page).getByRole('checkbox', { name: 'prop' }).check();
	await dialog(page).getByLabel('Name of step 1').fill('pull four shells');
	await dialog(page).getByLabel('Technique of step 1').selectOption({ label: 'vacuum form' });
	await dialog(page).getByLabel('Amount of step 1').fill('4');
	await dialog(page).getByRole('button', { name: 'Add' }).click();
	await toast(page, 'Added “formed shell” in the handbook');

	await open(page, '/c/2/look');
	await page.keyboard.press('n');
	await dialog(page).getByLabel('Name', { exact: true }).fill('Horn tips');
	await dialog(page).getByLabel('Kind').selectOption('prop');
	await dialog(page).getByLabel(/Route/).selectOption({ label: 'formed shell (prop)' });
	await dialog(page).getByRole('button', { name: 'Add component' }).click();
	await toast(page, /Horn tips with 1 step$/);
	// By hand: 4 shells of 15 minutes.
	await expect(row(page, 'pull four shells').getByRole('button', { name: /Hands-on time/ })).toHaveText('1h');
	await expect(page.getByRole('note')).toContainText('heat gloves');

	await open(page, '/stash/handbook');
	await page.getByRole('button', { name: 'Remove vacuum form' }).click();
	await expect(page.getByRole('alert').first()).toContainText('is in use: 1 step');
	const saved = page.waitForEvent('download');
	await page.getByRole('link', { name: 'Save my rows' }).click();
	const file = JSON.parse(readFileSync(await (await saved).path(), 'utf8')) as { rows: { key: string }[] };
	expect(file.rows.map((r) => r.key).sort()).toEqual(['formedShell', 'vacuumForm']);
});

test('the stash is promised once, in turn: who is moved up has what the other had', async ({ page }) => {
	await open(page, '/stash');
	const thread = row(page, 'Sewing thread, slate').locator('[data-promised]');
	const share = async (costume: string) =>
		Number(new RegExp(`([\\d.]+) for ${costume}`).exec((await thread.textContent())!)?.[1] ?? 0);
	// The coat by its event first: what it has sewn already asks for none of the 300 m.
	const [first, second] = [await share('Lamplighter'), await share('Foam-Crest')];
	expect(first).toBe(224.62);
	expect(Math.round((first + second) * 100)).toBe(300 * 100);
	await page.getByRole('button', { name: 'Foam-Crest Dancer earlier' }).click();
	await toast(page, 'Changed who is promised the stash first');
	await expect(thread).toHaveText('300 for Foam-Crest Dancer, none free');
	await expect(page.getByText('as you have set it')).toBeVisible();
	// What the other counted on is short there now: needed, promised, bought, packs short.
	await open(page, '/c/1/buy');
	const cells = page
		.getByRole('row')
		.filter({ hasText: 'Sewing thread, slate' })
		.filter({ hasText: 'G-01' })
		.getByRole('cell');
	await expect(cells.nth(1)).toContainText('292.93 m');
	await expect(cells.nth(2)).toHaveText('0');
	await expect(cells.nth(4)).toHaveText('1');
	await open(page, '/stash');
	await page.getByRole('button', { name: 'By event again' }).click();
	await expect(thread).toContainText('for Lamplighter of Quay Nine');
});

/** A material from the list of a purchase, whatever else its line says. */
async function choose(page: Page, name: string): Promise<void> {
	const list = dialog(page).getByLabel('Material');
	const value = await list.locator('option', { hasText: name }).first().getAttribute('value');
	await list.selectOption(value!);
}

test('a price in another currency is exchanged by the rate that was typed, and unknown until then', async ({
	page
}) => {
	await open(page, '/stash');
	await page.getByRole('button', { name: 'Edit Wefts, silver' }).click();
	await dialog(page).getByLabel('Price of a pack').fill('');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(row(page, 'Wefts, silver')).toContainText('not known');

	const name = 'Webbing 25 mm';
	await page.getByRole('button', { name: `Edit ${name}` }).click();
	await dialog(page).getByLabel('Price of a pack').fill('1000');
	await dialog(page).getByLabel('Currency').selectOption('JPY');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(row(page, name).first()).toContainText('1 000 JPY'.replace(' ', '\u2009'));
	await open(page, '/c/1/buy');
	await page.getByRole('button', { name: 'Purchase', exact: true }).click();
	await choose(page, name);
	await dialog(page).getByLabel('Packs').fill('2');
	await dialog(page)
		.getByRole('button', { name: /^(Add|Put)/ })
		.click();
	await expect(page.locator('[data-unpriced]')).toContainText(name);
	await page.keyboard.press('Control+z');
	await toast(page, /Undid/);

	await open(page, '/settings');
	const rates = page.getByRole('form', { name: 'Exchange rate' });
	await rates.getByLabel('One of').selectOption('JPY');
	await rates.getByLabel('is worth').fill('0.006');
	await rates.getByRole('button', { name: 'Set the rate' }).click();
	await expect(page.getByText('1 JPY = 0.006 EUR')).toBeVisible();
	await open(page, '/c/1/buy');
	await page.getByRole('button', { name: 'Purchase', exact: true }).click();
	await choose(page, name);
	await dialog(page).getByLabel('Packs').fill('2');
	await dialog(page)
		.getByRole('button', { name: /^(Add|Put)/ })
		.click();
	// By hand: 2 packs of 1,000 yen at 0.006 are 12.00 euro.
	await expect(row(page, name).first()).toContainText('12.00 EUR');
});

test('two costumes of one event: what it costs is told together', async ({ page }) => {
	await open(page, '/');
	await expect(page.getByRole('heading', { name: 'Money by event' })).toHaveCount(0);
	const first = page.getByRole('article', { name: 'Lamplighter of Quay Nine' });
	await first.getByRole('button', { name: 'Copy' }).click();
	await dialog(page).getByLabel('Name').fill('Second lamplighter');
	await dialog(page).getByLabel('Event begins').fill('2031-06-08T10:00');
	await dialog(page).getByRole('button', { name: 'Copy' }).click();
	await expect(page.getByRole('heading', { name: 'Second lamplighter', level: 1 })).toBeVisible();
	await open(page, '/');
	const cost = async (name: string) => {
		const card = page.getByRole('article', { name });
		return shownMinor(await card.getByRole('button', { name: /^What it will cost/ }).textContent());
	};
	const event = page
		.getByRole('region', { name: 'Money by event' })
		.getByRole('listitem')
		.filter({ hasText: 'Sat 7 Jun to Sun 8 Jun, 2 costumes' });
	const sum = event.getByRole('button', { name: /^Money for Harbour pageant, lantern night/ });
	expect(shownMinor(await sum.textContent())).toBe(
		(await cost('Lamplighter of Quay Nine')) + (await cost('Second lamplighter'))
	);
	await sum.click();
	await expect(dialog(page)).toContainText('Second lamplighter');
	await page.keyboard.press('Escape');
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('heading', { name: 'Money by event' })).toHaveCount(0);
});
