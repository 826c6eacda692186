/**
 * The servers of the browser tests, each with a folder of its own: as many at once as there are cores, then one that says that all
 * are open. What they begin with is laid out once and copied: laying out takes several times as long as opening.
 */
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';

/** @type {{ opened: number, servers: { port: number, demo: boolean, address: string, now: string }[] }} */
const { opened, servers } = JSON.parse(process.env.DAPPER_TEST_SERVERS ?? '');
/** @type {string[]} */
const folders = [];
function fresh() {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-browser-'));
	folders.push(folder);
	return folder;
}
/** @type {import('node:child_process').ChildProcess[]} */
const running = [];
function end() {
	for (const server of running) server.kill('SIGKILL');
	for (const folder of folders) rmSync(folder, { recursive: true, force: true });
	process.exit(0);
}
process.on('SIGTERM', end);
process.on('SIGINT', end);

// A server of tests lives for minutes: to make the code of its database faster takes longer than it saves.
const words = (/** @type {boolean} */ demo) => ['--liftoff-only', 'scripts/run.mjs', demo ? 'demo' : 'start'];
const laid = [true, false].map((demo) => {
	const folder = fresh();
	spawnSync(process.execPath, [...words(demo), '--and-stop'], {
		stdio: ['ignore', 'ignore', 'inherit'],
		env: { ...process.env, PORT: String(opened), DAPPER_DATA: folder, DAPPER_NOW: servers[0]?.now }
	});
	return { demo, folder };
});

const waiting = [...servers];
async function startNext() {
	for (let next = waiting.shift(); next; next = waiting.shift()) {
		const { port, demo, address, now } = next;
		const folder = fresh();
		cpSync(laid.find((l) => l.demo === demo)?.folder ?? '', folder, { recursive: true });
		const env = { ...process.env, PORT: String(port), DAPPER_DATA: folder, DAPPER_NOW: now };
		running.push(spawn(process.execPath, words(demo), { stdio: ['ignore', 'ignore', 'inherit'], env }));
		for (;;) {
			const answer = await fetch(`${address}/settings`).catch(() => null);
			if (answer?.ok) break;
			await new Promise((done) => setTimeout(done, 100));
		}
	}
}
await Promise.all(Array.from({ length: availableParallelism() }, startNext));
createServer((_, response) => response.end('open')).listen(opened, '127.0.0.1');
