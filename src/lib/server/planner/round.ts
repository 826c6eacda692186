import type { Forecast } from '$core/answers/forecast.ts';
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

/** Somebody looks at this costume: its forecast is wanted. */
export interface AskForecast {
	look: number;
}

/** A plan as soon as it is known, counted up with each that is made anew; none when it is as it was. Or why there is none at all. */
export type Told =
	| { round: number; id: number; plan: MadePlan | null; version: number }
	| { round: number; done: true }
	| { round: number; failed: string }
	/** Later, of the plan of that version: null where there is nothing to simulate. No version: the costume is not at work any more. */
	| { forecast: Forecast | null; id: number; version: number | null };
