import { PGlite } from '@electric-sql/pglite';
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import {
	columnsOfTable,
	isOfCostume,
	linksWithin,
	storedName,
	TABLE_NAMES,
	TABLES,
	type TableName
} from '$core/facts/tables.ts';
import { costumeIds, demoWorkshop, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { FIRST_SETTINGS } from '$core/facts/workshop.ts';
import { writeBackup } from '../backup.ts';
import { costumeCommands } from '../commands/costume.ts';
import { unzipSync } from 'fflate';
import { act } from './action.ts';
import { loadSettings } from '../read/workshop.ts';
import { migrate } from './migrate.ts';
import { Absent, all, one, Stale } from './rows.ts';
import { insertAll, select, selectOfCostumes, set, update, type Values } from './tables.ts';

let w: TestWorkshop;
before(async () => (w = await testWorkshop('2027-03-01T09:00')));
after(() => w.close());

test('the description of the tables is what stands in the database: columns, links, triggers', async () => {
	const columns = await all<{ of: string; name: string }>(
		w.db,
		`select table_name as of, column_name as name from information_schema.columns
		where table_schema = 'public' order by table_name, column_name`
	);
	const own = (name: string) => columns.filter((c) => c.of === name).map((c) => c.name);
	for (const name of TABLE_NAMES) {
		const described = Object.entries(columnsOfTable(name)).map(([key, column]) => storedName(key, column));
		assert.deepEqual([...described, 'id', 'version'].sort(), own(name).sort(), name);
	}
	const kept = ['action', 'change', 'migration', 'revision', 'current_action', 'request', 'life'];
	const others = new Set(columns.map((c) => c.of).filter((of) => !TABLE_NAMES.some((name) => name === of)));
	assert.deepEqual(
		[...others].filter((of) => !kept.includes(of)),
		[],
		'every table is described, or belongs to History'
	);

	const links = await all<{ of: string; column: string; to: string }>(
		w.db,
		`select c.conrelid::regclass::text as of, a.attname as column, c.confrelid::regclass::text as to
		from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
		where c.contype = 'f' and c.conrelid::regclass::text = any($1)`,
		[TABLE_NAMES]
	);
	const described = TABLE_NAMES.flatMap((name) =>
		Object.entries(columnsOfTable(name))
			.filter(([, column]) => column.to)
			.map(([key, column]) => `${name}.${storedName(key, column)} → ${column.to}`)
	);
	assert.deepEqual(described.sort(), links.map((l) => `${l.of}.${l.column} → ${l.to}`).sort());

	const triggers = await all<{ of: string; name: string }>(
		w.db,
		'select tgrelid::regclass::text as of, tgname as name from pg_trigger where not tgisinternal'
	);
	for (const name of TABLE_NAMES)
		for (const trigger of ['record_change', 'count_version'])
			assert.ok(
				triggers.some((t) => t.of === name && t.name === trigger),
				`${name} has ${trigger}`
			);
});

test('what is linked to comes first, so that rows can be put in place in this order', () => {
	for (const [i, name] of TABLE_NAMES.entries())
		for (const { to } of Object.values(columnsOfTable(name)))
			if (to) assert.ok(TABLE_NAMES.slice(0, i + 1).includes(to as never), `${name} → ${to}`);
});

test('every table is in a backup', async () => {
	const zip = unzipSync(await writeBackup(w.db));
	const file = JSON.parse(new TextDecoder().decode(zip['backup.json'])) as { tables: object };
	assert.deepEqual(Object.keys(file.tables).sort(), [...TABLE_NAMES, 'action', 'change'].sort());
});

test('triggers follow the description: a table of an older version is watched from the update on', async () => {
	const pg = new PGlite();
	await migrate(pg, 9);
	await pg.exec('drop trigger record_change on offcut');
	await migrate(pg);
	const { rows } = await pg.query(
		`select 1 from pg_trigger where tgrelid = 'offcut'::regclass and tgname = 'record_change'`
	);
	assert.equal(rows.length, 1);
	await pg.close();
});

test('what was measured before readings were kept by the day is one, and what was done then is taken back', async () => {
	const pg = new PGlite();
	await migrate(pg, 24);
	await pg.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		await tx.exec(`insert into setting (id) values (1) on conflict do nothing;
			insert into action (id, at, words) values (1, '2031-05-02T10:00', 'Where it dries: 12 °C')`);
	});
	await pg.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', '1', true)`);
		await tx.exec(
			`update setting set celsius = 12, humidity = null, air_on = '2031-05-02', cold_or_damp = true where id = 1`
		);
	});
	await migrate(pg);
	const now = async () =>
		(await pg.query<{ air: unknown; cold_or_damp: boolean }>('select air, cold_or_damp from setting'))
			.rows[0];
	const on = Date.UTC(2031, 4, 2) / 86_400_000;
	assert.deepEqual(await now(), {
		air: [{ on, celsius: 12, humidity: null, coldOrDamp: true }],
		cold_or_damp: true
	});
	await pg.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		await tx.query('select revert_change(id) from change where action_id = 1');
	});
	assert.equal((await now())!.cold_or_damp, false);
	await pg.close();
});

