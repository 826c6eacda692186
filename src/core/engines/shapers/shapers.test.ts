import assert from 'node:assert/strict';
import { test } from 'node:test';
import { valueOf } from '../../explain/figure.ts';
import { FORMULAS } from '../../explain/formulas.ts';
import { say } from '../../units/problem.ts';
import { edgeLength, edgesOf, flatten, signedArea } from '../pattern/outline.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { checkPiece, sizesOfPiece } from '../pattern/piece.ts';
import type { Piece } from '../../facts/piece.ts';
import { dimensionFigure } from '../../explain/pieces.ts';
import { runShaper, type Shaped } from '../pattern/shaper.ts';
import { widthOnCloth } from '../pattern/onCloth.ts';
import { netLayers } from './netSkirt.ts';
import { SHAPER_KEYS, SHAPERS, type ShaperKey } from './shapers.ts';

const near = (a: number, b: number, by = 1e-6) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const shape = (key: ShaperKey, values: Record<string, number> = {}): Shaped => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(done.ok, done.ok ? '' : `${key}: ${say(done.problem)}`);
	return done.value;
};
const code = (key: ShaperKey, values: Record<string, number>): [string, (string | number)[]] => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(!done.ok, `${key} ${JSON.stringify(values)}`);
	return [done.problem.code, done.problem.path];
};
const dimension = (s: Shaped, title: string): number => {
	const found = s.dimensions.find((d) => d.title === title);
	assert.ok(found, title);
	return valueOf(dimensionFigure(found, 'mm'));
};
/** Lengths of the edges of one seam, added up along each run of them. */
function seams(piece: Piece, seam: string): number[] {
	const edges = edgesOf(piece.outline);
	const runs: number[] = [];
	let before = false;
	for (const { from, edge } of edges) {
		const mine = edge.seam === seam;
		if (mine) {
			if (before) runs[runs.length - 1]! += edgeLength(from, edge);
			else runs.push(edgeLength(from, edge));
		}
		before = mine;
	}
	// A run that goes on over the first point is one.
	if (runs.length > 1 && edges[0]!.edge.seam === seam && edges.at(-1)!.edge.seam === seam)
		runs[0]! += runs.pop()!;
	return runs;
}
const apart = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((v, i) => v - b[i]!));

test('every shaper gives whole pieces from its starting values, and every dimension shows its working', () => {
	assert.equal(SHAPER_KEYS.length, 37);
	for (const key of SHAPER_KEYS) {
		const { pieces, dimensions, solid } = shape(key);
		assert.ok(pieces.length > 0, key);
		for (const piece of pieces) {
			assert.equal(checkPiece(piece), null, `${key} ${piece.name}`);
			const f = sizesOfPiece(piece);
			assert.ok(f.area > 0 && f.cutArea >= f.area - 1e-6 && f.cutLength > 0, `${key} ${piece.name}`);
		}
		for (const d of dimensions) {
			const figure = dimensionFigure(d, 'cm');
			assert.ok(
				Number.isFinite(valueOf(figure)) && FORMULAS[figure.formula].words && figure.inputs.length > 0,
				`${key} ${d.title}`
			);
		}
		assert.ok(
			solid.flat().every((p) => p.every(Number.isFinite)),
			key
		);
	}
});

test('any values within their limits give whole pieces, or a problem that names a parameter', () => {
	let s = 7;
	const next = () => ((s = (s * 1664525 + 1013904223) % 4294967296), s / 4294967296);
	let whole = 0;
	for (const key of SHAPER_KEYS)
		for (let i = 0; i < 25; i++) {
			const values = Object.fromEntries(
				Object.entries(SHAPERS[key].params).map(([name, p]) => {
					// Near the starting value more often than at the ends.
					const raw =
						p.choices || next() < 0.3
							? p.least + (Math.min(p.most, p.value * 3 || p.most) - p.least) * next()
							: p.value * (0.5 + next());
					const held = Math.min(p.most, Math.max(p.least, raw));
					return [name, p.unit === 'count' ? Math.round(held) : held];
				})
			);
			const done = runShaper(SHAPERS[key], values);
			if (done.ok) whole++;
			else {
				const at = done.problem.path[0];
				assert.ok(
					at !== undefined && (at in SHAPERS[key].params || at === 'pieces'),
					`${key} ${JSON.stringify(values)}`
				);
				assert.notEqual(say(done.problem), done.problem.code, `${done.problem.code} has no words`);
			}
		}
	assert.ok(whole > 0.6 * 25 * SHAPER_KEYS.length, String(whole));
});

