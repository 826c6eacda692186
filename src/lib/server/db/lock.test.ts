import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { FolderInUse, lockFolder, noteAddress } from './lock.ts';
import { migrate, NewerData, NEWEST_SCHEMA } from './migrate.ts';

const temporary = () => mkdtempSync(join(tmpdir(), 'dapper-house-'));

test('data of a newer version is not touched', async () => {
	const said: string[] = [];
	const pg = {
		exec: async (sql: string) => said.push(sql),
		query: async () => ({ rows: [{ newest: NEWEST_SCHEMA + 1 }] }),
		transaction: async () => assert.fail('nothing may be written')
	};
	await assert.rejects(migrate(pg as never), (e) => e instanceof NewerData && /newer/.test(e.message));
	assert.equal(said.length, 1);
});

test('a folder is held by one at a time; the second hears where; a kill frees it', async () => {
	const folder = temporary();
	const lock = await lockFolder(folder);
	noteAddress(folder, 'http://127.0.0.1:4173');
	await assert.rejects(
		lockFolder(folder),
		(e) => e instanceof FolderInUse && e.message.includes('http://127.0.0.1:4173')
	);
	lock.release();
	await new Promise((done) => setTimeout(done, 50));
	const holder = spawn(
		process.execPath,
		[
			'--import',
			'tsx',
			'-e',
			`import('./src/lib/server/db/lock.ts').then(async (m) => { await m.lockFolder(${JSON.stringify(folder)}); console.log('held'); setInterval(() => {}, 1000); })`
		],
		{ stdio: ['ignore', 'pipe', 'inherit'] }
	);
	await new Promise((done) => holder.stdout.once('data', done));
	await assert.rejects(lockFolder(folder), (e) => e instanceof FolderInUse);
	const gone = new Promise((done) => holder.once('exit', done));
	holder.kill('SIGKILL');
	await gone;
	(await lockFolder(folder)).release();
	rmSync(folder, { recursive: true });
});
