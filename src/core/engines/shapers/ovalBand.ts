import { polygon, signedArea } from '../pattern/outline.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { between, rowsMesh } from '../pattern/form.ts';
import { ovalAt, ovalOf, type Oval } from '../pattern/oval.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
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
		const cut = (girth: number, ratio: number) => ovalOf(girth + Math.PI * thickness, ratio);
		const [above, below] = [cut(upper, upperRatio), cut(lower, lowerRatio)];
		const steps = STEPS / panels;
		const way = (oval: Oval, z: number) =>
			Array.from({ length: steps + 1 }, (_, i) => ovalAt(oval, z, (2 * Math.PI * i) / STEPS));
		const flat = unroll(way(below, 0), way(above, height));
		const points: Point[] = [...flat.lower, ...[...flat.upper].reverse()];
		const marks = points.map((_, i) => (i === steps || i === points.length - 1 ? { seam: 'side' } : {}));
		const outline = polygon(points, marks);
		const round = (oval: Oval, z: number): Point3[] =>
			Array.from({ length: 49 }, (_, i) => ovalAt(oval, z, (2 * Math.PI * i) / 48));
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
				rounds: [
					{ value: 'upper', closed: upper, split: false },
					{ value: 'lower', closed: lower, split: false }
				],
				solid: [
					round(below, 0),
					round(above, height),
					...Array.from({ length: 12 }, (_, i): Point3[] => [
						ovalAt(below, 0, (2 * Math.PI * i) / 12),
						ovalAt(above, height, (2 * Math.PI * i) / 12)
					])
				],
				form: {
					mesh: rowsMesh(between(round(below, 0), round(above, height))),
					way: 'round',
					at: height / 2,
					bends: false,
					thickness
				}
			}
		);
	}
});
