import assert from 'node:assert/strict';
import { createRequire } from 'node:module';
import { test } from 'node:test';
import { areaD, FillRule, unionD } from 'clipper2-ts';
import { ball } from '$tests/support/forms.ts';
import { binaryStlOf, bumpy, meshOf, solid, SOLIDS } from '$tests/support/meshes.ts';
import { flatten, signedArea } from '../pattern/outline.ts';
import { checkPiece } from '../pattern/piece.ts';
import {
	cornersOf,
	facingOut,
	figuresOfMesh,
	girthAt,
	scaled,
	soundMesh,
	triangleCount,
	weld,
	type Mesh
} from './mesh.ts';
import { readMesh } from './readMesh.ts';
import { thinned } from './thin.ts';
import { unfold, type Unfolded, unfoldWays } from './unfold.ts';

const near = (a: number, b: number, by = 1e-9) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const laid = (mesh: Mesh, most: number | null = null): Unfolded => {
	const done = unfold(mesh, { thickness: 6, most });
	assert.ok(done.ok);
	return done.value;
};

/** Volume and area of the regular solids by their edge. Euclid, book XIII; formulas as in any handbook of geometry. */
const EXACT: Record<string, (a: number) => [number, number]> = {
	tetrahedron: (a) => [a ** 3 / (6 * Math.SQRT2), Math.sqrt(3) * a * a],
	cube: (a) => [a ** 3, 6 * a * a],
	octahedron: (a) => [(Math.SQRT2 / 3) * a ** 3, 2 * Math.sqrt(3) * a * a],
	dodecahedron: (a) => [
		((15 + 7 * Math.sqrt(5)) / 4) * a ** 3,
		3 * Math.sqrt(25 + 10 * Math.sqrt(5)) * a * a
	],
	icosahedron: (a) => [(5 / 12) * (3 + Math.sqrt(5)) * a ** 3, 5 * Math.sqrt(3) * a * a]
};
const EDGE: Record<string, number> = {
	tetrahedron: 2 * Math.SQRT2,
	cube: 2,
	octahedron: Math.SQRT2,
	dodecahedron: Math.sqrt(5) - 1,
	icosahedron: 2
};
/** Between faces, inside, degrees. */
const INSIDE: Record<string, number> = {
	tetrahedron: 70.5288,
	cube: 90,
	octahedron: 109.4712,
	dodecahedron: 116.5651,
	icosahedron: 138.1897
};

for (const name of SOLIDS)
	test(`${name}: volume, area, angles, unfolded whole and folded back`, () => {
		const mesh = solid(name, 50);
		const f = figuresOfMesh(mesh);
		const [volume, area] = EXACT[name]!(EDGE[name]! * 50);
		near(f.volume, volume, 1e-9);
		near(f.area, area, 1e-9);
		assert.ok(f.closed && f.flippedEdges === 0);
		const done = laid(mesh);
		assert.equal(done.pieces.length, 1, 'every regular solid has a net in one piece');
		for (const s of done.seams) near(s.inside, INSIDE[name]!, 1e-5);
		// Twice the edges less those that the net keeps: F faces need F − 1 folds, E − F + 1 are cut.
		const [faces, edges] = {
			tetrahedron: [4, 6],
			cube: [6, 12],
			octahedron: [8, 12],
			dodecahedron: [12, 30],
			icosahedron: [20, 30]
		}[name] as [number, number];
		assert.equal(done.seams.length, edges - faces + 1);
		const bevel = done.pieces[0]!.outline.edges[0]!.bevel!;
		near(bevel, Math.round(((180 - INSIDE[name]!) / 2) * 100) / 100, 1e-6);
		check(mesh, done);
	});

