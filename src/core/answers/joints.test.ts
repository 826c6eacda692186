import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { ROUTES, isRouteCoat, type Route } from '../trade/route.ts';
import { rateOf } from '../trade/rates.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { coatFigure, coatTotalFigure } from '../explain/coating.ts';
import { valueOf } from '../explain/figure.ts';
import { hoursLeftFigure, stepFigure } from '../explain/plan.ts';
import { piecesFigure } from '../explain/pieces.ts';
import type { Material } from '../facts/material.ts';
import { mergedByPhase } from '../facts/order.ts';
import { PLAIN_LAY } from '../facts/layout.ts';
import { cutFrom, type StoredShape } from '../facts/shape.ts';
import { applyOperations } from '../engines/pattern/operations.ts';
import type { Phase, Step } from '../facts/step.ts';
import { withAlternatives } from '../engines/schedule/triage.ts';
import { alternativesOf } from './alternatives.ts';
import { coatSteps, packsForCoats } from './coatStack.ts';
import { followPieces } from './followPieces.ts';
import { layGroups } from './layPieces.ts';
import { arrivalDay, lateMinutes, leadWords } from './leadTime.ts';
import { whatDecides } from './forecast.ts';
import { guessesOf, guessFactor } from './guesses.ts';
import { minutesOf } from './minutes.ts';
import { planCostume } from './plan.ts';
import { learnRates, onceEach } from './rates.ts';
import { shapeFor } from './shapePieces.ts';
import { stageOf } from './stage.ts';
import { todayOf } from './today.ts';
import { shoppingLines } from './shopping.ts';

/**
 * What passes between the engines: each case is worked by hand from what is entered to what stands on the page.
 * Lengths in mm. The trade's part in it (two edges are one seam, net is gathered with what it carries) is common practice.
 */

const near = (a: number | null | undefined, b: number, why = '') =>
	assert.ok(a != null && Math.abs(a - b) <= 1e-6 * Math.max(1, Math.abs(b)), `${a}, not ${b} ${why}`);
const cloth = make.material(2, { family: 'cloth', unit: 'm', widthMm: 1510 });
const shape = (shaper: string, values: Record<string, number>): StoredShape => ({
	id: 1,
	componentId: 1,
	shaper,
	name: '',
	values,
	works: [],
	drawn: null,
	materialId: 2,
	layers: 1,
	roles: {},
	note: '',
	version: 1
});

/** The steps of a route on one component, by name, with what its shape's pieces come to. */
function followed(route: Route, its: StoredShape): Map<string, Step> {
	const component = make.component(1, { kind: 'garment' });
	const steps = route.steps.flatMap((s, i) =>
		isRouteCoat(s)
			? []
			: [
					make.step(i + 1, 1, {
						...s,
						takes: s.takes ?? null,
						fromPieces: s.takes !== 'nothing',
						guessed: true,
						guess: s.amount
					})
				]
	);
	const record = followPieces(make.record({ components: [component], steps }), {
		shapes: [its],
		wearers: [],
		materials: [cloth],
		trade: STANDARD
	});
	return new Map(record.steps.map((s) => [s.name, s]));
}

/** Two layers, each three times round a base of 1 m at every height: two strips of 1.5 m a layer and net. */
const NET = {
	waist: 1000,
	hem: 1000,
	base: 300,
	layers: 2,
	widthTop: 100,
	widthBottom: 100,
	fullnessTop: 3,
	fullnessBottom: 3,
	cloth: 1500,
	soft: 1,
	colours: 1,
	templates: 0,
	scallopTop: 60,
	scallopBottom: 30
};

test('a net skirt: gathered as long as it is cut, sewn on as long as its lines, nothing tacked that nobody counted', () => {
	const steps = followed(ROUTES.layeredSkirt, shape('netSkirt', NET));
	near(steps.get('gather or pleat')!.amount, 2 * 3000, 'soft net is gathered with the structure net');
	near(steps.get('sew on, bottom up, alternating')!.amount, 2 * 1000);
	near(steps.get('cut layers')!.amount, 8 * 2 * (1500 + 100));
	assert.equal(steps.get('edge shapes')!.amount, 0, 'straight edges are cut by no template');
	// What pieces do not tell stays as it was, and is a guess.
	for (const [name, metres] of [
		['tack', 1],
		['base', 5],
		['hoop channel', 2],
		['mark layer lines', 12]
	] as const) {
		assert.equal(steps.get(name)!.amount, metres * 1000, name);
		assert.equal(steps.get(name)!.guessed, true, name);
	}
	assert.equal(steps.get('gather or pleat')!.guessed, false);

	const scalloped = followed(ROUTES.layeredSkirt, shape('netSkirt', { ...NET, templates: 1 }));
	near(scalloped.get('edge shapes')!.amount, 2 * 2 * 3000, 'both nets of both layers');
});

