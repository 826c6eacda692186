import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ADULT, MEASURES } from '$tests/support/adult.ts';
import type { PanelPlan } from '../../facts/panelPlan.ts';
import { seeded } from '../../units/random.ts';
import { type Limb, type Stand, standOf } from '../stand/form.ts';
import { edgeLength, edgesOf, polygon, signedArea } from '../pattern/outline.ts';
import { panelsFlat } from './panels.ts';
import { PANEL_PRESET_KEYS, PANEL_PRESETS } from './presets.ts';
import { edgePoints, skinOf } from './surface.ts';

const near = (a: number, b: number, by: number, what = '') =>
	assert.ok(Math.abs(a - b) <= by, `${what} ${a}, not ${b}`);

/** A limb that is round and straight: so wide at the top, so wide at the end, so long. */
function roundLimb(top: number, end: number, long: number): Stand {
	const section = (along: number, r: number): Limb['sections'][number] => ({
		level: { name: 'round', measure: null, at: 0, girth: 0, breadthToDepth: 1 },
		along,
		girth: 2 * Math.PI * r,
		wide: r,
		deep: r,
		guessed: false
	});
	const limb: Limb = {
		name: 'arm',
		side: 'left',
		begins: [0, 1000, 0],
		axis: [0, -1, 0],
		across: [1, 0, 0],
		forward: [0, 0, 1],
		// Straight in between: the smooth line through three in one line is that line.
		sections: [0, 0.5, 1].map((s) => section(s * long, top + (end - top) * s)),
		ends: [0, 0],
		rests: false
	};
	return { stature: 1000, limbs: [limb], lengths: [], contradictions: [] };
}
const tube: PanelPlan = {
	limb: 'arm',
	panels: [
		{
			name: 'tube',
			points: [
				{ level: 0, turn: -180, runs: 'even' },
				{ level: 0, turn: 180, runs: 'even' },
				{ level: 2, turn: 180, runs: 'even' },
				{ level: 2, turn: -180, runs: 'even' }
			]
		}
	],
	darts: [],
	ease: [],
	fold: false
};

test('a panel round a straight limb is its rectangle, within 0.1 %, and out by ease and thickness', () => {
	for (const out of [0, 6]) {
		const done = panelsFlat(skinOf(roundLimb(50, 50, 300), 'arm', 'left', out), tube, 0.03);
		assert.ok(done.ok);
		const [piece] = done.value.pieces;
		assert.equal(done.value.pieces.length, 1);
		const girth = 2 * Math.PI * (50 + out);
		near(signedArea(piece!.outline) / (girth * 300), 1, 0.001);
		near(done.value.seamLength, 300, 0.3);
		const round = edgesOf(piece!.outline)
			.filter(({ edge }) => !edge.seam)
			.reduce((sum, e) => sum + edgeLength(e.from, e.edge), 0);
		near(round / (2 * girth), 1, 0.001);
		assert.ok(done.value.strains[0]!.max < 1e-3);
	}
});

test('shortest ways on a cylinder are straight in its unrolled rectangle', () => {
	const skin = skinOf(roundLimb(50, 50, 300), 'arm', 'left', 0);
	const [a, b] = [
		{ level: 0.2, turn: 10 },
		{ level: 1.7, turn: 130 }
	];
	const way = edgePoints(skin, a, b, 'shortest', 15).map((p) => skin.at(p));
	const long = way.slice(1).reduce((sum, p, i) => sum + Math.hypot(...p.map((v, k) => v - way[i]![k]!)), 0);
	near(long / Math.hypot(225, (50 * 120 * Math.PI) / 180), 1, 0.002);
	// From the other end the same points.
	assert.deepEqual(edgePoints(skin, b, a, 'shortest', 15).reverse(), edgePoints(skin, a, b, 'shortest', 15));
	const again = skin.pointAt(skin.at({ level: 1.3, turn: 77 }));
	near(again.level, 1.3, 1e-6);
	near(again.turn, 77, 1e-6);
});

