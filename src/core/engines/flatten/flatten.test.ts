import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Matrix, solve } from 'ml-matrix';
import { ball, cap, type Form, helmet, sheet } from '$tests/support/forms.ts';
import { seeded } from '../../units/random.ts';
import type { Vec } from '../../units/vec.ts';
import { runJob } from '../../formats/jobs.ts';
import { cutAlong, flatten, type FlattenOptions } from './flatten.ts';
import { Flat } from './flat.ts';
import { patchOf, surfaceOf } from './patch.ts';
import { dissected, PointSystem } from './sparse.ts';

const near = (a: number, b: number, by: number, what = '') =>
	assert.ok(Math.abs(a - b) <= by, `${what} ${a}, not ${b}`);

function laid({ vertices, faces }: Form, cuts: number[][] = [], options: Partial<FlattenOptions> = {}) {
	const surface = surfaceOf(vertices, faces);
	const cut = cutAlong(surface, cuts);
	assert.ok(cut.ok);
	const done = flatten(surface, cut.value, { limit: 0.03, propose: false, least: 15, ...options });
	assert.ok(done.ok, done.ok ? '' : done.problem.code);
	return done.value;
}

/**
 * What has to be so of every piece, by code of its own: faces keep their turn, and together they cover exactly what the border goes
 * round, so that none lies on another.
 */
function sound({ flats, lengths, overlapping }: ReturnType<typeof laid>): void {
	for (const { at, patch } of flats) {
		const area = (list: readonly number[]) =>
			list.reduce((sum, a, i) => {
				const b = list[(i + 1) % list.length]!;
				return sum + at[2 * a]! * at[2 * b + 1]! - at[2 * b]! * at[2 * a + 1]!;
			}, 0) / 2;
		let sum = 0;
		for (let i = 0; i < patch.corners.length; i += 3) {
			const own = area([...patch.corners.subarray(i, i + 3)]);
			assert.ok(own > 0, 'no face is turned over');
			sum += own;
		}
		near(patch.borders.reduce((all, border) => all + area(border), 0) / sum, 1, 1e-9);
		for (const border of patch.borders)
			for (let i = 0; i < border.length; i++)
				for (let k = i + 2; k < border.length; k++) {
					const [a, b, c, d] = [i, i + 1, k, k + 1].map((n) => border[n % border.length]!) as [
						number,
						number,
						number,
						number
					];
					if (new Set([a, b, c, d]).size < 4) continue;
					// Edges that lie on one line do not cross.
					const side = (p: number, q: number, r: number) => {
						const on = area([p, q, r]);
						return Math.abs(on) < 1e-6 ? 0 : Math.sign(on);
					};
					assert.ok(
						side(a, b, c) * side(a, b, d) >= 0 || side(c, d, a) * side(c, d, b) >= 0,
						'the border does not cross itself'
					);
				}
		const edges = new Set<string>();
		for (let i = 0; i < patch.corners.length; i += 3)
			for (let k = 0; k < 3; k++)
				edges.add([patch.corners[i + k]!, patch.corners[i + ((k + 1) % 3)]!].sort((p, q) => p - q).join(' '));
		assert.equal(
			patch.vertices.length - edges.size + patch.faces.length,
			2 - patch.borders.length,
			'Euler: 1 for one border'
		);
	}
	assert.equal(overlapping, 0);
	for (const { a, b, on } of lengths)
		assert.ok(Math.abs(a - b) <= Math.max(1, 0.005 * on), `sides of a seam: ${a} and ${b}`);
}

const distance = (flat: Flat, p: number, q: number) =>
	Math.hypot(flat.at[2 * p]! - flat.at[2 * q]!, flat.at[2 * p + 1]! - flat.at[2 * q + 1]!);

