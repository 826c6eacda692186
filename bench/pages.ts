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
	await afterChange();

	console.log('pages: the large data set, 15 costumes at once (median and largest of 20)');
	for (let n = 0; n < 12; n++)
		await post('/?/copyCostume', {
			id: String(1 + (n % 3)),
			name: `Copy ${n}`,
			eventAt: `2027-0${3 + (n % 6)}-1${n % 10}T09:00`
		});
	await answers(PAGES, 20);
	await afterChange();
	await warm.stop();
	rmSync(folder, { recursive: true, force: true });
}

/** A change, and the page that shows it: what somebody waits for after a press of a button. */
async function afterChange(): Promise<void> {
	const writes: number[] = [];
	const shown: number[] = [];
	for (let i = 0; i < 9; i++) {
		writes.push(await post(`/c/1/plan?/${i % 2 ? 'restoreCostume' : 'archiveCostume'}`, { id: '3' }));
		shown.push(await get('/c/1/plan'));
	}
	console.log(`  a change ${ms(median(writes))}, its page with everything planned anew ${ms(median(shown))}`);
}
