import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { todayOf } from './today.ts';
import { checkPlan } from '../engines/schedule/checkPlan.ts';
import type { Span } from '../engines/schedule/calendar.ts';
import { coatSteps, packsForCoats } from './coatStack.ts';
import { timeWords } from '../units/localTime.ts';
import { copiesOf, inLedgerOrder, nextCode } from '../facts/component.ts';
import { ShopPlan } from './shopPlan.ts';
import { addTaken, planCostume } from './plan.ts';
import { circleIn, stepsBefore } from '../facts/order.ts';
import { isRouteCoat, ROUTES, type Route } from '../trade/route.ts';
import { costumeStage, stageOf } from './stage.ts';
import { minutesLeft, stepMinutes } from './minutes.ts';
import { tapePins } from './pins.ts';
import { valueOf } from '../explain/figure.ts';
import { hoursLeftFigure, stepFigure } from '../explain/plan.ts';
import { cautionsFor, STANDARD } from '../trade/catalogue.ts';

const { at, day } = make;
const NOW = at('2031-04-28T18:00'); // a Monday
const NONE = new Map();

test('pairs and sets multiply, and so do the sets they are part of: three bits a finger, ten fingers', () => {
	const hands = make.component(1, { side: 'pair' });
	const finger = make.component(2, { parentId: 1, count: 5 });
	const bit = make.component(3, { parentId: 2, count: 3 });
	const byId = new Map([hands, finger, bit].map((c) => [c.id, c]));
	assert.equal(copiesOf(bit, byId), 30);
	assert.equal(copiesOf(finger, byId), 10);
});

test('hands-on minutes: set-up + amount × copies × rate, at three points', () => {
	const start = { rates: {}, handbook: [] };
	// A hundred carved lines a side at 1.2 minutes, twice: four hours.
	const lines = { technique: 'carveLine', amount: 100, perCopy: true, setUpMinutes: 0 } as const;
	assert.equal(stepMinutes(lines, 2, start)[1], 240);
	assert.equal(stepMinutes({ ...lines, perCopy: false }, 2, start)[1], 120);
	// Cutting foam, 3 m at 0.6 m a minute, with 10 minutes of laying out.
	assert.equal(
		stepMinutes({ technique: 'cutFoam', amount: 3000, perCopy: true, setUpMinutes: 10 }, 1, start)[1],
		15
	);
	const its = stepMinutes(lines, 1, { ...start, rates: { carveLine: [0.5, 1, 4] } });
	assert.deepEqual(its, [50, 100, 400]);
});

test('a begun step keeps a tenth of itself until it is said to be done', () => {
	assert.deepEqual(minutesLeft([40, 60, 110], 0), [40, 60, 110]);
	assert.deepEqual(minutesLeft([40, 60, 110], 30), [10, 30, 80]);
	assert.deepEqual(minutesLeft([40, 60, 110], 200), [6, 6, 6]);
});

test('codes and ledger order', () => {
	assert.equal(nextCode('wig', ['W-01', 'W-03']), 'W-02');
	const list = [make.component(3), make.component(1), make.component(2, { parentId: 3 })];
	assert.deepEqual(
		inLedgerOrder(list).map((n) => [n.item.id, n.depth]),
		[
			[1, 0],
			[3, 0],
			[2, 1]
		]
	);
});

test('every route ends in something that can be worn, and each coat of its stack is a step', () => {
	for (const [key, route] of Object.entries(ROUTES) as [string, Route][]) {
		assert.ok(route.steps.length >= 3, key);
		const phases = route.steps.filter((s) => !isRouteCoat(s)).map((s) => ('phase' in s ? s.phase : ''));
		const order = ['pattern', 'make', 'finish', 'rig', 'fit'];
		assert.deepEqual(
			phases,
			[...phases].sort((a, b) => order.indexOf(a) - order.indexOf(b)),
			`${key}: phases in order`
		);
	}
	assert.ok(cautionsFor(STANDARD, 'cement').includes('solvent'), 'contact cement comes with its caution');
});

test('coats become steps with the waits of the coat table (common practice; the label decides)', () => {
	const steps = coatSteps(
		{
			product: 'enamelSpray',
			coats: 3,
			area: 200_000,
			recoatMinutes: 15,
			handlingMinutes: 1440
		},
		STANDARD
	);
	assert.deepEqual(
		steps.map((s) => [s.waitMinutes, s.withinMinutes, s.orAfterMinutes, s.setUpMinutes]),
		[
			[15, null, null, 20],
			[15, 60, 2880, 20],
			[1440, 60, 2880, 20]
		]
	);
	// One can covered four petals: areas are added up before rounding, once per product.
	const petals = { product: 'acrylicSpray' as const, materialId: null, coats: 2, area: 100_000, copies: 8 };
	assert.deepEqual(packsForCoats([petals], STANDARD, [], FIRST_SETTINGS), [
		{
			product: 'acrylicSpray',
			material: null,
			coatedMm2: 1_600_000,
			coversMm2: 1_500_000,
			margin: 1,
			packs: 2
		}
	]);
	assert.equal(
		packsForCoats(
			[
				{ ...petals, copies: 7 },
				{ ...petals, copies: 1 }
			],
			STANDARD,
			[],
			FIRST_SETTINGS
		)[0]!.packs,
		2
	);
});

