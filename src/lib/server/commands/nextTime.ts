import { z } from 'zod';
import type { NextTime } from '$core/facts/health.ts';
import type { Step } from '$core/facts/step.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { loadNextTimes } from '../read/health.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { endOfSteps, insertStep, makeRoom } from './step.ts';

const shape = { words: f.name(200), componentId: f.idOrNull() };
const MOST_NOTE = 4000;

async function thoughtAt(tx: Executor, id: number, { costumeId }: Context): Promise<NextTime> {
	const found = (await loadNextTimes(tx, [costumeId])).find((n) => n.id === id);
	if (!found) throw new Absent('thought');
	return found;
}

async function checkComponent(tx: Executor, id: number | null, { costumeId }: Context): Promise<void> {
	if (id === null) return;
	const found = await one(tx, 'select 1 from component where id = $1 and costume_id = $2', [id, costumeId]);
	if (!found) throw new Absent('component');
}

/** What to do otherwise next time: kept with the costume that taught it, until another takes it over. */
export const nextTimeCommands = {
	addNextTime: command(
		() => z.object(shape),
		async (tx, v, context) => {
			const { costumeId } = context;
			await checkComponent(tx, v.componentId, context);
			const { next } = (await one<{ next: number }>(
				tx,
				'select coalesce(max(position) + 1, 0) as next from next_time where costume_id = $1',
				[costumeId]
			))!;
			await insert(tx, 'next_time', { ...v, costumeId, position: next });
			return { words: `Next time: ${v.words}` };
		}
	),

	editNextTime: command(
		() => z.object({ id: f.id(), version: f.version(), ...shape }),
		async (tx, { id, version, ...v }, context) => {
			await thoughtAt(tx, id, context);
			await checkComponent(tx, v.componentId, context);
			await update(tx, 'next_time', { id, version }, v);
			return { words: `Next time: ${v.words}` };
		}
	),

	removeNextTime: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const { words } = await thoughtAt(tx, id, context);
			await tx.query('delete from next_time where id = $1', [id]);
			return { words: `Removed for next time: ${words}` };
		}
	),

	/** It becomes a step or a note of a component, of whichever costume. */
	takeNextTime: command(
		() =>
			z.object({
				id: f.id(),
				toComponentId: f.id(),
				as: f.choice(['step', 'note']),
				minutes: f.whole(1, 6000).default(15)
			}),
		async (tx, { id, toComponentId, as, minutes }, context) => {
			const { words } = await thoughtAt(tx, id, context);
			const to = await one<{ code: string; note: string; costume: string; away: boolean }>(
				tx,
				`select c.code, c.note, k.name as costume, k.archived_at is not null as away
				from component c join costume k on k.id = c.costume_id where c.id = $1`,
				[toComponentId]
			);
			if (!to) throw new Absent('component');
			if (to.away)
				throw new Refused('That costume is put away: take it out of the archive first.', 'toComponentId');
			if (as === 'note') {
				const note = [to.note, words].filter(Boolean).join('\n');
				if (note.length > MOST_NOTE) throw new Refused('Its note is full: make it a step.', 'as');
				await set(tx, 'component', toComponentId, { note });
			} else {
				const steps = await all<Pick<Step, 'phase' | 'position' | 'doneAt'>>(
					tx,
					'select phase, position, done_at from step where component_id = $1 order by position, id',
					[toComponentId]
				);
				// While it is made: before what is finished, rigged or fitted.
				const later = steps.find((s) => s.doneAt === null && s.phase !== 'pattern' && s.phase !== 'make');
				const position = later?.position ?? (await endOfSteps(tx, toComponentId));
				if (later) await makeRoom(tx, toComponentId, position);
				await insertStep(tx, {
					componentId: toComponentId,
					name: words.slice(0, 120),
					technique: 'other',
					amount: minutes,
					phase: 'make',
					perCopy: false,
					position
				});
			}
			await set(tx, 'next_time', id, { takenTo: `a ${as} of ${to.code}, ${to.costume}`.slice(0, 200) });
			return { words: `${to.code} of ${to.costume} has it as a ${as}: ${words}` };
		}
	)
};
