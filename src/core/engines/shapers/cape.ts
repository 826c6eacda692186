import type { Point3 } from '../../units/point.ts';
import { bad } from '../../units/problem.ts';
import { distance, type Point } from '../../units/point.ts';
import type { Edge } from '../../facts/piece.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/**
 * A cape from a part of a circle, longer at the back than in front: the hem is a circle too, about a centre moved
 * back from that of the neckline. Neck radius W/(2π·f), as of a circle skirt. Common practice.
 */
export const cape = shaper({
	name: 'cape',
	makes: 'cape, cloak, mantle, shoulder capelet',
	params: {
		neck: { name: 'neckline', unit: 'mm', value: 420, least: 100, most: 2000, measure: 'neckGirth' },
		part: {
			name: 'part of a circle',
			unit: 'times',
			value: 0.5,
			least: 0.2,
			most: 0.95,
			hint: '0.5 half, 0.75 three quarters'
		},
		length: { name: 'length at the back', unit: 'mm', value: 1000, least: 50, most: 3000 },
		back: { name: 'hem’s centre moved back by', unit: 'mm', value: 60, least: 0, most: 600 },
		cut: {
			name: 'cut',
			unit: 'count',
			value: 0,
			least: 0,
			most: 1,
			choices: ['half on the fold of the back', 'two halves with a seam']
		},
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
		hem: { name: 'hem allowance', unit: 'mm', value: 20, least: 0, most: 100 },
		cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 }
	},
	shape({ neck, part, length, back, cut, seam, hem, cloth }) {
		const radius = neck / (2 * Math.PI * part);
		const turn = Math.PI * part;
		const outer = radius + length - back;
		if (outer - back <= radius) return bad('hemAtNeck', {}, ['back']);
		// The back runs along y from the neckline's centre, which is 0, 0. The front edge leaves it at the angle of the part.
		const away: Point = [Math.sin(turn), Math.cos(turn)];
		const u = back * away[1] + Math.sqrt(Math.max(0, outer * outer - (back * away[0]) ** 2));
		const front: Point = [u * away[0], u * away[1]];
		const neckFront: Point = [radius * away[0], radius * away[1]];
		const neckBack: Point = [0, radius];
		const hemBack: Point = [0, radius + length];
		const its = seam ? { allowance: seam } : {};
		const hemTurn = Math.atan2(front[0], front[1] - back);
		// Clockwise round the neckline's centre is to the right: the hem runs back to front against that.
		const arcs = (from: Point, to: Point, centre: Point, angle: number, marks: object): Edge[] => {
			const r = distance(from, centre);
			const begin = Math.atan2(from[1] - centre[1], from[0] - centre[0]);
			const parts = Math.ceil(Math.abs(angle) / 2);
			return Array.from({ length: parts }, (_, i): Edge => {
				const a = begin + (angle * (i + 1)) / parts;
				return {
					kind: 'arc',
					to: i === parts - 1 ? to : [centre[0] + r * Math.cos(a), centre[1] + r * Math.sin(a)],
					bulge: Math.tan(angle / parts / 4),
					...marks
				};
			});
		};
		const edges: Edge[] = [
			...arcs(front, hemBack, [0, back], hemTurn, hem ? { allowance: hem } : {}),
			cut ? { kind: 'line', to: neckBack, seam: 'back', ...its } : { kind: 'line', to: neckBack },
			...arcs(neckBack, neckFront, [0, 0], -turn, { seam: 'neckline', onto: true, ...its }),
			{ kind: 'line', to: front, ...(hem ? { allowance: hem } : {}) }
		];
		const fold = edges.findIndex((e) => e.kind === 'line');
		const drape = (share: number): Point3[] =>
			Array.from({ length: 33 }, (_, i): Point3 => {
				const a = Math.PI / 2 + (i / 32 - 0.5) * 2 * Math.PI * 0.92;
				const r = neck / (2 * Math.PI) + share * length * 0.3 * part;
				return [r * Math.cos(a), r * Math.sin(a), -share * length * 0.95];
			});
		const half = piece(
			'half',
			{ start: front, edges },
			{ grain: 90, ...(cut ? { quantity: 2, mirrored: true } : { foldEdge: fold }) }
		);
		const { pieces, warnings } = onCloth([half], cloth, { seam, joins: true });
		return shaped(pieces, {
			warnings,
			dimensions: [
				{
					title: 'Radius of the neckline',
					of: 'length',
					formula: 'skirtRadius',
					inputs: [mm('neckline', neck), count('part of a circle', part)]
				},
				{
					title: 'Radius of the hem',
					of: 'length',
					formula: 'capeHem',
					inputs: [
						mm('radius of the neckline', radius),
						mm('length at the back', length),
						mm('hem’s centre moved back by', back)
					]
				},
				{
					title: 'Length in front',
					of: 'length',
					formula: 'difference',
					inputs: [mm('from the centre to the hem', u), mm('radius of the neckline', radius)]
				}
			],
			solid: [
				...[0, 0.5, 1].map(drape),
				...[0, 6, 12, 16, 20, 26, 32].map((i): Point3[] => [0, 0.5, 1].map((s) => drape(s)[i]!))
			]
		});
	}
});
