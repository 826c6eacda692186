import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { builtThread } from '$tests/support/thread.ts';
import { costumeIds, type TestWorkshop, demoWorkshop } from '$tests/support/workshop.ts';
import { act } from '../db/action.ts';
import { clock } from '../clock.ts';
import { closePlanner, plannedCostume, plannedShop, stateOf } from './plans.ts';

let w: TestWorkshop;
let NOW: number;
let ids: number[];
let folder: string;
before(async () => {
	folder = mkdtempSync(join(tmpdir(), 'dapper-slow-'));
	process.env.SLOW_THREAD_WAITS = join(folder, 'waits');
	process.env.DAPPER_PLANNING_THREAD = await builtThread('tests/support/slowThread.ts', folder);
	w = await demoWorkshop();
	NOW = clock();
	ids = await costumeIds(w.db, false);
});
after(async () => {
	await closePlanner(w.db);
	await w.close();
	rmSync(folder, { recursive: true, force: true });
});

test('while plans are made anew a page has the last, without what is done meanwhile, and is told that it is old', async () => {
	const [id] = ids;
	const first = (await plannedCostume(w.db, id!, NOW, 'soon'))!;
	assert.equal(first.old, false, 'before the first there is none to show: it is waited for');
	// A page of the whole shop shows earlier plans once there is one of each.
	await plannedShop(w.db, NOW);
	writeFileSync(process.env.SLOW_THREAD_WAITS!, '');
	const done = Number(first.plan.schedule.steps[0]!.id);
	await act(w.db, async (tx) => {
		await tx.query('update step set done_at = $2 where id = $1', [done, '2031-04-28T17:00']);
		return { words: 'Done', costumeId: id!, result: null };
	});
	const meanwhile = (await plannedCostume(w.db, id!, NOW, 'soon'))!;
	assert.ok(meanwhile.old);
	const stepsOf = (plan: typeof first.plan) => plan.schedule.steps.map((s) => Number(s.id));
	assert.deepEqual(
		stepsOf(meanwhile.plan),
		stepsOf(first.plan).filter((s) => s !== done)
	);
	assert.equal((await plannedShop(w.db, NOW, 'soon')).old, true);
	const { key } = stateOf(w.db);
	rmSync(process.env.SLOW_THREAD_WAITS!);
	const exact = (await plannedCostume(w.db, id!, NOW))!;
	assert.equal(exact.old, false);
	assert.ok(!stepsOf(exact.plan).includes(done));
	await plannedShop(w.db, NOW);
	assert.notEqual(stateOf(w.db).key, key, 'pages that did not wait are told');
	const soon = (await plannedShop(w.db, NOW, 'soon'))!;
	assert.equal(soon.old, false);
	assert.equal(soon.plans.get(id!), exact.plan);
});
