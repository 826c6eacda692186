import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { FRIDAY } from '$tests/support/shapes.ts';
import { rateOf } from '../trade/rates.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { hoursLeftFigure } from '../explain/plan.ts';
import type { Step } from '../facts/step.ts';
import { guessesOf, guessFactor } from './guesses.ts';
import { minutesOf } from './minutes.ts';
import { planCostume } from './plan.ts';
import { learnRates, onceEach } from './rates.ts';

/**
 * What nobody entered and no piece gives, and what is learned: by hand from a starting amount to the minutes, the outlook and the list of what to settle.
 */

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
