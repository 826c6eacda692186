import assert from 'node:assert/strict';
import { test } from 'node:test';
import { HOT_CAR } from '../trade/bond.ts';
import { catalogueOf, STANDARD } from '../trade/catalogue.ts';
import type { CureDoes } from '../trade/coatRule.ts';
import {
	checkStack,
	cured,
	stackOf,
	surfaceOf,
	thoughtOf,
	type Ground,
	type Layer,
	type StepLayer
} from './stackCheck.ts';
import { runJob } from '../formats/jobs.ts';
import * as make from '../../../tests/support/record.ts';

const FOAM: Ground = { surface: 'foam', bends: false };
const step = (technique: string, more: Partial<StepLayer> = {}): StepLayer => ({
	kind: 'step',
	id: null,
	name: technique,
	technique,
	begun: false,
	...more
});
/** Products by their keys, work by `~technique`. */
const stack = (...of: string[]): Layer[] =>
	of.map((one) => (one.startsWith('~') ? step(one.slice(1)) : thoughtOf(one, STANDARD)));
const check = (ground: Ground, ...of: string[]) => checkStack(ground, stack(...of), STANDARD, 0);
const rules = (ground: Ground, ...of: string[]) => check(ground, ...of).map((w) => w.rule);
const on = (surface: Ground['surface'], bends = false): Ground => ({ surface, bends });

test('what goes over what, as the trade’s table has it (common practice)', () => {
	// ✓ holds
	for (const [beneath, over] of [
		['brushedAcrylic', 'acrylicWash'],
		['pva', 'brushedAcrylic'],
		['rubberSpray', 'brushedAcrylic'],
		['fillerPrimer', 'acrylicSpray'],
		['acrylicSpray', 'clearSpray'],
		['fillerPrimer', 'enamelSpray']
	] as const)
		assert.deepEqual(rules(on('plastic'), beneath, over), [], `${over} over ${beneath}`);
	// ! test first
	for (const [beneath, over, rule] of [
		['enamelSpray', 'brushedAcrylic', 'overEnamel'],
		['brushedAcrylic', 'acrylicSpray', 'solventOverWater'],
		['rubberSpray', 'acrylicSpray', 'solventOverRubber']
	] as const) {
		const [warning, ...others] = check(on('plastic'), beneath, over);
		assert.deepEqual([warning!.rule, warning!.spoils, others.length], [rule, false, 0]);
	}
	// ✗ spoils
	assert.deepEqual(
		[
			rules(on('plastic'), 'acrylicSpray', 'enamelSpray'),
			rules(on('polystyrene'), 'acrylicSpray'),
			rules(on('leather'), 'enamelSpray'),
			rules(on('plastic', true), 'clearSpray'),
			rules(on('foam', true), 'pva'),
			rules(on('print'), 'leafSize'),
			rules(on('wood'), 'metallicSpray')
		],
		[
			['enamelOverAcrylic'],
			['solventOnPolystyrene'],
			['brittleOnBend'],
			['brittleOnBend'],
			['brittleOnBend'],
			['leafOnBare'],
			['leafOnBare']
		]
	);
	assert.deepEqual(rules(on('plastic'), 'glossClear', 'mattClear'), ['mattOverGloss']);
	assert.deepEqual(rules(on('plastic'), 'clearSpray', 'fillerPrimer'), ['overClear']);
	// Polystyrene under PVA is safe: what is directly beneath counts.
	assert.deepEqual(rules(on('polystyrene'), 'pva', 'brushedAcrylic'), []);
});

test('foam drinks paint until it is sealed, by a coat or by heat', () => {
	assert.deepEqual(rules(FOAM, 'fillerPrimer'), ['paintOnBareFoam']);
	assert.deepEqual(rules(FOAM, '~heatSeal', 'fillerPrimer'), []);
	assert.deepEqual(rules(FOAM, 'flexibleSealer', 'brushedAcrylic'), []);
	assert.deepEqual(rules(on(null), 'fillerPrimer'), [], 'nobody has said what it is of');
});