test('from a net skirt’s values to the minutes on its page: 2 m sewn at half a metre a minute take 4', () => {
	const step = followed(ROUTES.layeredSkirt, shape('netSkirt', NET)).get('sew on, bottom up, alternating')!;
	const component = make.component(1, { side: 'pair' });
	const record = make.record({ components: [component], steps: [step] });
	const figure = stepFigure(step, component, record, make.workshop());
	assert.equal(valueOf(figure), 8, 'for both of a pair');
	assert.equal(minutesOf(record, make.workshop()).get(step.id)![1], 8);
});

test('a woven skirt is hemmed along its hem and sewn along its seams; its waist counts whole', () => {
	const its = shape('circleSkirt', {
		waist: 900,
		length: 500,
		part: 1,
		panels: 4,
		seam: 0,
		hem: 0,
		cloth: 4000
	});
	const steps = followed(ROUTES.wovenGarment, its);
	const hem = 2 * Math.PI * (900 / (2 * Math.PI) + 500);
	near(steps.get('hem')!.amount, hem);
	// Four sides, two edges each; the waist goes on a band that is no piece of it.
	near(steps.get('sew')!.amount, 4 * 500 + 900);
	assert.equal(steps.get('trim')!.amount, 1000);
	assert.equal(steps.get('line')!.amount, 8000);
	const done = shapeFor(its, {
		component: make.component(1),
		components: [],
		wearers: [],
		materials: [cloth]
	});
	assert.ok(done.ok);
	const figure = piecesFigure('seam', done.value.pieces, 'mm');
	near(valueOf(figure), 4 * 500 + 900);
	assert.deepEqual(figure.inputs.map((i) => [i.name, Math.round(i.value)]).sort(), [
		['“side”', 2000],
		['“waist”', 900]
	]);
});

test('what is sewn onto something else counts whole: flounce, cape, boning, cone; what is gathered as it is drawn in', () => {
	const seams = (shaper: string, values: Record<string, number>) => {
		const done = shapeFor(shape(shaper, values), {
			component: make.component(1),
			components: [],
			wearers: [],
			materials: [cloth]
		});
		assert.ok(done.ok, shaper);
		return new Map(piecesFigure('seam', done.value.pieces, 'mm').inputs.map((i) => [i.name, i.value]));
	};
	near(seams('ruffle', { edge: 400, flare: 1.8, width: 90, widthEnd: 90, allowance: 13 }).get('“edge”'), 400);
	// 700 of edge at twice the fullness: 1,400 of cloth, joined at 700.
	const frill = seams('gathers', { edge: 700, fullness: 2, width: 150, seam: 0, hem: 0, cloth: 1500 });
	near(frill.get('“edge”'), 700);
	near(frill.get('“join”'), 150, 'one strip’s two ends are one join');
	// A kilt: three times the cloth, sewn to a band as wide as it is finished.
	near(
		seams('pleats', { finished: 720, kind: 0, count: 24, depth: 30, length: 500, seam: 0, hem: 0 }).get(
			'“band”'
		),
		720
	);
});

test('a step of nothing takes no time, sets nothing out and makes nobody wait', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { amount: 0, setUpMinutes: 20, waitMinutes: 600 }),
			make.step(2, 1, { amount: 60 })
		]
	});
	assert.deepEqual(minutesOf(record, make.workshop()).get(1), [0, 0, 0]);
	const plan = planCostume(record, make.workshop(), make.at('2031-05-02T17:00'), new Map());
	const [first, second] = plan.schedule.steps;
	assert.equal(first!.ready, first!.end);
	assert.equal(second!.end - second!.start, 60);
});

