import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/support/chromium.ts';
import { BRING, DEMO, LAY, PATTERN, PICTURE, STORY, WORKSHOP } from './tests/support/servers.ts';

/** Every run has fresh data: servers with the demo, and with nothing. */
const server = ({ port, demo }: typeof DEMO) => ({
	command: `node scripts/run.mjs ${demo ? 'demo' : 'start'}`,
	url: `http://127.0.0.1:${port}/settings`,
	env: {
		PORT: String(port),
		// The workers read this file again: the folder belongs to the first reading.
		DAPPER_DATA: (process.env[`DAPPER_TEST_${port}`] ??= mkdtempSync(join(tmpdir(), 'dapper-browser-')))
	},
	timeout: 90_000,
	reuseExistingServer: false
});

export default defineConfig({
	testDir: 'tests/browser',
	outputDir: 'test-results/browser',
	workers: 2,
	timeout: 90_000,
	expect: { timeout: 8000 },
	reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
	use: {
		viewport: { width: 1280, height: 800 },
		launchOptions: CHROMIUM,
		screenshot: 'only-on-failure',
		actionTimeout: 8000
	},
	webServer: [DEMO, PICTURE, PATTERN, BRING, LAY, STORY, WORKSHOP].map(server)
});