test('work between coats: glue on paint, heat on paint, a closure under paint, a second colour', () => {
	assert.deepEqual(rules(FOAM, '~heatSeal', 'fillerPrimer', '~cement'), ['glueOnPaint']);
	assert.deepEqual(rules(FOAM, '~heatSeal', '~mask', 'fillerPrimer', '~cement'), []);
	assert.deepEqual(rules(FOAM, '~heatSeal', 'fillerPrimer', '~heatShape'), ['heatOnPaint']);
	assert.deepEqual(rules(FOAM, '~heatSeal', '~snap', 'fillerPrimer'), ['coatOverClosure']);
	assert.deepEqual(rules(FOAM, '~heatSeal', 'fillerPrimer', '~snap'), []);
	assert.deepEqual(rules(on('plastic'), 'acrylicSpray', 'metallicSpray'), ['secondColour']);
	assert.deepEqual(rules(on('plastic'), 'acrylicSpray', '~mask', 'metallicSpray'), []);
	assert.deepEqual(rules(on('plastic'), 'acrylicSpray', 'acrylicSpray'), [], 'the same colour again');
});

test('once painted parts are joined another colour is not sprayed, masked or not: the join comes after it', () => {
	const parts = on('plastic');
	const layers = ['acrylicSpray', '~mask', '~cement', 'metallicSpray'];
	const [warning, ...others] = check(parts, ...layers);
	assert.deepEqual([warning!.rule, warning!.on, others.length], ['colourOnJoined', 2, 0]);
	assert.deepEqual(warning!.cures, [{ does: 'under', product: null }]);
	const better = cured(stack(...layers), warning!, warning!.cures[0]!, STANDARD)!;
	assert.deepEqual(
		better.map((l) => (l.kind === 'coat' ? l.product : l.technique)),
		['acrylicSpray', 'mask', 'metallicSpray', 'cement']
	);
	// Joined before any colour, or of one colour: nothing to mask.
	assert.deepEqual(rules(parts, '~cement', 'acrylicSpray', '~mask', 'metallicSpray'), []);
	assert.deepEqual(rules(parts, 'acrylicSpray', '~mask', '~cement', 'acrylicSpray'), []);
});

test('a last coat that bears less than a hot car is told, under another it is not', () => {
	assert.ok(STANDARD.coatProduct.metallicWax!.heatLimit! < HOT_CAR);
	const [warning] = check(on('plastic'), 'acrylicSpray', 'metallicWax');
	assert.deepEqual([warning?.rule, warning?.spoils, warning?.cures], ['softInCar', false, []]);
	assert.ok(!rules(on('plastic'), 'acrylicSpray', 'metallicWax', 'clearSpray').includes('softInCar'));
	// What seals is swapped for what seals.
	assert.deepEqual(check(on('wood'), 'pva')[0]!.cures, [{ does: 'swap', product: 'flexibleSealer' }]);
});

test('a wait until it is hard settles what only fresh paint spoils', () => {
	const layers = stack('brushedAcrylic', 'clearSpray');
	const ground = on('plastic');
	const [warning] = checkStack(ground, layers, STANDARD, 0);
	assert.deepEqual(
		warning!.cures.map((c) => c.does),
		['cure']
	);
	// Brushed acrylic: handled after 2 h, hard after 24 h (from memory).
	const waited = cured(layers, warning!, warning!.cures[0]!, STANDARD)!;
	assert.deepEqual(
		[layers[0]!, waited[0]!].map((l) => l.kind === 'coat' && l.wait),
		[120, 1440]
	);
	assert.deepEqual(checkStack(ground, waited, STANDARD, 0), []);
	// Or it has been on for so long.
	const long = layers.with(0, { ...layers[0]!, doneAt: 1000 } as Layer);
	assert.equal(checkStack(ground, long, STANDARD, 1000 + 1439).length, 1);
	assert.equal(checkStack(ground, long, STANDARD, 1000 + 1440).length, 0);
});

test('enamel over rubber on foam: a coat between, or a water paint instead; each cures it', () => {
	const layers = stack('~heatSeal', 'rubberSpray', 'enamelSpray', 'clearSpray');
	const [warning] = checkStack(FOAM, layers, STANDARD, 0);
	assert.deepEqual(
		[warning!.rule, warning!.spoils, warning!.over, warning!.on],
		['enamelOverRubber', true, 2, 1]
	);
	assert.deepEqual(warning!.cures, [
		{ does: 'insert', product: 'flexibleSealer' },
		{ does: 'swap', product: 'brushedAcrylic' }
	]);
	for (const cure of warning!.cures) {
		const after = checkStack(FOAM, cured(layers, warning!, cure, STANDARD)!, STANDARD, 0);
		assert.ok(!after.some((w) => w.spoils), cure.does);
	}
});

