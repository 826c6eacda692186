import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, addStep, costume, record, w } from '$tests/support/oneCostume.ts';
import { loadKit } from '../read/health.ts';
import { loadWear } from '../read/wear.ts';
import { loadShop } from '../read/shop.ts';
import { clock } from '../clock.ts';
import { Absent } from '../db/rows.ts';
import { joinCommands } from './join.ts';
import { kitCommands } from './kit.ts';

const kit = async () => {
	const its = await record();
	return loadKit(w.db, its, (await loadShop(w.db)).workshop, clock(), {
		wear: await loadWear(w.db, costume),
		components: its.components
	});
};
const SNAPS = {
	to: 'body',
	fastener: 'snap',
	count: '4',
	widthMm: '10 mm',
	lengthMm: '10 mm',
	zone: 'chest',
	faces: 'outward'
};

test('a limit of nothing is refused at its field; one of 60 g leaves what saves least a gram at home', async () => {
	const id = await add({ name: 'Tabard' });
	await addStep(id, { technique: 'sewHand', amount: '1 m' });
	await w.run(joinCommands.addJoin, { componentId: String(id), ...SNAPS }, costume);
	assert.deepEqual(
		Object.keys(await w.errors(kitCommands.setKitLimit, { grams: '0', ml: '-1' }, costume)).sort(),
		['grams', 'ml']
	);
	assert.equal((await kit()).limit, null);
	await w.run(kitCommands.setKitItem, { key: 'plasters', grams: '', ml: '', takes: 'never' }, costume);
	await w.run(kitCommands.setKitLimit, { grams: '60', ml: '' }, costume);
	// Needle (15) and a spare snap (12) save 0.8 of 0.45 and of 0.2 min; pins bring nothing to that, scissors (35) would be 62 g.
	const { choice } = await kit();
	assert.deepEqual(
		choice.lines
			.filter((l) => l.taken)
			.map((l) => l.key)
			.sort(),
		['spare snap', 'thread']
	);
	assert.equal(choice.grams, 27);
	await w.run(kitCommands.setKitLimit, { grams: '', ml: '' }, costume);
	assert.deepEqual((await kit()).limit?.grams, null);
});

test('a thing of one’s own goes along until it is removed; a thing that is no part of the kit is not there', async () => {
	const { key } = { key: 'own 1' };
	await w.run(kitCommands.addKitItem, { name: 'body tape', grams: '80', ml: '' }, costume);
	const own = (await kit()).choice.lines.find((l) => l.key === key)!;
	assert.deepEqual([own.name, own.grams, own.taken], ['body tape', 80, true]);
	await w.run(kitCommands.setKitItem, { key, grams: '90', ml: '50', takes: 'never' }, costume);
	assert.equal((await kit()).choice.lines.find((l) => l.key === key)!.stays, 'never');
	await w.run(kitCommands.removeKitItem, { key }, costume);
	assert.equal(
		(await kit()).choice.lines.some((l) => l.key === key),
		false
	);
	await assert.rejects(w.run(kitCommands.useKitItem, { key }, costume), Absent);
	await assert.rejects(w.run(kitCommands.removeKitItem, { key: 'tape' }, costume), Absent);
});

test('what was used from the kit is planned under Buy, a pack of its supply; the next one is of the same material', async () => {
	const before = (await record()).purchases.length;
	await w.run(kitCommands.useKitItem, { key: 'spare snap' }, costume);
	await w.run(kitCommands.useKitItem, { key: 'spare snap' }, costume);
	await w.run(kitCommands.useKitItem, { key: 'tape' }, costume);
	const bought = (await record()).purchases.slice(before);
	const { materials } = (await loadShop(w.db)).workshop;
	assert.deepEqual(
		bought.map((p) => [materials.find((m) => m.id === p.materialId)!.name, p.packs, p.state, p.note]).sort(),
		[
			['Snaps', 1, 'planned', 'for the emergency kit'],
			['Snaps', 1, 'planned', 'for the emergency kit'],
			['Strong cloth tape', 1, 'planned', 'for the emergency kit']
		]
	);
	assert.equal(new Set(bought.map((p) => p.materialId)).size, 2);
});