test('a parent’s rigging waits for its parts; circles are found', () => {
	const components = [make.component(1), make.component(2, { parentId: 1 })];
	const steps = [
		make.step(10, 1),
		make.step(11, 1, { phase: 'rig' }),
		make.step(20, 2),
		make.step(21, 2, { phase: 'finish' })
	];
	const before = stepsBefore(components, steps);
	assert.deepEqual(before.get(11)!.sort(), [10, 21]);
	assert.equal(circleIn(before), null);
	const circle = circleIn(
		stepsBefore(components, [...steps.slice(0, 2), { ...steps[2]!, after: [11] }, steps[3]!])
	);
	assert.deepEqual(circle!.sort(), [11, 20, 21]);
});

test('the stage follows from steps, waits, faults and purchases', () => {
	const c = make.component(1);
	const workshop = make.workshop();
	const stage = (facts: Partial<Parameters<typeof stageOf>[1]>, of = c) =>
		stageOf(of, { steps: [], leftOut: [], faults: [], purchases: [], ...facts }, workshop, NOW);
	assert.equal(stage({}), 'to plan');
	assert.equal(stage({ steps: [make.step(1, 1, { phase: 'pattern' })] }), 'to pattern');
	const done = make.step(1, 1, { doneAt: NOW - 30, waitMinutes: 60 });
	assert.equal(stage({ steps: [done, make.step(2, 1)] }), 'drying');
	// An hour of drying is two in the damp: 90 minutes after it is dry in a dry shop, and drying in a damp one.
	const coat = make.step(1, 1, { doneAt: NOW - 90, waitMinutes: 60, coatId: 1 });
	const facts = { steps: [coat], leftOut: [], faults: [], purchases: [] };
	const damp = make.workshop();
	damp.settings.coldOrDamp = true;
	assert.equal(stageOf(c, facts, make.workshop(), NOW), 'ready');
	assert.equal(stageOf(c, facts, damp, NOW), 'drying');
	assert.equal(
		stage({ steps: [{ ...done, doneAt: NOW - 90 }, make.step(2, 1, { phase: 'finish' })] }),
		'to finish'
	);
	assert.equal(stage({ steps: [{ ...done, doneAt: NOW - 90 }] }), 'ready');
	const leftOut = [make.step(2, 1)];
	assert.equal(stage({ steps: [{ ...done, doneAt: NOW - 90 }], leftOut }), 'left out');
	assert.equal(stage({ leftOut }), 'left out');
	assert.equal(
		stage({ steps: [make.step(3, 1)], leftOut }),
		'to make',
		'of the simpler way the rest is done'
	);
	assert.equal(costumeStage(['ready', 'left out']), 'ready');
	// A part that broke while the rest is not made yet is one more thing to do; of what was whole it is broken.
	assert.equal(costumeStage(['broken', 'to make', 'to rig']), 'to make');
	assert.equal(costumeStage(['broken', 'ready', 'mended']), 'broken');
	const faults = [make.fault(7, 1)];
	const cure = make.step(3, 1, { faultId: 7 });
	assert.equal(stage({ steps: [{ ...done, doneAt: NOW - 90 }, cure], faults }), 'broken');
	assert.equal(
		stage({
			steps: [
				{ ...done, doneAt: NOW - 90 },
				{ ...cure, doneAt: NOW }
			],
			faults
		}),
		'mended'
	);
	assert.equal(stage({ faults }), 'broken', 'a fault without a cure is not mended');
	const bought = make.component(1, { source: 'buy' });
	const parcel = make.purchase(1, 1, { componentId: 1, state: 'ordered' });
	assert.equal(stage({}, bought), 'to buy');
	assert.equal(stage({ purchases: [parcel] }, bought), 'on its way');
	assert.equal(stage({ purchases: [{ ...parcel, state: 'arrived' }] }, bought), 'ready');
	assert.equal(costumeStage(['ready', 'to finish', 'drying']), 'to finish');
});

const foam = make.material(1, { leadDays: 5, leadWorkingDays: true });
const basic = () =>
	make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { phase: 'pattern', amount: 60 }),
			make.step(2, 1, { amount: 120, waitMinutes: 600 })
		],
		needs: [make.need(1, 1, 2)]
	});