test('a cure that would spoil something else is not offered', () => {
	// Acrylic spray instead, or a sealer between, would still leave something brittle where it bends.
	const [warning] = check(on('plastic', true), 'brushedAcrylic', 'enamelSpray');
	assert.equal(warning!.rule, 'enamelOverAcrylic');
	assert.deepEqual(warning!.cures, [{ does: 'swap', product: 'brushedAcrylic' }]);
	const [bend] = check(on('leather'), 'clearSpray');
	// A clear is swapped for a clear, not for a sealer or a paint.
	assert.deepEqual(bend!.cures, [{ does: 'swap', product: 'flexibleClear' }]);
});

test('what goes beneath is moved: clear last, glue before paint, closures after it', () => {
	const does = (ground: Ground, does: CureDoes, ...of: string[]) => {
		const layers = stack(...of);
		const [warning] = checkStack(ground, layers, STANDARD, 0);
		const cure = warning!.cures.find((c) => c.does === does)!;
		return cured(layers, warning!, cure, STANDARD)!.map((l) => (l.kind === 'coat' ? l.product : l.technique));
	};
	assert.deepEqual(does(on('plastic'), 'under', 'acrylicSpray', 'clearSpray', 'acrylicSpray'), [
		'acrylicSpray',
		'acrylicSpray',
		'clearSpray'
	]);
	assert.deepEqual(does(FOAM, 'under', '~heatSeal', 'fillerPrimer', 'acrylicSpray', '~cement'), [
		'heatSeal',
		'cement',
		'fillerPrimer',
		'acrylicSpray'
	]);
	assert.deepEqual(does(FOAM, 'under', '~heatSeal', '~snap', 'fillerPrimer', 'acrylicSpray', '~press'), [
		'heatSeal',
		'fillerPrimer',
		'acrylicSpray',
		'snap',
		'press'
	]);
	assert.deepEqual(does(FOAM, 'mask', '~heatSeal', 'fillerPrimer', '~cement'), [
		'heatSeal',
		'mask',
		'fillerPrimer',
		'cement'
	]);
});

test('what is on is on: nothing is offered for a coat that has been begun', () => {
	const layers = stack('rubberSpray', 'enamelSpray');
	const begun = layers.map((l) => ({ ...l, begun: true }));
	assert.deepEqual(checkStack(FOAM, begun, STANDARD, 0)[0]!.cures, []);
	const glued = [
		...stack('~heatSeal'),
		{ ...thoughtOf('fillerPrimer', STANDARD), begun: true },
		step('cement')
	];
	assert.deepEqual(checkStack(FOAM, glued, STANDARD, 0)[0]!.cures, []);
});

test('rules are the maker’s: a row of their own is found, with its cure', () => {
	const own = catalogueOf([
		{
			id: 1,
			tableName: 'coatRule',
			key: 'washOnClear',
			version: 1,
			content: {
				name: 'wash over gloss',
				over: ['wash'],
				on: ['clear+gloss'],
				unless: [],
				spoils: false,
				untilCured: false,
				why: 'It beads.',
				cures: [{ does: 'under', product: null }],
				source: 'my own'
			}
		}
	]);
	// The one that ships is found first; it is the same cure.
	const layers = stack('brushedAcrylic', 'glossClear', 'acrylicWash');
	assert.deepEqual(
		checkStack(on('plastic'), layers, own, 0).map((w) => w.rule),
		['solventOverWater', 'overClear']
	);
});

test('a component’s stack is read from its steps, its surface from its sheets', () => {
	const record = make.record({
		components: [make.component(1), make.component(2, { surface: 'print', flex: 'stretch' })],
		coats: [
			make.coat(5, 1, { product: 'rubberSpray', coats: 2 }),
			make.coat(6, 1, { product: 'enamelSpray', coats: 1 })
		],
		steps: [
			make.step(1, 1, { position: 0, technique: 'heatSeal', doneAt: 10 }),
			make.step(2, 1, { position: 1, coatId: 5, technique: 'spray', doneAt: 20 }),
			make.step(3, 1, { position: 2, coatId: 5, technique: 'spray', doneAt: 60 }),
			make.step(4, 1, { position: 3, coatId: 6, technique: 'spray' })
		],
		needs: [make.need(1, 7, 1)]
	});
	const materials = [make.material(7, { family: 'foam' })];
	const { ground, layers } = stackOf(record.components[0]!, record, materials);
	assert.deepEqual(ground, { surface: 'foam', bends: false });
	assert.deepEqual(
		layers.map((l) => [l.kind, l.id, l.begun, l.kind === 'coat' ? l.doneAt : null]),
		[
			['step', 1, true, null],
			['coat', 5, true, 60],
			['coat', 6, false, null]
		]
	);
	assert.deepEqual(
		checkStack(ground, layers, STANDARD, 100).map((w) => [w.rule, w.over, w.on]),
		[['enamelOverRubber', 2, 1]]
	);
	assert.equal(surfaceOf(record.components[1]!, record, materials), 'print');
	assert.equal(surfaceOf(make.component(3, { kind: 'garment' }), record, []), 'cloth');
	assert.equal(surfaceOf(make.component(3), record, []), null);
	assert.ok(stackOf(record.components[1]!, record, materials).ground.bends);
});

