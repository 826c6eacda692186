import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { valueOf } from '../explain/figure.ts';
import { redoFigure } from '../explain/health.ts';
import type { HoldTally } from '../facts/health.ts';
import type { Step } from '../facts/step.ts';
import { redoKinds, redoOf } from './redo.ts';

const glue: Step = { ...make.step(1, 1), technique: 'cement' };
const paint: Step = { ...make.step(2, 1), technique: 'spray', coatId: 1 };
const bare: Step = { ...make.step(3, 2), technique: 'spray', coatId: 2 };
const record = make.record({
	components: [make.component(1), make.component(2)],
	steps: [glue, paint, bare, { ...make.step(4, 1), technique: 'fit' }, make.step(5, 1)],
	coats: [make.coat(1, 1, { product: 'clearSpray' }), make.coat(2, 2, { product: 'acrylic' })]
});
const tally = (kind: string, wears: number, faults: number, costumeId = 9): HoldTally => ({
	costumeId,
	kind,
	wears,
	faults
});
const oddsOf = (step: Step, holds: HoldTally[] = []) => redoOf(record, { handbook: [], holds })(step);
const near = (a: number | undefined, b: number) => assert.ok(Math.abs(a! - b) <= 1e-12, `${a}, not ${b}`);

test('by hand: glued seams that let go twice as often on other costumes are glued anew twice as often', () => {
	near(oddsOf(glue)?.chance, 0.02);
	// Known as 0.3 in ten wears: (0.3 + 3) ÷ (10 + 45) is 0.6 in ten.
	const its = oddsOf(glue, [tally('seam cement', 20, 1), tally('seam cement', 25, 2, 8)]);
	near(its?.oftener, 2);
	near(its?.chance, 0.04);
	// What never let go in ninety wears: a tenth of it.
	near(oddsOf(glue, [tally('seam cement', 90, 0)])?.chance, 0.002);
	assert.equal(oddsOf(make.step(5, 1)), null, 'nothing that is done again');
});

test('wears of the costume itself are in its own faults already, and fittings go by none', () => {
	near(oddsOf(glue, [tally('seam cement', 45, 3, record.costume.id)])?.chance, 0.02);
	const fit = record.steps[3]!;
	near(oddsOf(fit, [tally('seam cement', 45, 3)])?.chance, 0.15);
	// Its own: one fault in what was glued four times, beside twenty pieces that are known as 0.04.
	const worn = {
		...record,
		steps: [10, 11, 12, 13].map((id) => ({ ...make.step(id, 1), technique: 'cement', doneAt: 5 })),
		faults: [{ ...make.fault(1, 1), known: 'seamOpens' }]
	};
	const its = redoOf(worn, { handbook: [], holds: [tally('seam cement', 45, 3)] })(glue)!;
	assert.deepEqual([its.failed, its.done], [1, 4]);
	near(its.chance, (0.04 * 20 + 1) / 24);
	near(valueOf(redoFigure(its, 'glued')) / 100, its.chance);
});

test('a coat goes by what is on top of it: cracked under a clear coat says nothing of bare paint', () => {
	const holds = [tally('coat clear', 20, 4)];
	// Known as 1 in ten wears: (1 + 4) ÷ 30 is 1⅔.
	near(oddsOf(paint, holds)?.chance, (0.04 * 5) / 3);
	near(oddsOf(bare, holds)?.chance, 0.04);
	assert.deepEqual(
		redoKinds(record, { handbook: [], holds }).map((r) => [r.kind, r.hold]),
		[
			['fit', null],
			['coat', 'coat clear'],
			['coat', 'coat painted'],
			['glue', 'seam cement']
		]
	);
});
