import { polygon, signedArea } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { ovalRound } from '../pattern/oval.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper, type Dimension, type Point3 } from '../pattern/shaper.ts';
import { unroll } from '../pattern/unroll.ts';

/** Steps round the whole. */
const STEPS = 240;
const PANELS = [1, 2, 4] as const;

/**
 * A tapered band between two ovals. The surface that can be laid flat joins points where both ovals run in the
 * same direction (the developable connection of two plane curves, as in descriptive geometry); it is unrolled
 * in triangles. With both ratios 1 it is the tapered band.
 */
export const ovalBand = shaper({
	name: 'oval band',
	makes: 'thigh, calf, waist or chest shell that is wider than deep',
	params: {
		upper: { name: 'upper girth', unit: 'mm', value: 560, least: 10, most: 20_000, measure: 'thighGirth' },
		upperRatio: { name: 'upper depth by width', unit: 'times', value: 0.9, least: 0.3, most: 3 },
		lower: { name: 'lower girth', unit: 'mm', value: 400, least: 10, most: 20_000, measure: 'kneeGirth' },
		lowerRatio: { name: 'lower depth by width', unit: 'times', value: 1, least: 0.3, most: 3 },
		height: { name: 'length, straight up', unit: 'mm', value: 300, least: 5, most: 5000 },
		thickness: { name: 'thickness', unit: 'mm', value: 6, least: 0, most: 50 },
		panels: {
			name: 'panels',
			unit: 'count',
			value: 1,
			least: 0,
			most: 2,
			choices: ['one, closed at the back', 'two, joined front and back', 'four']
		}
	},
	shape({ upper, upperRatio, lower, lowerRatio, height, thickness, panels: choice }) {
		const panels = PANELS[choice as 0 | 1 | 2];
		const half = (girth: number, ratio: number) => (girth + Math.PI * thickness) / ovalRound(ratio);
		const [a, c] = [half(upper, upperRatio), half(lower, lowerRatio)];
		const [b, d] = [a * upperRatio, c * lowerRatio];
		/** Where an oval of half-widths w and h runs in the direction φ; φ = 0 at the back, y < 0. */
		const at = (w: number, h: number, z: number, phi: number): Point3 => {
			const t = Math.atan2(h * Math.sin(phi - Math.PI / 2), w * Math.cos(phi - Math.PI / 2));
			return [w * Math.cos(t), h * Math.sin(t), z];
		};
		const steps = STEPS / panels;
		const way = (w: number, h: number, z: number) =>
			Array.from({ length: steps + 1 }, (_, i) => at(w, h, z, (2 * Math.PI * i) / STEPS));
		const flat = unroll(way(c, d, 0), way(a, b, height));
		const points: Point[] = [...flat.lower, ...[...flat.upper].reverse()];
		const marks = points.map((_, i) => (i === steps || i === points.length - 1 ? { seam: 'side' } : {}));
		const outline = polygon(points, marks);
		const round = (w: number, h: number, z: number): Point3[] =>
			Array.from({ length: 49 }, (_, i) => at(w, h, z, (2 * Math.PI * i) / 48));
		const width = (title: string, girth: number, ratio: number): Dimension => ({
			title,
			of: 'length',
			formula: 'ovalWidth',
			inputs: [mm('girth', girth), mm('thickness', thickness), count('depth by width', ratio)]
		});
		return shaped(
			[
				piece('panel', signedArea(outline) > 0 ? outline : polygon([...points].reverse()), {
					quantity: panels,
					mirrored: panels > 1,
					grain: 90
				})
			],
			{
				dimensions: [
					width('Upper width, to the middle of the thickness', upper, upperRatio),
					width('Lower width, to the middle of the thickness', lower, lowerRatio),
					...(
						[
							['Upper', upper],
							['Lower', lower]
						] as const
					).map(([title, girth]): Dimension => ({
						title: `${title} edge of a panel`,
						of: 'length',
						formula: 'bandPanel',
						inputs: [
							mm('girth', girth),
							mm('thickness', thickness),
							mm('gap left open', 0),
							count('panels', panels)
						]
					}))
				],
				solid: [
					round(c, d, 0),
					round(a, b, height),
					...Array.from({ length: 12 }, (_, i): Point3[] => [
						at(c, d, 0, (2 * Math.PI * i) / 12),
						at(a, b, height, (2 * Math.PI * i) / 12)
					])
				]
			}
		);
	}
});
