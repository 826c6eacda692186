import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { takesFigure } from '../explain/money.ts';
import { valueOf, withInput } from '../explain/figure.ts';
import type { Material } from '../facts/material.ts';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { lockstitchThread, SUPPLIES } from '../trade/supply.ts';
import { usedUpBy } from '../trade/usedUp.ts';
import { arrivalOf } from './arrivals.ts';
import { shoppingLines, usagesOf } from './shopping.ts';
import { stillNeeded } from './stash.ts';
import { askedAbout, suppliesPer, suppliesWithoutMaterial, workUses } from './workUse.ts';

const near = (is: number, should: number, why?: string) =>
	assert.ok(Math.abs(is - should) < 1e-9, why ?? `${is}, not ${should}`);
const thread = make.material(1, {
	name: 'Thread',
	family: 'other',
	unit: 'm',
	packSize: 500,
	supply: 'sewingThread'
});
const cement = make.material(2, {
	name: 'Cement',
	family: 'glue',
	unit: 'ml',
	packSize: 250,
	supply: 'contactCement'
});
const shop = (materials: Material[], more: Partial<Parameters<typeof make.workshop>[0]> = {}) =>
	make.workshop({ materials, ...more });
const uses = (record: Parameters<typeof workUses>[0], materials: Material[]) =>
	workUses(record, materials, STANDARD, FIRST_SETTINGS);

/** A pair of vests: 12 m sewn and 3 m hemmed each, 3 m basted. */
const vest = make.record({
	components: [make.component(1, { side: 'pair' })],
	steps: [
		make.step(1, 1, { technique: 'sewMachine', amount: 12_000 }),
		make.step(2, 1, { technique: 'sewMachine', amount: 3_000, guessed: true }),
		make.step(3, 1, { technique: 'baste', amount: 3_000 })
	]
});

test('thread of a lockstitch, by its geometry: stitch type 301 of ISO 4915', () => {
	// By hand: in a metre are 400 stitches of 2.5 mm. Each thread goes 2.5 mm along and 1 mm through: 400 × 3.5 mm × 2 = 2.8 m.
	near(lockstitchThread(2.5, 1), 2.8);
	// Thin cloth and long stitches come near to the two threads that lie along the seam, and never below.
	assert.ok(lockstitchThread(5, 0.1) > 2 && lockstitchThread(5, 0.1) < 2.05);
	// Of a lockstitch two and a half to three times the seam is common practice.
	const per = SUPPLIES.sewingThread.uses.find((u) => u.technique === 'sewMachine')!.amount;
	assert.ok(per >= 2.5 && per <= 3);
});

test('thread from seam metres of every kind of stitch, a pair is two, a tenth more', () => {
	const [use] = uses(vest, [thread]);
	// By hand: (12 + 3) m × 2.8 × 2 + 3 m × 1.3 × 2 = 84 + 7.8 = 91.8 m; a tenth more is 100.98 m.
	near(use!.quantity, 100.98);
	assert.equal(use!.guessed, true, 'one of its amounts is a guess');
	const [line] = shoppingLines(vest, shop([thread]));
	near(line!.needed, 100.98);
	assert.deepEqual([line!.packsShort, line!.guessed], [1, true]);
	assert.deepEqual(line!.usages[0]!.stepIds, [1, 2, 3]);
	const figure = takesFigure(line!.usages, thread, STANDARD);
	near(valueOf(figure), line!.needed, 'the working gives the figure shown');
	// 20 m in place of the 67.2 m of the first step: (20 + 16.8 + 7.8) × 1.1.
	near(valueOf(withInput(figure, 0, 20)), 49.06);
});

test('the margin is the maker’s own, family by family', () => {
	const none = shop([thread], { settings: { ...FIRST_SETTINGS, margins: { other: 1 } } });
	near(shoppingLines(vest, none)[0]!.needed, 91.8);
	const coated = make.record({
		components: [make.component(1)],
		coats: [make.coat(1, 1, { coats: 2, area: 600_000 })]
	});
	const primer = make.material(5, { family: 'paint', unit: 'can', coatProduct: 'fillerPrimer' });
	const quarter = shop([primer], { settings: { ...FIRST_SETTINGS, margins: { paint: 1.25 } } });
	// 0.6 m² × 2 coats ÷ 1.2 m² is one can, a quarter more is two.
	assert.deepEqual(
		[shoppingLines(coated, shop([primer]))[0]!.packsShort, shoppingLines(coated, quarter)[0]!.packsShort],
		[1, 2]
	);
	near(valueOf(takesFigure(shoppingLines(coated, quarter)[0]!.usages, primer, STANDARD)), 1.25);
});

