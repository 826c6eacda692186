import { bad } from '../../units/problem.ts';
import type { Edge, EdgeMarks, Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { relaxed } from '../body/girth.ts';
import { asCutDimension } from '../blocks/given.ts';
import { panelsRound } from '../pattern/panels.ts';
import { onCloth, widthOnCloth } from '../pattern/onCloth.ts';
import { sector } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { bandOf, foldedStrip } from '../pattern/strips.ts';
import { turnedMesh } from '../pattern/form.ts';
import { meridians, round } from '../pattern/solid.ts';
import { STRETCH_ACROSS, STRETCH_USED } from '../pattern/stretch.ts';

/** Steps of a hem that is no circle, degrees. */
const STEP = 2;

/**
 * Waist radius W/(2π·f) for f of a circle. Source: closed form, as in common handbooks of pattern cutting. What hangs off the
 * grain drops: that much is taken off the hem, all of it at 45°, nothing along and across (sin² of twice the angle).
 */
export const circleSkirt = shaper({
	name: 'circle skirt',
	makes: 'full, half or quarter circle skirt, cape',
	params: {
		waist: {
			name: 'waist or neck girth',
			unit: 'mm',
			value: 700,
			least: 50,
			most: 5000,
			measure: 'waistGirth'
		},
		ease: {
			name: 'ease at the waist',
			unit: 'mm',
			value: 0,
			least: 0,
			most: 500,
			hint: '10 to 20 mm for cloth that does not stretch'
		},
		length: { name: 'length', unit: 'mm', value: 600, least: 10, most: 3000 },
		part: {
			name: 'part of a circle',
			unit: 'times',
			value: 1,
			least: 0.1,
			most: 4,
			hint: '1 full, 0.5 half, 0.25 quarter'
		},
		panels: { name: 'panels', unit: 'count', value: 2, least: 1, most: 48 },
		opening: {
			name: 'opening',
			unit: 'count',
			value: 0,
			least: 0,
			most: 2,
			choices: ['none: drawn on over hips or head', 'zip in a seam', 'lapped placket']
		},
		openingLength: {
			name: 'length of the opening',
			unit: 'mm',
			value: 200,
			least: 20,
			most: 1000,
			only: { of: 'opening', is: [1, 2] }
		},
		underlap: {
			name: 'underlap of band and placket',
			unit: 'mm',
			value: 30,
			least: 5,
			most: 100,
			only: { of: 'opening', is: [1, 2] }
		},
		band: { name: 'height of the waistband', unit: 'mm', value: 0, least: 0, most: 200, hint: '0 for none' },
		drop: {
			name: 'drops off the grain by',
			unit: 'mm',
			value: 0,
			least: 0,
			most: 200,
			hint: 'measured where it hung for a day; taken off the hem there'
		},
		stretchAcross: STRETCH_ACROSS,
		stretchUsed: { ...STRETCH_USED, value: 0 },
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
		hem: { name: 'hem allowance', unit: 'mm', value: 20, least: 0, most: 100 },
		cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 }
	},
	shape(its) {
		const { length, part, panels, opening, openingLength, underlap, band, drop, seam, hem, cloth } = its;
		const waist = relaxed(its.waist + its.ease, its.stretchAcross, its.stretchUsed);
		const radius = waist / (2 * Math.PI * part);
		const angle = (360 * part) / panels;
		const marks = seam ? { allowance: seam } : {};
		if (angle >= 360) return bad('sectorTooWide', { angle: Math.round(angle) }, ['panels']);
		if (band && 2 * band < seam) return bad('bandTooLow', {}, ['band']);
		if (drop >= length) return bad('dropsTooFar', {}, ['drop']);
		if (opening && openingLength >= length) return bad('openingTooLong', {}, ['openingLength']);
		const side: EdgeMarks = { seam: 'side', ...marks };
		const opened: EdgeMarks = {
			...(opening === 1 ? { seam: 'zip', onto: true } : { seam: 'opening' }),
			...marks
		};
		const flat = hung(
			sector(radius + length, radius, angle, {
				inner: { seam: 'waist', onto: band === 0, ...marks },
				outer: hem ? { allowance: hem } : {},
				left: side,
				right: side
			}),
			{ radius: radius + length, angle, drop, hem }
		);
		const skirt = panelsRound(panels, opening > 0, (openLeft, openRight) =>
			openLeft ? openedAt(flat, openingLength, opened, openRight ? 'both' : 'left') : flat
		);
		const { pieces, warnings } = onCloth(skirt, cloth, { seam, joins: false });
		const hemRadius = waist / (2 * Math.PI) + length * 0.55 * Math.min(1, part);
		return shaped(
			[
				...pieces,
				...(band ? [bandOf('waistband', 'waist', waist, opening ? underlap : 0, band, marks)] : []),
				...(opening === 2
					? [foldedStrip('placket strip', 2 * openingLength, underlap, 'opening', marks)]
					: [])
			],
			{
				dimensions: [
					asCutDimension('Waist, as cut', 'waist and its ease', its.waist + its.ease, its),
					{
						title: 'Waist radius',
						of: 'length',
						formula: 'skirtRadius',
						inputs: [mm('waist, as cut', waist), count('part of a circle', part)]
					},
					{
						title: drop ? 'Hem in all, before what drops is taken off' : 'Hem in all',
						of: 'length',
						formula: 'skirtHem',
						inputs: [mm('waist radius', radius), mm('length', length), count('part of a circle', part)]
					},
					{
						title: 'Width of a panel across the cloth',
						of: 'length',
						formula: 'same',
						inputs: [mm('width of a panel', widthOnCloth(pieces[0]!))]
					}
				],
				warnings,
				solid: [
					round(waist / (2 * Math.PI), 0),
					round(hemRadius, -length * 0.85),
					...meridians(12, [
						[waist / (2 * Math.PI), 0],
						[hemRadius, -length * 0.85]
					])
				],
				form: {
					mesh: turnedMesh([
						[hemRadius, -length * 0.85],
						[waist / (2 * Math.PI), 0]
					]),
					way: 'round',
					at: 0,
					bends: true,
					thickness: 0
				}
			}
		);
	}
});

