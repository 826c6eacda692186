import { bad, problem } from '../../units/problem.ts';
import { facetMiddle, GORE_TAKES, goreHalfWidth, roundSeam } from '../pattern/gore.ts';
import { turnedMesh } from '../pattern/form.ts';
import { polygon } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { meridians, round } from '../pattern/solid.ts';

/** Steps down a gore: the chords then stray from the curve by less than 0.05 mm on a head. */
const STEPS = 48;

/**
 * A half ball, or less or more of one, from gores. `shaped`: the middle of a gore is as long as the ball's meridian, half-width
 * (π·R/n)·sin(s/R) at the arc s; its sides come out longer, and are to be stretched or heated to the ball. `faceted`: every
 * gore bends one way only, and what is sewn up has the ball's height and girths without any shaping. Closed forms.
 */
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
		thickness: { name: 'thickness', unit: 'mm', value: 6, least: 0, most: 50 },
		form: {
			name: 'form',
			unit: 'count',
			value: 0,
			least: 0,
			most: 1,
			choices: ['round: heated or stretched to shape', 'faceted: gores only bend']
		}
	},
	shape({ girth, gores, reach, thickness, form }) {
		if (form === 1 && gores < 3) return bad('facetsOfThree', {}, ['gores']);
		const radius = (girth + Math.PI * thickness) / (2 * Math.PI);
		const angleAt = (i: number) => ((reach * Math.PI) / 180 / STEPS) * i;
		const downTo = (angle: number) => (form === 1 ? facetMiddle(radius, gores, angle) : radius * angle);
		const right = Array.from({ length: STEPS }, (_, i): Point => [
			goreHalfWidth(radius, gores, angleAt(i + 1)),
			-downTo(angleAt(i + 1))
		]);
		const whole = angleAt(STEPS);
		const arc = downTo(whole);
		const excess = roundSeam(radius, gores, whole) / arc - 1;
		const its = [
			mm('radius', radius),
			{ name: 'reaches down to', value: reach, of: 'angle' as const },
			count('gores', gores)
		];
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
				form === 1
					? { title: 'Length of a gore', of: 'length', formula: 'facetMiddle', inputs: its }
					: { title: 'Length of a gore', of: 'length', formula: 'arcLength', inputs: its.slice(0, 2) },
				{
					title: 'Side seam of a gore',
					of: 'length',
					formula: form === 1 ? 'facetSeam' : 'roundSeam',
					inputs: its
				},
				{
					title: 'Height, to the middle of the thickness',
					of: 'length',
					formula: 'capHeight',
					inputs: its.slice(0, 2)
				},
				...(form === 1
					? []
					: [
							{
								title: 'Height, sewn up and not yet shaped',
								of: 'length' as const,
								formula: 'unshapedHeight' as const,
								inputs: its
							}
						]),
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
			warnings:
				form === 0 && excess > GORE_TAKES
					? [problem('goreSides', { percent: Math.round(excess * 100) }, ['form'])]
					: [],
			// Below its widest a dome closes in again.
			rounds:
				reach < 90
					? []
					: [{ value: 'girth', closed: girth * Math.sin((reach * Math.PI) / 180), split: false }],
			solid: [
				round(radius * Math.sin((reach * Math.PI) / 180), radius * Math.cos((reach * Math.PI) / 180)),
				...meridians(gores, profile)
			],
			form: {
				mesh: turnedMesh([...profile].reverse()),
				way: 'round',
				at: 0,
				bends: true,
				thickness
			}
		});
	}
});
