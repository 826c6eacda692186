import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Piece } from '../../facts/piece.ts';
import { edgeLength, edgesOf, flatten } from '../pattern/outline.ts';
import { sizesOfPiece } from '../pattern/piece.ts';
import { runShaper, type Shaped } from '../pattern/shaper.ts';
import { SHAPERS, type ShaperKey } from './shapers.ts';

/**
 * What is rolled up from thick stuff, worked out the other way round: the face as it was measured is a line that is turned about
 * the axis; the middle of the thickness is that line moved along its normal by half of it (edges are cut square to the face).
 * Round, slant and area (Pappus) of what that sweeps are those of the flat piece.
 */
type Profile = readonly (readonly [radius: number, height: number])[];

const near = (a: number, b: number, by: number, what: string) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${what}: ${a}, not ${b}`);
const shape = (key: ShaperKey, values: Record<string, number>): Shaped => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(done.ok, `${key} ${JSON.stringify(values)}`);
	return done.value;
};

/** Moved by `by` away from the axis where that is above 0. */
function moved(face: Profile, by: number): Profile {
	return face.map(([r, z], i) => {
		const [a, b] = [face[Math.max(0, i - 1)]!, face[Math.min(face.length - 1, i + 1)]!];
		const [dr, dz] = [b[0] - a[0], b[1] - a[1]];
		const long = Math.hypot(dr, dz);
		// Profiles run upwards or towards the axis: outwards is to the right of the way.
		return [r + (dz / long) * by, z - (dr / long) * by] as const;
	});
}
const long = (line: Profile) =>
	line.slice(1).reduce((sum, [r, z], i) => sum + Math.hypot(r - line[i]![0], z - line[i]![1]), 0);
const swept = (line: Profile) =>
	line
		.slice(1)
		.reduce(
			(sum, [r, z], i) => sum + Math.PI * (r + line[i]![0]) * Math.hypot(r - line[i]![0], z - line[i]![1]),
			0
		);
const area = (pieces: readonly Piece[]) =>
	pieces.reduce((sum, p) => sum + p.quantity * sizesOfPiece(p).area, 0);
const seamed = (piece: Piece, seam: string) =>
	edgesOf(piece.outline).reduce(
		(sum, { from, edge }) => sum + (edge.seam === seam ? edgeLength(from, edge) : 0),
		0
	);
/** A cone goes on beyond its tip on the face: the middle's own tip lies on the axis. */
function toAxis(line: Profile): Profile {
	const [[r0, z0], [r1, z1]] = [line.at(-2)!, line.at(-1)!];
	return [...line.slice(0, -1), [0, z1 + ((z1 - z0) * r1) / (r0 - r1)]];
}

test('cone and horn in 10 mm foam: base, slant and area of the middle of the thickness, measured within or without', () => {
	for (const measured of [0, 1])
		for (const [girth, height, thickness] of [
			[188, 200, 10],
			[300, 40, 6],
			[620, 500, 12]
		] as const) {
			const face: Profile = [
				[girth / (2 * Math.PI), 0],
				[0, height]
			];
			const middle = toAxis(moved(face, (measured ? -1 : 1) * (thickness / 2)));
			const panel = shape('cone', { girth, height, thickness, measured }).pieces[0]!;
			near(seamed(panel, 'base'), 2 * Math.PI * middle[0]![0], 1e-9, 'base');
			near(seamed(panel, 'side') / 2, long(middle), 1e-9, 'slant');
			near(area([panel]), swept(middle), 1e-9, 'area');
			const horn = shape('horn', { girth, length: height, bend: 20, parts: 4, thickness, measured });
			near(area(horn.pieces), swept(middle), 2e-3, 'horn');
			near(seamed(horn.pieces[0]!, 'base'), 2 * Math.PI * middle[0]![0], 2e-3, 'horn’s base');
		}
	// By hand: 188 mm round and so tall that it hardly leans, in 10 mm foam: 10π = 31.4 mm more.
	near(
		seamed(shape('cone', { girth: 188, height: 5000, thickness: 10 }).pieces[0]!, 'base'),
		219.4,
		1e-4,
		'hand'
	);
	const thin = runShaper(SHAPERS.cone, { girth: 50, height: 5000, thickness: 20, measured: 1 });
	assert.ok(!thin.ok && thin.problem.code === 'tooThick');
});

test('tapered band: π·t·cos(lean) at both edges, and the area of the middle of the thickness', () => {
	for (const [upper, lower, height, thickness] of [
		[280, 200, 180, 6],
		[620, 200, 60, 10],
		[200, 500, 90, 4]
	] as const) {
		const face: Profile = [
			[lower / (2 * Math.PI), 0],
			[upper / (2 * Math.PI), height]
		];
		const middle = moved(face, thickness / 2);
		for (const panels of [1, 3]) {
			const { pieces } = shape('taperedBand', { upper, lower, height, thickness, panels });
			near(area(pieces), swept(middle), 1e-9, 'area');
			near(seamed(pieces[0]!, 'side') / 2, long(middle), 1e-9, 'slant');
			const around = pieces[0]!.outline.edges.length;
			const arcs = edgesOf(pieces[0]!.outline).filter((e) => e.edge.kind === 'arc');
			const all = panels * arcs.reduce((sum, e) => sum + edgeLength(e.from, e.edge), 0);
			near(all, 2 * Math.PI * (middle[0]![0] + middle[1]![0]), 1e-9, `edges of ${around}`);
		}
	}
});

test('what is left open of a band is no seam: its panels are joined once less than closed', () => {
	const sides = (panels: number, gap: number, overlap = 0) =>
		shape('taperedBand', { panels, gap, overlap, thickness: 0 }).pieces.reduce(
			(sum, p) => sum + p.quantity * seamed(p, 'side'),
			0
		);
	const slant = Math.hypot(80 / (2 * Math.PI), 180);
	for (const overlap of [0, 15]) {
		assert.equal(sides(1, 40, overlap), 0);
		for (const panels of [2, 3, 5]) {
			near(sides(panels, 0, overlap), 2 * panels * slant, 1e-9, 'closed');
			near(sides(panels, 40, overlap), 2 * (panels - 1) * slant, 1e-9, 'open');
		}
	}
	// Lapped, each joint is wider on one side only.
	const lapped = shape('taperedBand', {
		upper: 300,
		lower: 300,
		panels: 2,
		gap: 40,
		overlap: 15,
		thickness: 0
	});
	near(
		lapped.pieces.reduce((sum, p) => sum + p.quantity * (sizesOfPiece(p).cutArea - sizesOfPiece(p).area), 0),
		15 * 180,
		1e-9,
		'lap'
	);
});

test('dome of one disc and dish: the middle of the thickness is a ball of its own', () => {
	for (const measured of [0, 1])
		for (const [rim, depth, thickness] of [
			[500, 45, 6],
			[900, 140, 10]
		] as const) {
			const radius = ((rim / (2 * Math.PI)) ** 2 + depth ** 2) / (2 * depth);
			const reach = Math.acos((radius - depth) / radius);
			const face: Profile = Array.from({ length: 2001 }, (_, i) => {
				const a = reach * (1 - i / 2000);
				return [radius * Math.sin(a), radius * Math.cos(a)];
			});
			const middle = moved(face, (measured ? -1 : 1) * (thickness / 2));
			const disc = shape('domeDisc', { rim, depth, thickness, measured, hub: 0.05, wedges: 24 }).pieces[0]!;
			const out = Math.max(...flatten(disc.outline).points.map((p) => Math.hypot(...p)));
			near(out, long(middle), 5e-5, 'radius of the disc');
			// The hub is left whole: the little that is too much there is not cut away.
			near(area([disc]), swept(middle), 2e-3, 'area');
			const dish = shape('shieldDish', { rim: rim / Math.PI, depth, thickness, measured });
			near(area(dish.pieces), Math.PI * long(middle) ** 2, 1e-4, 'dish');
		}
});

test('dome of gores, faceted: bent one way only and sewn up, it has the ball’s height and rounds; round, its sides are told', () => {
	for (const [girth, gores, reach] of [
		[620, 4, 90],
		[620, 6, 70],
		[900, 9, 120]
	] as const) {
		const radius = girth / (2 * Math.PI);
		const s = shape('domeGores', { girth, gores, reach, thickness: 0, form: 1 });
		assert.deepEqual(s.warnings, []);
		const points = flatten(s.pieces[0]!.outline)
			.points.filter((p) => p[0] >= 0)
			.sort((p, q) => q[1] - p[1]);
		// The middle of a gore runs at half-width ÷ tan(π/n) from the axis; how far it comes down follows from its length.
		let [down, seam] = [0, 0];
		for (let i = 1; i < points.length; i++) {
			const [a, b] = [points[i - 1]!, points[i]!];
			const out = (b[0] - a[0]) / Math.tan(Math.PI / gores);
			const along = a[1] - b[1];
			down += Math.sqrt(along ** 2 - out ** 2);
			seam += Math.hypot(b[0] - a[0], along);
			// Chords near the pole are coarse: within 5 mm there, on the round of a head.
			const round = 2 * Math.PI * Math.sqrt(radius ** 2 - (radius - down) ** 2);
			assert.ok(Math.abs(2 * gores * b[0] - round) < 5, `${2 * gores * b[0]}, not ${round}`);
		}
		const wanted = radius * (1 - Math.cos((reach * Math.PI) / 180));
		near(down, wanted, 5e-3, 'height');
		near(seamed(s.pieces[0]!, 'gore') / 2, seam, 1e-9, 'both sides');
	}
	// Round: with four gores 14 % longer at the side (elliptic integral, in formulas.test), with twelve less than foam takes cold.
	const [few, many] = [4, 12].map((gores) => shape('domeGores', { girth: 620, gores, thickness: 0 }));
	assert.deepEqual(few!.warnings[0], {
		code: 'goreSides',
		path: ['form'],
		values: { percent: 14 }
	});
	assert.deepEqual(many!.warnings, []);
	near(seamed(few!.pieces[0]!, 'gore') / 2, (620 / (2 * Math.PI)) * 1.79045, 1e-3, 'side');
});
