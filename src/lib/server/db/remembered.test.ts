import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { TABLE_NAMES } from '$core/facts/tables.ts';
import { costumeIds, demoWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { writeBackup } from '../backup.ts';
import { logCommands, runningLogs } from '../commands/log.ts';
import { loadEntered, loadPieces } from '../read/costume.ts';
import { cutLayouts, loadLayouts } from '../read/layout.ts';
import { loadLook } from '../read/look.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadObservations, loadWorkshopRows } from '../read/workshop.ts';
import { restoreBackup } from '../restore.ts';
import { act } from './action.ts';
import type { Executor, Rows } from './open.ts';
import { Remembered } from './remembered.ts';
import { all } from './rows.ts';
import { select } from './tables.ts';
import { lastAction, lastUndo, listActions, undo } from './undo.ts';

const SMALL = {
	tables: [
		{ name: 'step', recorded: true },
		{ name: 'need', recorded: true },
		{ name: 'action', recorded: false }
	],
	functions: ['rows_of']
};

/** A database that counts how often it is asked. */
function counting() {
	const remembered = new Remembered(SMALL);
	let asked = 0;
	const read = async (sql: string, params: unknown[] = [], rows: unknown[] = [{ n: 1 }]) => {
		const before = asked;
		const answer = await remembered.read(sql, params, async () => {
			asked++;
			return { rows } as Rows<unknown>;
		});
		return { anew: asked > before, answer };
	};
	return {
		remembered,
		read,
		anew: async (sql: string, params?: unknown[]) => (await read(sql, params)).anew
	};
}

test('what is read is remembered until a table that it names is written to', async () => {
	const { remembered, anew } = counting();
	assert.ok(await anew('select id from step where id = $1', [1]));
	assert.ok(!(await anew('select id from step where id = $1', [1])));
	assert.ok(await anew('select id from step where id = $1', [2]), 'of another row');
	remembered.wrote(['need']);
	assert.ok(!(await anew('select id from step where id = $1', [1])));
	remembered.wrote(['step']);
	assert.ok(await anew('select id from step where id = $1', [1]));
	assert.ok(await anew('select s.id from step s join need n on n.step_id = s.id'));
	remembered.wrote(['need']);
	assert.ok(await anew('select s.id from step s join need n on n.step_id = s.id'));
	assert.ok(await anew('select id from action'));
	remembered.wrote(['need']);
	assert.ok(await anew('select id from action'), 'nobody records what is written to it');
	remembered.forget();
	assert.ok(await anew('select id from step where id = $1', [1]));
});

test('what says something else each time, calls what is not seen through, or writes, is asked each time', async () => {
	const { anew } = counting();
	for (const sql of [
		'select now() from step',
		'select id from step for update',
		`select rows_of('step')`,
		`select current_setting('dapper.action')`,
		'with gone as (delete from step returning id) select id from gone'
	])
		for (const _ of [1, 2]) assert.ok(await anew(sql), sql);
	assert.ok(await anew('select id from need'));
	assert.ok(await anew('update step set done_at = null'));
	assert.ok(await anew('select id from need'), 'what is written past the record forgets all');
});

test('a write while it is read: the answer is given, and not again', async () => {
	const { remembered, anew } = counting();
	let answered = () => {};
	const reading = remembered.read('select id from step', [], async () => {
		await new Promise<void>((done) => (answered = done));
		return { rows: [] };
	});
	remembered.wrote(['step']);
	answered();
	await reading;
	assert.ok(await anew('select id from step'));
});

test('what fails is not remembered, nor what is very long; what is remembered cannot be changed', async () => {
	const { remembered, read, anew } = counting();
	await assert.rejects(
		remembered.read('select id from step', [], async () => {
			throw new Error('It broke');
		}),
		/It broke/
	);
	assert.ok(await anew('select id from step'));
	const long = [{ rows: 'x'.repeat(400_001) }];
	assert.ok((await read('select id from need', [], long)).anew);
	assert.ok((await read('select id from need', [], long)).anew);
	const { answer } = await read('select points from step', [], [{ points: [1, 2] }]);
	assert.throws(() => (answer.rows as { points: number[] }[])[0]!.points.push(3), TypeError);
	assert.throws(() => answer.rows.pop(), TypeError);
});

test('what is asked for last is kept, as far as there is room', async () => {
	const { read } = counting();
	const rows = [{ rows: 'x'.repeat(399_000) }];
	const asked = async (n: number) => (await read('select rows from step where id = $1', [n], rows)).anew;
	for (let n = 0; n < 60; n++) assert.ok(await asked(n));
	assert.ok(!(await asked(59)));
	assert.ok(!(await asked(30)), 'forty have room');
	assert.ok(await asked(0));
});

let w: TestWorkshop;
let ids: number[];
before(async () => {
	w = await demoWorkshop();
	ids = await costumeIds(w.db, false);
});
after(() => w.close());

/** What pages read. */
async function everything(db: Executor): Promise<Record<string, unknown>> {
	const found: Record<string, unknown> = {
		workshop: await loadWorkshopRows(db),
		entered: await loadEntered(db, ids),
		pieces: [...(await loadPieces(db, ids))],
		logs: [...(await loadObservations(db, ids))],
		running: await runningLogs(db),
		last: await lastAction(db),
		redo: await lastUndo(db),
		history: await listActions(db, null, null, 20)
	};
	for (const id of ids)
		found[id] = [
			await loadLook(db, id),
			await loadMeasure(db, id),
			await loadLayouts(db, id),
			await cutLayouts(db, id)
		];
	for (const table of TABLE_NAMES) found[table] = await select(db, table);
	return found;
}
/** A transaction asks the database itself. */
const asStored = () => w.db.transaction(everything);
const heldToStored = async (what: string) => assert.deepEqual(await everything(w.db), await asStored(), what);

test('a log is seen at once, and what does not read logs is not read anew', async () => {
	const facts = async () => (await loadMeasure(w.db, ids[0]!)).shapes;
	await heldToStored('to begin with');
	const before = await facts();
	const [step] = (await loadEntered(w.db, ids))[0]!.steps;
	await w.run(
		logCommands.logWork,
		{ stepId: String(step!.id), makerId: '1', endedAt: '2031-04-20T20:00', minutes: '5', note: 'seen' },
		ids[0]!
	);
	await heldToStored('after a log');
	assert.equal((await facts())[0], before[0], 'the same shape');
	await w.undoLast();
	await heldToStored('after it is undone');
});

test('a row of any table gone with all that hangs on it, and back by undo: what is remembered is what is stored', async () => {
	let gone = 0;
	for (const table of TABLE_NAMES) {
		for (const { id } of (await select<{ id: number }>(w.db, table)).slice(0, 1)) {
			const removed = await act(w.db, async (tx) => {
				await tx.query(['delete from', table, 'where id = $1'].join(' '), [id]);
				return { words: 'Gone', result: true };
			}).catch(() => false);
			if (!removed) continue;
			gone++;
			await heldToStored(`${table} ${id} gone`);
			await undo(w.db, (await lastAction(w.db))!.id);
			await heldToStored(`${table} ${id} back`);
		}
	}
	assert.ok(gone > 15, `${gone} rows`);
});

test('a restore forgets all', async () => {
	const backup = await writeBackup(w.db);
	const [costume] = await all<{ id: number }>(w.db, 'select id from costume order by id limit 1');
	await act(w.db, async (tx) => {
		await tx.query('update costume set name = $2 where id = $1', [costume!.id, 'Renamed']);
		return { words: 'Renamed', result: null };
	});
	const name = () => all<{ name: string }>(w.db, 'select name from costume where id = $1', [costume!.id]);
	assert.equal((await name())[0]!.name, 'Renamed');
	await restoreBackup(w.db, backup);
	assert.notEqual((await name())[0]!.name, 'Renamed');
	await heldToStored('after a restore');
});
