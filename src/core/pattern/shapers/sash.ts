import { piece } from '../piece.ts';
import { rectangle } from '../sector.ts';
import { count, mm, shaped, shaper, type Point3 } from '../shaper.ts';
import { round } from '../solid.ts';

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
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 }
	},
	shape({ girth, turns, hang, knot, width, cloth, seam }) {
		const total = girth * turns + 2 * hang + knot;
		const strips = Math.max(1, Math.ceil(total / (cloth - 2 * seam) - 1e-9));
		const own = seam ? { allowance: seam } : {};
		const end = strips > 1 ? { seam: 'join', ...own } : own;
		const long = { seam: 'turned', ...own };
		const r = girth / (2 * Math.PI);
		return shaped(
			[
				piece('strip', rectangle(total / strips, 2 * width, [long, end, long, end]), {
					quantity: strips,
					grain: 0,
					lines: [
						{
							use: 'fold',
							points: [
								[0, width],
								[total / strips, width]
							]
						}
					]
				})
			],
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
						title: 'Length of a strip',
						of: 'length',
						formula: 'share',
						inputs: [mm('length, in all', total), count('strips', strips)]
					}
				],
				warnings: strips > 1 ? [{ code: 'joinsHidden', path: ['cloth'], values: { joins: strips - 1 } }] : [],
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
