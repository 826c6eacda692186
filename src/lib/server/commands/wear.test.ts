import assert from 'node:assert/strict';
import { test } from 'node:test';
import { absent, add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { rubsOf, wearWays } from '$core/answers/wearSpots.ts';
import { inOrder } from '$core/facts/order.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { lastAction, undo } from '../db/undo.ts';
import { loadMaterials } from '../read/workshop.ts';
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
		w.run(wearCommands.addWear, { componentId: String(greaves), spots, by: '' }, costume);
	await weather('edges', 'knees');
	assert.equal(await said(), `${code} is weathered by dry-brush: free edges and corners, knees`);
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

test('a place weathered with a coat takes its product for that place, and stays ticked as what it is', async () => {
	const helm = await add({ name: 'Helm', zones: ['head'] });
	const coat = (more: object) => ({
		coats: '1',
		recoatMinutes: '',
		handlingMinutes: '',
		materialId: '',
		...more
	});
	await w.run(
		coatCommands.addCoat,
		coat({ componentId: String(helm), product: 'acrylicSpray', area: '0.2 m2' }),
		costume
	);
	const by = wearWays(await loadMaterials(w.db), STANDARD).find((x) => x.key.startsWith('metallicWax'))!;
	const wear = { componentId: String(helm), spots: ['brim'], by: by.key };
	await w.run(wearCommands.addWear, wear, costume);
	const its = async () => {
		const now = await record();
		const component = now.components.find((c) => c.id === helm)!;
		return {
			wax: now.coats.find((c) => c.componentId === helm && c.product === 'metallicWax')!,
			names: inOrder(now.steps, helm).map((s) => s.name),
			rubs: rubsOf(component, now, STANDARD)
		};
	};
	const first = await its();
	// 0.08 of 0.2 m²; the whole is still what the large coat says.
	assert.deepEqual([Math.round(first.wax.area), first.wax.coats, first.wax.guessed], [16_000, 1, true]);
	assert.deepEqual(first.names, ['acrylic spray', 'wear: brim and crown']);
	assert.ok(first.rubs.every((r) => r.areaMm2 === 200_000));
	await w.run(
		coatCommands.editCoat,
		coat({ id: String(first.wax.id), version: String(first.wax.version), coats: '2', area: '0.02 m2' }),
		costume
	);
	const second = await its();
	assert.deepEqual(second.names.slice(1), [
		'wear: brim and crown, coat 1 of 2',
		'wear: brim and crown, coat 2 of 2'
	]);
	assert.equal(second.rubs.find((r) => r.key === 'brim')!.step!.name, second.names.at(-1));
	await assert.rejects(
		w.run(wearCommands.addWear, { ...wear, spots: ['edges'], by: 'fingers' }, costume),
		refused(/not there any more/)
	);
});
