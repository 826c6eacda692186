import { z } from 'zod';
import { readBusyDays } from '$core/formats/readCalendar.ts';
import { say } from '$core/messages.ts';
import { dayOf, formatDate } from '$core/units/localTime.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

const MOST_FILE = 5 * 1024 * 1024;
/** Days off are read so far ahead. */
const AHEAD = 400;

export const daysOffCommands = {
	/** Days that a calendar marks as busy from morning to night become days off. */
	importDaysOff: command(
		() =>
			z.object({ makerId: f.id(), file: z.instanceof(File, { error: 'Choose a calendar file (.ics).' }) }),
		async (tx, { makerId, file }, { now }) => {
			const maker = await one<{ name: string }>(tx, 'select name from maker where id = $1', [makerId]);
			if (!maker) throw new Absent('maker');
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
			return { words: `Read ${added.length} ${added.length === 1 ? 'day' : 'days'} off for ${maker.name}` };
		}
	)
};
