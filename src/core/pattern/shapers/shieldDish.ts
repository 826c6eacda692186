import { circle } from '../outline.ts';
import { piece } from '../piece.ts';
import { count, mm, shaped, shaper, type Dimension } from '../shaper.ts';
import { meridians, round } from '../solid.ts';

/**
 * A flat disc that is slit from the rim and lapped, so that it dishes to a cap of a ball: at the rim each slit laps by
 * (2π/n)·(s − R·sin(s/R)). Closed form of the cap.
 */
export const shieldDish = shaper({
	name: 'dish by slits',
	makes: 'shield, pauldron dish, lamp shade',
	params: {
		rim: { name: 'across the finished rim', unit: 'mm', value: 500, least: 20, most: 3000 },
		depth: { name: 'depth', unit: 'mm', value: 40, least: 1, most: 1000 },
		slits: { name: 'slits', unit: 'count', value: 8, least: 2, most: 60 },
		hub: {
			name: 'left whole in the middle',
			unit: 'times',
			value: 0.3,
			least: 0.05,
			most: 0.9,
			hint: 'share of the way to the rim'
		}
	},
	shape({ rim, depth, slits, hub }) {
		const a = rim / 2;
		if (depth > a) return { ok: false, problem: { code: 'deepDome', path: ['depth'] } };
		const radius = (a * a + depth * depth) / (2 * depth);
		const reach = Math.asin(Math.min(1, a / radius));
		const arc = radius * reach;
		const lap = (s: number) => ((2 * Math.PI) / slits) * (s - radius * Math.sin(s / radius));
		const ray = (s: number, angle: number) => [s * Math.cos(angle), s * Math.sin(angle)] as const;
		const lines = Array.from({ length: slits }, (_, i) => {
			const angle = (2 * Math.PI * i) / slits;
			const steps = Array.from({ length: 13 }, (_, k) => arc * (hub + ((1 - hub) * k) / 12));
			return [
				{ use: 'detail' as const, points: [ray(arc * hub, angle), ray(arc, angle)] },
				{ use: 'placement' as const, points: steps.map((s) => ray(s, angle + lap(s) / s)) }
			];
		}).flat();
		return shaped([piece('disc', circle([0, 0], arc), { lines })], {
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
					title: 'Lap of a slit at the rim',
					of: 'length',
					formula: 'wedgeWidth',
					inputs: [mm('radius of the disc', arc), mm('radius of the rim', a), count('slits', slits)]
				} satisfies Dimension
			],
			solid: [
				round(a, 0),
				...meridians(
					slits,
					Array.from({ length: 13 }, (_, i): [number, number] => [
						radius * Math.sin((reach * i) / 12),
						radius * Math.cos((reach * i) / 12) - radius + depth
					])
				)
			]
		});
	}
});
