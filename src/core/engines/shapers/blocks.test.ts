import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import type { Piece } from '../../facts/piece.ts';
import { distance, type Point } from '../../units/point.ts';
import { say } from '../../units/problem.ts';
import { edgeLength, edgesOf, flatten } from '../pattern/outline.ts';
import { runShaper, type Shaped } from '../pattern/shaper.ts';
import { SHAPERS } from './shapers.ts';

/**
 * Blocks measured on the pieces that come out, sewn up on paper: nothing of how they are drawn enters here, only edges, where a level
 * line crosses a piece, and what the wearer's tape says.
 */
type Block = 'bodice' | 'sleeve' | 'coat' | 'hood' | 'knickers' | 'leggings';
type Values = Record<string, number>;

const shape = (key: Block, values: Values): Shaped => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(done.ok, done.ok ? '' : `${key}: ${say(done.problem)} ${JSON.stringify(values)}`);
	return done.value;
};
const near = (a: number, b: number, by: number, what: string) =>
	assert.ok(Math.abs(a - b) <= by, `${what}: ${a}, not ${b}`);
const named = ({ pieces }: Shaped, start: string): Piece[] => {
	const found = pieces.filter((p) => p.name.startsWith(start));
	assert.ok(found.length, start);
	return found;
};
/** How often it is there when it is sewn up. */
const times = (piece: Piece) => piece.quantity * (piece.foldEdge === null ? 1 : 2);
const lengthsOf = (piece: Piece, seam: string): number[] =>
	edgesOf(piece.outline).flatMap(({ from, edge }) => (edge.seam === seam ? [edgeLength(from, edge)] : []));
const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);
/** All edges of a seam, of all pieces as often as they are there. */
const sewn = (pieces: readonly Piece[], seam: string): number =>
	sum(pieces.map((p) => times(p) * sum(lengthsOf(p, seam))));

/** How much of a level line lies in a piece. */
function across(piece: Piece, y: number): number {
	const { points } = flatten(piece.outline, 0.005);
	const at = points.flatMap((a, i): number[] => {
		const b = points[(i + 1) % points.length]!;
		return a[1] > y !== b[1] > y ? [a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0])] : [];
	});
	at.sort((a, b) => a - b);
	return at.reduce((total, x, i) => total + (i % 2 ? x : -x), 0);
}
const round = (pieces: readonly Piece[], y: number) => sum(pieces.map((p) => times(p) * across(p, y)));

/** The measures of one body, large and small together, and a little apart: what blocks are drawn for. */
function bodies(key: Block, count: number): Values[] {
	const next = seeded(7);
	return Array.from({ length: count }, () => {
		const body = 0.85 + 0.4 * next();
		return Object.fromEntries(
			Object.entries(SHAPERS[key].params)
				.filter(([, p]) => p.measure)
				.map(([name, p]) => [name, p.value * body * (0.97 + 0.06 * next())])
		);
	});
}
/** Those of them that can be drawn; most must be. */
function drawn(key: Block, values: Values, count = 24): { its: Values; shaped: Shaped }[] {
	const all = bodies(key, count).flatMap((body) => {
		const its = { ...body, ...values };
		const done = runShaper(SHAPERS[key], its);
		return done.ok ? [{ its, shaped: done.value }] : [];
	});
	assert.ok(all.length >= count * 0.6, `${key}: ${all.length} of ${count}`);
	return all;
}