test('a system of points is solved as a dense one is (ml-matrix)', () => {
	const random = seeded(7);
	const n = 40;
	const neighbours: number[][] = Array.from({ length: n }, () => []);
	for (let a = 0; a < n; a++)
		for (let b = a + 1; b < n; b++)
			if (random() < 0.1) {
				neighbours[a]!.push(b);
				neighbours[b]!.push(a);
			}
	const at = Float64Array.from({ length: 2 * n }, random);
	const system = new PointSystem(neighbours, dissected(at, 2, neighbours));
	const dense = Matrix.zeros(2 * n, 2 * n);
	for (let a = 0; a < n; a++)
		for (const b of [a, ...neighbours[a]!.filter((v) => v > a)]) {
			const block = a === b ? [30, 1, 1, 25] : Array.from({ length: 4 }, () => random() - 0.5);
			const { at: to, turned } = system.place(a, b);
			block.forEach((value, k) => {
				const [row, column] = [k >> 1, k & 1];
				system.values[to + (turned ? 2 * column + row : k)]! += value;
				dense.set(2 * a + row, 2 * b + column, value);
				dense.set(2 * b + column, 2 * a + row, value);
			});
		}
	const right = Float64Array.from({ length: 2 * n }, random);
	assert.ok(system.factorise());
	const theirs = solve(dense, Matrix.columnVector([...right])).to1DArray();
	system.solve(right).forEach((value, i) => near(value, theirs[i]!, 1e-12));
});

test('a cylinder cut open is a rectangle, a cone a sector, as by the formulas of trade, within 0.1 %', () => {
	const [r, h, n] = [50, 120, 180];
	const tube = sheet(
		13,
		n,
		(row, i) => {
			const a = (2 * Math.PI * i) / n;
			return [r * Math.cos(a), r * Math.sin(a), (h * row) / 12];
		},
		true
	);
	const rectangle = laid(tube, [Array.from({ length: 13 }, (_, row) => row * n)]);
	sound(rectangle);
	const flat = rectangle.flats[0]!;
	const corners = flat.patch.vertices.flatMap((v, p) => (v === 0 || v === 12 * n ? [p] : []));
	const spans = corners
		.flatMap((p, i) => corners.slice(i + 1).map((q) => distance(flat, p, q)))
		.sort((a, b) => a - b);
	const [width, diagonal] = [2 * Math.PI * r, Math.hypot(2 * Math.PI * r, h)];
	[h, h, width, width, diagonal, diagonal].forEach((long, i) => near(spans[i]! / long, 1, 0.001));
	near(flat.area / (width * h), 1, 0.001);
	near(rectangle.lengths[0]!.on, h, 1e-9);

	// Slant √(r² + h²), angle 360° · r / slant: r 30 and h 40 make 50 and 216°.
	const cone = sheet(
		11,
		n,
		(row, i) => {
			const a = (-2 * Math.PI * i) / n;
			const share = (row + 1) / 11;
			return [30 * share * Math.cos(a), 30 * share * Math.sin(a), 40 * (1 - share)];
		},
		true
	);
	const apex = cone.vertices.push([0, 0, 40]) - 1;
	for (let i = 0; i < n; i++) cone.faces.push([apex, (i + 1) % n, i]);
	const sector = laid(cone, [[apex, ...Array.from({ length: 11 }, (_, row) => row * n)]]);
	sound(sector);
	const tip = sector.flats[0]!;
	const rim = tip.patch.vertices.flatMap((v, p) => (v === 10 * n ? [p] : []));
	const middle = tip.patch.vertices.indexOf(apex);
	for (const p of rim) near(distance(tip, middle, p) / 50, 1, 0.001);
	// The chord of what is left of the round: 2 · 50 · sin(144° / 2).
	near(distance(tip, rim[0]!, rim[1]!) / (100 * Math.sin((72 * Math.PI) / 180)), 1, 0.002);
	near(tip.area / ((Math.PI * 50 * 50 * 216) / 360), 1, 0.001);
	assert.ok(tip.strains().max < 1e-6);
});

