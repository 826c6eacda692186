import type { Point3 } from '../../units/point.ts';
import { between, rowsMesh } from '../pattern/form.ts';
import { polygon } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { mm, shaped, shaper } from '../pattern/shaper.ts';

/** Two plates that meet at an inside angle δ: each edge is cut (180 − δ)/2 off square. Common practice. */
export const ridge = shaper({
	name: 'ridge of two plates',
	makes: 'breastplate ridge, blade, crest, roofed shape',
	params: {
		length: { name: 'length', unit: 'mm', value: 300, least: 5, most: 5000 },
		wide: { name: 'width of a plate at the wide end', unit: 'mm', value: 80, least: 1, most: 3000 },
		narrow: { name: 'width at the narrow end', unit: 'mm', value: 40, least: 0.5, most: 3000 },
		angle: { name: 'inside angle', unit: 'deg', value: 110, least: 20, most: 179 },
		thickness: { name: 'thickness', unit: 'mm', value: 6, least: 0.5, most: 50 }
	},
	shape({ length, wide, narrow, angle, thickness }) {
		const bevel = (180 - angle) / 2;
		const plate = polygon(
			[
				[0, 0],
				[wide, 0],
				[narrow, length],
				[0, length]
			],
			[{}, {}, {}, { seam: 'ridge', bevel }]
		);
		const half = ((angle / 2) * Math.PI) / 180;
		const at = (width: number, y: number, side: number): Point3 => [
			side * width * Math.sin(half),
			y,
			-width * Math.cos(half)
		];
		const side = (s: number): Point3[] => [
			[0, 0, 0],
			at(wide, 0, s),
			at(narrow, length, s),
			[0, length, 0],
			[0, 0, 0]
		];
		const across = (width: number, y: number): Point3[] => {
			const n = Math.ceil(wide / 20);
			return Array.from({ length: 2 * n + 1 }, (_, i) =>
				at((width * Math.abs(i - n)) / n, y, Math.sign(i - n))
			);
		};
		return shaped([piece('plate', plate, { quantity: 2, mirrored: true, grain: 90 })], {
			dimensions: [
				{
					title: 'Bevel of each ridge edge',
					of: 'angle',
					formula: 'ridgeBevel',
					inputs: [{ name: 'inside angle', value: angle, of: 'angle' }]
				},
				{
					title: 'Blade offset of the bevel',
					of: 'length',
					formula: 'bevelOffset',
					inputs: [mm('thickness', thickness), { name: 'bevel', value: bevel, of: 'angle' }]
				}
			],
			solid: [side(1), side(-1)],
			form: {
				mesh: rowsMesh(between(across(wide, -length / 2), across(narrow, length / 2))),
				way: 'on',
				at: -wide * Math.cos(half),
				bends: false,
				thickness
			}
		});
	}
});
