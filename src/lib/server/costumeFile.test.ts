import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { costumeIds, testWorkshop, type TestWorkshop, demoWorkshop } from '$tests/support/workshop.ts';
import { costumeCommands } from './commands/costume.ts';
import { fileCommands } from './commands/file.ts';
import { layoutCommands } from './commands/layout.ts';
import { planCommands } from './commands/plan.ts';
import { workshopCommands } from './commands/workshop.ts';
import { writeCostumeZip } from './costumeFile.ts';
import { act } from './db/action.ts';
import { all, one } from './db/rows.ts';
import type { Database } from './db/open.ts';
import { loadRecord } from './read/costume.ts';
import { loadLayouts } from './read/layout.ts';
import { loadWorkshop } from './read/workshop.ts';

/** Tables of a costume, by the way that leads to it. */
const OF_COSTUME: Record<string, string> = {
	costume: 'id = $1',
	component: 'costume_id = $1',
	purchase: 'costume_id = $1',
	photo: 'costume_id = $1',
	reference_picture: 'costume_id = $1',
	costume_wearer: 'costume_id = $1',
	found_plan: 'costume_id = $1',
	fitting: 'costume_id = $1',
	layout: 'costume_id = $1',
	palette_colour: 'costume_id = $1',
	swatch: 'costume_id = $1',
	variant: 'costume_id = $1',
	variant_without: 'variant_id in (select id from variant where costume_id = $1)',
	preparation: 'costume_id = $1',
	wear_log: 'costume_id = $1',
	next_time: 'costume_id = $1',
	rehearsal: 'costume_id = $1',
	rehearsal_time: 'rehearsal_id in (select id from rehearsal where costume_id = $1)',
	moving: 'costume_id = $1',
	move_check: 'costume_id = $1',
	palette_part: 'component_id in (select id from component where costume_id = $1)',
	...Object.fromEntries(
		[
			'coat',
			'fault',
			'step',
			'need',
			'opening',
			'nominal',
			'decision',
			'shape',
			'wear_join',
			'wearing',
			'keeping'
		].map((table) => [table, 'component_id in (select id from component where costume_id = $1)'])
	),
	step_after:
		'step_id in (select s.id from step s join component c on c.id = s.component_id where c.costume_id = $1)',
	work_log:
		'ended_at is not null and step_id in (select s.id from step s join component c on c.id = s.component_id where c.costume_id = $1)',
	callout: 'picture_id in (select id from reference_picture where costume_id = $1)',
	picture_measure: 'picture_id in (select id from reference_picture where costume_id = $1)',
	fitting_component: 'fitting_id in (select id from fitting where costume_id = $1)',
	fitting_point: 'fitting_id in (select id from fitting where costume_id = $1)',
	wearer: 'id in (select wearer_id from costume_wearer where costume_id = $1)',
	body_measure: 'wearer_id in (select wearer_id from costume_wearer where costume_id = $1)'
};
/** The workshop's own: materials, places and makers come along by name. */
const OF_WORKSHOP = [
	'action',
	'change',
	'migration',
	'setting',
	'maker',
	'place',
	'working_window',
	'day_off',
	'away',
	'rate',
	'handbook_row',
	'exchange_rate',
	'revision',
	'life',
	'material',
	'lot',
	'offcut',
	'supplier',
	'offer',
	'joint_purchase'
];
/** A quote is between a maker and a client, rules are the event’s, cases the maker’s, ticks of one trip or look, what is taken along of one kit and what is borrowed of another costume: in the backup, and handed to nobody with the costume. */
const STAYS = [
	'quote',
	'event_rule',
	'travel_case',
	'pack_tick',
	'inspected',
	'kit_limit',
	'kit_item',
	'loan'
];
/** Receipts are the maker's own; what was bought with others is one's own part of it. Counters, when it was read, whether it is put away; pictures are encoded anew, pieces stay in their order. */
const NOT_COMPARED: Record<string, string[]> = {
	costume: ['archived_at', 'stash_turn', 'hours_turn'],
	photo: ['hash', 'bytes', 'mime'],
	purchase: ['joint_id', 'hash', 'mime', 'width', 'height', 'bytes'],
	reference_picture: ['hash', 'bytes', 'mime', 'position'],
	shape: ['position'],
	found_plan: ['found_at']
};

type Row = Record<string, unknown>;

