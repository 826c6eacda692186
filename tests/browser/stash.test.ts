import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import { STASH } from '../support/servers.ts';
import { open, reopen } from '../support/open.ts';

test.use({ baseURL: STASH.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const dialog = (page: Page) => page.getByRole('dialog');
const undo = (page: Page) => page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
const row = (page: Page, name: string) => page.getByRole('row').filter({ hasText: name });

test('lots: what will not keep is told and thrown away; another lot is put in, photographed, promised, counted', async ({
	page
}) => {
	await open(page, '/stash');
	const soon = page.getByRole('region', { name: 'Use up soon' }).getByRole('listitem');
	await expect(soon).toHaveCount(3);
	// Laid out on 2 May: 35 days before is 28 March, 9 days on is 11 May.
	await expect(soon.nth(0)).toContainText('past since Fri 28 Mar, counted nowhere any more');
	await expect(soon.nth(1)).toContainText('9 d left, good until Sun 11 May');
	await expect(soon.nth(2)).toContainText('look at the label');
	const cement = row(page, 'Contact cement').first();
	// 60 are past: 80 and 40 are there.
	await expect(cement).toContainText('together 120 ml');
	await soon.nth(0).getByRole('button', { name: 'Throw away' }).click();
	await toast(page, 'Took 60 ml of Contact cement out of the stash');
	await expect(soon).toHaveCount(2);
	await undo(page);
	await expect(soon).toHaveCount(3);

	await page.getByRole('button', { name: 'Put High-density foam 10 mm in the stash' }).click();
	await dialog(page).getByLabel('How much there is').fill('some');
	await dialog(page).getByRole('button', { name: 'Put it in the stash' }).click();
	await expect(dialog(page).getByText('“some” is not a number.')).toBeVisible();
	await dialog(page).getByLabel('How much there is').fill('1 1/4');
	await dialog(page).getByLabel('Shade or dye lot').fill('black 12');
	await dialog(page).getByLabel('Where it lies').fill('behind the door');
	await dialog(page).getByLabel('Price of a pack then').fill('6,90');
	await dialog(page).getByLabel('Good until').fill('2031-04-01');
	await dialog(page).getByLabel('Bought on').fill('2031-04-20');
	await dialog(page).getByRole('button', { name: 'Put it in the stash' }).click();
	await expect(dialog(page).getByText('It was bought later than that.')).toBeVisible();
	await dialog(page).getByLabel('Good until').fill('');
	await dialog(page).getByRole('button', { name: 'Put it in the stash' }).click();
	await toast(page, 'Put 1.25 sheet of High-density foam 10 mm in the stash');
	const foam = row(page, 'High-density foam 10 mm').first();
	await expect(foam).toContainText('black 12 · behind the door');
	await expect(foam.locator('[data-promised]')).toContainText('1 for Lamplighter of Quay Nine, 0.25 free');
	await foam.getByRole('button', { name: 'Lot of High-density foam 10 mm' }).click();
	await dialog(page)
		.getByLabel('Add a photo')
		.setInputFiles({
			name: 'foam.png',
			mimeType: 'image/png',
			buffer: await sharp({ create: { width: 60, height: 40, channels: 3, background: '#ddd' } })
				.png()
				.toBuffer()
		});
	await expect(dialog(page).getByRole('img', { name: 'How it looks' })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(foam.getByRole('img', { name: /^Photo of High-density foam 10 mm/ })).toBeVisible();
	const much = foam.getByRole('textbox', {
		name: 'Stash of High-density foam 10 mm, black 12, behind the door'
	});
	await much.fill('0,75');
	await foam.getByRole('button', { name: 'Count' }).click();
	await toast(page, 'Counted 0.75 sheet of High-density foam 10 mm');
	await expect(foam.locator('[data-promised]')).toContainText('0.75 for Lamplighter of Quay Nine, none free');
	// What is open keeps less long: six months by its label, from 30 April on.
	const spray = row(page, 'Clear spray, matt').first();
	await spray.getByRole('button', { name: /^Lot of Clear spray, matt/ }).click();
	await dialog(page).getByLabel('Opened on').fill('2031-05-03');
	await dialog(page).getByLabel('Good once open').fill('6');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(dialog(page).getByText('That day is still to come.')).toBeVisible();
	await dialog(page).getByLabel('Opened on').fill('2031-04-30');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(spray).toContainText('open, good until Thu 30 Oct');
	await page.getByLabel('Filter materials').fill('black 12');
	await expect(page.locator('#material-2')).toHaveCount(0);
	await expect(foam).toBeVisible();
});

test('a stock-take by phone, place by place: it waits on the device, and is put away as one', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 800 });
	await open(page, '/stash');
	await page.getByRole('link', { name: 'Stock-take' }).click();
	await expect(page).toHaveURL(/stash\/count/);
	const shelf = page.getByRole('region', { name: 'spray shelf' });
	const glue = page.getByRole('region', { name: 'glue cupboard', exact: true });
	await shelf.getByLabel('Filler primer, grey: 1 can, as it says').check();
	await glue.getByLabel('Contact cement: what there is instead, ml').first().fill('65');
	const far = page.getByText(/\d+ of \d+ counted/);
	await expect(far).toContainText(/2 of \d+ counted, 1 otherwise than it said/);
	await expect(page.getByRole('link', { name: 'spray shelf 1/2' })).toBeVisible();
	// The phone is put down, and taken up again.
	await reopen(page);
	await expect(far).toContainText(/2 of \d+ counted, 1 otherwise than it said/);
	await page.getByRole('button', { name: 'Put away the count' }).click();
	await toast(page, 'Counted 2 lots: Contact cement 65 instead of 80');
	await expect(far).toContainText(/0 of \d+ counted/);
	await expect(shelf).toContainText('counted Fri 2 May');
	await open(page, '/stash');
	await expect(row(page, 'Contact cement').first()).toContainText('together 105 ml');
	await page.locator('body').press('Control+z');
	await expect(row(page, 'Contact cement').first()).toContainText('together 120 ml');
});

