import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { GRAVITY } from '../engines/load/fastenerGroup.ts';
import type { Worn } from '../facts/wear.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { carrying, holdings, remedies, worstOf } from './holding.ts';
import { valueOf } from '../explain/figure.ts';
import { bearsFigure, carriedFigure, forceFigure, usedFigure, weightFigure } from '../explain/load.ts';
import { bothSides, holdsToWords, joinCircle, joinStepName } from './joins.ts';
import { weightOf, type Weight } from './weight.ts';

const FACTORS = { standing: 1, walking: 2, jumping: 4 };
const known = (grams: number | null): Weight => ({ grams, weighed: false, parts: [], unknown: [] });
const near = (a: number, b: number, by = 0.01) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);

/** A shoulder piece of 420 g whose weight is 60 mm outside its ties. */
const pauldron = make.component(1, { code: 'A-02', name: 'pauldron' });
const pair = make.component(1, { code: 'A-02', name: 'pauldrons', side: 'pair' });
const plate = make.component(2, { code: 'A-01', name: 'breastplate' });
const out = make.wearing(1, { centre: [60, 20, 0] });
const heldBy = (joins: Worn['joins'], grams: number | null = 420) =>
	holdings(
		[pauldron, plate],
		{ joins, wearings: [out] },
		new Map([
			[1, known(grams)],
			[2, known(900)]
		]),
		FACTORS,
		STANDARD
	);

test('ties 70 mm apart, by hand: the upper is pulled with W·d ÷ s, and holds when jumping (common practice)', () => {
	const [held] = heldBy([make.join(1, 1, { upMm: 60 }), make.join(2, 1, { upMm: -10 })]);
	const [top, tie] = held!.loads!.jumping.joins;
	const weight = 0.42 * GRAVITY * 4;
	// 16.5 N · 60 ÷ 70 = 14.1 N straight off, of 3 N a cm × 5 cm = 15; half the weight along it, of 7 N a cm² × 10 cm² = 70.
	near(top!.pull, (weight * 60) / 70, 1e-6);
	near(top!.pull, 14.12);
	near(top!.shear, 8.24);
	near(top!.share, Math.hypot(14.12 / 15, 8.24 / 70), 0.001);
	assert.equal(tie!.pull, 0, 'pressed on');
	assert.equal(held!.upTo, 'jumping');
	assert.deepEqual(remedies(held!, FACTORS, STANDARD), [], 'nothing to change');
});

test('ties 40 mm apart hold only walking; 30 mm lower it holds when jumping, as every other cure that is told', () => {
	const [held] = heldBy([make.join(1, 1, { upMm: 60 }), make.join(2, 1, { upMm: 20 })]);
	assert.equal(held!.upTo, 'walking');
	near(held!.loads!.jumping.joins[0]!.pull, (0.42 * GRAVITY * 4 * 60) / 40, 1e-6);
	const found = remedies(held!, FACTORS, STANDARD);
	// 988.5 N·mm ÷ s may pull 14.9 N: s is 66.4 mm at least, in steps of a centimetre 70.
	const lower = found.find((r) => r.kind === 'lower')!;
	assert.deepEqual(lower.changed, [1]);
	assert.equal(lower.joins[1]!.upMm, -10);
	near(lower.share, 0.949, 0.001);
	assert.deepEqual([...new Set(found.map((r) => r.kind))], ['lower', 'tie', 'larger', 'more', 'other']);
	for (const { joins, share, kind } of found) {
		const again = heldBy(joins.map((j, i) => ({ ...j, id: i + 1, version: 1 })));
		assert.equal(again[0]!.upTo, 'jumping', kind);
		near(worstOf(again[0]!.loads!.jumping), share, 1e-9);
	}
	assert.ok(
		found.every((r) => r.joins.every((j) => !['hookAndLoopGlued', 'pin'].includes(j.fastener))),
		'nothing that lets go or rusts is advised'
	);
});

