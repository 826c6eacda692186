import assert from 'node:assert/strict';
import { test } from 'node:test';
import { runJob } from '../../formats/jobs.ts';
import { seeded } from '../../units/random.ts';
import { GRAVITY, groupLoad, type Fastener, type HungBody } from './fastenerGroup.ts';
import { cross, type Vec } from '../../units/vec.ts';

const join = (id: string, at: Vec, shear = 100, pull = 100): Fastener => ({
	id,
	at,
	capacityN: { shear, pull }
});
const near = (a: number, b: number, by = 1e-9) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);
const hung = (newton: number, centre: Vec, joins: Fastener[]): HungBody => ({
	id: 'b',
	kg: newton / GRAVITY,
	centre,
	joins
});

test('four bolts of a bracket: 21.0 and 14.8 kN (Shigley, bolts and rivets loaded in shear; figures from memory)', () => {
	const joins = [
		join('A', [75, 60, 0], 30_000),
		join('B', [75, -60, 0], 30_000),
		join('C', [-75, -60, 0], 30_000),
		join('D', [-75, 60, 0], 14_000)
	];
	const { joins: found, tips } = groupLoad(hung(16_000, [425, 0, 0], joins), 1);
	assert.deepEqual(
		found.map((j) => Math.round(j.shear / 100) / 10),
		[21, 21, 14.8, 14.8]
	);
	// Primary 4 kN, secondary 6,800 N·m ÷ (4 × 96 mm) = 17.7 kN.
	near(Math.hypot(found[0]!.force[0], found[0]!.force[1] - 4000), 17_700, 10);
	assert.deepEqual(
		found.map((j) => j.holds),
		[true, true, true, false]
	);
	assert.equal(tips, false);
});

test('an upper and a lower tie: the upper pulls W·d ÷ s, the lower is pressed (common practice)', () => {
	// 1 N, 40 mm before the line of two ties that are 80 mm apart.
	const two = [join('top', [0, 40, 0]), join('tie', [0, -40, 0])];
	const { joins, tips } = groupLoad(hung(1, [0, 10, 40], two), 1);
	near(joins[0]!.pull, (1 * 40) / 80);
	assert.equal(joins[1]!.pull, 0, 'pressed');
	near(joins[1]!.force[2], 0.5);
	near(joins[0]!.shear, 0.5);
	near(joins[0]!.share, Math.hypot(0.5 / 100, 0.5 / 100));
	assert.equal(tips, false);
	// Twice as far apart pulls half as much; jumping four times.
	const wide = [join('top', [0, 80, 0]), join('tie', [0, -80, 0])];
	near(groupLoad(hung(1, [0, 10, 40], wide), 1).joins[0]!.pull, 0.25);
	near(groupLoad(hung(1, [0, 10, 40], wide), 4).joins[0]!.pull, 1);
	// On the back it is the same the other way round.
	near(groupLoad(hung(1, [0, 10, -40], two), 1).joins[0]!.pull, 0.5);
});

test('what hangs on one join, or sideways of a line of them, tips', () => {
	const one = groupLoad(hung(4, [30, 0, 0], [join('only', [0, 0, 0])]), 1);
	assert.deepEqual([one.tips, one.residual.force], [true, 0]);
	near(one.residual.moment, 120);
	assert.equal(groupLoad(hung(4, [0, -30, 0], [join('only', [0, 0, 0])]), 1).tips, false, 'it hangs');
	// Ties one beside the other do not keep what stands out before them from turning.
	const row = [join('l', [-40, 0, 0]), join('r', [40, 0, 0])];
	const out = groupLoad(hung(2, [10, 0, 25], row), 1);
	assert.equal(out.tips, true);
	near(out.residual.moment, 50);
	// Sideways they do: 20 N·mm over 80 mm.
	const level = groupLoad(hung(2, [10, 0, 0], row), 1);
	assert.equal(level.tips, false);
	near(level.joins[1]!.force[1] - level.joins[0]!.force[1], (2 * 20) / 80);
	// Twice in one place is one place.
	assert.equal(groupLoad(hung(4, [30, 0, 0], [join('a', [0, 0, 0]), join('b', [0, 0, 0])]), 1).tips, true);
});

