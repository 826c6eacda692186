import { pack, type PackItem } from '../src/core/engines/case/pack.ts';
import { seeded } from '../src/core/units/random.ts';
import { ms, timed } from './print.ts';

/** 60 things into five cases (wanted: 3 s); it looks for fewer cases until the time is over. */
export function cases(): void {
	const random = seeded(24);
	const items = Array.from({ length: 60 }, (_, i): PackItem => ({
		id: `i${i}`,
		size: [50 + random() * 300, 50 + random() * 250, 30 + random() * 200],
		kg: 0.1 + random(),
		quantity: 1,
		turns: random() < 0.3 ? 'upright' : 'any',
		fragile: random() < 0.15,
		softTo: random() < 0.3 ? 0.6 : null
	}));
	const five = Array.from({ length: 5 }, (_, i) => ({
		id: `c${i}`,
		inner: [700, 450, 300] as const,
		kg: 23
	}));
	for (const seconds of [0.1, 2.5]) {
		let found = { placements: [] as { case: string }[], left: [] as unknown[] };
		const took = timed(1, () => {
			const began = performance.now();
			found = pack({ cases: five, items }, 1, seconds, () => (performance.now() - began) / 1000);
		});
		const used = new Set(found.placements.map((p) => p.case)).size;
		console.log(
			`cases: 60 things into five, ${seconds} s to look ${ms(took[0]!)}: ${found.placements.length} in ${used}, ${found.left.length} left`
		);
	}
}
