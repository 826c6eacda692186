import type { PackTask } from '../../src/core/engines/purchase/task.ts';
import { seeded } from './planCases.ts';

/** Something to buy: so many needs, offers for each, and suppliers, with breaks, shipping, orders that are too small and late ones. */
export function randomPurchase(
	seed: number,
	needs: number,
	offers: number,
	suppliers: number,
	most = 4
): PackTask {
	const random = seeded(seed);
	const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
	return {
		start: 22_398,
		aim: 'cheapest',
		needs: Array.from({ length: needs }, (_, n) => ({
			id: `n${n}`,
			amount: whole(1, 2 * most) / 2,
			by: random() < 0.3 ? 22_398 + whole(2, 12) : null
		})),
		offers: Array.from({ length: needs }, (_, n) =>
			Array.from({ length: offers }, (_, k) => {
				const priceMinor = whole(100, 2000);
				return {
					id: `n${n}o${k}`,
					need: `n${n}`,
					supplier: `s${whole(0, suppliers - 1)}`,
					amount: whole(1, 4) / 2,
					priceMinor,
					breaks:
						random() < 0.4
							? [{ from: whole(2, 3), priceMinor: Math.round(priceMinor * (0.5 + random() / 2)) }]
							: [],
					leadDays: whole(0, 8),
					max: random() < 0.3 ? whole(1, most) : most
				};
			})
		).flat(),
		suppliers: Array.from({ length: suppliers }, (_, s) => ({
			id: `s${s}`,
			shippingMinor: random() < 0.8 ? whole(0, 900) : 0,
			freeFromMinor: random() < 0.5 ? whole(500, 5000) : null,
			minOrderMinor: random() < 0.2 ? whole(100, 2500) : null,
			workingDays: random() < 0.8 ? [1, 2, 3, 4, 5] : [1, 3, 6],
			closed: random() < 0.3 ? [22_400, 22_401] : []
		}))
	};
}
