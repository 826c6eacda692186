import type { Point3 } from '../../units/point.ts';
import { bad } from '../../units/problem.ts';
import { circle } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/** Two rows of eyelets, and the cord that laces them crosswise. Common practice. */
export const eyelets = shaper({
	name: 'eyelets for lacing',
	makes: 'bodice, bracer or boot lacing',
	params: {
		length: { name: 'length of the opening', unit: 'mm', value: 200, least: 10, most: 3000 },
		spacing: { name: 'from eyelet to eyelet, at most', unit: 'mm', value: 25, least: 3, most: 200 },
		edge: { name: 'from the edge to the middle of an eyelet', unit: 'mm', value: 12, least: 2, most: 100 },
		hole: { name: 'hole across', unit: 'mm', value: 5, least: 1, most: 40 },
		gap: { name: 'gap between the edges when laced', unit: 'mm', value: 30, least: 0, most: 500 },
		tail: {
			name: 'cord left at each end',
			unit: 'mm',
			value: 250,
			least: 0,
			most: 2000,
			hint: 'to tie a bow'
		}
	},
	shape({ length, spacing, edge, hole, gap, tail }) {
		if (hole / 2 >= edge) return bad('holeOverEdge', {}, ['edge']);
		const reach = length - 2 * edge;
		if (reach <= 0) return bad('tooShortForHoles', {}, ['length']);
		const rows = Math.max(2, Math.ceil(reach / spacing) + 1);
		const step = reach / (rows - 1);
		if (step <= hole) return bad('holesRunTogether', {}, ['spacing']);
		const across = gap + 2 * edge;
		const at = (i: number) => edge + i * step;
		const cross = Array.from({ length: rows - 1 }, (_, i): Point3[] => [
			[-across / 2, 0, at(i)],
			[across / 2, 0, at(i + 1)],
			[across / 2, 0, at(i)],
			[-across / 2, 0, at(i + 1)]
		]);
		return shaped(
			[
				piece('facing', rectangle(2 * edge, length, [{}, { seam: 'facing', onto: true }, {}, {}]), {
					quantity: 2,
					mirrored: true,
					grain: 90,
					eyelets: rows,
					holes: Array.from({ length: rows }, (_, i) => circle([edge, at(i)], hole / 2, true))
				})
			],
			{
				dimensions: [
					{
						title: 'Eyelets, both sides',
						of: 'count',
						formula: 'product',
						inputs: [count('eyelets of a row', rows), count('rows', 2)]
					},
					{
						title: 'From eyelet to eyelet',
						of: 'length',
						formula: 'share',
						inputs: [mm('between the first and the last', reach), count('spaces', rows - 1)]
					},
					{
						title: 'Cord',
						of: 'length',
						formula: 'lacingCord',
						inputs: [
							count('spaces', rows - 1),
							mm('from eyelet to eyelet', step),
							mm('across from row to row', across),
							mm('cord left at each end', tail)
						]
					}
				],
				solid: [...cross.map((c) => c.slice(0, 2)), ...cross.map((c) => c.slice(2))]
			}
		);
	}
});
