import type { PlanProblem } from '$core/engines/schedule/problem.ts';
import type { Alternative, Triage } from '$core/engines/schedule/triage.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { PlanResult } from '../../workers/protocol.ts';
import { fetched, Task } from './task.svelte.ts';

/** Enough that the odds are known to a bit more than one in a hundred. */
export const RUNS = 5000;
/** How much of a slip is common to all steps of a build. Starting value, from memory. */
export const SHARED = 0.25;
const SEED = 1;

const makeWorker = () =>
	new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' });

/** What is asked of the worker about one costume. */
export interface ForecastFor {
	costumeId: number;
	/** Changes whenever the plan does. */
	key: string;
	by: readonly LocalMinutes[];
}

/**
 * Odds of the costume on show, worked out in a worker and kept for as long as its plan stays the same: the
 * tape of every page and the Plan page show the same.
 */
class Forecast {
	task = new Task<'plan'>();
	/** Of the plan in use. */
	#known = $state<{ costumeId: number; key: string; result: PlanResult } | null>(null);

	/** The odds of this plan, once they are known. */
	of({ costumeId, key }: ForecastFor): PlanResult | null {
		const known = this.#known;
		return known && known.costumeId === costumeId && known.key === key ? known.result : null;
	}

	/** Simulates builds of the plan in use, unless that was done before. */
	async simulate(what: ForecastFor): Promise<void> {
		if (this.of(what)) return;
		const result = await this.task.start(makeWorker, async (signal) => ({
			kind: 'plan',
			...(await problemOf(what.costumeId, signal)),
			seconds: 0,
			seed: SEED,
			runs: RUNS,
			shared: SHARED,
			by: what.by
		}));
		if (result) this.#known = { costumeId: what.costumeId, key: what.key, result };
	}
}

export const forecast = new Forecast();

/** Looks for a sooner plan, and simulates builds of what is found. */
export const searchSooner = (
	task: Task<'plan'>,
	what: ForecastFor,
	seconds: number,
	onBest: (result: PlanResult) => void
): Promise<PlanResult | null> =>
	task.start(
		makeWorker,
		async (signal) => ({
			kind: 'plan',
			...(await problemOf(what.costumeId, signal)),
			seconds,
			seed: SEED,
			runs: RUNS,
			shared: SHARED,
			by: what.by
		}),
		onBest
	);

/** Builds enough to tell alternatives apart, all with the same luck. */
export const TRIAGE_RUNS = 1000;

/** Weighs what could be left out or added. */
export const weighAlternatives = (
	task: Task<'triage'>,
	costumeId: number,
	wanted: { alternatives: readonly Alternative[]; deadline: LocalMinutes; target: number }
): Promise<Triage | null> =>
	task.start(
		() => new Worker(new URL('../../workers/triage.worker.ts', import.meta.url), { type: 'module' }),
		async (signal) => ({
			kind: 'triage',
			...(await problemOf(costumeId, signal)),
			...wanted,
			seed: SEED,
			runs: TRIAGE_RUNS,
			shared: SHARED
		})
	);

async function problemOf(costumeId: number, signal: AbortSignal) {
	const answer = await fetched(`/c/${costumeId}/plan/problem`, signal);
	const { problem, order } = await answer.json();
	// A map does not travel as JSON.
	return { problem: { ...problem, taken: new Map(problem.taken) } as PlanProblem, order };
}