test('every preset lies flat on an adult: as many pieces as panels, sides of seams alike, notches in pairs, nothing folded', () => {
	for (const key of PANEL_PRESET_KEYS) {
		const preset = PANEL_PRESETS[key];
		for (const side of preset.limb === 'trunk' ? [null] : (['left', 'right'] as const)) {
			const skin = skinOf(ADULT, preset.limb, side, 10);
			const done = panelsFlat(skin, preset.plan, 0.1);
			assert.ok(done.ok, key);
			const { pieces, flattened, panelOf } = done.value;
			assert.equal(pieces.length, preset.plan.panels.length, key);
			assert.equal(new Set(panelOf).size, pieces.length);
			assert.equal(flattened.overlapping, 0, key);
			for (const { a, b, on } of flattened.lengths)
				assert.ok(Math.abs(a - b) <= Math.max(1, 0.005 * on), `${key}: ${a} and ${b}`);
			for (const flat of flattened.flats) assert.equal(flat.strains().folded, 0);
			for (const piece of pieces) assert.ok(signedArea(piece.outline) > 0);
			// What is drawn with its strain is the piece: faces that fill its outline, the worst as it is told.
			done.value.laid.forEach(({ triangles, strains }, i) => {
				const filled = triangles.reduce((sum, t) => sum + signedArea(polygon(t)), 0);
				near(filled / signedArea(pieces[i]!.outline), 1, 1e-6);
				near(Math.max(...strains), done.value.strains[i]!.max, 1e-9);
			});
			const pairs = new Map<string, number>();
			for (const { notches } of pieces)
				for (const n of notches) pairs.set(n.pair, (pairs.get(n.pair) ?? 0) + 1);
			for (const [pair, times] of pairs) assert.equal(times, 2, `${key} ${pair}`);
		}
	}
});

test('mirrored panels are mirror images, and the right limb that of the left', () => {
	const areas = (its: ReturnType<typeof panelsFlat>) => {
		assert.ok(its.ok);
		return its.value.pieces.map((p) => signedArea(p.outline));
	};
	const skin = skinOf(ADULT, 'trunk', null, 10);
	const [frontLeft, frontRight, backLeft, backRight] = areas(
		panelsFlat(skin, PANEL_PRESETS.breastplateFour.plan, 0.1)
	) as [number, number, number, number];
	near(frontLeft / frontRight, 1, 0.005);
	near(backLeft / backRight, 1, 0.005);
	const whole = areas(panelsFlat(skin, PANEL_PRESETS.breastplateTwo.plan, 0.1));
	near((frontLeft + frontRight) / whole[0]!, 1, 0.02);
	const arm = (side: 'left' | 'right') =>
		areas(panelsFlat(skinOf(ADULT, 'arm', side, 10), PANEL_PRESETS.pauldron.plan, 0.1))[0]!;
	near(arm('left') / arm('right'), 1, 0.005);
});

test('a panel that crosses itself, or runs off its limb, is refused by its name', () => {
	const skin = skinOf(ADULT, 'trunk', null, 10);
	const panel = (points: [number, number][]): PanelPlan => ({
		limb: 'trunk',
		panels: [{ name: 'odd', points: points.map(([level, turn]) => ({ level, turn, runs: 'even' })) }],
		darts: [],
		ease: [],
		fold: false
	});
	const code = (points: [number, number][]) => {
		const done = panelsFlat(skin, panel(points), 0.1);
		return done.ok ? '' : done.problem.code;
	};
	assert.equal(code([[4, 20], [6, 120], [6, 20], [4, 120]]), 'panelCrosses'); // prettier-ignore
	assert.equal(code([[4, 20], [4, 120], [11, 60]]), 'panelOff'); // prettier-ignore
});

test('panels of other wearers: the same plan moves with the measures, and still lies flat', () => {
	const random = seeded(5);
	for (let i = 0; i < 5; i++) {
		const stand = standOf((key) => (MEASURES[key] ? MEASURES[key]! * (0.85 + 0.4 * random()) : null));
		const done = panelsFlat(skinOf(stand, 'trunk', null, 12), PANEL_PRESETS.bodicePrincess.plan, 0.04);
		assert.ok(done.ok);
		assert.equal(done.value.pieces.length, 8);
	}
	const width = (chestGirth: number) => {
		const stand = standOf((key) => (key === 'chestGirth' ? chestGirth : (MEASURES[key] ?? null)));
		const done = panelsFlat(skinOf(stand, 'trunk', null, 0), PANEL_PRESETS.backPlate.plan, 0.1);
		assert.ok(done.ok);
		return signedArea(done.value.pieces[0]!.outline);
	};
	assert.ok(width(1030) > width(930) * 1.03);
});

