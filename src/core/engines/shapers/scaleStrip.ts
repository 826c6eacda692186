import type { Point3 } from '../../units/point.ts';
import { bad } from '../../units/problem.ts';
import type { Edge } from '../../facts/piece.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/** Strips of scales along an edge: as many whole scales as come nearest the wanted width, rows lapped. Common practice. */
export const scaleStrip = shaper({
	name: 'strips of scales',
	makes: 'scale armor, feathers in rows, shingles, sole tread',
	params: {
		edge: { name: 'length of the edge', unit: 'mm', value: 400, least: 5, most: 20_000 },
		width: { name: 'width of a scale, about', unit: 'mm', value: 40, least: 2, most: 1000 },
		drop: { name: 'seen height of a scale', unit: 'mm', value: 35, least: 2, most: 1000 },
		lap: { name: 'lap under the next row', unit: 'mm', value: 15, least: 0, most: 500 },
		rows: { name: 'rows', unit: 'count', value: 5, least: 1, most: 200 }
	},
	shape({ edge, width, drop, lap, rows }) {
		const scales = Math.max(1, Math.round(edge / width));
		const each = edge / scales;
		if (each / 2 > drop) return bad('scaleTooFlat', { least: Math.ceil(each / 2) }, ['drop']);
		const straight = drop - each / 2;
		// Hanging down from y = 0: the lap above, round tips below.
		const edges: Edge[] = [];
		for (let i = 0; i < scales; i++) edges.push({ kind: 'arc', to: [(i + 1) * each, -straight], bulge: 1 });
		edges.push(
			{ kind: 'line', to: [edge, lap], seam: 'end' },
			{ kind: 'line', to: [0, lap], seam: 'row', onto: true },
			{ kind: 'line', to: [0, -straight], seam: 'end' }
		);
		const slits = Array.from({ length: scales - 1 }, (_, i) => ({
			use: 'detail' as const,
			points: [
				[(i + 1) * each, -straight],
				[(i + 1) * each, 0]
			] as const
		}));
		return shaped(
			[
				piece(
					'row',
					{ start: [0, -straight], edges },
					{ quantity: rows, lines: straight > 0 ? slits : [], grain: 0 }
				)
			],
			{
				dimensions: [
					{ title: 'Scales of a row', of: 'count', formula: 'same', inputs: [count('scales', scales)] },
					{
						title: 'Width of a scale',
						of: 'length',
						formula: 'share',
						inputs: [mm('length of the edge', edge), count('scales', scales)]
					},
					{
						title: 'Height that the rows cover',
						of: 'length',
						formula: 'product',
						inputs: [mm('seen height of a scale', drop), count('rows', rows)]
					}
				],
				solid: Array.from({ length: rows }, (_, r): Point3[] =>
					Array.from({ length: scales * 8 + 1 }, (_, k): Point3 => {
						const x = (k / 8) * each;
						const t = (k % 8) / 8;
						return [x, r * 4, -r * drop - straight - Math.sqrt(Math.max(0, 0.25 - (t - 0.5) ** 2)) * each];
					})
				)
			}
		);
	}
});
