import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { PATTERN } from '../support/servers.ts';

test.use({ baseURL: PATTERN.address });

const toast = (page: Page, words: string | RegExp) =>
	expect(page.getByRole('status').getByText(words).first()).toBeVisible();
const shown = async (page: Page, title: string) =>
	Number(
		/([\d.]+)/.exec(
			(await page.getByRole('button', { name: new RegExp(`^${title}: .*Show the working`) }).textContent())!
		)![1]
	);

test('a bracer from the wearer’s girths: worked out, kept, printed at 1:1, and re-shaped by a new measure', async ({
	page
}, info) => {
	await page.goto('/c/1/pattern', { waitUntil: 'networkidle' });
	await expect(page.getByText('pieces to cut.')).toBeVisible();
	await page.getByRole('link', { name: 'Shape', exact: true }).first().click();
	await page.getByRole('combobox', { name: /^Of/ }).selectOption({ label: 'A-04 Bracers' });
	await page.waitForURL(/of=\d+/);
	await page.getByRole('link', { name: /^tapered band/ }).click();
	await page.waitForURL(/shaper=taperedBand/);
	await page.waitForLoadState('networkidle');

	// It follows the larger forearm at once: 25.6 cm on the right, plus the ease that is typed.
	await page.getByLabel('Name').fill('second shell');
	await page.getByLabel('upper girth, with ease of').fill('1.2');
	await page.getByLabel('lower girth, with ease of').fill('1.2');
	await page.getByLabel('thickness').fill('0');
	await expect(page.getByText('forearm girth, right, Ona')).toBeVisible();
	expect(await shown(page, 'Upper edge of a panel')).toBeCloseTo(25.6 + 1.2, 1);

	// A slip is told at its field while the last whole shape stays in sight.
	await page.getByLabel('gap left open').fill('30');
	await expect(page.getByText('The gap is as wide as the narrow girth')).toBeVisible();
	await expect(page.getByRole('img', { name: 'Pieces of tapered band' })).toBeVisible();
	await page.getByLabel('gap left open').fill('0');
	await page.getByLabel('panels').fill('2');
	expect(await shown(page, 'Upper edge of a panel')).toBeCloseTo((25.6 + 1.2) / 2, 1);
	await page.getByLabel('overlap').fill('1.5');
	await page.getByRole('button', { name: 'Keep this shape' }).click();
	await toast(page, 'Shaped second shell of A-04 Bracers');
	await page.waitForURL(/pattern\/\d+$/);
	await page.waitForLoadState('networkidle');
	await expect(page.getByRole('row').filter({ hasText: 'panel' }).getByText('4 ×')).toBeVisible();

	// The print, opened by another program: A4, and the words that a maker looks for.
	const downloading = page.waitForEvent('download');
	await page.getByRole('link', { name: '1:1 PDF' }).click();
	const file = info.outputPath('pattern.pdf');
	await (await downloading).saveAs(file);
	const text = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout;
	expect(text).toContain('Print at 100 %');
	expect(text).toMatch(/A-04 L\+R \d\/\d/);
	expect(text).toContain('cut 4');
	expect(spawnSync('pdfinfo', [file], { encoding: 'utf8' }).stdout).toMatch(
		/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/
	);
	const drawing = page.waitForEvent('download');
	await page.getByRole('link', { name: 'SVG' }).click();
	expect(readFileSync((await (await drawing).path())!, 'utf8')).toMatch(/^<svg [^>]*width="[\d.]+mm"/);

	// A new measure of the wearer re-shapes it.
	const address = page.url();
	await page.goto('/c/1/measure/take', { waitUntil: 'networkidle' });
	await page.getByRole('group', { name: 'forearm girth', exact: true }).getByLabel('Right').fill('27.6');
	await page.getByRole('button', { name: 'Save the measures' }).click();
	await toast(page, 'Took 1 measure of Ona');
	await page.goto(address, { waitUntil: 'networkidle' });
	expect(await shown(page, 'Upper edge of a panel')).toBeCloseTo((27.6 + 1.2) / 2, 1);

	// And everything can be taken back.
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect.poll(() => shown(page, 'Upper edge of a panel')).toBeCloseTo((25.6 + 1.2) / 2, 1);
	await page.getByRole('button', { name: 'Remove' }).click();
	await page.waitForURL(/\/pattern$/);
	await expect(page.getByRole('link', { name: /second shell/ })).toHaveCount(0);
	await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('link', { name: /second shell/ })).toBeVisible();
});

/** By hand: base 900 to 1500 over 260, lines every 20 mm, fullness 3 to 2: see the shaper's own test. */
test('a skirt of twelve layers of net: its cut list', async ({ page }) => {
	await page.goto('/c/2/pattern', { waitUntil: 'networkidle' });
	await page.getByRole('link', { name: /twelve tides/ }).click();
	await page.waitForURL(/pattern\/\d+$/);
	await page.waitForLoadState('networkidle');
	await page.getByLabel('girth of the base at the top: what it follows').selectOption({ label: 'as typed' });
	await page.getByLabel('girth of the base at the top', { exact: true }).fill('90');
	await expect.poll(() => shown(page, 'Layer 1: length')).toBeCloseTo(283.85, 1);
	expect(await shown(page, 'Layer 7: length')).toBeCloseTo(300.21, 1);
	expect(await shown(page, 'Layer 12: length')).toBeCloseTo(290.77, 1);
	await expect(page.getByRole('row').filter({ hasText: 'soft net' })).toHaveCount(12);
	await expect(
		page.getByRole('row').filter({ hasText: 'layer 7, structure net' }).getByText('3 ×')
	).toBeVisible();
});
