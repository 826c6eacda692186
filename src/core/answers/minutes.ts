import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { copiesOf } from '../facts/component.ts';
import type { Step } from '../facts/step.ts';
import { catalogueOf, techniqueOf } from '../trade/catalogue.ts';
import { BASE_PER_UNIT } from '../trade/technique.ts';
import { GUESS_FACTOR, rateOf } from '../trade/rates.ts';
import { wholeMinutes } from '../units/duration.ts';

/** Hands-on minutes of every step of the record, for all copies. */
export function minutesOf(record: CostumeRecord, workshop: Workshop): Map<number, ThreePoints> {
	const byId = new Map(record.components.map((c) => [c.id, c]));
	return new Map(
		record.steps.map((s) => {
			const component = byId.get(s.componentId);
			return [s.id, stepMinutes(s, component ? copiesOf(component, byId) : 1, workshop)];
		})
	);
}

/**
 * A rate on an amount that is itself a guess: as far apart as both are together, in logarithms, since a factor of one and a factor
 * of the other are independent.
 */
function widened([low, usual, high]: ThreePoints, off: number): ThreePoints {
	if (usual <= 0 || low <= 0) return [low, usual, high];
	const by = (ratio: number) => Math.exp(Math.hypot(Math.log(ratio), Math.log(off)));
	return [usual / by(usual / low), usual, usual * by(high / usual)];
}

/** Whole hands-on minutes at three points: set-up + amount × copies × rate. */
export function stepMinutes(
	step: Pick<Step, 'technique' | 'amount' | 'perCopy' | 'setUpMinutes'> & { guessed?: boolean },
	copies: number,
	workshop: Pick<Workshop, 'rates' | 'handbook' | 'guessOff'>
): ThreePoints {
	const trade = catalogueOf(workshop.handbook);
	const units = step.amount / BASE_PER_UNIT[techniqueOf(trade, step.technique).driver];
	const times = units * (step.perCopy ? copies : 1);
	const rate = rateOf(trade, step.technique, workshop.rates);
	const [low, usual, high] = step.guessed ? widened(rate, workshop.guessOff ?? GUESS_FACTOR) : rate;
	// Nothing is set out for nothing.
	const minutes = (rate: number) => (times > 0 ? wholeMinutes(step.setUpMinutes + times * rate) : 0);
	return [minutes(low), minutes(usual), minutes(high)];
}

/** Minutes logged on each step so far; none is no entry. */
export function loggedByStep(logs: readonly { stepId: number; minutes: number }[]): Map<number, number> {
	const logged = new Map<number, number>();
	for (const l of logs) logged.set(l.stepId, (logged.get(l.stepId) ?? 0) + l.minutes);
	return logged;
}

/**
 * What is left of a step after the minutes already logged on it. A begun step that has used up
 * its usual minutes is not over: a tenth of it is taken to be left until the maker says done.
 */
export function minutesLeft(all: ThreePoints, logged: number): ThreePoints {
	if (logged <= 0) return all;
	const left = (minutes: number) => Math.max(minutes - logged, Math.ceil(all[1] / 10));
	return [left(all[0]), left(all[1]), left(all[2])];
}

/** Usual minutes left that hang on a guessed amount. */
export const guessedMinutes = (record: CostumeRecord, left: ReadonlyMap<number, number>): number =>
	record.steps.reduce((sum, s) => sum + (s.guessed && s.doneAt === null ? (left.get(s.id) ?? 0) : 0), 0);