test('material on no list counts as ordered today: its step waits, its order-by day comes from the slack', () => {
	const plan = planCostume(basic(), make.workshop({ materials: [foam] }), NOW, NONE);
	const [pattern, cut] = plan.schedule.steps;
	assert.equal(timeWords(pattern!.start), 'Mon 28 Apr 18:00');
	// Five working days from Monday: the next Monday at noon; the window opens at 18:00.
	assert.equal(timeWords(cut!.start), 'Mon 5 May 18:00');
	assert.equal(plan.chainParcel?.material.id, 1);
	const order = plan.orders[0]!;
	// Ready by Wed 14 May 09:00 with 10 h of waiting: 2 h of work end by Tue 13 May 21:00, so start 19:00.
	assert.equal(timeWords(order.neededAt!), 'Tue 13 May 19:00');
	// There by Tue 13 May noon, five working days before: Tue 6 May.
	assert.equal(order.orderByDay, day('2031-05-06'));
	assert.equal(order.tooLate, false);
	assert.equal(plan.outlook, 'safe');
});

test('what is in the stash or has arrived holds nothing up; a late parcel is said to be too late', () => {
	const owned = planCostume(basic(), make.workshop({ materials: [{ ...foam, stash: 2 }] }), NOW, NONE);
	assert.equal(timeWords(owned.schedule.steps[1]!.start), 'Mon 28 Apr 19:00');
	assert.equal(owned.orders[0]!.orderByDay, null);
	const late = {
		...basic(),
		purchases: [
			make.purchase(1, 1, {
				packs: 2,
				state: 'ordered',
				orderedOn: day('2031-04-20'),
				dueOn: day('2031-05-15')
			})
		]
	};
	const plan = planCostume(late, make.workshop({ materials: [foam] }), NOW, NONE);
	assert.equal(plan.orders[0]!.tooLate, true);
	assert.equal(plan.orders[0]!.orderByDay, null, 'ordered already');
	assert.ok(plan.spareMinutes < 0);
	// Thursday evening's work and ten hours of waiting end on the event's morning: in time, but only just.
	assert.equal(plan.outlook, 'intoBuffer');
});

test('done steps hold their waits, cold doubles drying, helpers are not planned alone', () => {
	const r = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { coatId: 1, doneAt: NOW - 60, waitMinutes: 120 }),
			make.step(2, 1, { coatId: 1, amount: 30 }),
			make.step(3, 1, { needsHelper: true, amount: 30 })
		]
	});
	const starts = (w = make.workshop()) =>
		planCostume(r, w, NOW, NONE).schedule.steps.map((s) => timeWords(s.start));
	assert.deepEqual(starts(), ['Mon 28 Apr 19:00', 'Wed 30 Apr 19:00']);
	const cold = make.workshop();
	cold.settings.coldOrDamp = true;
	// Four hours instead of two from 17:00 end with the window: the next evening.
	assert.equal(starts(cold)[0], 'Tue 29 Apr 18:00');
	assert.deepEqual(planCostume(r, make.workshop(), NOW, NONE).schedule.steps[1]!.makers, [
		'maker 1',
		'maker 2'
	]);
});

test('a forbidden recoat window after a coat that is on bars the next start', () => {
	const r = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { coatId: 1, doneAt: NOW - 90, waitMinutes: 15 }),
			make.step(2, 1, { coatId: 1, amount: 10, withinMinutes: 60, orAfterMinutes: 2880 })
		]
	});
	const start = planCostume(r, make.workshop(), NOW, NONE).schedule.steps[0]!.start;
	assert.ok(start >= NOW - 90 + 2880, timeWords(start));
});

test('costumes share the makers: the earlier event takes its hours first', () => {
	const first = basic();
	const second = basic();
	second.costume = { ...second.costume, id: 2, eventAt: first.costume.eventAt + 1440 };
	const owned = new Map([[foam.id, 9]]);
	const shop = [second, first].map((record) => ({ record, stamp: '1', promised: owned }));
	const made = [...new ShopPlan().plan(make.workshop({ materials: [foam] }), shop, NOW)];
	const plans = new Map(made.map((m) => [m.id, m.plan]));
	assert.equal(timeWords(plans.get(1)!.schedule.steps[0]!.start), 'Mon 28 Apr 18:00');
	assert.equal(timeWords(plans.get(2)!.schedule.steps[0]!.start), 'Tue 29 Apr 18:00');
});

