import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { FolderInUse, lockFolder, lockInFolder, noteAddress } from './lock.ts';
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

test('a folder is held in another namespace of the network too, and freed by a kill there', async () => {
	const folder = temporary();
	// Where namespaces may not be made, another process stands for one: the lock in the folder alone is asked.
	const apart = spawnSync('unshare', ['-n', 'true']).status === 0;
	const held = `import('./src/lib/server/db/lock.ts').then(async (m) => { await m.${apart ? 'lockFolder' : 'lockInFolder'}(${JSON.stringify(folder)}); console.log('held'); setInterval(() => {}, 1000); })`;
	const words = [process.execPath, '--import', 'tsx', '-e', held];
	const [program, ...rest] = apart ? ['unshare', '-n', ...words] : words;
	const holder = spawn(program!, rest, { stdio: ['ignore', 'pipe', 'inherit'] });
	await new Promise((done) => holder.stdout.once('data', done));
	await assert.rejects(apart ? lockFolder(folder) : lockInFolder(folder), (e) => e instanceof FolderInUse);
	const gone = new Promise((done) => holder.once('exit', done));
	holder.kill('SIGKILL');
	await gone;
	const lock = await lockFolder(folder);
	await assert.rejects(lockInFolder(folder), (e) => e instanceof FolderInUse);
	lock.release();
	rmSync(folder, { recursive: true });
});

test('a folder is known by itself, not by the path that leads to it', async () => {
	const folder = temporary();
	const other = temporary();
	const mounted = spawnSync('mount', ['--bind', folder, other]).status === 0;
	try {
		const lock = await lockFolder(folder);
		if (mounted) await assert.rejects(lockFolder(other), (e) => e instanceof FolderInUse);
		// However deep a folder lies, its lock has a short name.
		const deep = join(folder, 'a'.repeat(120), 'b'.repeat(120));
		const below = await lockFolder(deep);
		await assert.rejects(lockFolder(deep), (e) => e instanceof FolderInUse);
		below.release();
		lock.release();
	} finally {
		if (mounted) spawnSync('umount', [other]);
	}
	rmSync(folder, { recursive: true });
	rmSync(other, { recursive: true });
});
