import { bad, problem } from '../../units/problem.ts';
import type { Edge } from '../../facts/piece.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { relaxed } from '../body/girth.ts';
import { piece } from '../pattern/piece.ts';
import { STRETCH_ACROSS, STRETCH_ALONG, STRETCH_USED } from '../pattern/stretch.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/**
 * How far each finger leans from the middle of the hand, degrees: spread as a hand is traced, so that the allowances of two
 * fingers have room between them.
 */
const SPREAD = [21, 7, -7, -21] as const;
/** Between two fingers. */
const BETWEEN = 14;
/** The thumb leaves the hand at this angle. */
const THUMB = 48;
const radians = (degrees: number) => (degrees * Math.PI) / 180;

/**
 * A glove of two equal halves, front and back of the hand, for stretch cloth. Each half is as wide as half the palm's
 * girth; every finger takes a quarter of that, which is less than a finger is round: the cloth must give the rest. Common
 * practice; measure each finger from its root to its tip.
 */
export const glove = shaper({
	name: 'glove',
	makes: 'stretch glove, gauntlet lining, creature hand',
	params: {
		palm: {
			name: 'girth of the palm, without the thumb',
			unit: 'mm',
			value: 200,
			least: 80,
			most: 500,
			measure: 'handGirth'
		},
		wrist: {
			name: 'girth at the end of the cuff',
			unit: 'mm',
			value: 190,
			least: 80,
			most: 700,
			measure: 'wristGirth'
		},
		palmLength: { name: 'wrist to the roots of the fingers', unit: 'mm', value: 105, least: 30, most: 250 },
		cuff: { name: 'cuff below the wrist', unit: 'mm', value: 60, least: 0, most: 700 },
		index: { name: 'index finger', unit: 'mm', value: 72, least: 10, most: 250 },
		middle: { name: 'middle finger', unit: 'mm', value: 80, least: 10, most: 250 },
		ring: { name: 'ring finger', unit: 'mm', value: 74, least: 10, most: 250 },
		little: { name: 'little finger', unit: 'mm', value: 58, least: 10, most: 250 },
		thumb: { name: 'thumb', unit: 'mm', value: 62, least: 10, most: 250 },
		fingerGirth: {
			name: 'girth of the thickest finger, at its root',
			unit: 'mm',
			value: 60,
			least: 20,
			most: 200
		},
		stretchAcross: STRETCH_ACROSS,
		stretchAlong: STRETCH_ALONG,
		stretchUsed: STRETCH_USED,
		seam: { name: 'seam allowance', unit: 'mm', value: 6, least: 0, most: 20 }
	},
	shape(its) {
		const { stretchAcross, stretchAlong, stretchUsed, seam } = its;
		const across = (mm: number) => relaxed(mm, stretchAcross, stretchUsed);
		const along = (mm: number) => relaxed(mm, stretchAlong, stretchUsed);
		const [palm, wrist] = [across(its.palm), across(its.wrist)];
		const [palmLength, cuff, thumb] = [along(its.palmLength), along(its.cuff), along(its.thumb)];
		const width = palm / 2;
		const finger = width / 4;
		const lengths = [its.index, its.middle, its.ring, its.little].map(along);
		const names = ['index', 'middle', 'ring', 'little'] as const;
		const short = lengths.findIndex((l) => l < finger);
		if (short >= 0) return bad('fingerTooShort', { least: Math.ceil(finger) }, [names[short]!]);
		// Roots lie on a bow, each square to its finger: none is narrower than another.
		const roots: Point[] = [[0, 0]];
		for (const lean of SPREAD)
			roots.push([
				roots.at(-1)![0] - finger * Math.cos(radians(lean)),
				roots.at(-1)![1] + finger * Math.sin(radians(lean))
			]);
		const [high, wide] = [Math.max(...roots.map((p) => p[1])), -roots.at(-1)![0]];
		const root = (i: number): Point => [roots[i]![0] + wide / 2, roots[i]![1] + palmLength - high];
		// The thumb is a quarter wider than a finger, and sits in the lower half of the palm.
		const thumbWide = finger * 1.25;
		const thumbTop = palmLength * 0.62;
		const foot = thumbTop - thumbWide / Math.sin(radians(THUMB));
		if (foot < 0) return bad('thumbTooWide', {}, ['palmLength']);
		// Two allowances meet half way up the shortest finger at the latest: there the scissors reach.
		const between = Math.min(seam, (Math.min(...lengths) / 2) * Math.sin(radians(BETWEEN / 2)));
		const allowed = (mm: number) => ({ seam: 'round', ...(mm ? { allowance: mm } : {}) });
		const edges: Edge[] = [];
		const line = (to: Point, mm = seam) => edges.push({ kind: 'line', to, ...allowed(mm) });
		/** Up one side of a finger, round its tip and down to where the next one begins. */
		const up = (
			from: Point,
			to: Point,
			long: number,
			degrees: number,
			sides: readonly [number, number, number]
		) => {
			const [dx, dy] = [Math.cos(radians(degrees)), Math.sin(radians(degrees))];
			const wide = (to[0] - from[0]) * -dy + (to[1] - from[1]) * dx;
			const straight = long - wide / 2;
			const tip: Point = [from[0] + dx * straight, from[1] + dy * straight];
			line(tip, sides[0]);
			edges.push({
				kind: 'arc',
				to: [tip[0] - dy * wide, tip[1] + dx * wide],
				bulge: 1,
				...allowed(sides[1])
			});
			line(to, sides[2]);
		};
		const half = wrist / 4;
		const start: Point = [-half, -cuff];
		edges.push({ kind: 'line', to: [half, -cuff] });
		const [side, heel] = [width / 2, cuff > 0 ? 0 : Math.min(foot, 1)];
		line([side, heel]);
		line([side, foot]);
		up([side, foot], [side, thumbTop], thumb, 90 - THUMB, [seam, seam, seam]);
		line(root(0));
		lengths.forEach((long, i) =>
			up(root(i), root(i + 1), long, 90 - SPREAD[i]!, [
				i === 0 ? seam : between,
				between,
				i === 3 ? seam : between
			])
		);
		line([-side, heel]);
		line(start);
		const asked = (its.fingerGirth / (2 * finger) - 1) * 100;
		const outline = { start, edges };
		const sheet = (z: number): Point3[] =>
			[start, ...edges.map((e) => e.to)].map(([x, y]): Point3 => [x, z, y]);
		return shaped([piece('half of the hand', outline, { quantity: 2, mirrored: true, grain: 90 })], {
			dimensions: [
				{
					title: 'Girth of the palm, as cut',
					of: 'length',
					formula: 'relaxed',
					inputs: [
						mm('girth of the palm', its.palm),
						count('stretch across, percent', stretchAcross),
						count('share worn', stretchUsed)
					]
				},
				{
					title: 'Stretch that fingers ask for, percent',
					of: 'count',
					formula: 'askedStretch',
					inputs: [mm('girth of the thickest finger', its.fingerGirth), mm('width of a finger', finger)]
				},
				{
					title: 'Width of a half',
					of: 'length',
					formula: 'share',
					inputs: [mm('girth of the palm, as cut', palm), count('halves', 2)]
				},
				{
					title: 'Width of a finger',
					of: 'length',
					formula: 'share',
					inputs: [mm('girth of the palm, as cut', palm), count('sides of fingers', 8)]
				}
			],
			warnings:
				asked > stretchAcross
					? [
							problem('fingersTight', { asked: Math.ceil(asked), has: Math.round(stretchAcross) }, [
								'fingerGirth'
							])
						]
					: [],
			solid: [sheet(0), sheet(20)]
		});
	}
});
