import type { Supplies } from './shopping.ts';
import { spendOf } from './spend.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { CostumePlan } from './plan.ts';
import type { CostumeRecord } from '../facts/costume.ts';

/** What a change of a costume moves. */
export interface Standing {
	handsOnMinutes: number;
	totalMinor: number;
	/** When the last step is done; null when nothing is left, or something cannot be placed. */
	finish: LocalMinutes | null;
	/** Past the day it must be ready by. */
	lateMinutes: number;
}

/** What a change costs, and what work it makes: less than nothing where it saves. */
export const movedBy = (before: Standing, after: Standing): { minor: number; minutes: number } => ({
	minor: after.totalMinor - before.totalMinor,
	minutes: after.handsOnMinutes - before.handsOnMinutes
});

export const standingOf = (
	record: CostumeRecord,
	{ handsOnLeft, schedule: plan, deadline }: CostumePlan,
	supplies: Supplies
): Standing => ({
	handsOnMinutes: handsOnLeft[1],
	totalMinor: spendOf(record, supplies).totalMinor,
	finish: plan.finish,
	lateMinutes: plan.finish === null ? 0 : Math.max(0, plan.finish - deadline)
});