test('bad values are refused at their parameter', () => {
	assert.deepEqual(code('cone', { girth: NaN }), ['notFinite', ['girth']]);
	assert.deepEqual(code('cone', { height: -3 }), ['tooSmall', ['height']]);
	assert.deepEqual(code('cone', { panels: 1.5 }), ['notWhole', ['panels']]);
	assert.deepEqual(code('cone', { girth: 1e9 }), ['tooLarge', ['girth']]);
	assert.deepEqual(code('taperedBand', { upper: 200, lower: 200, gap: 200 }), ['gapTooWide', ['gap']]);
	assert.deepEqual(code('circleSkirt', { part: 1, panels: 1 }), ['sectorTooWide', ['panels']]);
	assert.deepEqual(code('pleats', { finished: 720, count: 24, depth: 31 }), ['foldDoesNotFit', ['depth']]);
	assert.deepEqual(code('pleats', { finished: 720, count: 24, depth: 16, kind: 1 }), [
		'foldDoesNotFit',
		['depth']
	]);
	assert.deepEqual(code('plateBox', { thickness: 30 }), ['thicknessTooLarge', ['thickness']]);
	assert.deepEqual(code('strap', { hole: 30 }), ['holeTooWide', ['hole']]);
	assert.deepEqual(code('horn', { bend: 300, parts: 2, girth: 500, length: 100 }), [
		'bendTooSharp',
		['bend']
	]);
	assert.deepEqual(code('cone', { overlap: 200, height: 30, girth: 100 }), [
		'allowanceTooLarge',
		['pieces', 0, 'outline', 'edges', 1]
	]);
});

/** r 30, h 40 → L 50, 216°: common practice, as handbooks of sheet metal work develop it. */
test('cone: the handbook’s case, its area, and its base', () => {
	const s = shape('cone', { girth: 60 * Math.PI, height: 40 });
	near(dimension(s, 'Slant'), 50);
	near(dimension(s, 'Sector angle of a panel'), 216);
	near(sizesOfPiece(s.pieces[0]!).area, Math.PI * 30 * 50);
	near(seams(s.pieces[0]!, 'base')[0]!, 60 * Math.PI);
	near(seams(s.pieces[0]!, 'side')[0]!, 2 * 50);
});

/** Puts points of a rolled-out ring sector back on the round that it came from: turned by their share of the angle. */
function foldBand(panel: Piece, panels: number, upper: number, lower: number, height: number): void {
	const { points } = flatten(panel.outline, 0.002);
	const radii = points.map((p) => Math.hypot(...p));
	const [outer, inner] = [Math.max(...radii), Math.min(...radii)];
	const spread = Math.max(...points.map((p) => Math.PI / 2 - Math.atan2(p[1], p[0])));
	const [r, s] = [Math.max(upper, lower) / (2 * Math.PI), Math.min(upper, lower) / (2 * Math.PI)];
	const raised = (p: Point): Point3 => {
		const t = (Math.hypot(...p) - inner) / (outer - inner);
		const turn = ((Math.PI / 2 - Math.atan2(p[1], p[0])) / spread) * (Math.PI / panels);
		const radius = s + (r - s) * t;
		return [radius * Math.cos(turn), radius * Math.sin(turn), height * t];
	};
	// Straight sides stay straight; every ring is as long folded as flat, in slices so fine that chords do for arcs.
	for (const { from, edge } of edgesOf(panel.outline))
		if (edge.kind === 'line') near(apart(raised(from), raised(edge.to)), apart(from, edge.to), 1e-6);
	const slices = 1000;
	for (const ring of [inner, (outer + inner) / 2, outer])
		for (let k = 0; k < slices; k++) {
			const at = (j: number): Point => {
				const a = Math.PI / 2 + spread * (1 - (2 * j) / slices);
				return [ring * Math.cos(a), ring * Math.sin(a)];
			};
			near(apart(raised(at(k)), raised(at(k + 1))), apart(at(k), at(k + 1)), 1e-3);
		}
}

test('tapered band folded back to its round: lengths and area stay within 0.1 %', () => {
	for (const [upper, lower, height, panels] of [
		[280, 200, 180, 1],
		[640, 420, 300, 4],
		[200, 360, 90, 3],
		[500, 499, 200, 2]
	] as const) {
		const s = shape('taperedBand', { upper, lower, height, panels, thickness: 0 });
		foldBand(s.pieces[0]!, panels, upper, lower, height);
		const slant = Math.hypot((upper - lower) / (2 * Math.PI), height);
		near(panels * sizesOfPiece(s.pieces[0]!).area, ((upper + lower) / 2) * slant);
		near(dimension(s, 'Slant'), slant);
		const [a, b] = seams(s.pieces[0]!, 'side');
		near(a!, b!);
	}
	// Same girths: a rectangle, cut at C + π·t.
	const straight = shape('taperedBand', { upper: 250, lower: 250, height: 100, thickness: 6 });
	near(sizesOfPiece(straight.pieces[0]!).area, (250 + Math.PI * 6) * 100);
	// A gap for lacing comes off, an overlap goes on.
	near(
		dimension(shape('taperedBand', { upper: 280, gap: 40, thickness: 6 }), 'Upper edge of a panel'),
		280 + Math.PI * 6 * (180 / Math.hypot(180, 40 / Math.PI)) - 40
	);
	const lapped = shape('taperedBand', { upper: 250, lower: 250, height: 100, thickness: 0, overlap: 20 });
	near(sizesOfPiece(lapped.pieces[0]!).cutArea, 270 * 100);
});

