import type { Point3 } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';

/** Rows of wefts up the back of a head, narrowing to the crown as a half ellipse does; metres and packs. Common practice. */
export const wefts = shaper({
	name: 'wig wefts',
	makes: 'thickened wig, ponytail, wig from wefts',
	params: {
		width: { name: 'lowest row, ear to ear', unit: 'mm', value: 300, least: 20, most: 800 },
		height: { name: 'up from it to the crown', unit: 'mm', value: 200, least: 10, most: 600 },
		spacing: { name: 'from row to row', unit: 'mm', value: 12, least: 3, most: 100 },
		double: { name: 'wefts of a row', unit: 'count', value: 1, least: 1, most: 4 },
		pack: { name: 'weft in a pack', unit: 'mm', value: 1000, least: 50, most: 20_000 }
	},
	shape({ width, height, spacing, double, pack }) {
		const rows = Math.floor(height / spacing) + 1;
		const lengths = Array.from(
			{ length: rows },
			(_, i) => width * Math.sqrt(Math.max(0, 1 - ((i * spacing) / height) ** 2))
		).filter((l) => l >= 10);
		const total = lengths.reduce((a, b) => a + b, 0) * double;
		return shaped(
			lengths.map((l, i) => piece(`row ${i + 1}`, rectangle(l, 6), { quantity: double })),
			{
				dimensions: [
					{
						title: 'Weft, in all',
						of: 'length',
						formula: 'sum',
						inputs: lengths.map((l, i) => mm(`row ${i + 1}`, l * double))
					},
					{
						title: 'Packs',
						of: 'count',
						formula: 'packs',
						inputs: [
							mm('weft, in all', total),
							mm('in the stash', 0),
							mm('bought', 0),
							mm('weft in a pack', pack)
						]
					} satisfies Dimension,
					{ title: 'Rows', of: 'count', formula: 'same', inputs: [count('rows', lengths.length)] }
				],
				solid: lengths.map((l, i): Point3[] =>
					Array.from({ length: 17 }, (_, k): Point3 => {
						const a = (Math.PI * k) / 16;
						return [(l / 2) * Math.cos(a), (l / 2) * Math.sin(a) * 0.6, i * spacing];
					})
				)
			}
		);
	}
});