/** Congruent faces, no overlap by an independent library, and folded back by the angles to the same surface. */
function check(mesh: Mesh, done: Unfolded): void {
	const { flat, patches, pieces, bend } = done;
	for (let t = 0; t < triangleCount(mesh); t++) {
		const c = cornersOf(mesh, t);
		for (let k = 0; k < 3; k++) {
			const m = (k + 1) % 3;
			const there = Math.hypot(...c[k]!.map((v, i) => v - c[m]![i]!));
			near(
				Math.hypot(
					flat[6 * t + 2 * k]! - flat[6 * t + 2 * m]!,
					flat[6 * t + 2 * k + 1]! - flat[6 * t + 2 * m + 1]!
				),
				there,
				1e-7
			);
		}
	}
	assert.equal(
		patches.reduce((sum, p) => sum + p.triangles.length, 0),
		triangleCount(mesh)
	);
	const total = figuresOfMesh(mesh).area;
	near(
		pieces.reduce(
			(sum, p) => sum + signedArea(p.outline) + p.holes.reduce((s, h) => s + signedArea(h), 0),
			0
		),
		total,
		1e-6
	);
	for (const [i, patch] of patches.entries()) {
		const its = patch.triangles.map((t) =>
			[0, 1, 2].map((k) => ({ x: flat[6 * t + 2 * k]!, y: flat[6 * t + 2 * k + 1]! }))
		);
		const sum = its.reduce((s, tri) => s + areaD(tri), 0);
		// What covers itself is smaller as a union.
		const union = unionD(its, [], FillRule.NonZero, 5).reduce((s, p) => s + areaD(p), 0);
		assert.ok(Math.abs(union - sum) < 1e-3 * Math.max(1, sum / 1000), `patch ${i}: ${union}, not ${sum}`);
		assert.equal(checkPiece(pieces[i]!), null);
		foldedBack(mesh, patch, flat, bend);
	}
}

type Placed = (p: number[]) => number[];
function foldedBack(
	mesh: Mesh,
	patch: Unfolded['patches'][number],
	flat: Float64Array,
	bend: Float64Array
): void {
	const at = (h: number) => [flat[2 * h]!, flat[2 * h + 1]!, 0];
	const next = (h: number) => (h % 3 === 2 ? h - 2 : h + 1);
	const by = new Map<number, [number, number][]>();
	for (const [h, g] of patch.joined) {
		const [a, b] = [Math.floor(h / 3), Math.floor(g / 3)];
		by.set(a, [...(by.get(a) ?? []), [h, b]]);
		by.set(b, [...(by.get(b) ?? []), [g, a]]);
	}
	const placed = new Map<number, Placed>([[patch.triangles[0]!, (p) => p]]);
	const queue = [patch.triangles[0]!];
	for (const t of queue)
		for (const [h, other] of by.get(t) ?? []) {
			if (placed.has(other)) continue;
			const [from, to] = [at(h), at(next(h))];
			const turn = turned(from, to, (bend[h]! * Math.PI) / 180);
			const outer = placed.get(t)!;
			placed.set(other, (p) => outer(turn(p)));
			queue.push(other);
		}
	assert.equal(placed.size, patch.triangles.length);
	const where = new Map<number, number[]>();
	for (const t of patch.triangles)
		for (let k = 0; k < 3; k++) {
			const p = placed.get(t)!(at(3 * t + k));
			const v = mesh.triangles[3 * t + k]!;
			const before = where.get(v);
			if (before) assert.ok(Math.hypot(...p.map((x, i) => x - before[i]!)) < 0.1, 'the corners meet again');
			else where.set(v, p);
		}
	const all = [...where];
	for (const [i, [v, p]] of all.entries())
		for (const [w, q] of all.slice(i + 1, i + 40)) {
			const real = Math.hypot(...[0, 1, 2].map((x) => mesh.points[3 * v + x]! - mesh.points[3 * w + x]!));
			assert.ok(Math.abs(Math.hypot(...p.map((x, k) => x - q[k]!)) - real) < 0.1);
		}
}
/** About the line from a to b, by an angle (Rodrigues' rotation). */
function turned(a: number[], b: number[], angle: number): Placed {
	const axis = b.map((v, i) => v - a[i]!);
	const long = Math.hypot(...axis);
	const u = axis.map((v) => v / long);
	const [c, s] = [Math.cos(angle), Math.sin(angle)];
	return (p) => {
		const r = p.map((v, i) => v - a[i]!);
		const cross = [
			u[1]! * r[2]! - u[2]! * r[1]!,
			u[2]! * r[0]! - u[0]! * r[2]!,
			u[0]! * r[1]! - u[1]! * r[0]!
		];
		const along = u.reduce((sum, v, i) => sum + v * r[i]!, 0);
		return r.map((v, i) => a[i]! + v * c + cross[i]! * s + u[i]! * along * (1 - c));
	};
}

