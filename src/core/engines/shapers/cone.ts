import { piece } from '../pattern/piece.ts';
import { sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { meridians, round } from '../pattern/solid.ts';

/** Slant L = √(r² + h²), sector angle 360·r/L. Closed form of the developed cone, common practice. */
export const cone = shaper({
	name: 'cone',
	makes: 'spike, horn, pointed hat',
	params: {
		girth: { name: 'girth of the base', unit: 'mm', value: 188, least: 5, most: 20_000 },
		height: { name: 'height', unit: 'mm', value: 200, least: 1, most: 5000 },
		panels: { name: 'panels', unit: 'count', value: 1, least: 1, most: 24 },
		overlap: {
			name: 'overlap',
			unit: 'mm',
			value: 0,
			least: 0,
			most: 200,
			hint: '0 for a butt joint'
		}
	},
	shape({ girth, height, panels, overlap }) {
		const radius = girth / (2 * Math.PI);
		const slant = Math.hypot(radius, height);
		const angle = (360 * radius) / slant;
		const side = { seam: 'side' };
		const panel = piece(
			'panel',
			sector(slant, 0, angle / panels, {
				outer: { seam: 'base', onto: true },
				left: { ...side, ...(overlap ? { allowance: overlap } : {}) },
				right: side
			}),
			{ quantity: panels, grain: 90 }
		);
		return shaped([panel], {
			dimensions: [
				{
					title: 'Slant',
					of: 'length',
					formula: 'hypotenuse',
					inputs: [mm('radius of the base', radius), mm('height', height)]
				},
				{
					title: 'Sector angle of a panel',
					of: 'angle',
					formula: 'coneAngle',
					inputs: [mm('radius of the base', radius), mm('slant', slant), count('panels', panels)]
				}
			],
			solid: [
				round(radius, 0),
				...meridians(Math.max(panels, 8), [
					[radius, 0],
					[0, height]
				])
			]
		});
	}
});
