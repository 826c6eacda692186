import type { Span } from '../engines/schedule/calendar.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import { planCostume, type MadePlan } from './plan.ts';
import type { InShop } from './shopPlan.ts';
import { promiseStash, stillNeeded, workshopFor } from './stash.ts';

/** What a costume is planned from. */
export interface CostumeFacts {
	record: CostumeRecord;
	/** As the costume may count on it. */
	workshop: Workshop;
}

/** Something that might be done: facts in, facts out. What is told of it is worked out from these like anything else. */
export type Change = (facts: CostumeFacts) => CostumeFacts;

/**
 * A costume after a change that nobody has made yet, planned on the hours that earlier costumes leave.
 * @param taken hours that those take
 */
export function planAsIf(
	facts: CostumeFacts,
	change: Change,
	start: LocalMinutes,
	taken: ReadonlyMap<string, readonly Span[]>
): CostumeFacts & { plan: MadePlan } {
	const changed = change(facts);
	return { ...changed, plan: planCostume(changed.record, changed.workshop, start, taken) };
}

/** A costume's record changed, and what of the stash it would be promised then, when others have had their turn. */
export const withRecord =
	(record: CostumeRecord, shop: { workshop: Workshop; atWork: readonly InShop[] }): Change =>
	() => {
		const needing = shop.atWork.map((c) =>
			c.record.costume.id === record.costume.id
				? { record, needs: stillNeeded(record, shop.workshop) }
				: { record: c.record, needs: c.needs }
		);
		const promised = promiseStash(needing, shop.workshop.materials).get(record.costume.id)!;
		return { record, workshop: workshopFor(shop.workshop, record.costume, promised) };
	};
