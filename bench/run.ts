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

const PAGES = [
	'/',
	'/c/1/look',
	'/c/1/look/1',
	'/c/1/plan',
	'/c/1/buy',
	'/c/1/bench',
	'/c/1/finish',
	'/c/3/mend',
	'/stash',
	'/makers',
	'/history',
	'/settings'
];

async function pages(): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-bench-'));
	const address = 'http://127.0.0.1:4396';
	const run = () => {
		const began = performance.now();
		const server = spawn(process.execPath, ['scripts/run.mjs', 'demo'], {
			env: { ...process.env, DAPPER_DATA: folder, PORT: '4396' },
			stdio: ['ignore', 'pipe', 'inherit']
		});
		return new Promise<{ stop: () => Promise<void>; seconds: number }>((resolve) => {
			server.stdout.on('data', async (chunk) => {
				if (!String(chunk).includes('is open at')) return;
				await (await fetch(address)).text();
				resolve({
					seconds: (performance.now() - began) / 1000,
					stop: () => new Promise((done) => (server.once('exit', () => done()), server.kill('SIGTERM')))
				});
			});
		});
	};
	const cold = await run();
	console.log(`\npages: cold start with demo data to first page ${cold.seconds.toFixed(1)} s`);
	await cold.stop();
	const warm = await run();
	console.log(`pages: later start to first page ${warm.seconds.toFixed(1)} s`);
	console.log('pages: answer on the demo data (median and largest of 50)');
	for (const path of PAGES) {
		await (await fetch(address + path)).text();
		const times: number[] = [];
		for (let i = 0; i < 50; i++) {
			const began = performance.now();
			await (await fetch(address + path)).text();
			times.push(performance.now() - began);
		}
		console.log(
			`  ${path.padEnd(14)} ${ms(median(times)).padStart(9)} ${ms(Math.max(...times)).padStart(10)}`
		);
	}
	await warm.stop();
	rmSync(folder, { recursive: true, force: true });
}

const BENCHES: Record<string, () => void | Promise<void>> = { schedule, pages };
const chosen = process.argv.slice(2);
console.log(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model}`);
for (const [name, bench] of Object.entries(BENCHES))
	if (!chosen.length || chosen.includes(name)) await bench();
