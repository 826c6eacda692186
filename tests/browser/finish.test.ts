import { expect, test, type Page } from '@playwright/test';
import { FINISH } from '../support/servers.ts';
import { open } from '../support/open.ts';

test.use({ baseURL: FINISH.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const dialog = (page: Page) => page.getByRole('dialog');
const undo = (page: Page) => page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
const layers = (page: Page, code: string) =>
	page.getByRole('list', { name: `Coats of ${code}, the outermost first` }).getByRole('listitem');
const addCoats = async (page: Page, code: string, product: string, coats: string) => {
	await page.getByRole('button', { name: `Add coats to ${code}` }).click();
	await dialog(page).getByLabel('Product').selectOption({ label: product });
	await dialog(page).getByRole('textbox', { name: 'Coats' }).fill(coats);
	await dialog(page).getByLabel('Outside area, one copy').fill('0.1 m2');
	await dialog(page).getByRole('button', { name: 'Add coats' }).click();
	await toast(page, `Added ${coats} × ${product} to ${code}`);
};

test('enamel over rubber on foam: warned, cured in one action, its waits with it; a cold day doubles them, and the plan moves', async ({
	page
}) => {
	await open(page, '/c/1/finish');
	await addCoats(page, 'A-04', 'rubber spray coating', '3');
	await page.getByRole('button', { name: 'Say what A-04 is of' }).click();
	await dialog(page).getByRole('combobox', { name: 'Surface' }).selectOption({ label: 'foam' });
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await toast(page, 'A-04 is of foam');
	await addCoats(page, 'A-04', 'enamel spray', '2');
	const its = layers(page, 'A-04');
	// From the outside in: enamel, the warning, rubber, foam.
	await expect(its).toHaveCount(4);
	await expect(its.nth(1)).toContainText('Will not hold: enamel over a rubber coating.');
	await expect(its.nth(1)).toContainText('The rubber stays soft beneath it');
	await its.nth(1).getByRole('button', { name: 'Flexible acrylic sealer between' }).click();
	await toast(page, 'A-04, enamel over a rubber coating: flexible acrylic sealer between');
	await expect(its).toHaveCount(5);
	await expect(its.nth(0)).toContainText('enamel spray');
	await expect(its.nth(1)).toContainText('Try it first: solvent over water paint.');
	await expect(its.nth(2)).toContainText('flexible acrylic sealer');
	await expect(its.nth(2)).toContainText('1 d');
	await its.nth(1).getByRole('button', { name: 'Wait 3 d, until it is hard' }).click();
	await expect(its).toHaveCount(4);
	await expect(its.nth(1)).toContainText('3 d');
	// One after the other is taken back.
	await undo(page);
	await expect(its).toHaveCount(5);

	// The primer was on at 8:25 and is handled after 2 h; in the cold after 4.
	const breastplate = page.getByText(/acrylic spray, coat 1 of 2: not before/).first();
	await expect(breastplate).toContainText('Fri 2 May 10:25');
	// The same counts down on the tape.
	const tape = (time: RegExp) =>
		page.getByRole('link', { name: time }).filter({ hasText: 'A-01 filler primer' });
	await expect(tape(/^In 1h[012]\d: .* dry$/)).toBeVisible();
	const plan = page.getByText(/On usual minutes/);
	const before = await plan.textContent();
	await page.getByLabel('Where it dries, °C').fill('-4');
	await page.getByRole('button', { name: 'Set', exact: true }).click();
	await expect(page.getByText('Below freezing nothing dries: take it where it is warm.')).toBeVisible();
	await page.getByLabel('Where it dries, °C').fill('12');
	await page.getByRole('button', { name: 'Set', exact: true }).click();
	await toast(page, 'Where it dries: 12 °C');
	const slower = page.getByRole('button', { name: /^Drying takes so many times as long: 2/ });
	await slower.click();
	await expect(dialog(page)).toContainText('2 times below 15 °C or above 70 % humidity, else as usual');
	await page.keyboard.press('Escape');
	await expect(page.getByText('by what was measured today')).toBeVisible();
	await expect(breastplate).toContainText('Fri 2 May 12:25');
	await expect(tape(/^In 3h[012]\d: .* dry$/)).toBeVisible();
	await expect(plan).not.toHaveText(before!);
});

test('a colour is picked on a picture, mixed of owned paints in drops, and two brasses read as a mistake', async ({
	page
}) => {
	await open(page, '/c/1/finish/colours');
	const brass = page.getByRole('article', { name: 'Old brass' });
	await expect(brass).toContainText('A-01');
	// The tube of old brass, #bd9a55, is 2.4 away from #b99446.
	await expect(
		brass.getByRole('button', { name: 'Difference: Old brass and Tube acrylic, old brass: 2.4' })
	).toBeVisible();
	// The middle of the sketch lies on the coat: #46566a.
	await page.locator('.openseadragon-canvas').click();
	await expect(page.getByText(/mean of \d+ pixels, which stray by 0/)).toBeVisible();
	const form = page.getByRole('form', { name: 'New colour' });
	await expect(form.getByLabel('Colour', { exact: true })).toHaveValue(/^35\.98 -0\.86 -13\.5/);
	await form.getByLabel('Called').fill('Coat as drawn');
	await form.getByRole('checkbox', { name: 'G-01 Watch coat' }).check();
	await form.getByRole('button', { name: 'Add it' }).click();
	await toast(page, 'Added Coat as drawn to the palette');
	const coat = page.getByRole('article', { name: 'Coat as drawn' });
	await expect(coat).toContainText('L a b 35.98 −0.86 −13.5, its patch strays by 0');
	await expect(coat).toContainText('G-01');

	await brass.getByRole('button', { name: 'Mix' }).click();
	const mixes = dialog(page).getByRole('list').first().getByRole('listitem');
	await expect(dialog(page).getByRole('button', { name: 'Keep mix 1' })).toBeVisible();
	await dialog(page).getByLabel('Paints in one mix').selectOption('2');
	await expect(mixes.first()).toContainText('Tube acrylic, old brass');
	await dialog(page).getByRole('button', { name: 'Keep mix 1' }).click();
	await toast(page, 'Old brass: 3 drops of Tube acrylic, old brass, 1 drop of Tube acrylic, ochre');
	await expect(brass.getByRole('list', { name: 'Drops' })).toContainText('3 Tube acrylic, old brass');
	await expect(brass).toContainText('1.7 away: told apart side by side');
	await undo(page);
	await expect(brass.getByRole('list', { name: 'Drops' })).toHaveCount(0);

	// What cannot be read is told at its field, and what was typed stays.
	await form.getByLabel('Called').fill('Rope');
	await form.getByLabel('Colour', { exact: true }).fill('140 0 0');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(form.getByText(/A colour is #b08d57, or lightness 0 to 100/)).toBeVisible();
	await expect(form.getByLabel('Called')).toHaveValue('Rope');
});

test('a recipe is put on as its swatch has it; changed, it says so; an earlier one comes back; labels until it is dry', async ({
	page
}) => {
	await open(page, '/c/1/finish/recipes');
	const card = page.getByRole('article', { name: 'painted foam', exact: true });
	// Rubber 2 × 30m + 4h, acrylic 2 × 30m + 2h, clear 1h.
	await expect(card).toContainText('8 coats, 9h of waiting between them, handled 12h after the last');
	const swatch = card.getByRole('article', { name: /Tube acrylic, old brass/ });
	await expect(swatch).toContainText('4 coats cover');
	await expect(swatch).toContainText('dries 7.2 darker');
	await expect(swatch).toContainText('2.4 from Old brass: seen at a seam');
	await expect(swatch.getByRole('img')).toHaveCount(2);

	await card.getByRole('button', { name: 'Put it on' }).click();
	await dialog(page).getByRole('button', { name: 'Put it on' }).click();
	await expect(dialog(page).getByText('Choose at least one.')).toBeVisible();
	await dialog(page).getByLabel('P-02 Lamp heart').check();
	await dialog(page).getByRole('button', { name: 'Put it on' }).click();
	await toast(page, 'Put “painted foam” on P-02');
	await expect(card.getByRole('link', { name: /P-02/ })).toBeVisible();
	await open(page, '/c/1/finish');
	const its = layers(page, 'P-02');
	await expect(its.filter({ hasText: 'brushed acrylic' })).toContainText('0/4');
	await expect(its.filter({ hasText: 'brushed acrylic' })).toContainText('Tube acrylic, old brass');
	const by = page.getByText(/By painted foam, as its swatch of Wed 16 Apr/);
	await expect(by).toBeVisible();

	await open(page, '/c/1/finish/recipes');
	await card.getByRole('button', { name: 'Edit painted foam' }).click();
	await dialog(page).getByLabel('Coats of layer 3').fill('0');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await expect(dialog(page).getByText('Coats are 1 to 20.')).toBeVisible();
	await dialog(page).getByLabel('Coats of layer 3').fill('2');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await toast(page, 'Changed “painted foam” in the handbook');
	await expect(card).toContainText('version 1');
	await expect(card).toContainText('7 coats, 8h30 of waiting between them');
	await open(page, '/c/1/finish');
	await expect(by).toContainText('the recipe was changed since');

	// What a component has is kept as a recipe of its own.
	await open(page, '/c/1/look');
	await page
		.getByRole('link', { name: /A-05 Greaves/ })
		.first()
		.click();
	await page.getByRole('button', { name: 'Keep as a recipe' }).click();
	await dialog(page).getByLabel('Called').fill('Greave brass');
	await dialog(page).getByRole('button', { name: 'Keep the recipe' }).click();
	await toast(page, 'Kept “Greave brass”, as A-05 has it');
	await open(page, '/c/1/finish/recipes');
	const own = page.getByRole('article', { name: 'Greave brass', exact: true });
	await expect(own.getByRole('list', { name: /Layers of Greave brass/ })).toContainText(
		'Acrylic spray, old brass'
	);
	await own.getByRole('button', { name: 'Edit Greave brass' }).click();
	await dialog(page).getByLabel('Name', { exact: true }).fill('Greave bronze');
	await dialog(page).getByRole('button', { name: 'Save' }).click();
	await toast(page, 'Changed “Greave bronze” in the handbook');
	const renamed = page.getByRole('article', { name: 'Greave bronze', exact: true });
	await renamed.getByText('An earlier version').click();
	await renamed.getByRole('button', { name: 'Back to this' }).click();
	await expect(own).toBeVisible();

	await own.getByRole('button', { name: 'Swatch of Greave brass' }).click();
	await dialog(page).getByLabel('Coats until it covered').fill('2');
	await dialog(page).getByRole('textbox', { name: 'Dry it looks', exact: true }).fill('#b3904a');
	await dialog(page).getByRole('button', { name: 'Add swatch' }).click();
	await toast(page, 'Added a swatch of “Greave brass”');
	await expect(own.getByRole('article')).toContainText('2 coats cover');

	await open(page, '/c/1/finish/labels');
	const label = page.getByRole('listitem').filter({ hasText: 'A-01' });
	await expect(label).toContainText('Do not touch until');
	await expect(label).toContainText('filler primer, coat 2 of 2');
});

test('studs round a girth come out even: counted, their working shown, a strip for the cutter', async ({
	page
}) => {
	await open(page, '/c/1/finish/spacing');
	await page.getByLabel('Edge, or all round').fill('56 cm');
	await page.getByLabel('… or exactly so many').fill('12');
	await page.getByLabel('It goes all round').check();
	await expect(page.getByRole('heading', { name: '12 marks' })).toBeVisible();
	// 560 mm ÷ 12.
	await page.getByRole('button', { name: /^Middle to middle: 4.67 cm/ }).click();
	await expect(dialog(page)).toContainText('(length − what is kept at both ends) ÷ distances');
	await page.keyboard.press('Escape');
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'SVG' }).click();
	const file = await (await download).createReadStream();
	const svg = Buffer.concat(await file.toArray()).toString();
	expect(svg).toContain('width="560mm"');
	expect(svg.match(/class="cut" d="([^"]*)"/)![1]!.split('Z').length - 1).toBe(12);
	await page.getByLabel('… or exactly so many').fill('200');
	await page.getByRole('button', { name: 'Space them' }).click();
	await expect(page.getByText('They overlap: at most 70 fit.')).toBeVisible();
	await expect(page.getByLabel('… or exactly so many')).toHaveValue('200');

	// Along an edge that the costume has: 38.64 cm, 7 at about 5 cm and 6 at about 6.
	await page.getByLabel('… or exactly so many').fill('');
	await page.getByLabel('About so far apart, middle to middle').fill('6 cm');
	await page.getByRole('combobox', { name: /^Along/ }).selectOption('plate, edge 2: 38.64 cm');
	await expect(page.getByRole('heading', { name: '6 marks' })).toBeVisible();
	await expect(page.getByLabel('Edge, or all round')).toHaveCount(0);
	await expect(page.getByRole('img', { name: 'plate, edge 2: 6 marks along it' })).toBeVisible();
	await page.getByRole('button', { name: /^Middle to middle: 6.44 cm/ }).click();
	await expect(dialog(page)).toContainText('plate, edge 2');
});

test('a joint of the costume: what it bears is ticked, its glues are ranked, and it is prepared as steps', async ({
	page
}) => {
	await open(page, '/c/1/finish/glue');
	await page.getByLabel('Joint').selectOption('A-01: its hook-and-loop');
	await expect(page.getByRole('heading', { name: 'Hook-and-loop on foam' })).toBeVisible();
	await expect(page.getByLabel('peeled from an edge')).toBeChecked();
	await page.getByLabel('peeled from an edge').uncheck();
	await expect(page.getByLabel('peeled from an edge')).not.toBeChecked();
	await expect(page.getByLabel('Planned for')).toHaveValue('1');
	await page.getByRole('button', { name: 'Add 1 step' }).click();
	await toast(page, 'A-01 is prepared for glue: 1 step');
	await page.getByRole('button', { name: 'Add 1 step' }).click();
	await expect(page.getByText('A-01 has these steps already.')).toBeVisible();
	await page.getByLabel('Joint').selectOption('A-01: its seams');
	await expect(page.getByRole('heading', { name: 'Foam on foam' })).toBeVisible();
	// 5.25 m of seam, by its steps, at 15 ml.
	await page.getByRole('button', { name: /^Glue for the joint: contact cement: 78.8 ml/ }).click();
	await expect(dialog(page)).toContainText('its steps that are glued');
});

test('where it rubs: places chosen become steps before the clear, and are ticked off', async ({ page }) => {
	await open(page, '/c/1/finish/effects');
	const greaves = page.getByRole('region', { name: 'A-05 Greaves' });
	await greaves.getByRole('button', { name: 'Weather A-05 there' }).click();
	await expect(greaves.getByText('Choose at least one place.')).toBeVisible();
	await greaves.getByRole('checkbox', { name: /Knees/ }).check();
	// A tenth of 0.3 m².
	await expect(greaves.getByRole('button', { name: /^Weathered: knees: 0.03 m²/ })).toBeVisible();
	await greaves.getByRole('button', { name: 'Weather A-05 there' }).click();
	await toast(page, 'A-05 is weathered by dry-brush: knees');
	await greaves.getByLabel('By', { exact: true }).selectOption('metallic wax');
	await greaves.getByRole('checkbox', { name: /edges/ }).check();
	await greaves.getByRole('button', { name: 'Weather A-05 there' }).click();
	await toast(page, 'A-05 is weathered by metallic wax: free edges and corners');
	await greaves.getByRole('button', { name: 'A-05, knees: done' }).click();
	await expect(greaves).toContainText('done Fri 2 May');
	await expect(greaves.getByRole('checkbox', { name: /Knees/ })).toHaveCount(0);
});
