import assert from 'node:assert/strict';
import { test } from 'node:test';
import {
	absent,
	add,
	addStep,
	costume,
	NEW_COSTUME,
	record,
	refused,
	said,
	w
} from '$tests/support/oneCostume.ts';
import { byRecipe, recipeTime } from '$core/answers/recipe.ts';
import { inOrder } from '$core/facts/order.ts';
import { RECIPES } from '$core/trade/recipe.ts';
import { catalogueOf, STANDARD } from '$core/trade/catalogue.ts';
import { lastAction, undo } from '../db/undo.ts';
import { loadHandbook } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { handbookCommands } from './handbook.ts';
import { materialCommands } from './material.ts';
import { recipeCommands } from './recipe.ts';
import { stepCommands } from './step.ts';
import { COMPONENT, MATERIAL } from '$tests/support/workshop.ts';

const order = async (componentId: number) =>
	inOrder((await record()).steps, componentId).map((s) => `${s.name}${s.doneAt === null ? '' : ' ✓'}`);
const put = (componentIds: number[], more: Record<string, unknown> = {}) =>
	w.run(
		recipeCommands.putOnRecipe,
		{ recipe: 'paintedFoam', componentIds: componentIds.map(String), swatchId: '', instead: 'on', ...more },
		costume
	);
const component = async (id: number) => (await record()).components.find((c) => c.id === id)!;
const SWATCH = {
	recipe: 'paintedFoam',
	surface: 'foam',
	materialId: '',
	madeOn: '2031-04-20',
	coatsToCover: '',
	wet: '',
	dry: '',
	verdict: 'use',
	note: ''
};

test('a recipe becomes steps with their waits: what the route has is not done twice, and it stands before rigging', async () => {
	const plate = await add({ name: 'Plate' });
	await addStep(plate, { name: 'cut', technique: 'cutFoam', amount: '2 m', phase: 'make' });
	await addStep(plate, { name: 'seal by heat', technique: 'heatSeal', amount: '0.3 m2', phase: 'make' });
	await addStep(plate, { name: 'straps', technique: 'buckle', amount: '2', phase: 'rig' });
	await put([plate]);
	assert.equal(await said(), 'Put “painted foam” on ' + (await component(plate)).code);
	assert.deepEqual(await order(plate), [
		'cut',
		'seal by heat',
		...[1, 2, 3].map((n) => `rubber spray coating, coat ${n} of 3`),
		...[1, 2, 3].map((n) => `brushed acrylic, coat ${n} of 3`),
		...[1, 2].map((n) => `flexible clear, brushed, coat ${n} of 2`),
		'straps'
	]);
	// What the recipe’s page says of its waits is what its steps wait.
	const coats = inOrder((await record()).steps, plate).filter((s) => s.coatId !== null);
	const { betweenMinutes, handlingMinutes } = recipeTime(RECIPES.paintedFoam.layers, STANDARD);
	assert.equal(
		coats.reduce((sum, s) => sum + s.waitMinutes, 0),
		betweenMinutes + handlingMinutes!
	);
	const { recipe, recipeVersion, swatchId } = await component(plate);
	assert.deepEqual([recipe, recipeVersion, swatchId], ['paintedFoam', 0, null]);
	await undo(w.db, lastAction);
	assert.deepEqual(await order(plate), ['cut', 'seal by heat', 'straps']);
	assert.equal((await component(plate)).recipe, null);
});

test('put on again, coats of which none is on go; those that are on stay, with their area', async () => {
	const plate = await add({ name: 'Second plate' });
	await put([plate]);
	// What no coat is on yet goes by the pieces, its coats and the work around them alike.
	const seal = (await record()).steps.find((s) => s.componentId === plate && s.technique === 'heatSeal')!;
	const coats = (await record()).coats.filter((c) => c.componentId === plate);
	assert.deepEqual(new Set([seal, ...coats].map((of) => of.fromPieces)), new Set([true]));
	assert.deepEqual(new Set([seal.amount, ...coats.map((c) => c.area)]), new Set([100_000]));
	const [first] = inOrder((await record()).steps, plate).filter((s) => s.coatId !== null);
	assert.equal(first!.name, 'rubber spray coating, coat 1 of 3');
	await w.run(
		stepCommands.finishStep,
		{
			id: String(
				(await record()).steps.find((s) => s.componentId === plate && s.technique === 'heatSeal')!.id
			),
			at: '',
			anyway: 'on'
		},
		costume
	);
	await w.run(stepCommands.finishStep, { id: String(first!.id), at: '', anyway: 'on' }, costume);
	const { area } = (await record()).coats.find((c) => c.componentId === plate)!;
	await put([plate], { recipe: 'wornMetal' });
	assert.deepEqual((await order(plate)).slice(0, 8), [
		'heat seal ✓',
		'rubber spray coating, coat 1 of 3 ✓',
		'rubber spray coating, coat 2 of 3',
		'rubber spray coating, coat 3 of 3',
		'rubber spray coating, coat 1 of 4',
		'rubber spray coating, coat 2 of 4',
		'rubber spray coating, coat 3 of 4',
		'rubber spray coating, coat 4 of 4'
	]);
	assert.deepEqual(
		[...new Set((await record()).coats.filter((c) => c.componentId === plate).map((c) => c.area))],
		[area]
	);
});

