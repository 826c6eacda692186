import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';

/** A server whose handler takes a second to come: what is answered meanwhile, and after. */
test('while the server starts, the page says so, and goes on by itself when it is ready', async () => {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-start-'));
	const script = join(folder, 'run.mjs');
	writeFileSync(
		script,
		`import { mkdirSync, writeFileSync } from 'node:fs';
		mkdirSync('build', { recursive: true });
		writeFileSync('build/handler.js', \`await new Promise((done) => setTimeout(done, 1500));
			export const handler = (request, response) => response.end('the ledger');\`);
		const { serve } = await import(${JSON.stringify(join(process.cwd(), 'scripts/serve.mjs'))});
		await serve({ folder: '.', demo: false, fresh: false, andStop: false });`
	);
	const server = spawn(process.execPath, [script], {
		cwd: folder,
		env: { ...process.env, PORT: '4420' },
		stdio: 'ignore'
	});
	try {
		const ask = async () => {
			const answer = await fetch('http://127.0.0.1:4420/c/1/look').catch(() => null);
			return answer && { status: answer.status, text: await answer.text() };
		};
		const seen: { status: number; text: string }[] = [];
		for (const until = performance.now() + 10_000; performance.now() < until;) {
			const answer = await ask();
			if (answer) seen.push(answer);
			if (answer?.status === 200) break;
			await new Promise((done) => setTimeout(done, 100));
		}
		assert.equal(seen[0]!.status, 503);
		assert.match(seen[0]!.text, /is being opened/);
		assert.match(seen[0]!.text, /location\.reload/);
		assert.deepEqual(seen.at(-1), { status: 200, text: 'the ledger' });
	} finally {
		server.kill();
		rmSync(folder, { recursive: true, force: true });
	}
});
