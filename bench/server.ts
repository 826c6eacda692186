import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';

export const ADDRESS = 'http://127.0.0.1:4396';

/** A server of its own; ready when the first page has been answered. */
export function serve(
	folder: string,
	how: 'demo' | 'start' = 'demo'
): Promise<{ stop: () => Promise<void>; seconds: number; megabytes: () => number }> {
	const began = performance.now();
	const server = spawn(process.execPath, ['scripts/run.mjs', how], {
		env: { ...process.env, DAPPER_DATA: folder, PORT: '4396', DAPPER_NOW: '2031-05-02T09:00' },
		stdio: ['ignore', 'pipe', 'inherit']
	});
	return new Promise((resolve) => {
		server.stdout.on('data', async (chunk) => {
			if (!String(chunk).includes('is open at')) return;
			await get('/');
			resolve({
				seconds: (performance.now() - began) / 1000,
				megabytes: () =>
					Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024,
				stop: () => new Promise((done) => (server.once('exit', () => done()), server.kill('SIGTERM')))
			});
		});
	});
}

export async function get(path: string): Promise<number> {
	const began = performance.now();
	await (await fetch(ADDRESS + path)).text();
	return performance.now() - began;
}

export async function post(path: string, fields: Record<string, string>): Promise<number> {
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