test('what is left over of a costume goes to the stash with what it cost, and is taken back', async ({
	page
}) => {
	await open(page, '/c/1/buy');
	const over = page.getByRole('region', { name: 'Left over' });
	// One tub of 1000 g was bought, the globe and the badges take 240.
	await expect(over.getByLabel('Casting resin: how much')).toHaveValue('760');
	await over.getByLabel('Casting resin: how much').fill('2000');
	await over.getByRole('button', { name: 'Put what is ticked in the stash' }).click();
	// The odds of the page are worked out on the server meanwhile.
	await expect(page.getByText('Of what was bought for it, 1000 g are here.').first()).toBeVisible();
	await over.getByLabel('Casting resin: how much').fill('700');
	await over.getByLabel('Where it goes').fill('mould shelf');
	await over.getByRole('button', { name: 'Put what is ticked in the stash' }).click();
	await toast(page, 'Left over, to the stash: 700 g of Casting resin');
	await expect(over.getByLabel('Casting resin: how much')).toHaveValue('60');
	await open(page, '/stash');
	const resin = row(page, 'Casting resin').first();
	await expect(resin.getByRole('textbox', { name: 'Stash of Casting resin, mould shelf' })).toHaveValue(
		'700'
	);
	await resin.getByRole('button', { name: 'Lot of Casting resin' }).click();
	await expect(dialog(page).getByLabel('Price of a pack then')).toHaveValue('29.50');
	await expect(dialog(page).getByLabel('In that pack')).toHaveValue('1000');
	await page.keyboard.press('Escape');
	await page.locator('body').press('Control+z');
	await expect(resin.getByRole('button', { name: 'Put Casting resin in the stash' })).toContainText(
		'Put some in'
	);
});