test('glue goes by its row under Glues: seams by the metre, layers by the area; of glues one is enough', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [
			make.step(1, 1, { technique: 'cement', amount: 4_000 }),
			make.step(2, 1, { technique: 'stack', amount: 100_000 }),
			make.step(3, 2, { technique: 'cement', amount: 2_000 })
		]
	});
	// By hand: 4 m × 15 ml + 0.1 m² × 450 ml = 105 ml; 2 m × 15 ml = 30 ml; a tenth more.
	assert.deepEqual(
		uses(record, [cement]).map((u) => Math.round(u.quantity * 100) / 100),
		[115.5, 33]
	);
	const quick = {
		id: 1,
		tableName: 'glue' as const,
		key: 'quickGlue',
		content: { ...STANDARD.glue.contactCement!, name: 'quick glue', mlPerMetre: 5 },
		version: 1
	};
	const its = { ...SUPPLIES.contactCement, name: 'quick glue', glue: 'quickGlue' };
	const supply = { id: 2, tableName: 'supply' as const, key: 'quickGlue', content: its, version: 1 };
	const other = make.material(3, { family: 'glue', unit: 'ml', supply: 'quickGlue' });
	const both = shop([other, cement], { handbook: [quick, supply] });
	assert.deepEqual(
		usagesOf(record, both).map((u) => u.materialId),
		[2, 2],
		'the first of the handbook, not both'
	);
	// The second component goes by the other: 2 m × 5 ml × 1.1.
	const chosen = { ...record, needs: [{ ...make.need(2, 3, 1), byWork: true }] };
	const [first, second] = usagesOf(chosen, both);
	assert.deepEqual([first!.materialId, second!.materialId], [2, 3]);
	near(second!.quantity, 11);
});

test('what was entered beside what the work comes to is asked about, and never added', () => {
	const by = (byWork: boolean | null) => ({ ...vest, needs: [{ ...make.need(1, 1, 40), byWork }] });
	assert.equal(
		shoppingLines(by(null), shop([thread]))[0]!.needed,
		40,
		'until somebody says, what was entered'
	);
	assert.deepEqual(
		askedAbout(uses(by(null), [thread])).map((u) => [u.componentId, Math.round(u.quantity)]),
		[[1, 101]]
	);
	near(shoppingLines(by(true), shop([thread]))[0]!.needed, 100.98);
	assert.equal(shoppingLines(by(false), shop([thread]))[0]!.needed, 40);
	assert.equal(
		shoppingLines(by(true), shop([{ ...thread, supply: null }]))[0]!.needed,
		40,
		'it is no supply here'
	);
	for (const settled of [true, false]) assert.deepEqual(askedAbout(uses(by(settled), [thread])), []);
	// Of another component nothing was entered: its work counts beside it.
	const two = {
		...by(false),
		components: [...vest.components, make.component(2)],
		steps: [...vest.steps, make.step(9, 2, { technique: 'sewMachine', amount: 1_000 })]
	};
	near(shoppingLines(two, shop([thread]))[0]!.needed, 40 + 2.8 * 1.1);
});

test('what no material stands for is told, in the units of the handbook', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [
			make.step(1, 1, { technique: 'cutFoam', amount: 20_000 }),
			make.step(2, 2, { technique: 'buckle', amount: 2, perCopy: false }),
			make.step(3, 2, { technique: 'eyelet', amount: 20, doneAt: 100 }),
			make.step(4, 1, { technique: 'cutFoam', amount: 90_000, doneAt: 100 })
		]
	});
	const told = suppliesWithoutMaterial(uses(record, []), STANDARD);
	assert.deepEqual(
		told.map((m) => [m.supply, m.quantity, m.componentIds]),
		[
			// 20 m ÷ 10 m a blade, a tenth more: 2.2; two straps with a buckle and 0.4 m each, which are counted.
			['blade', 3, [1]],
			['buckle', 2, [2]],
			['strapWebbing', 0.8, [2]]
		]
	);
	assert.deepEqual(usagesOf(record, shop([])), [], 'nothing is asked of nothing');
});