test('dome of gores: rounds at every height, one length of seam, and the area of the cap', () => {
	for (const [girth, gores, reach] of [
		[620, 6, 90],
		[500, 8, 60],
		[700, 5, 130]
	] as const) {
		const s = shape('domeGores', { girth, gores, reach, thickness: 0 });
		const radius = girth / (2 * Math.PI);
		const gore = s.pieces[0]!;
		const { points } = flatten(gore.outline);
		for (const [x, y] of points.filter((p) => p[0] > 0))
			near(2 * x * gores, 2 * Math.PI * radius * Math.sin(-y / radius), 1e-3);
		near(
			gores * sizesOfPiece(gore).area,
			2 * Math.PI * radius ** 2 * (1 - Math.cos((reach * Math.PI) / 180)),
			1e-3
		);
		// Its two sides are sewn to those of the next gores.
		const side = (sign: number) =>
			edgesOf(gore.outline).reduce(
				(sum, e) =>
					sum + (e.edge.seam && sign * (e.from[0] + e.edge.to[0]) > 0 ? edgeLength(e.from, e.edge) : 0),
				0
			);
		near(side(1), side(-1));
		near(dimension(s, 'Length of a gore'), (radius * reach * Math.PI) / 180);
	}
});

test('dome of one disc and dish by slits: what is left at every ring is the ball’s round there', () => {
	const [rim, depth, wedges] = [500, 45, 8];
	const s = shape('domeDisc', { rim, depth, wedges, hub: 0.25 });
	const a = rim / (2 * Math.PI);
	// The ball by Pythagoras, not by the shaper’s own form.
	const radius = dimension(s, 'Radius of the ball');
	near(Math.hypot(a, radius - depth), radius);
	const { points } = flatten(s.pieces[0]!.outline);
	const disc = dimension(s, 'Radius of the disc');
	for (const p of points) {
		const ring = Math.hypot(...p);
		const angle = Math.atan2(p[1], p[0]);
		const step = (2 * Math.PI) / wedges;
		const off = Math.abs((((angle % step) + step) % step) - step / 2);
		if (ring > 0.26 * disc && ring < disc - 1e-6)
			near(2 * wedges * off * ring, 2 * Math.PI * radius * Math.sin(ring / radius), 1e-3);
	}
	const dish = shape('shieldDish', { rim: 2 * a, depth, slits: wedges });
	near(dimension(dish, 'Lap of a slit at the rim') * wedges, 2 * Math.PI * (disc - a));
	near(dimension(s, 'Width of a wedge at the rim'), dimension(dish, 'Lap of a slit at the rim'));
});

test('bent horn: rolled up, its parts’ cuts are plane, as long as each other, and meet at the bend', () => {
	const [girth, length, parts, bend] = [250, 400, 5, 80];
	const s = shape('horn', { girth, length, parts, bend });
	const alpha = Math.atan(girth / (2 * Math.PI) / length);
	const sin = Math.sin(alpha);
	// Back on the cone: the angle in the flat is the angle round the axis × sin α.
	const rolled = ([x, y]: Point): Point3 => {
		const ring = Math.hypot(x, y);
		const phi = (Math.PI / 2 + Math.PI * sin - Math.atan2(y, x)) / sin;
		return [ring * sin * Math.cos(phi), ring * sin * Math.sin(phi), ring * Math.cos(alpha)];
	};
	const cut = (piece: Piece, name: string) =>
		edgesOf(piece.outline)
			.filter((e) => e.edge.seam === name)
			.flatMap((e) => [e.from, e.edge.to])
			.map(rolled);
	for (let i = 1; i < parts; i++) {
		const [below, above] = [cut(s.pieces[i - 1]!, `cut ${i}`), cut(s.pieces[i]!, `cut ${i}`)];
		near(seams(s.pieces[i - 1]!, `cut ${i}`)[0]!, seams(s.pieces[i]!, `cut ${i}`)[0]!, 1e-9);
		// All on a plane that leans by half the bend of one cut, one way and the other by turns.
		const lean = (((bend / (parts - 1) / 2) * Math.PI) / 180) * (i % 2 ? 1 : -1);
		const z = length - (length * i) / parts;
		for (const [x, , h] of [...below, ...above])
			near(x * Math.sin(lean) + h * Math.cos(lean), z * Math.cos(lean), 1e-9);
		// Turned by half a round in its plane the oval comes to lie on itself: the parts close.
		const middle = (k: number) =>
			(Math.min(...below.map((p) => p[k]!)) + Math.max(...below.map((p) => p[k]!))) / 2;
		const centre = [middle(0), middle(1), middle(2)];
		for (const p of above) {
			const turned = [2 * centre[0]! - p[0], 2 * centre[1]! - p[1], 2 * centre[2]! - p[2]];
			// On the cone again.
			near(Math.hypot(turned[0]!, turned[1]!) / turned[2]!, Math.tan(alpha), 1e-6);
		}
	}
	near(
		s.pieces.reduce((sum, p) => sum + signedArea(p.outline), 0),
		(girth / 2) * Math.hypot(girth / (2 * Math.PI), length),
		1e-3
	);
});

