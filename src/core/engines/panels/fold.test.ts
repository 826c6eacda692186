import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ADULT } from '$tests/support/adult.ts';
import type { PanelPlan } from '../../facts/panelPlan.ts';
import type { Piece } from '../../facts/piece.ts';
import { edgeLength, edgesOf, signedArea } from '../pattern/outline.ts';
import { checkPiece } from '../pattern/piece.ts';
import { panelsFlat } from './panels.ts';
import { PANEL_PRESETS } from './presets.ts';
import { skinOf } from './surface.ts';

const near = (a: number, b: number, by: number, what = '') =>
	assert.ok(Math.abs(a - b) <= by, `${what} ${a}, not ${b}`);
const SKIN = skinOf(ADULT, 'trunk', null, 10);
const laid = (plan: PanelPlan, fold: boolean): Piece[] => {
	const done = panelsFlat(SKIN, { ...plan, fold }, 0.1);
	assert.ok(done.ok, JSON.stringify(done));
	return done.value.pieces;
};
/** How long each seam is on a piece, mm, and where its notches stand along it from an end. */
function seamsOf(piece: Piece): Map<string, { long: number; notches: Map<string, number> }> {
	const found = new Map<string, { long: number; notches: Map<string, number> }>();
	edgesOf(piece.outline).forEach(({ from, edge }, i) => {
		if (edge.seam === undefined) return;
		const its = found.get(edge.seam) ?? { long: 0, notches: new Map<string, number>() };
		for (const m of piece.notches) if (m.edge === i) its.notches.set(m.pair, its.long + m.along);
		its.long += edgeLength(from, edge);
		found.set(edge.seam, its);
	});
	return found;
}

test('a breastplate of two plates on the fold: halves of the whole, whose seams and notches meet', () => {
	const { plan } = PANEL_PRESETS.breastplateTwo;
	const [whole, halves] = [laid(plan, false), laid(plan, true)];
	assert.equal(halves.length, 2);
	for (const [i, half] of halves.entries()) {
		assert.equal(checkPiece(half), null);
		assert.ok(half.foldEdge !== null, half.name);
		assert.equal(half.name, whole[i]!.name);
		near(
			2 * signedArea(half.outline),
			signedArea(whole[i]!.outline),
			0.002 * signedArea(whole[i]!.outline),
			half.name
		);
		// The fold lies along the grain.
		const { from, edge } = edgesOf(half.outline)[half.foldEdge]!;
		const angle = (Math.atan2(edge.to[1] - from[1], edge.to[0] - from[0]) * 180) / Math.PI;
		const off = (((angle - half.grain!) % 180) + 180) % 180;
		near(Math.min(off, 180 - off), 0, 0.2, 'fold against grain');
		assert.equal(edge.seam, undefined);
		assert.equal(half.notches.filter((m) => m.edge === half.foldEdge).length, 0);
	}
	const [front, back] = halves.map(seamsOf) as [ReturnType<typeof seamsOf>, ReturnType<typeof seamsOf>];
	assert.ok(front.size > 0);
	assert.deepEqual([...front.keys()].toSorted(), [...back.keys()].toSorted());
	for (const [name, { long, notches }] of front) {
		const other = back.get(name)!;
		near(other.long, long, Math.max(1, 0.005 * long), `seam ${name}`);
		assert.deepEqual([...notches.keys()].toSorted(), [...other.notches.keys()].toSorted());
		// Seen from the other side an edge runs the other way.
		for (const [pair, at] of notches) near(other.notches.get(pair)!, long - at, 2, `notch ${pair}`);
	}
});

test('beside halves that are cut by themselves: the right one has the seam of the left, notch for notch', () => {
	const pieces = laid(PANEL_PRESETS.bodiceSide.plan, true);
	assert.deepEqual(pieces.map((p) => p.foldEdge !== null), [true, false, false]); // prettier-ignore
	const [front, left, right] = pieces.map(seamsOf) as ReturnType<typeof seamsOf>[];
	for (const [name, { long, notches }] of front!)
		for (const side of [left!, right!]) {
			near(side.get(name)!.long, long, Math.max(1, 0.005 * long), `seam ${name}`);
			assert.deepEqual([...side.get(name)!.notches.keys()].toSorted(), [...notches.keys()].toSorted());
		}
	// On both sides the same notch stands at the same place: their edges run the other way round.
	for (const [name, { long, notches }] of left!)
		if (front!.has(name))
			for (const [pair, at] of notches)
				near(right!.get(name)!.notches.get(pair)!, long - at, 2, `notch ${pair}`);
});

test('what is not symmetric stays whole: mirrored pairs, a dart or an eased seam on one side only', () => {
	const pairs = laid(PANEL_PRESETS.bodicePrincess.plan, true);
	assert.ok(pairs.every((p) => p.foldEdge === null));
	const { plan } = PANEL_PRESETS.breastplateTwo;
	const dart = { panel: 0, from: { level: 6, turn: 50 }, tip: { level: 5, turn: 55 } };
	const darted = laid({ ...plan, darts: [dart] }, true);
	assert.deepEqual(darted.map((p) => p.foldEdge !== null), [false, true]); // prettier-ignore
	/** The left side seam of the front, so much eased in, and the right one too where asked. */
	const eased = (both: boolean): PanelPlan => ({
		...plan,
		panels: plan.panels.map((p, i) => {
			const { points } = p;
			const isSide = (k: number) =>
				[points[k]!, points[(k + 1) % points.length]!].every((c) => c.turn === 0 || (both && c.turn === 180));
			const onOne = (k: number) => points[k]!.turn === points[(k + 1) % points.length]!.turn;
			return i === 0
				? { ...p, points: points.map((q, k) => (isSide(k) && onOne(k) ? { ...q, eases: 0.01 } : q)) }
				: p;
		})
	});
	assert.equal(laid(eased(false), true)[0]!.foldEdge, null);
	assert.notEqual(laid(eased(true), true)[0]!.foldEdge, null);
});