test('hours given away are those of who works in each part, joined to whole stretches', () => {
	const monday = [{ id: 1, days: [1], from: 18 * 60, to: 20 * 60 }];
	const tuesday = [{ id: 2, days: [2], from: 18 * 60, to: 20 * 60 }];
	const w = make.workshop();
	Object.assign(w.makers[0]!, { windows: monday });
	Object.assign(w.makers[1]!, { windows: tuesday, helpsOnly: false });
	const r = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { amount: 60, setUpMinutes: 0 }),
			make.step(2, 1, { amount: 120, setUpMinutes: 0 })
		]
	});
	r.costume.split = 'anywhere';
	const taken = new Map<string, Span[]>();
	const plan = planCostume(r, w, NOW, NONE);
	addTaken(taken, r, plan);
	// An hour, then two of which one is left for the other's evening.
	assert.deepEqual(taken.get('maker 1'), [[NOW, NOW + 120]]);
	assert.deepEqual(taken.get('maker 2'), [[NOW + 1440, NOW + 1440 + 60]]);
});

test('the bench: ready, drying, held, and what fits in the waiting', () => {
	const r = make.record({
		components: [1, 2, 3, 4].map((id) => make.component(id)),
		steps: [
			make.step(1, 1, { doneAt: NOW - 30, waitMinutes: 90 }),
			make.step(2, 1),
			make.step(3, 2, { amount: 45 }),
			make.step(4, 3, { amount: 200 }),
			make.step(5, 4)
		],
		needs: [make.need(4, 1, 1)]
	});
	const w = make.workshop({ materials: [foam] });
	const today = todayOf(r, w, planCostume(r, w, NOW, NONE), NOW);
	assert.deepEqual(
		today.drying.map((d) => [d.step.id, timeWords(d.until), d.next?.id]),
		[[1, 'Mon 28 Apr 19:00', 2]]
	);
	assert.deepEqual(today.ready.map((x) => x.step.id).sort(), [3, 4]);
	assert.deepEqual(
		today.ready.filter((x) => x.fitsInWait).map((x) => x.step.id),
		[3]
	);
	assert.deepEqual(
		today.held.map((h) => [h.step.id, h.material]),
		[[5, 'material 1']]
	);
	assert.ok(today.ready[0]!.slackMinutes! <= today.ready[1]!.slackMinutes!, 'most urgent first');
	const pins = tapePins(r, planCostume(r, w, NOW, NONE), w, NOW);
	assert.deepEqual(new Set(pins.map((p) => p.kind)), new Set(['order', 'dry', 'readyBy']));
});

test('a dab of paint takes a minute, in the hours of its maker and at its place; nothing to do takes none', () => {
	// Dry-brushing 200 mm² at 0.05 m²/min: 0.0002 / 0.05 = 0.004 min, a minute at least.
	const dab = { amount: 200, technique: 'dryBrush' as const };
	const record = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { ...dab, position: 0, placeId: 1 }),
			make.step(2, 1, { position: 1, technique: 'cement', amount: 0, waitMinutes: 1440 }),
			make.step(3, 1, { ...dab, position: 2 })
		]
	});
	const workshop = make.workshop();
	// Night: neither the maker's window nor the place is open.
	const plan = planCostume(record, workshop, at('2031-04-28T23:30'), NONE);
	assert.deepEqual(plan.minutes.get(1), [1, 1, 1]);
	assert.deepEqual(plan.minutes.get(2), [0, 0, 0]);
	const [first, nothing, last] = ['1', '2', '3'].map((id) => plan.schedule.steps.find((s) => s.id === id)!);
	const open = workshop.makers[0]!.windows;
	const clock = first!.start % 1440;
	assert.ok(
		open.some((w) => clock >= w.from && clock < w.to),
		`begun at ${clock} minutes of the day`
	);
	assert.equal(first!.makers.length, 1);
	assert.equal(first!.end - first!.start, 1);
	// Nothing is glued, so nobody waits a day for it.
	assert.equal(nothing!.ready, first!.end);
	assert.equal(last!.start, first!.end);
	assert.deepEqual(checkPlan(plan.problem, plan.schedule), []);
	assert.equal(valueOf(stepFigure(record.steps[0]!, record.components[0]!, record, workshop)), 1);
});

test('hands-on left opens to what it says, also with steps that cannot be placed or are begun', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [
			make.step(1, 1, { technique: 'cutFoam', amount: 60_000 }),
			// Needs a second pair of hands at a place that nobody has: never placed.
			make.step(2, 2, { technique: 'cutFoam', amount: 30_000, placeId: 99 }),
			make.step(3, 2, { technique: 'spray', amount: 1_000_000, doneAt: NOW - 500 })
		],
		logs: [
			{
				id: 1,
				stepId: 1,
				makerId: 1,
				startedAt: NOW - 90,
				endedAt: NOW - 60,
				minutes: 30,
				note: '',
				version: 1
			}
		]
	});
	const plan = planCostume(record, make.workshop(), NOW, NONE);
	assert.ok(plan.schedule.impossible.length > 0, 'one is not placed');
	// 60 m at 0.6 m/min less half an hour, and 30 m: 70 + 50 minutes.
	assert.equal(plan.handsOnLeft[1], 120);
	assert.equal(valueOf(hoursLeftFigure(record, plan)), 120);
});
