import assert from 'node:assert/strict';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { zipSync } from 'fflate';
import { costumeIds, type TestWorkshop, demoWorkshop } from '$tests/support/workshop.ts';
import { formatLocalTime } from '../../core/units/localTime.ts';
import { act } from './db/action.ts';
import { automaticBackup, listBackups, readBackup, writeBackup } from './backup.ts';
import { restoreBackup } from './restore.ts';
import { clock, startClock } from './clock.ts';
import { costumeCommands } from './commands/costume.ts';
import { NEWEST_SCHEMA } from './db/migrate.ts';
import { one, Refused, Renewed } from './db/rows.ts';
import { loadRecords } from './read/costume.ts';
import { plannedCostume } from './read/plans.ts';
import { unzip } from './zip.ts';

let w: TestWorkshop;
let NOW: number;
before(async () => {
	w = await demoWorkshop();
	NOW = clock();
});
after(() => w.close());

const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);

test('a second restore within the minute keeps a second copy, and no page shows what is gone', async () => {
	const [id] = await costumeIds(w.db, false);
	const name = async () => (await plannedCostume(w.db, id!, NOW))!.record.costume.name;
	const rename = async (to: string) => {
		const { eventAt, version } = (await loadRecords(w.db, [id!]))[0]!.costume;
		await w.run(
			costumeCommands.editCostume,
			{
				...{
					id: String(id),
					version: String(version),
					name: to,
					wearer: '',
					eventName: '',
					limitMinor: '',
					note: ''
				},
				...{
					eventAt: formatLocalTime(eventAt),
					bufferDays: '2',
					split: 'windows',
					targetOdds: '85',
					rehearsalAt: ''
				}
			},
			id!
		);
	};
	const before = await writeBackup(w.db);
	const first = await name();
	await rename('Changed once');
	await restoreBackup(w.db, before);
	await rename('Changed again');
	// The same number of changes as before the restore, other contents: what was planned before is not shown.
	const key = (await plannedCostume(w.db, id!, NOW))!.key;
	assert.equal(await name(), 'Changed again');
	await restoreBackup(w.db, before);
	await rename('Changed at last');
	assert.equal(await name(), 'Changed at last');
	assert.notEqual((await plannedCostume(w.db, id!, NOW))!.key, key, 'nor are the odds of it');
	await restoreBackup(w.db, before);
	assert.equal(await name(), first);
	const copies = (await listBackups(w.db)).filter((n) => n.includes('before-restore'));
	assert.equal(copies.length, 3);
	const nameIn = async (copy: string) => {
		const rows = JSON.parse(Buffer.from(unzip(await readBackup(w.db, copy), 1e8)['backup.json']!).toString());
		return rows.tables.costume.find((c: { id: number }) => c.id === id).name;
	};
	// The newest first, each with what that restore took away.
	assert.deepEqual(await Promise.all(copies.map(nameIn)), [
		'Changed at last',
		'Changed again',
		'Changed once'
	]);
});

test('automatic backups: only after changes, the last seven kept, each restorable', async () => {
	await automaticBackup(w.db);
	const once = await listBackups(w.db);
	await automaticBackup(w.db);
	assert.deepEqual(await listBackups(w.db), once, 'nothing changed, nothing written');
	for (let n = 10; n < 20; n++)
		writeFileSync(join(w.folder, 'backups', `2020-01-${n}T10-00-at-start.dapper-backup.zip`), 'old');
	const [id] = await costumeIds(w.db, false);
	await w.run(costumeCommands.archiveCostume, { id: String(id) });
	await automaticBackup(w.db);
	const kept = await listBackups(w.db);
	const atStart = kept.filter((name) => name.includes('at-start'));
	assert.equal(atStart.length, 7);
	assert.equal(
		kept.filter((name) => name.includes('before-restore')).length,
		3,
		'those are never cleared away'
	);
	await w.run(costumeCommands.restoreCostume, { id: String(id) });
	await restoreBackup(w.db, await readBackup(w.db, atStart[0]!));
	assert.equal((await costumeIds(w.db, true)).length, 1, 'as it was at the backup');
	await w.run(costumeCommands.restoreCostume, { id: String(id) });
	assert.throws(() => readBackup(w.db, '../../etc/passwd'), refused(/no such backup/));
	await assert.rejects(restoreBackup(w.db, Buffer.from('no zip')), refused(/./));
	await assert.rejects(
		restoreBackup(w.db, zipSync({ 'backup.json': Buffer.from(`{"schema":${NEWEST_SCHEMA + 1}}`) })),
		refused(/newer Dapper Ledger/)
	);
});

test('a clock that ran ahead ends no backup that is made after it', async () => {
	const [id] = await costumeIds(w.db, false);
	const change = async () => {
		const archived = (await costumeIds(w.db, true)).includes(id!);
		await w.run(archived ? costumeCommands.restoreCostume : costumeCommands.archiveCostume, {
			id: String(id)
		});
	};
	startClock('2099-01-01T08:00');
	for (let n = 0; n < 8; n++) {
		await change();
		await automaticBackup(w.db);
	}
	startClock('2031-05-01T08:00');
	await change();
	await automaticBackup(w.db);
	const atStart = async () => (await listBackups(w.db)).filter((name) => name.includes('at-start'));
	assert.equal((await atStart()).length, 7);
	assert.ok(
		(await atStart()).some((name) => name.startsWith('2031-05-01T08-00')),
		'the newest is there'
	);
	// Seven more, and nothing of the wrong year is left.
	for (let n = 0; n < 7; n++) {
		await change();
		await automaticBackup(w.db);
	}
	assert.ok((await atStart()).every((name) => name.startsWith('2031-05-01')));
});

test('after a restore nothing is taken from what was shown before, also by a window that is as far; two at once are one after the other', async () => {
	const before = await writeBackup(w.db);
	const shown = w.db.life;
	const [id] = await costumeIds(w.db, false);
	await Promise.all([restoreBackup(w.db, before), restoreBackup(w.db, before)]);
	assert.notEqual(w.db.life, shown);
	assert.equal((await one<{ id: string }>(w.db, 'select id from life'))!.id, w.db.life, 'as it is kept');
	const archive = (life: string | null) =>
		act(
			w.db,
			async (tx) => {
				await tx.query('update costume set note = $2 where id = $1', [id, 'from before']);
				return { words: 'Wrote a note', result: null };
			},
			null,
			life
		);
	await assert.rejects(archive(shown), Renewed);
	await archive(w.db.life);
	assert.deepEqual(await one(w.db, 'select note from costume where id = $1', [id]), { note: 'from before' });
});