test('two free forms with ridges and hollows: congruent, nothing covered, folded back', () => {
	for (const mesh of [bumpy(8, 12, 100, 0.15), bumpy(12, 18, 110, 0.08)]) {
		const done = laid(mesh);
		check(mesh, done);
		assert.ok(done.pieces.length < triangleCount(mesh) / 6, `${done.pieces.length} pieces`);
		const numbers = done.pieces.flatMap((p) => p.notches.map((n) => n.pair));
		// Every number stands on two edges.
		for (const s of done.seams) assert.equal(numbers.filter((n) => n === s.name).length, 2, s.name);
	}
	// Small pieces when they must be.
	const small = laid(bumpy(8, 12, 100, 0.15), 120);
	for (const p of small.pieces) {
		const points = flatten(p.outline).points;
		for (const axis of [0, 1] as const) {
			const values = points.map((q) => q[axis]);
			assert.ok(Math.max(...values) - Math.min(...values) <= 120 + 1e-6);
		}
	}
});

test('flat faces of many triangles are one face without fold lines', () => {
	const done = laid(solid('cube', 40));
	// Six squares of two triangles: five folds, and no line across a square.
	assert.equal(done.pieces[0]!.lines.length, 5);
	assert.equal(done.pieces[0]!.outline.edges.length, 14);
});

test('reading: binary and text STL, OBJ; the same solid however it is written', () => {
	const mesh = solid('icosahedron', 30);
	const corners = Array.from({ length: triangleCount(mesh) }, (_, t) => cornersOf(mesh, t));
	const text = `solid x\n${corners
		.map(
			(c) =>
				`facet normal 0 0 0\nouter loop\n${c.map((p) => `vertex ${p.join(' ')}`).join('\n')}\nendloop\nendfacet`
		)
		.join('\n')}\nendsolid x\n`;
	const points = Array.from({ length: mesh.points.length / 3 }, (_, i) => [
		...mesh.points.slice(3 * i, 3 * i + 3)
	]);
	const obj = `# made here\n${points.map((p) => `v ${p.join(' ')}`).join('\n')}\nvn 0 0 1\n${corners
		.map((_, t) => `f ${[0, 1, 2].map((k) => `${mesh.triangles[3 * t + k]! + 1}//1`).join(' ')}`)
		.join('\n')}\n`;
	for (const bytes of [binaryStlOf(mesh), new TextEncoder().encode(text), new TextEncoder().encode(obj)]) {
		const read = readMesh(bytes);
		assert.ok(read.ok);
		const sound = soundMesh(read.value);
		assert.ok(sound.ok);
		assert.equal(sound.value.mesh.points.length / 3, 12);
		near(figuresOfMesh(sound.value.mesh).volume, figuresOfMesh(mesh).volume, 1e-6);
		assert.deepEqual(sound.value.notes, []);
	}
	for (const [bytes, code] of [
		[new TextEncoder().encode('solid x\nfacet normal\nvertex 1 2 3\n'), 'meshCut'],
		[new TextEncoder().encode('v 1 2 3\nf 1 2 9\n'), 'meshCut'],
		[new TextEncoder().encode('<svg/>'), 'meshUnknown'],
		[new Uint8Array(0), 'meshUnknown']
	] as const) {
		const read = readMesh(bytes);
		assert.ok(!read.ok && read.problem.code === code, JSON.stringify(read));
	}
	const many = new Uint8Array(84 + 200_000 * 50);
	new DataView(many.buffer).setUint32(80, 200_000, true);
	// So many are read, to be thinned; as they are they are refused.
	const read = readMesh(many);
	assert.ok(read.ok);
	const refused = soundMesh(read.value);
	assert.ok(!refused.ok && refused.problem.code === 'meshTooMany');
});