const colour = (id: number, extra: Parameters<typeof make.material>[1]) =>
	make.material(id, { family: 'paint', ...extra });

test('cans by what is in them: 0.6 m² three times brushed takes 216 ml, one bottle of 250 ml', () => {
	const verdigris = colour(1, {
		unit: 'ml',
		packSize: 250,
		coatProduct: 'brushedAcrylic',
		packPriceMinor: 420
	});
	const component = make.component(1);
	const coat = make.coat(1, 1, { product: 'brushedAcrylic', coats: 3, area: 600_000 });
	const record = make.record({ components: [component], coats: [coat] });
	const workshop = make.workshop({ materials: [verdigris] });
	// The handbook: 60 ml cover 0.5 m² once. 1.8 m² ÷ 0.5 × 60 ml.
	const [line] = shoppingLines(record, workshop);
	near(line!.needed, 216);
	assert.equal(line!.packsShort, 1);
	assert.equal(line!.costShortMinor, 420);
	const [need] = packsForCoats([{ ...coat, copies: 1 }], STANDARD, [verdigris]);
	assert.equal(valueOf(coatTotalFigure(need!, STANDARD)), 1, 'Finish says what Buy asks for');
	near(valueOf(coatFigure(coat, component, record, STANDARD, [verdigris])), 216 / 250);
});

test('small cans are small: 2.1 m² of coats take four cans of 150 ml, and two of a usual size', () => {
	const small = colour(1, { unit: 'ml', packSize: 150, coatProduct: 'acrylicSpray' });
	const usual = colour(2, { unit: 'can', coatProduct: 'acrylicSpray' });
	const labelled = colour(3, { unit: 'can', coatProduct: 'acrylicSpray', coversMm2: 700_000 });
	const cans = (material: ReturnType<typeof colour>) =>
		shoppingLines(
			make.record({
				components: [make.component(1)],
				coats: [make.coat(1, 1, { product: 'acrylicSpray', coats: 3, area: 700_000 })]
			}),
			make.workshop({ materials: [material] })
		)[0]!.packsShort;
	// 400 ml cover 1.5 m², so 150 ml cover 0.5625.
	assert.deepEqual([cans(small), cans(usual), cans(labelled)], [4, 2, 3]);
});

test('each colour has its own cans: black and red are not one', () => {
	const [black, red] = [1, 2].map((id) => colour(id, { unit: 'can', coatProduct: 'acrylicSpray' }));
	const record = make.record({
		components: [make.component(1), make.component(2)],
		coats: [
			make.coat(1, 1, { product: 'acrylicSpray', coats: 2, area: 100_000, materialId: 1 }),
			make.coat(2, 2, { product: 'acrylicSpray', coats: 2, area: 900_000, materialId: 2 })
		]
	});
	const lines = shoppingLines(record, make.workshop({ materials: [black!, red!] }));
	assert.deepEqual(
		lines.map((l) => [l.material.id, l.packsShort]),
		[
			[1, 1],
			[2, 2]
		]
	);
});

test('sprayed on two days it is set out twice, on one evening once, and the hours left say so', () => {
	const coat = make.coat(1, 1, {
		product: 'acrylicSpray',
		coats: 2,
		area: 1_000_000,
		recoatMinutes: 20,
		handlingMinutes: 0
	});
	const stepsOf = (recoat: number) =>
		coatSteps({ ...coat, recoatMinutes: recoat }, STANDARD).map(({ needsSprayPlace: _, ...s }, i) =>
			make.step(i + 1, 1, { ...s, phase: 'finish', coatId: 1, placeId: 1, oneSitting: true })
		);
	const planned = (recoat: number) => {
		const record = make.record({ components: [make.component(1)], coats: [coat], steps: stepsOf(recoat) });
		const plan = planCostume(record, make.workshop(), make.at('2031-05-03T08:00'), new Map());
		const [a, b] = plan.schedule.steps;
		assert.equal(valueOf(hoursLeftFigure(record, plan)), plan.handsOnLeft[1], 'and its working sums to it');
		return [a!.end - a!.start, b!.end - b!.start, plan.handsOnLeft[1]];
	};
	// 1 m² at 0.25 m² a minute is 4 minutes; 20 to set out.
	assert.deepEqual(planned(20), [24, 4, 28]);
	assert.deepEqual(planned(12 * 60), [24, 24, 48]);
});

