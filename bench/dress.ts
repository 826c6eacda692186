import { dressOrder, type Dressing } from '../src/core/engines/dress/order.ts';
import { seeded } from '../src/core/units/random.ts';
import { median, ms, timed } from './print.ts';

const ZONES = ['head', 'neck', 'chest', 'waist', 'arm-left', 'arm-right', 'leg-left', 'leg-right', 'feet'];

/** An order for 60 components and two people (wanted: 50 ms). */
export function dress(): void {
	const random = seeded(24);
	const components = Array.from({ length: 60 }, (_, i): Dressing => ({
		id: `c${i}`,
		minutes: 1 + Math.floor(random() * 6),
		layer: Math.floor(random() * 6),
		zones: ZONES.filter(() => random() < 0.2),
		after: [],
		hands: 1 + Math.floor(random() * 2)
	}));
	let found = { minutes: 0, lowerBound: 0 };
	const took = timed(5, () => {
		found = dressOrder({ components, dressers: 2 }, 1, () => 0);
	});
	console.log(
		`dress: 60 components, two people ${ms(median(took))}: ${found.minutes} min, never under ${found.lowerBound.toFixed(1)}`
	);
}
