import { bad, problem } from '../../units/problem.ts';
import { girthOver, throughMiddleOf } from '../body/girth.ts';
import { GORE_TAKES, goreHalfWidth, roundSeam } from '../pattern/gore.ts';
import { together, turnedMesh } from '../pattern/form.ts';
import { polygon } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { leaningPanel } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import type { Point, Point3 } from '../../units/point.ts';

/** Steps down a gore. */
const STEPS = 32;

/**
 * A shoulder cap of gores over the point of the shoulder, and lames below it down the upper arm, each of which goes under the one above.
 * The cap is so much of a half ball as goes round; a lame is so much of a truncated cone. Closed forms; what lies outside goes round
 * `2π·t` more for each layer beneath, common practice.
 */
export const pauldron = shaper({
	name: 'pauldron',
	makes: 'shoulder cap with lames, tasset, knee or elbow cop with lames',
	params: {
		shoulder: {
			name: 'girth over the shoulder',
			unit: 'mm',
			value: 470,
			least: 100,
			most: 3000,
			measure: 'armscyeGirth',
			hint: 'over what is worn beneath, with ease'
		},
		arm: {
			name: 'upper-arm girth at the last lame',
			unit: 'mm',
			value: 360,
			least: 80,
			most: 3000,
			measure: 'upperArmGirth',
			hint: 'with room to bend the arm'
		},
		length: { name: 'lames, straight down', unit: 'mm', value: 120, least: 10, most: 1500 },
		lames: { name: 'lames', unit: 'count', value: 3, least: 1, most: 12 },
		overlap: { name: 'overlap of the lames', unit: 'mm', value: 20, least: 0, most: 200 },
		cover: {
			name: 'goes round',
			unit: 'times',
			value: 0.55,
			least: 0.2,
			most: 1,
			hint: 'share of the whole round; the rest is left open under the arm'
		},
		gores: { name: 'gores of the cap', unit: 'count', value: 3, least: 1, most: 24 },
		thickness: { name: 'thickness', unit: 'mm', value: 5, least: 0, most: 50 }
	},
	shape({ shoulder, arm, length, lames, overlap, cover, gores, thickness }) {
		const step = length / lames;
		if (overlap >= step) return bad('overlapTooLong', { most: Math.ceil(step) - 1 }, ['overlap']);
		/** Inside, at so much below the cap, with so many lames beneath. */
		const inside = (down: number, beneath: number) =>
			girthOver(shoulder + ((arm - shoulder) * down) / length, thickness * beneath);
		const middles: Dimension[] = [];
		const solid: Point3[][] = [];
		const arc = (girth: number, z: number): Point3[] =>
			Array.from({ length: 33 }, (_, i): Point3 => {
				const a = Math.PI * (-0.5 + cover * (2 * (i / 32) - 1));
				return [(girth / 2 / Math.PI) * Math.cos(a), (girth / 2 / Math.PI) * Math.sin(a), z];
			});
		const plates = Array.from({ length: lames }, (_, i) => {
			// A lame begins under the one above by the overlap; the first one under the cap.
			const [from, to] = [Math.max(0, i * step - overlap), (i + 1) * step];
			const beneath = lames - 1 - i;
			const [top, bottom] = [inside(from, beneath), inside(to, beneath)];
			const radii = Math.abs(top - bottom) / (2 * Math.PI);
			const lean = (Math.atan2(radii, to - from) * 180) / Math.PI;
			const cut = (girth: number) => throughMiddleOf(girth, thickness, lean) * cover;
			const middle = (girth: number) => throughMiddleOf(girth, thickness, lean) / (2 * Math.PI);
			const worn = turnedMesh(
				[
					[middle(bottom), -to],
					[middle(top), -from]
				],
				cover
			);
			const name = lames === 1 ? 'lame' : `lame ${i + 1} of ${lames}`;
			for (const [edge, girth] of [
				['upper', top],
				['lower', bottom]
			] as const)
				middles.push({
					title: `${name}, ${edge} edge`,
					of: 'length',
					formula: 'leaningShare',
					inputs: [
						mm('girth over what is beneath', girth),
						mm('thickness', thickness),
						{ name: 'lean of the side', value: lean, of: 'angle' },
						count('goes round', cover)
					]
				});
			solid.push(arc(top, -from), arc(bottom, -to), [arc(top, -from)[0]!, arc(bottom, -to)[0]!]);
			solid.push([arc(top, -from).at(-1)!, arc(bottom, -to).at(-1)!]);
			const panel = leaningPanel(cut(top), cut(bottom), Math.hypot(radii, to - from));
			return { angle: panel.angle, worn, piece: piece(name, panel.panelOf(), { grain: 90 }) };
		});
		const wide = plates.find((p) => p.angle >= 360);
		if (wide) return bad('sectorTooWide', { angle: Math.round(wide.angle) }, ['cover']);

		const rim = inside(0, lames);
		const radius = (rim + Math.PI * thickness) / (2 * Math.PI);
		// As many gores would go round the whole ball.
		const round = gores / cover;
		const right = Array.from({ length: STEPS }, (_, i): Point => {
			const angle = ((Math.PI / 2) * (i + 1)) / STEPS;
			return [goreHalfWidth(radius, round, angle), -radius * angle];
		});
		const excess = roundSeam(radius, round, Math.PI / 2) / ((radius * Math.PI) / 2) - 1;
		const points: Point[] = [[0, 0], ...right.map(([x, y]): Point => [-x, y]), ...[...right].reverse()];
		const gore = (name: string, quantity: number, left: boolean, rightSide: boolean) =>
			piece(
				name,
				polygon(
					points,
					points.map((_, i) =>
						i < STEPS ? (left ? { seam: 'gore' } : {}) : i > STEPS && rightSide ? { seam: 'gore' } : {}
					)
				),
				{ quantity, grain: 90, mirrored: left !== rightSide }
			);
		const closed = cover === 1;
		const cap =
			gores === 1
				? [gore('cap', 1, closed, closed)]
				: closed
					? [gore('gore of the cap', gores, true, true)]
					: [
							gore('gore at the edge of the cap', 2, true, false),
							...(gores > 2 ? [gore('gore of the cap', gores - 2, true, true)] : [])
						];
		for (let i = 0; i <= gores; i++) {
			const a = Math.PI * (-0.5 + cover * (2 * (i / gores) - 1));
			solid.push(
				Array.from({ length: 17 }, (_, k): Point3 => {
					const tilt = ((Math.PI / 2) * k) / 16;
					return [
						radius * Math.sin(tilt) * Math.cos(a),
						radius * Math.sin(tilt) * Math.sin(a),
						radius * Math.cos(tilt)
					];
				})
			);
		}
		solid.push(arc(2 * Math.PI * radius, 0));
		return shaped([...cap, ...plates.map((p) => p.piece)], {
			dimensions: [
				{
					title: 'Radius of the cap to the middle of its thickness',
					of: 'length',
					formula: 'bandRadius',
					inputs: [mm('girth over all lames', rim), mm('thickness', thickness)]
				},
				{
					title: 'Width of a gore at the rim',
					of: 'length',
					formula: 'shareOfRound',
					inputs: [
						mm('girth at the middle of the thickness', 2 * Math.PI * radius),
						count('goes round', cover),
						count('gores', gores)
					]
				},
				{
					title: 'Length of a gore',
					of: 'length',
					formula: 'arcLength',
					inputs: [mm('radius', radius), { name: 'reaches down to', value: 90, of: 'angle' }]
				},
				...middles
			],
			warnings:
				excess > GORE_TAKES ? [problem('capSides', { percent: Math.round(excess * 100) }, ['gores'])] : [],
			solid,
			form: {
				mesh: together(
					turnedMesh(
						Array.from({ length: 17 }, (_, k): [number, number] => {
							const tilt = ((Math.PI / 2) * k) / 16;
							return [radius * Math.cos(tilt), radius * Math.sin(tilt)];
						}),
						cover
					),
					...plates.map((p) => p.worn)
				),
				way: 'round',
				at: 0,
				bends: true,
				thickness
			}
		});
	}
});
