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

test('a way to wear it: what is left off weighs nothing, takes no minutes and is not packed; a fitting ticks what is worn', async ({
	page
}) => {
	await open(page, '/c/1/wear/variants');
	const hall = page.getByRole('columnheader').filter({ hasText: 'in the hall' });
	// All of it weighs 6.46 kg; without the coat of 900 g, the lantern of 900 and its heart of 140.
	await expect(page.getByRole('columnheader').filter({ hasText: 'all of it' })).toContainText('6.46 kg');
	await expect(hall).toContainText('4.52 kg');
	await expect(hall).toContainText('24.5 min alone');
	await page.getByRole('button', { name: 'W-01 is worn, in the hall: change' }).click();
	await toast(page, 'W-01 is left off: in the hall');
	// The wig of 240 g.
	await expect(hall).toContainText('4.28 kg');
	const form = page.getByRole('form', { name: 'Another way to wear it' });
	await form.getByLabel('Another way to wear it').fill('In the Hall');
	await form.getByRole('button', { name: 'Add it' }).click();
	await expect(form.getByText('There is such a way to wear it already.')).toBeVisible();
	await expect(form.getByLabel('Another way to wear it')).toHaveValue('In the Hall');

	await page.getByRole('link', { name: 'Packing', exact: true }).click();
	await expect(main(page).getByRole('checkbox', { name: 'W-01 Keel wig' })).toBeVisible();
	await page.getByRole('navigation', { name: 'Worn as' }).getByRole('link', { name: 'in the hall' }).click();
	await expect(main(page).getByRole('checkbox', { name: 'W-01 Keel wig' })).toHaveCount(0);
	await expect(main(page).getByRole('checkbox', { name: 'A-01 Breastplate' })).toBeVisible();
	await page.getByRole('link', { name: 'Weight', exact: true }).click();
	await expect(page.getByText('Nothing is more than is borne for hours.')).toBeVisible();
	await expect(page.getByText('The right hand')).toHaveCount(0);

	await open(page, '/c/1/measure/fittings');
	await page.getByRole('button', { name: 'Fitting', exact: true }).click();
	const fitting = page.getByRole('form', { name: 'New fitting' });
	await fitting.getByLabel('Worn as').selectOption('in the hall');
	await expect(fitting.getByRole('checkbox', { name: /A-01 Breastplate/ })).toBeChecked();
	await expect(fitting.getByRole('checkbox', { name: /W-01 Keel wig/ })).not.toBeChecked();
	await fitting.getByRole('button', { name: 'Add fitting' }).click();
	await expect(page.getByRole('heading', { name: /, in the hall$/ })).toBeVisible();
});

test('dressed by the clock on a phone that is put away meanwhile: what it took is learned', async ({
	page
}) => {
	await page.clock.install({ time: new Date('2031-05-02T09:30:00') });
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, '/c/3/wear/dressing?as=8');
	await page.getByRole('navigation', { name: 'Worn as' }).getByRole('link', { name: 'in the crowd' }).click();
	// By kind 2 min each; rehearsed, the cape in 3.5 and 3, the belt in 3 and 2.5: 2.897 and 2.546 (one rehearsal weighs 8.16, the guess 4.94).
	await expect(page.getByRole('button', { name: '5.4 minutes alone' })).toBeVisible();
	await page.getByRole('button', { name: 'Start the clock alone' }).click();
	await page.clock.runFor('05:00');
	await page.getByRole('button', { name: 'G-01 Oilskin cape is on', exact: true }).click();
	await page.reload();
	await expect(page.getByRole('button', { name: 'G-02 Rope belt is on', exact: true })).toBeVisible();
	await page.clock.runFor('04:00');
	await page.getByRole('button', { name: 'G-02 Rope belt is on', exact: true }).click();
	await expect(page.getByRole('timer')).toHaveText(/^9:0/);
	await page.getByRole('button', { name: 'Keep the times' }).click();
	await toast(page, /^Rehearsed in 9/);
	// With 5 and 4 min beside them: 3.37 and 2.89.
	await expect(page.getByRole('button', { name: '6.3 minutes alone' })).toBeVisible();
	await main(page)
		.getByRole('button', { name: /^Putting on G-01 Oilskin cape/ })
		.click();
	await expect(page.getByText(/as logarithms, each by how sure it is/)).toBeVisible();
});

test('a join is dragged on the drawing, moved by keys, and drawn on its flat piece', async ({ page }) => {
	await open(page, '/c/1/wear/3');
	const join = page.getByRole('button', { name: 'Join 1 from the front: drag it, or move it by arrow keys' });
	const box = (await join.boundingBox())!;
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x, y + 20, { steps: 4 });
	await page.mouse.up();
	await toast(page, /^Moved 2 × hook-and-loop of A-03/);
	/** How far up it is, cm, as its form has it. */
	const up = async () => {
		await page.getByRole('button', { name: 'Change join 1' }).click();
		const field = page.getByRole('dialog').getByLabel('Up', { exact: true });
		await expect(field).toHaveValue(/cm$/);
		const value = parseFloat(await field.inputValue());
		await page.keyboard.press('Escape');
		return value;
	};
	// It was 6 cm above the middle.
	const dragged = await up();
	expect(dragged).toBeLessThan(6);
	await join.focus();
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('ArrowUp');
	await expect.poll(up).toBeCloseTo(dragged + 1, 6);

	const piece = page.getByRole('img', { name: /^Piece A-03 L\+R 1\/1/ });
	await piece.click();
	const draw = page.getByRole('form', { name: 'On a piece of A-03' });
	await expect(draw.getByLabel('From the left')).not.toHaveValue('');
	await draw.getByLabel('From the left').fill('2 m');
	await draw.getByRole('button', { name: 'Draw it on the piece' }).click();
	await expect(draw.getByText('Its middle has to lie on the piece.')).toBeVisible();
	await expect(draw.getByLabel('From the left')).toHaveValue('2 m');
	await piece.click();
	await draw.getByRole('button', { name: 'Draw it on the piece' }).click();
	await toast(page, /is drawn on A-03, disc/);
});

test('two strands on the same cells: a resistor each, their current together, parts that are bought together', async ({
	page
}) => {
	await open(page, '/c/1/wear/light');
	// Nine hours are the day of its event.
	await expect(page.getByLabel('Has to last, h')).toHaveValue('9');
	await page.getByRole('button', { name: 'Another strand' }).click();
	await page.getByLabel('Such strings, strand 2').fill('5');
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByText('150 Ω and 200 Ω, lasts 11 h')).toBeVisible();
	// 4 × 19.33 and 5 × 20 mA.
	await expect(main(page).getByRole('button', { name: /^Current of all: 177\.3 mA/ })).toBeVisible();
	await expect(page.getByRole('row', { name: /LED, 2 V/ })).toContainText('5');
	await page.getByLabel('Volts of one LED, strand 2').fill('');
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByText('Needs a value.')).toBeVisible();
	await page.getByRole('button', { name: 'Without strand 2' }).click();
	await expect(page.getByText('150 Ω, lasts 26 h')).toBeVisible();
	await open(page, '/c/1/wear/door');
	await expect(page.getByRole('heading', { name: /lights last the day: 9 h/i })).toBeVisible();
});
