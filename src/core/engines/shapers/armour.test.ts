import assert from 'node:assert/strict';
import { test } from 'node:test';
import { valueOf } from '../../explain/figure.ts';
import { dimensionFigure } from '../../explain/pieces.ts';
import type { Piece } from '../../facts/piece.ts';
import { say } from '../../units/problem.ts';
import { boxOf, edgeLength, edgesOf, flatten } from '../pattern/outline.ts';
import { sizesOfPiece } from '../pattern/piece.ts';
import { runShaper, type Shaped } from '../pattern/shaper.ts';
import { SHAPERS } from './shapers.ts';

/** A breastplate, a back plate and pauldrons from girths, against closed forms. */
const near = (a: number, b: number, by = 1e-6) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const shape = (key: 'breastplate' | 'pauldron', values: Record<string, number> = {}): Shaped => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(done.ok, done.ok ? '' : say(done.problem));
	return done.value;
};
const refused = (key: 'breastplate' | 'pauldron', values: Record<string, number>) => {
	const done = runShaper(SHAPERS[key], values);
	return done.ok ? null : [done.problem.code, ...done.problem.path];
};
const dimension = (s: Shaped, title: string): number =>
	valueOf(
		dimensionFigure(
			s.dimensions.find((d) => d.title === title)!,
			'mm'
		)
	);
const called = (s: Shaped, name: string): Piece => {
	const found = s.pieces.find((p) => p.name === name);
	assert.ok(found, name);
	return found;
};
const along = (piece: Piece, seam: string) =>
	edgesOf(piece.outline).reduce(
		(sum, { from, edge }) => sum + (edge.seam === seam ? edgeLength(from, edge) : 0),
		0
	);

test('breastplate: both plates of a half meet at the chest along the same length, half of the girth less the gap', () => {
	const s = shape('breastplate', { chest: 960, thickness: 6, gap: 40 });
	assert.deepEqual(
		s.pieces.map((p) => p.name),
		['breastplate, waist', 'breastplate, chest', 'back plate, waist', 'back plate, chest']
	);
	// (960 + 6π) ÷ 2 − 40 = 449.42, by hand.
	near(dimension(s, 'Plate along the chest'), 449.4248, 1e-6);
	for (const of of ['breastplate', 'back plate']) {
		const [waist, chest] = [called(s, `${of}, waist`), called(s, `${of}, chest`)];
		near(along(waist, of), along(chest, of), 1e-4);
		// Chords are shorter than the oval by less than 1 in 2,000.
		near(along(chest, of), 449.4248, 5e-4);
		assert.equal(along(chest, 'side'), 0, 'left open, the sides are no seam');
	}
	const joined = shape('breastplate', { gap: 0 });
	for (const part of ['waist', 'chest'])
		near(
			along(called(joined, `breastplate, ${part}`), 'side'),
			along(called(joined, `back plate, ${part}`), 'side'),
			1e-9
		);
});

test('breastplate: on round levels its waist is half of a tapered band, and on a straight trunk its armholes lie flat as they are measured', () => {
	const round = { waistRatio: 1, chestRatio: 1, shouldersRatio: 1, thickness: 0, gap: 0 };
	const s = shape('breastplate', { ...round, chest: 960, waist: 800, waistToChest: 170, across: 280 });
	const band = runShaper(SHAPERS.taperedBand, {
		upper: 960,
		lower: 800,
		height: 170,
		thickness: 0,
		panels: 2
	});
	assert.ok(band.ok);
	near(sizesOfPiece(called(s, 'breastplate, waist')).area, sizesOfPiece(band.value.pieces[0]!).area, 5e-4);
	// A straight tube of radius 160: laid flat the plate is as high as the trunk, and as wide as it is measured along it.
	const girth = 2 * Math.PI * 160;
	const straight = shape('breastplate', {
		...round,
		chest: girth,
		waist: girth,
		shoulders: girth,
		chestToShoulder: 200,
		across: 300,
		neck: 160,
		shoulder: 65,
		underarm: 40,
		frontDrop: 70
	});
	const chest = flatten(called(straight, 'breastplate, chest').outline, 0.01).points;
	const top = chest.filter(([, y]) => Math.abs(y - 200) < 1e-6).map(([x]) => Math.abs(x));
	near(Math.max(...top), 145, 1e-4);
	near(Math.min(...top), 80, 1e-4);
	const upper = chest.filter(([, y]) => Math.abs(y - 120) < 1e-6).map(([x]) => Math.abs(x));
	near(Math.max(...upper), 150, 1e-4);
	assert.ok(
		chest.some(([x, y]) => Math.abs(x) < 1e-6 && Math.abs(y - 130) < 1e-3),
		'200 less a neckline of 70'
	);
	// Straps: 80 + 32.5 along a circle of 160 is 160 × sin(112.5 ÷ 160) from the middle; from front to back 2 × 160 × cos(112.5 ÷ 160).
	near(
		dimension(straight, 'Front to back at the middle of the shoulder, straight: straps go over it'),
		320 * Math.cos(112.5 / 160),
		1e-4
	);
	const { left, right } = boxOf(chest);
	near(left + right, 0, 1e-9);
});

