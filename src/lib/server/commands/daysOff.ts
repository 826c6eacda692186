import { z } from 'zod';
import { readBusyDays } from '$core/formats/readCalendar.ts';
import { say } from '$core/messages.ts';
import { dayOf, dayWords, formatDate } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, Refused } from '../db/rows.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { makerName, placeName } from './workshop.ts';

const MOST_FILE = 5 * 1024 * 1024;
/** Days off are read so far ahead. */
const AHEAD = 400;

export const daysOffCommands = {
	/** A day off of a maker, or one on which a place is closed. */
	addDayOff: command(
		() => z.object({ makerId: f.idOrNull(), placeId: f.idOrNull(), day: f.date() }),
		async (tx, { makerId, placeId, day }) => {
			const words = await whose(tx, makerId, placeId);
			await tx.query(
				'insert into day_off (maker_id, place_id, day) values ($1, $2, $3) on conflict do nothing',
				[makerId, placeId, formatDate(day)]
			);
			return { words: `${words.off} on ${dayWords(day)}` };
		}
	),

	removeDayOff: command(
		() => z.object({ makerId: f.idOrNull(), placeId: f.idOrNull(), day: f.whole(-100_000, 100_000) }),
		async (tx, { makerId, placeId, day }) => {
			const words = await whose(tx, makerId, placeId);
			await tx.query('delete from day_off where (maker_id = $1 or place_id = $2) and day = $3', [
				makerId,
				placeId,
				formatDate(day)
			]);
			return { words: `${words.on} on ${dayWords(day)} after all` };
		}
	),

	/** Closes what needs dry weather for today. */
	tooWet: command(
		() => z.object({}),
		async (tx, _, { now }) => {
			const closed = await all<{ id: number }>(
				tx,
				`insert into day_off (place_id, day) select id, $1::date from place where dry_only
				on conflict do nothing returning id`,
				[formatDate(dayOf(now))]
			);
			if (closed.length === 0) throw new Refused('Nothing is open that needs dry weather.');
			return { words: 'Too wet today: what needs dry weather waits' };
		}
	),

	/** Days that a calendar marks as busy from morning to night become days off. */
	importDaysOff: command(
		() =>
			z.object({ makerId: f.id(), file: z.instanceof(File, { error: 'Choose a calendar file (.ics).' }) }),
		async (tx, { makerId, file }, { now }) => {
			const name = await makerName(tx, makerId);
			if (file.size === 0) throw new Refused('Choose a calendar file (.ics).', 'file');
			if (file.size > MOST_FILE) throw new Refused('The file is larger than 5 MB.', 'file');
			const today = dayOf(now);
			const read = readBusyDays(await file.text(), today, today + AHEAD);
			if (!read.ok) throw new Refused(say(read.problem), 'file');
			const added = await all<{ id: number }>(
				tx,
				`insert into day_off (maker_id, day) select $1, day from unnest($2::date[]) as day
				on conflict (maker_id, day) do nothing returning id`,
				[makerId, read.value.map((d) => formatDate(d.day))]
			);
			if (added.length === 0)
				throw new Refused(
					'It holds no day off ahead that is not there already: only events of whole days count.',
					'file'
				);
			return { words: `Read ${added.length} ${added.length === 1 ? 'day' : 'days'} off for ${name}` };
		}
	)
};

async function whose(tx: Executor, makerId: number | null, placeId: number | null) {
	if ((makerId === null) === (placeId === null)) throw new Absent('maker');
	if (placeId === null) {
		const name = await makerName(tx, makerId!);
		return { off: `${name} is off`, on: `${name} works` };
	}
	const name = await placeName(tx, placeId);
	return { off: `${name} is closed`, on: `${name} is open` };
}
