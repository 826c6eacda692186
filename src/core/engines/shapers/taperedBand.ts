import { bad } from '../../units/problem.ts';
import { piece } from '../pattern/piece.ts';
import { rectangle, sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import { meridians, round } from '../pattern/solid.ts';

/**
 * A truncated cone from two girths: a ring sector, or a rectangle when both are the same. Limbs are ovals, so
 * girths are asked, never diameters. Thick stuff is cut at its neutral line, half way through: C + π·t.
 * Closed form of the developed frustum, common practice.
 */
export const taperedBand = shaper({
	name: 'tapered band',
	makes: 'bracer, greave, thigh, upper arm, cuff',
	params: {
		upper: {
			name: 'upper girth',
			unit: 'mm',
			value: 280,
			least: 10,
			most: 20_000,
			hint: 'over what is worn beneath, with ease',
			measure: 'forearmGirth'
		},
		lower: { name: 'lower girth', unit: 'mm', value: 200, least: 10, most: 20_000, measure: 'wristGirth' },
		height: { name: 'length, straight up', unit: 'mm', value: 180, least: 5, most: 5000 },
		thickness: { name: 'thickness', unit: 'mm', value: 6, least: 0, most: 50 },
		panels: { name: 'panels', unit: 'count', value: 1, least: 1, most: 24 },
		overlap: { name: 'overlap', unit: 'mm', value: 0, least: 0, most: 300, hint: '0 for a butt joint' },
		gap: {
			name: 'gap left open',
			unit: 'mm',
			value: 0,
			least: 0,
			most: 2000,
			hint: 'taken off the round, for lacing or straps'
		}
	},
	shape({ upper, lower, height, thickness, panels, overlap, gap }) {
		if (gap >= Math.min(upper, lower)) return bad('gapTooWide', {}, ['gap']);
		const cut = (girth: number) => (girth + Math.PI * thickness - gap) / panels;
		const [top, bottom] = [cut(upper), cut(lower)];
		// The surface leans as the whole round does, whatever part of it a panel is.
		const lean = (upper - lower) / (2 * Math.PI);
		const slant = Math.hypot(lean, height);
		const left = { seam: 'side', ...(overlap ? { allowance: overlap } : {}) };
		const right = { seam: 'side' };
		const wide = Math.max(top, bottom);
		const narrow = Math.min(top, bottom);
		const same = wide - narrow < 1e-6;
		const outer = same ? Infinity : (slant * wide) / (wide - narrow);
		const angle = same ? 0 : ((wide - narrow) / slant) * (180 / Math.PI);
		if (angle >= 360) return bad('sectorTooWide', { angle: Math.round(angle) }, ['panels']);
		const outline = same
			? rectangle(wide, slant, [{}, right, {}, left])
			: sector(outer, outer - slant, angle, { left, right });
		const dimensions: Dimension[] = [
			{
				title: 'Slant',
				of: 'length',
				formula: 'hypotenuse',
				inputs: [mm('difference of the radii', Math.abs(lean)), mm('length, straight up', height)]
			},
			...(
				[
					['Upper edge', upper],
					['Lower edge', lower]
				] as const
			).map(([title, girth]): Dimension => ({
				title: `${title} of a panel`,
				of: 'length',
				formula: 'bandPanel',
				inputs: [
					mm('girth', girth),
					mm('thickness', thickness),
					mm('gap left open', gap),
					count('panels', panels)
				]
			}))
		];
		if (!same)
			dimensions.push(
				{
					title: 'Outer radius',
					of: 'length',
					formula: 'ringOuter',
					inputs: [mm('slant', slant), mm('wide edge', wide), mm('narrow edge', narrow)]
				},
				{
					title: 'Sector angle of a panel',
					of: 'angle',
					formula: 'ringAngle',
					inputs: [mm('wide edge', wide), mm('narrow edge', narrow), mm('slant', slant)]
				}
			);
		const [r, s] = [upper / (2 * Math.PI), lower / (2 * Math.PI)];
		return shaped([piece('panel', outline, { quantity: panels, grain: 90 })], {
			dimensions,
			solid: [
				round(s, 0),
				round(r, height),
				...meridians(Math.max(panels, 6), [
					[s, 0],
					[r, height]
				])
			]
		});
	}
});
