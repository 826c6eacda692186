import type { Point3 } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/** Cloth = edge × fullness, 1.5 to 2.5 as a rule; in as many lengths as the cloth is wide. Common practice. */
export const gathers = shaper({
	name: 'gathered strip',
	makes: 'frill, gathered skirt, puffed sleeve head',
	params: {
		edge: { name: 'edge that it is sewn to', unit: 'mm', value: 700, least: 10, most: 50_000 },
		fullness: { name: 'fullness', unit: 'times', value: 2, least: 1, most: 6 },
		width: { name: 'width', unit: 'mm', value: 150, least: 3, most: 3000 },
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
		hem: { name: 'hem allowance', unit: 'mm', value: 15, least: 0, most: 100 },
		cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 }
	},
	shape({ edge, fullness, width, seam, hem, cloth }) {
		const total = edge * fullness;
		const parts = Math.max(1, Math.ceil(total / (cloth - 2 * seam)));
		const end = { seam: 'join', ...(seam ? { allowance: seam } : {}) };
		const strip = rectangle(total / parts, width, [
			hem ? { allowance: hem } : {},
			end,
			{ seam: 'edge', onto: true, fullness, ...(seam ? { allowance: seam } : {}) },
			end
		]);
		const wave = (z: number, deep: number): Point3[] =>
			Array.from({ length: 161 }, (_, i): Point3 => [
				(edge * i) / 160,
				deep * Math.sin((i / 160) * Math.PI * 2 * Math.round(edge / 40)),
				z
			]);
		return shaped([piece('strip', strip, { quantity: parts, grain: 90 })], {
			dimensions: [
				{
					title: 'Cloth, in all',
					of: 'length',
					formula: 'product',
					inputs: [mm('edge that it is sewn to', edge), count('fullness', fullness)]
				},
				{
					title: 'Length of a strip',
					of: 'length',
					formula: 'share',
					inputs: [mm('cloth, in all', total), count('strips', parts)]
				}
			],
			solid: [wave(0, 2), wave(-width, 14)]
		});
	}
});
