import { spawn } from 'node:child_process';

export const ADDRESS = 'http://127.0.0.1:4396';

/** A server of its own; ready when the first page has been answered. */
export function serve(folder: string): Promise<{ stop: () => Promise<void>; seconds: number }> {
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
