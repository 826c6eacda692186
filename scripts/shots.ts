/**
 * Pictures of every main view from a running demo: `npm run shots -- [--to FOLDER] [--width 390] [name …]`.
 * Without options they go to docs/screenshots at 1280 × 800.
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../tests/support/chromium.ts';

const { values, positionals } = parseArgs({
	allowPositionals: true,
	options: {
		to: { type: 'string', default: 'docs/screenshots' },
		width: { type: 'string', default: '1280' },
		at: { type: 'string', default: 'http://127.0.0.1:4173' },
		full: { type: 'boolean', default: false },
		dark: { type: 'boolean', default: false }
	}
});

const VIEWS: Record<string, string> = {
	shelf: '/',
	look: '/c/1/look',
	component: '/c/1/look/1',
	picture: '/c/1/look/pictures/1',
	assembled: '/c/1/look/stand',
	measure: '/c/1/measure',
	'goes-on': '/c/1/measure/goes-on',
	stand: '/c/1/measure/stand',
	pattern: '/c/1/pattern/2',
	panels: '/c/1/pattern/stand?of=1',
	lay: '/c/1/lay',
	plan: '/c/1/plan',
	buy: '/c/1/buy',
	bench: '/c/1/bench',
	finish: '/c/1/finish',
	wear: '/c/1/wear',
	mend: '/c/3/mend',
	stash: '/stash',
	makers: '/makers'
};

mkdirSync(values.to, { recursive: true });
const width = Number(values.width);
const browser = await chromium.launch(CHROMIUM);
const page = await browser.newPage({
	viewport: { width, height: 800 },
	colorScheme: values.dark ? 'dark' : 'light',
	deviceScaleFactor: 1
});
page.on('console', (m) => m.type() === 'error' && console.error(m.text()));
page.on('pageerror', (e) => console.error(e));
for (const [name, path] of Object.entries(VIEWS)) {
	if (positionals.length && !positionals.includes(name)) continue;
	await page.goto(values.at + path, { waitUntil: 'networkidle' });
	await page.evaluate(() => document.fonts.ready);
	// What is worked out in the page comes a moment later.
	if (name === 'assembled') await page.getByText(/where it does not|nothing runs into/).waitFor();
	if (['stand', 'panels', 'assembled'].includes(name))
		await page.getByRole('group', { name: 'Seen from' }).waitFor();
	if (name === 'panels') await page.locator('.figures').waitFor({ timeout: 30_000 });
	if (name === 'plan') await page.locator('.chart svg').waitFor({ timeout: 30_000 });
	await page.screenshot({ path: join(values.to, `${name}.png`), fullPage: values.full });
}
await browser.close();