test('rows are put in, found by their costume, and written in the version that was shown', async () => {
	const { id: costumeId } = await w.run(costumeCommands.addCostume, {
		name: 'Reed Warden',
		eventAt: '2027-06-01T09:00'
	});
	const watched = <T>(run: (tx: Parameters<typeof insertAll>[0]) => Promise<T>) =>
		w.db.transaction(async (tx) => {
			await tx.query(`select set_config('dapper.action', 'restore', true)`);
			return run(tx);
		});
	const component = { costumeId, code: 'A1', name: 'helm', kind: 'armor', form: 'shell', position: 0 };
	const [helm, crest] = await watched((tx) =>
		insertAll(tx, 'component', [component, { ...component, code: 'A2', name: 'crest', position: 1 }])
	);
	const fault = { cause: '', cure: '', occasion: 'transport', minutesLost: 0 };
	await watched((tx) =>
		insertAll(tx, 'fault', [
			{ componentId: crest, ...fault, symptom: 'came off', happenedAt: '2027-02-01T10:00' },
			{ componentId: helm, ...fault, symptom: 'split', happenedAt: '2027-02-02T10:00' }
		])
	);
	const found = await selectOfCostumes<{ symptom: string }>(w.db, 'fault', [costumeId], 'component.position');
	assert.deepEqual(
		found.map((f) => [f.costumeId, f.symptom]),
		[
			[costumeId, 'split'],
			[costumeId, 'came off']
		]
	);
	assert.deepEqual(await selectOfCostumes(w.db, 'fault', [costumeId + 1]), []);

	await watched((tx) => update(tx, 'component', { id: helm!, version: 1 }, { thicknessMm: 6 }));
	const [after] = await select<{ version: number; thicknessMm: number }>(w.db, 'component', 'id', [helm!]);
	assert.deepEqual([after!.version, after!.thicknessMm], [2, 6]);
	await assert.rejects(
		watched((tx) => update(tx, 'component', { id: helm!, version: 1 }, { thicknessMm: 4 })),
		(e) => e instanceof Stale && e.what === TABLES.component.word && e.current.thickness_mm === 6
	);
	await assert.rejects(
		watched((tx) => update(tx, 'component', { id: 999, version: 1 }, { thicknessMm: 4 })),
		Absent
	);
	await assert.rejects(
		watched((tx) => insertAll(tx, 'component', [{ ...component, colour: 'red' } as never])),
		/component has no column “colour”/
	);
	assert.equal(
		(await one<{ n: number }>(w.db, 'select count(*)::integer as n from component where costume_id = $1', [
			costumeId
		]))!.n,
		2
	);
});

test('what hangs on a costume links to nothing of another one, whichever link it is', async () => {
	const demo = await demoWorkshop();
	const ids = await costumeIds(demo.db, false);
	const rowsOf = async (table: TableName) =>
		table === 'costume'
			? ids.map((id) => ({ id, costumeId: id }))
			: selectOfCostumes<{ id: number }>(demo.db, table, ids);
	const refused: string[] = [];
	const without: string[] = [];
	for (const of of TABLE_NAMES.filter(isOfCostume))
		for (const { key, column, table } of linksWithin(of)) {
			const rows = await rowsOf(of);
			const targets = await rowsOf(table);
			const row = rows.find((r) => targets.some((t) => t.costumeId !== r.costumeId));
			const target = row && targets.find((t) => t.costumeId !== row.costumeId);
			// By this link the row hangs on its costume: it would go to the other one.
			const hangs = ['costume_id', 'component_id', 'step_id', 'picture_id', 'fitting_id'].find((c) =>
				linksWithin(of).some((l) => l.column === c)
			);
			if (!row || !target || column === hangs) {
				without.push(`${of}.${column}`);
				continue;
			}
			await assert.rejects(
				act(demo.db, async (tx) => {
					await set(tx, of, row.id, { [key]: target.id } as Values<typeof of>);
					return { words: 'Linked across', result: null };
				}),
				(error: { code?: string; detail?: string }) =>
					error.code === '23503' && error.detail === `Key (${column})=(${target.id}) is of another costume.`,
				`${of}.${column}`
			);
			refused.push(`${of}.${column}`);
		}
	for (const link of ['photo.step_id', 'photo.fault_id', 'need.step_id', 'step.fault_id', 'step.coat_id'])
		assert.ok(refused.includes(link), `${link} was tried: ${without.join(', ')} were not`);
	const [a, b] = await Promise.all(
		(await costumeIds(demo.db, false))
			.slice(0, 2)
			.map(async (id) => (await selectOfCostumes<{ id: number }>(demo.db, 'step', [id]))[0]!.id)
	);
	await assert.rejects(
		act(demo.db, async (tx) => {
			await insertAll(tx, 'step_after', [{ stepId: a, afterId: b }]);
			return { words: 'After a step of another one', result: null };
		}),
		(error: { code?: string }) => error.code === '23503'
	);
	await demo.close();
});

test('links that older data let through are undone when it is brought up to date', async () => {
	const demo = await demoWorkshop();
	const [mine, theirs] = await costumeIds(demo.db, false);
	const ids = await selectOfCostumes<{ id: number }>(demo.db, 'step', [theirs!]);
	const photo = (await selectOfCostumes<{ id: number }>(demo.db, 'photo', [mine!]))[0]!;
	await demo.db.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		await tx.query('set constraints all deferred');
		await tx.query('update photo set step_id = $1 where id = $2', [ids[0]!.id, photo.id]);
		await tx.query('select bring_up_to_14()');
	});
	assert.deepEqual(await one(demo.db, 'select step_id from photo where id = $1', [photo.id]), {
		stepId: null
	});
	await demo.close();
});

test('a workshop whose settings nobody has chosen has those that the tables begin with', async () => {
	assert.deepEqual(await loadSettings(w.db), { id: 1, ...FIRST_SETTINGS });
});
