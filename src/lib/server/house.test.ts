import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { costumeIds, testWorkshop, type TestWorkshop } from '../../../tests/support/workshop.ts';
import { ShopPlan } from '../../core/answers/shopPlan.ts';
import { act } from './db/action.ts';
import { loadShop } from './read/shop.ts';
import { formatLocalTime } from '../../core/units/localTime.ts';
import { stageOf } from '../../core/answers/stage.ts';
import { inOrder } from '../../core/facts/order.ts';
import { automaticBackup, listBackups, readBackup, restoreBackup, writeBackup } from './backup.ts';
import { clock } from './clock.ts';
import { costumeCommands } from './commands/costume.ts';
import { FolderInUse, lockFolder, noteAddress } from './db/lock.ts';
import { migrate, NewerData, NEWEST_SCHEMA } from './db/migrate.ts';
import { Refused } from './db/rows.ts';
import { layOutDemo } from './demo/layOut.ts';
import { filePath, storeFile, storePicture } from './pictures.ts';
import { loadRecords } from './read/costume.ts';
import { plannedCostume, plannedShop } from './read/plans.ts';
import { loadWorkshop } from './read/workshop.ts';
import { unzip, zip } from './zip.ts';

let w: TestWorkshop;
let NOW: number;
before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	NOW = clock();
	await layOutDemo(w.db);
});
after(() => w.close());

const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);
const temporary = () => mkdtempSync(join(tmpdir(), 'dapper-house-'));

test('the demo: three costumes, as large as promised, one thing drying, one parcel late, faults open and mended', async () => {
	const records = await loadRecords(w.db, await costumeIds(w.db, false));
	const workshop = await loadWorkshop(w.db);
	assert.equal(records.length, 3);
	const count = (of: (r: (typeof records)[number]) => readonly unknown[]) =>
		records.reduce((sum, r) => sum + of(r).length, 0);
	assert.ok(count((r) => r.components) >= 12, `${count((r) => r.components)} components`);
	assert.ok(count((r) => r.steps) >= 90, `${count((r) => r.steps)} steps`);
	assert.ok(count((r) => r.logs) >= 40, `${count((r) => r.logs)} logged sessions`);
	assert.ok(workshop.materials.length >= 25, `${workshop.materials.length} materials`);
	const stages = records.flatMap((r) => r.components.map((c) => stageOf(c, r, workshop, NOW)));
	for (const stage of ['drying', 'broken', 'mended', 'ready', 'to pattern', 'to make'] as const)
		assert.ok(stages.includes(stage), `something is ${stage}`);
	assert.ok(
		records.some((r) => r.purchases.some((p) => p.state === 'ordered' && p.dueOn! < Math.floor(NOW / 1440)))
	);
	assert.ok(
		records.some((r) => r.faults.some((f) => f.cameBackOf !== null)),
		'one fault came back'
	);
	// Nothing in it is done out of order, nor worked on before its event or after now.
	for (const r of records)
		for (const c of r.components) {
			const done = inOrder(r.steps, c.id).map((s) => s.doneAt !== null);
			const usual = done.filter((_, i) => inOrder(r.steps, c.id)[i]!.faultId === null);
			assert.deepEqual(
				usual,
				[...usual].sort((a, b) => Number(b) - Number(a)),
				`${c.name}: done steps come first`
			);
		}
	assert.ok(records.every((r) => r.logs.every((l) => l.endedAt! <= NOW + 24 * 60)));
	await layOutDemo(w.db);
	assert.equal((await costumeIds(w.db, false)).length, 3, 'laid out once');
});

test('the demo’s plans: placed whole, on shared hours that nobody gets twice', async () => {
	const { workshop, atWork } = await loadShop(w.db);
	const plans = [...new ShopPlan().plan(workshop, atWork, NOW)].map((p) => p.plan);
	assert.deepEqual(
		plans.flatMap((p) => p.schedule.impossible),
		[]
	);
	const worked = plans
		.flatMap((p) => p.schedule.steps.flatMap((s) => s.makers.flatMap((m) => s.blocks.map((b) => ({ m, b })))))
		.sort((x, y) => x.b[0] - y.b[0]);
	for (const maker of new Set(worked.map((x) => x.m))) {
		const mine = worked.filter((x) => x.m === maker);
		for (let i = 1; i < mine.length; i++)
			assert.ok(mine[i]!.b[0] >= mine[i - 1]!.b[1], `${maker} is booked twice`);
	}
});

/** Which costumes have another plan, and which another record, after a change. */
async function whatMoved(change: () => Promise<unknown>): Promise<{ planned: number[]; read: number[] }> {
	const before = await plannedShop(w.db, NOW);
	await change();
	const after = await plannedShop(w.db, NOW);
	const records = new Map(before.shop.atWork.map((c) => [c.record.costume.id, c.record]));
	const ids = after.shop.atWork.map((c) => c.record.costume.id);
	return {
		planned: ids.filter((id) => after.plans.get(id) !== before.plans.get(id)),
		read: after.shop.atWork.flatMap(({ record }) =>
			records.get(record.costume.id) === record ? [] : record.costume.id
		)
	};
}

test('the shop is read once: requests in flight share it, and nothing is planned twice', async () => {
	const [one, two] = await Promise.all([loadShop(w.db), loadShop(w.db)]);
	assert.equal(one, two);
	assert.deepEqual(await whatMoved(async () => {}), { planned: [], read: [] });
});