test('a mesh with more faces than serve is thinned: fewer than wanted, closed as it was, its volume kept within 1 %', async () => {
	const { vertices, faces } = ball(100, 5);
	const fine: Mesh = {
		// As an STL file has it: each triangle by itself.
		points: Float64Array.from(faces.flatMap((f) => f.flatMap((i) => vertices[i]!))),
		triangles: Uint32Array.from({ length: faces.length * 3 }, (_, i) => i)
	};
	const thin = await thinned(fine, 3000);
	assert.equal(faces.length, 20_480);
	assert.ok(triangleCount(thin) <= 3000 && triangleCount(thin) > 1000, `${triangleCount(thin)}`);
	const sound = soundMesh(thin);
	assert.ok(sound.ok);
	const its = figuresOfMesh(sound.value.mesh);
	assert.ok(its.closed);
	near(its.volume / ((4 / 3) * Math.PI * 1e6), 1, 0.01);
	assert.equal(await thinned(thin, 3000), thin);
});

test('holes, crowded edges, flipped and doubled faces are told, and what can be read is unfolded', () => {
	const cube = solid('cube', 20);
	const open: Mesh = { points: cube.points, triangles: cube.triangles.slice(6) };
	const codes = (mesh: Mesh) => {
		const sound = soundMesh(mesh);
		assert.ok(sound.ok);
		check(sound.value.mesh, laid(sound.value.mesh));
		return sound.value.notes.map((n) => [n.code, (n.values as { count: number }).count]);
	};
	assert.deepEqual(codes(open), [['meshOpen', 4]]);
	const flipped = cube.triangles.slice();
	[flipped[1], flipped[2]] = [flipped[2]!, flipped[1]!];
	assert.deepEqual(codes({ points: cube.points, triangles: flipped }), [['meshFlipped', 3]]);
	const doubled = new Uint32Array([...cube.triangles, ...cube.triangles.slice(0, 3), 0, 0, 1]);
	assert.deepEqual(codes({ points: cube.points, triangles: doubled }), [
		['meshDegenerate', 1],
		['meshDuplicate', 1]
	]);
	// A fin on an edge: three faces meet there.
	const fin = meshOf(
		[...Array.from({ length: 8 }, (_, i) => [...cube.points.slice(3 * i, 3 * i + 3)]), [60, 60, 60]],
		[
			...Array.from({ length: 12 }, (_, t) => [...cube.triangles.slice(3 * t, 3 * t + 3)]),
			[cube.triangles[0]!, cube.triangles[1]!, 8]
		]
	);
	assert.ok(codes(fin).some(([code]) => code === 'meshCrowded'));
	// Inside out: it is turned.
	const inward = cube.triangles.slice();
	for (let t = 0; t < 12; t++)
		[inward[3 * t + 1], inward[3 * t + 2]] = [inward[3 * t + 2]!, inward[3 * t + 1]!];
	near(figuresOfMesh(facingOut({ points: cube.points, triangles: inward })).volume, 40 ** 3);
	const nothing = soundMesh({ points: new Float64Array(9), triangles: new Uint32Array([0, 1, 2]) });
	assert.ok(!nothing.ok && nothing.problem.code === 'meshEmpty');
	const numbers = soundMesh({
		points: new Float64Array([0, 0, 0, 1, Number.NaN, 0, 0, 1, 0]),
		triangles: new Uint32Array([0, 1, 2])
	});
	assert.ok(!numbers.ok && numbers.problem.code === 'meshNumbers');
	assert.equal(weld(cube).joinedPoints, 0);
});

