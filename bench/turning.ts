import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../tests/support/chromium.ts';
import { framesDuring } from './frames.ts';
import { median, ms, quantile } from './print.ts';
import { ADDRESS, serve } from './server.ts';

const MOVES = 180;

/** Turning the form, panels on it, and the whole costume on it, with the mouse. */
export async function turning(): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-bench-'));
	const server = await serve(folder);
	const browser = await chromium.launch(CHROMIUM);
	const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
	for (const path of ['/c/1/measure/stand', '/c/1/pattern/stand?of=1', '/c/1/look/stand']) {
		await page.goto(ADDRESS + path, { waitUntil: 'networkidle' });
		const form = page.getByRole('application').first();
		await form.waitFor();
		await page.waitForTimeout(3000);
		const box = (await form.boundingBox())!;
		const [x, y] = [box.x + box.width * 0.1, box.y + 60];
		const taken = await framesDuring(page, async () => {
			await page.mouse.move(x, y);
			await page.mouse.down();
			for (let i = 0; i < MOVES; i++) await page.mouse.move(x + 3 * i, y + 30 * Math.sin(i / 9));
		});
		await page.mouse.up();
		const seconds = taken.reduce((a, b) => a + b, 0) / 1000;
		console.log(
			`turning ${path}: ${(MOVES / seconds).toFixed(1)} turns drawn a second; ${taken.length} frames: median ${ms(median(taken))}, 95 of 100 within ` +
				`${ms(quantile(taken, 0.95))}, longest ${ms(Math.max(...taken))} (without a graphics card)`
		);
	}
	await browser.close();
	await server.stop();
	rmSync(folder, { recursive: true, force: true });
}
