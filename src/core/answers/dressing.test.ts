import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { onMinutesFigure } from '../explain/dressing.ts';
import { valueOf } from '../explain/figure.ts';
import type { DressRecord } from '../facts/wear.ts';
import { dressingCircle, dressingPlan, mostHands, onMinutes, wornOnes } from './dressing.ts';

const said = (componentId: number, onMinutes: number | null, hands = 1) =>
	make.wearing(componentId, { onMinutes, hands });
const shirt = make.component(1, { code: 'G-01', kind: 'garment', layer: 1, zones: ['chest'] });
const plate = make.component(2, { code: 'A-01', kind: 'armor', layer: 2, zones: ['chest'] });
const greaves = make.component(3, {
	code: 'A-02',
	kind: 'armor',
	layer: 2,
	zones: ['shin-left', 'shin-right'],
	side: 'pair'
});
const badge = make.component(4, { code: 'A-03', parentId: 2, layer: 3, zones: ['chest'] });
const all = [shirt, plate, greaves, badge];
const plan = (wear: DressRecord, dressers: number, components = all) =>
	dressingPlan(components, wear, dressers, 5, () => 0);

test('by hand: shirt 3, then plate 4, greaves 5 beside: 12 minutes alone, 7 with a helper; who does what', () => {
	const wear = {
		...make.NO_WEAR,
		joins: [],
		wearings: [said(1, 3), said(2, 4), said(3, 5)],
		preparations: []
	};
	const alone = plan(wear, 1);
	assert.equal(alone.minutes, 12);
	assert.ok(alone.proved);
	assert.deepEqual(
		alone.order.map((o) => o.by),
		[[0], [0], [0]]
	);
	const two = plan(wear, 2);
	assert.equal(two.minutes, 7);
	const at = (id: number) => two.order.find((o) => o.component!.id === id)!;
	assert.deepEqual([at(1).start, at(1).end, at(2).start, at(2).end], [0, 3, 3, 7]);
	assert.deepEqual(
		wornOnes(all).map((c) => c.code),
		['G-01', 'A-01', 'A-02'],
		'a part comes with its whole'
	);
	// Nobody does two things at once, and everybody who is needed is there.
	for (const o of two.order) assert.equal(o.by.length, 1);
	for (const a of two.order)
		for (const b of two.order)
			if (a !== b && a.start < b.end && b.start < a.end) assert.ok(!a.by.some((who) => b.by.includes(who)));
});

test('what two have to hold takes both, and waits for them', () => {
	const wear = {
		...make.NO_WEAR,
		joins: [],
		wearings: [said(1, 3), said(2, 4, 2), said(3, 5)],
		preparations: []
	};
	assert.equal(mostHands(all, wear), 2);
	const two = plan(wear, 2);
	// Both are busy with the plate for 4 minutes, and the rest takes 5 at least.
	assert.equal(two.minutes, 9);
	assert.deepEqual(two.order.find((o) => o.component!.id === 2)!.by, [0, 1]);
});

test('while nobody has timed it: by its kind, its fasteners, and for both of a pair', () => {
	const joins = [make.join(1, 3), make.join(2, 3)];
	// Twice two minutes and two fasteners of half a minute.
	assert.deepEqual(onMinutes(greaves, { ...make.NO_WEAR, joins, wearings: [] }), {
		minutes: 6,
		before: 6,
		entered: false,
		times: [],
		copies: 2,
		base: 2,
		joins: 2,
		guessed: true
	});
	assert.equal(valueOf(onMinutesFigure(greaves, { ...make.NO_WEAR, joins, wearings: [] })), 6);
	assert.equal(valueOf(onMinutesFigure(greaves, { ...make.NO_WEAR, joins, wearings: [said(3, 8)] })), 8);
	assert.equal(onMinutes(greaves, { ...make.NO_WEAR, joins, wearings: [said(3, 8)] }).minutes, 8);
	assert.equal(
		onMinutes(greaves, { ...make.NO_WEAR, joins, wearings: [said(3, null, 2)] }).minutes,
		6,
		'hands alone say no minutes'
	);
});

test('what it is held to is on before; what cannot be is told by name', () => {
	const held = (id: number, from: number, to: number) =>
		make.join(id, from, { holdsTo: 'component', toComponentId: to });
	const onPlate = {
		...make.NO_WEAR,
		joins: [held(1, 3, 2)],
		wearings: [said(1, 3), said(2, 4), said(3, 5)],
		preparations: []
	};
	assert.equal(plan(onPlate, 2).minutes, 12);
	assert.equal(dressingCircle(all, onPlate), null);
	// The shirt is held to the plate that goes over it.
	assert.deepEqual(
		dressingCircle(all, { ...make.NO_WEAR, joins: [held(1, 1, 2)], wearings: [], preparations: [] })?.map(
			(c) => c.code
		),
		['G-01', 'A-01', 'G-01']
	);
	assert.equal(plan({ ...make.NO_WEAR, joins: [], wearings: [], preparations: [] }, 1, []).minutes, 0);
});

const makeUp = make.preparation(1, { name: 'skin colour', zones: ['face', 'neck'], minutes: 20 });
const brow = make.preparation(2, {
	name: 'brow piece',
	zones: ['face'],
	minutes: 10,
	waitMinutes: 5,
	patchTest: true
});
const mask = make.component(5, { code: 'A-04', layer: 3, zones: ['face'] });

test('by hand: make-up, then the brow, which dries for five minutes; the shirt goes on meanwhile, the mask afterwards', () => {
	const wear = {
		...make.NO_WEAR,
		joins: [],
		wearings: [said(1, 3), said(5, 1)],
		preparations: [makeUp, brow]
	};
	const alone = plan(wear, 1, [shirt, mask]);
	// 20 + 10, five of drying with the three of the shirt in them, one for the mask.
	assert.equal(alone.minutes, 36);
	const at = (name: string) => alone.order.find((o) => (o.preparation?.name ?? o.component!.code) === name)!;
	assert.deepEqual([at('skin colour').end, at('brow piece').end, at('A-04').start], [20, 30, 35]);
	// Drying is nobody's, and no line of the list.
	assert.equal(alone.order.length, 4);
	assert.equal(mostHands([shirt], { ...wear, preparations: [{ ...brow, hands: 2 }] }), 2);
});
