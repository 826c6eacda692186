import { problem } from '../../units/problem.ts';
import { piece } from '../pattern/piece.ts';
import { sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { meridians, round } from '../pattern/solid.ts';

/** Waist radius W/(2π·f) for f of a circle. Source: closed form, as in common handbooks of pattern cutting. */
export const circleSkirt = shaper({
	name: 'circle skirt',
	makes: 'full, half or quarter circle skirt, cape',
	params: {
		waist: {
			name: 'waist or neck girth',
			unit: 'mm',
			value: 700,
			least: 50,
			most: 5000,
			measure: 'waistGirth'
		},
		length: { name: 'length', unit: 'mm', value: 600, least: 10, most: 3000 },
		part: {
			name: 'part of a circle',
			unit: 'times',
			value: 1,
			least: 0.1,
			most: 4,
			hint: '1 full, 0.5 half, 0.25 quarter'
		},
		panels: { name: 'panels', unit: 'count', value: 2, least: 1, most: 48 },
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
		hem: { name: 'hem allowance', unit: 'mm', value: 20, least: 0, most: 100 },
		cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 }
	},
	shape({ waist, length, part, panels, seam, hem, cloth }) {
		const radius = waist / (2 * Math.PI * part);
		const angle = (360 * part) / panels;
		const marks = seam ? { allowance: seam } : {};
		if (angle >= 360)
			return {
				ok: false,
				problem: { code: 'sectorTooWide', path: ['panels'], values: { angle: Math.round(angle) } }
			};
		const side = { seam: 'side', ...marks };
		const panel = piece(
			'panel',
			sector(radius + length, radius, angle, {
				inner: { seam: 'waist', onto: true, ...marks },
				outer: hem ? { allowance: hem } : {},
				left: side,
				right: side
			}),
			{ quantity: panels, grain: 90 }
		);
		// Laid with its middle along the cloth, a panel is as wide as its chord, or as its hem's diameter.
		const reach = radius + length + hem;
		const wide = angle >= 180 ? 2 * reach : 2 * reach * Math.sin((angle / 2) * (Math.PI / 180)) + 2 * seam;
		const hemRadius = waist / (2 * Math.PI) + length * 0.55 * Math.min(1, part);
		return shaped([panel], {
			dimensions: [
				{
					title: 'Waist radius',
					of: 'length',
					formula: 'skirtRadius',
					inputs: [mm('waist or neck girth', waist), count('part of a circle', part)]
				},
				{
					title: 'Hem in all',
					of: 'length',
					formula: 'skirtHem',
					inputs: [mm('waist radius', radius), mm('length', length), count('part of a circle', part)]
				},
				{
					title: 'Width of a panel across the cloth',
					of: 'length',
					formula: 'same',
					inputs: [mm('width of a panel', wide)]
				}
			],
			warnings: wide > cloth ? [problem('widerThanCloth', { panels: panels + 1 }, ['cloth'])] : [],
			solid: [
				round(waist / (2 * Math.PI), 0),
				round(hemRadius, -length * 0.85),
				...meridians(12, [
					[waist / (2 * Math.PI), 0],
					[hemRadius, -length * 0.85]
				])
			]
		});
	}
});
