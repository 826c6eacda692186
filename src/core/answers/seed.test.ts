import assert from 'node:assert/strict';
import { test } from 'node:test';
import { coat, component, material, need, record, step } from '$tests/support/record.ts';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { valueOf } from '../explain/figure.ts';
import { shoppingSeed } from './seed.ts';

const foam6 = material(1, { name: 'High-density foam 6 mm', family: 'foam', unit: 'sheet' });
const foam2 = material(2, { name: 'High-density foam 2 mm', family: 'foam', unit: 'sheet' });
const glue = material(3, { name: 'Contact cement', family: 'glue', unit: 'ml' });
const materials = [foam6, foam2, glue];
const plate = component(1, { route: 'foamPlate', form: '6 mm foam plate', side: 'pair' });
const base = record({
	components: [plate],
	steps: [
		step(10, 1, { technique: 'cement', amount: 1500 }),
		step(11, 1, { technique: 'hookAndLoop', amount: 2 })
	],
	coats: [coat(7, 1, { area: 200_000 })]
});

test('a pair of foam plates: sheets by area, waste and copies; glue by seam', () => {
	const seed = shoppingSeed(plate, base, materials, STANDARD, FIRST_SETTINGS);
	const line = (name: string) => seed.find((l) => l.name === name)!;
	// By hand: 0.2 m² × 2 × 1.3 ÷ 0.5 m² = 1.04 sheets, up to a tenth: 1.1. 1.5 m × 15 ml × 2 × 1.1 = 49.5 ml.
	assert.equal(line('High-density foam 6 mm').quantity, 1.1);
	assert.equal(line('High-density foam 6 mm').material, foam6);
	assert.equal(line('Contact cement').quantity, 50);
	assert.equal(line('Contact cement').material, glue);
	assert.equal(line('Hook-and-loop').material, null, 'nothing known yet');
	assert.ok(Math.abs(valueOf(line('High-density foam 6 mm').figure) - 1.04) < 1e-9);
});

test('what it needs already is left out, and what is not made needs nothing', () => {
	const had = shoppingSeed(plate, { ...base, needs: [need(1, 1, 2)] }, materials, STANDARD, FIRST_SETTINGS);
	assert.ok(!had.some((l) => l.material === foam6));
	assert.deepEqual(shoppingSeed({ ...plate, source: 'buy' }, base, materials, STANDARD, FIRST_SETTINGS), []);
	assert.deepEqual(shoppingSeed({ ...plate, route: null }, base, materials, STANDARD, FIRST_SETTINGS), []);
});

test('the thickness is read from the form; a foam of another thickness is no match', () => {
	const thin = shoppingSeed(
		{ ...plate, form: 'craft foam 10 mm' },
		base,
		materials,
		STANDARD,
		FIRST_SETTINGS
	)[0]!;
	assert.equal(thin.name, 'High-density foam 10 mm');
	assert.equal(thin.material, null);
});

test('every route has a first list', () => {
	for (const route of Object.keys(STANDARD.route)) {
		const c = component(1, { route, kind: 'prop' });
		const steps = (['sewMachine', 'gather', 'embroider', 'weft', 'cement'] as const).map((technique, i) =>
			step(20 + i, 1, { technique, amount: 4000 })
		);
		const seed = shoppingSeed(c, record({ components: [c], steps }), [], STANDARD, FIRST_SETTINGS);
		assert.ok(seed.length > 0, route);
		for (const l of seed) assert.ok(l.quantity > 0 && l.name && l.unit, `${route} ${l.name}`);
	}
});

test('two cloths are not the same for being cloth', () => {
	const skirt = component(1, { route: 'wovenGarment', kind: 'garment' });
	const its = record({ components: [skirt] });
	const basque = material(5, { name: 'Basque cloth', family: 'cloth', unit: 'm' });
	const lining = material(6, { name: 'Lining, light cloth', family: 'cloth', unit: 'm' });
	const seed = shoppingSeed(skirt, its, [basque, lining], STANDARD, FIRST_SETTINGS);
	const of = (name: string) => seed.find((l) => l.name === name)!.material;
	assert.equal(of('Outer cloth'), null);
	assert.equal(of('Lining cloth'), lining);
});

test('a pair of boots is one thing to alter, two pairs are two', () => {
	const boots = component(1, { route: 'alteredGarment', kind: 'garment', source: 'alter', side: 'pair' });
	const [one] = shoppingSeed(boots, record({ components: [boots] }), [], STANDARD, FIRST_SETTINGS);
	assert.deepEqual([one!.quantity, one!.unit], [1, 'pair']);
	const two = { ...boots, count: 2 };
	assert.equal(
		shoppingSeed(two, record({ components: [two] }), [], STANDARD, FIRST_SETTINGS)[0]!.quantity,
		2
	);
});

test('a second route adds its needs: a lantern of foam with a light asks for strand, cells and switch', () => {
	const lantern = component(1, { route: 'foamPlate', kind: 'prop', furtherRoutes: ['light'] });
	const steps = [
		step(1, 1, { technique: 'cement', amount: 1500 }),
		step(2, 1, { technique: 'wire', amount: 2 })
	];
	const names = shoppingSeed(
		lantern,
		record({ components: [lantern], steps }),
		[],
		STANDARD,
		FIRST_SETTINGS
	).map((l) => l.name);
	for (const name of ['High-density foam 5 mm', 'Contact cement', 'LED strand', 'Cells', 'Switch'])
		assert.ok(names.includes(name), `${name} in ${names.join()}`);
});

test('thread comes by the spool, cement by the bottle', () => {
	const packs = new Map(
		['wovenGarment', 'foamPlate', 'printedPart', 'applique'].flatMap((route) => {
			const c = component(1, { route });
			const steps = [
				step(1, 1, { technique: 'sewMachine', amount: 5000 }),
				step(2, 1, { technique: 'cement', amount: 5000 }),
				step(3, 1, { technique: 'embroider', amount: 3000 })
			];
			const seed = shoppingSeed(c, record({ components: [c], steps }), [], STANDARD, FIRST_SETTINGS);
			return seed.map((l) => [l.name, l.packSize] as const);
		})
	);
	assert.deepEqual(
		['Sewing thread', 'Cord or thread', 'Contact cement', 'Print filament', 'Outer cloth'].map((n) =>
			packs.get(n)
		),
		[500, 50, 250, 1000, 1]
	);
});
