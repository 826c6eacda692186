import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Swatch } from '../facts/swatch.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { RECIPES, type RecipeLayer } from '../trade/recipe.ts';
import type { Lab } from '../units/lab.ts';
import {
	byRecipe,
	checkRecipe,
	driedShift,
	layersBy,
	layerWords,
	recipeLayersOf,
	recipeTime
} from './recipe.ts';
import * as make from '../../../tests/support/record.ts';

const swatch = (more: Partial<Swatch>): Swatch => ({
	id: 1,
	costumeId: 1,
	recipe: 'paintedFoam',
	recipeVersion: 0,
	layers: RECIPES.paintedFoam.layers,
	surface: 'foam',
	materialId: 1,
	madeOn: 0,
	coatsToCover: null,
	wet: null,
	dry: null,
	verdict: 'maybe',
	note: '',
	version: 1,
	...more
});
const paint = (id: number, name: string) => make.material(id, { name, coatProduct: 'brushedAcrylic' });

test('recipes that ship hold on what they are for: nothing in them is warned of', () => {
	for (const [key, { layers, surface }] of Object.entries(RECIPES))
		assert.deepEqual(
			checkRecipe(layers, surface, STANDARD).map((w) => w.why),
			[],
			key
		);
	// That is no matter of course: a brittle coat in the place of the flexible one is found.
	const enamel: RecipeLayer[] = [
		{ product: 'rubberSpray', coats: 3, colour: '' },
		{ product: 'enamelSpray', coats: 2, colour: '' }
	];
	assert.deepEqual(
		checkRecipe(enamel, 'foam', STANDARD).map((w) => w.rule),
		['enamelOverRubber']
	);
});

test('how long a recipe waits, by hand from the coats’ table', () => {
	// Rubber 2 × 30 + 240, acrylic 2 × 30 + 120, clear 1 × 60; then 12 h before it is handled.
	assert.deepEqual(recipeTime(RECIPES.paintedFoam.layers, STANDARD), {
		coats: 8,
		betweenMinutes: 300 + 180 + 60,
		handlingMinutes: 12 * 60
	});
	assert.deepEqual(recipeTime([], STANDARD), { coats: 0, betweenMinutes: 0, handlingMinutes: null });
});

test('a swatch says how many coats of its paint cover, and in which colour', () => {
	const red = paint(1, 'signal red');
	const words = (layers: readonly RecipeLayer[]) => layers.map((l) => layerWords(l, STANDARD));
	const { layers } = RECIPES.paintedFoam;
	assert.deepEqual(words(layersBy(layers, swatch({ coatsToCover: 6 }), [red])), [
		'heat seal',
		'3 × rubber spray coating',
		'6 × brushed acrylic, signal red',
		'2 × flexible clear, brushed'
	]);
	assert.deepEqual(layersBy(layers, swatch({}), [red]), [...layers], 'nobody counted');
	assert.deepEqual(layersBy(layers, swatch({ coatsToCover: 6 }), []), [...layers], 'the paint is gone');
	assert.deepEqual(layersBy(layers, null, [red]), [...layers]);
	// Of two colours it is the one that the swatch shows.
	const two: RecipeLayer[] = ['grey', 'signal red'].map((colour) => ({
		product: 'brushedAcrylic',
		coats: 2,
		colour
	}));
	assert.deepEqual(words(layersBy(two, swatch({ coatsToCover: 5 }), [red])), [
		'2 × brushed acrylic, grey',
		'5 × brushed acrylic, signal red'
	]);
});

test('what a component has is its recipe: coats in their colours, finishing work, and no making', () => {
	const component = make.component(1);
	const coat = make.coat(1, 1, { product: 'brushedAcrylic', coats: 2, materialId: 1 });
	const record = make.record({
		components: [component],
		coats: [coat],
		steps: [
			make.step(1, 1, { technique: 'cutFoam', phase: 'make', name: 'cut', position: 0 }),
			make.step(2, 1, { technique: 'heatSeal', phase: 'make', name: 'heat seal', position: 1 }),
			make.step(3, 1, { technique: 'brush', phase: 'finish', coatId: 1, position: 2 }),
			make.step(4, 1, { technique: 'brush', phase: 'finish', coatId: 1, position: 3 }),
			make.step(5, 1, { technique: 'buckle', phase: 'rig', name: 'straps', position: 4 })
		]
	});
	assert.deepEqual(recipeLayersOf(component, record, [paint(1, 'signal red')]), [
		{ technique: 'heatSeal', name: 'heat seal' },
		{ product: 'brushedAcrylic', coats: 2, colour: 'signal red' }
	]);
});

test('a component says when its recipe was changed since', () => {
	const on = { recipe: 'paintedFoam', recipeVersion: 0, swatchId: 7 };
	assert.deepEqual(byRecipe(on, [swatch({ id: 7 })], STANDARD, []), {
		recipe: RECIPES.paintedFoam,
		changed: false,
		swatch: swatch({ id: 7 })
	});
	const own = [{ id: 1, tableName: 'recipe' as const, key: 'paintedFoam', content: {}, version: 3 }];
	assert.equal(byRecipe(on, [], STANDARD, own)!.changed, true);
	assert.equal(byRecipe({ ...on, recipeVersion: 3 }, [], STANDARD, own)!.changed, false);
	assert.equal(byRecipe({ ...on, recipe: null }, [], STANDARD, []), null);
});

test('how a paint dries is the mean of its swatches, dry less wet', () => {
	const one = (wet: Lab, dry: Lab, materialId = 1) => swatch({ wet, dry, materialId });
	const made = [one([50, 10, 0], [44, 12, 0]), one([60, 10, 0], [56, 10, 2]), one([50, 0, 0], [90, 0, 0], 2)];
	assert.deepEqual(driedShift(1, [...made, swatch({ wet: [1, 1, 1] })]), { shift: [-5, 1, 1], swatches: 2 });
	assert.equal(driedShift(3, made), null);
});
