import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { seeded } from '$tests/support/planCases.ts';
import { minutesAt } from '../engines/schedule/pert.ts';
import { normals } from '../units/random.ts';
import { valueOf } from '../explain/figure.ts';
import { contingencyFigure, earnedFigure, quoteFigure } from '../explain/quote.ts';
import type { Quote, QuoteTerms } from '../facts/quote.ts';
import {
	acceptedOf,
	againstQuote,
	changesOf,
	contingencyMinutes,
	costingOf,
	depositCovers,
	deviationsFor,
	earnedOf,
	quoteBegun,
	quoteOf
} from './quote.ts';
import { spendOf } from './spend.ts';

const near = (is: number, should: number, within: number) =>
	assert.ok(Math.abs(is - should) <= within, `${is}, not ${should}`);
const TERMS: QuoteTerms = {
	hourRateMinor: 2000,
	feeMinor: 5000,
	oddsPercent: 80,
	taxPercent: null,
	payments: [
		{ name: 'with the order', percent: 50 },
		{ name: 'at the last fitting', percent: 30 },
		{ name: 'before it is handed over', percent: 20 }
	]
};
/** A plate of two sheets that takes ten hours, five of them to sew a strap by hand, and a hood of one; a purchase that is nobody's. */
const workshop = make.workshop({
	materials: [make.material(1, { packPriceMinor: 1390 }), make.material(2, { packPriceMinor: 333 })],
	rates: { other: [0.8, 1, 1.5] }
});
const record = make.record({
	components: [make.component(1), make.component(2)],
	needs: [make.need(1, 1, 2), make.need(2, 1, 1)],
	purchases: [make.purchase(1, 2, { packs: 1, packPriceMinor: 333, state: 'ordered' })],
	steps: [
		make.step(1, 1, { amount: 300 }),
		make.step(2, 1, { amount: 300 }),
		make.step(3, 2, { amount: 120 })
	]
});

test('a quote by hand: materials, hours, what cannot be foreseen, a fee, and payments', () => {
	const costing = costingOf(record, workshop);
	assert.deepEqual(
		costing.lines.map((l) => [l.code, l.materialsMinor, l.minutes]),
		[
			['A-01', 2780, 600],
			['A-02', 1390, 120],
			['', 333, 0]
		]
	);
	// PERT by hand: means (0.8 + 4 + 1.5) / 6 = 1.05 of 300, 300 and 120 are 756; deviations 0.7 / 6 of them are 35, 35 and 14.
	near(costing.meanMinutes, 756, 1e-9);
	// A quarter of the luck in common: √(0.75 × (35² + 35² + 14²) + 0.25 × 84²) = √(1984.5 + 1764).
	near(costing.deviationMinutes, Math.sqrt(3748.5), 1e-9);
	// Four of five stay below 0.8416 deviations (table of the normal): 756 + 51.53 − 720 = 87.5 minutes.
	assert.equal(contingencyMinutes(costing, 80), 88);
	assert.equal(valueOf(contingencyFigure(costing, 80)), 88);
	const sums = quoteOf(costing, TERMS);
	assert.equal(valueOf(quoteFigure(sums, TERMS, 'EUR')), sums.totalMinor);
	// 12 h at 20.00 and 88 min: 240.00 and 29.33; goods 45.03; 50.00 besides.
	assert.deepEqual(
		[sums.materialsMinor, sums.workMinor, sums.contingencyMinor, sums.feeMinor, sums.totalMinor],
		[4503, 24000, 2933, 5000, 36436]
	);
	assert.deepEqual(
		sums.lines.map((l) => l.workMinor),
		[20000, 4000, 0]
	);
	assert.deepEqual(
		sums.payments.map((p) => p.minor),
		[18218, 10931, 7287]
	);
	assert.equal(sums.materialsMinor, spendOf(record, workshop).totalMinor, 'materials are what Buy says');
	assert.equal(depositCovers(sums), true);
	assert.equal(
		depositCovers(
			quoteOf(costing, {
				...TERMS,
				payments: [
					{ name: 'first', percent: 5 },
					{ name: 'rest', percent: 95 }
				]
			})
		),
		false
	);
	// A fifth on everything, to the coin: 364.36 × 0.19 = 69.2284.
	const taxed = quoteOf(costing, { ...TERMS, taxPercent: 19 });
	assert.deepEqual([taxed.taxMinor, taxed.totalMinor], [6923, 43359]);
});

