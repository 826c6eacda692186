/**
 * Measures and prints; it never fails on a figure. `npm run bench` for all, `npm run bench -- pages` for one.
 * Pages are measured on a server of their own with fresh demo data.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkPlan } from '../src/core/schedule/checkPlan.ts';
import { planByRule } from '../src/core/schedule/plan.ts';
import { PAGES } from '../tests/support/pages.ts';
import { randomProblem } from '../tests/support/planCases.ts';

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const ms = (value: number) => `${value.toFixed(1)} ms`;

function schedule(): void {
	console.log('\nschedule: plan by rule, forward and back (median of 7)');
	for (const count of [30, 120, 500, 1000])
		for (const split of ['windows', 'anywhere'] as const) {
			const problem = randomProblem(count, count, split);
			const times = Array.from({ length: 7 }, () => {
				const began = performance.now();
				planByRule(problem);
				return performance.now() - began;
			});
			const plan = planByRule(problem);
			const wrong = checkPlan(problem, plan).length;
			const above = plan.finish! - plan.lowerBound!;
			console.log(
				`  ${String(count).padStart(4)} steps, ${split.padEnd(8)} ${ms(median(times)).padStart(10)}   ` +
					`${(above / 60).toFixed(1)} h above the lower bound${wrong ? `   ${wrong} RULES BROKEN` : ''}`
			);
		}
}

const ADDRESS = 'http://127.0.0.1:4396';

/** A server of its own; ready when the first page has been answered. */
function serve(folder: string): Promise<{ stop: () => Promise<void>; seconds: number }> {
	const began = performance.now();
	const server = spawn(process.execPath, ['scripts/run.mjs', 'demo'], {
		env: { ...process.env, DAPPER_DATA: folder, PORT: '4396' },
		stdio: ['ignore', 'pipe', 'inherit']
	});
	return new Promise((resolve) => {
		server.stdout.on('data', async (chunk) => {
			if (!String(chunk).includes('is open at')) return;
			await get('/');
			resolve({
				seconds: (performance.now() - began) / 1000,
				stop: () => new Promise((done) => (server.once('exit', () => done()), server.kill('SIGTERM')))
			});
		});
	});
}

async function get(path: string): Promise<number> {
	const began = performance.now();
	await (await fetch(ADDRESS + path)).text();
	return performance.now() - began;
}

async function post(path: string, fields: Record<string, string>): Promise<number> {
	const began = performance.now();
	const response = await fetch(ADDRESS + path, {
		method: 'POST',
		headers: { origin: ADDRESS, 'x-sveltekit-action': 'true', accept: 'application/json' },
		body: new URLSearchParams(fields)
	});
	const answer = (await response.json()) as { type: string };
	if (answer.type !== 'success') throw new Error(`${path}: ${JSON.stringify(answer)}`);
	return performance.now() - began;
}

async function answers(paths: readonly string[], rounds: number): Promise<void> {
	for (const path of paths) {
		await get(path);
		const times: number[] = [];
		for (let i = 0; i < rounds; i++) times.push(await get(path));
		console.log(
			`  ${path.padEnd(14)} ${ms(median(times)).padStart(9)} ${ms(Math.max(...times)).padStart(10)}`
		);
	}
}

async function pages(): Promise<void> {
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

const BENCHES: Record<string, () => void | Promise<void>> = { schedule, pages };
const chosen = process.argv.slice(2);
console.log(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model}`);
for (const [name, bench] of Object.entries(BENCHES))
	if (!chosen.length || chosen.includes(name)) await bench();
