import type { MadePlan } from '$core/answers/plan.ts';
import type { ToPlan } from '$core/answers/shopPlan.ts';
import type { Promised } from '$core/answers/stash.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';

/** What the planning thread is asked: only what it does not have yet is sent. */
export interface Ask {
	round: number;
	/** Null: as before. */
	workshop: Workshop | null;
	/** Records that are new, or planned from something else than before. */
	changed: Omit<ToPlan, 'promised'>[];
	/** Every costume at work. */
	costumes: { id: number; promised: Promised }[];
	start: LocalMinutes;
}

/** A plan as soon as it is known; none when it is as it was. Or why there is none at all. */
export type Told =
	| { round: number; id: number; plan: MadePlan | null }
	| { round: number; done: true }
	| { round: number; failed: string };
