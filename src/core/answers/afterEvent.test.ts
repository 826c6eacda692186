import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { valueOf } from '../explain/figure.ts';
import { workFigure } from '../explain/health.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { heldUp, hurts, lessons, untoldSteps, workDone } from './afterEvent.ts';
import { carriedBy } from './carried.ts';

const helmet = make.component(1, { code: 'A-01', name: 'helmet', zones: ['head'], layer: 4 });
const collar = make.component(2, { code: 'G-01', name: 'collar', zones: ['neck'], layer: 2 });
const weighs = new Map([
	[1, { grams: 2400, weighed: true, parts: [], unknown: [] }],
	[2, { grams: 100, weighed: true, parts: [], unknown: [] }]
]);
const LIMITS = {
	head: 1500,
	neck: 400,
	shoulder: 2000,
	shoulders: 4000,
	waist: 4000,
	arm: 500,
	hand: 800,
	leg: 900
};

test('by hand: 10 m of foam cut at 0.6 m a minute are 17 min of 25; a cure is not counted, nor a step without minutes', () => {
	const workshop = make.workshop({ ownRates: { cutFoam: [1, 1 / 0.6, 3] }, rates: { cutFoam: [2, 2.5, 4] } });
	const done = { doneAt: 1000, technique: 'cutFoam', amount: 10_000 } as const;
	const record = make.record({
		components: [helmet],
		steps: [
			make.step(1, 1, done),
			make.step(2, 1, { ...done, faultId: 9 }),
			make.step(3, 1, done),
			make.step(4, 1, { ...done, doneAt: null })
		],
		logs: [make.log(1, 15), make.log(1, 10), make.log(2, 90)]
	});
	const [work] = workDone(record, workshop);
	// 10 ÷ 0.6 = 16.67, to whole minutes.
	assert.deepEqual([work!.planned, work!.logged, work!.steps, work!.untold], [17, 25, 1, 1]);
	assert.equal(valueOf(workFigure(workDone(record, workshop), 'planned')), 17);
	assert.equal(workDone(record, workshop).length, 1);
	assert.equal(untoldSteps(workDone(record, workshop)), 1);
});

test('what let go since the event, once a thing; everything else held', () => {
	const record = make.record({
		components: [helmet, collar],
		faults: [
			{ ...make.fault(1, 1), known: 'strapTornOut', symptom: 'strap torn out', happenedAt: 5000 },
			{ ...make.fault(2, 1), known: 'strapTornOut', symptom: 'strap torn out', happenedAt: 6000 },
			{ ...make.fault(3, 2), symptom: 'before', happenedAt: 100 }
		]
	});
	const wear = {
		...make.NO_WEAR,
		joins: [make.join(1, 1, { fastener: 'buckle' }), make.join(2, 2, { fastener: 'snap' })]
	};
	const { all, letGo, held } = heldUp(record, wear, 4000, STANDARD);
	assert.deepEqual(
		[all, letGo.map((l) => l.kind), held.map((h) => h.kind)],
		[2, ['fastener buckle', 'fastener buckle'], ['fastener snap']]
	);
	assert.deepEqual(lessons(letGo, [], STANDARD), [
		{ componentId: 1, words: 'strap torn out: cloth patch inside, re-rivet through both' }
	]);
});

test('what hurt stands with what sits there and what that carries: 2.4 of 1.5 kg on the head is hung elsewhere', () => {
	const carried = carriedBy([helmet, collar], make.NO_WEAR, weighs, [], LIMITS);
	const found = hurts([{ hurts: ['head', 'neck'] }, { hurts: ['head'] }], [helmet, collar], carried);
	assert.deepEqual(
		found.map((h) => [h.zone, h.times, h.components.map((c) => c.code), h.carried?.grams]),
		[
			['head', 2, ['A-01'], 2400],
			['neck', 1, ['G-01'], 100]
		]
	);
	assert.deepEqual(
		lessons([], found, STANDARD).map((l) => l.words),
		['head hurt: lighter, or hung elsewhere', 'neck hurt: pad it, or give it room']
	);
});
