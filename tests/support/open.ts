import type { Page } from '@playwright/test';

/**
 * Opens a page and waits until its scripts have started: what is hydrated has the framework's announcer. The odds, which may still be
 * worked out, are waited for by who looks at them.
 */
export async function open(page: Page, address: string): Promise<void> {
	await page.goto(address);
	await started(page);
}

export async function reopen(page: Page): Promise<void> {
	await page.reload();
	await started(page);
}

const started = (page: Page) => page.locator('#svelte-announcer').waitFor({ state: 'attached' });
