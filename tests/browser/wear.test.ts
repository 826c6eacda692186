import { expect, test, type Page } from '@playwright/test';
import { open } from '../support/open.ts';
import { WEAR } from '../support/servers.ts';

test.use({ baseURL: WEAR.address });

/** What is said of one component. */
const entry = (page: Page, name: string) =>
	page.getByRole('main').getByRole('listitem').filter({ hasText: name }).first();
const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words)).toBeVisible();

test('a pauldron tips; a lower tie is proposed and taken; it holds when jumping, is bought and planned, and taken back', async ({
	page
}) => {
	await open(page, '/c/1/buy');
	const needed = page.getByRole('row').filter({ hasText: 'Hook-and-loop, sew-on' });
	await expect(needed).toContainText(/2\.8\s+m/);

	await open(page, '/c/1/wear');
	await expect(page.getByText('1 of 4 lets go when jumping.')).toBeVisible();
	const card = entry(page, 'Pauldrons');
	await expect(card).toContainText('Tips: it turns about what holds it.');
	await expect(card).toContainText('420 g');
	// 780 g, and both pauldrons of 420 g hang on it.
	await expect(entry(page, 'Breastplate')).toContainText('1620 g');
	await card.getByRole('link', { name: 'What to change' }).click();

	await expect(page.getByRole('heading', { name: 'What holds A-03 Pauldrons' })).toBeVisible();
	await page
		.getByRole('button', { name: 'Take it: One more tie, hook-and-loop, 4 cm below the upper' })
		.click();
	await toast(page, 'A-03 holds when jumping: one more tie, lower down');
	await expect(page.getByText('Holds when jumping.')).toBeVisible();
	// 0.42 kg × 9.81 × 4 = 16.5 N, 60 mm out, on ties 40 mm apart: the upper is pulled off by 24.7 N, of 2 × 5 cm × 3 N = 30.
	const upper = page.getByRole('row').filter({ hasText: 'hook-and-loop, to A-01' }).first();
	await expect(upper).toContainText('24.7 N');
	await expect(upper).toContainText('82 %');
	await upper.getByRole('button', { name: /straight off, jumping: 24\.7 N/ }).click();
	await expect(page.getByText(/by the elastic method for fastener groups/).first()).toBeVisible();
	await page.keyboard.press('Escape');
	await page.getByRole('group', { name: 'Arrows are what pulls when' }).getByText('standing').click();
	await expect(upper).toContainText('6.2 N');

	// Two strips of 10 cm for each of the pair: 0.4 m more.
	await open(page, '/c/1/buy');
	await expect(needed).toContainText(/3\.2\s+m/);
	// Two on each of the pair, 6 minutes each: 24.
	await open(page, '/c/1/look/3');
	await expect(page.getByRole('row', { name: 'Move hook-and-loop, to A-01' })).toContainText(/24 ?m/);
	await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
	await toast(page, /^Undid: A-03 holds when jumping/);
	await open(page, '/c/1/wear');
	await expect(card).toContainText('Tips: it turns about what holds it.');
});

test('dressing: quicker with a helper, by hand; what is timed counts; a circle is told by name', async ({
	page
}) => {
	await open(page, '/c/1/wear/dressing');
	await page.getByRole('button', { name: '14 minutes with one helper' }).click();
	await expect(entry(page, 'Watch coat')).toContainText('0–3');
	await expect(entry(page, 'Breastplate')).toContainText('3–7');
	await expect(entry(page, 'Pauldrons')).toContainText('7–12');
	await page.getByRole('button', { name: 'How G-01 Watch coat is put on' }).click();
	const form = page.getByRole('form', { name: 'Putting it on' });
	await form.getByLabel('Takes').fill('6');
	await form.getByRole('button', { name: 'Save' }).click();
	await toast(page, 'G-01 is put on in 6 min by 1');
	// Three minutes more alone: 28 + 3; the coat goes before most of the rest.
	await expect(page.getByRole('button', { name: '31 minutes alone' })).toBeVisible();
	await expect(entry(page, 'Breastplate')).toContainText('6–10');

	// The coat held to the breastplate that goes over it.
	await open(page, '/c/1/wear');
	await entry(page, 'Watch coat').getByRole('link', { name: 'Its joins and weight' }).click();
	await page.getByRole('button', { name: 'Join', exact: true }).click();
	const join = page.getByRole('form', { name: 'What holds it' });
	await join.getByLabel('Holds to').selectOption({ label: 'A-01 Breastplate' });
	await join.getByRole('button', { name: 'Add it' }).click();
	await toast(page, /^G-01 is held by hook-and-loop, to A-01 Breastplate/);
	await open(page, '/c/1/wear/dressing');
	await expect(page.getByRole('alert')).toContainText(
		'A-01 Breastplate → G-01 Watch coat → A-01 Breastplate'
	);
});