/** Every row of a costume, with links as "the third step" or "the maker called Me" in place of ids. */
async function rowsOf(db: Database, costumeId: number): Promise<Record<string, Row[]>> {
	const links = await all<{ tableName: string; columnName: string; target: string }>(
		db,
		`select c.conrelid::regclass::text as table_name, a.attname as column_name, c.confrelid::regclass::text as target
		from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
		where c.contype = 'f'`
	);
	const tables: Record<string, Row[]> = {};
	for (const [table, where] of Object.entries(OF_COSTUME)) {
		const found = await db.query<{ row: Row }>(
			// The test's own words, no one else's.
			['select to_jsonb(t) as row from', table, 't where', where, 'order by t.id'].join(' '),
			[costumeId]
		);
		tables[table] = found.rows.map((r) => r.row);
	}
	const names = await all<{ tableName: string; id: number; name: string }>(
		db,
		`select 'maker' as table_name, id, name from maker union all select 'place', id, name from place
		union all select 'material', id, name from material union all select 'wearer', id, name from wearer
		union all select 'reference_picture', id, title from reference_picture`
	);
	const place = (table: string, id: unknown): unknown => {
		if (id === null) return null;
		const byName = names.find((n) => n.tableName === table && n.id === Number(id))?.name;
		return byName ?? `${table} ${tables[table]!.findIndex((r) => r.id === id) + 1}`;
	};
	const its = (table: string, row: Row): Row => {
		const bare = Object.entries(row)
			.filter(([k]) => k !== 'id' && k !== 'version' && !NOT_COMPARED[table]?.includes(k))
			.map(([k, v]): [string, unknown] => {
				const link = links.find((l) => l.tableName === table && l.columnName === k);
				return [k, link ? place(link.target, v) : v];
			});
		return Object.fromEntries(bare);
	};
	const plain = Object.fromEntries(
		Object.entries(tables).map(([table, rows]) => [table, structuredClone(rows.map((r) => its(table, r)))])
	);
	// What stands inside of JSON.
	for (const row of plain.layout!) {
		const plan = row.plan as {
			stock: { id: unknown; sheets: Row[] };
			pieces: Row[];
			placements: Row[];
		};
		plan.stock.id = place('material', plan.stock.id);
		for (const sheet of plan.stock.sheets) delete sheet.offcut;
		for (const r of [...plan.pieces, ...plan.placements]) r.stock = place('material', r.stock);
		for (const p of [...plan.pieces, ...(row.parts as Row[])])
			p.componentId = place('component', p.componentId);
	}
	for (const row of plain.found_plan!)
		for (const step of row.plan as Row[]) {
			step.step = place('step', step.step);
			if (step.makers) step.makers = (step.makers as number[]).map((m) => place('maker', m));
		}
	// The order counts where others link by it.
	const linked = ['component', 'coat', 'fault', 'step', 'fitting'];
	const sorted = (rows: Row[]) => [...rows].sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
	return Object.fromEntries(
		Object.entries(plain).map(([table, rows]) => [table, linked.includes(table) ? rows : sorted(rows)])
	);
}

let w: TestWorkshop;
let elsewhere: TestWorkshop;
let ids: number[];
before(async () => {
	w = await demoWorkshop();
	elsewhere = await testWorkshop('2031-04-28T18:00');
	ids = await costumeIds(w.db, false);
	// What the demo has none of: a place that is not for spraying, an order that was searched, a cut layout.
	await w.run(workshopCommands.addPlace, { name: 'Cutting table', capacity: '2', dryOnly: 'on' });
	const table = (await loadWorkshop(w.db)).places.find((p) => p.name === 'Cutting table')!;
	await w.run(workshopCommands.addWindow, {
		placeId: String(table.id),
		makerId: '',
		days: ['1', '3'],
		from: '18:00',
		to: '21:00'
	});
	await act(w.db, async (tx) => {
		await tx.query(`update step set place_id = $1 where technique = 'cutFoam'`, [table.id]);
		await tx.query(`insert into step_after (step_id, after_id)
			select max(s.id), min(s.id) from step s join component c on c.id = s.component_id group by c.costume_id`);
		await tx.query(
			`insert into decision (component_id, source, reason, decided_at) select min(id), 'buy', 'dear', $1 from component`,
			['2031-04-01T10:00']
		);
		return { words: 'Cut at the table', result: null };
	});
	for (const id of ids) {
		const record = (await loadRecord(w.db, id))!;
		const open = record.steps.filter((s) => s.doneAt === null).slice(0, 4);
		await w.run(
			planCommands.keepPlan,
			{ plan: JSON.stringify(open.map((s, i) => (i % 2 ? { step: s.id, makers: [1] } : { step: s.id }))) },
			id
		);
		for (const layout of await loadLayouts(w.db, id))
			await w.run(
				layoutCommands.cutLayout,
				{ id: String(layout.id), version: String(layout.version), least: '5' },
				id
			);
	}
});
after(async () => {
	await w.close();
	await elsewhere.close();
});

test('every table is either a costume’s, and travels, or the workshop’s own', async () => {
	const tables = await all<{ name: string }>(
		w.db,
		`select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`
	);
	assert.deepEqual(
		tables.map((t) => t.name).sort(),
		[...Object.keys(OF_COSTUME), ...OF_WORKSHOP, ...STAYS].sort(),
		'a new table has to be told here, and to travel if it is a costume’s'
	);
});

