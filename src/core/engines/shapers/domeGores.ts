import { polygon } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { meridians, round } from '../pattern/solid.ts';

/** Steps down a gore: the chords then stray from the curve by less than 0.05 mm on a head. */
const STEPS = 48;

/** Half-width of a gore at arc s from the pole of a sphere. Source: closed form, (π·R/n)·sin(s/R). */
export const goreHalfWidth = (radius: number, gores: number, s: number): number =>
	((Math.PI * radius) / gores) * Math.sin(s / radius);

export const domeGores = shaper({
	name: 'dome of gores',
	makes: 'helmet cap, cap crown, cup, ball half',
	params: {
		girth: {
			name: 'girth at the widest',
			unit: 'mm',
			value: 620,
			least: 30,
			most: 20_000,
			measure: 'headGirth'
		},
		gores: { name: 'gores', unit: 'count', value: 6, least: 2, most: 48 },
		reach: {
			name: 'reaches down to',
			unit: 'deg',
			value: 90,
			least: 10,
			most: 150,
			hint: '90 is a half ball, less a cap, more closes in again'
		},
		thickness: { name: 'thickness', unit: 'mm', value: 6, least: 0, most: 50 }
	},
	shape({ girth, gores, reach, thickness }) {
		const radius = (girth + Math.PI * thickness) / (2 * Math.PI);
		const arc = (radius * reach * Math.PI) / 180;
		const at = (i: number) => (arc * i) / STEPS;
		const right = Array.from({ length: STEPS }, (_, i): Point => {
			const s = at(STEPS - i);
			return [goreHalfWidth(radius, gores, s), -s];
		}).reverse();
		// From the pole down on the left, along the rim, and up on the right: counter-clockwise.
		const points: Point[] = [[0, 0], ...right.map(([x, y]): Point => [-x, y]), ...[...right].reverse()];
		const marks = points.map((_, i) => (i === STEPS ? {} : { seam: 'gore' }));
		const profile = Array.from({ length: 25 }, (_, i): [number, number] => {
			const a = ((reach * Math.PI) / 180) * (i / 24);
			return [radius * Math.sin(a), radius * Math.cos(a)];
		});
		return shaped([piece('gore', polygon(points, marks), { quantity: gores, grain: 90 })], {
			dimensions: [
				{
					title: 'Radius to the middle of the thickness',
					of: 'length',
					formula: 'bandRadius',
					inputs: [mm('girth', girth), mm('thickness', thickness)]
				},
				{
					title: 'Length of a gore',
					of: 'length',
					formula: 'arcLength',
					inputs: [mm('radius', radius), { name: 'reaches down to', value: reach, of: 'angle' }]
				},
				{
					title: 'Widest width of a gore',
					of: 'length',
					formula: 'share',
					inputs: [
						mm(
							'girth at the middle of the thickness',
							2 * Math.PI * radius * Math.sin((Math.min(reach, 90) * Math.PI) / 180)
						),
						count('gores', gores)
					]
				}
			],
			solid: [
				round(radius * Math.sin((reach * Math.PI) / 180), radius * Math.cos((reach * Math.PI) / 180)),
				...meridians(gores, profile)
			]
		});
	}
});