test('the smallest coat is work in its place, while it is open', () => {
	const record = make.record({
		components: [make.component(1)],
		coats: [make.coat(1, 1, { area: 1000, coats: 1 })],
		steps: [
			make.step(1, 1, {
				technique: 'spray',
				amount: 1000,
				coatId: 1,
				placeId: 1,
				oneSitting: true,
				phase: 'finish'
			})
		]
	});
	const workshop = make.workshop();
	const plan = planCostume(record, workshop, make.at('2031-05-02T20:00'), new Map());
	const [s] = plan.schedule.steps;
	assert.ok(s!.end - s!.start >= 1);
	const { windows } = workshop.places.find((p) => p.id === 1)!;
	const [day, clock] = [Math.floor(s!.start / 1440), s!.start % 1440];
	const weekday = ((day + 3) % 7) + 1;
	assert.ok(
		windows.some((w) => w.days.includes(weekday) && clock >= w.from && s!.end % 1440 <= w.to),
		`at ${clock} on ${weekday}`
	);
});

const parcel = (id: number, extra: Parameters<typeof make.material>[1] = {}) =>
	make.material(id, { family: 'other', unit: 'piece', leadDays: 5, leadWorkingDays: false, ...extra });
const FRIDAY = make.at('2031-05-02T17:00');
/** Ordered on a Friday, five days on, from noon. */
const THERE = make.at('2031-05-07T12:00');

/** When each step of one component may start at the soonest: before its parcel, or not. */
function waitsFor(component: ReturnType<typeof make.component>, material: Material, steps: Partial<Step>[]) {
	const record = make.record({
		components: [component],
		steps: steps.map((s, i) => make.step(i + 1, component.id, s)),
		needs: [make.need(component.id, material.id, 1)]
	});
	const plan = planCostume(record, make.workshop({ materials: [material] }), FRIDAY, new Map());
	return record.steps.map((s) => plan.schedule.steps.find((p) => p.id === String(s.id))!.start >= THERE);
}

test('a wig is not fitted, and boots are not tried on, before they have come', () => {
	const tryOn = { technique: 'fit', phase: 'pattern', amount: 1 } as const;
	const wig = make.component(1, { kind: 'wig' });
	assert.deepEqual(
		waitsFor(wig, parcel(1, { family: 'hair' }), [tryOn, { technique: 'trimHair', amount: 1 }]),
		[true, true]
	);
	const boots = make.component(1, { kind: 'garment', source: 'alter', side: 'pair' });
	assert.deepEqual(waitsFor(boots, parcel(1, { family: 'cloth' }), [tryOn]), [true]);
	const bought = make.component(1, { kind: 'garment', source: 'buy' });
	assert.deepEqual(waitsFor(bought, parcel(1), [tryOn]), [true]);
});

test('a pattern and its mock-up need no cloth; cutting does; lines are marked on the cloth itself', () => {
	const dress = make.component(1, { kind: 'garment' });
	const cloth = parcel(1, { family: 'cloth', unit: 'm' });
	assert.deepEqual(
		waitsFor(dress, cloth, [
			{ technique: 'draft', phase: 'pattern', amount: 4 },
			{ technique: 'sewMachine', phase: 'pattern', amount: 3000 },
			{ technique: 'cutCloth', amount: 3000 }
		]),
		[false, false, true]
	);
	assert.deepEqual(waitsFor(dress, cloth, [{ technique: 'markLine', phase: 'pattern', amount: 3000 }]), [
		true
	]);
});

test('a zip holds up the closure, glue the first joint, paint the first coat, and nothing before', () => {
	const c = make.component(1);
	const cut = { technique: 'cutFoam', amount: 1000 };
	const held = (family: Material['family'], technique: string, unit = 'piece') =>
		waitsFor(c, parcel(1, { family, unit }), [cut, { technique, amount: 1000 }]);
	assert.deepEqual(held('closure', 'closure'), [false, true]);
	assert.deepEqual(held('glue', 'cement', 'ml'), [false, true]);
	assert.deepEqual(held('paint', 'brush', 'ml'), [false, true]);
	assert.deepEqual(held('light', 'wire'), [false, true]);
});