test('flounce: inner arc the edge, outer arc by its flare; split when over a whole round', () => {
	const s = shape('ruffle', { edge: 400, flare: 1.8, width: 90, widthEnd: 90, allowance: 0 });
	near(
		seams(s.pieces[0]!, 'edge').reduce((a, b) => a + b, 0),
		400
	);
	near(sizesOfPiece(s.pieces[0]!).area, ((400 + 720) / 2) * 90);
	near(dimension(s, 'Outer edge'), 720);
	const split = shape('ruffle', { edge: 900, flare: 2, width: 90, widthEnd: 90, allowance: 0 });
	assert.deepEqual(split.warnings[0]?.code, 'sectorSplit');
	near(split.pieces[0]!.quantity * seams(split.pieces[0]!, 'edge').reduce((a, b) => a + b, 0), 900);
	const tapered = shape('ruffle', { edge: 400, flare: 1.5, width: 120, widthEnd: 60, allowance: 0 });
	near(
		seams(tapered.pieces[0]!, 'edge').reduce((a, b) => a + b, 0),
		400,
		1e-4
	);
	// Its outer edge is as long as is told, drawn as it is: 1.5 times 400.
	const outer = edgesOf(tapered.pieces[0]!.outline)
		.filter((e) => !e.edge.seam)
		.map((e) => edgeLength(e.from, e.edge))
		.filter((l) => l < 50)
		.reduce((a, b) => a + b, 0);
	near(outer, 600, 1e-3);
	near(dimension(tapered, 'Outer edge'), 600);
	near(
		sizesOfPiece(shape('ruffle', { edge: 300, flare: 1, width: 80, widthEnd: 40, allowance: 0 }).pieces[0]!)
			.area,
		300 * 60
	);
});

/** Waist 700, full → 111.4; half → 222.8: common handbooks of pattern cutting. */
test('circle skirt: waist radius, hem, and what is wider than the cloth', () => {
	const s = shape('circleSkirt', { waist: 700, part: 1, length: 600, panels: 2, seam: 0, hem: 0 });
	assert.equal(dimension(s, 'Waist radius').toFixed(1), '111.4');
	assert.equal(
		dimension(shape('circleSkirt', { waist: 700, part: 0.5 }), 'Waist radius').toFixed(1),
		'222.8'
	);
	near(2 * sizesOfPiece(s.pieces[0]!).area, Math.PI * ((111.40846 + 600) ** 2 - 111.40846 ** 2), 1e-6);
	near(2 * seams(s.pieces[0]!, 'waist').reduce((a, b) => a + b, 0), 700);
	// A half ring of 920 mm is 1840 wide, but 920 high: turned it goes on 1500. One of 1720 does not.
	const turned = shape('circleSkirt', { length: 789, cloth: 1500 });
	assert.deepEqual([turned.warnings[0]?.code, turned.pieces[0]!.grain], ['laidTurned', 0]);
	assert.equal(shape('circleSkirt', { length: 1600, cloth: 1500 }).warnings[0]?.code, 'widerThanCloth');
});

