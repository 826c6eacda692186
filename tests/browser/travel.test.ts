import { expect, test, type Page } from '@playwright/test';
import { open } from '../support/open.ts';
import { TRAVEL } from '../support/servers.ts';

test.use({ baseURL: TRAVEL.address });

const main = (page: Page) => page.getByRole('main');
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words)).toBeVisible();

test('a pole too long for the event is made in two halves: its length, its work and its join are those of halves', async ({
	page
}) => {
	await open(page, '/c/3/wear/door');
	await expect(page.getByRole('heading', { name: 'At the door of Winter market parade' })).toBeVisible();
	await expect(page.getByText('P-01 Oar and A-01 Tide mask do not pass.')).toBeVisible();
	await expect(page.getByText('small scissors')).toBeVisible();
	await page.getByRole('button', { name: 'Make P-01 in two halves' }).click();
	await toast(page, 'P-01 comes apart into 2 parts of 102 cm');
	await expect(page.getByText('A-01 Tide mask does not pass.')).toBeVisible();
	// 180 cm in two, and a sleeve of 12 cm.
	await main(page)
		.getByRole('button', { name: /P-01 Oar at the door: 102 cm/ })
		.click();
	await expect(page.getByText('how long it is ÷ parts + what they overlap')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByText('Put together it is 180 cm: only where that is allowed.')).toBeVisible();

	await page.getByRole('link', { name: 'What holds it' }).click();
	await main(page).getByRole('listitem').filter({ hasText: 'Oar' }).getByRole('link').first().click();
	await expect(page.getByRole('row').filter({ hasText: 'sleeve and pin, closes itself' })).toBeVisible();
	// One sleeve: 20 minutes.
	await main(page).getByRole('link', { name: 'P-01 Oar' }).first().click();
	await expect(page.getByRole('row', { name: 'Move sleeve and pin, closes itself' })).toContainText(/20 ?m/);
});

test('packed by phone: what fits no case is told, a longer one takes it, one missing coming home is named', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, '/c/3/wear/packing');
	await expect(page.getByText('P-01 Oar (larger than every case) goes into no case.')).toBeVisible();
	await page.getByRole('button', { name: 'Case', exact: true }).click();
	const form = page.getByRole('form', { name: 'Case' });
	await form.getByLabel('Name').fill('Long bag');
	await form.getByLabel('Length inside').fill('110');
	await form.getByLabel('Width inside').fill('20');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(form.getByText('Needs a value.')).toBeVisible();
	await expect(form.getByLabel('Length inside')).toHaveValue('110');
	await form.getByLabel('Height inside').fill('20');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByText('All in 2 cases.')).toBeVisible();
	await expect(page.getByRole('img', { name: 'Long bag, layer 1: P-01 Oar' })).toBeVisible();

	const boxes = main(page).getByRole('checkbox');
	const count = await boxes.count();
	for (let i = 0; i < count; i++) {
		await boxes.nth(i).check();
		await expect(
			page.getByText(i + 1 < count ? `${i + 1} of ${count} there, going.` : `All ${count} are there.`)
		).toBeVisible();
	}
	await page.getByRole('button', { name: 'Coming home' }).click();
	await expect(page.getByText(`0 of ${count} there, coming home.`)).toBeVisible();
	for (let i = 0; i < count; i++) {
		const box = boxes.nth(i);
		if ((await box.getAttribute('aria-label')) === 'P-01 Oar') continue;
		await box.check();
		await expect(box).toBeChecked();
	}
	await expect(page.getByText('Stayed behind: P-01 Oar.')).toBeVisible();
	// It is kept: another device sees the same.
	await open(page, '/c/3/wear/packing');
	await page.getByRole('button', { name: 'Coming home' }).click();
	await expect(page.getByText('Stayed behind: P-01 Oar.')).toBeVisible();
	await expect(page.getByText('All in 2 cases.')).toBeVisible();
	await page.getByRole('button', { name: 'Begin anew' }).click();
	await expect(page.getByText(`0 of ${count} there, coming home.`)).toBeVisible();
});