test('what no step uses must be there by the day to be ready by', () => {
	const record = make.record({
		components: [make.component(1, { source: 'buy' })],
		purchases: [make.purchase(1, 1, { componentId: 1, packs: 1, leadDays: 5, leadWorkingDays: false })]
	});
	const plan = planCostume(record, make.workshop({ materials: [parcel(1)] }), FRIDAY, new Map());
	assert.equal(plan.orders[0]!.neededAt, plan.deadline);
	// The event is on 16 May, two days are kept free: by the 14th at 09:00 is by noon of the 13th, five days before.
	assert.equal(plan.orders[0]!.orderByDay, make.day('2031-05-08'));
});

test('in a plan that is late by its work, what is bought on the day is not too late, and a parcel in time is not either', () => {
	const much = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { technique: 'draft', phase: 'pattern', amount: 1, setUpMinutes: 6000 }),
			make.step(2, 1, { technique: 'cutFoam', amount: 1000 })
		],
		needs: [make.need(1, 1, 1), make.need(1, 2, 1)]
	});
	const shelf = parcel(1, { leadDays: 0 });
	const posted = parcel(2);
	const plan = planCostume(much, make.workshop({ materials: [shelf, posted] }), FRIDAY, new Map());
	assert.equal(plan.outlook, 'late');
	assert.deepEqual(
		plan.orders.map((o) => o.tooLate),
		[false, false],
		'a hundred hours of drafting make it late, not the foam'
	);
	for (const o of plan.orders) assert.ok(o.orderByDay! >= make.day('2031-05-02'), o.material.name);

	// Work for an evening, and a parcel that comes after the event: that one is hopeless, and told first.
	const few = { ...much, steps: [make.step(2, 1, { technique: 'cutFoam', amount: 1000 })] };
	const slow = parcel(2, { leadDays: 30 });
	const late = planCostume(few, make.workshop({ materials: [shelf, slow] }), FRIDAY, new Map());
	assert.deepEqual(
		late.orders.map((o) => [o.material.id, o.tooLate]),
		[
			[2, true],
			[1, false]
		]
	);
});

test('a lead time that nobody knows is a week by assumption, and says so', () => {
	const unknown = parcel(1, { leadDays: null });
	assert.equal(arrivalDay(make.day('2031-05-02'), unknown), make.day('2031-05-09'));
	assert.equal(leadWords(unknown), 'not known, 7 days assumed');
	assert.equal(leadWords(parcel(1, { leadDays: 1, leadWorkingDays: true })), '1 working day');
	assert.deepEqual(lateMinutes(unknown), [0, 0, 14 * 1440], 'and it may well be three');
});

test('a rate learns from a log once: a copy of the costume, or its file read in again, tells nothing new', () => {
	const log = {
		stepId: 1,
		technique: 'cutFoam',
		amount: 2000,
		setUpMinutes: 0,
		minutes: 10,
		makerId: 1,
		doneAt: FRIDAY
	};
	const copied = { ...log, stepId: 9, makerId: null };
	const own = { ...log, stepId: 10, minutes: 12 };
	const told = onceEach(
		new Map([
			[2, [copied, own]],
			[1, [log]]
		])
	);
	assert.deepEqual(
		told.map((o) => o.stepId),
		[1, 10]
	);
	// What was logged on an amount that nobody had looked at says less.
	const rate = (guessed: boolean) =>
		learnRates(STANDARD, [{ ...log, minutes: 30, guessed }])[0]!.now[1] / rateOf(STANDARD, 'cutFoam', {})[1];
	assert.ok(1 < rate(true) && rate(true) < rate(false), `${rate(true)} ${rate(false)}`);
	// Two pieces finished together in one costume are two.
	assert.equal(onceEach(new Map([[1, [log, { ...log, stepId: 2 }]]])).length, 2);
});