test('of 1,000 random groups forces and moments balance, whatever is left is told, and no other way of holding is softer', () => {
	const random = seeded(24);
	const place = (): Vec => [random() * 400 - 200, random() * 400 - 200, random() * 200 - 100];
	for (let i = 0; i < 1000; i++) {
		const n = 1 + Math.floor(random() * 8);
		// Some on one line.
		const [from, to] = [place(), place()];
		const joins = Array.from({ length: n }, (_, k) => {
			const t = random();
			const at = i % 5 ? place() : (from.map((v, j) => v + t * (to[j]! - v)) as unknown as Vec);
			return join(`j${k}`, at);
		});
		const body = { id: 'b', kg: 0.05 + random() * 3, centre: place(), joins };
		const factor = [1, 2, 4][i % 3]!;
		const { joins: found, tips, residual } = groupLoad(body, factor);
		const weight = body.kg * GRAVITY * factor;
		const sum = [0, 1, 2].map((k) => found.reduce((all, j) => all + j.force[k]!, 0));
		near(sum[0]!, 0, 1e-9 * weight);
		near(sum[1]!, weight, 1e-9 * weight);
		near(sum[2]!, 0, 1e-9 * weight);
		near(residual.force, 0, 1e-9 * weight);
		// About the origin: what the joins turn, less what the weight turns.
		const turned = found.reduce<Vec>(
			(all, { force }, k) => cross(joins[k]!.at, force).map((v, j) => v + all[j]!) as unknown as Vec,
			[0, 0, 0]
		);
		const wanted = cross(body.centre, [0, weight, 0]);
		const left = Math.hypot(...turned.map((v, k) => v - wanted[k]!));
		near(left, residual.moment, 1e-6 * weight * 300);
		const collinear = n < 3 || i % 5 === 0;
		if (!collinear) near(left, 0, 1e-6 * weight * 300);
		if (!tips) near(left, 0, 1e-6 * weight * 300);
		if (n > 3 && !collinear) {
			// Any other forces in balance add up to more squares (least energy of equal springs): add some that balance by themselves.
			const energy = (forces: readonly Vec[]) => forces.flat().reduce((all, v) => all + v * v, 0);
			const [a, b] = [joins[0]!.at, joins[1]!.at];
			const by = 0.01 * (random() - 0.5);
			const along = a.map((v, k) => (b[k]! - v) * by) as unknown as Vec;
			const other = found.map(({ force }, k) =>
				k === 0
					? (force.map((v, j) => v + along[j]!) as unknown as Vec)
					: k === 1
						? (force.map((v, j) => v - along[j]!) as unknown as Vec)
						: force
			);
			assert.ok(energy(other) >= energy(found.map((j) => j.force)) * (1 - 1e-12));
		}
	}
});

test('the job tells what each join takes, and names what cannot be', () => {
	const pauldron = {
		id: 'pauldron',
		kg: 0.42,
		centre: [60, 20, 0],
		joins: [
			{ id: 'top', at: [0, 60, 0], capacityN: { shear: 60, pull: 40 } },
			{ id: 'tie', at: [0, -10, 0], capacityN: { shear: 60, pull: 40 } }
		]
	};
	const job = (more: object) =>
		runJob({ kind: 'load', factor: 4, bodies: [{ ...pauldron, ...more }] }, () => 0);
	const done = job({});
	assert.ok(done.ok);
	const [body] = (done.result as { bodies: { tips: boolean; joins: { force: number[]; share: number }[] }[] })
		.bodies;
	// 0.42 kg jumping: 16.475 N, half each; sideways 16.475 × 60 ÷ 70.
	assert.equal(body!.tips, false);
	near(body!.joins[0]!.force[1]!, 8.2376, 1e-4);
	near(body!.joins[0]!.force[0]!, -14.1216, 1e-4);
	near(body!.joins[0]!.share, Math.hypot(8.2376, 14.1216) / 60, 1e-4);
	for (const [more, words] of [
		[{ kg: 0 }, /^bodies.0.kg: Its weight is not known/],
		[{ joins: [] }, /^bodies.0.joins: It needs a join/],
		[
			{ joins: [{ ...pauldron.joins[0], capacityN: { shear: 0, pull: 1 } }] },
			/shear: What it bears is more than nothing/
		],
		[{ joins: [pauldron.joins[0], pauldron.joins[0]] }, /Two joins have the same id/],
		[
			{ joins: Array.from({ length: 501 }, (_, k) => ({ ...pauldron.joins[0], id: `j${k}` })) },
			/At most 500 joins/
		],
		[{ centre: [1e9, 0, 0] }, /^bodies.0.centre/]
	] as const) {
		const wrong = job(more);
		assert.ok(!wrong.ok);
		assert.match(wrong.words, words);
	}
});