test('every rule names products that are there, and every trait of it can be had', () => {
	for (const [key, rule] of Object.entries(STANDARD.coatRule))
		for (const cure of rule.cures)
			assert.ok(cure.product === null || cure.product in STANDARD.coatProduct, `${key} ${cure.product}`);
});

const job = (more: object) => runJob({ kind: 'coats', surface: 'foam', area: 500_000, ...more }, () => 0);
const wrong = (more: object) => {
	const done = job(more);
	assert.ok(!done.ok);
	return done.words;
};

test('job coats, worked by hand: half a m² of rubber three times and enamel twice', () => {
	const done = job({
		stack: [
			{ work: 'heatSeal' },
			{ product: 'rubberSpray', colour: 'black', coats: 3 },
			{ product: 'enamelSpray', colour: 'brass', coats: 2 }
		]
	});
	assert.ok(done.ok);
	const result = done.result as {
		warnings: { rule: string; cures: { words: string }[] }[];
		order: string[];
		coats: { at: number; minutes: number; wait: number }[];
		minutes: number;
		needs: object[];
	};
	assert.deepEqual(
		result.warnings.map((w) => [w.rule, w.cures.map((c) => c.words)]),
		[['enamelOverRubber', ['flexible acrylic sealer between', 'brushed acrylic instead']]]
	);
	assert.deepEqual(result.order, ['heatSeal', 'rubberSpray', 'flexibleSealer', 'enamelSpray']);
	// 20 min to set out and 4 min a m²: 22 each. Waits 30, 30, 240, then 15 and 24 h.
	assert.deepEqual(
		result.coats.map((c) => [c.at, c.minutes, c.wait]),
		[
			[0, 22, 30],
			[52, 22, 30],
			[104, 22, 240],
			[366, 22, 15],
			[403, 22, 1440]
		]
	);
	assert.equal(result.minutes, 1865);
	// 1.5 m² of 1.2 a can: 500 ml, two cans; 1 m² of 1.5: 266.7 ml, one.
	assert.deepEqual(result.needs, [
		{ product: 'rubberSpray', colour: 'black', coatedMm2: 1_500_000, ml: 500, packs: 2 },
		{ product: 'enamelSpray', colour: 'brass', coatedMm2: 1_000_000, ml: 266.7, packs: 1 }
	]);
	const cold = job({ coldOrDamp: true, stack: [{ product: 'brushedAcrylic', coats: 2 }] });
	assert.ok(cold.ok);
	assert.deepEqual(
		(cold.result as typeof result).coats.map((c) => c.wait),
		[60, 240]
	);
	// Two colours of one spray are two cans.
	const two = job({
		stack: [
			{ product: 'acrylicSpray', colour: 'red', coats: 1 },
			{ product: 'acrylicSpray', colour: 'blue', coats: 1 }
		]
	});
	assert.ok(two.ok);
	assert.equal((two.result as typeof result).needs.length, 2);
});

test('job coats refuses what cannot be, naming the field', () => {
	const stack = [{ product: 'pva' }];
	assert.equal(wrong({ area: 0, stack }), 'area: Needs an area.');
	assert.equal(wrong({ stack: [] }), 'stack: Needs a coat.');
	assert.equal(wrong({ stack: [{ product: 'gone' }] }), 'stack.0: There is no product “gone”.');
	assert.equal(wrong({ stack: Array.from({ length: 401 }, () => stack[0]) }), 'stack: At most 400 coats.');
	assert.match(
		wrong({ stack, products: { pva: { ...STANDARD.coatProduct.pva, coversMm2: 0 } } }),
		/^products\.pva\.coversMm2: /
	);
	assert.ok(job({ stack: Array.from({ length: 400 }, () => stack[0]) }).ok);
});