test('steps of a second route come where they belong: a lantern’s light is wired when its foam is cut and painted', () => {
	const named = (route: Route): { name: string; phase: Phase }[] =>
		route.steps.map((s) => (isRouteCoat(s) ? { name: s.product, phase: 'finish' } : s));
	const names = (there: Route, added: Route) => mergedByPhase(named(there), named(added)).map((s) => s.name);
	for (const order of [names(ROUTES.light, ROUTES.foamPlate), names(ROUTES.foamPlate, ROUTES.light)]) {
		const at = (name: string) => order.indexOf(name);
		assert.ok(
			at('cut') < at('wire') && at('clearSpray') < at('wire') && at('wire') < at('test'),
			order.join()
		);
		assert.ok(at('cut') < at('bevel') && at('bevel') < at('join'), 'each keeps its own order');
	}
});

const guessed = (id: number, extra: Partial<Step> = {}) =>
	make.step(id, 1, { technique: 'cutFoam', amount: 6000, guessed: true, guess: 6000, ...extra });

test('minutes on a guessed amount lie as far apart as the rate and the guess together', () => {
	const record = make.record({ components: [make.component(1)], steps: [guessed(1)] });
	const [low, usual, high] = minutesOf(record, make.workshop()).get(1)!;
	// 6 m at 0.6 m a minute; 0.7 and 1.8 times that by the rate, half and twice by the guess.
	assert.equal(usual, 10);
	assert.equal(low, Math.round(10 / Math.exp(Math.hypot(Math.log(1 / 0.7), Math.log(2)))));
	assert.equal(high, Math.round(10 * Math.exp(Math.hypot(Math.log(1.8), Math.log(2)))));
	assert.deepEqual([low, high], [5, 25]);
	const known = make.record({ components: [make.component(1)], steps: [guessed(1, { guessed: false })] });
	assert.deepEqual(minutesOf(known, make.workshop()).get(1), [7, 10, 18]);
});

test('on guesses no plan is safe, and the hours left say how many of them are guessed', () => {
	const plan = (steps: Step[]) => {
		const record = make.record({ components: [make.component(1)], steps });
		return { record, plan: planCostume(record, make.workshop(), FRIDAY, new Map()) };
	};
	const known = plan([guessed(1, { guessed: false }), guessed(2, { guessed: false })]);
	assert.equal(known.plan.outlook, 'safe');
	assert.equal(known.plan.guessedMinutes, 0);
	const half = plan([guessed(1, { guessed: false }), guessed(2)]);
	assert.equal(half.plan.outlook, 'likely');
	assert.equal(half.plan.guessedMinutes, 10);
	assert.equal(half.plan.handsOnLeft[1], 20);
	assert.match(hoursLeftFigure(half.record, half.plan).inputs[0]!.source, /10m of them guessed/);
	// Done is done: nothing of it is a guess any more that matters.
	assert.equal(plan([guessed(1, { doneAt: FRIDAY - 60 })]).plan.guessedMinutes, 0);
});

test('how far guesses are off is learned from those that were settled', () => {
	const settled = (amounts: number[]) =>
		guessFactor([
			{ steps: amounts.map((amount, i) => guessed(i + 1, { amount, guessed: false })), coats: [] }
		]);
	assert.equal(settled([]), 2, 'as stated, until something is settled');
	// Five at the stated factor and five that were right: exp(√(5·ln²2 ÷ 10)).
	assert.equal(
		settled([6000, 6000, 6000, 6000, 6000]),
		Math.round(10 * Math.exp(Math.log(2) / Math.SQRT2)) / 10
	);
	assert.ok(
		settled([24_000, 24_000, 1500, 24_000, 24_000]) > 2.8,
		'four times too little is worse than stated'
	);
	assert.equal(guessFactor([{ steps: [guessed(1)], coats: [] }]), 2, 'what is not settled tells nothing');
});

