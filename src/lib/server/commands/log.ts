import { z } from 'zod';
import { formatDuration } from '$core/units/duration.ts';
import { formatLocalTime, passedBetween, type LocalMinutes } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { coatWarning, finish, loadStep } from './step.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

/** A timer left on overnight is a slip, not work: more is asked about. */
const LONGEST_SITTING = 16 * 60;

/** A timer that runs: a log without an end. */
export interface Running {
	id: number;
	stepId: number;
	makerId: number | null;
	startedAt: LocalMinutes;
	note: string;
	/** Of the step, and the code of its component. */
	name: string;
	code: string;
	maker: string | null;
	costumeId: number;
}

/** Every timer that runs, one a maker at most. */
export const runningLogs = (tx: Executor): Promise<Running[]> =>
	all<Running>(
		tx,
		`select l.id, l.step_id, l.maker_id, l.started_at, l.note, s.name, c.code, c.costume_id, m.name as maker
		from work_log l join step s on s.id = l.step_id join component c on c.id = s.component_id
		left join maker m on m.id = l.maker_id where l.ended_at is null order by l.id`
	);

async function running(tx: Executor, id: number): Promise<Running> {
	const found = (await runningLogs(tx)).find((l) => l.id === id);
	if (!found) throw new Refused('This timer was stopped meanwhile. Its minutes and its note are in the log.');
	return found;
}

async function stop(
	tx: Executor,
	log: Running,
	now: LocalMinutes,
	note: string,
	minutes?: number
): Promise<number> {
	const worked = minutes ?? passedBetween(log.startedAt, now);
	await tx.query(
		'update work_log set ended_at = greatest($2::timestamp, started_at), minutes = $3, note = $4 where id = $1',
		[log.id, formatLocalTime(now), worked, note]
	);
	return worked;
}

async function finishToo(
	tx: Executor,
	stepId: number,
	at: LocalMinutes,
	anyway: boolean,
	context: Context
): Promise<void> {
	const warning = anyway ? null : await coatWarning(tx, stepId, at, context);
	if (warning) throw new Refused(warning, 'anyway');
	await finish(tx, [stepId], at, context);
}

export const logCommands = {
	/** One timer runs for each maker: what the maker was at is stopped first, and its minutes and note are kept. */
	startTimer: command(
		() => z.object({ stepId: f.id(), makerId: f.idOrNull() }),
		async (tx, v, context) => {
			const step = await loadStep(tx, v.stepId, context);
			if (step.doneAt !== null) throw new Refused('This step is done. Take it up again first.');
			const before = (await runningLogs(tx)).find((l) => l.makerId === v.makerId);
			if (before) await stop(tx, before, context.now, before.note);
			await insert(tx, 'work_log', { stepId: v.stepId, makerId: v.makerId, startedAt: context.now });
			const tail = before ? `, stopped ${before.name} of ${before.code}` : '';
			return { words: `Started ${step.name} of ${step.code}${tail}` };
		}
	),

	stopTimer: command(
		() =>
			z.object({
				id: f.id(),
				finish: f.ticked(),
				anyway: f.ticked(),
				note: f.note(),
				minutes: f.durationOrNull()
			}),
		async (tx, v, context) => {
			const log = await running(tx, v.id);
			const elapsed = v.minutes ?? passedBetween(log.startedAt, context.now);
			if (v.minutes === null && elapsed > LONGEST_SITTING)
				throw new Refused(
					`The timer has run for ${formatDuration(elapsed)}. Was it forgotten? Say how long it really was.`,
					'minutes'
				);
			const worked = await stop(tx, log, context.now, v.note, v.minutes ?? undefined);
			if (v.finish) await finishToo(tx, log.stepId, context.now, v.anyway, context);
			return {
				words: `${v.finish ? 'Finished' : 'Stopped'} ${log.name} of ${log.code} after ${formatDuration(worked)}`
			};
		}
	),

	/** What is noted while the timer runs belongs to it, and is there on every device. */
	noteTimer: command(
		() => z.object({ id: f.id(), note: f.note() }),
		async (tx, v) => {
			const log = await running(tx, v.id);
			if (log.note !== v.note) await set(tx, 'work_log', v.id, { note: v.note });
			return { words: `Noted on ${log.name} of ${log.code}` };
		}
	),

	/** Minutes written down afterwards. */
	logWork: command(
		() =>
			z.object({
				stepId: f.id(),
				makerId: f.idOrNull(),
				endedAt: f.time(),
				minutes: f.duration(),
				note: f.note(),
				finish: f.ticked(),
				anyway: f.ticked()
			}),
		async (tx, v, context) => {
			const step = await loadStep(tx, v.stepId, context);
			if (v.endedAt > context.now) throw new Refused('That time has not come yet.', 'endedAt');
			if (v.minutes > LONGEST_SITTING)
				throw new Refused('More than 16 hours at one go: split it by day.', 'minutes');
			await insert(tx, 'work_log', {
				stepId: v.stepId,
				makerId: v.makerId,
				startedAt: v.endedAt - v.minutes,
				endedAt: v.endedAt,
				minutes: v.minutes,
				note: v.note
			});
			if (v.finish) await finishToo(tx, v.stepId, v.endedAt, v.anyway, context);
			return { words: `Logged ${formatDuration(v.minutes)} on ${step.name} of ${step.code}` };
		}
	),

	removeLog: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ name: string; code: string }>(
				tx,
				`select s.name, c.code from work_log l join step s on s.id = l.step_id join component c on c.id = s.component_id
				where l.id = $1 and c.costume_id = $2`,
				[id, costumeId]
			);
			if (!row) throw new Absent('log');
			await tx.query('delete from work_log where id = $1', [id]);
			return { words: `Removed a log of ${row.name} of ${row.code}` };
		}
	)
};
