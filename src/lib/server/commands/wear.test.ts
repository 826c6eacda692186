import assert from 'node:assert/strict';
import { test } from 'node:test';
import { absent, add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { rubsOf } from '$core/answers/wearSpots.ts';
import { inOrder } from '$core/facts/order.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { lastAction, undo } from '../db/undo.ts';
import { coatCommands } from './coat.ts';
import { wearCommands } from './wear.ts';

test('places that rub become steps before the clear, and are on the list once', async () => {
	const greaves = await add({ name: 'Greaves', zones: ['shin-left', 'shin-right'] });
	const code = (await record()).components.find((c) => c.id === greaves)!.code;
	await addStep(greaves, { name: 'straps', technique: 'buckle', amount: '2', phase: 'rig' });
	for (const [product, coats] of [
		['brushedAcrylic', '2'],
		['flexibleClear', '1']
	] as const)
		await w.run(
			coatCommands.addCoat,
			{
				componentId: String(greaves),
				product,
				coats,
				area: '0.3 m2',
				recoatMinutes: '',
				handlingMinutes: '',
				materialId: ''
			},
			costume
		);
	const weather = (...spots: string[]) =>
		w.run(wearCommands.addWear, { componentId: String(greaves), spots }, costume);
	await weather('edges', 'knees');
	assert.equal(await said(), `${code} is weathered: free edges and corners, knees`);
	const order = async () => inOrder((await record()).steps, greaves).map((s) => s.name);
	assert.deepEqual(await order(), [
		'brushed acrylic, coat 1 of 2',
		'brushed acrylic, coat 2 of 2',
		'wear: free edges and corners',
		'wear: knees',
		'flexible clear, brushed',
		'straps'
	]);
	// 0.08 and 0.1 of 0.3 m².
	const steps = (await record()).steps.filter((s) => s.name.startsWith('wear: '));
	assert.deepEqual(
		steps.map((s) => [Math.round(s.amount), s.guessed]),
		[
			[24_000, true],
			[30_000, true]
		]
	);
	const now = await record();
	const rubs = rubsOf(
		now.components.find((c) => c.id === greaves)!,
		now,
		STANDARD
	);
	assert.ok(rubs.filter((r) => r.step).length === 2);
	await assert.rejects(weather('knees'), refused(/is a step already/));
	await assert.rejects(weather('seat'), absent);
	await assert.rejects(weather(), /Choose at least one place/);
	await undo(w.db, lastAction);
	assert.equal((await order()).length, 4);
});
