import assert from 'node:assert/strict';
import { test } from 'node:test';
import { absent, add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { inOrder } from '$core/facts/order.ts';
import { lastAction, undo } from '../db/undo.ts';
import { glueCommands } from './glue.ts';
import { handbookCommands } from './handbook.ts';

test('what a pair is prepared by becomes steps before the first that is glued, once, and is taken back', async () => {
	const guard = await add({ name: 'Shin guard' });
	for (const [name, technique, phase] of [
		['cut', 'cutFoam', 'make'],
		['straps on', 'buckle', 'rig'],
		['fit it', 'fit', 'fit']
	] as const)
		await addStep(guard, { name, technique, amount: '1', phase });
	const prepare = (bond: string) =>
		w.run(glueCommands.prepareJoint, { componentId: String(guard), bond }, costume);
	const steps = async () => inOrder((await record()).steps, guard);
	const begun = (await steps()).map((s) => s.name);
	await prepare('strapFoam');
	assert.match(await said(), /is prepared for glue: 2 steps$/);
	const now = await steps();
	const at = begun.indexOf('straps on');
	assert.deepEqual(
		now.map((s) => s.name),
		[...begun.slice(0, at), 'scuff the foam under the patch', 'glue in a cloth patch', ...begun.slice(at)]
	);
	// 1 dm² is scuffed, 0.3 m glued and left for a day; both are guesses.
	assert.deepEqual(
		now.slice(at, at + 2).map((s) => [s.technique, s.amount, s.waitMinutes, s.phase, s.guessed]),
		[
			['clean', 10_000, 0, 'rig', true],
			['cement', 300, 1440, 'rig', true]
		]
	);
	await assert.rejects(prepare('strapFoam'), refused(/has these steps already/));
	await assert.rejects(prepare('clothCloth'), refused(/Nothing has to be prepared/));
	await assert.rejects(
		w.run(glueCommands.prepareJoint, { componentId: '999999', bond: 'strapFoam' }, costume),
		absent
	);
	await undo(w.db, lastAction);
	assert.deepEqual(
		(await steps()).map((s) => s.name),
		begun
	);
	// A pair of one's own, with its own work.
	const { key } = await w.run<{ key: string }>(handbookCommands.setBond, {
		key: '',
		name: 'foam on felt',
		a: ['foam'],
		b: ['cloth'],
		first: ['fabricGlue'],
		also: [],
		avoided: [],
		why: '',
		rather: '',
		prepare: 'Brush the felt.',
		steps: JSON.stringify([
			{ name: 'brush the felt', technique: 'clean', amount: 5000, waitMinutes: 0, oneSitting: false }
		]),
		source: ''
	});
	await prepare(key);
	assert.ok((await steps()).some((s) => s.name === 'brush the felt' && s.amount === 5000));
});