test('circle skirt: ease and stretch at the waist, what drops, an opening with its placket, a band', () => {
	const waistOf = (values: Record<string, number>) =>
		shape('circleSkirt', { waist: 690, seam: 0, hem: 0, ...values });
	const around = (s: Shaped, seam: string) =>
		s.pieces.reduce((sum, p) => sum + p.quantity * seams(p, seam).reduce((a, b) => a + b, 0), 0);
	near(around(waistOf({ ease: 20 }), 'waist'), 710);
	// Cloth that stretches by half, a third of it worn: 690 ÷ 1.15.
	near(around(waistOf({ stretchAcross: 50, stretchUsed: 0.3 }), 'waist'), 600);
	for (const panels of [1, 2, 4]) {
		const part = panels === 1 ? 0.5 : 1;
		const plain = waistOf({ panels, part });
		const laced = waistOf({ panels, part, opening: 2, openingLength: 180, underlap: 25, band: 40 });
		// What is open is sewn to the placket instead: 180 mm on both sides, and 360 of it.
		near(around(laced, 'side'), around(plain, 'side') - 2 * 180);
		near(around(laced, 'opening'), 4 * 180);
		// The band is as long as the waist, and 25 mm lie beneath.
		const band = laced.pieces.find((p) => p.name === 'waistband')!;
		near(around(laced, 'waist'), 2 * 690);
		near(sizesOfPiece(band).area, (690 + 25) * 80);
		const zip = waistOf({ panels, part, opening: 1, openingLength: 180 });
		near(around(zip, 'zip'), 2 * 180);
		assert.equal(
			zip.pieces.some((p) => p.name === 'placket strip'),
			false
		);
	}
	// What drops is taken off at 45° to the grain, and nothing along and across it.
	const hung = waistOf({ drop: 30, part: 1, panels: 2 }).pieces[0]!;
	const radius = 690 / (2 * Math.PI) + 600;
	const hem = hung.outline.edges.filter((e) => !e.seam).map((e) => e.to);
	assert.equal(hem.length, 90);
	for (const p of hem) {
		const off = Math.PI / 2 - Math.atan2(p[1], p[0]);
		near(radius - Math.hypot(...p), 30 * Math.sin(2 * off) ** 2, 0.02);
	}
	assert.ok(
		hem.some((p) => Math.hypot(...p) < radius - 29.9) && hem.some((p) => Math.hypot(...p) > radius - 1e-6)
	);
	assert.deepEqual(code('circleSkirt', { opening: 1, openingLength: 700 }), [
		'openingTooLong',
		['openingLength']
	]);
});

/** A full knife pleat takes three times the finished width: common practice. */
test('pleats: three times for full knife pleats; depth by visible in general; box pleats twice', () => {
	const full = shape('pleats', { finished: 720, count: 24, depth: 30, kind: 0, cloth: 3000 });
	near(dimension(full, 'Cloth, in all'), 3 * 720);
	const shallow = shape('pleats', { finished: 720, count: 24, depth: 20, kind: 0 });
	near(dimension(shallow, 'Cloth, in all'), 720 * (1 + (2 * 20) / 30));
	const box = shape('pleats', { finished: 720, count: 12, depth: 30, kind: 1 });
	near(dimension(box, 'Cloth, in all'), 3 * 720);
	// Folded numerically: every fold line turns the cloth round, and what is left is the finished width.
	const { lines, outline } = full.pieces[0]!;
	const folds = lines.filter((l) => l.use === 'fold').map((l) => l.points[0]![0]);
	const ends = [0, ...folds, Math.max(...flatten(outline).points.map((p) => p[0]))];
	let [x, way] = [0, 1];
	for (let i = 1; i < ends.length; i++) {
		x += way * (ends[i]! - ends[i - 1]!);
		way = -way;
	}
	near(x, 720);
	assert.equal(folds.length, 48);
	// On a roll of 1500 the 2160 are two strips, joined at an inner fold: on the right of a visible part and its depth.
	const joined = shape('pleats', { finished: 720, count: 24, depth: 30, kind: 0 });
	assert.deepEqual(joined.warnings[0], { code: 'joinsInFolds', path: ['cloth'], values: { joins: 1 } });
	const wide = joined.pieces.map((p) => Math.max(...flatten(p.outline).points.map((q) => q[0])));
	assert.deepEqual(wide, [12 * 90 - 30, 12 * 90 + 30]);
	assert.ok(wide.every((w) => w + 26 <= 1500));
	// The join is one of the 48 folds.
	assert.equal(
		joined.pieces.reduce((sum, p) => sum + p.lines.length, 0),
		47
	);
	for (const kind of [0, 1]) {
		const { pieces } = shape('pleats', { finished: 2000, count: 40, depth: 20, kind, cloth: 900 });
		const cloth = kind ? 2000 + 40 * 80 : 2000 + 40 * 40;
		near(
			pieces.reduce((sum, p) => sum + sizesOfPiece(p).area, 0),
			cloth * 500
		);
		assert.ok(pieces.every((p) => widthOnCloth(p) <= 900 + 1e-6));
	}
	assert.deepEqual(code('pleats', { finished: 400, count: 1, depth: 200, cloth: 500 }), [
		'pleatWiderThanCloth',
		['cloth']
	]);
});

