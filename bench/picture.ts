import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM } from '../tests/support/chromium.ts';
import { framesDuring } from './frames.ts';
import { median, ms, quantile } from './print.ts';
import { ADDRESS, serve } from './server.ts';

const WIDTH = 4000;
const HEIGHT = 3000;

/** A photo of 12 megapixels with as much detail as a camera's: noise over soft shapes. */
async function photo(): Promise<Buffer> {
	const soft = await sharp({
		create: {
			width: 400,
			height: 300,
			channels: 3,
			background: '#888',
			noise: { type: 'gaussian', mean: 128, sigma: 60 }
		}
	})
		.blur(6)
		.resize(WIDTH, HEIGHT)
		.png()
		.toBuffer();
	const grain = await sharp({
		create: {
			width: WIDTH,
			height: HEIGHT,
			channels: 3,
			background: '#888',
			noise: { type: 'gaussian', mean: 128, sigma: 18 }
		}
	})
		.png()
		.toBuffer();
	return sharp(soft)
		.composite([{ input: grain, blend: 'soft-light' }])
		.jpeg({ quality: 90 })
		.toBuffer();
}

/** Until the picture itself stands in the view, with what is drawn over it. */
const ready = (page: Page) =>
	page.waitForFunction(() => {
		const canvas = document.querySelector<HTMLCanvasElement>('[role=application] canvas');
		if (!canvas?.width || !document.querySelector('svg.over')) return false;
		const middle = canvas.getContext('2d')!.getImageData(canvas.width / 2, canvas.height / 2, 1, 1).data;
		return middle[3]! > 0;
	});

/** Frames while the picture is dragged about and zoomed, as long between each as the browser took. */
async function frames(page: Page): Promise<number[]> {
	const box = (await page.getByRole('application').boundingBox())!;
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	return framesDuring(page, async () => {
		await page.mouse.move(x, y);
		for (let i = 0; i < 8; i++) await page.mouse.wheel(0, -120);
		await page.mouse.down();
		for (let i = 0; i < 90; i++) await page.mouse.move(x + 200 * Math.sin(i / 9), y + 120 * Math.cos(i / 7));
		await page.mouse.up();
		for (let i = 0; i < 8; i++) await page.mouse.wheel(0, 120);
	});
}

/** Adding a 12-megapixel photo, opening it until it can be panned, and how evenly it pans. */
export async function picture(): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-bench-'));
	const bytes = await photo();
	const server = await serve(folder);
	const browser = await chromium.launch(CHROMIUM);
	const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
	await page.goto(`${ADDRESS}/c/1/look/pictures`, { waitUntil: 'networkidle' });
	await page.getByRole('button', { name: 'Picture', exact: true }).click();
	await page
		.getByLabel('Choose or take a picture')
		.setInputFiles({ name: 'large.jpg', mimeType: 'image/jpeg', buffer: bytes });
	let began = performance.now();
	await page.getByRole('button', { name: 'Add picture' }).click();
	await page.waitForURL(/pictures\/\d+$/);
	await ready(page);
	console.log(
		`\npicture: a JPEG of ${WIDTH} × ${HEIGHT}, ${(bytes.length / 1e6).toFixed(1)} MB: added and shown ${ms(performance.now() - began)}`
	);
	const address = page.url();
	const opened: { first: number[]; inside: number[] } = { first: [], inside: [] };
	for (let i = 0; i < 7; i++)
		for (const way of ['first', 'inside'] as const) {
			// Each time as if the picture had never been seen: nothing in the browser’s store.
			const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
			const fresh = await context.newPage();
			if (way === 'inside') await fresh.goto(`${ADDRESS}/c/1/look/pictures`, { waitUntil: 'networkidle' });
			began = performance.now();
			if (way === 'first') await fresh.goto(address, { waitUntil: 'commit' });
			else
				await fresh
					.locator(`a[href="${new URL(address).pathname}"]`)
					.first()
					.click();
			await ready(fresh);
			opened[way].push(performance.now() - began);
			await context.close();
		}
	const said = (times: number[]) => `${ms(median(times))}, largest ${ms(Math.max(...times))} (of 7)`;
	console.log(`picture: opened from the list until it can be panned ${said(opened.inside)}`);
	console.log(`picture: the same as the first page of a new browser ${said(opened.first)}`);
	const taken = await frames(page);
	console.log(
		`picture: ${taken.length} frames of panning and zooming: median ${ms(median(taken))}, 95 of 100 within ` +
			`${ms(quantile(taken, 0.95))}, longest ${ms(Math.max(...taken))} (one core draws without a graphics card)`
	);
	await browser.close();
	await server.stop();
	rmSync(folder, { recursive: true, force: true });
}
