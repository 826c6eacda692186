import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { costumeIds, type TestWorkshop, demoWorkshop } from '$tests/support/workshop.ts';
import { ShopPlan } from '../../../core/answers/shopPlan.ts';
import { loadShop } from '../read/shop.ts';
import { stageOf } from '../../../core/answers/stage.ts';
import { inOrder } from '../../../core/facts/order.ts';
import { clock } from '../clock.ts';
import { layOutDemo } from './layOut.ts';
import { loadRecords } from '../read/costume.ts';
import { loadWorkshop } from '../read/workshop.ts';

let w: TestWorkshop;
let NOW: number;
before(async () => {
	w = await demoWorkshop();
	NOW = clock();
});
after(() => w.close());

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
