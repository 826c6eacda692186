import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { checkStack, stackOf } from '$core/answers/stackCheck.ts';
import { inOrder } from '$core/facts/order.ts';
import { loadMaterials } from '../read/workshop.ts';
import { lastAction, undo } from '../db/undo.ts';
import { coatCommands } from './coat.ts';
import { contextOf } from './command.ts';
import { stackCommands } from './stack.ts';
import { stepCommands } from './step.ts';

const coat = (componentId: number, product: string, coats = '2') =>
	w.run(
		coatCommands.addCoat,
		{
			componentId: String(componentId),
			product,
			coats,
			area: '0.5 m2',
			recoatMinutes: '',
			handlingMinutes: '',
			materialId: ''
		},
		costume
	);
const order = async (componentId: number) => inOrder((await record()).steps, componentId).map((s) => s.name);
const warnings = async (componentId: number) => {
	const costumeRecord = await record();
	const component = costumeRecord.components.find((c) => c.id === componentId)!;
	const { trade, now } = await contextOf(w.db, w.db.folder, { costume: String(costume) });
	const { ground, layers } = stackOf(component, costumeRecord, await loadMaterials(w.db));
	return checkStack(ground, layers, trade, now).map((warning) => ({
		...warning,
		key: `${layers[warning.over]!.kind} ${layers[warning.over]!.id}`
	}));
};
/** Takes a cure of the first warning. */
const take = async (componentId: number, does: string, product = '') => {
	const [warning] = await warnings(componentId);
	return w.run(
		stackCommands.cureStack,
		{ componentId: String(componentId), rule: warning!.rule, over: warning!.key, does, product },
		costume
	);
};
const waits = async (componentId: number) =>
	inOrder((await record()).steps, componentId).map((s) => s.waitMinutes);

test('enamel over rubber on a foam breastplate: warned, a sealer put between in one action, the plan moves, and back', async () => {
	const plate = await add({ name: 'Breastplate', code: 'A-01' });
	await w.run(
		stackCommands.setSurface,
		{ id: String(plate), version: String((await record()).components[0]!.version), surface: 'foam' },
		costume
	);
	await addStep(plate, { name: 'heat-seal', technique: 'heatSeal', amount: '0.5 m2', phase: 'make' });
	await coat(plate, 'rubberSpray', '3');
	await coat(plate, 'enamelSpray', '2');
	await addStep(plate, { name: 'straps', technique: 'buckle', amount: '2', phase: 'rig' });
	assert.deepEqual(
		(await warnings(plate)).map((x) => [x.rule, x.spoils]),
		[['enamelOverRubber', true]]
	);
	const before = await order(plate);
	await take(plate, 'insert', 'flexibleSealer');
	assert.equal(await said(), 'A-01, enamel over a rubber coating: flexible acrylic sealer between');
	assert.deepEqual(await order(plate), [
		'heat-seal',
		'rubber spray coating, coat 1 of 3',
		'rubber spray coating, coat 2 of 3',
		'rubber spray coating, coat 3 of 3',
		'flexible acrylic sealer, coat 1 of 3',
		'flexible acrylic sealer, coat 2 of 3',
		'flexible acrylic sealer, coat 3 of 3',
		'enamel spray, coat 1 of 2',
		'enamel spray, coat 2 of 2',
		'straps'
	]);
	const { coats } = await record();
	assert.deepEqual(
		coats.filter((c) => c.componentId === plate).map((c) => [c.product, c.area, c.coats]),
		[
			['rubberSpray', 500_000, 3],
			['flexibleSealer', 500_000, 3],
			['enamelSpray', 500_000, 2]
		]
	);
	// Enamel is a solvent over water now: it waits for that to be hard, 72 h (from memory).
	assert.deepEqual(
		(await warnings(plate)).map((x) => x.rule),
		['solventOverWater']
	);
	await take(plate, 'cure');
	assert.deepEqual((await waits(plate)).slice(4, 7), [45, 45, 72 * 60]);
	assert.deepEqual(await warnings(plate), []);
	await undo(w.db, lastAction);
	await undo(w.db, lastAction);
	assert.deepEqual(await order(plate), before);
	assert.deepEqual(
		(await warnings(plate)).map((x) => x.rule),
		['enamelOverRubber']
	);
});

