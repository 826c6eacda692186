import { BAD_DAY, GOOD_DAY, GUESS_FACTOR, rateOf } from '../trade/rates.ts';
import type { TechniqueKey } from '../facts/step.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { BASE_PER_UNIT } from '../trade/technique.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { LearnedRate, Rates } from '../facts/workshop.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { ONE_TO_NEXT, pull, type Log } from './pull.ts';

/** A step that was done, with the minutes logged on it. */
export interface Observation {
	stepId: number;
	technique: TechniqueKey;
	/** Driver amount for all copies: mm, mm² or a count. */
	amount: number;
	setUpMinutes: number;
	/** The amount is a starting value that nobody has looked at. */
	guessed?: boolean;
	/** Logged, of all who worked on it. */
	minutes: number;
	/** The one maker who logged it; null when several did, or nobody said. */
	makerId: number | null;
	doneAt: LocalMinutes;
}

/**
 * Each log once: what was copied or imported with a costume is the same work, told again. Observations by costume; those of the
 * costume that was there first are kept.
 */
export function onceEach(byCostume: ReadonlyMap<number, readonly Observation[]>): Observation[] {
	const first = new Map<string, number>();
	return [...byCostume]
		.sort(([a], [b]) => a - b)
		.flatMap(([costume, list]) =>
			list.filter((o) => {
				const key = [o.technique, o.doneAt, o.minutes, o.amount, o.setUpMinutes].join();
				if (!first.has(key)) first.set(key, costume);
				return first.get(key) === costume;
			})
		);
}

/**
 * How far apart things lie, as natural logarithms of minutes per unit. Starting values, from memory: a technique's
 * rate is known to about half again either way before anything is logged; one maker from another by a quarter.
 */
const KNOWN_BEFORE = 0.45;
const MAKER_TO_MAKER = 0.25;
/** Fetching, starting the timer, wiping up: minutes that any log may hold. Work that is hardly longer says little of its rate. */
const AROUND_IT = 3;

/**
 * Rates that follow the logs: the logarithm of minutes per unit is normal about the technique's own, which itself is
 * normal about what was known before (Bayesian shrinkage, the mean of two normals weighted by how sure each is;
 * Gelman et al., Bayesian Data Analysis, ch. 2). Weights of a t-distribution keep forgotten timers from pulling
 * (ibid. ch. 17). Each maker's own rate is drawn from the technique's in the same manner.
 */
export function learnRates(
	trade: Catalogue,
	observations: readonly Observation[],
	own: Rates = {}
): LearnedRate[] {
	const byTechnique = new Map<TechniqueKey, (Log & { makerId: number | null })[]>();
	for (const o of observations) {
		const log = logRate(trade, o);
		if (log === null) continue;
		const minutes = Math.max(1e-3, unitsOf(trade, o) * rateOf(trade, o.technique, own)[1] + o.setUpMinutes);
		const amountOff = o.guessed ? Math.log(GUESS_FACTOR) : 0;
		const precision = 1 / (ONE_TO_NEXT ** 2 + amountOff ** 2 + (AROUND_IT / minutes) ** 2);
		const list = byTechnique.get(o.technique) ?? [];
		byTechnique.set(o.technique, [...list, { log, precision, makerId: o.makerId }]);
	}
	return [...byTechnique].map(([technique, logs]) => {
		const before = rateOf(trade, technique, own);
		const all = pull(logs, Math.log(before[1]), KNOWN_BEFORE);
		const makers = [...new Set(logs.flatMap((l) => l.makerId ?? []))].map((makerId) => {
			const mine = logs.filter((l) => l.makerId === makerId);
			return { makerId, usual: Math.exp(pull(mine, all.mean, MAKER_TO_MAKER).mean), logs: mine.length };
		});
		return {
			technique,
			before,
			now: spread(before, Math.exp(all.mean), all.deviation),
			sure: [Math.exp(all.mean - 1.645 * all.deviation), Math.exp(all.mean + 1.645 * all.deviation)],
			logs: logs.length,
			outliers: all.weights.filter((w) => w < 0.5).length,
			makers
		};
	});
}

/** The rates to plan with: learned where anything was logged, else set by hand, else the starting values. */
export const ratesFrom = (learned: readonly LearnedRate[], own: Rates): Rates => ({
	...own,
	...Object.fromEntries(learned.map((l) => [l.technique, l.now]))
});

const unitsOf = (trade: Catalogue, { technique, amount }: Observation): number =>
	amount / BASE_PER_UNIT[techniqueOf(trade, technique).driver];

/** ln of minutes per unit; null for what says nothing about a rate. */
function logRate(trade: Catalogue, o: Observation): number | null {
	const { setUpMinutes, minutes } = o;
	const units = unitsOf(trade, o);
	// Set-up is minutes as they are; what is logged under it is taken to be mostly work all the same.
	const worked = Math.max(minutes - setUpMinutes, minutes / 4);
	return units > 0 && worked > 0 ? Math.log(worked / units) : null;
}

/** Good and bad move with the usual, and closer to it the surer that is. */
function spread([good, usual, bad]: ThreePoints, now: number, deviation: number): ThreePoints {
	const share = Math.hypot(ONE_TO_NEXT, deviation) / Math.hypot(ONE_TO_NEXT, KNOWN_BEFORE);
	const low = usual > 0 ? good / usual : GOOD_DAY;
	const high = usual > 0 ? bad / usual : BAD_DAY;
	return [now * low ** share, now, now * high ** share];
}

export interface EstimateError {
	doneAt: LocalMinutes;
	/** Natural logarithm of logged over estimated: with the starting rates, and with what had been learned by then. */
	started: number;
	learned: number;
}

/** How far each estimate was off, in the order in which the steps were done: learned only from those before it. */
export function estimateErrors(
	trade: Catalogue,
	observations: readonly Observation[],
	own: Rates = {}
): EstimateError[] {
	const sorted = [...observations].sort((a, b) => a.doneAt - b.doneAt);
	return sorted.flatMap((o, i): EstimateError[] => {
		const log = logRate(trade, o);
		if (log === null) return [];
		const alike = sorted.slice(0, i).filter((b) => b.technique === o.technique);
		const started = rateOf(trade, o.technique, own)[1];
		const learned = learnRates(trade, alike, own)[0]?.now[1] ?? started;
		return [{ doneAt: o.doneAt, started: log - Math.log(started), learned: log - Math.log(learned) }];
	});
}

/** A typical error as a factor: 1.3 is a third too much or too little. The middle one of the last so many. */
export function typicalError(errors: readonly number[]): number | null {
	if (errors.length === 0) return null;
	const sorted = errors.map(Math.abs).sort((a, b) => a - b);
	const mid = sorted.length >> 1;
	return Math.exp(sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2);
}
