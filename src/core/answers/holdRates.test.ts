import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '../../../tests/support/planCases.ts';
import * as make from '../../../tests/support/record.ts';
import { holdFigure } from '../explain/health.ts';
import { valueOf } from '../explain/figure.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { holdRateOf } from '../trade/holdRate.ts';
import { FASTENERS } from '../trade/fastener.ts';
import { KNOWN_FAULTS } from '../trade/knownFault.ts';
import { KNOWN_WEARS, learnHold, learnHolds, tallyHolds, type WornCostume } from './holdRates.ts';
import { holdsOf, kindOfFault, wearsOf } from './holds.ts';

const near = (a: number, b: number, by: number) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);
const wearOn = (id: number, variantId: number | null = null) =>
	make.wearLog(id, 20_000 + id, { variantId, hours: 6 });

test('closed form of the gamma–Poisson model (Gelman et al., Bayesian Data Analysis, 2.6): its worked example of asthma deaths', () => {
	// Prior Gamma(3, 5), 3 deaths at an exposure of 2: posterior Gamma(6, 7), mean 6 ÷ 7 = 0.86.
	// Here: 3 ÷ 5 at a strength of 10 wears is Gamma(6, 10); 3 faults in 4 wears make it Gamma(9, 14).
	const its = learnHold(10 * 0.6, 3, 4);
	near(its.now, (10 * 9) / 14, 1e-12);
	// Quantiles by the exponential, whose shape is 1: −ln(1 − p) ÷ rate.
	const one = learnHold(1, 0, 5);
	near(one.sure[0], (10 * -Math.log(0.95)) / 15, 1e-6);
	near(one.sure[1], (10 * -Math.log(0.05)) / 15, 1e-6);
});

test('what it was before holds without a log, and hardly with a long one', () => {
	near(learnHold(3, 0, 0).now, 3, 1e-12);
	near(learnHold(3, 50, 990).now, (10 * 53) / 1000, 1e-12);
	const [low, high] = learnHold(0.3, 0, 0).sure;
	assert.ok(low < 0.3 && high > 0.3);
});

test('simulated logs: the true rate lies between the ends nine times in ten, when it is drawn as it is believed', () => {
	const random = seeded(7);
	let within = 0;
	const TRIALS = 2000;
	for (let i = 0; i < TRIALS; i++) {
		// Gamma(1, 10): an exponential of mean 0.1 a wear.
		const rate = -Math.log(1 - random()) / KNOWN_WEARS;
		const wears = 1 + Math.floor(random() * 40);
		// Poisson by waiting times.
		let faults = 0;
		for (let at = -Math.log(1 - random()); at < rate * wears; at -= Math.log(1 - random())) faults++;
		const { sure } = learnHold(1, faults, wears);
		if (10 * rate >= sure[0] && 10 * rate <= sure[1]) within++;
	}
	near(within / TRIALS, 0.9, 0.02);
});

const mask = make.component(1, { code: 'A-01', name: 'mask', zones: ['face'] });
const coat = make.component(2, { code: 'G-01', kind: 'garment', name: 'coat', zones: ['chest'] });
const joins = [make.join(5, 1, { fastener: 'buckle' }), make.join(6, 1, { fastener: 'buckle' })];
const wear = { ...make.NO_WEAR, joins, variants: [make.variant(7, { without: [1] })] };
const record = make.record({
	components: [mask, coat],
	steps: [
		{ ...make.step(1, 1), technique: 'cement', doneAt: 5 },
		{ ...make.step(2, 2), technique: 'sewMachine', doneAt: 5 },
		{ ...make.step(3, 2), technique: 'cement' }
	],
	faults: [{ ...make.fault(1, 1), known: 'strapTornOut', symptom: 'strap torn out' }]
});

test('what may let go: joins that are set, seams and coats that are made, not those to come', () => {
	assert.deepEqual(
		holdsOf(record, wear, STANDARD).map((h) => h.line),
		['join 5', 'join 6', 'seam cement 1', 'seam sewn 2']
	);
	assert.deepEqual(holdsOf(make.record({}), make.NO_WEAR, STANDARD), []);
	const coats = [make.coat(1, 1, { product: 'clearSpray' }), make.coat(2, 2, { product: 'clearSpray' })];
	const painted = {
		...record,
		coats,
		steps: [
			...record.steps,
			{ ...make.step(4, 1), technique: 'spray', coatId: 1, doneAt: 5 },
			{ ...make.step(5, 1) }
		]
	};
	const late = { ...wear, joins: [{ ...joins[0]!, stepId: 5 }] };
	assert.deepEqual(
		holdsOf(painted, late, STANDARD).map((h) => h.line),
		['seam cement 1', 'coat clear 1', 'seam sewn 2']
	);
	const holds = holdsOf(record, wear, STANDARD);
	const [fault] = record.faults;
	assert.equal(kindOfFault(fault!, holds, STANDARD), 'fastener buckle');
	assert.equal(kindOfFault({ ...fault!, holds: 'seam cement' }, holds, STANDARD), 'seam cement');
	assert.equal(kindOfFault({ ...fault!, componentId: 2 }, holds, STANDARD), null, 'a coat has no strap');
});

test('by hand: two straps worn twice of three, one tore: 0.1 before, (0.1 + 1) ÷ (10 + 4) a wear', () => {
	const wears = [wearOn(1), wearOn(2), wearOn(3, 7)];
	assert.equal(wearsOf(mask, record.components, wears, wear.variants), 2, 'once without the mask');
	assert.equal(wearsOf(coat, record.components, wears, wear.variants), 3);
	const costume: WornCostume = { record, wear, wears };
	const buckle = learnHolds(tallyHolds(costume, STANDARD), STANDARD).find(
		(l) => l.kind === 'fastener buckle'
	)!;
	assert.deepEqual([buckle.wears, buckle.faults], [4, 1]);
	near(buckle.now, (10 * 1.1) / 14, 1e-12);
	near(valueOf(holdFigure(buckle, 'straps')), buckle.now, 1e-12);
	// A costume that was never worn tells nothing, its fault neither.
	assert.deepEqual(tallyHolds({ ...costume, wears: [] }, STANDARD), []);
	const [alone] = learnHolds([], STANDARD, ['fastener buckle']);
	assert.deepEqual([alone!.wears, alone!.faults, alone!.now], [0, 0, 0.1]);
	// Two costumes tell together.
	const twice = [costume, costume].flatMap((c) => tallyHolds(c, STANDARD));
	const both = learnHolds(twice, STANDARD).find((l) => l.kind === 'fastener buckle')!;
	assert.deepEqual([both.wears, both.faults], [8, 2]);
});

test('starting values as they are told: self-adhesive lets go ten times as often as what is sewn; every fastener and fault is known', () => {
	const rate = (kind: string) => holdRateOf(kind, STANDARD).per10;
	assert.equal(rate('fastener hookAndLoopGlued') / rate('fastener hookAndLoop'), 10);
	assert.ok(rate('coat painted') > rate('coat clear'));
	for (const key of Object.keys(FASTENERS)) {
		const its = holdRateOf(`fastener ${key}`, STANDARD);
		assert.ok(its.per10 > 0 && its.look.length > 0, key);
		for (const fault of its.faults) assert.ok(Object.hasOwn(KNOWN_FAULTS, fault), `${key}: ${fault}`);
	}
	assert.ok(holdRateOf('fastener mine', STANDARD).per10 > 0, 'one of one’s own');
});