test('breastplate: what cannot be cut is refused at its value', () => {
	assert.deepEqual(refused('breastplate', { across: 700 }), ['acrossTooWide', 'across']);
	assert.deepEqual(refused('breastplate', { shoulder: 300 }), ['shoulderTooWide', 'shoulder']);
	assert.deepEqual(refused('breastplate', { gap: 480, chest: 900 }), ['gapTooWide', 'gap']);
	assert.deepEqual(refused('breastplate', { frontDrop: 195 }), ['tooLarge', 'frontDrop']);
	assert.deepEqual(refused('breastplate', { underarm: 190 }), ['tooLarge', 'underarm']);
	assert.equal(refused('breastplate', { frontDrop: 195, plates: 2 }), null, 'of a plate that is not made');
	assert.equal(shape('breastplate', { plates: 1 }).pieces.length, 2);
});

test('pauldron: lames lie in each other, and cap and gores go round as much as is covered', () => {
	const s = shape('pauldron', {
		shoulder: 480,
		arm: 360,
		length: 120,
		lames: 3,
		overlap: 20,
		cover: 0.5,
		gores: 3,
		thickness: 5
	});
	assert.deepEqual(
		s.pieces.map((p) => [p.name, p.quantity]),
		[
			['gore at the edge of the cap', 2],
			['gore of the cap', 1],
			['lame 1 of 3', 1],
			['lame 2 of 3', 1],
			['lame 3 of 3', 1]
		]
	);
	// The lowest lies on the arm: from 20 + 40 below the cap, where the arm is 480 − 60 = 420, to 120, where it is 360.
	const lean = Math.atan(60 / (2 * Math.PI) / 60);
	near(dimension(s, 'lame 3 of 3, lower edge'), (360 + Math.PI * 5 * Math.cos(lean)) / 2);
	near(dimension(s, 'lame 3 of 3, upper edge'), (420 + Math.PI * 5 * Math.cos(lean)) / 2);
	// The first lies over two: 480 + 2π·10 at the cap, down to 40, where the arm is 440.
	near(
		dimension(s, 'lame 1 of 3, upper edge'),
		(480 + 20 * Math.PI + Math.PI * 5 * Math.cos(Math.atan(40 / (2 * Math.PI) / 40))) / 2
	);
	// The cap over all three: 480 + 2π·15 and π·5 to its middle; half of that round in three.
	const rim = 480 + 35 * Math.PI;
	near(dimension(s, 'Width of a gore at the rim'), rim / 6);
	near(dimension(s, 'Length of a gore'), rim / 4);
	near(
		along(called(s, 'gore of the cap'), 'gore'),
		2 * along(called(s, 'gore at the edge of the cap'), 'gore')
	);
	// Area of three gores: half of half a ball, 2πR² ÷ 2; the gores’ closed form has it exactly, 32 chords nearly.
	const area = s.pieces
		.filter((p) => p.name.startsWith('gore'))
		.reduce((sum, p) => sum + p.quantity * sizesOfPiece(p).area, 0);
	near(area, Math.PI * (rim / (2 * Math.PI)) ** 2, 1e-3);
	assert.deepEqual(s.warnings[0]?.code, 'capSides');
	assert.deepEqual(shape('pauldron', { cover: 1, gores: 12 }).warnings, []);
	assert.deepEqual(refused('pauldron', { length: 60, lames: 3, overlap: 20 }), ['overlapTooLong', 'overlap']);
});
