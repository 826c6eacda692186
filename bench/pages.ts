import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PAGES } from '../tests/support/pages.ts';
import { median, ms } from './print.ts';
import { get, post, serve } from './server.ts';

async function answers(paths: readonly string[], rounds: number): Promise<void> {
	for (const path of paths) {
		await get(path);
		const times: number[] = [];
		for (let i = 0; i < rounds; i++) times.push(await get(path));
		console.log(
			`  ${path.padEnd(25)} ${ms(median(times)).padStart(9)} ${ms(Math.max(...times)).padStart(10)}`
		);
	}
}

export async function pages(): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-bench-'));
	const cold = await serve(folder);
	console.log(`\npages: cold start with demo data to first page ${cold.seconds.toFixed(1)} s`);
	await cold.stop();
	const warm = await serve(folder);
	console.log(`pages: later start to first page ${warm.seconds.toFixed(1)} s`);
	console.log('pages: answer on the demo data (median and largest of 50)');
	await answers(PAGES, 50);
	// Written anew each time: pictures made small, and the print.
	await answers(['/c/1/mend/record/out?form=full', '/c/1/mend/record/out?form=short'], 5);
	await afterChange();

	await warm.stop();
	rmSync(folder, { recursive: true, force: true });
	for (const costumes of [15, 100]) await largeShop(costumes);
}

/** So many costumes of 127 steps each, with 500 actions and 30 photos each. */
async function largeShop(costumes: number): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-bench-'));
	const made = spawnSync(
		process.execPath,
		['--import', 'tsx', '--import', './scripts/as-built.mjs', 'bench/largeShop.ts', folder, String(costumes)],
		{ stdio: 'inherit' }
	);
	if (made.status !== 0) throw new Error('The large shop could not be laid out');
	const server = await serve(folder, 'start');
	console.log(
		`pages: ${costumes} costumes, start to first page ${server.seconds.toFixed(1)} s (median and largest of 20)`
	);
	const costume = Math.round(costumes * 0.7);
	const paths = PAGES.filter((p) => !/lay\/1|pictures\/|pattern\/\d/.test(p)).map((p) =>
		p.replace(/\/c\/\d/, `/c/${costume}`)
	);
	await answers(paths, 20);
	await afterLog(costume);
	console.log(`  memory ${Math.round(server.megabytes())} MB`);
	await server.stop();
	rmSync(folder, { recursive: true, force: true });
}

/** Five minutes logged on an open step of a costume in the middle: it is read and planned anew with all behind it. */
async function afterLog(costume: number): Promise<void> {
	const log = (step: number) =>
		post(`/c/${costume}/bench?/logWork`, {
			stepId: String(step),
			makerId: '1',
			endedAt: '2031-05-01T20:00',
			minutes: '5',
			note: ''
		});
	// 127 steps a costume, the last of them open.
	const step = costume * 127 - 2;
	for (const page of [`/c/${costume}/bench`, `/c/${costume}/plan`, '/']) {
		const shown: number[] = [];
		for (let i = 0; i < 9; i++) {
			await log(step);
			shown.push(await get(page));
		}
		console.log(
			`  after a change of one costume ${page.padEnd(14)} ${ms(median(shown))}, ${ms(Math.max(...shown))}`
		);
	}
}

/** A change, and the page that shows it: what somebody waits for after a press of a button. */
async function afterChange(): Promise<void> {
	const writes: number[] = [];
	const shown: number[] = [];
	const odds: number[] = [];
	for (let i = 0; i < 9; i++) {
		writes.push(await post(`/c/1/plan?/${i % 2 ? 'restoreCostume' : 'archiveCostume'}`, { id: '3' }));
		shown.push(await get('/c/1/plan'));
		odds.push(await get('/c/1/plan/odds'));
	}
	console.log(`  a change ${ms(median(writes))}, its page with everything planned anew ${ms(median(shown))}`);
	console.log(`  its odds after that, simulated once a plan ${ms(median(odds))}, ${ms(Math.max(...odds))}`);
}