test('a rule without a limit is refused at its field with what was typed; rules are copied from another event', async ({
	page
}) => {
	await open(page, '/c/2/wear/door');
	await expect(page.getByText('No rules of this event yet.')).toBeVisible();
	await page.getByRole('button', { name: 'Rule', exact: true }).click();
	const form = page.getByRole('form', { name: 'Rule', exact: true });
	await form.getByLabel('Note').fill('at every gate');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(form.getByText('Needs a limit: how long a thing may be.')).toBeVisible();
	await expect(form.getByLabel('Note')).toHaveValue('at every gate');
	await form.getByLabel('Longest side at most').fill('30 cm');
	await form.getByRole('button', { name: 'Add it' }).click();
	// The crown is 33 cm; in halves with their sleeve it would be 28.5.
	await expect(page.getByText('P-01 Spray crown does not pass.')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Make P-01 in two halves' })).toBeVisible();
	await page.getByLabel('Copy the rules of').selectOption('Winter market parade');
	await page.getByRole('button', { name: 'Copy them' }).click();
	await toast(page, 'Copied 2 rules of Winter market parade');
	await expect(page.getByRole('heading', { name: 'no blades or points' })).toBeVisible();
});

test('what each hand carries, more than for hours, and a limit of one’s own', async ({ page }) => {
	await open(page, '/c/1/wear/weight');
	// The lantern of 900 g and its heart of 140 g, in a hand that bears 700.
	await expect(page.getByText('The right hand carries 340 g too much for hours.')).toBeVisible();
	await main(page)
		.getByRole('button', { name: /The right hand carries: 1040 g/ })
		.click();
	await expect(
		page.getByRole('dialog').or(page.getByRole('region')).getByText('P-01 Great lantern').first()
	).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByText('the right hand carries 1040 g more than the other')).toBeVisible();
	await page.getByRole('link', { name: 'Settings' }).last().click();
	const form = page.getByRole('form', { name: 'What is borne for hours' });
	await form.getByLabel('Hand').fill('1200');
	await form.getByRole('button', { name: 'Save these' }).click();
	await toast(page, 'Changed what is borne for hours');
	await open(page, '/c/1/wear/weight');
	await expect(page.getByText('Nothing is more than is borne for hours.')).toBeVisible();
});

test('make-up stands in the order before what is worn there, with its patch test; what comes off within a minute is told', async ({
	page
}) => {
	await open(page, '/c/2/wear/dressing');
	// 5 Jul is the event.
	await expect(page.getByText('Fri 4 Jul:')).toBeVisible();
	await expect(page.getByText(/patch test of Sea-green skin colour and Shell brow/)).toBeVisible();
	const group = page.getByRole('group', { name: 'Who dresses' });
	// 25 and 10 minutes, each dries for 5; gloves and brow beside; three things afterwards.
	await expect(group).toContainText('45.5 min');
	await expect(
		page.getByText('Everything that matters is off within a minute, with a helper.')
	).toBeVisible();
	await page.getByRole('button', { name: 'Change Shell brow, skin adhesive' }).click();
	await page.getByRole('button', { name: 'Remove' }).click();
	await toast(page, 'Removed Shell brow, skin adhesive');
	await expect(group).not.toContainText('45.5 min');
	await expect(page.getByText('patch test of Sea-green skin colour.')).toBeVisible();
	await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
	await expect(group).toContainText('45.5 min');
});

test('doors and sight by what was measured; a movement that fails is a fault under Mend', async ({
	page
}) => {
	await open(page, '/c/3/wear/moving');
	await expect(page.getByText(/Too wide for bus aisle: sideways, or take it off\./)).toBeVisible();
	// 32 mm, 45 mm from the eye: 2 × atan(16 ÷ 45).
	await main(page)
		.getByRole('button', { name: /Sight, up and down: 39/ })
		.click();
	await expect(page.getByText('2 × atan(half the opening ÷ how far it is from the eye)')).toBeVisible();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Measure', exact: true }).click();
	const form = page.getByRole('form', { name: 'Doors, sight and rest' });
	await form.getByLabel('Widest place, worn').fill('54 cm');
	await form.getByLabel('Seen through, height').fill('40 mm');
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByText('Goes through where people go.')).toBeVisible();
	await expect(page.getByText('1 of 11 movements fails.')).toBeVisible();
	await page.getByRole('button', { name: 'Hop and shake: nothing falls off or slides: fails' }).click();
	const fails = page.getByRole('form', { name: 'What fails' });
	await fails.getByLabel('Because of').selectOption({ label: 'G-02 Rope belt' });
	await fails.getByLabel('What happens').fill('slides to the knees');
	await fails.getByRole('button', { name: 'Note it' }).click();
	await expect(page.getByText('2 of 11 movements fail.')).toBeVisible();
	await main(page).getByRole('link', { name: 'Mend' }).click();
	await expect(main(page).getByText('slides to the knees').first()).toBeVisible();
});
