import { seeded } from '../../src/core/units/random.ts';
import type { Span } from '../../src/core/engines/schedule/calendar.ts';
import type { PlanProblem, PlanStep } from '../../src/core/engines/schedule/problem.ts';
import type { Split } from '../../src/core/facts/calendar.ts';

export { seeded };

export const step = (id: string, minutes: number, extra: Partial<PlanStep> = {}): PlanStep => ({
	id,
	minutes: [minutes, minutes, minutes],
	wait: 0,
	after: [],
	hands: 1,
	with: null,
	place: null,
	oneSitting: false,
	...extra
});

export const ALWAYS = [{ days: [1, 2, 3, 4, 5, 6, 7], from: 0, to: 1440 }];

/** Steps for one maker who is always there. */
export const problemOf = (steps: readonly PlanStep[], extra: Partial<PlanProblem> = {}): PlanProblem => ({
	start: 0,
	deadline: null,
	split: 'windows',
	leastPart: 30,
	makers: [{ id: 'me', windows: ALWAYS }],
	places: [],
	steps,
	...extra
});

/** Costume-like random plans: evenings and weekends, waits, a spray place, recoat windows, helpers. */
export function randomProblem(seed: number, count: number, split: Split): PlanProblem {
	const random = seeded(seed);
	const chance = (p: number) => random() < p;
	const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
	const start = 1_000_000 * 20 + whole(0, 10_000);
	const steps = Array.from({ length: count }, (_, i): PlanStep => {
		const before = i > 0 ? whole(Math.max(0, i - 4), i - 1) : -1;
		const bound = i > 0 && chance(0.15);
		return step(`s${i}`, whole(0, 12) * 15, {
			wait: chance(0.3) ? whole(1, 48) * 30 : 0,
			after: [
				...(before >= 0 && chance(0.8)
					? [{ id: `s${before}`, ...(bound ? { within: 3000, orAfter: 6000 } : {}) }]
					: []),
				...(i > 5 && chance(0.2) ? [{ id: `s${whole(0, i - 5)}` }] : [])
			].filter((a, at, all) => all.findIndex((b) => b.id === a.id) === at),
			hands: chance(0.1) ? 2 : 1,
			place: chance(0.2) ? 'spray' : null,
			oneSitting: chance(0.3),
			...(chance(0.1) ? { notBefore: start + whole(0, 10) * 700 } : {})
		});
	});
	const busy: Span[] = chance(0.5) ? [[start + 600, start + 900]] : [];
	return {
		start,
		deadline: start + 30 * 1440,
		split,
		leastPart: 30,
		makers: [
			{
				id: 'me',
				windows: [
					{ days: [1, 2, 3, 4], from: 18 * 60, to: 21 * 60 },
					{ days: [6, 7], from: 600, to: 1080 }
				],
				off: [Math.floor(start / 1440) + 3]
			},
			{ id: 'helper', windows: [{ days: [3, 6], from: 600, to: 1200 }] }
		],
		places: [
			{ id: 'spray', capacity: whole(1, 2), windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: 540, to: 1140 }] }
		],
		steps,
		taken: new Map([['me', busy]])
	};
}

/** Everything in quarter hours, so that trying every quarter hour misses nothing. */
export function quarters(seed: number): PlanProblem {
	const problem = randomProblem(seed, 4 + (seed % 2), 'windows');
	const start = Math.floor(problem.start / 15) * 15;
	return {
		...problem,
		start,
		taken: new Map(),
		steps: problem.steps.map(({ notBefore, ...s }) => ({
			...s,
			minutes: [s.minutes[1], Math.max(15, s.minutes[1]), 900],
			...(notBefore === undefined ? {} : { notBefore: Math.ceil(notBefore / 15) * 15 })
		}))
	};
}

/** The same with all that may come on top: set-ups, parcels, barred hours, pins, places for two, daylight, hours given away. */
export function mixedProblem(seed: number, count: number, split: Split): PlanProblem {
	const random = seeded(seed * 31);
	const chance = (p: number) => random() < p;
	const base = randomProblem(seed, count, split);
	const { start } = base;
	return {
		...base,
		places: base.places.map((p) => ({
			...p,
			capacity: chance(0.5) ? 2 : 1,
			off: chance(0.5) ? [Math.floor(start / 1440) + 2] : [],
			...(chance(0.3) ? { sun: { latitude: 52, noon: 750, summerTime: 'none' } } : {})
		})),
		parcels: [{ id: 'parcel', at: start + 4000, late: [0, 500, 2000] }],
		taken: new Map([
			['me', [[start + 600, start + 900]]],
			['spray', [[start + 1500, start + 2600]]]
		]),
		steps: base.steps.map((s, i) => ({
			...s,
			...(s.place !== null && s.minutes[1] > 15 && chance(0.6)
				? { setUp: { key: `colour ${i % 2}`, minutes: 15 } }
				: {}),
			...(chance(0.1) ? { parcels: ['parcel'] } : {}),
			...(chance(0.06) ? { barred: [[start + 2000, start + 6000] as Span] } : {}),
			...(chance(0.04) && s.minutes[1] > 0 ? { pinnedAt: start + Math.floor(random() * 10_000) } : {})
		}))
	};
}
