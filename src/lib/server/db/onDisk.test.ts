import assert from 'node:assert/strict';
import {
	existsSync,
	mkdirSync,
	mkdtempSync,
	openAsBlob,
	readdirSync,
	readFileSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { basename, dirname, join, relative } from 'node:path';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import { prepareWorkshop } from '../firstStart.ts';
import { notStored } from '../trouble.ts';
import { act } from './action.ts';
import { writeDurably } from './onDisk.ts';
import { openDatabase, type Database } from './open.ts';

/**
 * A disk that loses power: a copy of a folder that gets only what was synced. A file has there what it held when it was last synced,
 * a folder the names that it had; a new file comes with its own sync, as file systems with a journal keep it. What was written since may
 * be there as well, page by page, in any order.
 */
class Disk {
	readonly #folder: string;
	readonly #contents = new Map<number, Buffer>();
	readonly #names = new Map<string, Map<string, number>>();
	constructor(folder: string) {
		this.#folder = folder;
		this.#take(folder);
	}
	#take(folder: string): void {
		this.#names.set(folder, this.#namesIn(folder));
		for (const entry of readdirSync(folder, { withFileTypes: true })) {
			const at = join(folder, entry.name);
			if (entry.isDirectory()) this.#take(at);
			else if (entry.isFile()) this.#contents.set(statSync(at).ino, readFileSync(at));
		}
	}
	#namesIn(folder: string): Map<string, number> {
		return new Map(readdirSync(folder).map((name) => [name, statSync(join(folder, name)).ino]));
	}
	synced(path: string): void {
		const { ino } = statSync(path);
		if (statSync(path).isDirectory()) {
			const before = this.#names.get(path);
			this.#names.set(path, this.#namesIn(path));
			for (const name of this.#names.get(path)!.keys())
				if (!before?.has(name) && statSync(join(path, name)).isDirectory()) this.#take(join(path, name));
			return;
		}
		this.#contents.set(ino, readFileSync(path));
		this.#names.get(dirname(path))?.set(basename(path), ino);
	}
	/** What is found after the power is back. @param kept whether a page that was written and not synced is there all the same */
	cut(into: string, kept: () => boolean): void {
		const PAGE = 8192;
		const now = new Map<number, string>();
		const walk = (folder: string) => {
			for (const entry of readdirSync(folder, { withFileTypes: true }))
				if (entry.isDirectory()) walk(join(folder, entry.name));
				else now.set(statSync(join(folder, entry.name)).ino, join(folder, entry.name));
		};
		walk(this.#folder);
		for (const [folder, names] of this.#names) {
			const to = join(into, relative(this.#folder, folder));
			mkdirSync(to, { recursive: true });
			for (const [name, ino] of names) {
				const old = this.#contents.get(ino);
				if (this.#names.has(join(folder, name)) || !old) continue;
				const path = now.get(ino);
				const written = path && existsSync(path) ? readFileSync(path) : old;
				const data = Buffer.from(old);
				for (let at = 0; at < data.length; at += PAGE)
					if (kept() && at < written.length)
						written.copy(data, at, at, Math.min(at + PAGE, written.length, data.length));
				writeFileSync(join(to, name), data);
			}
		}
	}
}

const START = process.env['DAPPER_TEST_START'] && join(process.env['DAPPER_TEST_START'], 'start.tar');
const opened = async (folder: string, synced?: (path: string) => void): Promise<Database> =>
	openDatabase(folder, undefined, {
		...(synced && { synced }),
		...(START && !existsSync(join(folder, 'db')) && { from: await openAsBlob(START) })
	});
const temporary = () => mkdtempSync(join(tmpdir(), 'dapper-disk-'));

test('a commit is answered when its log is on the disk: twenty writes, twenty syncs at least', async () => {
	const folder = temporary();
	let logs = 0;
	const db = await opened(folder, (path) => {
		if (/pg_wal.[0-9A-F]{24}$/.test(path)) logs++;
	});
	await db.query('create table proof (n int primary key)');
	for (let n = 0; n < 20; n++) {
		const before = logs;
		await db.transaction((tx) => tx.query('insert into proof values ($1)', [n]));
		assert.ok(logs > before, `write ${n} was answered without a sync`);
	}
	await db.close();
	rmSync(folder, { recursive: true });
});

test('the power fails: what was acknowledged is there, however much of the rest is', async () => {
	const folder = temporary();
	let disk: Disk | null = null;
	const db = await opened(folder, (path) => disk?.synced(path));
	await db.query('create table proof (n int primary key, body text not null)');
	await db.query('checkpoint');
	disk = new Disk(join(folder, 'db'));
	const next = seeded(5);
	const body = (n: number) => `${n} `.repeat(1 + (n % 400));
	const cuts: { folder: string; acknowledged: number }[] = [];
	for (let n = 0; n < 60; n++) {
		await db.transaction(async (tx) => {
			await tx.query('insert into proof values ($1, $2)', [n, body(n)]);
			// Pages that are written again and again, so that a torn one would be seen.
			await tx.query('update proof set body = body where n % 5 = $1', [n % 5]);
		});
		if (n === 25) await db.query('checkpoint');
		if (n % 20 === 13 || n === 25) {
			const cut = temporary();
			const share = cuts.length % 2 ? 0 : 0.5;
			disk.cut(join(cut, 'db'), () => next() < share);
			cuts.push({ folder: cut, acknowledged: n + 1 });
		}
	}
	await db.close();
	rmSync(folder, { recursive: true });
	for (const cut of cuts) {
		const after = await opened(cut.folder);
		const { rows } = await after.query<{ n: number; body: string }>('select n, body from proof order by n');
		assert.ok(rows.length >= cut.acknowledged, `${rows.length} of ${cut.acknowledged} are there`);
		for (const row of rows) assert.equal(row.body, body(row.n), `row ${row.n}`);
		// It goes on.
		await after.transaction((tx) => tx.query('insert into proof values (1000, $1)', ['after']));
		await after.close();
		rmSync(cut.folder, { recursive: true });
	}
	assert.equal(cuts.length, 4);
});

test('the disk of the test is a strict one: without a sync nothing is there', () => {
	const folder = temporary();
	writeFileSync(join(folder, 'a'), 'old');
	const disk = new Disk(folder);
	writeFileSync(join(folder, 'a'), 'new');
	writeFileSync(join(folder, 'b'), 'never synced');
	const cut = temporary();
	disk.cut(cut, () => false);
	assert.deepEqual(readdirSync(cut), ['a']);
	assert.equal(readFileSync(join(cut, 'a'), 'utf8'), 'old');
	disk.synced(join(folder, 'a'));
	const later = temporary();
	disk.cut(later, () => false);
	assert.equal(readFileSync(join(later, 'a'), 'utf8'), 'new');
	for (const f of [folder, cut, later]) rmSync(f, { recursive: true });
});

test('a disk that is all but full: nothing is begun, it is said in one line, and goes on when there is room', async () => {
	const folder = temporary();
	let free = 1e9;
	const db = await openDatabase(folder, undefined, {
		free: () => free,
		...(START && { from: await openAsBlob(START) })
	});
	await prepareWorkshop(db);
	const write = (currency: string) =>
		act(db, async (tx) => {
			await tx.query('insert into exchange_rate (currency, rate) values ($1, 2)', [currency]);
			return { words: currency, result: null };
		});
	await write('USD');
	free = 31 * 1024 * 1024;
	await assert.rejects(write('GBP'), (error) => {
		assert.equal(
			notStored(error),
			'Not stored: the disk is full. Nothing was changed; when that is put right, send it again.'
		);
		return true;
	});
	const there = async () =>
		(await db.query<{ currency: string }>('select currency from exchange_rate order by id')).rows.map(
			(r) => r.currency
		);
	assert.deepEqual(await there(), ['USD'], 'what is there can be read');
	free = 33 * 1024 * 1024;
	await write('CHF');
	assert.deepEqual(await there(), ['USD', 'CHF']);
	await db.close();
	rmSync(folder, { recursive: true, force: true });
});

test('a file that cannot be written leaves no half behind', async () => {
	const folder = temporary();
	mkdirSync(join(folder, 'taken'));
	await assert.rejects(writeDurably(join(folder, 'taken'), 'text'));
	assert.deepEqual(readdirSync(folder), ['taken']);
	rmSync(folder, { recursive: true, force: true });
});

test('what the database says of a disk is said in words; what is no trouble of the disk is not', () => {
	assert.match(notStored({ code: '53100' })!, /the disk is full/);
	assert.match(notStored(new Error('x', { cause: { code: 'EROFS' } }))!, /read-only/);
	assert.equal(notStored({ code: '23505' }), null);
	assert.equal(notStored(null), null);
});

test('a log that cannot be written or synced ends the server with a line, and what was acknowledged is there', async (t) => {
	for (const broken of ['writeSync', 'fsyncSync'])
		await t.test(broken, async () => {
			const folder = temporary();
			const script = `(async () => {
				const fs = (await import('node:fs')).default;
				const { syncBuiltinESMExports } = await import('node:module');
				const { openDatabase } = await import('./src/lib/server/db/open.ts');
				const db = await openDatabase(${JSON.stringify(folder)});
				await db.query('create table proof (n int primary key)');
				await db.query('insert into proof values (1)');
				fs.writeSync(1, 'acknowledged');
				fs.${broken} = () => { throw Object.assign(new Error('broken'), { code: 'ENOSPC' }); };
				syncBuiltinESMExports();
				await db.query('insert into proof values (2)');
				process.stdout.write('answered');
			})()`;
			const loaders = ['--import', 'tsx', '--import', './scripts/as-built.mjs'];
			const ended = spawnSync(process.execPath, [...loaders, '-e', script], {
				encoding: 'utf8',
				timeout: 60_000
			});
			assert.equal(ended.status, 4, ended.stderr);
			assert.equal(ended.stdout, 'acknowledged');
			assert.match(ended.stderr, /^Stopped: the disk is full\. What was acknowledged is on the disk/m);
			const db = await openDatabase(folder);
			const { rows } = await db.query<{ n: number }>('select n from proof order by n');
			assert.equal(rows[0]!.n, 1);
			await db.close();
			rmSync(folder, { recursive: true, force: true });
		});
});
