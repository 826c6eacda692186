import assert from 'node:assert/strict';
import { test } from 'node:test';
import { coat, component, material, need, record, step } from '$tests/support/record.ts';
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
	const seed = shoppingSeed(plate, base, materials, STANDARD);
	const line = (name: string) => seed.find((l) => l.name === name)!;
	// By hand: 0.2 m² × 2 × 1.3 ÷ 0.5 m² = 1.04 sheets, up to a tenth: 1.1. 1.5 m × 15 ml × 2 = 45 ml.
	assert.equal(line('High-density foam 6 mm').quantity, 1.1);
	assert.equal(line('High-density foam 6 mm').material, foam6);
	assert.equal(line('Contact cement').quantity, 45);
	assert.equal(line('Contact cement').material, glue);
	assert.equal(line('Hook-and-loop, sew-on').material, null, 'nothing known yet');
	assert.ok(Math.abs(valueOf(line('High-density foam 6 mm').figure) - 1.04) < 1e-9);
});

test('what it needs already is left out, and what is not made needs nothing', () => {
	const had = shoppingSeed(plate, { ...base, needs: [need(1, 1, 2)] }, materials, STANDARD);
	assert.ok(!had.some((l) => l.material === foam6));
	assert.deepEqual(shoppingSeed({ ...plate, source: 'buy' }, base, materials, STANDARD), []);
	assert.deepEqual(shoppingSeed({ ...plate, route: null }, base, materials, STANDARD), []);
});

test('the thickness is read from the form; a foam of another thickness is no match', () => {
	const thin = shoppingSeed({ ...plate, form: 'craft foam 10 mm' }, base, materials, STANDARD)[0]!;
	assert.equal(thin.name, 'High-density foam 10 mm');
	assert.equal(thin.material, null);
});

test('every route has a first list', () => {
	for (const route of Object.keys(STANDARD.route)) {
		const c = component(1, { route, kind: 'prop' });
		const steps = (['sewMachine', 'gather', 'embroider', 'weft', 'cement'] as const).map((technique, i) =>
			step(20 + i, 1, { technique, amount: 4000 })
		);
		const seed = shoppingSeed(c, record({ components: [c], steps }), [], STANDARD);
		assert.ok(seed.length > 0, route);
		for (const l of seed) assert.ok(l.quantity > 0 && l.name && l.unit, `${route} ${l.name}`);
	}
});