test('ease at a level of its own: so much rounder there by hand, as the panel has it elsewhere', () => {
	// By hand: a tube of 50 mm radius, 40 mm of ease at its middle level and none at its ends: 354.16 mm round there, 314.16 at both ends.
	const stand = roundLimb(50, 50, 300);
	const outs = (level: number) => (level === 1 ? 40 : 0) / (2 * Math.PI);
	const skin = skinOf(stand, 'arm', 'left', outs);
	const roundAt = (level: number) => {
		let sum = 0;
		for (let i = 0; i < 720; i++) {
			const [p, q] = [skin.at({ level, turn: i / 2 }), skin.at({ level, turn: (i + 1) / 2 })];
			sum += Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
		}
		return sum;
	};
	near(roundAt(1), 354.16, 0.05);
	near(roundAt(0), 314.16, 0.05);
	near(roundAt(2), 314.16, 0.05);
	assert.ok(roundAt(0.5) > 325 && roundAt(0.5) < 345);
	const back = skin.pointAt(skin.at({ level: 0.7, turn: 40 }));
	near(back.level, 0.7, 1e-6);
	near(back.turn, 40, 1e-6);
});

test('a seam eased in on purpose: 4 % of 300 mm by hand, the other side as it was, notches at the same shares', () => {
	// Two halves of a tube, joined down both sides: each seam is 300 mm on the surface.
	const stand = roundLimb(60, 60, 300);
	const skin = skinOf(stand, 'arm', 'left', 0);
	const half = (name: string, from: number, eases?: number): PanelPlan['panels'][number] => ({
		name,
		points: [
			{ level: 0, turn: from, runs: 'even' },
			{ level: 0, turn: from + 180, runs: 'even', ...(eases === undefined ? {} : { eases }) },
			{ level: 2, turn: from + 180, runs: 'even' },
			{ level: 2, turn: from, runs: 'even' }
		]
	});
	const plan: PanelPlan = {
		limb: 'arm',
		panels: [half('front', 0, 0.04), half('back', 180)],
		darts: [],
		ease: [],
		fold: false
	};
	const done = panelsFlat(skin, plan, 0.1);
	assert.ok(done.ok);
	const { pieces, flattened } = done.value;
	const sideOf = (name: string, seam: string) => {
		const piece = pieces.find((p) => p.name === name)!;
		const edges = edgesOf(piece.outline).map((e, i) => ({ ...e, i, long: edgeLength(e.from, e.edge) }));
		const its = edges.filter((e) => e.edge.seam === seam);
		const before = (i: number) => its.filter((e) => e.i < i).reduce((sum, e) => sum + e.long, 0);
		const long = its.reduce((sum, e) => sum + e.long, 0);
		const notches = piece.notches
			.filter((m) => its.some((e) => e.i === m.edge))
			.map((m) => (before(m.edge) + m.along) / long);
		return { long, notches: notches.toSorted((a, b) => a - b) };
	};
	const eased = flattened.lengths.findIndex((l) => Math.abs(l.wanted - 1) > 0.01);
	const plain = flattened.lengths.findIndex((l) => Math.abs(l.wanted - 1) < 1e-9);
	assert.ok(eased >= 0 && plain >= 0);
	near(sideOf('front', String(eased + 1)).long, 312, 1.5, 'eased side');
	near(sideOf('back', String(eased + 1)).long, 300, 1.5, 'what it meets');
	near(
		sideOf('front', String(plain + 1)).long,
		sideOf('back', String(plain + 1)).long,
		1.5,
		'the other seam'
	);
	const [a, b] = ['front', 'back'].map((name) => sideOf(name, String(eased + 1)).notches) as [
		number[],
		number[]
	];
	assert.ok(a.length > 0 && a.length === b.length);
	// Seen from the other side an edge runs the other way.
	a.forEach((share, i) => near(share, 1 - b.at(-1 - i)!, 0.01, 'notch'));
});
