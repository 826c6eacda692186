import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { valueOf } from '../explain/figure.ts';
import { packsFigure } from '../explain/money.ts';
import { FAMILIES, areaOfUnit, type Material } from '../facts/material.ts';
import { starterOf, STARTERS, UNITS } from '../trade/starter.ts';
import { takesCost, takesOf } from './takes.ts';

const supplies = (materials: Material[] = []) => ({ materials, handbook: [], settings: FIRST_SETTINGS });
const plate = make.component(1, { route: 'foamPlate', form: '5 mm foam plate', side: 'pair' });
const helmet = make.component(2, { route: 'foamPlate', form: '5 mm foam plate' });
const record = make.record({
	components: [plate, helmet, make.component(3, { source: 'buy', kind: 'garment', name: 'cloak' })],
	steps: [
		{ ...make.step(1, 1), technique: 'cement', amount: 1500 },
		{ ...make.step(2, 2), technique: 'cement', amount: 1000 }
	],
	coats: [
		make.coat(1, 1, { product: 'fillerPrimer', area: 100_000, coats: 2 }),
		make.coat(2, 2, { product: 'fillerPrimer', area: 300_000, coats: 2 })
	]
});

test('by hand: a pair of plates and a helmet take one sort of foam, cement by their seams, primer by their coats', () => {
	const takes = takesOf(record, supplies());
	const of = (key: string) => takes.find((t) => t.key === key)!;
	const foam = of('new High-density foam 5 mm');
	// 0.1 m² × 2 × 1.3 ÷ 0.5 m² = 0.52, up to 0.6 sheets; 0.3 m² × 1.3 ÷ 0.5 m² = 0.78, up to 0.8: 1.4, so 2 sheets.
	assert.deepEqual(
		foam.needs.map((n) => [n.componentId, n.quantity]),
		[
			[1, 0.6],
			[2, 0.8]
		]
	);
	assert.ok(Math.abs(foam.line.needed - 1.4) < 1e-9);
	assert.equal(foam.line.packsShort, 2);
	assert.equal(valueOf(packsFigure(foam.line)), 2);
	assert.deepEqual(
		[foam.material.thicknessMm, foam.material.widthMm, foam.material.lengthMm],
		[5, 1000, 500]
	);
	assert.deepEqual([foam.material.packPriceMinor, foam.material.leadDays, foam.componentId], [null, 4, null]);
	// (1.5 m × 2 + 1 m) × 15 ml × 1.1 = 66 ml, of a bottle of 250.
	const cement = of('supply contactCement');
	assert.ok(Math.abs(cement.line.needed - 66) < 1e-9, String(cement.line.needed));
	assert.deepEqual([cement.material.unit, cement.material.packSize, cement.line.packsShort], ['ml', 250, 1]);
	assert.deepEqual(cement.needs, [], 'its work asks for it');
	// (0.1 m² × 2 copies + 0.3 m²) × 2 coats ÷ 1.2 m² is less than a can.
	const primer = of('coat fillerPrimer');
	assert.ok(Math.abs(primer.line.needed - 1 / 1.2) < 1e-9, String(primer.line.needed));
	assert.equal(primer.line.packsShort, 1);
	// What is bought ready is bought for itself.
	const cloak = of('thing 3');
	assert.deepEqual([cloak.material.name, cloak.material.unit, cloak.componentId], ['Cloak', 'piece', 3]);
	assert.deepEqual(
		takes.map((t) => t.material.family),
		[...takes.map((t) => t.material.family)].sort((a, b) => FAMILIES.indexOf(a) - FAMILIES.indexOf(b))
	);
	const ids = takes.map((t) => t.material.id);
	assert.equal(new Set(ids).size, ids.length);
});

test('what is there is taken before anything new, and what is taken already is not asked for again', () => {
	const foam = make.material(7, { name: 'High-density foam 5 mm', stash: 1, packPriceMinor: 1200 });
	const takes = takesOf(record, supplies([foam]));
	const its = takes.find((t) => t.key === 'material 7')!;
	assert.deepEqual([its.line.stash, its.line.packsShort], [1, 1], '1.4 sheets, one is there');
	assert.ok(!takes.some((t) => t.key.startsWith('new High-density foam 5')));
	const needs = [make.need(1, 7, 1), make.need(2, 7, 1)];
	const after = takesOf({ ...record, needs }, supplies([foam]));
	assert.ok(!after.some((t) => t.material.id === 7));
	assert.deepEqual(takesOf(make.record({}), supplies()), []);
});

test('a material that is called like two things stands for one of them: nothing is counted or bought twice', () => {
	const both = make.material(7, {
		name: 'Snaps, buckles',
		family: 'closure',
		unit: 'piece',
		packPriceMinor: 500
	});
	const steps = (['snap', 'buckle'] as const).map((technique, i) => ({
		...make.step(i, 1),
		technique,
		amount: 4
	}));
	const takes = takesOf(make.record({ components: [plate], steps }), supplies([both]));
	assert.equal(takes.filter((t) => t.material.id === 7).length, 1);
	const closures = takes.filter((t) => t.key === 'supply snap' || t.key === 'supply buckle');
	assert.equal(closures.length, 2);
	const ids = takes.map((t) => t.material.id);
	assert.equal(new Set(ids).size, ids.length);
});

test('two coats of no named cloth take two, of one named cloth they take one', () => {
	const coat = (id: number, form: string) =>
		make.component(id, { name: `coat ${id}`, kind: 'garment', route: 'wovenGarment', form });
	const names = (...forms: [string, string]) =>
		takesOf(make.record({ components: [coat(1, forms[0]), coat(2, forms[1])] }), supplies())
			.filter((t) => t.key.startsWith('new ') && !/Lining/.test(t.key))
			.map((t) => t.material.name);
	assert.deepEqual(names('long', 'short'), ['Coat 1: outer cloth', 'Coat 2: outer cloth']);
	assert.deepEqual(names('wool, green', 'wool, green'), ['Wool, green']);
	assert.deepEqual(names('wool, green', 'wool, grey'), ['Wool, green', 'Wool, grey']);
});

test('what it comes to: packs at their prices, and how many have none', () => {
	const takes = takesOf(record, supplies());
	const { of, minor, missing } = takesCost(takes, new Map([['new High-density foam 5 mm', 1390]]));
	assert.equal(of.get('new High-density foam 5 mm'), 2780);
	assert.equal(minor, 2780);
	assert.equal(missing, takes.length - 1);
	assert.deepEqual(takesCost([], new Map()), { of: new Map(), minor: 0, missing: 0 });
});

test('the library: every material is counted in what its family is, sheets have their size, cloth its width', () => {
	const all = Object.values(STARTERS);
	for (const s of all) {
		assert.ok(UNITS[s.family].includes(s.unit), s.name);
		if (s.unit === 'sheet') assert.ok(areaOfUnit(s)! > 0 && s.thicknessMm! > 0 && s.gramsPerM2! > 0, s.name);
		if (s.family === 'cloth') assert.ok(s.widthMm! >= 900, s.name);
		assert.ok(s.packSize > 0 && s.leadDays! >= 0);
	}
	assert.equal(new Set(all.map((s) => s.name)).size, all.length);
	// 100 kg/m³ × 3 mm = 300 g/m².
	const three = starterOf('High-density foam 3 mm', STARTERS)!;
	assert.deepEqual([three.thicknessMm, three.gramsPerM2, three.widthMm], [3, 300, 1000]);
	assert.equal(starterOf('Faux leather, red', STARTERS)!.widthMm, 1400);
	assert.equal(starterOf('moon dust', STARTERS), null);
});
