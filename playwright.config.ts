import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/support/chromium.ts';
import {
	BRING,
	STAND,
	BUY,
	DEMO,
	FINISH,
	FIRST_HOUR,
	LAY,
	PATTERN,
	PICTURE,
	PLAN,
	SHOP,
	STASH,
	STORY,
	WAYS,
	TRAVEL,
	MEND,
	WEAR,
	WORKSHOP
} from './tests/support/servers.ts';

/** Answers when all the others do. */
const OPENED = 4390;

export default defineConfig({
	testDir: 'tests/browser',
	outputDir: 'test-results/browser',
	workers: 2,
	// A wait ends when what is waited for is there: how long a slow machine may take is not what is tested.
	timeout: 300_000,
	expect: { timeout: 40_000 },
	reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
	use: {
		viewport: { width: 1280, height: 800 },
		launchOptions: CHROMIUM,
		screenshot: 'only-on-failure',
		actionTimeout: 40_000
	},
	webServer: {
		command: 'node scripts/testServers.mjs',
		url: `http://127.0.0.1:${OPENED}`,
		env: {
			DAPPER_TEST_SERVERS: JSON.stringify({
				opened: OPENED,
				servers: [
					DEMO,
					BUY,
					LAY,
					PICTURE,
					PATTERN,
					STAND,
					BRING,
					PLAN,
					STORY,
					WORKSHOP,
					WAYS,
					SHOP,
					STASH,
					FINISH,
					FIRST_HOUR,
					WEAR,
					TRAVEL,
					MEND
				]
			})
		},
		timeout: 300_000,
		gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
		reuseExistingServer: false
	}
});