test('wraps, ridge, box, strap, lacing, petals, bias, sash, boning, scales, wefts: closed forms', () => {
	const wrap = shape('tubeWrap', { girth: 100, thickness: 5, layers: 3, length: 50 });
	wrap.pieces.forEach((p, i) => near(sizesOfPiece(p).area, 50 * (100 + 2 * Math.PI * 5 * i + Math.PI * 5)));
	near(dimension(shape('ridge', { angle: 90 }), 'Bevel of each ridge edge'), 45);
	near(dimension(shape('ridge', { angle: 90, thickness: 6 }), 'Blade offset of the bevel'), 6);
	const box = shape('plateBox', { width: 180, depth: 60, height: 120 });
	near(
		box.pieces.reduce((sum, p) => sum + p.quantity * sizesOfPiece(p).area, 0),
		2 * (180 * 60 + 180 * 120 + 60 * 120)
	);
	const belt = shape('strap', { girth: 800, holes: 5, spacing: 25, tip: 100, turn: 60, width: 38, hole: 5 });
	near(dimension(belt, 'Length, in all'), 800 + 50 + 100 + 60);
	near(dimension(belt, 'Smallest girth it closes to'), 750);
	near(
		sizesOfPiece(belt.pieces[0]!).area,
		(1010 - 19) * 38 + (Math.PI * 19 ** 2) / 2 - 5 * Math.PI * 2.5 ** 2
	);
	const laced = shape('eyelets', { length: 200, spacing: 25, edge: 12, gap: 30, tail: 250 });
	assert.equal(dimension(laced, 'Eyelets, both sides'), 18, '176 mm in eight spaces of 22: nine a side');
	// Drawn as it laces: the sum of all crossings, once across, and both ends.
	const crossings = laced.solid.reduce((sum, l) => sum + apart(l[0]!, l[1]!), 0);
	near(dimension(laced, 'Cord'), crossings + 54 + 500);
	near(dimension(shape('roundArray', { count: 6, radius: 40 }), 'Ring 1: from place to place'), 40, 1e-9);
	near(
		dimension(shape('biasStrips', { length: 4000, width: 40 }), 'Side of a square that gives as much'),
		400
	);
	const bias = shape('biasStrips', { length: 4000, width: 40, cloth: 1000 });
	near(bias.pieces[0]!.quantity * sizesOfPiece(bias.pieces[0]!).area, 4000 * 40, 1e-9);
	const sash = shape('sash', { girth: 800, turns: 1, hang: 700, knot: 300, cloth: 1500, seam: 0 });
	near(sash.pieces[0]!.quantity * sizesOfPiece(sash.pieces[0]!).area, 2500 * 320);
	assert.deepEqual(sash.warnings[0]?.values, { joins: 1 });
	near(
		dimension(shape('boning', { bones: 3, first: 300, last: 200, short: 10 }), 'Boning, in all'),
		280 + 230 + 180
	);
	assert.equal(dimension(shape('scaleStrip', { edge: 400, width: 38 }), 'Scales of a row'), 11);
	const rows = shape('scaleStrip', { edge: 400, width: 40, drop: 35, lap: 15 });
	near(sizesOfPiece(rows.pieces[0]!).area, 400 * (35 - 20 + 15) + (10 * Math.PI * 400) / 2);
	// 300 · (1 + √15/4 + √3/2 + √7/4) = 1048.7: more than one pack.
	assert.equal(dimension(shape('wefts', { width: 300, height: 200, spacing: 50, pack: 1000 }), 'Packs'), 2);
	near(
		dimension(shape('wefts', { width: 300, height: 200, spacing: 100, pack: 1000 }), 'Weft, in all'),
		300 + 300 * Math.sqrt(0.75)
	);
	near(dimension(shape('bow', { width: 240, lap: 20 }), 'Length of the loop strip'), 500);
	near(dimension(shape('gathers', { edge: 700, fullness: 2.5 }), 'Cloth, in all'), 1750);
	near(dimension(shape('fan', { count: 9, spread: 120 }), 'From blade to blade'), 15);
});

/** By hand: 12 layers, lines every 20 mm on a base of 260, girth from 900 to 1500, fullness from 3 to 2. */
test('layered net skirt: the cut list of twelve layers against values worked out by hand', () => {
	const layers = netLayers({
		waist: 900,
		hem: 1500,
		base: 260,
		layers: 12,
		widthTop: 380,
		widthBottom: 160,
		fullnessTop: 3,
		fullnessBottom: 2,
		cloth: 1500
	});
	assert.equal(layers.length, 12);
	near(layers[0]!.line, 20);
	near(layers[11]!.line, 240);
	// First: 900 + 600·20/260 = 946.1538; × 3 = 2838.46: two strips of 1500. Last: 1453.846 × 2 = 2907.69: two.
	near(layers[0]!.length, 2838.4615, 1e-6);
	near(layers[11]!.length, 2907.6923, 1e-6);
	// Seventh: line 140, girth 1223.0769, fullness 3 − 6/11 = 2.4545: 3002.0979, three strips; width 380 − 6·20 = 260.
	near(layers[6]!.length, 3002.0979, 1e-6);
	near(layers[6]!.width, 260);
	// Eighth: 1269.2308 × 2.3636 = 3000.00: just two strips. Sixth: 1176.923 × 2.5455 = 2995.80.
	assert.deepEqual(
		layers.map((l) => l.strips),
		[2, 2, 2, 2, 2, 2, 3, 2, 2, 2, 2, 2]
	);
	const s = shape('netSkirt');
	assert.equal(s.pieces.length, 24, 'every layer of structure net carries soft net');
	// Widths from 380 by 20 down to 160: 3240 twice, and the seventh's 260 once more.
	near(dimension(s, 'Structure net, as it comes off the roll'), 2 * 3240 + 260);
	assert.equal(shape('netSkirt', { soft: 0 }).pieces.length, 12);
});

