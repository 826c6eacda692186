import { z } from 'zod';
import { formatDuration } from '$core/units/duration.ts';
import { formatLocalTime, type LocalMinutes } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { coatWarning, loadStep, setDone } from './step.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

/** A timer left on overnight is a slip, not work: more is asked about. */
const LONGEST_SITTING = 16 * 60;

interface Running {
	id: number;
	stepId: number;
	startedAt: LocalMinutes;
	name: string;
	code: string;
}

export const runningLog = (tx: Executor): Promise<Running | null> =>
	one<Running>(
		tx,
		`select l.id, l.step_id, l.started_at, s.name, c.code from work_log l join step s on s.id = l.step_id
		join component c on c.id = s.component_id where l.ended_at is null order by l.id desc limit 1`
	);

async function stop(
	tx: Executor,
	log: Running,
	now: LocalMinutes,
	note: string,
	minutes?: number
): Promise<number> {
	const worked = minutes ?? Math.max(0, now - log.startedAt);
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
	await setDone(tx, stepId, at);
}

export const logCommands = {
	/** Only one timer runs: another one is stopped first, and its minutes are kept. */
	startTimer: command(
		() => z.object({ stepId: f.id(), makerId: f.idOrNull() }),
		async (tx, v, context) => {
			const step = await loadStep(tx, v.stepId, context);
			if (step.doneAt !== null) throw new Refused('This step is done. Take it up again first.');
			const before = await runningLog(tx);
			if (before) await stop(tx, before, context.now, '');
			await tx.query('insert into work_log (step_id, maker_id, started_at) values ($1, $2, $3)', [
				v.stepId,
				v.makerId,
				formatLocalTime(context.now)
			]);
			const tail = before ? `, stopped ${before.name} of ${before.code}` : '';
			return { words: `Started ${step.name} of ${step.code}${tail}` };
		}
	),

	stopTimer: command(
		() => z.object({ finish: f.ticked(), anyway: f.ticked(), note: f.note(), minutes: f.durationOrNull() }),
		async (tx, v, context) => {
			const log = await runningLog(tx);
			if (!log) throw new Absent('running timer');
			const elapsed = v.minutes ?? context.now - log.startedAt;
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
			await tx.query(
				'insert into work_log (step_id, maker_id, started_at, ended_at, minutes, note) values ($1, $2, $3, $4, $5, $6)',
				[
					v.stepId,
					v.makerId,
					formatLocalTime(v.endedAt - v.minutes),
					formatLocalTime(v.endedAt),
					v.minutes,
					v.note
				]
			);
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
