import { bad } from '../../units/problem.ts';
import { turnedMesh } from '../pattern/form.ts';
import { piece } from '../pattern/piece.ts';
import { sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { MEASURED_AT, roundDimension, THICKNESS, throughMiddle } from '../pattern/thickness.ts';
import { meridians, round } from '../pattern/solid.ts';

/**
 * Slant L = √(r² + h²), sector angle 360·r/L. Closed form of the developed cone, common practice. Thick stuff is cut at its
 * middle, which is a cone of the same lean: at the base it goes round C ± π·t·cos(lean), and the slant follows.
 */
export const cone = shaper({
	name: 'cone',
	makes: 'spike, horn, pointed hat',
	params: {
		girth: { name: 'girth of the base', unit: 'mm', value: 188, least: 5, most: 20_000 },
		height: { name: 'height', unit: 'mm', value: 200, least: 1, most: 5000 },
		panels: { name: 'panels', unit: 'count', value: 1, least: 1, most: 24 },
		overlap: {
			name: 'overlap',
			unit: 'mm',
			value: 0,
			least: 0,
			most: 200,
			hint: '0 for a butt joint'
		},
		thickness: THICKNESS,
		measured: MEASURED_AT
	},
	shape({ girth, height, panels, overlap, thickness, measured }) {
		const base = girth / (2 * Math.PI);
		const lean = (Math.atan(base / height) * 180) / Math.PI;
		const middle = throughMiddle(girth, thickness, lean, measured);
		if (middle <= 0) return bad('tooThick', {}, ['thickness']);
		const radius = middle / (2 * Math.PI);
		// The middle leans as the face that was measured does.
		const sine = base / Math.hypot(base, height);
		const slant = radius / sine;
		const angle = 360 * sine;
		const side = { seam: 'side' };
		const panel = piece(
			'panel',
			sector(slant, 0, angle / panels, {
				outer: { seam: 'base', onto: true },
				left: { ...side, ...(overlap ? { allowance: overlap } : {}) },
				right: side
			}),
			{ quantity: panels, grain: 90 }
		);
		return shaped([panel], {
			dimensions: [
				{
					title: 'Slant',
					of: 'length',
					formula: 'overSine',
					inputs: [
						mm('radius through the middle of the thickness', radius),
						{ name: 'lean of the side', value: lean, of: 'angle' }
					]
				},
				{
					title: 'Sector angle of a panel',
					of: 'angle',
					formula: 'coneAngle',
					inputs: [
						mm('radius through the middle of the thickness', radius),
						mm('slant', slant),
						count('panels', panels)
					]
				},
				{
					title: 'Lean of the side',
					of: 'angle',
					formula: 'lean',
					inputs: [mm('radius of the base', base), mm('height', height)]
				},
				roundDimension('Base, through the middle of the thickness', girth, thickness, lean, measured)
			],
			solid: [
				round(base, 0),
				...meridians(Math.max(panels, 8), [
					[base, 0],
					[0, height]
				])
			],
			form: {
				mesh: turnedMesh([
					[radius, 0],
					[0, radius / Math.tan(Math.atan(base / height))]
				]),
				way: 'on',
				at: 0,
				bends: false,
				thickness
			}
		});
	}
});