test('a join by its form: none of a fastener is refused at its field, what closes carries nothing, the scales count', async ({
	page
}) => {
	await open(page, '/c/1/wear');
	await page.getByRole('button', { name: 'Say what holds A-04 Bracers' }).click();
	const form = page.getByRole('form', { name: 'What holds it' });
	await form.getByLabel('Holds to').selectOption({ label: 'itself: it closes its own opening' });
	await form.getByLabel('Fastener').selectOption({ label: 'snaps' });
	await form.getByLabel('How many').fill('0');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(form.getByText('At least 1.')).toBeVisible();
	await form.getByLabel('How many').fill('5');
	await form.getByRole('button', { name: 'Add it' }).click();
	await toast(page, 'A-04 is held by 5 × snaps, closes itself');
	const card = entry(page, 'Bracers');
	await expect(card).toContainText('Rests on the body: what closes it carries nothing.');
	await card.getByRole('link', { name: 'Its joins and weight' }).click();
	const weight = page.getByRole('form', { name: 'Weight of Bracers' });
	await weight.getByLabel('By the scales').fill('-3');
	await weight.getByRole('button', { name: 'Save these' }).click();
	await expect(weight.getByText('Must be more than zero.')).toBeVisible();
	await weight.getByLabel('By the scales').fill('155');
	await weight.getByRole('button', { name: 'Save these' }).click();
	await toast(page, 'A-04 weighs 155 g');
	await expect(page.getByRole('button', { name: /A-04 Bracers weighs: 155 g/ })).toBeVisible();
});

test('lights on cells: resistor, hours and parts, worked out as typed; too few volts and a wrong number are told', async ({
	page
}) => {
	await open(page, '/c/1/wear/light');
	// (6 − 3.1) V ÷ 20 mA = 145 Ω, sold as 150; 2,500 mAh × 0.8 ÷ 77.3 mA.
	await expect(page.getByText('150 Ω, lasts 26 h')).toBeVisible();
	await page.getByRole('button', { name: /Resistor of each string: 145 Ω/ }).click();
	await expect(page.getByText('Ohm’s law').first()).toBeVisible();
	await page.keyboard.press('Escape');
	const form = page.getByRole('form', { name: 'The circuit' });
	await form.getByLabel('LEDs in a row').fill('2');
	await form.getByLabel('LEDs in a row').press('Tab');
	await expect(page.getByText('It does not light.')).toBeVisible();
	await expect(page.getByText(/0\.2 V too few for so many LEDs in a row/)).toBeVisible();
	// Six cells: (9 − 6.2) ÷ 0.02 = 140 Ω, sold as 150.
	await form.getByLabel('Cells in a row').fill('6');
	await form.getByLabel('Cells in a row').press('Tab');
	await expect(page.getByText(/^150 Ω, lasts/)).toBeVisible();
	await expect(page.getByRole('row', { name: /^resistor, 150 Ω 4 / })).toBeVisible();
	await expect(page.getByRole('row', { name: /^LED, 3\.1 V 8 / })).toBeVisible();
	const keep = page.getByRole('form', { name: 'Keep the circuit' });
	await keep.getByLabel('It lights').selectOption({ label: 'A-02 Quay badge' });
	await keep.getByRole('button', { name: 'Keep it, and need its parts' }).click();
	await toast(page, 'A-02 is lit: its parts are under Buy');
	await expect(entry(page, 'A-02 Quay badge').getByRole('link', { name: /8 × LED on 6 × AA/ })).toBeVisible();
	await form.getByLabel('Volts of one LED').fill('230');
	await form.getByLabel('Volts of one LED').press('Tab');
	await expect(form.getByText('At most 60.')).toBeVisible();
	await expect(form.getByLabel('Volts of one LED')).toHaveValue('230');
	// Six badges: eight LEDs and six cells each.
	await open(page, '/c/1/buy');
	await expect(page.getByRole('row').filter({ hasText: 'LED, 3.1 V' }).first()).toContainText('48');
	await expect(page.getByRole('row').filter({ hasText: 'cell, AA' }).first()).toContainText('36');
});
