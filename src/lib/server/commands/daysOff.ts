import pluralize from 'pluralize';
import { z } from 'zod';
import { readBusy } from '$core/formats/readCalendar.ts';
import { say } from '$core/units/problem.ts';
import {
	clockOf,
	DAY,
	dayOf,
	dayWords,
	formatClock,
	formatDate,
	formatLocalTime
} from '$core/units/localTime.ts';
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
		() =>
			z.object({
				makerId: f.idOrNull(),
				placeId: f.idOrNull(),
				day: f.date(),
				/** Part of it only; of makers. */
				from: f.orNull(f.clock()),
				to: f.orNull(f.clock())
			}),
		async (tx, { makerId, placeId, day, from, to }) => {
			const words = await whose(tx, makerId, placeId);
			if (makerId !== null && (from !== null || to !== null)) {
				const span = [day * DAY + (from ?? 0), day * DAY + (to ?? DAY)] as const;
				if (span[1] <= span[0]) throw new Refused('Must end after it begins.', 'to');
				await tx.query(
					'insert into away (maker_id, from_at, to_at) values ($1, $2, $3) on conflict do nothing',
					[makerId, ...span.map(formatLocalTime)]
				);
				return { words: `${words.off} on ${partWords(span)}` };
			}
			await tx.query(
				'insert into day_off (maker_id, place_id, day) values ($1, $2, $3) on conflict do nothing',
				[makerId, placeId, formatDate(day)]
			);
			return { words: `${words.off} on ${dayWords(day)}` };
		}
	),

	/** Many days at once, as they were painted: free, or worked on after all. */
	setDaysOff: command(
		() =>
			z.object({
				makerId: f.idOrNull(),
				placeId: f.idOrNull(),
				days: f.json(
					z.array(z.number().int().min(-100_000).max(100_000)).min(1).max(400),
					'Choose the days.'
				),
				off: f.ticked()
			}),
		async (tx, { makerId, placeId, days, off }) => {
			const words = await whose(tx, makerId, placeId);
			const sorted = [...new Set(days)].sort((a, b) => a - b);
			for (const day of sorted)
				await tx.query(
					off
						? 'insert into day_off (maker_id, place_id, day) values ($1, $2, $3) on conflict do nothing'
						: 'delete from day_off where maker_id is not distinct from $1 and place_id is not distinct from $2 and day = $3',
					[makerId, placeId, formatDate(day)]
				);
			const [first, last] = [sorted[0]!, sorted.at(-1)!];
			const on =
				first === last
					? dayWords(first)
					: `${sorted.length} days from ${dayWords(first)} to ${dayWords(last)}`;
			return { words: off ? `${words.off} on ${on}` : `${words.on} on ${on} after all` };
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

	removeAway: command(
		() => z.object({ makerId: f.id(), from: f.whole(-1e9, 1e9), to: f.whole(-1e9, 1e9) }),
		async (tx, { makerId, from, to }) => {
			const name = await makerName(tx, makerId);
			await tx.query('delete from away where maker_id = $1 and from_at = $2 and to_at = $3', [
				makerId,
				formatLocalTime(from),
				formatLocalTime(to)
			]);
			return { words: `${name} works on ${partWords([from, to])} after all` };
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

	/** Days that a calendar marks as busy from morning to night become days off, appointments parts of days off. */
	importDaysOff: command(
		() =>
			z.object({ makerId: f.id(), file: z.instanceof(File, { error: 'Choose a calendar file (.ics).' }) }),
		async (tx, { makerId, file }, { now }) => {
			const name = await makerName(tx, makerId);
			if (file.size === 0) throw new Refused('Choose a calendar file (.ics).', 'file');
			if (file.size > MOST_FILE) throw new Refused('The file is larger than 5 MB.', 'file');
			const today = dayOf(now);
			const read = readBusy(await file.text(), today, today + AHEAD);
			if (!read.ok) throw new Refused(say(read.problem), 'file');
			const added = await all<{ id: number }>(
				tx,
				`insert into day_off (maker_id, day) select $1, day from unnest($2::date[]) as day
				on conflict (maker_id, day) do nothing returning id`,
				[makerId, read.value.days.map((d) => formatDate(d.day))]
			);
			const parts = await all<{ id: number }>(
				tx,
				`insert into away (maker_id, from_at, to_at, words)
				select $1, r."from", r."to", r.words from jsonb_to_recordset($2) as r ("from" timestamp, "to" timestamp, words text)
				on conflict do nothing returning id`,
				[
					makerId,
					JSON.stringify(
						read.value.parts.map((p) => ({
							from: formatLocalTime(p.from),
							to: formatLocalTime(p.to),
							words: p.words.slice(0, 200)
						}))
					)
				]
			);
			if (added.length + parts.length === 0)
				throw new Refused('It holds nothing ahead that is not there already.', 'file');
			const counted = [
				added.length && `${pluralize('day', added.length, true)} off`,
				parts.length && `${parts.length} ${parts.length === 1 ? 'part of a day' : 'parts of days'} off`
			].filter(Boolean);
			return { words: `Read ${counted.join(' and ')} for ${name}` };
		}
	)
};

const partWords = ([from, to]: readonly [number, number]) =>
	`${dayWords(dayOf(from))} from ${formatClock(clockOf(from))} to ${formatClock(to - dayOf(from) * DAY)}`;

async function whose(tx: Executor, makerId: number | null, placeId: number | null) {
	if ((makerId === null) === (placeId === null)) throw new Absent('maker');
	if (placeId === null) {
		const name = await makerName(tx, makerId!);
		return { off: `${name} is off`, on: `${name} works` };
	}
	const name = await placeName(tx, placeId);
	return { off: `${name} is closed`, on: `${name} is open` };
}
