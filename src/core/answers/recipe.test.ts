import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Swatch } from '../facts/swatch.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { isRecipeCoat, type RecipeLayer } from '../facts/recipe.ts';
import { RECIPES } from '../trade/recipe.ts';
import type { Lab } from '../units/lab.ts';
import {
	byRecipe,
	driedWords,
	checkRecipe,
	driedShift,
	layersBy,
	layerWords,
	recipeLayersOf,
	recipeTime,
	versionOf,
	wetLook
} from './recipe.ts';
import { recipeWaitFigure } from '../explain/recipe.ts';
import { valueOf } from '../explain/figure.ts';
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
	const { layers } = RECIPES.paintedFoam;
	const { coats, betweenMinutes, handlingMinutes } = recipeTime(layers, STANDARD);
	assert.deepEqual([coats, betweenMinutes, handlingMinutes], [8, 300 + 180 + 60, 12 * 60]);
	const figure = recipeWaitFigure('painted foam', layers, STANDARD);
	assert.equal(valueOf(figure), betweenMinutes);
	assert.deepEqual(
		figure.inputs.map((i) => [i.name, i.value, i.source.split(';')[0]]),
		[
			['3 × rubber spray coating', 300, '2 × 30m between its coats, 4h before the next goes on'],
			['3 × brushed acrylic', 180, '2 × 30m between its coats, 2h before the next goes on'],
			['2 × flexible clear, brushed', 60, '1 × 1h between its coats']
		]
	);
	assert.equal(recipeTime([], STANDARD).handlingMinutes, null);
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
	const own = (coats: number) => {
		const layers = RECIPES.paintedFoam.layers.map((l) => (isRecipeCoat(l) ? { ...l, coats } : l));
		const content = { ...RECIPES.paintedFoam, layers };
		return [{ id: 1, tableName: 'recipe' as const, key: 'paintedFoam', content, version: 3 }];
	};
	const changed = (recipeVersion: number, rows: ReturnType<typeof own>) =>
		byRecipe({ ...on, recipeVersion }, [], STANDARD, rows)!.changed;
	const seven = versionOf('paintedFoam', own(7));
	assert.ok(seven > 0 && seven < 2 ** 31 && seven !== versionOf('paintedFoam', own(8)));
	assert.deepEqual([changed(0, own(7)), changed(seven, own(7)), changed(seven, own(8))], [true, false, true]);
	// Changed back it is what it was, in whatever order the database keeps its words.
	const back = own(7).map((row) => ({
		...row,
		content: {
			...row.content,
			layers: row.content.layers.map((l) => Object.fromEntries(Object.entries(l).reverse()))
		}
	}));
	assert.equal(changed(seven, back as never), false);
	const asShipped = {
		id: 1,
		tableName: 'recipe' as const,
		key: 'paintedFoam',
		content: { ...RECIPES.paintedFoam },
		version: 9
	};
	assert.equal(versionOf('paintedFoam', [asShipped]), 0);
	assert.equal(byRecipe({ ...on, recipe: null }, [], STANDARD, []), null);
});

test('how a paint dries is the mean of its swatches, dry less wet', () => {
	const one = (wet: Lab, dry: Lab, materialId = 1) => swatch({ wet, dry, materialId });
	const made = [one([50, 10, 0], [44, 12, 0]), one([60, 10, 0], [56, 10, 2]), one([50, 0, 0], [90, 0, 0], 2)];
	assert.deepEqual(driedShift(1, [...made, swatch({ wet: [1, 1, 1] })]), [-5, 1, 1]);
	assert.equal(driedShift(3, made), null);
	// Three drops of the first, one of the second: a quarter of −5 · 3 + 40, and so on.
	const wet = wetLook(
		[50, 10, 10],
		[
			{ materialId: 1, drops: 3 },
			{ materialId: 2, drops: 1 }
		],
		made
	);
	assert.deepEqual(wet, [50 - (-15 + 40) / 4, 10 - 3 / 4, 10 - 3 / 4]);
	assert.equal(wetLook([50, 0, 0], [{ materialId: 3, drops: 1 }], made), null, 'nobody dried it');
	assert.equal(driedWords(made[0]!), 'dries 6 darker');
	assert.equal(driedWords(made[2]!), 'dries 40 lighter');
	assert.equal(driedWords(swatch({ wet: [50, 0, 0], dry: [50.2, 3, 0] })), 'dries as it was');
	assert.equal(driedWords(swatch({ wet: [50, 0, 0] })), '');
});
