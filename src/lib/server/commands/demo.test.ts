import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { COSTUME, COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { byEvent } from '$core/answers/plan.ts';
import { byStashTurn } from '$core/answers/stash.ts';
import { dayOf } from '$core/units/localTime.ts';
import { clock } from '../clock.ts';
import { Absent, all, Refused } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
import { loadShop } from '../read/shop.ts';
import { loadWearers } from '../read/measure.ts';
import { loadMaterials, loadWorkshop } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { demoCommands } from './demo.ts';
import { materialCommands } from './material.ts';
import { purchaseCommands } from './purchase.ts';

let w: TestWorkshop;
before(async () => (w = await testWorkshop('2032-02-01T18:00')));
after(() => w.close());

const state = async () => ({
	materials: (await loadMaterials(w.db)).map((m) => m.name),
	wearers: (await loadWearers(w.db)).map((p) => p.name),
	places: (await loadWorkshop(w.db)).places.map((p) => p.name),
	costumes: (await all<{ name: string }>(w.db, 'select name from costume order by id')).map((c) => c.name)
});

test('a demo costume beside one’s own: its dates begin today, it comes last for hours and stash, and is taken away whole', async () => {
	await w.run(materialCommands.addMaterial, { ...MATERIAL, name: 'Wool, grey' });
	const own = await w.run<{ id: number }>(costumeCommands.addCostume, {
		...COSTUME,
		eventAt: '2032-09-01T09:00'
	});
	await w.run(componentCommands.addComponent, { ...COMPONENT, route: 'foamPlate' }, own.id);
	const before = await state();
	const rates = (await loadShop(w.db)).workshop.rates;

	const { id } = await w.run<{ id: number }>(demoCommands.openDemo, {});
	const demo = (await loadRecord(w.db, id))!;
	// Its event was 36 days after the demo was laid out, and is 36 days from today.
	assert.equal(dayOf(demo.costume.eventAt), dayOf(clock()) + 36);
	assert.ok(demo.components.length === 10 && demo.steps.some((s) => s.doneAt !== null));
	assert.ok(
		demo.steps.every((s) => s.doneAt === null || s.doneAt <= clock()),
		'nothing of it is done tomorrow'
	);
	// It is sooner than one's own, and comes after it all the same.
	const mine = (await loadRecord(w.db, own.id))!;
	assert.ok(byEvent(mine, demo) < 0 && byStashTurn(mine, demo) < 0);
	assert.deepEqual((await loadShop(w.db)).workshop.rates, rates, 'it teaches no rates');
	await assert.rejects(w.run(demoCommands.openDemo, {}), Refused);
	await assert.rejects(w.run(demoCommands.takeDemoAway, { id: String(own.id) }), Absent);

	await w.run(demoCommands.takeDemoAway, { id: String(id) });
	assert.deepEqual(await state(), before);
	await w.undoLast();
	assert.equal((await state()).costumes.length, 2);
	await w.undoLast();
	assert.deepEqual(await state(), before, 'opening it is undone like anything');
});

test('what one’s own costume took over from the demo stays when that goes', async () => {
	const own = (await all<{ id: number }>(w.db, 'select id from costume order by id'))[0]!.id;
	const { id } = await w.run<{ id: number }>(demoCommands.openDemo, {});
	const { components, needs } = (await loadRecord(w.db, own))!;
	assert.equal(needs.length, 0);
	const foam = (await loadMaterials(w.db)).find((m) => m.name === 'High-density foam 6 mm')!;
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(components[0]!.id), materialId: String(foam.id), quantity: '1' },
		own
	);
	await w.run(demoCommands.takeDemoAway, { id: String(id) });
	const left = (await state()).materials;
	assert.ok(left.includes('High-density foam 6 mm'));
	assert.ok(!left.includes('High-density foam 10 mm'), left.join());
});