test('another product instead takes its own coats and waits', async () => {
	const plate = await add({ name: 'Greave', code: 'A-02', surface: 'plastic' });
	await coat(plate, 'rubberSpray', '1');
	await coat(plate, 'enamelSpray', '4');
	await take(plate, 'swap', 'brushedAcrylic');
	assert.deepEqual(await order(plate), [
		'rubber spray coating',
		'brushed acrylic, coat 1 of 2',
		'brushed acrylic, coat 2 of 2'
	]);
	assert.deepEqual(await waits(plate), [240, 30, 120]);
});

test('what has to go beneath is moved there with its steps, and what lies between coats stays there', async () => {
	const plate = await add({ name: 'Pauldron', code: 'A-03', surface: 'plastic' });
	await coat(plate, 'fillerPrimer', '2');
	const sand = await addStep(plate, { name: 'sand', technique: 'sand', amount: '0.5 m2', phase: 'finish' });
	await w.run(stepCommands.moveStep, { id: String(sand), index: '1' }, costume);
	await coat(plate, 'clearSpray', '1');
	await coat(plate, 'acrylicSpray', '2');
	assert.deepEqual(
		(await warnings(plate)).map((x) => x.rule),
		['overClear']
	);
	await take(plate, 'under');
	assert.deepEqual(await order(plate), [
		'filler primer, coat 1 of 2',
		'sand',
		'filler primer, coat 2 of 2',
		'acrylic spray, coat 1 of 2',
		'acrylic spray, coat 2 of 2',
		'clear spray'
	]);
	const its = (await record()).coats.filter((c) => c.componentId === plate);
	assert.deepEqual(
		its.map((c) => c.product),
		['fillerPrimer', 'acrylicSpray', 'clearSpray']
	);
	assert.deepEqual(await warnings(plate), []);
});

test('glue goes before the coats, or its faces are masked; a closure after them', async () => {
	const plate = await add({ name: 'Helm', code: 'A-04', surface: 'plastic' });
	await coat(plate, 'fillerPrimer', '1');
	await addStep(plate, {
		name: 'glue the crest on',
		technique: 'cement',
		amount: '0.4 m',
		phase: 'make'
	});
	await take(plate, 'mask');
	assert.deepEqual(await order(plate), ['mask', 'filler primer', 'glue the crest on']);
	const mask = (await record()).steps.find((s) => s.componentId === plate && s.technique === 'mask')!;
	assert.ok(mask.guessed, 'nobody has measured the edge');
	await undo(w.db, lastAction);
	await take(plate, 'under');
	assert.deepEqual(await order(plate), ['glue the crest on', 'filler primer']);
	const belt = await add({ name: 'Belt', code: 'A-05', surface: 'plastic' });
	await addStep(belt, { name: 'snaps', technique: 'snap', amount: '4', phase: 'rig' });
	await coat(belt, 'fillerPrimer', '1');
	await w.run(
		stepCommands.moveStep,
		{ id: String(inOrder((await record()).steps, belt).find((s) => s.name === 'snaps')!.id), index: '0' },
		costume
	);
	await take(belt, 'under');
	assert.deepEqual(await order(belt), ['filler primer', 'snaps']);
});

test('a cure that is not offered is refused, and nothing is changed', async () => {
	const plate = await add({ name: 'Tasset', code: 'A-06', surface: 'plastic' });
	await coat(plate, 'acrylicSpray', '1');
	await coat(plate, 'enamelSpray', '1');
	const [warning] = await warnings(plate);
	const before = await order(plate);
	for (const wrong of [
		{ does: 'insert', product: 'pva' },
		{ does: 'under', product: '' },
		{ rule: 'overClear', does: 'swap', product: 'acrylicSpray' },
		{ over: 'step 999', does: 'swap', product: 'acrylicSpray' }
	])
		await assert.rejects(
			w.run(
				stackCommands.cureStack,
				{ componentId: String(plate), rule: warning!.rule, over: warning!.key, ...wrong },
				costume
			),
			refused(/changed meanwhile/)
		);
	assert.deepEqual(await order(plate), before);
});
