import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '../../units/random.ts';
import type { Span } from './calendar.ts';
import { allowed, either, endOfRun, startOfRun, within, without, type Starts } from './starts.ts';

const DAY = 200;
const random = seeded(7);
const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));

/** Spans that lie apart, between 0 and 200. */
function spans(): Span[] {
	const out: Span[] = [];
	for (let at = whole(0, 30); at < DAY - 20;) {
		const to = at + whole(1, 25);
		out.push([at, to]);
		at = to + whole(2, 30);
	}
	return out;
}
const minutes = (starts: Starts): number[] =>
	Array.from({ length: DAY + 60 }, (_, t) => t).filter((t) =>
		starts.some((from, k) => k % 2 === 0 && t >= from && t <= starts[k + 1]!)
	);
const apart = (starts: Starts) =>
	starts.every((t, k) => k === 0 || (k % 2 ? t >= starts[k - 1]! : t > starts[k - 1]!));

test('starts within, without and allowed are those of every single minute', () => {
	for (let n = 0; n < 300; n++) {
		const starts: Starts = spans().flat();
		const [a, b] = [whole(0, DAY), whole(0, DAY)].sort((x, y) => x - y) as [number, number];
		const all = minutes(starts);
		const inside = within(starts, a, b);
		assert.deepEqual(
			minutes(inside),
			all.filter((t) => t >= a && t <= b),
			`within ${a} to ${b} of ${starts.join()}`
		);
		const outside = without(starts, a, b);
		assert.deepEqual(
			minutes(outside),
			all.filter((t) => t < a || t > b),
			`without ${a} to ${b} of ${starts.join()}`
		);
		const some = [...spans(), ...spans()];
		const left = allowed(starts, some);
		assert.deepEqual(
			minutes(left),
			all.filter((t) => some.some(([from, to]) => t >= from && t <= to)),
			`allowed by ${some.join(' ')} of ${starts.join()}`
		);
		const both = either([starts, some.flat()], 1);
		assert.deepEqual(
			minutes(both),
			[...Array(DAY + 60).keys()].filter(
				(t) => all.includes(t) || some.some(([from, to]) => t >= from && t <= to)
			),
			`either of ${some.join(' ')} and ${starts.join()}`
		);
		for (const list of [inside, outside, left, both]) assert.ok(apart(list), `out of order: ${list.join()}`);
	}
});

test('what leaves out nothing is the same list, so that nobody is told of a change', () => {
	const starts: Starts = [10, 20, 40, 50];
	assert.equal(within(starts, 10, 50), starts);
	assert.equal(without(starts, 21, 39), starts);
	assert.equal(without(starts, 30, 25), starts);
	assert.equal(allowed(starts, [[0, 60]]), starts);
	assert.deepEqual(allowed(starts, []), []);
});

test('a run ends when its open minutes are used up, and its latest start is the way back', () => {
	for (let n = 0; n < 300; n++) {
		const open = spans();
		const edges = Int32Array.from(open.flat());
		const minute = open.flatMap(([from, to]) => Array.from({ length: to - from }, (_, k) => from + k));
		const length = whole(1, 40);
		for (const [k, start] of minute.entries()) {
			const last = minute[k + length - 1];
			const end = endOfRun(edges, start, length);
			if (last === undefined)
				assert.ok(end > DAY, `${start} for ${length} in ${edges.join()} does not fit, ends ${end}`);
			else assert.equal(end, last + 1, `${start} for ${length} in ${edges.join()}`);
		}
		for (let end = 0; end <= DAY; end += 3) {
			const fits = minute.filter((_, k) => (minute[k + length - 1] ?? Infinity) < end);
			const latest = startOfRun(edges, end, length);
			if (fits.length === 0) assert.ok(latest < 0, `nothing ends by ${end}, but ${latest} starts`);
			else assert.equal(latest, fits[fits.length - 1], `by ${end} for ${length} in ${edges.join()}`);
		}
	}
});
