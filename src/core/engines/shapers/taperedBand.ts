import { bad } from '../../units/problem.ts';
import { throughMiddleOf } from '../body/girth.ts';
import { turnedMesh } from '../pattern/form.ts';
import { panelsRound } from '../pattern/panels.ts';
import { leaningPanel } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import { meridians, round } from '../pattern/solid.ts';

/**
 * A truncated cone from two girths: a ring sector, or a rectangle when both are the same. Limbs are ovals, so
 * girths are asked, never diameters. Thick stuff is cut at its neutral line, half way through, and its edges square to
 * its face: C + π·t·cos(lean). Closed form of the developed frustum, common practice. What is left open for lacing is no
 * seam: the panels beside it have one side that is joined to nothing.
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
		// The surface leans as the whole round does, whatever part of it a panel is.
		const radii = Math.abs(upper - lower) / (2 * Math.PI);
		const slant = Math.hypot(radii, height);
		const lean = (Math.atan2(radii, height) * 180) / Math.PI;
		const cut = (girth: number) => (throughMiddleOf(girth, thickness, lean) - gap) / panels;
		const [top, bottom] = [cut(upper), cut(lower)];
		const left = { seam: 'side', ...(overlap ? { allowance: overlap } : {}) };
		const right = { seam: 'side' };
		const { wide, narrow, same, angle, panelOf } = leaningPanel(top, bottom, slant);
		if (angle >= 360) return bad('sectorTooWide', { angle: Math.round(angle) }, ['panels']);
		// Lapped, only one of two joined sides is wider.
		const pieces = panelsRound(
			panels,
			gap > 0,
			(openLeft, openRight) => panelOf({ left: openLeft ? {} : left, right: openRight ? {} : right }),
			overlap === 0
		);
		const dimensions: Dimension[] = [
			{
				title: 'Slant',
				of: 'length',
				formula: 'hypotenuse',
				inputs: [mm('difference of the radii', radii), mm('length, straight up', height)]
			},
			...(
				[
					['Upper edge', upper],
					['Lower edge', lower]
				] as const
			).map(([title, girth]): Dimension => ({
				title: `${title} of a panel`,
				of: 'length',
				formula: 'leaningPanel',
				inputs: [
					mm('girth', girth),
					mm('thickness', thickness),
					{ name: 'lean of the side', value: lean, of: 'angle' },
					mm('gap left open', gap),
					count('panels', panels)
				]
			}))
		];
		dimensions.push({
			title: 'Lean of the side',
			of: 'angle',
			formula: 'lean',
			inputs: [mm('difference of the radii', radii), mm('length, straight up', height)]
		});
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
		const middle = (girth: number) => throughMiddleOf(girth, thickness, lean) / (2 * Math.PI);
		return shaped(pieces, {
			dimensions,
			rounds: [
				{ value: 'upper', closed: upper, split: gap > 0 },
				{ value: 'lower', closed: lower, split: gap > 0 }
			],
			solid: [
				round(s, 0),
				round(r, height),
				...meridians(Math.max(panels, 6), [
					[s, 0],
					[r, height]
				])
			],
			form: {
				mesh: turnedMesh([
					[middle(lower), 0],
					[middle(upper), height]
				]),
				way: 'round',
				at: height / 2,
				bends: true,
				thickness
			}
		});
	}
});