test('a costume read from its file in another workshop is the same in every table', async () => {
	const seen = new Set<string>();
	for (const id of ids) {
		const zip = await writeCostumeZip(w.db, id, await loadWorkshop(w.db));
		const made = await elsewhere.run(fileCommands.importCostume, {
			file: new File([zip as BlobPart], 'x.dapper.zip')
		});
		const [there, here] = [await rowsOf(elsewhere.db, made.id), await rowsOf(w.db, id)];
		for (const [table, rows] of Object.entries(here)) {
			assert.deepEqual(there[table], rows, `${table} of costume ${id}`);
			if (rows.length) seen.add(table);
		}
	}
	assert.deepEqual(
		Object.keys(OF_COSTUME).filter((t) => !seen.has(t)),
		[],
		'each was compared with something in it'
	);
	const table = (await loadWorkshop(elsewhere.db)).places.find((p) => p.name === 'Cutting table')!;
	assert.deepEqual(
		[table.capacity, table.dryOnly, table.windows.map(({ days, from, to }) => [days, from, to])],
		[2, true, [[[1, 3], 1080, 1260]]],
		'a place that is not known yet comes with its hours'
	);
});

test('a copy starts with nothing cut, in its places, without the steps of the first wearer’s fittings', async () => {
	for (const id of ids) {
		const { id: copy } = await w.run(fileCommands.copyCostume, {
			id: String(id),
			name: 'Once more',
			eventAt: '2032-01-10T09:00'
		});
		const [source, made] = [await rowsOf(w.db, id), await rowsOf(w.db, copy)];
		assert.ok(made.need!.every((n) => n.taken === 0));
		assert.ok(made.layout!.every((l) => l.cut_at === null && l.from_stash === null));
		assert.equal(made.layout!.length, source.layout!.length);
		const fitted = new Set(source.fitting_point!.map((p) => p.step_id).filter((s) => s !== null));
		const expected = source.step!.filter((s, i) => s.fault_id === null && !fitted.has(`step ${i + 1}`));
		assert.deepEqual(
			made.step!.map((s) => [s.name, s.place_id, s.done_at]),
			expected.map((s) => [s.name, s.place_id, null])
		);
		for (const table of [
			...['fault', 'work_log', 'purchase', 'fitting', 'fitting_point', 'found_plan'],
			...['wear_log', 'rehearsal', 'rehearsal_time', 'move_check']
		])
			assert.equal(made[table]!.length, 0, table);
		for (const table of [
			'component',
			'coat',
			'shape',
			'opening',
			'nominal',
			'wear_join',
			'wearing',
			'variant',
			'variant_without',
			'preparation',
			'decision',
			'callout',
			'picture_measure'
		])
			assert.deepEqual(made[table], source[table], table);
		await w.run(costumeCommands.removeCostume, { id: String(copy) });
	}
	const cut = await one<{ n: number }>(
		w.db,
		'select count(*)::integer as n from layout where cut_at is not null'
	);
	const fitted = await one<{ n: number }>(
		w.db,
		'select count(*)::integer as n from fitting_point where step_id is not null'
	);
	assert.ok(cut!.n > 0 && fitted!.n > 0, 'there was something to leave behind');
});

test('files of form 2, which know the spray place alone, are still read', async () => {
	const [id] = ids;
	const { readCostumeZip } = await import('./costumeFile.ts');
	const zip = await writeCostumeZip(w.db, id!, await loadWorkshop(w.db));
	const { file } = readCostumeZip(zip);
	const sprayed = new Set(file.places.filter((p) => p.forSpray).map((p) => p.id));
	const { places: _p, found: _f, layouts: _l, ...rest } = file;
	const old = {
		...rest,
		version: 2,
		photos: [],
		pictures: [],
		callouts: [],
		pictureMeasures: [],
		logs: file.logs.map(({ maker: _m, ...l }) => l),
		steps: file.steps.map(({ placeId, ...s }) => ({ ...s, needsSprayPlace: sprayed.has(placeId ?? 0) }))
	};
	const { zipSync } = await import('fflate');
	const bytes = zipSync({ 'costume.json': Buffer.from(JSON.stringify(old)) });
	const made = await elsewhere.run(fileCommands.importCostume, {
		file: new File([bytes as BlobPart], 'x.zip')
	});
	const steps = (await loadRecord(elsewhere.db, made.id))!.steps;
	const wanted = old.steps.filter((s) => s.needsSprayPlace && !s.leftOut).length;
	assert.ok(wanted > 0);
	assert.equal(steps.filter((s) => s.placeId === 1).length, wanted);
});
