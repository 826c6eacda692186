/**
 * Kills the server with SIGKILL in the midst of writes, again and again: `node scripts/kill.mjs 20`.
 * After each start everything that was acknowledged must be there, whole, and the database must open.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const rounds = Number(process.argv[2] ?? 3);
const folder = mkdtempSync(join(tmpdir(), 'dapper-kill-'));
const PORT = 4395;
const address = `http://127.0.0.1:${PORT}`;
const acknowledged = new Set();

function start() {
	const server = spawn(process.execPath, ['scripts/run.mjs', 'start'], {
		env: { ...process.env, DAPPER_DATA: folder, PORT: String(PORT) },
		stdio: ['ignore', 'pipe', 'pipe']
	});
	/** @type {Promise<void>} */
	const ready = new Promise((resolve, reject) => {
		let said = '';
		const hear = (/** @type {Buffer} */ chunk) => {
			said += chunk;
			if (said.includes('is open at')) resolve();
		};
		server.stdout.on('data', hear);
		server.stderr.on('data', hear);
		server.once('exit', (code) => reject(new Error(`the server ended with ${code}:\n${said}`)));
	});
	return { server, ready };
}

const post = (/** @type {string} */ name) =>
	fetch(`${address}/?/addCostume`, {
		method: 'POST',
		headers: { origin: address, 'x-sveltekit-action': 'true', accept: 'application/json' },
		body: new URLSearchParams({ name, eventAt: '2099-05-16T09:00', limit: '10', currency: 'EUR' })
	});

/** Writes as fast as it can until the server is gone; what was answered with success counts. */
async function writeUntilDead(/** @type {number} */ round, /** @type {number} */ lane) {
	for (let n = 0; ; n++) {
		const name = `r${round} l${lane} n${n}`;
		try {
			const answer = await (await post(name)).json();
			if (answer.type === 'success') acknowledged.add(name);
			else throw new Error(`refused: ${JSON.stringify(answer)}`);
		} catch (error) {
			if (error instanceof Error && error.message.startsWith('refused')) throw error;
			return;
		}
	}
}

async function check() {
	const page = await (await fetch(address)).text();
	const missing = [...acknowledged].filter((name) => !page.includes(`>${name}<`));
	if (missing.length)
		throw new Error(`lost after kill: ${missing.slice(0, 5).join(', ')} (${missing.length})`);
}

let alive = start();
try {
	await alive.ready;
	for (let round = 1; round <= rounds; round++) {
		const lanes = Promise.all([0, 1, 2].map((lane) => writeUntilDead(round, lane)));
		await new Promise((done) => setTimeout(done, 300 + Math.random() * 900));
		alive.server.removeAllListeners('exit');
		alive.server.kill('SIGKILL');
		await lanes;
		alive = start();
		await alive.ready;
		await check();
		console.log(`kill ${round} of ${rounds}: ${acknowledged.size} acknowledged writes, none lost`);
	}
} catch (error) {
	console.error(error instanceof Error ? error.message : error);
	process.exitCode = 1;
} finally {
	alive.server.removeAllListeners('exit');
	alive.server.kill('SIGKILL');
	rmSync(folder, { recursive: true, force: true });
}
