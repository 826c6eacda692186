import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { valueOf } from '../explain/figure.ts';
import { onMinutesFigure, preparationFigure } from '../explain/dressing.ts';
import { dressingPlan, onMinutes, preparationMinutes } from './dressing.ts';
import { beginOne, beginRehearsing, endOne, rehearsalOf, takeBack } from './rehearsing.ts';

const shirt = make.component(1, { code: 'G-01', kind: 'garment', layer: 1, zones: ['chest'] });
const plate = make.component(2, { code: 'A-01', kind: 'armor', layer: 2, zones: ['chest'] });
const greaves = make.component(3, { code: 'A-02', kind: 'armor', layer: 2, zones: ['shin-left'] });
const all = [shirt, plate, greaves];
const said = (componentId: number, onMinutes: number) => make.wearing(componentId, { onMinutes });
const wear = { ...make.NO_WEAR, wearings: [said(1, 3), said(2, 4), said(3, 5)] };
const plan = (dressers: number, of = wear) => dressingPlan(all, of, dressers, 5, () => 0);
const MIN = 60_000;

test('alone each tap begins the next; what it took is told to hundredths of a minute', () => {
	const order = plan(1).order.map((o) => `c${o.component!.id}`);
	let run = beginRehearsing(plan(1), null, 0);
	assert.deepEqual(Object.keys(run.begun), [order[0]]);
	run = endOne(plan(1), run, order[0]!, 3.5 * MIN);
	assert.equal(run.begun[order[1]!], 3.5 * MIN);
	run = endOne(plan(1), run, order[1]!, 7.25 * MIN);
	run = endOne(plan(1), run, order[2]!, 13 * MIN);
	const told = rehearsalOf(run);
	assert.equal(told.minutes, 13);
	assert.deepEqual(
		told.times.map((t) => t.minutes),
		[3.5, 3.75, 5.75]
	);
	assert.deepEqual(
		told.times.map((t) => [`c${t.componentId}`, t.preparationId]),
		order.map((k) => [k, null])
	);
});

test('with a helper both begin at once; the plate waits for the shirt and not for the greaves', () => {
	const two = plan(2);
	let run = beginRehearsing(two, 4, 0);
	assert.deepEqual(Object.keys(run.begun).sort(), ['c1', 'c3']);
	run = endOne(two, run, 'c1', 2 * MIN);
	assert.equal(run.begun['c2'], 2 * MIN);
	assert.equal(run.ended['c3'], undefined);
	assert.equal(run.variantId, 4);
	// The tap was wrong: the shirt still runs, and the plate has not begun.
	run = takeBack(run, 'c1');
	assert.deepEqual(Object.keys(run.begun).sort(), ['c1', 'c3']);
	assert.deepEqual(run.ended, {});
});

test('what lies over what the other one puts on waits for that, though its own dresser is free', () => {
	// The wearer 3 min of greaves beside the helper's shirt of 3: then the plate over the shirt, by whoever is free first.
	const beside = { ...make.NO_WEAR, wearings: [said(1, 3), said(2, 4), said(3, 3)] };
	const two = plan(2, beside);
	const by = (id: number) => two.order.find((o) => o.component!.id === id)!.by[0]!;
	let run = beginRehearsing(two, null, 0);
	// Whichever of the two puts on the plate, the greaves alone do not begin it.
	run = endOne(two, run, 'c3', 2 * MIN);
	assert.equal(run.begun['c2'], undefined, 'the shirt is not on yet');
	assert.notEqual(by(1), by(3));
	run = endOne(two, run, 'c1', 5 * MIN);
	assert.equal(run.begun['c2'], 5 * MIN);
});

test('what has to dry is begun by hand, and what was never ended is not told', () => {
	const drying = {
		...wear,
		preparations: [make.preparation(9, { minutes: 10, waitMinutes: 20, zones: ['chest', 'shin-left'] })]
	};
	const its = plan(1, drying);
	let run = beginRehearsing(its, null, 0);
	assert.deepEqual(Object.keys(run.begun), ['p9']);
	run = endOne(its, run, 'p9', 11 * MIN);
	assert.deepEqual(Object.keys(run.begun), ['p9'], 'nothing lies on what is wet');
	run = beginOne(run, 'c1', 30 * MIN);
	assert.deepEqual(rehearsalOf(run), {
		minutes: 11,
		times: [{ componentId: null, preparationId: 9, minutes: 11 }]
	});
});

test('learned by hand: a guess of 2 min and one rehearsal of 3 are 2.57; the figure says the same', () => {
	const { wearings: _, ...guessed } = wear;
	const once = {
		...guessed,
		wearings: [],
		rehearsals: [make.rehearsal(1, { times: [{ componentId: 1, preparationId: null, minutes: 3 }] })]
	};
	const on = onMinutes(shirt, once);
	// ln 2 + 8.163 ÷ (8.163 + 4.938) × ln 1.5.
	assert.ok(Math.abs(on.minutes - 2.575) < 0.001);
	assert.deepEqual([on.before, on.guessed, on.times], [2, false, [3]]);
	assert.ok(Math.abs(valueOf(onMinutesFigure(shirt, once)) - on.minutes) < 1e-12);
	assert.equal(onMinutes(plate, once).guessed, true, 'nobody rehearsed it');
	// Typed, it is known better, and moves less: 25 against 8.163.
	const typed = { ...once, wearings: [said(1, 2)] };
	assert.ok(Math.abs(Math.log(onMinutes(shirt, typed).minutes / 2) / Math.log(1.5) - 8.163 / 33.163) < 0.001);
	const paint = make.preparation(9, { minutes: 20 });
	const painted = {
		...once,
		rehearsals: [make.rehearsal(1, { times: [{ componentId: null, preparationId: 9, minutes: 24 }] })]
	};
	const its = preparationMinutes(paint, painted);
	assert.ok(its.minutes > 20 && its.minutes < 24);
	assert.ok(Math.abs(valueOf(preparationFigure(paint, painted)) - its.minutes) < 1e-12);
	assert.equal(valueOf(preparationFigure(paint, once)), 20);
});

test('many rehearsals agree more with each other than with the guess; a forgotten clock hardly counts', () => {
	const at = (...minutes: number[]) =>
		onMinutes(shirt, {
			...wear,
			wearings: [],
			rehearsals: minutes.map((m, i) =>
				make.rehearsal(i + 1, { times: [{ componentId: 1, preparationId: null, minutes: m }] })
			)
		}).minutes;
	assert.ok(Math.abs(at(6, 6, 6, 6, 6, 6, 6, 6) - 6) < 0.5);
	assert.ok(at(3, 3, 3, 90) < 4.2);
});
