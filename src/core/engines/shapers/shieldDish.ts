import { bad } from '../../units/problem.ts';
import { capDimensions, capForm, capLines, capOf, ringOf } from '../pattern/cap.ts';
import { circle } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { shaped, shaper } from '../pattern/shaper.ts';
import { MEASURED_AT, sign, THICKNESS } from '../pattern/thickness.ts';

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
		},
		thickness: THICKNESS,
		measured: MEASURED_AT
	},
	shape({ rim, depth, slits, hub, thickness, measured }) {
		if (depth > rim / 2) return bad('deepDome', {}, ['depth']);
		const face = { rim: rim / 2, depth, thickness: sign(measured) * thickness };
		const cap = capOf(face.rim, depth, face.thickness);
		if (cap.radius <= 0) return bad('tooThick', {}, ['thickness']);
		const { arc } = cap;
		const lap = (s: number) => ((2 * Math.PI) / slits) * (s - ringOf(cap, s));
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
			dimensions: capDimensions(cap, face, slits, 'Lap of a slit at the rim'),
			solid: capLines(capOf(face.rim, depth), depth, slits),
			form: capForm(cap, thickness)
		});
	}
});
