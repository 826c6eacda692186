import { expect, test, type Locator, type Page } from '@playwright/test';
import { FIRST_HOUR, inDays } from '../support/servers.ts';
import { open } from '../support/open.ts';

/** The first hour of an empty workshop, counted: every key that is pressed and everything that is clicked is one. */
test.use({ baseURL: FIRST_HOUR.address, permissions: ['clipboard-read', 'clipboard-write'] });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();

/** Hands that count. */
class Hands {
	#count = 0;
	readonly #page: Page;
	constructor(page: Page) {
		this.#page = page;
	}
	async click(what: Locator): Promise<void> {
		this.#count++;
		await what.click();
	}
	async press(...keys: string[]): Promise<void> {
		for (const key of keys) {
			this.#count++;
			await this.#page.keyboard.press(key);
		}
	}
	async type(text: string): Promise<void> {
		this.#count += text.length;
		await this.#page.keyboard.type(text);
	}
	/** So many since the last time. */
	counted(): number {
		const its = this.#count;
		this.#count = 0;
		return its;
	}
}

async function begin(page: Page, hands: Hands, name: string): Promise<number> {
	await open(page, '/');
	// An empty shelf begins with the form.
	const isEmpty = await page.getByText('Nothing on the shelf yet').isVisible();
	if (!isEmpty) await hands.click(page.getByRole('button', { name: 'New costume' }));
	await page.getByLabel('Event begins').fill(`${inDays(FIRST_HOUR, 42)}T09:00`);
	await page.getByLabel('Name').focus();
	await hands.type(name);
	await hands.press('Enter');
	await expect(page.getByRole('heading', { name })).toBeVisible();
	return hands.counted();
}
const words = (page: Page) => page.getByRole('textbox', { name: 'In your own words' });

/** What stands on the ledger. */
const names = (page: Page) => page.getByRole('main').locator('[data-component]');

test('an empty workshop: nine components with their steps, whichever way they are entered, in at most 60 keys and clicks', async ({
	page
}) => {
	const hands = new Hands(page);
	const toDate = await begin(page, hands, 'Ember');
	expect(toDate).toBeLessThanOrEqual(10);

	// By the first letters of their names, each completed to what makers call it.
	await hands.click(words(page));
	for (const letters of ['br', 'pau', 'gre', 'gor', 'cu', 'bel', 'clo', 'ro']) {
		await hands.type(letters);
		await hands.press('Tab', 'Enter');
	}
	await hands.type('wig');
	await hands.press('Enter', 'Enter');
	await expect(names(page)).toHaveCount(9);
	await toast(page, 'Added breastplate, pauldrons, greaves, gorget and 5 more');
	const typed = hands.counted();
	// By hand, as the route has it: a pair of pauldrons has 20 steps.
	await page.getByRole('link', { name: /pauldrons/ }).click();
	await expect(page.getByRole('row').filter({ hasText: 'heat-shape' })).toBeVisible();

	// A list from anywhere, pasted.
	await begin(page, hands, 'Moth');
	await hands.click(words(page));
	await page.evaluate(() =>
		navigator.clipboard.writeText(
			'2 pauldrons, foam 5 mm, over the coat\ncoat, wool\nwig, long, grey\nlantern R, lights up\nboots: buy and alter\nbelt, leather\ngem on the belt\nstaff, wood\nmask'
		)
	);
	await hands.press('Control+V', 'Control+Enter');
	await expect(names(page)).toHaveCount(9);
	const pasted = hands.counted();

	// A starting set, with something struck out.
	await begin(page, hands, 'Tide');
	await hands.click(page.getByRole('button', { name: 'plate armor' }));
	for (const name of ['sword', 'cloak', 'gauntlets'])
		await hands.click(page.getByRole('button', { name: `Strike out ${name}` }));
	await hands.click(page.getByRole('button', { name: 'Keep 9 components' }));
	await expect(names(page)).toHaveCount(9);
	const chosen = hands.counted();

	// One dialog after another, by the first letters too: it begins anew after each.
	await begin(page, hands, 'Vale');
	await hands.click(page.getByRole('button', { name: 'Component', exact: true }));
	const dialog = page.getByRole('dialog');
	for (const letters of ['br', 'pau', 'gre', 'gor', 'cu', 'bel', 'clo', 'ro', 'wig']) {
		await expect(dialog.getByLabel('Name')).toBeFocused();
		await expect(dialog.getByLabel('Name')).toHaveValue('');
		await hands.type(letters);
		if (letters !== 'wig') await hands.press('Tab');
		await hands.press('Control+Enter');
	}
	await toast(page, 'Added W-01 wig with');
	await expect(dialog.getByLabel('Name')).toHaveValue('');
	await hands.press('Escape');
	await expect(names(page)).toHaveCount(9);
	const byDialog = hands.counted();

	console.log(
		`Keys and clicks: to the first date ${toDate}; nine components typed ${typed}, pasted ${pasted}, from a set ${chosen}, one dialog after another ${byDialog}`
	);
	for (const count of [typed, pasted, chosen, byDialog]) expect(count).toBeLessThanOrEqual(60);
});

