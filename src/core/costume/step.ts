import { COLD_OR_DAMP_FACTOR } from '../finish/coatProduct.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import {
	BASE_PER_UNIT,
	rateOf,
	TECHNIQUES,
	type Rates,
	type TechniqueKey,
	type ThreePoints
} from './technique.ts';

/** Where in the making a step lies; a component's stage follows from the first undone one. */
export const PHASES = ['pattern', 'make', 'finish', 'rig', 'fit'] as const;
export type Phase = (typeof PHASES)[number];

/** Hands-on work with its waiting time. */
export interface Step {
	id: number;
	componentId: number;
	position: number;
	name: string;
	technique: TechniqueKey;
	phase: Phase;
	/** Driver amount for one copy: mm, mm² or a count. */
	amount: number;
	/** The amount is that of the component's pieces. */
	fromPieces: boolean;
	/** Done for every copy, or once for all (a pattern serves both sides). */
	perCopy: boolean;
	/** Fixed minutes before the first piece: masking up, laying out. */
	setUpMinutes: number;
	/** Waiting after the hands-on work, around the clock. */
	waitMinutes: number;
	/** Recoat window: starts within so many minutes of the step before … */
	withinMinutes: number | null;
	/** … or only after so many. Between the two it would spoil. */
	orAfterMinutes: number | null;
	oneSitting: boolean;
	needsHelper: boolean;
	placeId: number | null;
	coatId: number | null;
	faultId: number | null;
	/** Steps of other components that must be done first, besides the one before it. */
	after: number[];
	doneAt: LocalMinutes | null;
	/** A start that is kept for it. */
	pinnedAt: LocalMinutes | null;
	version: number;
}

/** No amount and nothing to set up: there is nothing to do, and nothing dries. */
const isNothing = (step: Pick<Step, 'amount' | 'setUpMinutes'>): boolean =>
	step.amount === 0 && step.setUpMinutes === 0;

/** Waits in the cold or damp are longer, for what dries: coats and glue. A step of no amount makes nobody wait. */
export function waitOf(
	step: Pick<Step, 'amount' | 'setUpMinutes' | 'waitMinutes' | 'coatId' | 'technique'>,
	coldOrDamp: boolean
): number {
	if (isNothing(step)) return 0;
	const dries = step.coatId !== null || step.technique === 'cement' || step.technique === 'caulk';
	return coldOrDamp && dries ? step.waitMinutes * COLD_OR_DAMP_FACTOR : step.waitMinutes;
}

/** Any work takes a minute at least: it needs hands, hours and a place. */
export const wholeMinutes = (minutes: number): number => (minutes > 0 ? Math.max(1, Math.round(minutes)) : 0);

/** Whole hands-on minutes at three points: set-up + amount × copies × rate. */
export function stepMinutes(
	step: Pick<Step, 'technique' | 'amount' | 'perCopy' | 'setUpMinutes'>,
	copies: number,
	rates: Rates = {}
): ThreePoints {
	const units = step.amount / BASE_PER_UNIT[TECHNIQUES[step.technique].driver];
	const times = units * (step.perCopy ? copies : 1);
	const [low, usual, high] = rateOf(step.technique, rates);
	const minutes = (rate: number) => wholeMinutes(step.setUpMinutes + times * rate);
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
