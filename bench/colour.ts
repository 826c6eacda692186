import { difference } from '../src/core/engines/colour/difference.ts';
import { labOf } from '../src/core/engines/colour/lab.ts';
import { bestMixes } from '../src/core/engines/colour/mix.ts';
import type { Lab } from '../src/core/units/lab.ts';
import { seeded } from '../src/core/units/random.ts';
import { toEnd } from '../src/workers/answer.ts';
import { median, ms, timed } from './print.ts';

const random = seeded(23);
const any = (): Lab => labOf([random() * 255, random() * 255, random() * 255]);

/** Differences of 500 × 500 colours (wanted: 200 ms), and mixes of three out of 60 paints at up to 12 drops (wanted: 2 s). */
export function colour(): void {
	const colours = Array.from({ length: 500 }, any);
	let sum = 0;
	const apart = timed(5, () => colours.forEach((a) => colours.forEach((b) => (sum += difference(a, b)))));
	console.log(`colour: 500 × 500 differences ${ms(median(apart))}, mean ${(sum / 5 / 250_000).toFixed(1)}`);
	const paints = (of: () => Lab) =>
		Array.from({ length: 60 }, (_, n) => ({ id: `p${n}`, lab: of(), strength: 1 }));
	const dull = (): Lab => [30 + random() * 30, random() * 20, random() * 20];
	const violet = labOf([90, 0, 255]);
	for (const [what, target, of] of [
		['', any(), any],
		['', any(), any],
		['', any(), any],
		[', of a violet that none of them comes to', violet, any],
		[', of a violet from dull browns', violet, dull]
	] as const) {
		const task = { target, paints: paints(of), drops: 12, together: 3, most: 5 } as const;
		const [took] = timed(1, () => toEnd(bestMixes(task), () => {}));
		console.log(`colour: mixes of three out of 60 paints at up to 12 drops${what} ${ms(took!)}`);
	}
}