test('a cap laid flat cannot do better than Milnor’s (1969), and comes within a twentieth of it', () => {
	for (const angle of [0.4, 0.76, Math.PI / 2]) {
		const { vertices, faces } = cap(100, angle, 16);
		const surface = surfaceOf(vertices, faces);
		const patch = patchOf(surface, new Uint8Array(faces.length * 3), [...faces.keys()]);
		const flat = new Flat(surface, patch);
		assert.ok(flat.begin());
		flat.press();
		// Least ratio of the largest to the smallest scale is θ / sin θ: half of it each way.
		const ratio = angle / Math.sin(angle);
		const least = (ratio - 1) / (ratio + 1);
		const { max } = flat.strains();
		assert.ok(max > least * 0.99 && max < least * 1.05, `${angle}: ${max}, not ${least}`);
		flat.least();
		assert.ok(flat.strains().rms < max, 'the mean is less where only the mean counts');
	}
});

test('saddles and bumpy sheets never fold, whatever they are; their area is kept', () => {
	const random = seeded(27);
	for (let i = 0; i < 12; i++) {
		const waves = Array.from({ length: 4 }, () => [
			random() * 0.06,
			random() * 0.06,
			random() * 18,
			random() * 6
		]);
		const form = sheet(16, 20, (r, c): Vec => {
			const [x, y] = [c * 10, r * 10];
			return [
				x,
				y,
				(i % 2) * 0.006 * (x - 95) * (y - 75) +
					waves.reduce((z, [u, v, high, turn]) => z + high! * Math.sin(u! * x + v! * y + turn!), 0)
			];
		});
		const done = laid(form);
		sound(done);
		const flat = done.flats[0]!;
		const { each, max } = flat.strains();
		let covered = 0;
		const { corners } = flat.patch;
		for (let f = 0; f < each.length; f++) {
			const [a, b, c] = [0, 1, 2].map((k) => corners[3 * f + k]!) as [number, number, number];
			const [ax, ay, bx, by, cx, cy] = [a, b, c].flatMap((p) => [flat.at[2 * p]!, flat.at[2 * p + 1]!]) as [
				number,
				number,
				number,
				number,
				number,
				number
			];
			covered += ((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
		}
		near(covered / flat.area, 1, max, 'the area');
	}
});

test('random panels of a ball with random cuts: seams of one length, one border each', () => {
	const random = seeded(3);
	for (let i = 0; i < 6; i++) {
		const { vertices, faces } = cap(60 + 80 * random(), 0.5 + random(), 8);
		// From the rim towards the pole along one ray of corners, and along another.
		const ring = (r: number) => 1 + 3 * r * (r - 1);
		const ray = (k: number, to: number) =>
			Array.from({ length: 9 - to }, (_, n) => ring(8 - n) + k * (8 - n));
		const done = laid({ vertices, faces }, [ray(0, 2 + (i % 4)), ray(3, 1 + (i % 5))]);
		sound(done);
		assert.equal(done.flats.length, 1);
		assert.equal(done.flats[0]!.patch.borders.length, 1);
		assert.equal(done.lengths.length, 2);
	}
});

test('a ball of 200 mm comes apart into pieces within 5 % with less to glue than its eight gores', () => {
	const { vertices, faces } = ball(100, 2);
	const done = laid({ vertices, faces }, [], { propose: true, limit: 0.05 });
	sound(done);
	const seams = done.lengths.reduce((sum, { on }) => sum + on, 0);
	// Eight gores: four great circles, 4 · 2π · 100 = 2,513 mm.
	assert.ok(seams < 4 * 2 * Math.PI * 100, `${seams} mm`);
	for (const flat of done.flats) assert.ok(flat.strains().max <= 0.05);
	assert.equal(
		done.flats.reduce((sum, { patch }) => sum + patch.faces.length, 0),
		320
	);
});

test('a helmet comes apart into few patches within 5 %, with less than 3 m of seams', () => {
	let asked = 0;
	const done = laid(helmet(1400), [], {
		propose: true,
		limit: 0.05,
		spent: () => asked++ / 60
	});
	sound(done);
	assert.ok(done.flats.length <= 12, `${done.flats.length} pieces`);
	assert.ok(done.lengths.reduce((sum, { on }) => sum + on, 0) < 3000);
	for (const flat of done.flats) assert.ok(flat.strains().max <= 0.05);
});

test('the job: labels, corners of a point that is cut in two, seams; what cannot be laid flat is told', () => {
	const { vertices, faces } = cap(80, 1, 4);
	const job = { kind: 'flatten', vertices, faces, cuts: [[37, 19, 7, 1]] };
	const done = runJob(job, () => 0.5);
	assert.ok(done.ok, done.ok ? '' : done.words);
	const { pieces, cuts, seams, seconds } = done.result as {
		pieces: { faces: number[]; points: Record<string, number[]>; corners: string[][]; outline: number[][] }[];
		cuts: number[][];
		seams: { a: number; b: number }[];
		seconds: number;
	};
	assert.equal(pieces.length, 1);
	const [piece] = pieces as [(typeof pieces)[0]];
	assert.equal(seconds, 0.5);
	// The tip of the dart is one point, the others on it are two.
	assert.ok(piece.points['1'] && piece.points['7a'] && piece.points['7b'] && !piece.points['7']);
	assert.deepEqual(
		piece.corners.map((its) => its.map((label) => parseInt(label, 10))),
		piece.faces.map((f) => faces[f])
	);
	assert.deepEqual(
		[cuts[0]!, [...cuts[0]!].reverse()].find(([first]) => first === 37),
		[37, 19, 7, 1]
	);
	assert.equal(seams.length, 1);
	near(seams[0]!.a, seams[0]!.b, 1);
	const words = (input: unknown) => {
		const answer = runJob(input, () => 0);
		return answer.ok ? '' : answer.words;
	};
	assert.match(words({ kind: 'flatten', ...ball(50, 1) }), /It is closed/);
	assert.match(words({ ...job, cuts: [[1, 40]] }), /^cuts.0: No edge leads from point 1 to point 40/);
	assert.match(words({ ...job, cuts: [[1, 4000]] }), /^cuts.0: Names a point that is not there/);
	assert.match(words({ ...job, limit: 0 }), /^limit: /);
	// A ring like a tyre goes round twice.
	const tyre = sheet(
		16,
		16,
		(r, c): Vec => {
			const [u, v] = [(2 * Math.PI * c) / 16, (2 * Math.PI * r) / 16];
			return [(60 + 20 * Math.cos(v)) * Math.cos(u), (60 + 20 * Math.cos(v)) * Math.sin(u), 20 * Math.sin(v)];
		},
		true
	);
	for (let c = 0; c < 16; c++)
		tyre.faces.push([15 * 16 + c, 15 * 16 + ((c + 1) % 16), (c + 1) % 16], [15 * 16 + c, (c + 1) % 16, c]);
	assert.match(words({ kind: 'flatten', ...tyre }), /It is closed/);
	const across = [...Array.from({ length: 16 }, (_, r) => r * 16), 0];
	const open = runJob({ kind: 'flatten', ...tyre, cuts: [across] }, () => 0);
	assert.ok(open.ok, 'cut open once it is a bent tube, a ring in the plane');
	const less = { ...tyre, faces: tyre.faces.filter((_, i) => i !== 100) };
	assert.match(words({ kind: 'flatten', ...less }), /It goes round, like a handle/);
	let asked = 0;
	const elapsed = () => asked++ / 30;
	const both = runJob({ kind: 'flatten', ...tyre, propose: true, limit: 0.1, seconds: 5 }, elapsed);
	assert.ok(both.ok);
	for (const its of (both.result as { pieces: { strain: { max: number } }[] }).pieces)
		assert.ok(its.strain.max <= 0.1);
});
