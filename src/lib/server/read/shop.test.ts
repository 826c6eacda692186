import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { costumeIds, type TestWorkshop, demoWorkshop } from '$tests/support/workshop.ts';
import { act } from '../db/action.ts';
import { loadShop } from './shop.ts';
import { clock } from '../clock.ts';
import { costumeCommands } from '../commands/costume.ts';
import { plannedCostume, plannedShop } from './plans.ts';

let w: TestWorkshop;
let NOW: number;
before(async () => {
	w = await demoWorkshop();
	NOW = clock();
});
after(() => w.close());

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

test('read while something is being written: the next look has what was written', async () => {
	const ids = async () => (await loadShop(w.db)).atWork.map((c) => c.record.costume.id);
	const last = (await ids()).at(-1)!;
	const archive = (at: string | null) => {
		let written = () => {};
		const begun = new Promise<void>((resolve) => (written = resolve));
		const done = act(w.db, async (tx) => {
			await tx.query('update costume set archived_at = $2 where id = $1', [last, at]);
			written();
			await new Promise((resolve) => setTimeout(resolve, 20));
			return { words: 'Put away', costumeId: last, result: null };
		});
		return { begun, done };
	};
	for (const at of ['2031-05-01T10:00', null]) {
		await ids();
		// Nobody has looked since this was written, which is of another table.
		await act(w.db, async (tx) => {
			await tx.query(`update material set name = name || '.' where id = (select min(id) from material)`);
			return { words: 'Noted', result: null };
		});
		const { begun, done } = archive(at);
		await begun;
		// Part of it is remembered, and part of it waits for the writing: that is no moment of its own.
		await Promise.all([loadShop(w.db), done]);
		assert.equal((await ids()).includes(last), at === null);
	}
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
			await tx.query('update material set lead_days = lead_days + 40 where id = $1', [material.id]);
			await tx.query('delete from lot where material_id = $1', [material.id]);
			return { words: 'Slower', result: null };
		});
	const moved = await whatMoved(lead);
	assert.ok(moved.planned.includes(users(material.id)[0]!));
	assert.deepEqual(moved.read, []);
	await w.undoLast();
});

test('who asks after a write does not share what began to be loaded before it', async () => {
	const costumeId = (await loadShop(w.db)).atWork[0]!.record.costume.id;
	const rename = (name: string) =>
		act(w.db, async (tx) => {
			await tx.query('update costume set name = $2 where id = $1', [costumeId, name]);
			return { words: 'Renamed', costumeId, result: null };
		});
	const nameIn = async (loading: ReturnType<typeof loadShop>) =>
		(await loading).atWork.find((c) => c.record.costume.id === costumeId)!.record.costume.name;
	await rename('First');
	assert.equal(await nameIn(loadShop(w.db)), 'First');
	await rename('Between');
	// The first has read what there is, and is held up.
	const { query } = w.db;
	let goOn = () => {};
	const held = new Promise<void>((reached) => {
		w.db.query = async (sql, params) => {
			const rows = await query(sql, params);
			if (/from revision/.test(sql))
				await new Promise<void>((resolve) => {
					goOn = resolve;
					reached();
				});
			return rows as never;
		};
	});
	const first = loadShop(w.db);
	await held;
	w.db.query = query;
	await rename('Second');
	const second = nameIn(loadShop(w.db));
	goOn();
	await first;
	assert.equal(await second, 'Second');
});

test('an archived costume is planned alone', async () => {
	const [id] = await costumeIds(w.db, false);
	await w.run(costumeCommands.archiveCostume, { id: String(id) });
	assert.ok((await plannedCostume(w.db, id!, NOW))!.plan.schedule.steps.length > 0);
	assert.deepEqual(await costumeIds(w.db, true), [id]);
	await w.run(costumeCommands.restoreCostume, { id: String(id) });
});