test('what is typed is shown as it is understood, on the figure too, and what nobody said as a guess', async ({
	page
}) => {
	await begin(page, new Hands(page), 'Rook');
	await words(page).fill('2 pauldrons, foam 5 mm, over the coat\ncoat, wool\nglimmerwort, soft');
	const line = (name: string) => page.getByRole('main').getByRole('listitem').filter({ hasText: name });
	await expect(line('A-01 pauldrons L+R')).toContainText('2 → a pair');
	await expect(line('A-01 pauldrons L+R')).toContainText('over the coat → layer 4, over coat');
	await expect(line('G-01 coat')).toContainText('layer 3?');
	await expect(line('glimmerwort')).toContainText('zones: none?');
	await expect(page.getByRole('button', { name: 'left shoulder: 1 component' }).first()).toBeVisible();
	// It is kept on this device until it is kept for good.
	await page.reload();
	await expect(page.getByText('Typed before and not saved: kept')).toBeVisible();
	await expect(line('glimmerwort')).toBeVisible();
	await page.getByRole('button', { name: 'Strike out glimmerwort' }).click();
	await page.getByRole('button', { name: 'Keep 2 components' }).click();
	await toast(page, 'Added pauldrons and coat');
	await page.getByRole('button', { name: /^Undo/ }).first().click();
	await expect(names(page)).toHaveCount(0);
});

test('from components to a shopping list with money and a piece at full size, by the keyboard down the column of prices', async ({
	page
}) => {
	const hands = new Hands(page);
	await begin(page, hands, 'Sable');
	await words(page).fill(
		'bracers, foam 5 mm\ncloak, wool, green\nhelmet, foam 5 mm\nbreastplate, foam 5 mm\ngreaves, foam 5 mm\npauldrons, foam 5 mm\nbelt, have\nboots, have\nsword, foam 5 mm'
	);
	await page.keyboard.press('Control+Enter');
	await expect(names(page)).toHaveCount(9);
	hands.counted();

	await hands.click(page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Buy/ }));
	await hands.click(page.getByRole('link', { name: 'What it takes', exact: true }));
	const price = (name: string) => page.getByLabel(`Price of a pack of ${name}, EUR`);
	await hands.click(price('High-density foam 5 mm'));
	await hands.type('12');
	await hands.press('Enter');
	await expect(price('High-density foam 2 mm')).toBeFocused();
	await hands.type('7');
	const row = (name: string) => page.getByRole('main').getByRole('listitem').filter({ hasText: name });
	// By hand, 0.15 m² × 1.3 ÷ 0.5 m² a plate: 0.8 sheets for each of three pairs, 0.4 for each of three others: 3.6, so 4 for 48.
	await expect(row('High-density foam 5 mm')).toContainText('3.6 sheet');
	await expect(row('High-density foam 5 mm')).toContainText('48.00 EUR');
	// All others down the column.
	const left = (await page.locator('[data-price]').count()) - 2;
	for (let i = 0; i < left; i++) {
		await hands.press('Enter');
		await hands.type('5');
	}
	await hands.press('Enter', 'Enter');
	await page.waitForURL(/\/buy$/);
	const money = hands.counted();
	await expect(page.getByRole('row').filter({ hasText: 'High-density foam 5 mm' }).first()).toContainText(
		'48.00 EUR'
	);
	await expect(page.getByRole('row').filter({ hasText: 'Wool, green' }).first()).toContainText('planned');

	// A piece at full size: cut from what the bracers take.
	await hands.click(
		page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Pattern/ })
	);
	// The strip leads there: what the bracers' steps take is not known before they are drawn.
	const strip = page.getByRole('navigation', { name: 'To settle next' });
	await hands.click(strip.getByRole('link', { name: 'Draw A-01 bracers' }));
	await hands.click(page.getByRole('link', { name: /^tapered band/ }));
	await expect(page.getByLabel('Cut from')).toHaveValue(/\d/);
	await hands.click(page.getByRole('button', { name: /^(Add|Keep|Save)/ }).first());
	await page.waitForURL(/pattern\/\d+$/);
	await hands.click(page.getByRole('link', { name: 'Print', exact: true }));
	const saved = page.waitForEvent('download');
	await hands.click(page.getByRole('link', { name: 'Pattern at 1:1' }));
	expect((await saved).suggestedFilename()).toMatch(/pdf$/);
	console.log(
		`Keys and clicks: a shopping list with money ${money}, a piece at full size ${hands.counted()}`
	);
	expect(money).toBeLessThanOrEqual(40);
});

