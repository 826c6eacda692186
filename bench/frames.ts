import type { Page } from '@playwright/test';

/** How long the browser took between frames while something was done on the page, ms. */
export async function framesDuring(page: Page, work: () => Promise<void>): Promise<number[]> {
	// As text: the loader that runs this file would put helpers into a function, which the page lacks.
	await page.evaluate(`window.times = []; window.counting = true;
		requestAnimationFrame(function next(at) { times.push(at); if (counting) requestAnimationFrame(next); })`);
	await work();
	const times = await page.evaluate<number[]>('((window.counting = false), times)');
	return times.slice(1).map((t, i) => t - times[i]!);
}