/** The same panel with what drops taken off its hem. The grain runs along its middle. */
function hung(
	outline: Outline,
	{ radius, angle, drop, hem }: { radius: number; angle: number; drop: number; hem: number }
): Outline {
	if (drop === 0) return outline;
	const arcs = Math.ceil(angle / 170);
	const steps = Math.max(2, Math.ceil(angle / STEP));
	const at = (i: number): Point => {
		const off = (angle * i) / steps - angle / 2;
		const r = radius - drop * Math.sin((2 * off * Math.PI) / 180) ** 2;
		const a = ((90 + off) * Math.PI) / 180;
		return [r * Math.cos(a), r * Math.sin(a)];
	};
	const edges = [
		...Array.from({ length: steps }, (_, i): Edge => ({
			kind: 'line',
			to: at(i + 1),
			...(hem ? { allowance: hem } : {})
		})),
		...outline.edges.slice(arcs)
	];
	edges[edges.length - 1] = { ...edges.at(-1)!, to: at(0) };
	return { start: at(0), edges };
}

/** A panel whose left side, or both, are open from the waist down. */
function openedAt(outline: Outline, opening: number, its: EdgeMarks, which: 'left' | 'both'): Outline {
	const last = outline.edges.length - 1;
	const left = outline.edges.findIndex((e) => e.seam === 'side');
	const between = (from: Point, to: Point, t: number): Point => [
		from[0] + (to[0] - from[0]) * t,
		from[1] + (to[1] - from[1]) * t
	];
	const edges = outline.edges.flatMap((edge, i): Edge[] => {
		if (i !== left && !(i === last && which === 'both')) return [edge];
		const from = outline.edges[i - 1]!.to;
		const long = Math.hypot(edge.to[0] - from[0], edge.to[1] - from[1]);
		// The left side runs up to the waist, the right one down from it.
		return i === left
			? [
					{ ...edge, to: between(from, edge.to, 1 - opening / long) },
					{ kind: 'line', to: edge.to, ...its }
				]
			: [{ kind: 'line', to: between(from, edge.to, opening / long), ...its }, edge];
	});
	return { ...outline, edges };
}