test('a bodice is as wide at waist and chest as the tape says with its ease, however it is shaped', () => {
	for (const shaping of [0, 1, 2, 3])
		for (const { its, shaped } of drawn('bodice', { shaping, chestEase: 60, waistEase: 30, short: 20 })) {
			const what = `shaping ${shaping}`;
			near(sewn(shaped.pieces, 'waist'), its.waist! + 30, 1e-6, `waist, ${what}`);
			// Round at the bust point, where the back is as wide as at the ends of its darts: just below, where no dart is open any more.
			const [front, back] = [named(shaped, 'front'), named(shaped, 'back')];
			const bust = its.frontWaist! - its.neckToBust!;
			const side = Math.max(...back.flatMap((p) => flatten(p.outline).points.map((q) => q[0])));
			const level = Math.min(bust, ...back.flatMap((p) => topOfSide(p, side)));
			// A dart at the side begins no higher than that; a seam is open up to the bust point.
			const inFront = shaping < 2 ? level : bust;
			near(round(front, inFront - 0.01) + round(back, level - 0.01), its.chest! + 60, 1, `chest, ${what}`);
		}
});
/** Where the side stands upright below the underarm, from its lower end. */
const topOfSide = (piece: Piece, x: number): number[] =>
	edgesOf(piece.outline).flatMap(({ from, edge }) =>
		edge.seam === 'side' && edge.kind === 'line' && Math.abs(edge.to[0] - x) < 1e-6 ? [from[1]] : []
	);

test('darts have legs of one length, and their angles follow from the measures: worked by hand', () => {
	// Chest 960 and waist 720: 60 of each quarter, of which the side takes 18 (30 %) and the dart 42. The bust point is 430 − 250 =
	// 180 above the waist and the dart ends 20 before it: 2 × arctan(21 ÷ 160) = 14.95°.
	const its = {
		chest: 960,
		chestEase: 0,
		waist: 720,
		waistEase: 0,
		frontMore: 0,
		frontWaist: 430,
		neckToBust: 250,
		bustApart: 180,
		backWaist: 400,
		short: 20,
		shaping: 0
	};
	const darts = (
		piece: Piece,
		seam: string
	): { legs: [number, number]; degrees: number; mouth: [Point, Point] }[] => {
		const edges = edgesOf(piece.outline).filter((e) => e.edge.seam === seam);
		return edges.flatMap((first, i) => {
			const second = edges[i + 1];
			if (!second || distance(first.edge.to, second.from) > 1e-9) return [];
			const [a, tip, b] = [first.from, second.from, second.edge.to];
			const turn = (p: Point) => Math.atan2(p[1] - tip[1], p[0] - tip[0]);
			const between = Math.abs(((turn(b) - turn(a)) * 180) / Math.PI) % 360;
			return [
				{
					legs: [distance(a, tip), distance(tip, b)] as [number, number],
					degrees: Math.min(between, 360 - between),
					mouth: [a, b] as [Point, Point]
				}
			];
		});
	};
	const sideDart = shape('bodice', its);
	const [front, back] = [named(sideDart, 'front')[0]!, named(sideDart, 'back')[0]!];
	const [waist] = darts(front, 'dart at the waist, front');
	near(waist!.degrees, (2 * Math.atan(21 / 160) * 180) / Math.PI, 1e-6, 'at the waist');
	near(waist!.degrees, 14.95, 0.005, 'at the waist, by hand');
	near(distance(...waist!.mouth), 42, 1e-6, 'taken in');

	// Side of the neck: 180 + √(250² − (neck − 90)²) above the waist in front; 400 and 0.3 of the neck's half-width behind.
	const topOf = (p: Piece) => Math.max(...flatten(p.outline).points.map((q) => q[1]));
	const neckHalf = edgesOf(back.outline).find((e) => e.edge.seam === 'neckline')!.from[0];
	near(topOf(front), 180 + Math.sqrt(250 ** 2 - (neckHalf - 90) ** 2), 1e-6, 'front neck');
	near(topOf(back), 400 + 0.3 * neckHalf, 1e-6, 'back neck');
	const raised = topOf(front) - topOf(back);
	// So much higher must the underarm lie: turned about the bust point by an angle whose sines differ by that over the reach.
	const under = (p: Piece) => edgesOf(p.outline).find((e) => e.edge.seam === 'armhole')!.from;
	near(under(front)[1] - under(back)[1], raised, 1e-6, 'underarms');
	const up = under(back)[1] - 180;
	const reach = Math.hypot(240 - 90, up);
	const angle = Math.asin((up + raised) / reach) - Math.asin(up / reach);
	const [side] = darts(front, 'dart at the side');
	const [a, b] = side!.mouth;
	const seen = Math.atan2(b[1] - 180, b[0] - 90) - Math.atan2(a[1] - 180, a[0] - 90);
	near(seen, angle, 1e-9, 'opened about the bust point');

	for (const shaping of [0, 1, 2, 3])
		for (const { shaped } of drawn('bodice', { shaping }, 12))
			for (const piece of shaped.pieces)
				for (const seam of new Set(piece.outline.edges.flatMap((e) => e.seam ?? [])))
					if (seam.startsWith('dart'))
						for (const dart of darts(piece, seam)) near(dart.legs[0], dart.legs[1], 1e-6, seam);
	for (const { shaped } of drawn('knickers', {}, 12))
		for (const which of ['front', 'back'] as const)
			for (const dart of darts(named(shaped, which)[0]!, `dart, ${which}`))
				near(dart.legs[0], dart.legs[1], 1e-6, which);
	// Moved into the shoulder, the front opens there by the same angle about the same point: nothing is lost.
	const shoulder = shape('bodice', { ...its, shaping: 1 });
	const [moved] = darts(named(shoulder, 'front')[0]!, 'dart in the shoulder, front');
	const [c, d] = moved!.mouth;
	const opened = Math.atan2(d[1] - 180, d[0] - 90) - Math.atan2(c[1] - 180, c[0] - 90);
	near(opened, angle, 1e-9, 'in the shoulder');
});

