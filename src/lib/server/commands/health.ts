import { z } from 'zod';
import { OCCASIONS } from '$core/facts/fault.ts';
import { ZONES } from '$core/facts/zone.ts';
import { dayOf, dayWords } from '$core/units/localTime.ts';
import { holdsOf, kindOfFault } from '$core/answers/holds.ts';
import { faultPlace } from '$core/answers/faultPlace.ts';
import { holdRateOf } from '$core/trade/holdRate.ts';
import { causesOf } from '$core/trade/knownFault.ts';
import { joinStepName } from '$core/answers/joins.ts';
import { knownFaultOf } from '$core/trade/catalogue.ts';
import { fastenerOf, workOf } from '$core/trade/fastener.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { loadOtherHolds } from '../read/health.ts';
import { loadHeld, loadWear } from '../read/wear.ts';
import { loadMaterials } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import { faultCommands } from './fault.ts';
import * as f from './fields.ts';
import { recordOf } from './join.ts';
import { photoCommands } from './photo.ts';
import { endOfSteps, insertStep } from './step.ts';
import { variantOf } from './variant.ts';
import type { Executor } from '../db/open.ts';

/** To take one of what lets go off. From memory. */
const TAKE_OFF_MINUTES = 10;

const wear = {
	wornOn: f.date(),
	variantId: f.idOrNull(),
	hours: f.orNull(f.above0(24)),
	occasion: f.choice(OCCASIONS),
	note: f.text(500),
	hurts: f.several(ZONES)
};

/** Nobody has worn it tomorrow, and nobody wears what is put away. */
async function checkWear(
	tx: Executor,
	{ wornOn, variantId }: { wornOn: number; variantId: number | null },
	context: Context
): Promise<void> {
	if (wornOn > dayOf(context.now)) throw new Refused('That day has not come yet.', 'wornOn');
	await variantOf(tx, variantId, context.costumeId);
	const { costume } = await recordOf(tx, context);
	if (costume.archivedAt !== null && wornOn > dayOf(costume.archivedAt))
		throw new Refused('It was put away by then: take it out of the archive first.', 'wornOn');
}

