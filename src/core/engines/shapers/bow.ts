import type { Point3 } from '../../units/point.ts';
import { polygon } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/** Loop: twice round its width and a lap; knot round the pinched loop; two tails with a point. Common practice. */
export const bow = shaper({
	name: 'bow with tails',
	makes: 'hair bow, back bow, shoe bow',
	params: {
		width: { name: 'width of the bow', unit: 'mm', value: 240, least: 10, most: 2000 },
		height: { name: 'height of the bow', unit: 'mm', value: 110, least: 5, most: 1000 },
		lap: { name: 'lap behind the knot', unit: 'mm', value: 20, least: 0, most: 200 },
		knot: { name: 'width of the knot', unit: 'mm', value: 45, least: 3, most: 500 },
		pinch: { name: 'girth of the pinched middle', unit: 'mm', value: 90, least: 5, most: 1000 },
		tail: { name: 'length of a tail', unit: 'mm', value: 260, least: 0, most: 3000, hint: '0 for none' },
		tailWidth: { name: 'width of a tail', unit: 'mm', value: 70, least: 3, most: 1000 },
		seam: { name: 'seam allowance', unit: 'mm', value: 10, least: 0, most: 60 }
	},
	shape({ width, height, lap, knot, pinch, tail, tailWidth, seam }) {
		const sewn = { seam: 'turned', ...(seam ? { allowance: seam } : {}) };
		const four = [sewn, sewn, sewn, sewn];
		const pieces = [
			piece('loop', rectangle(2 * width + lap, height, four), { quantity: 2, grain: 0 }),
			piece('knot', rectangle(pinch + lap, knot, four), { quantity: 2, grain: 0 })
		];
		if (tail > 0)
			pieces.push(
				piece(
					'tail',
					polygon(
						[
							[0, 0],
							[tailWidth, 0],
							[tailWidth, tail],
							[0, tail + tailWidth * 0.4]
						],
						four
					),
					{ quantity: 4, mirrored: true, grain: 90 }
				)
			);
		const loop = (s: number): Point3[] => [
			[0, 0, -height / 6],
			[(s * width) / 2, 0, -height / 2],
			[(s * width) / 2, 0, height / 2],
			[0, 0, height / 6]
		];
		const hang = (s: number): Point3[] =>
			tail > 0
				? [
						[0, 0, 0],
						[s * tailWidth * 1.3, 0, -tail],
						[s * tailWidth * 0.4, 0, -tail],
						[0, 0, 0]
					]
				: [];
		return shaped(pieces, {
			dimensions: [
				{
					title: 'Length of the loop strip',
					of: 'length',
					formula: 'loopStrip',
					inputs: [mm('width of the bow', width), count('times', 2), mm('lap behind the knot', lap)]
				}
			],
			solid: [loop(1), loop(-1), ...[hang(1), hang(-1)].filter((l) => l.length > 0)]
		});
	}
});