test('armholes come to the armscye and its ease, and each half of a cap to its half of the armhole', () => {
	for (const key of ['bodice', 'coat'] as const)
		for (const { its, shaped } of drawn(key, { sleeves: 1, armholeEase: 50, capEase: 5 })) {
			const body = shaped.pieces.filter((p) => p.name !== 'sleeve');
			near(sewn(body, 'armhole'), 2 * (its.armscye! + 50), 1e-6, 'both armholes');
			const [sleeve] = named(shaped, 'sleeve');
			const [front, back] = lengthsOf(sleeve!, 'armhole');
			const half = (start: string) => sewn(named(shaped, start), 'armhole') / 2;
			near(front!, half('front') * 1.05, 1e-6, 'front of the cap');
			near(back!, half('back') * 1.05, 1e-6, 'back of the cap');
			const [left, right] = lengthsOf(sleeve!, 'underarm');
			near(left!, right!, 1e-6, 'underarm seam');
			near(across(sleeve!, -0.001), its.arm! + 60, 0.01, 'upper arm');
			// Marks: as far from the underarm on the cap as on the armhole, and the ease.
			const mark = sleeve!.notches.find((n) => n.pair === 'armhole, front')!;
			const piece = named(shaped, 'front').find((p) => p.notches.some((n) => n.pair === 'armhole, front'))!;
			const from = piece.notches.find((n) => n.pair === 'armhole, front')!;
			const before = edgesOf(piece.outline)[from.edge - 1]!;
			near(mark.along, edgeLength(before.from, before.edge) * 1.05, 1e-6, 'marks');
		}
	const alone = shape('sleeve', { armscye: 420, armholeEase: 30, frontShare: 48, capEase: 4 });
	const [front, back] = lengthsOf(alone.pieces[0]!, 'armhole');
	near(front!, 450 * 0.48 * 1.04, 1e-6, 'front');
	near(back!, 450 * 0.52 * 1.04, 1e-6, 'back');
});