test('a change reads the costume that it is of, and plans what it moves', async () => {
	const last = (await loadShop(w.db)).atWork.at(-1)!.record.costume;
	const later = () =>
		w.run(
			costumeCommands.editCostume,
			{
				version: String(last.version),
				name: last.name,
				wearer: last.wearer,
				eventName: last.eventName,
				eventAt: '2098-06-01T10:00',
				bufferDays: '5',
				limitMinor: '',
				split: 'windows',
				note: ''
			},
			last.id
		);
	assert.deepEqual(await whatMoved(later), { planned: [last.id], read: [last.id] });
	const { plans } = await plannedShop(w.db, NOW);
	assert.notEqual((await plannedShop(w.db, NOW + 5)).plans.get(last.id), plans.get(last.id), 'time moves on');
	const found = await plannedCostume(w.db, last.id, NOW);
	assert.equal(found!.first.length, 2, 'the two with earlier events go first');
	assert.equal(await plannedCostume(w.db, 99_999, NOW), null);
});

test('a caption replans nothing, and is there to be read', async () => {
	const { record } = (await loadShop(w.db)).atWork[0]!;
	const { id } = record.photos[0] ?? (await loadShop(w.db)).atWork.flatMap((c) => c.record.photos)[0]!;
	const costumeId = (await loadShop(w.db)).atWork.find((c) => c.record.photos.some((p) => p.id === id))!
		.record.costume.id;
	const caption = () =>
		act(w.db, async (tx) => {
			await tx.query('update photo set caption = $2 where id = $1', [id, 'the sharp side']);
			return { words: 'Named a photo', costumeId, result: null };
		});
	assert.deepEqual(await whatMoved(caption), { planned: [], read: [costumeId] });
	const held = (await loadShop(w.db)).atWork.find((c) => c.record.costume.id === costumeId)!;
	assert.equal(held.record.photos.find((p) => p.id === id)!.caption, 'the sharp side');
});

test('a material that is changed replans those who use it', async () => {
	const { atWork, workshop } = await loadShop(w.db);
	const users = (id: number) => atWork.filter((c) => c.needs.has(id)).map((c) => c.record.costume.id);
	const material = workshop.materials.find((m) => users(m.id).length === 1)!;
	const lead = () =>
		act(w.db, async (tx) => {
			await tx.query('update material set lead_days = lead_days + 40, stash = 0 where id = $1', [
				material.id
			]);
			return { words: 'Slower', result: null };
		});
	const moved = await whatMoved(lead);
	assert.ok(moved.planned.includes(users(material.id)[0]!));
	assert.deepEqual(moved.read, []);
	await w.undoLast();
});

test('an archived costume is planned alone', async () => {
	const [id] = await costumeIds(w.db, false);
	await w.run(costumeCommands.archiveCostume, { id: String(id) });
	assert.ok((await plannedCostume(w.db, id!, NOW))!.plan.schedule.steps.length > 0);
	assert.deepEqual(await costumeIds(w.db, true), [id]);
	await w.run(costumeCommands.restoreCostume, { id: String(id) });
});

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

test('pictures: what is kept is our own encoding, under the hash of its bytes', async () => {
	const folder = temporary();
	mkdirSync(join(folder, 'files'));
	const make = () => sharp({ create: { width: 5000, height: 10, channels: 4, background: '#2468' } });
	for (const [mime, data] of [
		['image/png', await make().png().toBuffer()],
		['image/webp', await make().webp().toBuffer()],
		['image/jpeg', await make().flatten().jpeg().toBuffer()]
	] as const) {
		const stored = await storePicture(folder, data);
		assert.equal(stored.mime, mime);
		assert.equal(stored.width, 4096, 'the longest side is limited');
		assert.equal((await storePicture(folder, data)).hash, stored.hash, 'the same picture is stored once');
	}
	assert.equal(readdirSync(join(folder, 'files')).length, 3, 'and no half-written file is left');
	const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(64)]);
	await assert.rejects(storePicture(folder, heic), refused(/HEIC.*JPEG/));
	await assert.rejects(storePicture(folder, new Uint8Array()), refused(/empty/));
	await assert.rejects(
		storePicture(folder, Buffer.from('<html><script>1</script></html>')),
		refused(/not a JPEG/)
	);
	const gif = await make().gif().toBuffer();
	await assert.rejects(storePicture(folder, gif), refused(/not a JPEG, PNG or WebP/));
	const hash = await storeFile(folder, Buffer.from('x'));
	assert.ok(filePath(folder, hash).endsWith(hash));
	rmSync(folder, { recursive: true });
});

test('zips: out and in; names that would climb out of the folder are passed over; limits are counted', () => {
	const text = Buffer.from('x'.repeat(5000));
	const packed = zip({ 'a.json': text, 'files/b': Buffer.from([1, 2, 3]) });
	assert.deepEqual(Object.keys(unzip(packed, 10_000)).sort(), ['a.json', 'files/b']);
	assert.deepEqual(Buffer.from(unzip(packed, 10_000)['a.json']!), text);
	assert.deepEqual(Object.keys(unzip(zipSync({ '../evil': text, 'C:\\x': text, ok: text }), 20_000)), ['ok']);
	assert.throws(() => unzip(packed, 4000), refused(/larger than/));
	assert.throws(() => unzip(packed, 10_000, 1000), refused(/larger than/));
	assert.throws(() => unzip(packed.subarray(0, packed.length - 10), 10_000), refused(/damaged or cut off/));
	assert.throws(() => unzip(new Uint8Array(), 10_000), refused(/damaged or cut off/));
	const flipped = Uint8Array.from(packed);
	flipped[40]! ^= 0xff;
	assert.doesNotThrow(() => {
		try {
			unzip(flipped, 10_000);
		} catch (e) {
			if (!(e instanceof Refused)) throw e;
		}
	}, 'damage is refused or passed over, never a crash');
});
