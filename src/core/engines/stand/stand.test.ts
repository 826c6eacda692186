import assert from 'node:assert/strict';
import { test } from 'node:test';
import { measureWords, type MeasureKey, type MeasureSide } from '../../facts/bodyMeasure.ts';
import type { Point3 } from '../../units/point.ts';
import { polygonRound, profile, standOf, type Limb, type Measured } from './form.ts';
import { runStandJob } from './job.ts';
import { limbSurface, standSurface, type StandSurface } from './surface.ts';

const near = (a: number, b: number, by: number, what = '') =>
	assert.ok(Math.abs(a - b) <= by, `${what} ${a}, not ${b}`);

/** An adult of invented measures, left and right a little apart. */
const ADULT: Partial<Record<MeasureKey, number>> = {
	stature: 1680,
	headGirth: 565,
	headLength: 222,
	neckGirth: 355,
	chestGirth: 930,
	underbustGirth: 800,
	waistGirth: 745,
	hipGirth: 990,
	backWaistLength: 405,
	waistToHip: 205,
	shoulderLength: 122,
	upperArmGirth: 290,
	elbowGirth: 262,
	forearmGirth: 250,
	wristGirth: 162,
	thumbKnuckleGirth: 218,
	handGirth: 190,
	armLength: 590,
	handLength: 180,
	thighGirth: 575,
	kneeGirth: 385,
	calfGirth: 372,
	ankleGirth: 232,
	insideLeg: 770,
	footLength: 246,
	footGirth: 235
};
const of =
	(measures: Partial<Record<MeasureKey, number>>): Measured =>
	(key, side) =>
		measures[key] === undefined ? null : measures[key]! + (side === 'right' ? 3 : 0);

/**
 * The girth of a closed surface in a plane, by cutting every triangle with it and adding up what lies in it: written apart from the
 * engine, which never cuts.
 */
function sliced({ vertices, faces }: StandSurface, normal: Point3, d: number): number {
	const dot = (p: Point3) => normal[0] * p[0] + normal[1] * p[1] + normal[2] * p[2] - d;
	let sum = 0;
	for (const face of faces) {
		const points = face.map((i) => vertices[i]!);
		const heights = points.map(dot);
		const cuts: Point3[] = [];
		for (let i = 0; i < 3; i++) {
			const [p, q] = [points[i]!, points[(i + 1) % 3]!];
			const [a, b] = [heights[i]!, heights[(i + 1) % 3]!];
			if (a < 0 === b < 0) continue;
			const t = a / (a - b);
			cuts.push([p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t, p[2] + (q[2] - p[2]) * t]);
		}
		if (cuts.length === 2)
			sum += Math.hypot(cuts[0]![0] - cuts[1]![0], cuts[0]![1] - cuts[1]![1], cuts[0]![2] - cuts[1]![2]);
	}
	return sum;
}
const planeOf = (limb: Limb, along: number): [Point3, number] => {
	const { axis, begins } = limb;
	return [axis, axis[0] * begins[0] + axis[1] * begins[1] + axis[2] * begins[2] + along];
};

test('the girth of the surface at every measured level is the measure, within a millimetre, left and right apart', () => {
	const stand = standOf(of(ADULT));
	let checked = 0;
	for (const limb of stand.limbs) {
		const surface = limbSurface(limb);
		for (const { level, along } of limb.sections) {
			if (!level.measure) continue;
			const wanted = of(ADULT)(level.measure, limb.side)!;
			// A hair beside the ring, where no plane runs through corners.
			near(
				sliced(surface, ...planeOf(limb, along + 1e-4)),
				wanted,
				1,
				`${limb.name} ${limb.side} ${level.name}`
			);
			checked++;
		}
	}
	assert.equal(checked, 6 + 2 * (6 + 4 + 1));
});

test('lengths are kept within a millimetre: stature, inside leg, arm, neck to waist down the back, waist to hip down the side', () => {
	const stand = standOf(of(ADULT));
	const { vertices } = standSurface(stand);
	near(Math.max(...vertices.map((p) => p[1])), 1680, 1e-6);
	near(Math.min(...vertices.map((p) => p[1])), 0, 1);
	const body = stand.limbs[0]!;
	const at = (name: string) => body.sections.find((s) => s.level.name === name)!.along;
	near(1680 - at('crotch'), 773, 1e-6, 'the longer inside leg');
	const path = (from: string, to: string, side: 'wide' | 'deep') => {
		const out = profile(body, side);
		let sum = 0;
		const [a, b] = [at(from), at(to)];
		for (let i = 0; i < 1000; i++) {
			const [p, q] = [a + ((b - a) * i) / 1000, a + ((b - a) * (i + 1)) / 1000];
			sum += Math.hypot(q - p, out(q) - out(p));
		}
		return sum;
	};
	near(path('neck', 'waist', 'deep'), 405, 1, 'down the back');
	near(path('waist', 'hips', 'wide'), 205, 1, 'down the side');
	near(at('chin'), 222, 1e-6);
	const arm = stand.limbs.find((l) => l.name === 'arm' && l.side === 'right')!;
	near(arm.sections.find((s) => s.level.name === 'wrist')!.along, 593, 1e-6);
	assert.deepEqual(stand.contradictions, []);
});

