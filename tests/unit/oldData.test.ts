import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { gunzipSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import { readCostumeFile } from '../../src/core/formats/costumeFile/read.ts';
import { keyOfSymptom, KNOWN_FAULTS } from '../../src/core/trade/knownFault.ts';
import { restoreBackup } from '../../src/lib/server/restore.ts';
import { migrate, NEWEST_SCHEMA } from '../../src/lib/server/db/migrate.ts';
import { all, one } from '../../src/lib/server/db/rows.ts';
import { lastAction, undo } from '../../src/lib/server/db/undo.ts';
import { loadMaterials } from '../../src/lib/server/read/workshop.ts';
import { lotCommands } from '../../src/lib/server/commands/lot.ts';
import { plannedShop } from '../../src/lib/server/read/plans.ts';
import { clock } from '../../src/lib/server/clock.ts';
import { zip } from '../../src/lib/server/zip.ts';
import { testWorkshop } from '../support/workshop.ts';

/** Data written by earlier versions: what was kept then is kept now. `tests/old` is never written anew. */

type Row = Record<string, unknown> & { id: number };
const old = <T>(name: string): T =>
	JSON.parse(gunzipSync(readFileSync(`tests/old/${name}.json.gz`)).toString('utf8')) as T;
const backup = () => old<{ schema: number; tables: Record<string, Row[]> }>('backup-9');

/** Tables of an earlier version with the rows of then, as a data folder has them. */
async function folderOf(schema: number): Promise<PGlite> {
	const pg = await PGlite.create('memory://');
	await migrate(pg, schema);
	await pg.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		await tx.query('set constraints all deferred');
		for (const [table, rows] of Object.entries(backup().tables))
			if (rows.length) await tx.query('select fill_table($1, $2)', [table, JSON.stringify(rows)]);
	});
	return pg;
}

test('a data folder of before opens: every row is there, and known faults are linked', async () => {
	for (const schema of [8, 9]) {
		const pg = await folderOf(schema);
		await migrate(pg);
		const count = async (table: string) =>
			(await pg.query<{ rows: unknown[] }>('select rows_of($1) as rows', [table])).rows[0]!.rows.length;
		for (const [table, rows] of Object.entries(backup().tables))
			assert.equal(await count(table), rows.length, `${table} of schema ${schema}`);
		const { rows } = await pg.query<{ symptom: string; known: string | null }>(
			'select symptom, known from fault'
		);
		assert.ok(rows.length > 0);
		for (const f of rows) assert.equal(f.known, keyOfSymptom(KNOWN_FAULTS, f.symptom), f.symptom);
		const newest = await pg.query<{ newest: number }>('select max(id) as newest from migration');
		assert.equal(newest.rows[0]!.newest, NEWEST_SCHEMA);
		await pg.close();
	}
});

test('History of before knows what stands: a doing, taken back, and forth again', async () => {
	const pg = await PGlite.create('memory://');
	await migrate(pg, 9);
	// 1 done, 2 takes it back, 3 forth again; 4 done, 5 takes it back; 6 done, 7 takes 1 back from History.
	const undoes = [[], [1], [2], [], [4], [], [1]];
	for (const [i, ids] of undoes.entries())
		await pg.query(`insert into action (words, undoes, chosen) values ($1, $2, $3)`, [
			`${i + 1}`,
			ids,
			i === 6
		]);
	await migrate(pg);
	const { rows } = await pg.query<{ id: number; stands: boolean; way: string }>(
		'select id, stands, way from action order by id'
	);
	assert.deepEqual(
		rows.map((r) => [r.id, r.stands, r.way]),
		[
			[1, false, 'do'],
			[2, false, 'back'],
			[3, true, 'forth'],
			[4, false, 'do'],
			[5, true, 'back'],
			[6, true, 'do'],
			[7, true, 'do']
		]
	);
	await pg.close();
});

test('a backup of before is put in place, planned, and its last action can be taken back', async () => {
	const w = await testWorkshop('2031-05-02T09:00');
	try {
		await restoreBackup(w.db, zip({ 'backup.json': Buffer.from(JSON.stringify(backup())) }), {
			pictures: false
		});
		const { shop, plans } = await plannedShop(w.db, clock());
		assert.equal(shop.atWork.length, 3);
		for (const { record } of shop.atWork) assert.ok(plans.get(record.costume.id)!.schedule.steps.length > 0);
		const faults = await all<{ known: string | null }>(w.db, 'select known from fault');
		assert.ok(faults.some((f) => f.known !== null));
		const last = (await lastAction(w.db))!;
		const logs = () => one<{ n: number }>(w.db, 'select count(*) as n from work_log').then((r) => r!.n);
		const before = await logs();
		await undo(w.db, last.id);
		assert.equal(await logs(), before - 1, last.words);
	} finally {
		await w.close();
	}
});

test('what was in the stash becomes lots, and what was counted before there were any is still taken back', async () => {
	const counted = backup();
	const foam = counted.tables.material!.find((m) => m.id === 1)!;
	// Its stash was counted from 4 to 1 as the last thing that was done; a material with 2 in the stash was removed before.
	const newest = Math.max(...counted.tables.action!.map((a) => a.id));
	const change = Math.max(...counted.tables.change!.map((c) => c.id));
	const gone = { ...foam, id: 99, name: 'Gone', stash: 2 };
	const action = counted.tables.action!.at(-1)!;
	counted.tables.action!.push(
		{ ...action, id: newest + 1, words: 'Removed material Gone', undoes: [] },
		{ ...action, id: newest + 2, words: 'Stash of foam is 1', undoes: [] }
	);
	counted.tables.change!.push(
		{ id: change + 1, action_id: newest + 1, table_name: 'material', row_id: 99, before: gone, after: null },
		{
			id: change + 2,
			action_id: newest + 2,
			table_name: 'material',
			row_id: 1,
			before: { ...foam, stash: 4 },
			after: foam
		}
	);
	const w = await testWorkshop('2031-05-02T09:00');
	try {
		await restoreBackup(w.db, zip({ 'backup.json': Buffer.from(JSON.stringify(counted)) }), {
			pictures: false
		});
		const stash = async () =>
			new Map((await loadMaterials(w.db)).map((m) => [m.name, [m.stash, m.lots.length, m.stashNote]]));
		const first = await stash();
		for (const m of counted.tables.material!)
			assert.deepEqual(
				first.get(m.name as string),
				[m.stash, Number(m.stash) > 0 ? 1 : 0, m.stash_note],
				String(m.name)
			);
		await undo(w.db, newest + 2);
		assert.equal((await stash()).get(foam.name as string)![0], 4);
		await undo(w.db, newest + 1);
		assert.equal((await stash()).get('Gone')![0], 2);
		const { id } = (await w.run(lotCommands.addLot, {
			materialId: '1',
			quantity: '1',
			colour: '',
			place: '',
			boughtOn: '',
			packSize: '',
			packPriceMinor: '',
			bestBefore: '',
			note: ''
		})) as { id: number };
		assert.ok(id > 99, 'a new lot takes the number of none that ever was');
	} finally {
		await w.close();
	}
});

test('a costume file of before is read whole', () => {
	const read = readCostumeFile(old('costume-3'));
	assert.ok(read.ok, read.ok ? '' : read.reason);
	const was = old<Record<string, unknown[]>>('costume-3');
	for (const part of ['components', 'steps', 'coats', 'faults', 'logs', 'needs', 'shapes'] as const)
		assert.equal(read.file[part].length, was[part]!.length, part);
	for (const f of read.file.faults) assert.equal(f.known, keyOfSymptom(KNOWN_FAULTS, f.symptom));
});
