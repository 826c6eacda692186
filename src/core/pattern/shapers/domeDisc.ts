import { polygon, type EdgeMarks, type Point } from '../outline.ts';
import { piece } from '../piece.ts';
import { count, mm, shaped, shaper } from '../shaper.ts';
import { meridians, round } from '../solid.ts';

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
		}
	},
	shape({ rim, depth, wedges, hub }) {
		const a = rim / (2 * Math.PI);
		// A cap deeper than a half ball has its pole angle beyond 90°.
		const radius = (a * a + depth * depth) / (2 * depth);
		const reach = Math.acos((radius - depth) / radius);
		const arc = radius * reach;
		const from = arc * hub;
		const ring = (s: number) => radius * Math.sin(s / radius);
		// Half the angle that a petal keeps at s; at the hub all is whole.
		const half = (s: number) => (Math.PI / wedges) * (s <= from ? 1 : ring(s) / s);
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
		const profile = Array.from({ length: 17 }, (_, i): [number, number] => [
			radius * Math.sin((reach * i) / 16),
			radius * Math.cos((reach * i) / 16) - radius + depth
		]);
		return shaped([piece('disc', polygon(points, marks))], {
			dimensions: [
				{
					title: 'Radius of the ball',
					of: 'length',
					formula: 'capRadius',
					inputs: [mm('radius of the rim', a), mm('depth', depth)]
				},
				{
					title: 'Radius of the disc',
					of: 'length',
					formula: 'arcLength',
					inputs: [
						mm('radius of the ball', radius),
						{ name: 'angle from pole to rim', value: (reach * 180) / Math.PI, of: 'angle' }
					]
				},
				{
					title: 'Width of a wedge at the rim',
					of: 'length',
					formula: 'wedgeWidth',
					inputs: [mm('radius of the disc', arc), mm('radius of the rim', a), count('wedges', wedges)]
				}
			],
			warnings: depth > a ? [{ code: 'deepDome', path: ['depth'] }] : [],
			solid: [round(a, 0), ...meridians(wedges, profile)]
		});
	}
});