test('every limb is closed and turned outwards, and its ovals go round as Ramanujan’s ellipse does', () => {
	for (const limb of standOf(of(ADULT)).limbs) {
		const { vertices, faces } = limbSurface(limb);
		const edges = new Map<string, number>();
		let volume = 0;
		for (const [a, b, c] of faces) {
			for (const [p, q] of [
				[a, b],
				[b, c],
				[c, a]
			] as const)
				edges.set(`${p} ${q}`, (edges.get(`${p} ${q}`) ?? 0) + 1);
			const [p, q, r] = [vertices[a]!, vertices[b]!, vertices[c]!];
			volume +=
				(p[0] * (q[1] * r[2] - q[2] * r[1]) -
					p[1] * (q[0] * r[2] - q[2] * r[0]) +
					p[2] * (q[0] * r[1] - q[1] * r[0])) /
				6;
		}
		for (const [edge, times] of edges) {
			assert.equal(times, 1);
			assert.ok(edges.has(edge.split(' ').reverse().join(' ')), 'each edge has a face on both sides');
		}
		assert.equal(vertices.length - edges.size / 2 + faces.length, 2, 'a ball has Euler characteristic 2');
		assert.ok(volume > 0, `${limb.name} is turned outwards`);
	}
	// Ramanujan's second approximation (1914), exact to 1e-7 for these.
	for (const ratio of [1 / 1.05, 1 / 1.4, 1 / 2.6]) {
		const h = ((1 - ratio) / (1 + ratio)) ** 2;
		const round = Math.PI * (1 + ratio) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
		near(polygonRound(ratio) / round, 1, 4e-4);
	}
});

test('nobody measured: a form of middle build, all of it guessed; one girth makes the rest stouter', () => {
	const plain = standOf(() => null);
	assert.equal(plain.stature, 1700);
	assert.ok(plain.limbs.every((l) => l.sections.every((s) => s.guessed)));
	const girth = (m: Measured, name: string) =>
		standOf(m).limbs[0]!.sections.find((s) => s.level.name === name)!;
	const stout = girth((key) => (key === 'waistGirth' ? 1.2 * 0.46 * 1700 : null), 'hips');
	near(stout.girth, 1.2 * girth(() => null, 'hips').girth, 1e-6);
	assert.equal(stout.guessed, true);
	// The other arm is known better than by proportion.
	const one = standOf((key: MeasureKey, side: MeasureSide) =>
		key === 'wristGirth' && side === 'left' ? 170 : null
	);
	const wrist = one.limbs
		.find((l) => l.name === 'arm' && l.side === 'right')!
		.sections.find((s) => s.level.name === 'wrist')!;
	assert.deepEqual([wrist.girth, wrist.guessed], [170, true]);
});

test('measures that contradict each other: a form all the same, and which of them it is not', () => {
	const odd = standOf(of({ ...ADULT, insideLeg: 1150 }));
	assert.ok(odd.contradictions.some((c) => c.measure === 'insideLeg' && c.taken < 1150));
	for (const limb of odd.limbs)
		for (const [i, s] of limb.sections.entries())
			assert.ok(i === 0 || s.along > limb.sections[i - 1]!.along, `${limb.name} ${s.level.name}`);
	const long = standOf(of({ ...ADULT, backWaistLength: 640 }));
	assert.ok(long.limbs[0]!.sections.every((s, i, all) => i === 0 || s.along >= all[i - 1]!.along + 9.99));
	for (let seed = 1; seed <= 200; seed++) {
		let state = seed * 2654435761;
		const random = () => (state = (state * 1664525 + 1013904223) >>> 0) / 2 ** 32;
		const some = Object.fromEntries(
			Object.entries(ADULT).flatMap(([key, mm]) =>
				random() < 0.6 ? [[key, mm * (0.7 + 0.6 * random())]] : []
			)
		);
		for (const limb of standOf(of(some)).limbs)
			for (const [i, s] of limb.sections.entries()) {
				assert.ok(
					Number.isFinite(s.wide) && s.wide > 0 && s.deep > 0,
					`${seed} ${limb.name} ${s.level.name}`
				);
				assert.ok(i === 0 || s.along > limb.sections[i - 1]!.along, `${seed} ${limb.name} ${s.level.name}`);
			}
	}
});

test('the job: names as in Measure, planes whose sections are the girths; what is no measure is refused by its name', () => {
	const done = runStandJob({
		kind: 'stand',
		measures: { stature: 1680, 'bust or chest girth': 930, 'wrist girth, left': 160, 'wrist girth': 164 }
	});
	assert.ok(done.ok);
	const { vertices, faces, levels } = done.value as {
		vertices: Point3[];
		faces: [number, number, number][];
		levels: {
			measure: string;
			side: string;
			plane: [number, number, number, number];
			girth: number;
			wanted: number;
			guessed: boolean;
		}[];
	};
	assert.ok(Math.abs(Math.max(...vertices.map((p) => p[1])) - 1680) < 0.01);
	const level = (measure: string, side = 'none') =>
		levels.find((l) => l.measure === measure && l.side === side)!;
	const chest = level(measureWords('chestGirth'));
	assert.deepEqual([chest.girth, chest.wanted, chest.guessed], [930, 930, false]);
	assert.deepEqual([level('wrist girth', 'left').wanted, level('wrist girth', 'right').wanted], [160, 164]);
	assert.equal(level('waist girth').guessed, true);
	// The plane of the chest cuts the arms as well: the section of the trunk alone is the girth.
	const [a, b, c, d] = chest.plane;
	const ofTrunk = limbSurface(standOf(() => null).limbs[0]!).vertices.length;
	const trunk = faces.filter((f) => f.every((i) => i < ofTrunk));
	near(sliced({ vertices, faces: trunk }, [a, b, c], d + 1e-3), 930, 1);
	const wrong = runStandJob({ kind: 'stand', measures: { 'tail girth': 300 } });
	assert.deepEqual(wrong.ok ? null : [wrong.problem.code, wrong.problem.path], [
		'noSuchMeasure',
		['measures', 'tail girth']
	]);
	const slipped = runStandJob({ kind: 'stand', measures: { stature: 168 } });
	assert.deepEqual(slipped.ok ? null : slipped.problem.code, 'tooSmall');
});
