/**
 * Many at once: 50 readers and 10 writers on the demo for 30 seconds, each sending as soon as it has its answer.
 * `node scripts/load.mjs [SECONDS [READERS [WRITERS [PAUSE]]]]`; PAUSE is how long each looks at its page first, ms.
 * It prints how long they waited, what went wrong, what the server held, and how long it was busy with one thing at most.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const [seconds = 30, readers = 50, writers = 10, pause = 0] = process.argv.slice(2).map(Number);
const PORT = 4394;
const address = `http://127.0.0.1:${PORT}`;
const PAGES = [
	'/',
	'/c/1/look',
	'/c/1/measure',
	'/c/1/pattern',
	'/c/1/lay',
	'/c/1/plan',
	'/c/1/buy',
	'/c/1/bench',
	'/c/1/finish',
	'/c/2/look',
	'/c/2/plan',
	'/c/2/bench',
	'/c/3/mend',
	'/stash',
	'/makers',
	'/history'
];
const folder = mkdtempSync(join(tmpdir(), 'dapper-load-'));
const sleep = (/** @type {number} */ ms) => new Promise((done) => setTimeout(done, ms));

/** @type {{ read: number[], write: number[], ping: number[] }} */
const waited = { read: [], write: [], ping: [] };
/** @type {Map<string, number>} */
const wrong = new Map();
let until = 0;

/**
 * @param {'read' | 'write' | 'ping'} what
 * @param {() => Promise<string | null>} ask what is wrong with the answer, or null
 */
async function again(what, ask, rest = pause) {
	await sleep(Math.random() * rest);
	while (performance.now() < until) {
		const began = performance.now();
		const bad = await ask().catch((/** @type {Error} */ error) => error.message);
		waited[what].push(performance.now() - began);
		if (bad) wrong.set(bad, (wrong.get(bad) ?? 0) + 1);
		if (rest) await sleep(rest * (0.5 + Math.random()));
	}
}

async function read() {
	const answer = await fetch(address + PAGES[Math.floor(Math.random() * PAGES.length)]);
	await answer.text();
	return answer.ok ? null : `read: ${answer.status}`;
}

async function write(/** @type {number} */ lane, /** @type {number} */ n) {
	const fields = { name: `Load ${lane} ${n}`, eventAt: '2099-05-16T09:00', limit: '10', currency: 'EUR' };
	const log = { stepId: '1', makerId: '1', endedAt: '2031-05-01T20:00', minutes: '5', note: '' };
	const [path, body] = n % 4 ? ['/c/1/bench?/logWork', log] : ['/?/addCostume', fields];
	const answer = await fetch(address + path, {
		method: 'POST',
		headers: { origin: address, 'x-sveltekit-action': 'true', accept: 'application/json' },
		body: new URLSearchParams(/** @type {Record<string, string>} */ (body))
	});
	const said = await answer.json();
	return said.type === 'success' ? null : `write: ${JSON.stringify(said).slice(0, 200)}`;
}

const server = spawn(process.execPath, ['scripts/run.mjs', 'demo'], {
	env: { ...process.env, DAPPER_DATA: folder, PORT: String(PORT), DAPPER_NOW: '2031-05-02T18:30' },
	stdio: ['ignore', 'pipe', 'inherit']
});
await new Promise((resolve) =>
	server.stdout.on('data', (chunk) => String(chunk).includes('is open at') && resolve(null))
);
for (const page of PAGES) await fetch(address + page).then((answer) => answer.text());
const memory = (/** @type {string} */ key) =>
	Math.round(
		Number(new RegExp(`${key}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) /
			1024
	);
const before = memory('VmRSS');
until = performance.now() + seconds * 1000;
await Promise.all([
	...Array.from({ length: readers }, () => again('read', read)),
	...Array.from({ length: writers }, (_, lane) => {
		let n = 0;
		return again('write', () => write(lane, n++));
	}),
	// A thing of no work: it waits for as long as the server is busy with something else.
	again(
		'ping',
		() => fetch(`${address}/_app/version.json`).then((answer) => answer.text().then(() => null)),
		20
	)
]);
for (const [what, times] of Object.entries(waited)) {
	const sorted = times.toSorted((a, b) => a - b);
	const at = (/** @type {number} */ share) =>
		`${Math.round(sorted[Math.floor(share * (sorted.length - 1))] ?? 0)} ms`;
	console.log(
		`${what.padEnd(6)} ${String(times.length).padStart(6)} answers, p50 ${at(0.5)}, p95 ${at(0.95)}, longest ${at(1)}`
	);
}
console.log(`errors ${[...wrong.values()].reduce((sum, n) => sum + n, 0)}`, ...wrong);
console.log(`memory ${before} MB before, ${memory('VmRSS')} MB after, ${memory('VmHWM')} MB at most`);
server.kill('SIGKILL');
rmSync(folder, { recursive: true, force: true });
process.exit(wrong.size ? 1 : 0);
