import assert from 'node:assert/strict';
import { test } from 'node:test';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { workUses } from '$core/answers/workUse.ts';
import {
	absent,
	add,
	addStep,
	costume,
	NEW_COSTUME,
	record,
	refused,
	said,
	stepOf,
	w
} from '$tests/support/oneCostume.ts';
import { MATERIAL } from '$tests/support/workshop.ts';
import { loadHandbook, loadMaterials, loadSettings } from '../read/workshop.ts';
import { loadHeld, loadWear } from '../read/wear.ts';
import { copyCommands } from './copyBreakdown.ts';
import { costumeCommands } from './costume.ts';
import { joinCommands } from './join.ts';
import { materialCommands } from './material.ts';
import { workshopCommands } from './workshop.ts';

const JOIN = {
	to: 'body',
	fastener: 'hookAndLoop',
	count: '1',
	widthMm: '50 mm',
	lengthMm: '20 mm',
	zone: 'shoulder-left',
	upMm: '60 mm',
	faces: 'outward'
};
const run = (name: keyof typeof joinCommands, values: Record<string, unknown>) =>
	w.run(
		joinCommands[name],
		Object.fromEntries(Object.entries(values).map(([k, v]) => [k, String(v)])),
		costume
	);
const joins = async () => (await loadWear(w.db, costume)).joins;
const heldNow = async (id: number) => {
	const handbook = await loadHandbook(w.db);
	const context = { handbook, trade: catalogueOf(handbook), settings: await loadSettings(w.db) };
	return (await loadHeld(w.db, await record(), context)).find((h) => h.component.id === id)!;
};

test('worked by hand: a pauldron tips on one patch, gets a lower tie, holds when jumping; work and needs follow, and back', async () => {
	const componentId = await add({ name: 'Pauldron', route: '', side: 'pair' });
	const { id: tapeId } = await w.run(materialCommands.addMaterial, {
		...MATERIAL,
		name: 'hook-and-loop 50 mm',
		family: 'closure',
		unit: 'm',
		supply: 'hookAndLoop'
	});
	await run('setWearing', { componentId, grams: '420', outMm: '60 mm', upMm: '2 cm', forwardMm: '0' });
	assert.match(await said(), /A-\d+ weighs 420 g/);
	await run('addJoin', { componentId, ...JOIN });
	const [top] = await joins();
	// A patch of 2 cm is a fifth of the ten centimetres that its work counts.
	const step = await stepOf(top!.stepId!);
	assert.deepEqual(
		[step.name, step.technique, step.amount, step.phase, step.guessed],
		['hook-and-loop, to the body', 'hookAndLoop', 0.2, 'rig', false]
	);
	assert.equal((await heldNow(componentId)).upTo, 'nothing', 'it tips');

	await run('takeRemedy', { componentId, kind: 'tie' });
	const held = await heldNow(componentId);
	assert.equal(held.upTo, 'jumping');
	// 60 mm out needs its ties 70 mm apart: 16.5 N × 60 ÷ 70 = 14.1 of 15 N.
	assert.deepEqual(
		(await joins()).map((j) => j.upMm),
		[60, -10]
	);
	const steps = (await record()).steps.filter((s) => s.componentId === componentId);
	assert.deepEqual(
		steps.map((s) => s.amount),
		[0.2, 0.2]
	);
	// Two patches of 2 cm on each of a pair, a tenth more: 8.8 cm of tape.
	const uses = workUses(await record(), await loadMaterials(w.db), catalogueOf(await loadHandbook(w.db)), {
		margins: {}
	}).find((u) => u.material?.id === tapeId)!;
	assert.ok(Math.abs(uses.quantity - 0.08 * uses.margin) < 1e-9, String(uses.quantity));

	await w.undoLast();
	assert.equal((await joins()).length, 1);
	assert.equal((await record()).steps.filter((s) => s.componentId === componentId).length, 1);
	assert.equal((await heldNow(componentId)).upTo, 'nothing');
});

test('a step that is there is taken over; a join that is changed changes it, one that is removed takes it along', async () => {
	const componentId = await add({ name: 'Belt', route: '' });
	const snapStep = await addStep(componentId, { name: 'set snaps', technique: 'snap', amount: '4' });
	const { id } = await run('addJoin', { componentId, ...JOIN, fastener: 'snap', count: '3' });
	assert.equal((await stepOf(snapStep)).amount, 3);
	assert.equal((await stepOf(snapStep)).name, 'snaps, to the body');
	const [join] = (await joins()).filter((j) => j.id === id);
	assert.equal(join!.stepId, snapStep);
	await run('editJoin', {
		id,
		version: String(join!.version),
		...JOIN,
		to: 'self',
		fastener: 'buckle',
		count: '2'
	});
	const changed = await stepOf(snapStep);
	assert.deepEqual(
		[changed.name, changed.technique, changed.amount],
		['buckle and webbing, closes itself', 'buckle', 2]
	);
	await run('removeJoin', { id });
	assert.equal(await stepOf(snapStep), undefined);
	await w.undoLast();
	assert.ok(await stepOf(snapStep));
});