test('layered net skirt: colours in groups from the top, templates by group, every other layer sewn up', () => {
	const s = shape('netSkirt', { colours: 3, templates: 2 });
	// Four layers of each colour: widths 380 … 320, 300 … 240, 220 … 160; the seventh has three strips.
	near(dimension(s, 'Soft net A, as it comes off the roll'), 2 * (380 + 360 + 340 + 320));
	near(dimension(s, 'Soft net B, as it comes off the roll'), 2 * (300 + 280 + 240) + 3 * 260);
	near(dimension(s, 'Soft net C, as it comes off the roll'), 2 * (220 + 200 + 180 + 160));
	const names = s.pieces.map((p) => p.name);
	assert.ok(names.includes('layer 1, soft net A, sewn down, template 1'));
	assert.ok(names.includes('layer 12, structure net, sewn up, template 2'));
	assert.deepEqual(names.slice(-2), ['edge template 1', 'edge template 2']);
	// Three scallops of 60 and of 30.
	const wide = (i: number) => {
		const xs = flatten(s.pieces.at(i)!.outline).points.map((p) => p[0]);
		return Math.max(...xs) - Math.min(...xs);
	};
	near(wide(-2), 180, 0.02);
	near(wide(-1), 90, 0.02);
});

test('oval band: with round ovals the tapered band; its edges are the girths, whatever the ovals', () => {
	const round = shape('ovalBand', {
		upper: 520,
		lower: 340,
		height: 300,
		upperRatio: 1,
		lowerRatio: 1,
		thickness: 0,
		panels: 0
	});
	const band = shape('taperedBand', { upper: 520, lower: 340, height: 300, thickness: 0, panels: 1 });
	near(sizesOfPiece(round.pieces[0]!).area, sizesOfPiece(band.pieces[0]!).area, 1e-3);
	for (const [upperRatio, lowerRatio] of [
		[0.6, 1.2],
		[1.5, 0.8],
		[0.75, 0.75]
	] as const) {
		const { pieces } = shape('ovalBand', {
			upper: 560,
			lower: 400,
			height: 300,
			upperRatio,
			lowerRatio,
			thickness: 0,
			panels: 0
		});
		const edges = edgesOf(pieces[0]!.outline);
		const sides = edges.flatMap(({ edge }, i) => (edge.seam === 'side' ? [i] : []));
		const run = (from: number, to: number) =>
			edges.slice(from, to).reduce((sum, { from: p, edge }) => sum + edgeLength(p, edge), 0);
		// From side to side: the lower edge, then the upper one. Chords of 1.5° are short of the curve by 3e-5.
		near(run(0, sides[0]!), 400, 1e-3);
		near(run(sides[0]! + 1, sides[1]!), 560, 1e-3);
		// Both sides are the same line of the surface.
		const [a, b] = sides.map((i) => edgeLength(edges[i]!.from, edges[i]!.edge));
		near(a!, b!, 1e-9);
		const turned = shape('ovalBand', {
			upper: 560,
			lower: 400,
			height: 300,
			upperRatio,
			lowerRatio,
			thickness: 0,
			panels: 1
		});
		near(2 * sizesOfPiece(turned.pieces[0]!).area, sizesOfPiece(pieces[0]!).area, 1e-6);
	}
	// An oval of 200 by 120: Ramanujan's second approximation (1914) of its round, exact to 1e-7 there.
	const h = ((100 - 60) / 160) ** 2;
	const around = Math.PI * 160 * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
	const s = shape('ovalBand', { upper: around, upperRatio: 0.6, thickness: 0 });
	near(dimension(s, 'Upper width, to the middle of the thickness'), 200, 1e-6);
});