test('shoulders, sides, necklines, collars and hoods pair', () => {
	for (const shaping of [0, 1, 2, 3])
		for (const { its, shaped } of drawn('bodice', { shaping, neckEase: 20 }, 12)) {
			const [front, back] = [named(shaped, 'front'), named(shaped, 'back')];
			near(sewn(front, 'shoulder'), sewn(back, 'shoulder'), 1e-6, 'shoulders');
			near(sewn(front, 'shoulder') / 2, its.shoulder!, 1e-6, 'shoulder');
			near(sewn(front, 'side'), sewn(back, 'side'), 1e-6, 'sides');
			near(sewn(shaped.pieces, 'neckline'), its.neck! + 20, 1e-6, 'neckline');
		}
	for (const top of [1, 2, 3])
		for (const { its, shaped } of drawn('coat', { top, neckEase: 30, chestEase: 100, hipEase: 90 }, 12)) {
			const body = shaped.pieces.filter((p) => p.name === 'front' || p.name === 'back');
			const rest = shaped.pieces.filter((p) => !body.includes(p));
			near(sewn(body, 'neckline'), its.neck! + 30, 1e-6, 'neckline');
			near(sewn(rest, 'neckline'), its.neck! + 30, 1e-6, top === 3 ? 'hood' : 'collar');
			near(sewn(named(shaped, 'front'), 'side'), sewn(named(shaped, 'back'), 'side'), 1e-6, 'sides');
			near(sewn(named(shaped, 'front'), 'shoulder'), 2 * its.shoulder!, 1e-6, 'shoulders');
			near(round(body, -its.waistToHip! + 1e-6), its.hip! + 90, 1, 'hips');
			const under = edgesOf(body[0]!.outline).find((e) => e.edge.seam === 'armhole')!.from;
			near(round(body, under[1] - 1e-6), its.chest! + 100, 1, 'chest');
		}
	// (570 + 60 − 150) ÷ 2 = 240 from the face to the back, 230 + 110 = 340 high, half of 370 + 30 at the neck.
	const [half] = shape('hood', {
		head: 570,
		headEase: 60,
		face: 150,
		headLength: 230,
		headRoom: 110,
		neck: 370,
		neckEase: 30
	}).pieces;
	const { points } = flatten(half!.outline, 0.005);
	near(Math.max(...points.map((p) => p[0])), 240, 1e-6, 'deep');
	near(Math.max(...points.map((p) => p[1])), 340, 1e-6, 'high');
	near(sum(lengthsOf(half!, 'neckline')), 200, 1e-6, 'neck edge');
});

test('knickers and leggings: waist, hips, legs and the crotch seam are as measured, and inside seams pair', () => {
	for (const opening of [1, 2])
		for (const { its, shaped } of drawn('knickers', {
			opening,
			waistEase: 10,
			hipEase: 50,
			crotchEase: 25,
			thighEase: 100
		})) {
			const legs = shaped.pieces.filter((p) => p.name === 'front' || p.name === 'back');
			near(sewn(legs, 'waist'), its.waist! + 10, 1e-6, 'waist');
			near(sewn(named(shaped, 'waistband'), 'waist'), its.waist! + 10, 1e-6, 'waistband');
			const rise = its.outside! - its.inside! + 15;
			near(round(legs, rise - its.waistToHip!), its.hip! + 50, 1, 'hips');
			near(round(legs, -50) / 2, its.thigh! + 100, 1, 'thigh');
			const [front, back] = legs as [Piece, Piece];
			near(sum(lengthsOf(front, 'inside')), sum(lengthsOf(back, 'inside')), 1e-6, 'inside');
			near(sum(lengthsOf(front, 'side')), sum(lengthsOf(back, 'side')), 1e-6, 'sides');
			const opened = opening === 1 ? 'zip' : 'opening';
			const crotch = ['crotch, front', 'crotch, back', opened].map((s) =>
				sum(legs.flatMap((p) => lengthsOf(p, s)))
			);
			near(sum(crotch), its.crotch! + 25, 1e-6, 'crotch');
		}
	// Half of the stretch is worn: 50 % across leaves 1 ÷ 1.25, 20 % along 1 ÷ 1.1.
	const worn = { stretchAcross: 50, stretchAlong: 20, stretchUsed: 0.5, top: 1 };
	for (const { its, shaped } of drawn('leggings', worn)) {
		const [leg] = shaped.pieces as [Piece];
		const rise = (its.outside! - its.inside!) / 1.1;
		const hipLevel = rise - its.waistToHip! / 1.1;
		near(2 * across(leg, hipLevel - 1e-6) * 1.25, its.hip!, 1, 'hips');
		near(across(leg, (-0.58 * its.inside!) / 1.1) * 1.25, its.calf!, 1, 'calf');
		const [front, back] = ['crotch, front', 'crotch, back'].map((s) => sum(lengthsOf(leg, s)));
		near((front! + back!) * 1.1, its.crotch!, 1e-6, 'crotch');
		// The waist lies between dart and middle, in front and behind, on both legs.
		const edges = edgesOf(leg.outline).filter((e) => e.edge.allowance === 30);
		near(2 * sum(edges.map((e) => edgeLength(e.from, e.edge))) * 1.25, its.waist!, 1e-6, 'waist');
		const inside = edgesOf(leg.outline).filter((e) => e.edge.seam === 'inside');
		const [up, down] = [inside.filter((e) => e.edge.to[0] > 0), inside.filter((e) => e.edge.to[0] < 0)];
		const long = (run: typeof inside) => sum(run.map((e) => edgeLength(e.from, e.edge)));
		near(long(up), long(down), 1e-6, 'inside');
	}
});

