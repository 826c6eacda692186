import { flounceAngle } from '../pattern/flounce.ts';
import { problem } from '../../units/problem.ts';
import { polygon } from '../pattern/outline.ts';
import type { EdgeMarks } from '../../facts/piece.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import type { Piece } from '../../facts/piece.ts';
import { rectangle, sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';

const STEPS = 96;

/**
 * A flounce from a ring sector: the inner arc is the edge it is sewn to, the outer one is the inner × flare.
 * Straight with a flare of 1; tapered when its ends differ in width, by the angle that gives the outer edge its length.
 * Common practice.
 */
export const ruffle = shaper({
	name: 'flounce',
	makes: 'cuff flounce, collar, peplum, hem',
	params: {
		edge: { name: 'edge that it is sewn to', unit: 'mm', value: 400, least: 10, most: 50_000 },
		flare: { name: 'flare', unit: 'times', value: 1.8, least: 1, most: 8, hint: 'outer edge by inner edge' },
		width: { name: 'width', unit: 'mm', value: 90, least: 3, most: 3000 },
		widthEnd: { name: 'width at the other end', unit: 'mm', value: 90, least: 3, most: 3000 },
		allowance: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 }
	},
	shape({ edge, flare, width, widthEnd, allowance }) {
		const sewn: EdgeMarks = { seam: 'edge', onto: true, ...(allowance ? { allowance } : {}) };
		const end: EdgeMarks = allowance ? { allowance } : {};
		const widest = Math.max(width, widthEnd);
		const angle = (flounceAngle(edge, flare, width, widthEnd) * 180) / Math.PI;
		const straight = angle < 1e-7;
		const parts = Math.max(1, Math.ceil(angle / 350));
		const piecesOf = (): Piece[] => {
			if (straight)
				return [
					piece('strip', width === widthEnd ? rectangle(edge, width, [sewn, end, {}, end]) : taper(), {
						grain: 90
					})
				];
			const inner = edge / ((angle * Math.PI) / 180);
			if (width === widthEnd)
				return [
					piece('part', sector(inner + width, inner, angle / parts, { inner: sewn, left: end, right: end }), {
						quantity: parts
					})
				];
			return Array.from({ length: parts }, (_, p) =>
				piece(parts === 1 ? 'part' : `part ${p + 1} of ${parts}`, tapered(inner, p))
			);
		};
		const widthAt = (t: number) => width + (widthEnd - width) * t;
		const taper = () =>
			polygon(
				[
					[0, 0],
					[edge, 0],
					[edge, widthEnd],
					[0, width]
				],
				[sewn, end, {}, end]
			);
		const tapered = (inner: number, part: number) => {
			const spread = ((angle / parts) * Math.PI) / 180;
			const at = (radius: number, t: number): Point => {
				const a = Math.PI / 2 + spread / 2 - spread * t;
				return [radius * Math.cos(a), radius * Math.sin(a)];
			};
			const ts = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS);
			const outerPoints = ts.map((t) => at(inner + widthAt((part + t) / parts), t)).reverse();
			const innerPoints = ts.map((t) => at(inner, t));
			const points = [...outerPoints, ...innerPoints];
			return polygon(
				points,
				points.map((_, i) => (i < STEPS ? {} : i === STEPS || i === points.length - 1 ? end : sewn))
			);
		};
		const its = [
			mm('edge that it is sewn to', edge),
			mm('width', width),
			mm('width at the other end', widthEnd)
		];
		const dimensions: Dimension[] = [
			{
				title: 'Outer edge',
				of: 'length',
				formula: 'flounceOuter',
				inputs: [...its, { name: 'sector angle in all', value: angle, of: 'angle' }]
			}
		];
		if (!straight)
			dimensions.push(
				{
					title: 'Sector angle in all',
					of: 'angle',
					formula: 'flounceAngle',
					inputs: [its[0]!, count('flare', flare), its[1]!, its[2]!]
				},
				{
					title: 'Inner radius',
					of: 'length',
					formula: 'arcRadius',
					inputs: [
						mm('edge that it is sewn to', edge),
						{ name: 'sector angle in all', value: angle, of: 'angle' }
					]
				}
			);
		const waves = Math.max(3, Math.round(edge / 60));
		const wavy: Point3[] = Array.from({ length: 121 }, (_, i): Point3 => {
			const t = i / 120;
			return [
				edge * t,
				Math.sin(2 * Math.PI * waves * t) * widest * 0.25 * Math.min(1, flare - 1),
				-widthAt(t)
			];
		});
		return shaped(piecesOf(), {
			dimensions,
			warnings: parts > 1 ? [problem('sectorSplit', { angle: Math.round(angle), parts }, ['flare'])] : [],
			solid: [
				[
					[0, 0, 0],
					[edge, 0, 0]
				],
				wavy
			]
		});
	}
});
