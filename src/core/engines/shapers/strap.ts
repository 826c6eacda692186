import type { Point3 } from '../../units/point.ts';
import { bad } from '../../units/problem.ts';
import { circle } from '../pattern/outline.ts';
import type { Edge } from '../../facts/piece.ts';
import { piece } from '../pattern/piece.ts';
import { mm, count, shaped, shaper } from '../pattern/shaper.ts';
import { round } from '../pattern/solid.ts';

/** A strap with a round tip and a row of holes; the middle hole fits the girth. Common practice. */
export const strap = shaper({
	name: 'strap with holes',
	makes: 'belt, harness strap, closing strap',
	params: {
		girth: {
			name: 'girth at the middle hole',
			unit: 'mm',
			value: 800,
			least: 30,
			most: 5000,
			measure: 'waistGirth'
		},
		width: { name: 'width', unit: 'mm', value: 38, least: 5, most: 300 },
		holes: { name: 'holes', unit: 'count', value: 5, least: 1, most: 31, hint: 'an odd number has a middle' },
		spacing: { name: 'from hole to hole', unit: 'mm', value: 25, least: 5, most: 100 },
		hole: { name: 'hole across', unit: 'mm', value: 5, least: 1, most: 40 },
		tip: { name: 'from the last hole to the tip', unit: 'mm', value: 100, least: 10, most: 500 },
		turn: { name: 'turned back at the buckle', unit: 'mm', value: 60, least: 0, most: 300 }
	},
	shape({ girth, width, holes, spacing, hole, tip, turn }) {
		if (hole >= width / 2) return bad('holeTooWide', {}, ['hole']);
		if (hole >= spacing) return bad('holesRunTogether', {}, ['spacing']);
		const first = girth - ((holes - 1) / 2) * spacing;
		const last = first + (holes - 1) * spacing;
		const end = last + tip;
		const half = width / 2;
		if (tip <= half) return bad('tipTooShort', { least: Math.ceil(half) + 1 }, ['tip']);
		const edges: Edge[] = [
			{ kind: 'line', to: [end - half, -half] },
			{ kind: 'arc', to: [end - half, half], bulge: 1 },
			{ kind: 'line', to: [-turn, half] },
			{ kind: 'line', to: [-turn, -half] }
		];
		const body: Point3[] = round(girth / (2 * Math.PI), 0);
		return shaped(
			[
				piece(
					'strap',
					{ start: [-turn, -half], edges },
					{
						holes: Array.from({ length: holes }, (_, i) => circle([first + i * spacing, 0], hole / 2, true)),
						lines: turn
							? [
									{
										use: 'fold',
										points: [
											[0, -half],
											[0, half]
										]
									}
								]
							: [],
						grain: 0
					}
				)
			],
			{
				dimensions: [
					{
						title: 'Length, in all',
						of: 'length',
						formula: 'strapLength',
						inputs: [
							mm('girth at the middle hole', girth),
							count('holes', holes),
							mm('from hole to hole', spacing),
							mm('to the tip', tip),
							mm('turned back', turn)
						]
					},
					{
						title: 'Smallest girth it closes to',
						of: 'length',
						formula: 'strapLeast',
						inputs: [
							mm('girth at the middle hole', girth),
							count('holes', holes),
							mm('from hole to hole', spacing)
						]
					}
				],
				solid: [body, body.map(([x, y]): Point3 => [x, y, width])]
			}
		);
	}
});