test('to itself, to what is gone, in a circle, of nothing: told at its field, and nothing is kept', async () => {
	const one = await add({ name: 'Front' });
	const two = await add({ name: 'Back' });
	const before = (await joins()).length;
	await assert.rejects(
		run('addJoin', { componentId: one, ...JOIN, to: String(one) }),
		refused(/cannot hold to itself/)
	);
	await assert.rejects(
		run('addJoin', { componentId: one, ...JOIN, to: '9999' }),
		refused(/not there any more/)
	);
	await assert.rejects(run('addJoin', { componentId: 9999, ...JOIN }), absent);
	await run('addJoin', { componentId: one, ...JOIN, to: String(two) });
	await assert.rejects(
		run('addJoin', { componentId: two, ...JOIN, to: String(one) }),
		refused(/hold each other up: \S+ → \S+ → \S+\. One has to hold to the body/)
	);
	assert.equal((await joins()).length, before + 1);
	const errors = await w.errors(
		joinCommands.addJoin,
		{ componentId: String(one), ...JOIN, count: '0', widthMm: '0', upMm: '50 m', fastener: 'tar' },
		costume
	);
	assert.deepEqual(Object.keys(errors).sort(), ['count', 'fastener', 'upMm', 'widthMm']);
	assert.match(errors.upMm!, /At most 200 cm either way/);
	assert.match(
		(await w.errors(joinCommands.setWearing, { componentId: String(one), grams: '0' }, costume)).grams!,
		/more than zero/
	);
	await assert.rejects(
		run('takeRemedy', { componentId: one, kind: 'tie' }),
		refused(/held otherwise by now/)
	);
});

test('copied into another costume joins come along, with their steps, where what they hold to does', async () => {
	const [plate, piece] = [await add({ name: 'Plate' }), await add({ name: 'Piece' })];
	await run('addJoin', { componentId: piece, ...JOIN, to: String(plate) });
	await run('addJoin', { componentId: piece, ...JOIN, fastener: 'snap' });
	await run('setWearing', { componentId: piece, grams: '90' });
	const copied = async (componentIds: number[]) => {
		const { id } = await w.run(costumeCommands.addCostume, {
			...NEW_COSTUME,
			name: `Copy ${componentIds.length}`
		});
		await w.run(
			copyCommands.copyBreakdown,
			{ fromId: String(costume), componentIds: componentIds.map(String) },
			id
		);
		return { wear: await loadWear(w.db, id), steps: (await record(id)).steps };
	};
	const both = await copied([plate, piece]);
	assert.deepEqual(
		both.wear.joins.map((j) => [j.fastener, j.holdsTo, both.steps.find((s) => s.id === j.stepId)?.technique]),
		[
			['hookAndLoop', 'component', 'hookAndLoop'],
			['snap', 'body', 'snap']
		]
	);
	assert.deepEqual(
		both.wear.wearings.map((r) => r.grams),
		[90]
	);
	const alone = await copied([piece]);
	assert.deepEqual(
		alone.wear.joins.map((j) => j.fastener),
		['snap'],
		'nothing to hold the other to'
	);
});

test('how long it takes and how many people are kept beside the weight; over three are refused', async () => {
	const componentId = await add({ name: 'Corset' });
	await run('setWearing', { componentId, grams: '300' });
	await run('setDressing', { componentId, onMinutes: '4,5', hands: '2' });
	const its = (await loadWear(w.db, costume)).wearings.find((r) => r.componentId === componentId)!;
	assert.deepEqual([its.grams, its.onMinutes, its.hands], [300, 4.5, 2]);
	const errors = await w.errors(
		joinCommands.setDressing,
		{ componentId: String(componentId), onMinutes: '0', hands: '4' },
		costume
	);
	assert.deepEqual(Object.keys(errors).sort(), ['hands', 'onMinutes']);
});

test('how much motion pulls is the maker’s own; jumping pulls no less than walking', async () => {
	const { version } = await loadSettings(w.db);
	const wrong = { version: String(version), standing: '1', walking: '3', jumping: '2' };
	assert.match((await w.errors(workshopCommands.setLoadFactors, wrong)).jumping!, /no less than/);
	await w.run(workshopCommands.setLoadFactors, { ...wrong, jumping: '6' });
	assert.deepEqual((await loadSettings(w.db)).loadFactors, { standing: 1, walking: 3, jumping: 6 });
	await w.undoLast();
	assert.equal((await loadSettings(w.db)).loadFactors.jumping, 4);
});