test('scaled to a measured girth: the tape goes round the hull', () => {
	const ball = bumpy(40, 60, 90, 0);
	// A polygon of 60 sides in a circle.
	near(girthAt(ball, 0.01)!, 60 * 2 * 90 * Math.sin(Math.PI / 60), 1e-3);
	near(girthAt(scaled(ball, 2), 0.01)!, 2 * girthAt(ball, 0.005)!, 1e-6);
	assert.equal(girthAt(ball, 500), null);
	// A star's tape does not follow its hollows.
	const star = bumpy(20, 48, 90, 0.3);
	assert.ok(girthAt(star, 40)! > 300);
});

test('stopped on the way', () => {
	const done = unfold(bumpy(12, 18, 110, 0.08), { thickness: 6, most: null, stop: () => true });
	assert.ok(!done.ok && done.problem.code === 'stopped');
	let last = 0;
	unfold(solid('cube', 10), { thickness: 0, most: null, progress: (share) => (last = share) });
	assert.equal(last, 1);
});

test('read binary STL is as large as a reference loader of the registry says: volume, area, box', () => {
	const require = createRequire(import.meta.url);
	const NodeStl = require('node-stl') as new (file: Buffer) => {
		volume: number;
		area: number;
		boundingBox: number[];
	};
	for (const its of [bumpy(14, 20, 90, 0.15), bumpy(9, 11, 140, 0.3)]) {
		const bytes = binaryStlOf(its);
		const read = readMesh(bytes);
		assert.ok(read.ok);
		const sound = soundMesh(read.value);
		assert.ok(sound.ok);
		const figures = figuresOfMesh(sound.value.mesh);
		const theirs = new NodeStl(Buffer.from(bytes));
		// Theirs is in cm³; the file holds single precision.
		near(figures.volume / 1000, theirs.volume, 1e-5);
		near(figures.area, theirs.area, 1e-5);
		const box = [0, 1, 2].map((i) => figures.high[i]! - figures.low[i]!);
		box.forEach((side, i) => near(side, theirs.boundingBox[i]!, 1e-3));
	}
});

test('few large pieces or many small ones: a cube and an octahedron counted by hand', () => {
	const ways = (mesh: Mesh) => {
		const done = unfoldWays(mesh, { thickness: 0, most: null });
		assert.ok(done.ok);
		return done.value.map((w) => [w.key, w.pieces.length, w.seams.length, Math.round(w.seamLength)]);
	};
	// Twelve edges of 100: five are folded in one piece, none where each face is by itself. They bend by 90°, beyond 45.
	assert.deepEqual(ways(solid('cube', 100 / EDGE['cube']!)), [
		['few', 1, 7, 700],
		['ridges', 6, 12, 1200]
	]);
	// An icosahedron bends by 41.8°: at the ridges it is what it is whole; 30 edges, 19 of them folded.
	assert.deepEqual(ways(solid('icosahedron', 100 / EDGE['icosahedron']!)), [
		['few', 1, 11, 1100],
		['facets', 20, 30, 3000]
	]);
	// A shape with gentle facets and sharp ridges: a prism of twelve sides is one band and two ends, cut at its ridges.
	const points = [0, 60].flatMap((z) => [
		...Array.from({ length: 12 }, (_, i) => [
			100 * Math.cos((i * Math.PI) / 6),
			100 * Math.sin((i * Math.PI) / 6),
			z
		]),
		[0, 0, z]
	]);
	const faces = Array.from({ length: 12 }, (_, i) => {
		const k = (i + 1) % 12;
		return [
			[i, k, k + 13],
			[i, k + 13, i + 13],
			[12, k, i],
			[25, i + 13, k + 13]
		];
	}).flat();
	const told = ways(meshOf(points, faces));
	assert.deepEqual(
		told.slice(1).map((w) => w.slice(0, 3)),
		[
			['ridges', 3, 25],
			['facets', 14, 36]
		]
	);
});
