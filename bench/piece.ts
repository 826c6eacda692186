import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { polygon } from '../src/core/engines/pattern/outline.ts';
import type { Point } from '../src/core/units/point.ts';
import { piece as pieceOf } from '../src/core/engines/pattern/piece.ts';
import { CHROMIUM } from '../tests/support/chromium.ts';
import { framesDuring } from './frames.ts';
import { median, ms, quantile } from './print.ts';
import { ADDRESS, post, serve } from './server.ts';

const POINTS = 500;

/** Moving points of an outline of 500 points with an allowance all round. */
export async function piece(): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-bench-'));
	const server = await serve(folder);
	const points = Array.from({ length: POINTS }, (_, i): Point => {
		const a = (2 * Math.PI * i) / POINTS;
		const r = 200 + 30 * Math.sin(5 * a) + 6 * Math.cos(13 * a);
		return [r * Math.cos(a), r * Math.sin(a)];
	});
	const outline = polygon(
		points,
		points.map(() => ({ allowance: 10 }))
	);
	await post('/c/1/pattern/1/1?/drawShape', {
		id: '1',
		version: '1',
		pieces: JSON.stringify([pieceOf('traced', outline)])
	});
	const browser = await chromium.launch(CHROMIUM);
	const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
	await page.goto(`${ADDRESS}/c/1/pattern/1/1`, { waitUntil: 'networkidle' });
	const box = (await page.getByRole('button', { name: 'Point 126', exact: true }).boundingBox())!;
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	const taken = await framesDuring(page, async () => {
		await page.mouse.move(x, y);
		await page.mouse.down();
		for (let i = 0; i < 120; i++) await page.mouse.move(x + 20 * Math.sin(i / 9), y + 12 * Math.sin(i / 7));
		// Where it was: the drop then stores nothing that crosses.
		await page.mouse.move(x, y - 6);
	});
	await page.mouse.up();
	console.log(
		`\npiece: a point of ${POINTS} dragged, ${taken.length} frames: median ${ms(median(taken))}, 95 of 100 within ` +
			`${ms(quantile(taken, 0.95))}, longest ${ms(Math.max(...taken))} (one core draws without a graphics card)`
	);
	await browser.close();
	await server.stop();
	rmSync(folder, { recursive: true, force: true });
}
