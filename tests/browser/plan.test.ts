import { writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { inDays, PLAN } from '../support/servers.ts';
import { open } from '../support/open.ts';

/** The plan, its odds, what to leave out, and what the bench makes of them: on the demo, as its maker would. */
test.use({ baseURL: PLAN.address });

const sheet = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
/** `23 of 100` at the top of Plan, once the builds are simulated. */
async function oddsOf(page: Page): Promise<number> {
	const odds = page
		.getByRole('main')
		.getByRole('button', { name: /of 100/ })
		.first();
	await expect(odds).toBeVisible();
	return Number(/(\d+) of 100/.exec(await odds.innerText())![1]);
}
const view = (page: Page, name: string) =>
	page.getByRole('navigation', { name: 'Plan' }).getByRole('link', { name }).click();
const openPlan = (page: Page) => open(page, '/c/1/plan');

test('too late: odds are shown, a proposed thing is left out, odds rise, and it comes back by undo', async ({
	page
}) => {
	await openPlan(page);
	const before = await oddsOf(page);
	expect(before).toBeLessThan(85);
	await expect(sheet(page, 'Odds')).toContainText('Half of the builds are ready');
	// What the answer says is not said a second time beneath it.
	await expect(sheet(page, 'Odds').getByText(`${before} of 100`, { exact: true })).toHaveCount(0);
	await expect(sheet(page, 'Odds')).toContainText('more hopeful than that');
	await expect(sheet(page, 'Odds').getByRole('listitem').filter({ hasText: 'of 100' }).first()).toBeVisible();
	await expect(page.locator('.tape-box')).toContainText(`${before} of 100 builds are ready by`);
	// How it was worked out.
	await page
		.getByRole('main')
		.getByRole('button', { name: /of 100/ })
		.first()
		.click();
	await expect(page.getByRole('dialog')).toContainText('builds that were ready ÷ builds');
	await page.keyboard.press('Escape');

	await view(page, 'Sooner');
	const out = sheet(page, 'What to leave out');
	await out.getByRole('button', { name: 'Weigh what could be left out' }).click();
	// A build of 1,000 for each thing that could be left out.
	await expect(out.getByRole('heading', { name: 'Each by itself' })).toBeVisible({ timeout: 200_000 });
	await expect(
		out
			.getByText('Without more hours or hands:')
			.or(out.getByText(/instead of/))
			.first()
	).toBeVisible();
	const row = out
		.getByRole('row')
		.filter({ hasText: /left out/ })
		.first();
	const promised = Number(/(\d+) of 100/.exec(await row.innerText())![1]);
	expect(promised).toBeGreaterThan(before);
	await row.getByRole('button', { name: /^Do it/ }).click();
	await toast(page, /^Left out: /);
	await expect(out.getByRole('heading', { name: 'Left out now' })).toBeVisible();
	await view(page, 'Outlook');
	await expect.poll(() => oddsOf(page)).toBeGreaterThan(before);
	// What was weighed by 1,000 builds is what 5,000 say, give or take.
	expect(Math.abs((await oddsOf(page)) - promised)).toBeLessThan(8);

	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect.poll(() => oddsOf(page)).toBe(before);
});

test('a sooner plan is looked for, taken, seen on the tape, and given up', async ({ page }) => {
	await open(page, '/c/2/plan/sooner');
	const sooner = sheet(page, 'A sooner plan');
	await expect(sooner).toContainText('By rule');
	await sooner.getByRole('button', { name: 'Look for a sooner plan' }).click();
	const found = sooner.getByRole('status').filter({ hasText: 'sooner:' });
	await expect(found).toContainText('No plan can be sooner.');
	const ready = /ready (\w+ \d+ \w+ [\d:]+)/.exec(await found.innerText())![1]!;
	await sooner.getByRole('button', { name: 'Use it' }).click();
	await toast(page, 'Took a plan that is ready sooner');
	await view(page, 'Outlook');
	await expect(page.locator('.answer')).toContainText(`On usual minutes ready ${ready}`);
	await open(page, '/c/2/bench');
	await expect(page.locator('.tape-box')).toContainText(ready);
	await open(page, '/c/2/plan/sooner');
	await sooner.getByRole('button', { name: 'Plan by rule again' }).click();
	await expect(sooner).toContainText('By rule');
});

test('a parcel that comes later: the plan and its odds follow', async ({ page }) => {
	await openPlan(page);
	const finish = page.locator('.answer');
	await oddsOf(page);
	const before = await finish.innerText();
	await open(page, '/c/1/buy');
	await page.getByRole('button', { name: 'Edit the purchase of Acrylic globe 200 mm' }).first().click();
	const dialog = page.getByRole('dialog');
	const due = inDays(PLAN, 25);
	await dialog.getByLabel('Promised for').fill(due);
	await dialog.getByRole('button', { name: 'Save' }).click();
	await expect(dialog).toBeHidden();
	await openPlan(page);
	await oddsOf(page);
	expect(await finish.innerText()).not.toBe(before);
	await view(page, 'Bench line');
	await expect(sheet(page, 'What decides the plan on usual minutes')).toContainText(
		'parcel: Acrylic globe 200 mm'
	);
});

test('logged minutes move the rates, and their error is drawn', async ({ page }) => {
	await open(page, '/makers');
	const learned = page.getByRole('row').filter({ hasText: 'mock-up' }).locator('td').last();
	const before = await learned.innerText();
	await expect(sheet(page, 'How good the estimates are')).toContainText('with what was learned by then');
	await open(page, '/c/1/bench');
	await expect(page.getByRole('heading', { name: 'mock-up', level: 2 })).toBeVisible();
	await page.getByRole('button', { name: 'Log minutes' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Worked').fill('2h');
	await dialog.getByLabel('The step is done').check();
	await dialog.getByRole('button', { name: 'Log it' }).click();
	await expect(dialog).toBeHidden();
	await open(page, '/makers');
	await expect(learned).not.toHaveText(before);
	const rate = (words: string) => Number(/^([\d.]+)/.exec(words.trim())![1]);
	expect(rate(await learned.innerText())).toBeGreaterThan(before.trim() ? rate(before) : 10);
});

test('“I have 40 minutes”, each maker’s own bench, and what a maker does', async ({ page }) => {
	await open(page, '/c/1/bench');
	const have = sheet(page, 'Time at hand');
	await have.getByLabel('I have').fill('soon');
	await have.getByRole('button', { name: 'Show' }).click();
	await expect(have.getByRole('alert')).toBeVisible();
	await expect(have.getByLabel('I have')).toHaveValue('soon');
	await have.getByLabel('I have').fill('40m');
	await have.getByRole('button', { name: 'Show' }).click();
	await expect(have.getByText('of 40m: the most urgent that fits together')).toBeVisible();
	const minutes = await have.getByRole('listitem').locator('.figure').allInnerTexts();
	const sum = minutes.reduce((total, m) => total + Number(/(\d+)m/.exec(m)?.[1] ?? 0), 0);
	expect(minutes.length).toBeGreaterThan(0);
	expect(sum).toBeLessThanOrEqual(40);
	await have.getByLabel('Bench of').selectOption('Helper');
	await have.getByRole('button', { name: 'Show' }).click();
	await expect(page).toHaveURL(/maker=2/);
	await expect(page.getByRole('region', { name: 'Do now' })).not.toContainText('mock-up');

	await open(page, '/makers');
	await page.getByText('Does everything').first().click();
	const skills = page.getByRole('form', { name: 'What Me does' });
	await skills.getByLabel('mock-up').uncheck();
	await skills.getByRole('button', { name: 'Save' }).click();
	await toast(page, 'Changed what Me does');
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByText('Does everything').first()).toBeVisible();
});

test('days off are read from a calendar file; what is none is told', async ({ page }, info) => {
	const date = (days: number) => inDays(PLAN, days).replaceAll('-', '');
	const good = info.outputPath('away.ics');
	writeFileSync(
		good,
		`BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nSUMMARY:away\r\nDTSTART;VALUE=DATE:${date(10)}\r\nDTEND;VALUE=DATE:${date(12)}\r\nEND:VEVENT\r\nEND:VCALENDAR`
	);
	const bad = info.outputPath('notes.ics');
	writeFileSync(bad, 'remember the milk');
	await open(page, '/makers');
	const form = page.getByRole('form', { name: 'Days off of Me from a calendar' });
	await form.getByLabel('Days off from a calendar').setInputFiles(bad);
	await form.getByRole('button', { name: 'Read' }).click();
	await expect(form.getByText('This is not a calendar file (.ics).')).toBeVisible();
	await form.getByLabel('Days off from a calendar').setInputFiles(good);
	await form.getByRole('button', { name: 'Read' }).click();
	await toast(page, 'Read 2 days off for Me');
});

test('weather: more wet days, worse odds; a place by daylight says when the sun is up; too wet today moves its steps', async ({
	page
}) => {
	const wetDays = async (days: string) => {
		await open(page, '/settings');
		await page.getByLabel('Wet days of thirty').fill(days);
		await page.getByRole('form', { name: 'Settings' }).getByRole('button', { name: 'Save' }).click();
		await toast(page, 'Changed the settings');
		await openPlan(page);
		return oddsOf(page);
	};
	const dry = await wetDays('0');
	await expect(sheet(page, 'Odds')).not.toContainText('Wet days');
	expect(await wetDays('26')).toBeLessThan(dry);
	await expect(sheet(page, 'Odds')).toContainText(/Wet days held that chain up in \d+ of 100/);
	await wetDays('10');

	await open(page, '/makers');
	const place = page.getByRole('form', { name: 'Place Spray place' });
	await expect(place.getByLabel('in dry weather only')).toBeChecked();
	await place.getByLabel('in daylight only').check();
	await place.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByText(/sunset only: today \d\d:\d\d\s+to\s+\d\d:\d\d, 50° north/)).toBeVisible();
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(place.getByLabel('in daylight only')).not.toBeChecked();

	// The step that is first at the bench is done in the open: rain puts another first.
	await open(page, '/c/1/bench');
	const first = page.getByRole('region', { name: 'Do now' });
	const name = await first.getByRole('heading').innerText();
	await first.getByRole('link').first().click();
	await page.getByRole('button', { name: `Edit ${name}` }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Place').selectOption({ label: 'Spray place' });
	await dialog.getByRole('button', { name: 'Save' }).click();
	await expect(dialog).toBeHidden();
	await open(page, '/c/1/bench');
	await page.getByRole('button', { name: 'Too wet today' }).click();
	await toast(page, 'Too wet today: what needs dry weather waits');
	await expect(first.getByRole('heading', { name, exact: true })).toBeHidden();
	await expect(page.getByRole('button', { name: 'Too wet today' })).toBeHidden();
});
