import { expect, test, type Page } from '@playwright/test';
import { open } from '../support/open.ts';
import { MEND } from '../support/servers.ts';

test.use({ baseURL: MEND.address });

const main = (page: Page) => page.getByRole('main');
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words)).toBeVisible();

test('inspected by phone: what is good is ticked, a strap fails the third time, what holds it is changed', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, '/c/3/mend/inspection');
	await expect(page.getByText('4 to look at, 5m')).toBeVisible();
	// What let go twice is looked at first.
	await expect(main(page).getByRole('listitem').first()).toContainText('buckle and webbing');
	await expect(main(page).getByRole('listitem').first()).toContainText('let go before, 2 ×');
	await page.getByRole('button', { name: 'P-01 painted edges, nothing over them is good' }).click();
	await toast(page, 'P-01 painted edges, nothing over them: good');
	await expect(page.getByText('3 to look at, 4m')).toBeVisible();
	await page.getByRole('button', { name: 'A-01 buckle and webbing fails' }).click();
	const form = page.getByRole('form', { name: 'What fails' });
	await form.getByLabel('What is wrong').fill('the cloth patch lifts');
	await form.getByRole('button', { name: 'Note it' }).click();
	await toast(page, 'A-01 buckle and webbing has to be mended');
	await expect(page.getByText('1 to mend, 2 to look at.')).toBeVisible();
	await main(page).getByRole('link', { name: 'to mend' }).click();
	await expect(main(page).getByText('the cloth patch lifts.')).toBeVisible();
	await expect(main(page).getByText('glue cloth patch inside').first()).toBeVisible();
	await expect(main(page).getByText('The third time:')).toBeVisible();
	await main(page).getByRole('link', { name: 'change what holds it' }).click();
	await expect(page.getByRole('heading', { name: 'What holds A-01 Tide mask' })).toBeVisible();
	await page.getByRole('button', { name: 'Change join 1' }).click();
	await page.getByRole('dialog').getByLabel('Fastener').selectOption({ label: 'elastic, 25 mm' });
	await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
	await toast(page, /^Changed .*elastic/);
});

test('worn and told: ten wears without a fault pull the rate down, by hand; a day that has not come is refused', async ({
	page
}) => {
	await open(page, '/c/3/mend/holds');
	const seams = main(page).getByRole('listitem').filter({ hasText: 'edges under a clear coat' });
	// (1 ÷ 10 × 10 + 0) ÷ (10 + 4) a wear.
	await expect(seams).toContainText('0.71');
	await expect(seams).toContainText('0 in 4 wears');
	await page.getByRole('button', { name: 'Wear', exact: true }).click();
	const form = page.getByRole('form', { name: 'Worn' });
	await form.getByLabel('Day').fill('2031-06-01');
	await form.getByLabel('Hours worn').fill('6');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(form.getByText('That day has not come yet.')).toBeVisible();
	await expect(form.getByLabel('Hours worn')).toHaveValue('6');
	await form.getByLabel('Day').fill('2031-05-02');
	await form.getByLabel('What held, what hurt').fill('the belt slid');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByText('5 wears, 25.5 h')).toBeVisible();
	await expect(page.getByText('the belt slid')).toBeVisible();
	// 1 ÷ 15 a wear.
	await expect(seams).toContainText('0.67');
	await seams.getByRole('button').click();
	await expect(page.getByText(/a gamma distribution’s mean/)).toBeVisible();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
	await toast(page, /^Undid: Worn on/);
});