test('deviations as tables of the normal have them', () => {
	// Abramowitz & Stegun, Handbook of Mathematical Functions, table 26.1 read backwards.
	for (const [percent, z] of [
		[50, 0],
		[80, 0.84162],
		[90, 1.28155],
		[95, 1.64485],
		[99, 2.32635]
	] as const)
		near(deviationsFor(percent), z, 1e-4);
});

test('nothing is lost in rounding: lines, payments and the whole, whatever the terms', () => {
	const random = seeded(11);
	const costing = costingOf(record, workshop);
	for (let n = 0; n < 300; n++) {
		const first = Math.floor(random() * 100);
		const sums = quoteOf(costing, {
			hourRateMinor: Math.floor(random() * 9000),
			feeMinor: Math.floor(random() * 9999),
			oddsPercent: 50 + Math.floor(random() * 50),
			taxPercent: random() < 0.5 ? null : random() * 25,
			payments: [
				{ name: 'a', percent: first },
				{ name: 'b', percent: 100 - first }
			]
		});
		const sum = (of: readonly number[]) => of.reduce((a, b) => a + b, 0);
		assert.equal(sum(sums.lines.map((l) => l.workMinor)), sums.workMinor, `case ${n}`);
		assert.equal(sum(sums.payments.map((p) => p.minor)), sums.totalMinor, `case ${n}`);
		assert.equal(
			sums.materialsMinor + sums.workMinor + sums.contingencyMinor + sums.feeMinor + sums.taxMinor,
			sums.totalMinor,
			`case ${n}`
		);
	}
});

test('what is done is known: logged hours count, and nothing of it is contingency', () => {
	const done = {
		...record,
		steps: record.steps.map((s) => ({ ...s, doneAt: 100 })),
		logs: [{ id: 1, stepId: 1, makerId: 1, startedAt: 0, endedAt: 400, minutes: 400, note: '', version: 1 }]
	};
	const costing = costingOf(done, workshop);
	assert.deepEqual(
		costing.lines.map((l) => l.minutes),
		[700, 120, 0]
	);
	assert.equal(contingencyMinutes(costing, 95), 0);
	assert.equal(costing.deviationMinutes, 0);
	// Half done: 100 logged of 300, 200 left at the usual.
	const half = { ...record, logs: [{ ...done.logs[0]!, minutes: 100 }] };
	assert.equal(costingOf(half, workshop).lines[0]!.minutes, 600);
});

test('what has to be done again is foreseen by its chance, and its luck is in the deviation', () => {
	// Gluing goes wrong twice in a hundred, a fitting in fifteen: of 315 and 126 minutes by the mean, 6.3 and 18.9.
	const glued = {
		...record,
		needs: [],
		purchases: [],
		steps: [
			make.step(1, 1, { technique: 'cement', amount: 300_000 }),
			make.step(2, 2, { technique: 'fit', amount: 120 })
		]
	};
	const its = costingOf(glued, make.workshop({ rates: { cement: [0.8, 1, 1.5], fit: [0.8, 1, 1.5] } }));
	near(its.meanMinutes, 441, 1e-9);
	near(its.againMinutes, 0.02 * 315 + 0.15 * 126, 1e-9);
	// By hand, σ 35 and 14: ¼ (1.02 × 35 + 1.15 × 14)² = ¼ × 51.8² = 670.81; of the first 1.02 × ¾ × 1225 + 0.0196 × (99225 + 306.25)
	// = 937.125 + 1950.81; of the second 1.15 × ¾ × 196 + 0.1275 × (15876 + 49) = 169.05 + 2030.44.
	near(its.deviationMinutes, Math.sqrt(670.81 + 2887.9375 + 2199.4875), 0.01);
	// Builds by chance, drawn as the odds draw them.
	const { normal, random } = normals(3);
	const minutes = [minutesAt([240, 300, 450]), minutesAt([96, 120, 180])];
	const all = Array.from({ length: 200_000 }, () => {
		const luck = Math.sqrt(0.25) * normal();
		const once = (k: number) => minutes[k]!(luck + Math.sqrt(0.75) * normal());
		return [0.02, 0.15].reduce((sum, p, k) => sum + once(k) + (random() < p ? once(k) : 0), 0);
	});
	const mean = all.reduce((a, b) => a + b, 0) / all.length;
	const deviation = Math.sqrt(all.reduce((a, b) => a + (b - mean) ** 2, 0) / all.length);
	near(mean, its.meanMinutes + its.againMinutes, 0.6);
	near(deviation, its.deviationMinutes, 0.8);
});