test('what is refused in a folded part of a form is shown', async ({ page }) => {
	await begin(page, new Hands(page), 'Wren');
	await words(page).fill('helmet\nbelt');
	await page.keyboard.press('Control+Enter');
	await expect(names(page)).toHaveCount(2);
	await page.getByRole('link', { name: /belt/ }).click();
	await page.getByRole('button', { name: 'Edit component' }).click();
	const dialog = page.getByRole('dialog');
	const more = dialog.getByText(/^More:/);
	await more.click();
	await dialog.getByLabel('Code').fill('A-01');
	await more.click();
	await expect(dialog.getByLabel('Code')).toBeHidden();
	await dialog.getByRole('button', { name: 'Save' }).click();
	await expect(dialog.getByText('The code A-01 is already on another component.')).toBeVisible();
	await expect(dialog.getByLabel('Code')).toHaveValue('A-01');
});

test('a demo costume is opened beside one’s own, and taken away whole; a strip leads from station to station', async ({
	page
}) => {
	await open(page, '/');
	await page.getByRole('button', { name: /^Open a demo costume/ }).click();
	await expect(page.getByRole('heading', { name: 'Lamplighter of Quay Nine' })).toBeVisible();
	await expect(page.getByText('36 days left')).toBeVisible();
	await open(page, '/');
	await expect(page.getByRole('button', { name: /^Open a demo costume/ })).toHaveCount(0);
	const card = page.getByRole('article', { name: 'Lamplighter of Quay Nine' });
	await expect(card.getByText('demo', { exact: true })).toBeVisible();
	await card.getByRole('button', { name: 'Take it away' }).click();
	await toast(page, 'Took the demo costume Lamplighter of Quay Nine away');
	await expect(card).toHaveCount(0);
	await open(page, '/stash');
	await expect(page.getByText('Faux leather, tar brown')).toHaveCount(0);

	await begin(page, new Hands(page), 'Fern');
	const strip = page.getByRole('navigation', { name: 'To settle next' });
	await expect(strip).toContainText('Say what it is made of');
	await words(page).fill('bracers, foam 5 mm');
	await page.keyboard.press('Control+Enter');
	await expect(names(page)).toHaveCount(1);
	// Drawn from examples before anybody is measured, they follow the tape once it was laid on.
	await strip.getByRole('link', { name: /^Pattern/ }).click();
	await expect(page).toHaveURL(/pattern\/new\?of=/);
	await page.getByRole('link', { name: /^tapered band/ }).click();
	await page.getByRole('button', { name: 'Keep this shape' }).click();
	await page.waitForURL(/pattern\/\d+$/);
	await strip.getByRole('link', { name: /^Measure/ }).click();
	await expect(strip).toContainText('Say who wears it');
	await page.getByRole('button', { name: 'Another wearer' }).click();
	await page.getByRole('dialog').getByLabel('Name').fill('Tam');
	await page.getByRole('button', { name: 'Begin a profile' }).click();
	await expect(strip).toContainText('Measure Tam: forearm girth, wrist girth');
	await expect(strip).toContainText('2 figures stand on it');
	await strip.getByRole('link', { name: /^Measure Tam/ }).click();
	await expect(page.getByText('Wanted for this costume: forearm girth, wrist girth.')).toBeVisible();
	const wrist = page.getByRole('group', { name: 'wrist girth', exact: true });
	await expect(wrist).toContainText('1 figure waits for it');
	for (const side of ['Left', 'Right']) {
		await page.getByRole('group', { name: 'forearm girth', exact: true }).getByLabel(side).fill('26');
		await wrist.getByLabel(side).fill('16');
	}
	await page.getByRole('button', { name: 'Save the measures' }).click();
	await expect(strip).toContainText('Let A-01 bracers follow what was measured since');
	await strip.getByRole('link', { name: /^Let A-01/ }).click();
	await page.getByRole('button', { name: 'Let it follow' }).click();
	await page.getByRole('button', { name: 'Save the shape' }).click();
	await toast(page, /^Reshaped/);
	await expect(strip).not.toContainText('follow');
	await expect(strip).not.toContainText('Measure');
});
