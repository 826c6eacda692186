import { distance, type Point } from '../../units/point.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import type { Reference } from '../../facts/picture.ts';
import { type Homography, homographyOf } from './homography.ts';

/** Rectangles that are at hand. Source: ISO 216 for A4, common practice for mats; from memory for the card. */
export const KNOWN_RECTANGLES = [
	{ name: 'A4 sheet', width: 297, height: 210, source: 'ISO 216' },
	{ name: 'A3 sheet', width: 420, height: 297, source: 'ISO 216' },
	{ name: 'Letter sheet', width: 279.4, height: 215.9, source: 'ANSI/ASME Y14.1, from memory' },
	{ name: 'Plastic card', width: 85.6, height: 53.98, source: 'ISO/IEC 7810 ID-1, from memory' },
	{ name: '100 mm square of a cutting mat', width: 100, height: 100, source: 'common practice' }
] as const;

/** Corners nearer to a line than this share of their size are taken to lie in it. */
const IN_LINE = 0.01;

/** Whether four points go round a convex shape, as a flat rectangle always looks. */
export function checkCorners(corners: readonly Point[]): Parsed<true> {
	const turns = corners.map((p, i) => {
		const q = corners[(i + 1) % 4]!;
		const r = corners[(i + 2) % 4]!;
		const size = distance(p, q) * distance(q, r);
		return size === 0 ? 0 : ((q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0])) / size;
	});
	if (turns.some((t) => Math.abs(t) < IN_LINE)) return bad('cornersInLine');
	return turns.every((t) => t > 0) || turns.every((t) => t < 0) ? good(true) : bad('cornersCross');
}

/**
 * From pixels of the picture to mm on the reference's plane.
 * @returns or the problem: `zeroLength`, `cornersInLine`, `cornersCross`
 */
export function planeOf(reference: Reference): Parsed<Homography> {
	if (reference.kind === 'rectangle') {
		const { width, height, points } = reference;
		if (!(width > 0) || !(height > 0)) return bad('zeroLength');
		const checked = checkCorners(points);
		if (!checked.ok) return checked;
		return good(
			homographyOf(points, [
				[0, 0],
				[width, 0],
				[width, height],
				[0, height]
			])
		);
	}
	const pixels = distance(...reference.points);
	if (!(reference.mm > 0) || pixels === 0) return bad('zeroLength');
	const s = reference.mm / pixels;
	return good([s, 0, 0, 0, s, 0, 0, 0, 1]);
}