test('cape: half a circle by hand, longer at the back; on the fold or as two halves', () => {
	const plain = shape('cape', { neck: 400, part: 0.5, length: 900, back: 0, seam: 0, hem: 0 });
	// Neck radius 400/π = 127.32; area of half a ring: π/2·((127.32 + 900)² − 127.32²).
	const r = 400 / Math.PI;
	near(dimension(plain, 'Radius of the neckline'), r);
	near(sizesOfPiece(plain.pieces[0]!).area, (Math.PI / 2) * ((r + 900) ** 2 - r * r), 1e-6);
	near(dimension(plain, 'Length in front'), 900);
	const moved = shape('cape', { neck: 400, part: 0.5, length: 900, back: 80, seam: 0, hem: 0 });
	// The front runs across the back's line: √(R² − 80²) − r with R = 127.32 + 900 − 80.
	near(dimension(moved, 'Length in front'), Math.sqrt((r + 820) ** 2 - 6400) - r);
	const halves = shape('cape', { neck: 400, part: 0.5, length: 900, back: 80, seam: 0, hem: 0, cut: 1 });
	near(2 * sizesOfPiece(halves.pieces[0]!).area, sizesOfPiece(moved.pieces[0]!).area);
	assert.deepEqual([halves.pieces[0]!.quantity, halves.pieces[0]!.mirrored], [2, true]);
	// On 1500 mm of cloth half a circle of 1127 is turned; one of 1827 is joined, and nothing of it is lost.
	assert.deepEqual(shape('cape').warnings[0]?.code, 'laidTurned');
	for (const cut of [0, 1]) {
		const long = shape('cape', { length: 1700, back: 0, seam: 13, hem: 0, cut, cloth: 4000 });
		const joined = shape('cape', { length: 1700, back: 0, seam: 13, hem: 0, cut });
		assert.deepEqual(joined.warnings[0]?.values, { joins: 1 });
		const area = (s: Shaped) => s.pieces.reduce((sum, p) => sum + p.quantity * sizesOfPiece(p).area, 0);
		near(area(joined), area(long), 1e-6);
		assert.ok(joined.pieces.every((p) => widthOnCloth(p) <= 1500 + 1e-6));
	}
	assert.deepEqual(code('cape', { length: 100, back: 600 }), ['hemAtNeck', ['back']]);
});

test('glove and shoe cover: fingers as long as measured, a side’s edge is half the sole’s round', () => {
	const g = shape('glove', { palm: 200, middle: 80, seam: 0 });
	const points = flatten(g.pieces[0]!.outline).points;
	const top = Math.max(...points.map((p) => p[1]));
	// The middle finger leans by 3.5°: its tip is 80 mm from its root, less what leaning takes.
	assert.ok(Math.abs(top - (105 + 80)) < 3, `${top}`);
	assert.deepEqual(code('glove', { little: 15, palm: 200 }), ['fingerTooShort', ['little']]);
	// Four fingers share the palm: 25 mm each, 50 round, and a finger of 60 asks for a fifth more.
	near(dimension(g, 'Stretch that fingers ask for, percent'), 20);
	assert.deepEqual(g.warnings[0]?.values, { asked: 20, has: 0 });
	const stretched = shape('glove', { palm: 230, stretchAcross: 50, stretchUsed: 0.3 });
	near(dimension(stretched, 'Girth of the palm, as cut'), 200);
	assert.deepEqual(stretched.warnings, []);
	for (const foot of [220, 290, 340]) {
		const { pieces } = shape('shoeCover', { foot });
		const [side, sole] = pieces;
		near(seams(side!, 'sole')[0]! * 2, seams(sole!, 'sole')[0]!, 1e-9);
		const box = flatten(sole!.outline).points;
		near(Math.max(...box.map((p) => p[1])), foot, 1e-6);
		near(2 * Math.max(...box.map((p) => p[0])), 110, 1e-3);
	}
	// The instep lies where it was measured: 190 over the side and 110 high; the ankle is as wide as it is round.
	const front = edgesOf(shape('shoeCover', {}).pieces[0]!.outline).filter((e) => e.edge.seam === 'front');
	near(apart([0, 0], front[1]!.edge.to), 190);
	assert.deepEqual(front[2]!.edge.to, [150, 140]);
	// 40 % of stretch, half of it worn: 360 ÷ 1.2 ÷ 2 = 150 at the top of a side.
	const upper = edgesOf(
		shape('shoeCover', { top: 360, stretchAcross: 40, stretchUsed: 0.5 }).pieces[0]!.outline
	);
	near(edgeLength(upper.at(-2)!.from, upper.at(-2)!.edge), 150);
	assert.deepEqual(code('shoeCover', { instep: 100 }), ['instepTooShort', ['instep']]);
	assert.deepEqual(code('shoeCover', { toe: 150, instepHeight: 120 }), ['toeTooHigh', ['toe']]);
});

test('flat panel: round corners by hand; sash: a join hidden beneath the knot', () => {
	const p = shape('flatPanel', { top: 200, bottom: 200, height: 300, corner: 40 });
	near(sizesOfPiece(p.pieces[0]!).area, 60_000 - (2 - Math.PI / 2) * 1600, 1e-6);
	assert.deepEqual(code('flatPanel', { corner: 200 }), ['cornerTooRound', ['corner']]);
	// 800 + 2·700 + 300 = 2500: 1474 are the most of a strip. Hidden: 700 + 150 = 850, and 1650 in two of 825.
	const s = shape('sash', { joins: 1 });
	assert.deepEqual(
		s.pieces.map((q) => [q.quantity, Math.round(sizesOfPiece(q).area / 320)]),
		[
			[1, 850],
			[2, 825]
		]
	);
	assert.equal(s.warnings.length, 0);
});
