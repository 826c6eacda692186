import { STANDARD } from '../trade/catalogue.ts';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { normals } from '../units/random.ts';
import { rateOf } from '../trade/rates.ts';
import { estimateErrors, learnRates, ratesFrom, typicalError, type Observation } from './rates.ts';

const caulk = (minutesPerMetre: number, extra: Partial<Observation> = {}): Observation => ({
	stepId: 1,
	technique: 'caulk',
	// A hundred metres: what is around the work hardly counts.
	amount: 100_000,
	setUpMinutes: 0,
	minutes: minutesPerMetre * 100,
	makerId: null,
	doneAt: 0,
	...extra
});
const usual = (observations: Observation[]) => learnRates(STANDARD, observations)[0]!.now[1];
/** Fill seams: 2.5 minutes a metre to start with. */
const START = rateOf(STANDARD, 'caulk')[1];

test('one log pulls as the mean of two normals, weighted by how sure each is (Gelman et al., Bayesian Data Analysis, 2.5)', () => {
	// Log of 5 against a start of 2.5; deviations 0.45 and 0.35: weight of the log 0.45² / (0.45² + 0.35²) = 0.6231.
	const log = Math.log(5 / START);
	// The t-weight of a log that is 0.43 away from where it ends is close to 1: within 3 %.
	const expected = Math.exp(Math.log(START) + (0.45 ** 2 / (0.45 ** 2 + 0.35 ** 2)) * log);
	assert.ok(Math.abs(usual([caulk(5)]) / expected - 1) < 0.03, `${usual([caulk(5)])} for ${expected}`);
});

test('more with each log, towards what is logged; nothing logged, nothing learned', () => {
	assert.deepEqual(learnRates(STANDARD, []), []);
	let last = START;
	for (const count of [1, 2, 4, 8, 16, 64]) {
		const now = usual(Array.from({ length: count }, () => caulk(4)));
		assert.ok(now > last && now < 4, `${count} logs: ${now}`);
		last = now;
	}
	assert.ok(last > 3.95);
});

test('a forgotten timer hardly pulls, and is counted as one', () => {
	const honest = Array.from({ length: 9 }, () => caulk(3));
	const [learned] = learnRates(STANDARD, [...honest, caulk(90)]);
	assert.ok(Math.abs(learned!.now[1] / usual(honest) - 1) < 0.06, `${learned!.now[1]} for ${usual(honest)}`);
	assert.equal(learned!.outliers, 1);
});

test('the true rate of many seeded logs lies where it says it is sure, nine times in ten', () => {
	let inside = 0;
	const shops = 300;
	const { normal } = normals(11);
	for (let shop = 0; shop < shops; shop++) {
		// Drawn as the model believes: a rate about the start, work about that rate.
		const truth = START * Math.exp(0.45 * normal());
		const logs = Array.from({ length: 6 }, () => caulk(truth * Math.exp(0.35 * normal())));
		const [low, high] = learnRates(STANDARD, logs)[0]!.sure;
		if (truth >= low && truth <= high) inside++;
	}
	assert.ok(Math.abs(inside / shops - 0.9) < 0.05, `${inside} of ${shops}`);
});

test('each maker has a rate of their own, drawn from the technique’s; good and bad close in', () => {
	const [learned] = learnRates(STANDARD, [
		...Array.from({ length: 8 }, () => caulk(2, { makerId: 1 })),
		...Array.from({ length: 8 }, () => caulk(4, { makerId: 2 })),
		caulk(3)
	]);
	const of = (id: number) => learned!.makers.find((m) => m.makerId === id)!;
	assert.ok(of(1).usual < learned!.now[1] && learned!.now[1] < of(2).usual);
	assert.deepEqual([of(1).logs, of(2).logs, learned!.logs], [8, 8, 17]);
	const width = ([good, , bad]: readonly number[]) => Math.log(bad! / good!);
	assert.ok(width(learned!.now) < width(learned!.before));
});

test('a rate set by hand is where learning starts; set-up is not part of the rate', () => {
	const its = { caulk: [8, 10, 14] as const };
	const [learned] = learnRates(STANDARD, [caulk(10)], its);
	assert.ok(Math.abs(learned!.now[1] - 10) < 1e-9);
	assert.ok(Math.abs(usual([caulk(5, { minutes: 520, setUpMinutes: 20 })]) - usual([caulk(5)])) < 1e-3);
	assert.deepEqual(ratesFrom([learned!], its).caulk, learned!.now);
	assert.deepEqual(ratesFrom([], its), its);
});

test('work hardly longer than fetching the tool says little of its rate', () => {
	const seam = (metres: number) => usual([caulk(0, { amount: metres * 1000, minutes: metres * 2 * START })]);
	assert.ok(seam(0.2) < START * 1.02 && seam(2) < seam(20) && seam(20) > START * 1.4);
});

test('estimates get better as logs come in: each judged only by those before it', () => {
	const { normal } = normals(3);
	const logs = Array.from({ length: 30 }, (_, i) => caulk(5 * Math.exp(0.2 * normal()), { doneAt: i }));
	const errors = estimateErrors(STANDARD, logs);
	assert.equal(errors[0]!.learned, errors[0]!.started);
	const late = errors.slice(10);
	const typical = (key: 'started' | 'learned') => typicalError(late.map((e) => e[key]))!;
	assert.ok(typical('started') > 1.7, `${typical('started')}`);
	assert.ok(typical('learned') < 1.25, `${typical('learned')}`);
	assert.equal(typicalError([]), null);
});
