import { bad } from '../../units/problem.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { mm, shaped, shaper } from '../pattern/shaper.ts';
import { boxMesh } from '../pattern/form.ts';
import { boxLines } from '../pattern/solid.ts';

/** Six plates, or five, with every meeting edge at 45°: outer sizes are kept. Common practice. */
export const plateBox = shaper({
	name: 'box of plates',
	makes: 'pouch shell, backpack, blocky prop',
	params: {
		width: { name: 'width outside', unit: 'mm', value: 180, least: 5, most: 5000 },
		depth: { name: 'depth outside', unit: 'mm', value: 60, least: 5, most: 5000 },
		height: { name: 'height outside', unit: 'mm', value: 120, least: 5, most: 5000 },
		thickness: { name: 'thickness', unit: 'mm', value: 10, least: 0.5, most: 50 },
		lid: { name: 'top', unit: 'count', value: 0, least: 0, most: 1, choices: ['closed', 'open'] }
	},
	shape({ width, depth, height, thickness, lid }) {
		if (2 * thickness >= Math.min(width, depth, height)) return bad('thicknessTooLarge', {}, ['thickness']);
		const edge = { seam: 'edge', bevel: 45 };
		const top = lid === 1 ? {} : edge;
		const wall = [edge, edge, top, edge];
		const all = [edge, edge, edge, edge];
		return shaped(
			[
				piece('front and back', rectangle(width, height, wall), { quantity: 2 }),
				piece('sides', rectangle(depth, height, wall), { quantity: 2 }),
				piece(lid === 1 ? 'bottom' : 'top and bottom', rectangle(width, depth, all), {
					quantity: lid === 1 ? 1 : 2
				})
			],
			{
				dimensions: [
					{
						title: 'Blade offset of the bevel',
						of: 'length',
						formula: 'bevelOffset',
						inputs: [mm('thickness', thickness), { name: 'bevel', value: 45, of: 'angle' }]
					}
				],
				solid: boxLines(width, depth, height),
				form: {
					mesh: boxMesh(width - thickness, height - thickness, depth - thickness),
					way: 'on',
					at: -thickness / 2,
					bends: false,
					thickness
				}
			}
		);
	}
});
