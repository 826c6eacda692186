import type { Point3 } from '../../units/point.ts';
import { problem } from '../../units/problem.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { round } from '../pattern/solid.ts';

/** A length in equal strips, none longer than the cloth allows. */
function parts(total: number, most: number): number[] {
	const n = Math.max(1, Math.ceil(total / most - 1e-9));
	return Array.from({ length: n }, () => total / n);
}

/** A long band from strips no longer than the cloth is wide; joins lie where the knot hides them. Common practice. */
export const sash = shaper({
	name: 'sash',
	makes: 'waist sash, long scarf, wide tied belt',
	params: {
		girth: {
			name: 'girth that it goes round',
			unit: 'mm',
			value: 800,
			least: 50,
			most: 5000,
			measure: 'waistGirth'
		},
		turns: { name: 'times round', unit: 'times', value: 1, least: 1, most: 6 },
		hang: { name: 'hanging end, each', unit: 'mm', value: 700, least: 0, most: 3000 },
		knot: { name: 'for the knot', unit: 'mm', value: 300, least: 0, most: 1500 },
		width: { name: 'finished width', unit: 'mm', value: 160, least: 10, most: 1500 },
		cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 },
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
		joins: {
			name: 'joins',
			unit: 'count',
			value: 0,
			least: 0,
			most: 1,
			choices: ['evenly', 'one hidden beneath the knot']
		}
	},
	shape({ girth, turns, hang, knot, width, cloth, seam, joins }) {
		const total = girth * turns + 2 * hang + knot;
		const most = cloth - 2 * seam;
		const needed = Math.max(1, Math.ceil(total / most - 1e-9));
		// Beneath the knot is one hanging end and half of the knot from an end.
		const hidden = hang + knot / 2;
		const lengths =
			joins && needed > 1 && hidden > 0
				? [...parts(hidden, most), ...parts(total - hidden, most)]
				: parts(total, most);
		const kinds = [...new Set(lengths)].map((long) => ({
			long,
			quantity: lengths.filter((l) => l === long).length
		}));
		const its = seam ? { allowance: seam } : {};
		const end = lengths.length > 1 ? { seam: 'join', ...its } : its;
		const long = { seam: 'turned', ...its };
		const r = girth / (2 * Math.PI);
		return shaped(
			kinds.map(({ long: reach, quantity }, i) =>
				piece(
					kinds.length > 1 ? `strip ${i + 1}` : 'strip',
					rectangle(reach, 2 * width, [long, end, long, end]),
					{
						quantity,
						grain: 0,
						lines: [
							{
								use: 'fold',
								points: [
									[0, width],
									[reach, width]
								]
							}
						]
					}
				)
			),
			{
				dimensions: [
					{
						title: 'Length, in all',
						of: 'length',
						formula: 'sashLength',
						inputs: [
							mm('girth', girth),
							count('times round', turns),
							mm('hanging end, each', hang),
							mm('for the knot', knot)
						]
					},
					{
						title: joins ? 'Length of a strip up to the hidden join' : 'Length of a strip',
						of: 'length',
						formula: 'share',
						inputs: joins
							? [mm('hanging end and half of the knot', hidden), count('strips', parts(hidden, most).length)]
							: [mm('length, in all', total), count('strips', lengths.length)]
					}
				],
				warnings:
					lengths.length > 1 && !joins
						? [problem('joinsHidden', { joins: lengths.length - 1 }, ['joins'])]
						: [],
				solid: [
					round(r, 0),
					round(r, -width),
					[
						[r, 0, 0],
						[r + 10, 0, -hang],
						[r + 10, width, -hang],
						[r, width * 0.4, 0]
					] as Point3[]
				]
			}
		);
	}
});
