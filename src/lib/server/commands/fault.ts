import { z } from 'zod';
import { knownFaultOf } from '$core/trade/catalogue.ts';
import { causesOf, cureSteps, keyOfSymptom } from '$core/trade/knownFault.ts';
import { faultPlace } from '$core/answers/faultPlace.ts';
import { holdsOf, kindOfFault } from '$core/answers/holds.ts';
import { OCCASIONS, type Fault } from '$core/facts/fault.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadHeld, loadWear } from '../read/wear.ts';
import { loadMaterials } from '../read/workshop.ts';
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
	const row = await one<Pick<Fault, 'id' | 'symptom' | 'known' | 'componentId'> & { code: string }>(
		tx,
		`select f.id, f.symptom, f.known, f.component_id, c.code from fault f join component c on c.id = f.component_id
		where f.id = $1 and c.costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('fault');
	return row;
}

/**
 * What it is: what let go, as it is held now — whoever changes what holds it later does not change what has failed — and the row of the
 * handbook that is meant there: by its cause where that is one that stands in it, else as it was, where that is of the same symptom.
 */
async function told(
	tx: Executor,
	fault: Pick<Fault, 'componentId' | 'holds' | 'symptom' | 'cause' | 'known'>,
	context: Context
): Promise<Pick<Fault, 'known' | 'holds'>> {
	const { costumeId, trade } = context;
	const record = await loadRecord(tx, costumeId);
	if (!record) throw new Absent('costume');
	const holds = holdsOf(record, await loadWear(tx, costumeId), trade);
	const from = {
		record,
		holds,
		held: await loadHeld(tx, record, context),
		materials: await loadMaterials(tx)
	};
	const causes = causesOf(trade.knownFault, fault.symptom, faultPlace(fault.componentId, fault.holds, from));
	const before = knownFaultOf(trade, fault.known);
	const isSame = before !== null && keyOfSymptom({ before }, fault.symptom) !== null;
	const known =
		causes.find((key) => trade.knownFault[key]!.cause === fault.cause) ??
		(isSame ? fault.known : (causes[0] ?? null));
	return { known, holds: kindOfFault({ ...fault, known }, holds, trade) };
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
			const its = await told(tx, { ...v, known: null }, context);
			const id = await insert(tx, 'fault', { ...v, ...its });
			let position = component.next;
			for (const step of cureSteps(knownFaultOf(context.trade, its.known), v.cure))
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
			const its = await told(tx, { ...v, componentId: old.componentId, known: old.known }, context);
			await update(tx, 'fault', v, { ...v, ...its });
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
