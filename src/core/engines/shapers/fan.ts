import type { Point3 } from '../../units/point.ts';
import { polygon } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';

/** Blades spread evenly over an angle, longest in the middle, on a base with their places marked. Common practice. */
export const fan = shaper({
	name: 'fan or feather row',
	makes: 'wing, tail, crest, headdress',
	params: {
		count: { name: 'blades', unit: 'count', value: 9, least: 2, most: 120 },
		spread: { name: 'spread', unit: 'deg', value: 120, least: 5, most: 340 },
		middle: { name: 'length of the middle blade', unit: 'mm', value: 400, least: 10, most: 3000 },
		outside: { name: 'length of the outer blades', unit: 'mm', value: 240, least: 10, most: 3000 },
		width: { name: 'width of a blade', unit: 'mm', value: 55, least: 2, most: 600 },
		root: { name: 'radius of the base', unit: 'mm', value: 90, least: 5, most: 1000 }
	},
	shape({ count: n, spread, middle, outside, width, root }) {
		const half = (n - 1) / 2;
		const lengthOf = (i: number) => outside + (middle - outside) * (1 - Math.abs(i - half) / half);
		const sizes = [
			...new Map(Array.from({ length: n }, (_, i) => [lengthOf(i).toFixed(6), lengthOf(i)])).values()
		];
		const angleOf = (i: number) => 90 + spread / 2 - (spread * i) / (n - 1);
		const rad = (d: number) => (d * Math.PI) / 180;
		const base = piece('base', sector(root, 0, Math.min(350, spread + 20)), {
			lines: Array.from({ length: n }, (_, i) => ({
				use: 'placement' as const,
				points: [
					[root * 0.4 * Math.cos(rad(angleOf(i))), root * 0.4 * Math.sin(rad(angleOf(i)))],
					[root * 0.95 * Math.cos(rad(angleOf(i))), root * 0.95 * Math.sin(rad(angleOf(i)))]
				] as const
			}))
		});
		const blades = sizes.map((length) =>
			piece(
				`blade ${Math.round(length)} mm`,
				polygon([
					[0, 0],
					[width * 0.5, length * 0.55],
					[0, length],
					[-width * 0.5, length * 0.55]
				]),
				{
					quantity: Array.from({ length: n }, (_, i) => lengthOf(i)).filter(
						(l) => Math.abs(l - length) < 1e-6
					).length,
					grain: 90
				}
			)
		);
		return shaped([base, ...blades], {
			dimensions: [
				{
					title: 'From blade to blade',
					of: 'angle',
					formula: 'share',
					inputs: [{ name: 'spread', value: spread, of: 'angle' }, count('spaces', n - 1)]
				},
				{
					title: 'From tip to tip in the middle',
					of: 'length',
					formula: 'chordByAngle',
					inputs: [
						mm('length of the middle blade', middle),
						{ name: 'from blade to blade', value: spread / (n - 1), of: 'angle' }
					]
				} satisfies Dimension
			],
			solid: Array.from({ length: n }, (_, i): Point3[] => {
				const [c, s] = [Math.cos(rad(angleOf(i))), Math.sin(rad(angleOf(i)))];
				const l = lengthOf(i);
				const at = (u: number, v: number): Point3 => [u * c - v * s, 0, u * s + v * c];
				return [at(0, 0), at(l * 0.55, -width / 2), at(l, 0), at(l * 0.55, width / 2), at(0, 0)];
			})
		});
	}
});
