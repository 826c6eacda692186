import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
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
	await expect(page.getByText('5 to look at, 6m')).toBeVisible();
	// What let go twice is looked at first.
	await expect(main(page).getByRole('listitem').first()).toContainText('buckle and webbing');
	await expect(main(page).getByRole('listitem').first()).toContainText('let go before, 2 ×');
	await page.getByRole('button', { name: 'P-01 painted edges, nothing over them is good' }).click();
	await toast(page, 'P-01 painted edges, nothing over them: good');
	await expect(page.getByText('4 to look at, 5m')).toBeVisible();
	await page.getByRole('button', { name: 'A-01 buckle and webbing fails' }).click();
	const form = page.getByRole('form', { name: 'What fails' });
	await form.getByLabel('What is wrong').fill('the cloth patch lifts');
	await form.getByLabel('Photo').setInputFiles({
		name: 'strap.png',
		mimeType: 'image/png',
		buffer: readFileSync('docs/screenshots/mend.png')
	});
	await form.getByRole('button', { name: 'Note it' }).click();
	await toast(page, 'A-01 buckle and webbing has to be mended');
	await expect(page.getByText('1 to mend, 3 to look at.')).toBeVisible();
	await main(page).getByRole('link', { name: 'to mend' }).click();
	await expect(main(page).getByText('the cloth patch lifts.')).toBeVisible();
	await expect(main(page).getByRole('img', { name: 'strap torn out' }).first()).toBeVisible();
	await expect(main(page).getByText('glue cloth patch inside').first()).toBeVisible();
	await expect(main(page).getByText('The third time:')).toBeVisible();
	// What lets go less is offered, and what it would take is told before.
	await main(page).getByRole('button', { name: 'Hold it otherwise' }).first().click();
	const otherwise = page.getByRole('form', { name: 'Hold it otherwise' });
	await otherwise.getByRole('radio', { name: /3 × snaps/ }).check();
	await expect(otherwise.getByText('Hands-on left')).toBeVisible();
	await otherwise.getByRole('button', { name: 'Change it' }).click();
	await toast(page, 'A-01 is held by snaps instead');
	await expect(main(page).getByText('take off buckle and webbing')).toBeVisible();
	await expect(main(page).getByText('snaps, to the body')).toBeVisible();
	await page.getByRole('link', { name: 'Wear', exact: true }).click();
	await expect(main(page).getByText('3 × snaps. What to change')).toBeVisible();
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
	await form.getByLabel('What held, what let go').fill('the belt slid');
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

test('the kit keeps within its limit: what saves least a gram stays; nothing is no limit; what was used is bought again', async ({
	page
}) => {
	await open(page, '/c/1/mend/kit');
	const set = async (grams: string) => {
		await page.getByRole('button', { name: 'Limit' }).click();
		const form = page.getByRole('form', { name: 'The kit is at most' });
		await form.getByLabel('Weight').fill(grams);
		await form.getByRole('button', { name: 'Save' }).click();
		return form;
	};
	const form = await set('0');
	await expect(form.getByText('Must be more than zero.')).toBeVisible();
	await form.getByLabel('Weight').fill('700');
	await form.getByRole('button', { name: 'Save' }).click();
	await toast(page, 'The kit is at most 700 g');
	const weighs = main(page).getByRole('img', { name: /of 700 g/ });
	await expect(weighs).toBeVisible();
	const grams = Number(/^(\d+)/.exec((await weighs.getAttribute('aria-label'))!)![1]);
	expect(grams).toBeGreaterThan(520);
	expect(grams).toBeLessThanOrEqual(700);
	await expect(main(page).getByText('not worth its weight within the limit').first()).toBeVisible();
	await set('');
	await toast(page, 'The kit has no limit');
	await page.getByRole('button', { name: 'needle and thread was used' }).click();
	await toast(page, /^Put Sewing thread, slate on the list/);
	await open(page, '/c/1/buy');
	await expect(main(page).getByText('for the emergency kit').first()).toBeVisible();
});

