import type { Costume, CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import { simulate, type Odds } from '../engines/schedule/odds.ts';
import { GUESS_FACTOR } from '../trade/rates.ts';
import { guessesOf, type Guess } from './guesses.ts';
import type { OrderOdds } from './arrivals.ts';
import { orderOddsOf } from './orderOdds.ts';
import type { MadePlan } from './plan.ts';

/** Builds simulated of a plan: enough that the odds are known to a bit more than one in a hundred. */
export const RUNS = 5000;
/** How much of a slip is common to all steps of a build. Starting value, from memory. */
export const SHARED = 0.25;
export const SEED = 1;
/** At the worst a coat dries, or a print runs, half as long again. Starting value, from memory. */
export const WAIT_SLIP = 0.5;

/** What simulated builds of a plan say, and what would make it surer to know. */
export interface Forecast {
	odds: Odds;
	guesses: Guess[];
	/** Until when what is not ordered yet can wait. */
	orders: OrderOdds[];
}

/** What odds are asked for of a costume: by the buffer, by the event, by the rehearsal. */
export const momentsOf = (
	costume: Pick<Costume, 'eventAt' | 'rehearsalAt'>,
	deadline: LocalMinutes
): LocalMinutes[] => [
	...new Set([deadline, costume.eventAt, ...(costume.rehearsalAt === null ? [] : [costume.rehearsalAt])])
];

/** Whether there is anything to simulate: work is left, and all of it has a place. */
export const canForecast = ({ schedule }: Pick<MadePlan, 'schedule'>): boolean =>
	schedule.finish !== null && schedule.impossible.length === 0;

/** The forecast of a plan that can be simulated; yields the share that is done. */
export function* forecastOf(
	record: CostumeRecord,
	workshop: Workshop,
	plan: MadePlan
): Generator<number, Forecast, boolean | undefined> {
	const guesses = guessesOf(record, workshop, plan, workshop.guessOff ?? GUESS_FACTOR);
	const luck = { seed: SEED, shared: SHARED, slip: WAIT_SLIP };
	const odds = yield* simulate({
		...luck,
		problem: plan.problem,
		order: plan.schedule.order,
		runs: RUNS,
		by: momentsOf(record.costume, plan.deadline)
	});
	const share = shareBy(odds, plan.deadline) ?? 0;
	const orders = yield* orderOddsOf(plan, luck, share, record.costume.targetOdds / 100);
	return { odds, guesses, orders };
}

/** The share of builds that is ready by the deadline; null where nothing was simulated. */
export const readyShare = (
	forecast: Forecast | null,
	{ deadline }: Pick<MadePlan, 'deadline'>
): number | null => (forecast ? shareBy(forecast.odds, deadline) : null);

const shareBy = ({ by }: Pick<Odds, 'by'>, at: LocalMinutes): number | null =>
	by.find((b) => b.at === at)?.share ?? null;

/** Waiting for somebody's hours that is less than this, minutes, is not worth a word; it is told in half hours. */
const LEAST_SCARCE = 120;
export const scarceHours = ({ scarce }: Pick<Odds, 'scarce'>): Odds['scarce'] =>
	scarce
		.filter((s) => s.minutes >= LEAST_SCARCE)
		.map((s) => ({ ...s, minutes: Math.round(s.minutes / 30) * 30 }));

/** What lies on the chain that decides when all is ready, in this share of the builds. */
export interface Deciding {
	/** A parcel, or steps of one component one after the other. */
	ids: string[];
	share: number;
}

/** What decides less than once in a hundred builds is not worth a line. */
const HARDLY = 0.01;

/**
 * What decides the odds: parcels before work, and the steps of a component that lie on the chain together as one line. In order of
 * their share.
 */
export function whatDecides(
	{ steps, parcels }: Pick<Odds, 'steps' | 'parcels'>,
	componentOf: (stepId: string) => number | undefined
): Deciding[] {
	const lines = new Map<number | undefined, Deciding>();
	for (const { id, share } of steps) {
		const line = lines.get(componentOf(id));
		// A step that decides hardly half as often as the first of its component is no part of the same chain.
		if (line && share >= line.share / 2) line.ids.push(id);
		else if (!line) lines.set(componentOf(id), { ids: [id], share });
	}
	const byShare = (a: Deciding, b: Deciding) => b.share - a.share;
	const all = [
		...parcels.map(({ id, share }) => ({ ids: [id], share })).sort(byShare),
		...[...lines.values()].sort(byShare)
	];
	return all.filter((d) => d.share >= HARDLY);
}
