import { bad } from '../../units/problem.ts';
import { flatten } from '../pattern/outline.ts';
import type { Edge } from '../../facts/piece.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { mm, shaped, shaper } from '../pattern/shaper.ts';

/** A plain panel with straight sides and round corners: tabards, flaps, pockets, and a beginning to draw on by hand. */
export const flatPanel = shaper({
	name: 'flat panel',
	makes: 'tabard, flap, pocket, loincloth, banner',
	params: {
		top: { name: 'width at the top', unit: 'mm', value: 200, least: 1, most: 20_000 },
		bottom: { name: 'width at the bottom', unit: 'mm', value: 240, least: 1, most: 20_000 },
		height: { name: 'height', unit: 'mm', value: 300, least: 1, most: 20_000 },
		corner: { name: 'radius of the lower corners', unit: 'mm', value: 0, least: 0, most: 5000 },
		allowance: { name: 'seam allowance', unit: 'mm', value: 0, least: 0, most: 100 }
	},
	shape({ top, bottom, height, corner, allowance }) {
		const its = allowance ? { allowance } : {};
		const lean = (bottom - top) / 2;
		const slant = Math.hypot(lean, height);
		// Between the lower edge and a side: how far a corner of this radius takes from both.
		const angle = Math.atan2(height, lean);
		const taken = corner / Math.tan(angle / 2);
		if (2 * taken > bottom || taken > slant) return bad('cornerTooRound', {}, ['corner']);
		const [sx, sy] = [(taken * lean) / slant, (taken * height) / slant];
		const bulge = Math.tan((Math.PI - angle) / 4);
		const right: Point[] = [
			[bottom / 2 - taken, 0],
			[bottom / 2 - sx, sy]
		];
		const mirror = ([x, y]: Point): Point => [-x, y];
		const round = (to: Point): Edge[] => (corner > 0 ? [{ kind: 'arc', to, bulge, ...its }] : []);
		const edges: Edge[] = [
			{ kind: 'line', to: right[0]!, ...its },
			...round(right[1]!),
			{ kind: 'line', to: [top / 2, height], ...its },
			{ kind: 'line', to: [-top / 2, height], ...its },
			{ kind: 'line', to: mirror(right[1]!), ...its },
			...round(mirror(right[0]!))
		];
		return shaped([piece('panel', { start: mirror(right[0]!), edges }, { grain: 90 })], {
			dimensions: [
				{
					title: 'Slant of a side',
					of: 'length',
					formula: 'hypotenuse',
					inputs: [mm('half the difference of the widths', Math.abs(lean)), mm('height', height)]
				}
			],
			solid: [
				flatten({ start: mirror(right[0]!), edges }, 1)
					.points.concat([mirror(right[0]!)])
					.map(([x, y]): Point3 => [x, 0, y])
			]
		});
	}
});
