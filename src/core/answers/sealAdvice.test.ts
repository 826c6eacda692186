import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { sealCostFigure, sealFigure, sealGramsFigure, sealMinutesFigure } from '../explain/glue.ts';
import { valueOf } from '../explain/figure.ts';
import { sealAdvice, type Face } from './sealAdvice.ts';

const face = (more: Partial<Face> = {}): Face => ({
	surface: 'foam',
	bends: false,
	areaMm2: 500_000,
	leftMinutes: null,
	...more
});
const workshop = (more: Partial<ReturnType<typeof make.workshop>> = {}) => ({ ...make.workshop(), ...more });

test('worked by hand: half a m² of foam under rubber spray, three coats: minutes, ml, money, weight', () => {
	const can = make.material(1, {
		name: 'rubber spray, black',
		unit: 'can',
		coatProduct: 'rubberSpray',
		packPriceMinor: 1200,
		stash: 1
	});
	const rubber = sealAdvice(face(), workshop({ materials: [can] })).choices.find(
		(c) => c.key === 'rubberSpray'
	)!;
	// By hand 3 × (20 + 0.5 × 4) = 66; waits 30 + 30 + 240.
	assert.deepEqual([rubber.coats, rubber.handsMinutes, rubber.minutes], [3, 66, 366]);
	// 1.5 m² of 1.2 a can: 1.25 cans, 500 ml, 15.00; a fifth of a gram of each ml stays: 100 g.
	assert.equal(rubber.ml, 500);
	assert.equal(rubber.costMinor, 1500);
	assert.equal(rubber.grams, 100);
	assert.deepEqual(rubber.pros, ['bends without cracking', 'there is some in the stash']);
	assert.ok(Math.abs(valueOf(sealFigure(rubber, face())) - 500) < 1e-9);
	assert.ok(Math.abs(valueOf(sealGramsFigure(rubber)) - 100) < 1e-9);
	assert.equal(valueOf(sealMinutesFigure(rubber)), 366);
	assert.equal(valueOf(sealCostFigure(rubber.units, can)), 1500);
});

test('what spoils is named and not advised; what has to be tried first comes later', () => {
	const bending = sealAdvice(face({ bends: true }), workshop());
	assert.deepEqual(
		bending.avoid.map((x) => x.product.name),
		['diluted PVA', 'filler primer']
	);
	assert.ok(bending.choices.every((c) => c.product.flexible));
	const polystyrene = sealAdvice(face({ surface: 'polystyrene' }), workshop());
	assert.ok(polystyrene.avoid.some((x) => x.product.name === 'rubber spray coating'));
	assert.ok(polystyrene.choices.some((c) => c.key === 'pva'));
	// Filler primer is the quickest, but bare foam drinks it.
	const foam = sealAdvice(face(), workshop()).choices.map((c) => c.key);
	assert.equal(foam.at(-1), 'fillerPrimer');
	assert.equal(sealAdvice(face({ surface: 'print' }), workshop()).choices[0]!.key, 'fillerPrimer');
});

test('what is not ready in time comes last and says so; in the cold it takes longer', () => {
	const left = (minutes: number, coldOrDamp = false) => {
		const { settings, ...rest } = workshop();
		return sealAdvice(face({ leftMinutes: minutes }), { ...rest, settings: { ...settings, coldOrDamp } });
	};
	const rubber = (advice: ReturnType<typeof left>) => advice.choices.find((c) => c.key === 'rubberSpray')!;
	assert.equal(rubber(left(366)).inTime, true);
	assert.equal(rubber(left(365)).inTime, false);
	assert.deepEqual(rubber(left(365)).cons, ['not ready in time']);
	assert.equal(rubber(left(366, true)).minutes, 66 + 600);
	assert.equal(left(400).choices[0]!.key, 'rubberSpray');
});