test('what to settle first: what may move the finish before what only takes work, then prices, then money', () => {
	const [long, short] = [make.component(1), make.component(2)];
	const steps = [
		make.step(1, 1, { technique: 'cutFoam', amount: 300_000, guessed: true }),
		make.step(2, 2, { technique: 'cutFoam', amount: 6000, guessed: true }),
		make.step(3, 1, { technique: 'other', amount: 60 })
	];
	const record = make.record({
		components: [long, short],
		steps,
		needs: [
			{ ...make.need(1, 1, 3), guessed: true },
			{ ...make.need(2, 2, 1), guessed: true }
		]
	});
	const materials = [
		make.material(1, { packPriceMinor: 1000, leadDays: 0 }),
		make.material(2, { packPriceMinor: null, leadDays: 0 })
	];
	const workshop = make.workshop({ materials });
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	const guesses = guessesOf(record, workshop, plan, 2);
	assert.deepEqual(
		guesses.map((g) => [g.kind, g.componentId ?? g.materialId]),
		[
			['amounts', 1],
			['amounts', 2],
			['price', 2],
			['quantity', 1]
		]
	);
	// 500 minutes become 1249 on their bad side: four evenings of three hours more, and some.
	assert.equal(guesses[0]!.minutes, 500);
	assert.ok(guesses[0]!.laterMinutes! > 3 * 1440, String(guesses[0]!.laterMinutes));
	// Three packs at 10.00, and twice as much at the worst.
	assert.equal(guesses[3]!.moreMinor, 3000);
});

test('a step of nothing is no next step, and the one after it can be begun', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { doneAt: FRIDAY - 600 }),
			make.step(2, 1, { technique: 'bevel', amount: 0, phase: 'pattern' }),
			make.step(3, 1, { technique: 'cutFoam', amount: 6000, phase: 'make' })
		]
	});
	const workshop = make.workshop();
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	assert.deepEqual(
		todayOf(record, workshop, plan, FRIDAY).ready.map((r) => [r.step.id, r.minutes]),
		[[3, 10]]
	);
	assert.equal(stageOf(record.components[0]!, record, workshop, FRIDAY), 'to make');
});

test('what the bench says to do now is the plan’s next step, for as long as the plan says', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [
			make.step(1, 1, { amount: 30 }),
			make.step(2, 2, { amount: 60 }),
			make.step(3, 2, { amount: 60, waitMinutes: 2880 })
		]
	});
	const workshop = make.workshop();
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	const [next] = [...plan.schedule.steps].sort((a, b) => a.start - b.start);
	const [now] = todayOf(record, workshop, plan, FRIDAY).ready;
	assert.equal(String(now!.step.id), next!.id);
	assert.equal(now!.minutes, next!.end - next!.start);
});

test('what decides: parcels first, then the steps of a component in one line', () => {
	const componentOf = (id: string) => (id === '9' ? 2 : 1);
	const steps = [
		{ id: '1', share: 0.96 },
		{ id: '2', share: 0.95 },
		{ id: '9', share: 0.3 },
		{ id: '3', share: 0.1 }
	];
	assert.deepEqual(whatDecides({ steps, parcels: [{ id: 'parcel 1', share: 0.2 }] }, componentOf), [
		{ ids: ['parcel 1'], share: 0.2 },
		{ ids: ['1', '2'], share: 0.96 },
		{ ids: ['9'], share: 0.3 }
	]);
});

/** The case of the trade: structure net and two colours of soft net on one skirt, each bought for itself. */
test('a skirt of three nets: each is needed, laid and bought by what is cut from it', () => {
	const nets = [11, 12, 13].map((id) =>
		make.material(id, {
			family: 'cloth',
			unit: 'm',
			widthMm: 1510,
			packPriceMinor: [300, 200, 250][id - 11]!
		})
	);
	const its = {
		...shape('netSkirt', { ...NET, layers: 4, colours: 2, templates: 1 }),
		materialId: 11,
		roles: { 'soft net A': 12, 'soft net B': 13 }
	};
	const component = make.component(1, { kind: 'garment' });
	const needs = nets.map((m) => ({ ...make.need(1, m.id, 1), id: m.id, waste: 1 }));
	const record = followPieces(make.record({ components: [component], needs }), {
		shapes: [its],
		wearers: [],
		materials: nets,
		trade: STANDARD
	});
	// Four layers of 3 m by 100 mm: 1.2 m² of structure net, with the card 180 × 60 mm less its scallops; half as much of each colour.
	const areaOf = (id: number) => record.needs.find((n) => n.materialId === id)!.quantity * 1.51;
	near(areaOf(12), 0.6);
	near(areaOf(13), 0.6);
	assert.ok(areaOf(11) > 1.2 && areaOf(11) < 1.22, String(areaOf(11)));
	const { groups, without } = layGroups([component], [its], [], nets, PLAIN_LAY);
	assert.equal(without, 0);
	assert.deepEqual(
		groups.map((g) => [g.material.id, g.pieces.filter((p) => p.name.startsWith('layer')).length]),
		[
			[11, 4],
			[12, 2],
			[13, 2]
		]
	);
	const lines = shoppingLines(record, make.workshop({ materials: nets }));
	// 0.81, 0.40 and 0.40 m, by whole metres.
	assert.deepEqual(
		lines.map((l) => [l.material.id, l.packsShort, l.costShortMinor]),
		[
			[11, 1, 300],
			[12, 1, 200],
			[13, 1, 250]
		]
	);
	// Cutting is done to all of it, gathering to what is handled by itself.
	const steps = followed(ROUTES.layeredSkirt, { ...its, materialId: 2, roles: {} });
	const split = followed(ROUTES.layeredSkirt, { ...its, materialId: 2 });
	for (const name of ['cut layers', 'gather or pleat', 'sew on, bottom up, alternating'])
		near(split.get(name)!.amount, steps.get(name)!.amount, name);
});