test('what no body can have is refused at its measure', () => {
	const code = (key: Block, values: Values) => {
		const done = runShaper(SHAPERS[key], values);
		return done.ok ? 'drawn' : `${done.problem.code} ${done.problem.path.join(' ')}`;
	};
	assert.equal(code('bodice', { neckToBust: 450, frontWaist: 440 }), 'bustPointTooLow neckToBust');
	assert.equal(code('bodice', { acrossBack: 600 }), 'acrossTooWide acrossBack');
	assert.equal(code('bodice', { armscye: 950 }), 'armholeTooLong armscye');
	assert.equal(code('bodice', { armscye: 160, armholeEase: -100 }), 'armholeTooShort armscye');
	assert.equal(code('bodice', { waist: 330, bustApart: 70 }), 'dartTooWide bustApart');
	assert.equal(code('coat', { length: 150 }), 'hemAboveUnderarm length');
	assert.equal(code('coat', { sleeves: 1, arm: 800 }), 'sleeveTooWide arm');
	assert.equal(code('hood', { face: 400, head: 380, headEase: 0 }), 'faceTooWide face');
	assert.equal(code('knickers', { waistToHip: 420 }), 'hipBelowFork waistToHip');
	assert.equal(code('knickers', { crotch: 300 }), 'crotchTooShort crotch');
	assert.equal(code('knickers', { crotch: 1500 }), 'crotchTooLong crotch');
	assert.equal(code('knickers', { leg: 900 }), 'legTooLong leg');
	assert.equal(code('leggings', { ankle: 110, fork: 30, crotch: 800 }), 'legTooNarrow ankle');
	assert.equal(code('leggings', { end: 760 }), 'tooLarge end');
	assert.equal(code('knickers', { legBand: 1, bandGirth: 600 }), 'bandLongerThanHem bandGirth');
	assert.equal(code('knickers', { openingLength: 300 }), 'openingBelowHip openingLength');
	const warned = (key: Block, values: Values) => shape(key, values).warnings.map((w) => w.code);
	assert.ok(warned('bodice', { opening: 0 }).includes('notOverBust'));
	assert.ok(warned('bodice', { waist: 640, shaping: 0 }).includes('dartWide'));
	assert.ok(warned('bodice', { frontWaist: 410 }).includes('frontNotLonger'));
	assert.ok(warned('coat', { opening: 0 }).includes('neckNotOverHead'));
	assert.ok(warned('leggings', { top: 1, stretchAcross: 10 }).includes('waistNotOverHips'));
	assert.ok(warned('knickers', { crotch: 800 }).includes('backRises'));
});
