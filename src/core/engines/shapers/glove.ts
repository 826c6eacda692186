import { bad } from '../../units/problem.ts';
import type { Edge } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper, type Point3 } from '../pattern/shaper.ts';

/** How far the fingers are spread, degrees from the middle of the hand; then there is room for a seam between them. */
const SPREAD = [10, 3.5, -3.5, -11] as const;
/** The thumb leaves the hand at this angle. */
const THUMB = 48;

/**
 * A glove of two equal halves, front and back of the hand, for stretch cloth. Each half is as wide as half the palm's
 * girth; every finger takes a quarter of that. Common practice; measure each finger from its root to its tip.
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
		seam: { name: 'seam allowance', unit: 'mm', value: 6, least: 0, most: 20 }
	},
	shape({ palm, wrist, palmLength, cuff, index, middle, ring, little, thumb, seam }) {
		const width = palm / 2;
		const finger = width / 4;
		const lengths = [index, middle, ring, little];
		const names = ['index', 'middle', 'ring', 'little'] as const;
		const short = lengths.findIndex((l) => l < finger);
		if (short >= 0) return bad('fingerTooShort', { least: Math.ceil(finger) }, [names[short]!]);
		// The thumb is a quarter wider than a finger, and sits in the lower half of the palm.
		const thumbWide = finger * 1.25;
		const root = palmLength * 0.62;
		const foot = root - thumbWide / Math.sin((THUMB * Math.PI) / 180);
		if (foot < 0) return bad('thumbTooWide', {}, ['palmLength']);
		const its = { seam: 'round', ...(seam ? { allowance: seam } : {}) };
		const edges: Edge[] = [];
		const line = (to: Point) => edges.push({ kind: 'line', to, ...its });
		/** Up one side of a finger, round its tip and down to where the next one begins. */
		const up = (from: Point, to: Point, long: number, degrees: number) => {
			const a = (degrees * Math.PI) / 180;
			const [dx, dy] = [Math.cos(a), Math.sin(a)];
			// Seen along the finger the root is a little narrower than straight across.
			const across = (to[0] - from[0]) * -dy + (to[1] - from[1]) * dx;
			const lag = (to[0] - from[0]) * dx + (to[1] - from[1]) * dy;
			const straight = long - across / 2;
			const tip: Point = [from[0] + dx * straight, from[1] + dy * straight];
			line(tip);
			edges.push({ kind: 'arc', to: [tip[0] - dy * across, tip[1] + dx * across], bulge: 1, ...its });
			if (Math.abs(straight - lag) > 1e-9 || across > 0) line(to);
		};
		const half = wrist / 4;
		const start: Point = [-half, -cuff];
		edges.push({ kind: 'line', to: [half, -cuff] });
		line([width / 2, cuff > 0 ? 0 : Math.min(foot, 1)]);
		line([width / 2, foot]);
		up([width / 2, foot], [width / 2, root], thumb, 90 - THUMB);
		line([width / 2, palmLength]);
		lengths.forEach((long, i) =>
			up(
				[width / 2 - i * finger, palmLength],
				[width / 2 - (i + 1) * finger, palmLength],
				long,
				90 - SPREAD[i]!
			)
		);
		line([-width / 2, cuff > 0 ? 0 : Math.min(foot, 1)]);
		line(start);
		const outline = { start, edges };
		const sheet = (z: number): Point3[] =>
			[start, ...edges.map((e) => e.to)].map(([x, y]): Point3 => [x, z, y]);
		return shaped([piece('half of the hand', outline, { quantity: 2, mirrored: true, grain: 90 })], {
			dimensions: [
				{
					title: 'Width of a half',
					of: 'length',
					formula: 'share',
					inputs: [mm('girth of the palm', palm), count('halves', 2)]
				},
				{
					title: 'Width of a finger',
					of: 'length',
					formula: 'share',
					inputs: [mm('girth of the palm', palm), count('sides of fingers', 8)]
				}
			],
			solid: [sheet(0), sheet(20)]
		});
	}
});
