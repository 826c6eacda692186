import { faultPlace } from '$core/answers/faultPlace.ts';
import { holdsOf, kindOfFault } from '$core/answers/holds.ts';
import type { Fault } from '$core/facts/fault.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { holdRateOf } from '$core/trade/holdRate.ts';
import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { faultCommands } from '$lib/server/commands/fault.ts';
import { healthCommands } from '$lib/server/commands/health.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import { database } from '$lib/server/database.ts';
import { loadOtherHolds } from '$lib/server/read/health.ts';
import { loadHeld, loadWear } from '$lib/server/read/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	const trade = catalogueOf(workshop.handbook);
	const { settings, handbook } = workshop;
	const db = await database();
	const others = await loadOtherHolds(db, record, { settings, handbook, trade });
	const holds = holdsOf(record, await loadWear(db, record.costume.id), trade);
	const kindOf = (fault: Fault) => kindOfFault(fault, holds, trade);
	const held = await loadHeld(db, record, { settings, handbook, trade });
	const from = { record, holds, held, materials: workshop.materials };
	return {
		/** What is known of where each component lets go. */
		places: Object.fromEntries(record.components.map((c) => [c.id, faultPlace(c.id, null, from)])),
		/** What could hold it instead, by fault. */
		others: Object.fromEntries([...others].map(([id, { others }]) => [id, others])),
		/** What let go, by fault. */
		failed: Object.fromEntries(record.faults.map((f) => [f.id, kindOf(f)])),
		/** What may let go, each kind of a component once. */
		kinds: [...new Map(holds.map((h) => [`${h.component.id} ${h.kind}`, h])).values()].map(
			({ component, kind }) => ({ componentId: component.id, kind, name: holdRateOf(kind, trade).name })
		)
	};
};

const { changeHold } = healthCommands;
export const actions: Actions = {
	...actionsOf({ ...faultCommands, ...stepCommands, ...photoCommands, changeHold }),
	...trialsOf({ changeHold })
};