test('a tie is lowered until it is far enough from the upper, however much it bears', () => {
	const straps = [0, 3].map((up, i) => make.join(i + 1, 1, { upMm: 60 - up, fastener: 'buckle' }));
	const [held] = heldBy(straps, 4200);
	assert.notEqual(held!.upTo, 'jumping');
	// 165 N · 60 mm ÷ 300 N is 33 mm: it would hold from there, and is 4 cm below at the least.
	const lower = remedies(held!, FACTORS, STANDARD).find((r) => r.kind === 'lower')!;
	assert.equal(60 - lower.joins[1]!.upMm, 43);
});

test('on one join it tips, whatever that bears; a tie 70 mm lower holds it', () => {
	const [held] = heldBy([make.join(1, 1, { upMm: 60, fastener: 'buckle' })]);
	assert.ok(held!.loads!.standing.tips);
	assert.equal(held!.upTo, 'nothing');
	const [one] = heldBy([make.join(1, 1, { upMm: 60 })]);
	const tie = remedies(one!, FACTORS, STANDARD).find((r) => r.kind === 'tie')!;
	assert.equal(tie.joins.length, 2);
	assert.equal(tie.joins[1]!.id, null);
	assert.equal(tie.joins[1]!.upMm, -10);
	// A strap would bear it however near: ties nearer than 4 cm are as one.
	assert.equal(remedies(held!, FACTORS, STANDARD)[0]!.joins[1]!.upMm, 20);
	assert.ok(
		!remedies(one!, FACTORS, STANDARD).some((r) => r.kind === 'larger'),
		'size does not keep it from tipping'
	);
});

test('what hangs on another pulls on that one’s joins; a weight that is not known is not nothing', () => {
	const joins = [
		make.join(1, 1, { upMm: 60, holdsTo: 'component', toComponentId: 2 }),
		make.join(2, 1, { upMm: -10, holdsTo: 'component', toComponentId: 2 }),
		make.join(3, 2, { upMm: 50, fastener: 'buckle' }),
		make.join(4, 2, { upMm: -50, fastener: 'buckle' })
	];
	const [, breast] = heldBy(joins);
	assert.equal(breast!.grams, 1320);
	assert.deepEqual(
		breast!.hung.map((h) => [h.component.code, h.grams]),
		[['A-02', 420]]
	);
	// 900 g of its own and 420 on it.
	assert.equal(valueOf(carriedFigure(breast!)), 1320);
	near(breast!.loads!.standing.joins[0]!.shear, (1.32 * GRAVITY) / 2, 1e-9);
	// Both of a pair hang on the one plate: 900 g and twice 420.
	const both = holdings(
		[pair, plate],
		{ joins, wearings: [out] },
		new Map([
			[1, known(420)],
			[2, known(900)]
		]),
		FACTORS,
		STANDARD
	);
	assert.equal(both[0]!.grams, 420, 'one of them on its own joins');
	assert.equal(both[1]!.grams, 1740);
	assert.equal(both[1]!.hung[0]!.grams, 840);
	const [unknown, under] = heldBy(joins, null);
	assert.equal(unknown!.loads, null);
	assert.equal(under!.grams, null, 'what it carries is not known either');
	assert.equal(under!.upTo, null);
});

test('what closes its own opening carries nothing', () => {
	const [held] = heldBy([make.join(1, 1, { holdsTo: 'self', fastener: 'zip' })]);
	assert.deepEqual(carrying(held!), []);
	assert.equal(held!.loads, null);
});

test('components that hold each other up are named', () => {
	const to = (id: number, from: number, other: number) =>
		make.join(id, from, { holdsTo: 'component', toComponentId: other });
	assert.deepEqual(
		joinCircle([pauldron, plate], [to(1, 1, 2), to(2, 2, 1)])?.map((c) => c.code),
		['A-02', 'A-01', 'A-02']
	);
	assert.equal(joinCircle([pauldron, plate], [to(1, 1, 2)]), null);
	assert.equal(holdsToWords(to(1, 1, 2), [plate]), 'to A-01 breastplate');
	assert.equal(joinStepName(to(1, 1, 2), [plate], STANDARD), 'hook-and-loop, to A-01 breastplate');
	assert.equal(holdsToWords(to(1, 1, 9), [plate]), 'to something that is gone');
	assert.deepEqual(bothSides('shoulder-left', pair), ['shoulder-left', 'shoulder-right']);
	assert.deepEqual(bothSides('chest', pair), ['chest']);
	assert.deepEqual(bothSides('shoulder-left', pauldron), ['shoulder-left']);
});