test('a piece is given a role by hand, keeps it when it is split, and a role without a material goes with the shape', () => {
	const its = {
		...shape('flatPanel', { top: 200, bottom: 200, height: 100, corner: 0, allowance: 0 }),
		works: [{ kind: 'role', piece: 0, role: 'lining' }] as StoredShape['works']
	};
	const done = shapeFor(its, {
		component: make.component(1),
		components: [],
		wearers: [],
		materials: [cloth]
	});
	assert.ok(done.ok);
	const [piece] = done.value.pieces;
	assert.equal(piece!.role, 'lining');
	assert.deepEqual(cutFrom(its, piece!), { materialId: 2, layers: 1 });
	assert.deepEqual(cutFrom({ ...its, layers: 3, roles: { lining: 9 } }, piece!), {
		materialId: 9,
		layers: 1
	});
	const halves = applyOperations(
		[piece!],
		[{ kind: 'split', piece: 0, from: [0.5, 0], to: [0.5, 1], allowance: 0, marks: 0 }]
	);
	assert.ok(halves.ok && halves.value.length === 2 && halves.value.every((p) => p.role === 'lining'));
});

test('what weighs most in a simpler form: a skirt of twelve layers in eight, its minutes by what its pieces come to', () => {
	const its = shape('netSkirt', { ...NET, layers: 12 });
	const steps = [...followed(ROUTES.layeredSkirt, its).values()];
	const record = make.record({
		components: [make.component(1, { kind: 'garment', lookNeed: 5 })],
		steps,
		needs: []
	});
	const workshop = make.workshop({ materials: [cloth] });
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	const all = alternativesOf(record, plan, workshop, [], new Map(), FRIDAY, { shapes: [its], wearers: [] });
	const forms = all.filter((a) => a.shapeId !== null);
	assert.deepEqual(
		forms.map((a) => a.words),
		['in 8 layers instead of 12', 'in 6 layers instead of 12']
	);
	const [eight, six] = forms as [(typeof forms)[number], (typeof forms)[number]];
	// A third of what is cut, gathered and sewn on: 12 layers of 3 m gathered at 3 min a metre is 108 min, and so on.
	const usual = (name: string) => plan.left.get(steps.find((s) => s.name === name)!.id)!;
	const third = ['cut layers', 'gather or pleat', 'sew on, bottom up, alternating'].reduce(
		(sum, name) => sum + usual(name) / 3,
		0
	);
	assert.equal(usual('gather or pleat'), 108);
	assert.ok(Math.abs(eight.minutes - third) <= 2, `${eight.minutes}, not ${third}`);
	assert.ok(six.minutes > eight.minutes && six.loss > eight.loss);
	near(eight.loss, 0.6 / 3);
	assert.ok(eight.instead.includes(six.id) && eight.instead.includes('drop 1'), 'one of them at most');
	const changed = withAlternatives(plan.problem, [eight]);
	assert.equal(changed.steps.length, plan.problem.steps.length);
	const gather = String(steps.find((s) => s.name === 'gather or pleat')!.id);
	assert.equal(changed.steps.find((s) => s.id === gather)!.minutes[1], 72);
	// And a way forward in hours: an evening on which the maker works.
	assert.ok(all.some((a) => a.words === 'a helper on Monday evenings, 18:00 to 21:00'));
});
