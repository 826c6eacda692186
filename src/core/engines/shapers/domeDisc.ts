import { bad, problem } from '../../units/problem.ts';
import { capDimensions, capForm, capLines, capOf, ringOf } from '../pattern/cap.ts';
import { polygon } from '../pattern/outline.ts';
import type { EdgeMarks } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { shaped, shaper } from '../pattern/shaper.ts';
import { MEASURED_AT, sign, THICKNESS } from '../pattern/thickness.ts';

const STEPS = 32;

/** A disc with wedges cut out, which closes to a cap of a ball: at arc s what is left is 2πR·sin(s/R). */
export const domeDisc = shaper({
	name: 'dome of one disc',
	makes: 'shield boss, shallow cup, shoulder cap',
	params: {
		rim: { name: 'girth of the rim', unit: 'mm', value: 500, least: 30, most: 20_000 },
		depth: { name: 'depth', unit: 'mm', value: 45, least: 1, most: 3000 },
		wedges: { name: 'wedges', unit: 'count', value: 8, least: 3, most: 48 },
		hub: {
			name: 'left whole in the middle',
			unit: 'times',
			value: 0.25,
			least: 0.05,
			most: 0.9,
			hint: 'share of the way to the rim'
		},
		thickness: THICKNESS,
		measured: MEASURED_AT
	},
	shape({ rim, depth, wedges, hub, thickness, measured }) {
		const face = { rim: rim / (2 * Math.PI), depth, thickness: sign(measured) * thickness };
		const cap = capOf(face.rim, depth, face.thickness);
		if (cap.radius <= 0) return bad('tooThick', {}, ['thickness']);
		const { arc } = cap;
		const from = arc * hub;
		// Half the angle that a petal keeps at s; at the hub all is whole.
		const half = (s: number) => (Math.PI / wedges) * (s <= from ? 1 : ringOf(cap, s) / s);
		const points: Point[] = [];
		const marks: EdgeMarks[] = [];
		const put = (s: number, angle: number, mark: EdgeMarks) => {
			points.push([s * Math.cos(angle), s * Math.sin(angle)]);
			marks.push(mark);
		};
		for (let w = 0; w < wedges; w++) {
			const middle = (2 * Math.PI * (w + 0.5)) / wedges;
			const steps = Array.from({ length: STEPS + 1 }, (_, i) => from + ((arc - from) * i) / STEPS);
			for (const s of steps.slice(0, -1)) put(s, middle - half(s), { seam: 'wedge' });
			for (let i = 0; i < STEPS; i++) put(arc, middle + half(arc) * ((2 * i) / STEPS - 1), {});
			for (const s of [...steps].reverse().slice(0, -1)) put(s, middle + half(s), { seam: 'wedge' });
		}
		return shaped([piece('disc', polygon(points, marks))], {
			dimensions: capDimensions(cap, face, wedges, 'Width of a wedge at the rim'),
			warnings: depth > face.rim ? [problem('deepDome', {}, ['depth'])] : [],
			solid: capLines(capOf(face.rim, depth), depth, wedges),
			form: capForm(cap, thickness)
		});
	}
});