test('weight by hand: foam by its need, two coats, hook-and-loop; the scales win; what is not known is named', () => {
	const foam = make.material(1, {
		name: 'foam 6 mm',
		family: 'foam',
		unit: 'sheet',
		widthMm: 1000,
		lengthMm: 1000,
		gramsPerM2: 600
	});
	const lamp = make.material(2, { name: 'lamp', family: 'light', unit: 'piece' });
	const pair = make.component(1, { side: 'pair' });
	const record = make.record({
		components: [pair],
		needs: [{ ...make.need(1, 1, 0.6), waste: 1.2 }, make.need(1, 2, 2)],
		coats: [make.coat(1, 1, { product: 'brushedAcrylic', coats: 2, area: 250_000 })]
	});
	const joins = [make.join(1, 1, { lengthMm: 100, count: 2 })];
	const from = { cuts: [], materials: [foam, lamp], trade: STANDARD };
	const weight = weightOf(pair, record, { joins, wearings: [] }, from);
	assert.deepEqual(
		weight.parts.map((p) => [p.name, Math.round(p.grams * 100) / 100]),
		[
			// 0.6 sheets for both, of which a sixth is waste: 0.25 m² of one × 600 g.
			['foam 6 mm', 150],
			// Twice 0.25 m² at 120 ml, of which half stays.
			['brushed acrylic', 30],
			// Twice ten centimetres at 4 g.
			['hook-and-loop', 8]
		]
	);
	assert.deepEqual(weight.unknown, ['lamp']);
	near(weight.grams!, 188, 1e-9);
	const scales = weightOf(pair, record, { joins, wearings: [{ ...out, grams: 210 }] }, from);
	assert.equal(scales.grams, 210);
	assert.ok(scales.weighed);
	assert.equal(weightOf(pair, make.record({ components: [pair] }), make.NO_WEAR, from).grams, null);
});

test('figures of a join: what it bears, what pulls on it, how much of it is used', () => {
	const [held] = heldBy([make.join(1, 1, { upMm: 60 }), make.join(2, 1, { upMm: -10 })]);
	const how = { factors: FACTORS, trade: STANDARD, unit: 'mm' as const };
	// 5 cm × 3 N, and 10 cm² × 7 N.
	assert.equal(valueOf(bearsFigure(held!, 0, 'pull', STANDARD)), 15);
	assert.equal(valueOf(bearsFigure(held!, 0, 'shear', STANDARD)), 70);
	near(valueOf(forceFigure(held!, 0, 'pull', 'jumping', how)), 14.12);
	near(valueOf(forceFigure(held!, 0, 'shear', 'jumping', how)), 8.24);
	near(valueOf(usedFigure(held!, 0, 'jumping', how)), 94.9, 0.05);
	near(valueOf(usedFigure(held!, 0, 'jumping', how)) / 100, held!.loads!.jumping.joins[0]!.share, 1e-9);
	assert.equal(valueOf(weightFigure(held!.weight, 'pauldron')), 0, 'of no parts');
	assert.equal(valueOf(weightFigure({ ...known(210), weighed: true }, 'pauldron')), 210);
});

test('of other fasteners the one that lets go least comes first, as the log has it', () => {
	const [held] = holdings(
		[make.component(1)],
		{ ...make.NO_WEAR, joins: [60, -60].map((upMm, i) => make.join(i + 1, 1, { fastener: 'magnet', upMm })) },
		new Map([[1, { grams: 900, weighed: true, parts: [], unknown: [] }]]),
		FACTORS,
		STANDARD
	);
	const others = (learned: { kind: string; now: number }[] = []) =>
		remedies(held!, FACTORS, STANDARD, learned).filter((r) => r.kind === 'other');
	const rates = others().map((r) => r.per10!);
	assert.ok(rates.length > 2);
	assert.deepEqual(
		rates,
		[...rates].sort((a, b) => a - b)
	);
	const first = others()[0]!.joins[0]!.fastener;
	const then = others([{ kind: `fastener ${first}`, now: 8 }]);
	assert.equal(then.at(-1)!.joins[0]!.fastener, first);
	assert.equal(then.at(-1)!.per10, 8);
});