async function wearAt(tx: Executor, id: number, { costumeId }: Context): Promise<{ wornOn: number }> {
	const found = await one<{ wornOn: number }>(
		tx,
		'select worn_on from wear_log where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!found) throw new Absent('wear');
	return found;
}

export const healthCommands = {
	addWear: command(
		() => z.object(wear),
		async (tx, v, context) => {
			await checkWear(tx, v, context);
			await insert(tx, 'wear_log', { ...v, toldAt: context.now, costumeId: context.costumeId });
			return { words: `Worn on ${dayWords(v.wornOn)}` };
		}
	),

	editWear: command(
		() => z.object({ id: f.id(), version: f.version(), ...wear }),
		async (tx, { id, version, ...v }, context) => {
			await wearAt(tx, id, context);
			await checkWear(tx, v, context);
			await update(tx, 'wear_log', { id, version }, v);
			return { words: `Changed the wear of ${dayWords(v.wornOn)}` };
		}
	),

	removeWear: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const { wornOn } = await wearAt(tx, id, context);
			await tx.query('delete from wear_log where id = $1', [id]);
			return { words: `Removed the wear of ${dayWords(wornOn)}` };
		}
	),

	/** What lets go again and again is held otherwise: its joins are changed, and setting them is the cure. */
	changeHold: command(
		({ trade }) => z.object({ faultId: f.id(), fastener: f.keyOf(trade.fastener) }),
		async (tx, { faultId, fastener }, context) => {
			const record = await recordOf(tx, context);
			const fault = record.faults.find((x) => x.id === faultId);
			if (!fault) throw new Absent('fault');
			const found = (await loadOtherHolds(tx, record, context)).get(faultId);
			const other = found?.others.find((o) => o.fastener === fastener);
			if (!found || !other) throw new Refused('It is held otherwise by now: look again.');
			// The usual cure is done no more; what of it is done or begun stays.
			const begun = new Set(record.logs.map((l) => l.stepId));
			for (const s of record.steps)
				if (s.faultId === faultId && s.doneAt === null && !begun.has(s.id))
					await tx.query('delete from step where id = $1', [s.id]);
			const cure = { componentId: fault.componentId, phase: 'rig' as const, faultId };
			let position = await endOfSteps(tx, fault.componentId);
			await insertStep(tx, {
				...cure,
				name: `take off ${holdRateOf(found.kind, context.trade).name}`,
				technique: 'other',
				amount: TAKE_OFF_MINUTES * other.joins.length,
				perCopy: true,
				position: position++
			});
			for (const join of other.joins) {
				const its = fastenerOf(context.trade.fastener, fastener);
				const stepId = await insertStep(tx, {
					...cure,
					name: joinStepName(join, record.components, context.trade),
					technique: its.technique,
					amount: workOf(join, its),
					perCopy: true,
					position: position++
				});
				await set(tx, 'wear_join', join.id, { fastener, count: join.count, stepId });
			}
			const { code } = record.components.find((c) => c.id === fault.componentId)!;
			return { words: `${code} is held by ${fastenerOf(context.trade.fastener, fastener).name} instead` };
		}
	),

	/** A line of the inspection was looked at. What fails is a fault, with the cure that is usual for it, one that came back told as such. */
	lookAt: command(
		() =>
			z.object({
				line: f.text(200),
				works: f.ticked(),
				note: f.text(),
				photo: f.orNull(z.instanceof(File, { error: 'Choose a picture.' })).optional()
			}),
		async (tx, { line, works, note, photo }, context) => {
			const record = await recordOf(tx, context);
			const holds = holdsOf(record, await loadWear(tx, context.costumeId), context.trade);
			const hold = holds.find((h) => h.line === line);
			if (!hold) throw new Absent('line of the inspection');
			const { component, kind } = hold;
			const { name, faults } = holdRateOf(kind, context.trade);
			const there = await one<{ id: number }>(
				tx,
				'select id from inspected where costume_id = $1 and line = $2',
				[context.costumeId, line]
			);
			const row = { works, lookedAt: context.now };
			if (there) await set(tx, 'inspected', there.id, row);
			else await insert(tx, 'inspected', { ...row, line, costumeId: context.costumeId });
			const what = `${component.code} ${name}`;
			if (works) return { words: `${what}: good` };
			// Of the causes of its usual symptom the one that this place asks for.
			const usual = knownFaultOf(context.trade, faults[0] ?? null);
			const place = faultPlace(component.id, kind, {
				record,
				holds,
				held: await loadHeld(tx, record, context),
				materials: await loadMaterials(tx)
			});
			const [meant] = usual ? causesOf(context.trade.knownFault, usual.symptom, place) : [];
			const known = knownFaultOf(context.trade, meant ?? null);
			const earlier = record.faults.find(
				(x) => x.componentId === component.id && kindOfFault(x, holds, context.trade) === kind
			);
			const { result } = await faultCommands.addFault.run(
				tx,
				{
					componentId: component.id,
					symptom: known?.symptom ?? `${name}: ${note || 'let go'}`,
					cause: note || (known?.cause ?? ''),
					cure: known?.cure ?? '',
					holds: kind,
					occasion: 'storage',
					happenedAt: context.now,
					minutesLost: 0,
					cameBackOf: earlier?.id ?? null
				},
				context
			);
			if (photo?.size)
				await photoCommands.addPhoto.run(
					tx,
					{
						photo,
						componentId: component.id,
						faultId: result!.id,
						stepId: null,
						fittingId: null,
						swatchId: null,
						caption: known?.symptom ?? name
					},
					context
				);
			return { words: `${what} has to be mended`, result };
		}
	)
};