test('against the quote: what was added, dropped and changed since, and what an hour comes to', () => {
	const sums = quoteOf(costingOf(record, workshop), TERMS);
	const later = make.record({
		...record,
		components: [make.component(1), make.component(3, { name: 'a cape' })],
		needs: [make.need(1, 1, 3)],
		steps: [make.step(1, 1, { amount: 900 }), make.step(4, 3, { amount: 60 })]
	});
	const now = costingOf(later, workshop);
	assert.deepEqual(
		againstQuote(sums, now).map((l) => [l.code, l.quoted?.minutes ?? null, l.now?.minutes ?? null]),
		[
			['A-01', 600, 900],
			['A-02', 120, null],
			['', 0, 0],
			['A-03', null, 60]
		]
	);
	// By hand: 364.36 − (3 × 13.90 + 3.33) = 319.33 for 16 hours: 19.96 an hour.
	assert.deepEqual(earnedOf(sums, now), { minor: 31933, minutes: 960, perHourMinor: 1996 });
	assert.equal(valueOf(earnedFigure(sums, now, 'EUR')), 1996);
	const changes = changesOf(sums, quoteOf(now, TERMS));
	assert.deepEqual(
		changes.map((c) => [c.name, c.beforeMinor, c.afterMinor]),
		[
			['A-01 component 1', 22780, 34170],
			['A-02 component 2', 5390, null],
			['A-03 a cape', null, 2000],
			['What cannot be foreseen', 2933, changes[3]!.afterMinor]
		]
	);
	const moved = changes.reduce((sum, c) => sum + (c.afterMinor ?? 0) - (c.beforeMinor ?? 0), 0);
	assert.equal(
		moved,
		quoteOf(now, TERMS).totalMinor - sums.totalMinor,
		'the differences come to that of the totals'
	);
	assert.deepEqual(
		[
			acceptedOf(
				[
					{ state: 'accepted', number: 1, currency: 'EUR' },
					{ state: 'accepted', number: 3, currency: 'EUR' },
					{ state: 'accepted', number: 5, currency: 'USD' },
					{ state: 'sent', number: 4, currency: 'EUR' }
				] as const,
				'EUR'
			)?.number,
			acceptedOf([{ state: 'draft', number: 1, currency: 'EUR' } as const], 'EUR')
		],
		[3, null]
	);
});

test('a new quote begins as the last was made, else as quotes are made: its days by hand', () => {
	const today = make.day('2031-05-02');
	const deadline = make.at('2031-06-05T10:00');
	const first = quoteBegun(null, { targetOdds: 40 }, deadline, today);
	assert.deepEqual(
		[first.hourRateMinor, first.feeMinor, first.oddsPercent, first.taxPercent],
		[null, 0, 50, null],
		'nobody is asked for odds that are none'
	);
	assert.deepEqual([first.validUntil - today, first.readyOn], [14, make.day('2031-06-05')]);
	assert.equal(
		first.payments.reduce((sum, p) => sum + p.percent, 0),
		100
	);
	const last = {
		...first,
		...TERMS,
		client: 'the guild',
		readyOn: make.day('2031-04-01')
	} as unknown as Quote;
	const next = quoteBegun(last, { targetOdds: 85 }, deadline, today);
	assert.deepEqual([next.hourRateMinor, next.oddsPercent, next.client], [2000, 80, 'the guild']);
	assert.equal(next.readyOn, today, 'a day that has passed is none to hand it over on');
});
