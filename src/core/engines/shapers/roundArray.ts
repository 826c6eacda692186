import type { Point3 } from '../../units/point.ts';
import { bad, problem } from '../../units/problem.ts';
import { circle } from '../pattern/outline.ts';
import type { Outline } from '../../facts/piece.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import { round } from '../pattern/solid.ts';

/** A petal as long as `length` and as wide as `width`, its root at 0, 0. */
const petal = (length: number, width: number): Outline => ({
	start: [0, 0],
	edges: [
		{ kind: 'cubic', c1: [width * 0.45, length * 0.1], c2: [width * 0.75, length * 0.75], to: [0, length] },
		{ kind: 'cubic', c1: [-width * 0.75, length * 0.75], c2: [-width * 0.45, length * 0.1], to: [0, 0] }
	]
});

/** n places on a radius r lie a chord of 2r·sin(π/n) apart; each further ring is turned by half a step. Closed form. */
export const roundArray = shaper({
	name: 'petals in rings',
	makes: 'flower, rosette, sun rays, ring of holes',
	params: {
		count: { name: 'petals of a ring', unit: 'count', value: 8, least: 3, most: 120 },
		rings: { name: 'rings', unit: 'count', value: 3, least: 1, most: 12 },
		radius: { name: 'radius of the first ring', unit: 'mm', value: 25, least: 1, most: 2000 },
		step: { name: 'from ring to ring', unit: 'mm', value: 14, least: 0, most: 1000 },
		length: { name: 'length of a petal', unit: 'mm', value: 60, least: 2, most: 2000 },
		grow: { name: 'each ring longer by', unit: 'times', value: 1.2, least: 0.3, most: 3 },
		width: { name: 'width of a petal', unit: 'mm', value: 32, least: 1, most: 2000 },
		hole: {
			name: 'hole at each place, across',
			unit: 'mm',
			value: 3,
			least: 0,
			most: 100,
			hint: '0 for none'
		}
	},
	shape({ count: n, rings, radius, step, length, grow, width, hole }) {
		const radii = Array.from({ length: rings }, (_, k) => radius + k * step);
		const places = radii.map((r, k) =>
			Array.from({ length: n }, (_, i): [number, number, number] => {
				const a = (2 * Math.PI * (i + (k % 2) / 2)) / n;
				return [r * Math.cos(a), r * Math.sin(a), a];
			})
		);
		const chord = 2 * radius * Math.sin(Math.PI / n);
		if (hole > 0 && chord <= hole) return bad('holesRunTogether', {}, ['hole']);
		if (hole > 0 && step > 0 && step <= hole && rings > 1) return bad('holesRunTogether', {}, ['step']);
		const edge = radii.at(-1)! + Math.max(hole, 6) + 4;
		const outline = circle([0, 0], edge);
		return shaped(
			[
				piece('base', outline, {
					holes:
						hole > 0 && (step > 0 || rings === 1)
							? places.flat().map(([x, y]) => circle([x, y], hole / 2, true))
							: []
				}),
				...radii.map((_, k) =>
					piece(
						rings === 1 ? 'petal' : `petal, ring ${k + 1}`,
						petal(length * grow ** k, width * grow ** k),
						{ quantity: n, grain: 90 }
					)
				)
			],
			{
				dimensions: radii.map((r, k): Dimension => ({
					title: `Ring ${k + 1}: from place to place`,
					of: 'length',
					formula: 'chord',
					inputs: [mm('radius', r), count('petals of a ring', n)]
				})),
				warnings: width > 3 * chord ? [problem('petalsCrowd', {}, ['width'])] : [],
				solid: [
					round(edge, 0),
					...places.flatMap((ring, k) =>
						ring.map(([x, y, a]): Point3[] => {
							const l = length * grow ** k;
							const w = width * grow ** k * 0.5;
							const to = (u: number, v: number): Point3 => [
								x + u * Math.cos(a) - v * Math.sin(a),
								y + u * Math.sin(a) + v * Math.cos(a),
								(u / l) * l * 0.35 * (rings - k)
							];
							return [to(0, 0), to(l * 0.5, -w), to(l, 0), to(l * 0.5, w), to(0, 0)];
						})
					)
				]
			}
		);
	}
});
