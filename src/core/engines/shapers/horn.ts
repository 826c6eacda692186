import { rowsMesh } from '../pattern/form.ts';
import { bad } from '../../units/problem.ts';
import { polygon } from '../pattern/outline.ts';
import type { EdgeMarks } from '../../facts/piece.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { MEASURED_AT, roundDimension, THICKNESS, throughMiddle } from '../pattern/thickness.ts';

const STEPS = 48;

/**
 * A bent horn: pieces of one cone, cut aslant and turned about half a round against each other. Thick stuff is cut at its middle,
 * which is a cone of the same lean, girth C ± π·t·cos(lean) at the base. At the angle φ round
 * the axis the slanting cut through the axis at height z lies at s = z·cos β ÷ (sin α·cos φ·sin β + cos α·cos β)
 * from the apex; rolled out that point stands at the angle φ·sin α. Exact: where a line of the cone meets a plane.
 */
export const horn = shaper({
	name: 'bent horn',
	makes: 'horn, tentacle, claw, tail tip',
	params: {
		girth: { name: 'girth of the base', unit: 'mm', value: 250, least: 20, most: 5000 },
		length: { name: 'length along the middle', unit: 'mm', value: 400, least: 20, most: 5000 },
		parts: { name: 'parts', unit: 'count', value: 5, least: 2, most: 24 },
		bend: { name: 'bend in all', unit: 'deg', value: 80, least: 0, most: 300 },
		thickness: THICKNESS,
		measured: MEASURED_AT
	},
	shape({ girth: face, length: long, parts, bend, thickness, measured }) {
		const alpha = Math.atan(face / (2 * Math.PI) / long);
		const lean = (alpha * 180) / Math.PI;
		const girth = throughMiddle(face, thickness, lean, measured);
		if (girth <= 0) return bad('tooThick', {}, ['thickness']);
		const radius = girth / (2 * Math.PI);
		const length = radius / Math.tan(alpha);
		const beta = ((bend / (parts - 1) / 2) * Math.PI) / 180;
		if (beta + alpha >= Math.PI / 2 - 0.05) return bad('bendTooSharp', {}, ['bend']);
		const [sa, ca] = [Math.sin(alpha), Math.cos(alpha)];
		/** From the apex to the cut that crosses the axis at z, leaning by `lean`. */
		const slant = (z: number, lean: number, phi: number) =>
			(z * Math.cos(lean)) / (sa * Math.cos(phi) * Math.sin(lean) + ca * Math.cos(lean));
		const level = (i: number) => length - (length * i) / parts;
		/** A cut leans one way on the part below and, after half a turn of the part above, closes with it. */
		const leanOf = (i: number) => (i === 0 ? 0 : i % 2 ? beta : -beta);
		const phis = Array.from({ length: STEPS + 1 }, (_, k) => (2 * Math.PI * k) / STEPS);
		const at = (s: number, phi: number): Point => {
			const a = Math.PI / 2 + Math.PI * sa - phi * sa;
			return [s * Math.cos(a), s * Math.sin(a)];
		};
		const rows = (i: number) => phis.map((phi) => at(slant(level(i), leanOf(i), phi), phi));
		for (let i = 0; i + 1 < parts; i++)
			for (const phi of phis)
				if (slant(level(i), leanOf(i), phi) <= slant(level(i + 1), leanOf(i + 1), phi))
					return bad('bendTooSharp', {}, ['bend']);
		const pieces = Array.from({ length: parts }, (_, i) => {
			const outer = rows(i).reverse();
			const tip = i === parts - 1;
			const inner: Point[] = tip ? [[0, 0]] : rows(i + 1);
			const points = [...outer, ...inner];
			const marks = points.map((_, k): EdgeMarks =>
				k < STEPS
					? i === 0
						? { seam: 'base', onto: true }
						: { seam: `cut ${i}` }
					: k === STEPS || k === points.length - 1
						? { seam: `side ${i + 1}` }
						: { seam: `cut ${i + 1}` }
			);
			return piece(tip ? 'tip' : `part ${i + 1}`, polygon(points, marks), { grain: 90 });
		});
		return shaped(pieces, {
			dimensions: [
				{
					title: 'Bend at each cut',
					of: 'angle',
					formula: 'share',
					inputs: [{ name: 'bend in all', value: bend, of: 'angle' }, count('cuts', parts - 1)]
				},
				{
					title: 'Slant of the whole cone',
					of: 'length',
					formula: 'hypotenuse',
					inputs: [
						mm('radius through the middle of the thickness', radius),
						mm('length along the axis, of that cone', length)
					]
				},
				roundDimension('Base, through the middle of the thickness', face, thickness, lean, measured)
			],
			solid: bent(face / (2 * Math.PI), long, parts, (bend * Math.PI) / 180),
			form: {
				mesh: rowsMesh(bent(radius, length, parts, (bend * Math.PI) / 180).slice(0, -1)),
				way: 'on',
				at: 0,
				bends: false,
				thickness
			}
		});
	}
});

/** Drawn as rounds along an arc. */
function bent(radius: number, length: number, parts: number, bend: number): Point3[][] {
	const rounds: Point3[][] = [];
	const middles: Point3[] = [];
	for (let i = 0; i <= parts; i++) {
		const t = i / parts;
		const a = bend * t;
		const r = bend < 1e-6 ? 0 : length / bend;
		const [x, z] = bend < 1e-6 ? [0, length * t] : [r * (1 - Math.cos(a)), r * Math.sin(a)];
		middles.push([x, 0, z]);
		const across = radius * (1 - t);
		rounds.push(
			Array.from({ length: 33 }, (_, k): Point3 => {
				const phi = (2 * Math.PI * k) / 32;
				return [
					x + across * Math.cos(phi) * Math.cos(a),
					across * Math.sin(phi),
					z - across * Math.cos(phi) * Math.sin(a)
				];
			})
		);
	}
	return [...rounds, middles];
}
