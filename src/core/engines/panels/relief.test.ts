import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ADULT } from '$tests/support/adult.ts';
import { signedArea } from '../pattern/outline.ts';
import type { PanelPlan } from '../../facts/panelPlan.ts';
import { panelsFlat, type PanelsFlat } from './panels.ts';
import { PANEL_PRESETS } from './presets.ts';
import { reliefs, type ReliefKind } from './relief.ts';
import { skinOf } from './surface.ts';

const near = (a: number, b: number, by: number, what = '') =>
	assert.ok(Math.abs(a - b) <= by, `${what} ${a}, not ${b}`);

const SKIN = skinOf(ADULT, 'trunk', null, 10);
const LIMIT = 0.03;
const laid = (plan: PanelPlan): PanelsFlat => {
	const done = panelsFlat(SKIN, plan, LIMIT);
	assert.ok(done.ok, JSON.stringify(done));
	return done.value;
};
const area = (its: PanelsFlat, of?: (panel: number) => boolean) =>
	its.pieces.reduce(
		(sum, p, i) => sum + (!of || of(its.panelOf[i]!) ? Math.abs(signedArea(p.outline)) : 0),
		0
	);
/** The most that any piece of some panels is pulled. */
const most = (its: PanelsFlat, of: (panel: number) => boolean) =>
	Math.max(...its.strains.map((s, i) => (of(its.panelOf[i]!) ? s.max : 0)));

test('a dart, a gusset or a seam takes strain from a breastplate beyond what cold foam gives: what is told is what it comes to', () => {
	const { plan } = PANEL_PRESETS.breastplateTwo;
	const was = laid(plan);
	assert.ok(was.strains[0]!.max > LIMIT);
	const shares: number[] = [];
	const found = reliefs(SKIN, plan, 0, LIMIT, (share) => shares.push(share));
	assert.ok(shares.length > 20 && shares.every((s, i) => s < 1 && s >= (shares[i - 1] ?? 0)));
	assert.deepEqual(
		found.map((r) => r.kind).toSorted(),
		['dart', 'gusset', 'seam'],
		JSON.stringify(found.map((r) => [r.kind, r.after]))
	);
	assert.ok(found[0]!.after.max < 0.75 * found[0]!.before.max);
	const within = found.map((r) => r.after.max <= LIMIT * 1.001);
	assert.deepEqual(
		within,
		within.toSorted((a, b) => Number(b) - Number(a)),
		'what is within the limit first'
	);
	for (const [i, relief] of found.entries()) {
		const before = found[i - 1];
		if (before && within[i]) assert.ok(relief.after.seams >= before.after.seams, 'the least to join first');
		else if (before && !within[i - 1]) assert.ok(relief.after.max >= before.after.max);
		const after = laid(relief.plan);
		// Beside its neighbours too, to whose seams it has to be evened.
		const parts = (panel: number) => panel === 0 || panel === 2;
		near(most(after, parts), relief.after.max, 0.006, relief.kind);
		const own = relief.kind === 'dart' ? 2 : 3;
		assert.equal(after.pieces.length, own, relief.kind);
		assert.equal(relief.after.pieces, own - 1);
		// All seams: those to the back plate as before, and those in the front.
		near(
			after.seamLength - was.seamLength,
			relief.after.seams - relief.before.seams,
			2,
			`${relief.kind}: seams`
		);
		// The same surface, in other pieces.
		near(area(after, parts), area(was, parts), 0.01 * area(was, parts), `${relief.kind}: area`);
	}
});

test('what parts a panel at a seam has its corner on both sides of it: they stay of one length', () => {
	const { plan } = PANEL_PRESETS.breastplateTwo;
	const seam = reliefs(SKIN, plan, 0, LIMIT).find((r) => r.kind === 'seam')!;
	const corners = (its: PanelPlan, panel: number) => its.panels[panel]!.points.length;
	// Both halves have the two ends of the line, the place it goes over, and together every corner that was there.
	const ends = corners(seam.plan, 0) + corners(seam.plan, 2) - corners(plan, 0);
	assert.ok(ends >= 4 && ends <= 6, String(ends));
	const after = laid(seam.plan);
	const sides = new Map<string, number[]>();
	for (const p of after.pieces)
		for (const [i, edge] of p.outline.edges.entries())
			if (edge.seam) {
				const from = i ? p.outline.edges[i - 1]!.to : p.outline.start;
				const long = Math.hypot(edge.to[0] - from[0], edge.to[1] - from[1]);
				const key = `${edge.seam} ${p.name}`;
				sides.set(key, [(sides.get(key)?.[0] ?? 0) + long]);
			}
	const bySeam = new Map<string, number[]>();
	for (const [key, [long]] of sides) {
		const name = key.split(' ')[0]!;
		bySeam.set(name, [...(bySeam.get(name) ?? []), long!]);
	}
	assert.ok(bySeam.size > 0);
	for (const [name, lengths] of bySeam) {
		assert.equal(lengths.length, 2, `seam ${name} joins two pieces`);
		near(lengths[0]!, lengths[1]!, Math.max(1, 0.005 * lengths[0]!), `seam ${name}`);
	}
});

test('round a waist, a saddle: a gusset helps there, opened on the border, and each piece is one without holes', () => {
	const kinds: ReliefKind[] = [];
	const points = [
		[4.6, 30],
		[4.6, -60],
		[7.3, -60],
		[7.3, 30]
	] as const;
	const plan: PanelPlan = {
		limb: 'trunk',
		panels: [
			{ name: 'side', points: points.map(([level, turn]) => ({ level, turn, runs: 'even' as const })) }
		],
		darts: [],
		ease: [],
		fold: false
	};
	const before = laid(plan);
	for (const relief of reliefs(SKIN, plan, 0, 0.005)) {
		kinds.push(relief.kind);
		const after = laid(relief.plan);
		assert.ok(after.pieces.every((p) => p.holes.length === 0));
		assert.ok(after.flattened.flats.every(({ patch }) => patch.euler === 1));
		near(area(after), area(before), 0.01 * area(before), relief.kind);
		if (relief.kind === 'gusset') {
			assert.equal(relief.plan.panels[1]!.name, 'gusset in side');
			const [side, gusset] = [0, 1].map((n) => area(after, (panel) => panel === n)) as [number, number];
			assert.ok(gusset < 0.3 * side, `${gusset} of ${side}`);
		}
	}
	assert.ok(kinds.includes('gusset'), kinds.join(' '));
});

test('a dart whose tip is outside of its panel is refused in words', () => {
	const outside = panelsFlat(
		SKIN,
		{
			...PANEL_PRESETS.breastplateTwo.plan,
			darts: [{ panel: 0, from: { level: 6, turn: 90 }, tip: { level: 6, turn: 300 } }]
		},
		LIMIT
	);
	assert.ok(!outside.ok && outside.problem.code === 'dartOutside');
});