test('a material counts in its own unit, of the same sort', () => {
	near(suppliesPer('m', 'yd')!, 0.9144);
	assert.deepEqual(
		[
			suppliesPer('ml', 'l'),
			suppliesPer('g', 'kg'),
			suppliesPer('m', 'piece'),
			suppliesPer('piece', 'piece')
		],
		[1000, 1000, null, 1]
	);
	// What counts otherwise, or is a supply that nobody knows, is asked for nothing: that it is missing is told.
	for (const wrong of [{ unit: 'piece' }, { supply: 'gone' }]) {
		const odd = { ...thread, ...wrong };
		assert.deepEqual(usagesOf(vest, shop([odd])), []);
		assert.deepEqual(
			suppliesWithoutMaterial(uses(vest, [odd]), STANDARD).map((m) => m.supply),
			['sewingThread']
		);
		const entered = { ...vest, needs: [{ ...make.need(1, 1, 40), byWork: true }] };
		assert.equal(shoppingLines(entered, shop([odd]))[0]!.needed, 40, 'only the quantity tells');
	}
	const litres = { ...cement, unit: 'l', packSize: 1 };
	const record = make.record({
		components: [make.component(1)],
		steps: [make.step(1, 1, { technique: 'cement', amount: 10_000 })]
	});
	// 10 m × 15 ml × 1.1 = 165 ml.
	near(shoppingLines(record, shop([litres]))[0]!.needed, 0.165);
});

test('what steps that are done have used up is looked for no more', () => {
	const done = (id: number) => ({ ...vest.steps[id]!, doneAt: 100 });
	const half = { ...vest, steps: [done(0), vest.steps[1]!, vest.steps[2]!] };
	// 12 m × 2.8 × 2 × 1.1 = 73.92 of 100.98 m are sewn; 27.06 m are still to be sewn.
	const [line] = shoppingLines(half, shop([{ ...thread, packSize: 1 }]));
	near(line!.taken, 73.92);
	near(line!.short, 27.06);
	near(stillNeeded(half, shop([thread])).get(1)!, 27.06);
	// A spool that came and was used first: of it 27.06 m are left, which is just enough.
	const spool = make.purchase(1, 1, { state: 'arrived', packs: 1, packSize: 101 });
	const [bought] = shoppingLines({ ...half, purchases: [spool] }, shop([thread]));
	assert.deepEqual([bought!.taken, bought!.short], [0, 0]);
	assert.equal(stillNeeded({ ...half, purchases: [spool] }, shop([thread])).size, 0);
	assert.equal(arrivalOf(line!, half, 0).stepIds.length, 3);
	// So are coats: two cans of paint that was there, all put on, and the shelf counted empty.
	const coat = make.coat(1, 1, { coats: 2, area: 1_200_000 });
	const painted = make.record({
		components: [make.component(1)],
		coats: [coat],
		steps: [1, 2].map((id) => make.step(id, 1, { technique: 'spray', coatId: 1, doneAt: 100 }))
	});
	const primer = make.material(5, { family: 'paint', unit: 'can', coatProduct: 'fillerPrimer' });
	assert.equal(shoppingLines(painted, shop([primer]))[0]!.packsShort, 0);
});

test('every use is of a technique there is, more than nothing, and by one glue', () => {
	for (const [technique, used] of usedUpBy(STANDARD)) {
		assert.ok(technique in STANDARD.technique, technique);
		for (const u of used) assert.ok(u.amount > 0, technique);
		assert.equal(new Set(used.map((u) => u.slot)).size, used.length, `${technique}: one of a slot`);
	}
	for (const [key, row] of Object.entries(STANDARD.supply))
		assert.ok(row.glue === null || row.glue in STANDARD.glue, key);
});