test('a swatch says how many coats cover; it is kept with what it was put on, and another costume takes it along', async () => {
	const { id: paint } = await w.run(materialCommands.addMaterial, {
		...MATERIAL,
		name: 'Signal red',
		family: 'paint',
		unit: 'tube',
		coatProduct: 'brushedAcrylic'
	});
	const { id: swatchId } = await w.run(
		recipeCommands.addSwatch,
		{ ...SWATCH, materialId: String(paint), coatsToCover: '6', wet: '#d03030', dry: '#b02828' },
		costume
	);
	const [bracer, helm] = [await add({ name: 'Bracer' }), await add({ name: 'Helm' })];
	await put([bracer, helm], { swatchId: String(swatchId) });
	for (const id of [bracer, helm]) {
		const coat = (await record()).coats.find((c) => c.componentId === id && c.product === 'brushedAcrylic')!;
		assert.deepEqual([coat.coats, coat.materialId], [6, paint]);
		assert.equal((await component(id)).swatchId, swatchId);
	}
	const other = (await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Twin' })).id;
	const { id: greave } = await w.run(componentCommands.addComponent, { ...COMPONENT, route: '' }, other);
	await w.run(
		recipeCommands.putOnRecipe,
		{ recipe: 'paintedFoam', componentIds: [String(greave)], swatchId: String(swatchId), instead: '' },
		other
	);
	const theirs = await record(other);
	assert.equal(theirs.swatches.length, 1);
	assert.deepEqual(
		[theirs.components[0]!.swatchId, theirs.swatches[0]!.coatsToCover, theirs.swatches[0]!.dry],
		[theirs.swatches[0]!.id, 6, (await record()).swatches[0]!.dry]
	);
	await assert.rejects(
		w.run(recipeCommands.removeSwatch, { id: String(swatchId) }, other),
		absent,
		'each costume has its own'
	);
	await w.run(recipeCommands.removeSwatch, { id: String(swatchId) }, costume);
	assert.equal((await component(helm)).swatchId, null);
	await undo(w.db, lastAction);
	assert.equal((await component(helm)).swatchId, swatchId);
});

test('what is on a component is kept as a recipe, changed there as another version, and put on elsewhere as it is now', async () => {
	const plate = await add({ name: 'Third plate' });
	await put([plate]);
	const { key } = (await w.run(
		recipeCommands.keepRecipe,
		{ componentId: String(plate), name: 'My plate' },
		costume
	)) as { key: string };
	assert.equal(key, 'myPlate');
	const versionIn = async () => (await component(plate)).recipeVersion;
	const kept = await versionIn();
	const changed = async () => {
		const own = await loadHandbook(w.db);
		return byRecipe(await component(plate), [], catalogueOf(own), own)!.changed;
	};
	assert.equal(await changed(), false);
	const layers = [
		...RECIPES.paintedFoam.layers.slice(0, 2),
		{ product: 'brushedAcrylic', coats: 5, colour: '' }
	];
	const change = (more: Record<string, unknown> = {}) =>
		w.run(handbookCommands.setRecipe, {
			key,
			name: 'My plate',
			surface: '',
			layers: JSON.stringify(layers),
			note: '',
			source: '',
			...more
		});
	await change();
	assert.equal(await changed(), true);
	await undo(w.db, lastAction);
	assert.equal(await changed(), false, 'taken back it is the one that is on');
	await change();
	await put([plate], { recipe: key });
	assert.ok((await versionIn()) !== kept && !(await changed()));
	assert.equal((await order(plate)).filter((n) => n.startsWith('brushed acrylic')).length, 5);
	await assert.rejects(change({ layers: '[]' }), /A recipe needs a layer/);
	await assert.rejects(
		change({ layers: JSON.stringify([{ product: 'brushedAcrylic', coats: 0, colour: '' }]) }),
		/Coats are 1 to 20/
	);
	await assert.rejects(change({ layers: JSON.stringify(Array(41).fill(layers[1])) }), /40 layers at most/);
	await assert.rejects(
		w.run(handbookCommands.removeHandbookRow, { tableName: 'recipe', key }),
		refused(/in use: 1 component/)
	);
});

test('nothing chosen, a day to come, and nothing to keep are refused at their fields', async () => {
	await assert.rejects(put([]), /Choose at least one/);
	await assert.rejects(
		w.run(recipeCommands.addSwatch, { ...SWATCH, madeOn: '2032-01-01' }, costume),
		/still to come/
	);
	await assert.rejects(w.run(recipeCommands.addSwatch, { ...SWATCH, dry: 'reddish' }, costume), /colour/i);
	await assert.rejects(w.run(recipeCommands.addSwatch, { ...SWATCH, coatsToCover: '21' }, costume), /20/);
	const bare = await add({ name: 'Bare' });
	await assert.rejects(
		w.run(recipeCommands.keepRecipe, { componentId: String(bare), name: 'Nothing' }, costume),
		refused(/no coats on it yet/)
	);
});
