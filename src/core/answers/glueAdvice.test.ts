import assert from 'node:assert/strict';
import { test } from 'node:test';
import { glueCostFigure, glueFigure } from '../explain/glue.ts';
import { valueOf } from '../explain/figure.ts';
import type { BondSide, Load } from '../trade/bond.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { bondOf, glueAdvice, isSide, letGo, type Joint } from './glueAdvice.ts';
import * as make from '../../../tests/support/record.ts';

const joint = (a: BondSide, b: BondSide, loads: Load[] = [], more: Partial<Joint> = {}): Joint => ({
	a,
	b,
	loads,
	seamMm: null,
	gapMm: 0,
	faceMm2: null,
	...more
});
const ranked = (of: Joint, faults?: ReadonlyMap<string, number>) =>
	glueAdvice(of, STANDARD, [], faults)!.choices.map((c) => c.key);

test('each pair ranks as the trade’s table says (common practice)', () => {
	const table: [BondSide, BondSide, first: string[], also: string[], avoid: string[], rather: RegExp][] = [
		['foam', 'foam', ['contactCement'], ['hotGlue'], ['woodGlue'], /^$/],
		['foam', 'cloth', ['fabricGlue', 'contactCement'], ['sprayAdhesive'], [], /tab/],
		['cloth', 'cloth', [], ['fabricGlue'], ['hotGlue'], /^Sew/],
		['hookAndLoop', 'foam', ['contactCement', 'industrialGlue'], [], [], /sew a half to cloth/],
		['hookAndLoop', 'cloth', [], ['fabricGlue'], [], /^Sew it on/],
		['plastic', 'foam', ['contactCement'], [], ['hotGlue'], /own tack/],
		['print', 'foam', ['industrialGlue', 'contactCement'], [], ['hotGlue'], /wrap it in cloth/],
		['print', 'cloth', ['industrialGlue', 'contactCement'], [], ['hotGlue'], /wrap it in cloth/],
		['clay', 'wood', ['contactCement', 'cyanoacrylate'], [], [], /^$/],
		['strap', 'foam', [], ['contactCement'], [], /cloth patch inside/]
	];
	for (const [a, b, first, also, avoid, rather] of table) {
		for (const [one, other] of [
			[a, b],
			[b, a]
		] as const) {
			const bond = STANDARD.bond[bondOf({ a: one, b: other }, STANDARD)!]!;
			assert.deepEqual(
				[bond.first, bond.also, bond.avoid.map((x) => x.glue)],
				[first, also, avoid],
				`${one} on ${other}`
			);
			assert.match(bond.rather, rather);
		}
		assert.deepEqual(ranked(joint(a, b)), [...first, ...also], `${a} on ${b}`);
	}
	assert.match(STANDARD.bond[bondOf({ a: 'clay', b: 'foam' }, STANDARD)!]!.prepare, /dry first/);
});

test('nothing with solvent comes on polystyrene: none is advised, each is named with why', () => {
	const advice = glueAdvice(joint('polystyrene', 'foam'), STANDARD, [])!;
	assert.ok(advice.choices.every((c) => !c.glue.solvent));
	const melts = Object.values(STANDARD.glue).filter((g) => g.solvent);
	for (const glue of melts)
		assert.ok(
			advice.avoid.some((x) => x.glue.name === glue.name),
			glue.name
		);
});

test('what it has to bear moves the rank, with the reason', () => {
	const hot = glueAdvice(joint('foam', 'foam', ['heat', 'flex']), STANDARD, [])!.choices[1]!;
	assert.equal(hot.key, 'hotGlue');
	assert.deepEqual(hot.cons, [
		'stiff: it cracks off where it bends',
		'softens at 50 °C: a hot car comes to 60'
	]);
	// Foam on cloth, washed: spray adhesive loses; a wide gap is filled by neither.
	const washed = glueAdvice(joint('foam', 'cloth', ['wash']), STANDARD, [])!;
	assert.deepEqual(washed.choices.at(-1)!.cons, ['not for the wash']);
	const gap = glueAdvice(joint('foam', 'foam', [], { gapMm: 3 }), STANDARD, [])!;
	assert.deepEqual(gap.choices[0]!.cons, ['fills gaps up to 0.3 mm only']);
	assert.deepEqual(gap.choices[1]!.cons, []);
	// Strong along the seam.
	assert.deepEqual(ranked(joint('foam', 'cloth', ['shear'])), [
		'contactCement',
		'fabricGlue',
		'sprayAdhesive'
	]);
});

test('what let go by the log comes later, and says so', () => {
	const record = make.record({
		components: [make.component(1, { surface: 'foam' }), make.component(2, { surface: 'cloth' })],
		steps: [make.step(1, 1, { technique: 'cement' }), make.step(2, 2, { technique: 'sewMachine' })],
		faults: [make.fault(1, 1), make.fault(2, 1), make.fault(3, 2)]
	});
	const faults = letGo([record], [], { a: 'foam', b: 'foam' }, STANDARD);
	assert.deepEqual([...faults], [['contactCement', 2]]);
	assert.equal(letGo([record], [], { a: 'print', b: 'print' }, STANDARD).size, 0);
	const [first, second] = glueAdvice(joint('foam', 'foam'), STANDARD, [], faults)!.choices;
	assert.deepEqual([first!.key, second!.key], ['hotGlue', 'contactCement']);
	assert.deepEqual(second!.cons, ['let go 2 times on such a pair, by the log']);
});

test('worked by hand: 1.2 m of seam take 18 ml of contact cement, 0.64 of a tin of 8.90', () => {
	const tin = make.material(1, {
		name: 'Contact cement',
		unit: 'ml',
		packSize: 250,
		packPriceMinor: 890,
		supply: 'contactCement'
	});
	const of = joint('foam', 'foam', [], { seamMm: 1200 });
	const [cement, hot] = glueAdvice(of, STANDARD, [tin])!.choices;
	// 1.2 m × 15 ml; 18 ÷ 250 × 8.90 = 0.6408.
	assert.equal(valueOf(glueFigure(cement!, of)), 18);
	assert.equal(cement!.ml, 18);
	assert.equal(cement!.cost!.minor, 64);
	assert.ok(Math.abs(valueOf(glueCostFigure(cement!.cost!, 18)) - 64.08) < 1e-9);
	assert.equal(hot!.cost, null, 'nobody has said what it costs');
	// Faces count by their area: 0.02 m² × 450 ml.
	const faces = joint('foam', 'foam', [], { seamMm: 1200, faceMm2: 20_000 });
	assert.equal(glueAdvice(faces, STANDARD, [tin])!.choices[0]!.ml, 9);
	assert.equal(valueOf(glueFigure(cement!, faces)), 9);
});

test('a pair that nobody knows has no advice', () => {
	assert.equal(glueAdvice(joint('strap', 'strap'), STANDARD, []), null);
	assert.ok(isSide('foam') && !isSide('water') && !isSide(null));
	for (const bond of Object.values(STANDARD.bond))
		for (const key of [...bond.first, ...bond.also, ...bond.avoid.map((x) => x.glue)])
			assert.ok(key in STANDARD.glue, `${bond.name}: ${key}`);
});
