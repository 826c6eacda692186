import { z } from 'zod';
import { knownFaultOf } from '$core/trade/catalogue.ts';
import { cureSteps, keyOfSymptom } from '$core/trade/knownFault.ts';
import { holdsOf, kindOfFault } from '$core/answers/holds.ts';
import { OCCASIONS, type Fault, type HoldKind } from '$core/facts/fault.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadWear } from '../read/wear.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { insertStep } from './step.ts';

const shape = {
	symptom: f.name(),
	cause: f.text(),
	cure: f.text(),
	occasion: f.choice(OCCASIONS),
	happenedAt: f.time(),
	minutesLost: f.duration(),
	/** What let go, by its kind. */
	holds: f.orNull(f.name(120)),
	cameBackOf: f.idOrNull()
};

async function faultOf(tx: Executor, id: number, { costumeId }: Context) {
	const row = await one<{ id: number; symptom: string; code: string; componentId: number }>(
		tx,
		`select f.id, f.symptom, f.component_id, c.code from fault f join component c on c.id = f.component_id
		where f.id = $1 and c.costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('fault');
	return row;
}

/** What let go, as it is held now: whoever changes what holds it later does not change what has failed. */
async function letGo(
	tx: Executor,
	fault: Pick<Fault, 'componentId' | 'holds' | 'known'>,
	{ costumeId, trade }: Context
): Promise<HoldKind | null> {
	const record = await loadRecord(tx, costumeId);
	return record && kindOfFault(fault, holdsOf(record, await loadWear(tx, costumeId), trade), trade);
}

export const faultCommands = {
	/** A fault brings the steps of its cure; the component is not ready until they are done. */
	addFault: command(
		() => z.object({ componentId: f.id(), ...shape }),
		async (tx, v, context) => {
			const component = await one<{ code: string; next: number }>(
				tx,
				`select c.code, (select coalesce(max(position) + 1, 0) from step s where s.component_id = c.id) as next
				from component c where c.id = $1 and c.costume_id = $2`,
				[v.componentId, context.costumeId]
			);
			if (!component) throw new Absent('component');
			if (v.happenedAt > context.now) throw new Refused('That time has not come yet.', 'happenedAt');
			if (v.cameBackOf !== null && (await faultOf(tx, v.cameBackOf, context)).componentId !== v.componentId)
				throw new Refused('That fault was on another component.', 'cameBackOf');
			const known = keyOfSymptom(context.trade.knownFault, v.symptom);
			const holds = await letGo(tx, { ...v, known }, context);
			const id = await insert(tx, 'fault', { ...v, known, holds });
			let position = component.next;
			for (const step of cureSteps(knownFaultOf(context.trade, known), v.cure))
				await insertStep(tx, {
					...step,
					componentId: v.componentId,
					position: position++,
					phase: 'rig',
					// A cure is for the one that broke, not for the whole set.
					perCopy: false,
					needsHelper: false,
					placeId: null,
					faultId: id
				});
			return { words: `Fault on ${component.code}: ${v.symptom}`, result: { id } };
		}
	),

	editFault: command(
		() => z.object({ id: f.id(), version: f.version(), ...shape }),
		async (tx, v, context) => {
			const old = await faultOf(tx, v.id, context);
			const known = keyOfSymptom(context.trade.knownFault, v.symptom);
			const holds = await letGo(tx, { ...v, known, componentId: old.componentId }, context);
			await update(tx, 'fault', v, { ...v, known, holds });
			return { words: `Changed the fault on ${old.code}: ${v.symptom}` };
		}
	),

	removeFault: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const old = await faultOf(tx, id, context);
			await tx.query('delete from fault where id = $1', [id]);
			return { words: `Removed the fault on ${old.code}: ${old.symptom}` };
		}
	)
};
