import type { Point3 } from '../../units/point.ts';
import { bad } from '../../units/problem.ts';
import { piece } from '../pattern/piece.ts';
import { polygon } from '../pattern/outline.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

const square = (...points: [number, number][]): Point3[] => points.map(([x, z]): Point3 => [x, 0, z]);

/** Strips at 45°: what they cover is what they are cut from, so that a square's side is √(length × width). Common practice. */
export const biasStrips = shaper({
	name: 'bias strips',
	makes: 'bias binding, piping',
	params: {
		length: { name: 'length in all', unit: 'mm', value: 4000, least: 50, most: 200_000 },
		width: {
			name: 'width as cut',
			unit: 'mm',
			value: 40,
			least: 5,
			most: 300,
			hint: 'four times the finished width for double-fold binding'
		},
		cloth: {
			name: 'longest strip',
			unit: 'mm',
			value: 1000,
			least: 50,
			most: 5000,
			hint: 'along the bias of what you have'
		}
	},
	shape({ length, width, cloth }) {
		// Ends are cut along the grain and overlap by the width: each join takes the width off.
		const strips = Math.max(1, Math.ceil(length / (cloth - width)));
		if (cloth <= width) return bad('stripTooShort', {}, ['cloth']);
		const each = length / strips + width;
		return shaped(
			[
				piece(
					'strip',
					polygon(
						[
							[0, 0],
							[each - width, 0],
							[each, width],
							[width, width]
						],
						[{}, { seam: 'join' }, {}, { seam: 'join' }]
					),
					{ quantity: strips, grain: 45 }
				)
			],
			{
				dimensions: [
					{
						title: 'Side of a square that gives as much',
						of: 'length',
						formula: 'squareSide',
						inputs: [mm('length in all', length), mm('width as cut', width)]
					},
					{ title: 'Strips', of: 'count', formula: 'same', inputs: [count('strips', strips)] }
				],
				// The square of cloth, and the lines across it at 45°.
				solid: [
					square([0, 0], [4, 0], [4, 4], [0, 4], [0, 0]),
					...[1, 2, 3].flatMap((i) => [square([0, i], [i, 0]), square([i, 4], [4, i])])
				]
			}
		);
	}
});
