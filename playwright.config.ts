import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/support/chromium.ts';
import {
	BRING,
	BUY,
	DEMO,
	FINISH,
	LAY,
	PATTERN,
	PICTURE,
	PLAN,
	SHOP,
	STASH,
	STORY,
	WAYS,
	WORKSHOP
} from './tests/support/servers.ts';

const fresh = () => mkdtempSync(join(tmpdir(), 'dapper-browser-'));

/** Laying the demo out takes five times as long as opening it: it is laid out once, and copied. */
function laidOut(): string {
	const folder = fresh();
	spawnSync(process.execPath, ['scripts/run.mjs', 'demo', '--and-stop'], {
		stdio: ['ignore', 'ignore', 'inherit'],
		env: { ...process.env, PORT: '4390', DAPPER_DATA: folder, DAPPER_NOW: DEMO.now }
	});
	return folder;
}

function folderOf({ port, demo }: typeof DEMO): string {
	const folder = fresh();
	if (demo) cpSync((process.env['DAPPER_TEST_DEMO'] ??= laidOut()), folder, { recursive: true });
	return (process.env[`DAPPER_TEST_${port}`] = folder);
}

/** Every run has fresh data: servers with the demo, and with nothing. */
const server = (of: typeof DEMO) => ({
	command: `node scripts/run.mjs ${of.demo ? 'demo' : 'start'}`,
	url: `${of.address}/settings`,
	env: {
		PORT: String(of.port),
		DAPPER_NOW: of.now,
		// The workers read this file again: the folder belongs to the first reading.
		DAPPER_DATA: process.env[`DAPPER_TEST_${of.port}`] ?? folderOf(of)
	},
	timeout: 90_000,
	reuseExistingServer: false
});

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
	webServer: [DEMO, PICTURE, PATTERN, BRING, LAY, PLAN, STORY, WORKSHOP, WAYS, SHOP, BUY, STASH, FINISH].map(
		server
	)
});
