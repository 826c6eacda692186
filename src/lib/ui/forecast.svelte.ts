import { RUNS, SEED, SHARED, WAIT_SLIP, type Forecast } from '$core/answers/forecast.ts';
import type { PlanProblem } from '$core/engines/schedule/problem.ts';
import type { Alternative, Triage } from '$core/engines/schedule/triage.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { good, type Parsed } from '$core/units/problem.ts';
import type { PlanRequest, PlanResult } from '../../workers/protocol.ts';
import { run as runWorker } from '../../workers/run.ts';
import { fetched, Task } from './task.svelte.ts';

const makeWorker = () =>
	new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' });

/** A plan that has moved on meanwhile is asked for again after so long, ms. */
export const AGAIN = 300;
export const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** What is asked of the worker about one costume. */
export interface ForecastFor {
	costumeId: number;
	/** Changes whenever the plan does. */
	key: string;
	by: readonly LocalMinutes[];
}

/**
 * Odds of the costume on show. The server works them out once a plan; a page that came before they were known asks for them, and the
 * tape of every page and the Plan page show the same.
 */
class Shown {
	#told = $state.raw<{ key: string; forecast: Forecast | null } | null>(null);

	/** What a page was sent, or what came since: undefined while it is worked out. */
	of(key: string, sent: Forecast | null | undefined): Forecast | null | undefined {
		return sent === undefined && this.#told?.key === key ? this.#told.forecast : sent;
	}

	/**
	 * Waits for the odds, those of a newer plan where one has come in its place: what is being done on the page goes on. Nothing is read
	 * anew for it.
	 */
	async wait({ costumeId, key }: Pick<ForecastFor, 'costumeId' | 'key'>, signal: AbortSignal): Promise<void> {
		let told: { forecast?: Forecast | null } = {};
		while (told.forecast === undefined) {
			told = await (await fetched(`/c/${costumeId}/plan/odds`, signal)).json();
			if (told.forecast === undefined) await pause(AGAIN);
		}
		this.#told = { key, forecast: told.forecast };
	}
}

export const shownForecast = new Shown();

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
			slip: WAIT_SLIP,
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
			shared: SHARED,
			slip: WAIT_SLIP
		})
	);

/**
 * What simulated builds say of a plan: the share that is ready by then. The same luck whatever the plan, so that two compare.
 * @param builds null for the plan as it stands
 */
export async function readyBy(
	costumeId: number,
	builds: Pick<PlanRequest, 'problem' | 'order'> | null,
	deadline: LocalMinutes,
	progress: (share: number) => void,
	signal: AbortSignal
): Promise<Parsed<number>> {
	const request: PlanRequest = {
		kind: 'plan',
		...(builds ?? (await problemOf(costumeId, signal))),
		seconds: 0,
		seed: SEED,
		runs: TRIAGE_RUNS,
		shared: SHARED,
		slip: WAIT_SLIP,
		by: [deadline]
	};
	const done = await runWorker<'plan'>(makeWorker, request, progress, signal);
	return done.ok ? good(done.value.odds?.by[0]!.share ?? (done.value.plan.finish === null ? 1 : 0)) : done;
}

async function problemOf(costumeId: number, signal: AbortSignal) {
	const answer = await fetched(`/c/${costumeId}/plan/problem`, signal);
	const { problem, order } = await answer.json();
	// A map does not travel as JSON.
	return { problem: { ...problem, taken: new Map(problem.taken) } as PlanProblem, order };
}