test('after the event: what let go, what hurt and what it took; a thought becomes a step of another costume', async ({
	page
}) => {
	await open(page, '/c/3/mend/after');
	await expect(page.getByText(/hurt in 1 wear/).first()).toBeVisible();
	await expect(main(page).getByText('10h34')).toBeVisible();
	await page.getByRole('button', { name: 'Thought' }).click();
	const thought = page.getByRole('form', { name: 'Next time' });
	await thought.getByLabel('What to do otherwise').fill('pad the brow');
	await thought.getByLabel('Learned from').selectOption({ label: 'A-01 Tide mask' });
	await thought.getByRole('button', { name: 'Keep it' }).click();
	await page.getByRole('button', { name: 'Take over: pad the brow' }).click();
	const take = page.getByRole('form', { name: 'Take over' });
	await take.getByLabel('To').selectOption({ label: 'Lamplighter of Quay Nine: A-01 Breastplate' });
	await take.getByLabel('Minutes of the step').fill('25');
	await take.getByRole('button', { name: 'Take it over' }).click();
	await toast(page, 'A-01 of Lamplighter of Quay Nine has it as a step: pad the brow');
	await expect(main(page).getByText('is a step of A-01, Lamplighter of Quay Nine')).toBeVisible();
	await open(page, '/c/1/look/1');
	await expect(page.getByRole('region', { name: 'Steps' }).getByText('pad the brow')).toBeVisible();
});

test('the record holds it all: saved as a PDF and read back, every component and fault is in it; the short one has no person', async ({
	page
}) => {
	await open(page, '/c/3/mend/record');
	await expect(main(page).getByText('hat box on the wardrobe; tissue paper inside')).toBeVisible();
	const saved = async () => {
		const waiting = page.waitForEvent('download');
		await page.getByRole('button', { name: 'PDF' }).click();
		return execFileSync('pdftotext', ['-layout', await (await waiting).path(), '-'], { encoding: 'utf8' });
	};
	const full = await saved();
	for (const said of [
		'Oilskin cape',
		'Rope belt',
		'Oar',
		'Tide mask',
		'strap torn out',
		'rust marks',
		'for Ona'
	])
		expect(full).toContain(said);
	await page.getByRole('link', { name: 'To show' }).click();
	await expect(page.getByText('Without money, suppliers, places and people')).toBeVisible();
	const short = await saved();
	expect(short).toContain('Tide mask');
	expect(short).not.toContain('Ona');
	expect(short).not.toContain('hat box');
});

test('what is kept is looked after, and the next look is in the calendar file', async ({ page }) => {
	await open(page, '/c/3/mend/care');
	await page.getByRole('button', { name: 'How P-01 is kept' }).click();
	const form = page.getByRole('form', { name: 'How it is kept' });
	await form.getByLabel('Where').fill('over the door');
	await form.getByLabel('Looked at every').fill('2');
	await form.getByRole('button', { name: 'Save' }).click();
	await toast(page, 'Changed how P-01 is kept');
	await page.getByRole('button', { name: 'P-01 was looked after' }).click();
	await expect(main(page).getByText('look again Wed 2 Jul 2031')).toBeVisible();
	const waiting = page.waitForEvent('download');
	await page.getByRole('link', { name: 'Calendar' }).click();
	const ics = readFileSync(await (await waiting).path(), 'utf8');
	expect(ics).toMatch(/DTSTART;VALUE=DATE:20310702[^]*?SUMMARY:Look after P-01 Oar/);
	expect(ics).toContain('over the door');
});

test('a component is borrowed from another costume: booked by event, packed with this one, given back', async ({
	page
}) => {
	await open(page, '/c/3/look');
	await page.getByRole('button', { name: 'Borrow' }).click();
	const form = page.getByRole('form', { name: 'Borrow a component' });
	await form.getByRole('button', { name: 'Borrow it' }).click();
	await expect(form.getByText('Needs a value.')).toBeVisible();
	await form.getByLabel('Component').selectOption({ label: 'Lamplighter of Quay Nine: G-02 Sea boots' });
	await form.getByRole('button', { name: 'Borrow it' }).click();
	await toast(page, 'Borrowed G-02 Sea boots of Lamplighter of Quay Nine');
	const shared = page.getByRole('region', { name: 'Worn with other costumes' });
	await expect(shared.getByText('Wed 14 May 2031: here')).toBeVisible();
	await expect(shared.getByText('Sat 7 Jun 2031: Lamplighter of Quay Nine')).toBeVisible();
	await open(page, '/c/3/wear/packing');
	await expect(main(page).getByText('G-02 L Sea boots').first()).toBeVisible();
	await open(page, '/c/1/look');
	await expect(page.getByText('lent to Ferrywoman of the Low Tide')).toBeVisible();
	await open(page, '/c/3/look');
	await page.getByRole('button', { name: 'Give G-02 Sea boots back' }).click();
	await toast(page, 'Gave G-02 Sea boots back');
	await expect(page.getByText('Worn with other costumes')).toBeHidden();
});
