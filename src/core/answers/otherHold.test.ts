import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { holdings } from './holding.ts';
import { otherHolds, refastened } from './otherHold.ts';

const FACTORS = { standing: 1, walking: 2, jumping: 4 };
const plate = make.component(1, { code: 'A-02', name: 'plate', zones: ['shoulder-left'] });
const held = (grams: number, joins = [make.join(1, 1, { fastener: 'hookAndLoopGlued' })]) =>
	holdings(
		[plate],
		{ ...make.NO_WEAR, joins },
		new Map([[1, { grams, weighed: true, parts: [], unknown: [] }]]),
		FACTORS,
		STANDARD
	)[0]!;
test('20 cm of hook-and-loop do the work of six snaps or two straps: three and one for each ten centimetres', () => {
	const join = make.join(1, 1, { fastener: 'hookAndLoop', count: 1, widthMm: 25, lengthMm: 200 });
	assert.equal(refastened(join, 'snap', STANDARD).count, 6);
	assert.equal(refastened(join, 'buckle', STANDARD).count, 2);
	// And back: six snaps are two times ten centimetres of a strip that is 100 long each.
	const snaps = make.join(1, 1, { fastener: 'snap', count: 6, widthMm: 25, lengthMm: 100 });
	assert.equal(refastened(snaps, 'hookAndLoop', STANDARD).count, 2);
	// Of lacing nobody says what it is worth.
	assert.equal(refastened(join, 'lacing', STANDARD).count, 1);
});

test('what lets go least comes first; nothing that its own glue holds, that rusts, or that lets go as often', () => {
	const all = otherHolds('fastener hookAndLoopGlued', held(200), [], FACTORS, STANDARD);
	assert.equal(all[0]!.per10, 0.1);
	assert.deepEqual(
		all.map((o) => o.per10),
		all.map((o) => o.per10).sort((a, b) => a - b)
	);
	for (const { fastener } of all)
		assert.ok(!['tape', 'pin', 'hooks', 'hookAndLoopGlued'].includes(fastener), fastener);
	// Once the log says that straps let go oftener, they are offered no more.
	const learned = [
		{ kind: 'fastener buckle', before: 0.1, wears: 20, faults: 20, now: 7, sure: [5, 9] as const }
	];
	const then = otherHolds('fastener hookAndLoopGlued', held(200), learned, FACTORS, STANDARD);
	assert.ok(!then.some((o) => o.fastener === 'buckle') && then.some((o) => o.fastener === 'snap'));
});

test('as many as bear it when jumping; what eight more of do not is not offered', () => {
	// Its weight hangs straight below two of them.
	const two = [60, -60].map((upMm, i) =>
		make.join(i + 1, 1, { fastener: 'buckle', upMm, widthMm: 20, lengthMm: 20 })
	);
	const learned = [
		{ kind: 'fastener buckle', before: 0.1, wears: 20, faults: 20, now: 7, sure: [5, 9] as const }
	];
	const offered = (grams: number) =>
		otherHolds('fastener buckle', held(grams, two), learned, FACTORS, STANDARD);
	for (const o of offered(200)) assert.ok(o.share !== null && o.share <= 1, o.fastener);
	assert.ok(offered(200).length > 3);
	const heavy = offered(4000);
	// 4 kg pull with 157 N, on each of them 78.45: six snaps of 15 N bear that, and nine magnets of 3 N do not.
	const snaps = heavy.find((o) => o.fastener === 'snap')!;
	assert.equal(snaps.joins[0]!.count, 6);
	assert.ok(Math.abs(snaps.share! - 78.4532 / 90) < 1e-9);
	assert.ok(!heavy.some((o) => o.fastener === 'magnet'));
	// Nothing is glued to a body, nor zipped.
	assert.ok(!heavy.some((o) => o.fastener === 'glue' || o.fastener === 'zip'));
	// A seam is held by no fastener.
	assert.deepEqual(otherHolds('seam cement', held(200), [], FACTORS, STANDARD), []);
});

test('what tips does so by whatever holds it: other fasteners are offered all the same', () => {
	const high = [make.join(1, 1, { fastener: 'hookAndLoopGlued', upMm: 60, outMm: -40 })];
	const all = otherHolds('fastener hookAndLoopGlued', held(200, high), [], FACTORS, STANDARD);
	assert.ok(all.length > 3 && all.every((o) => o.share === Infinity));
});
