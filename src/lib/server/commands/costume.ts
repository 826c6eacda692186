import { z } from 'zod';
import { CURRENCIES } from '$core/units/money.ts';
import { formatLocalTime } from '$core/units/localTime.ts';
import { all, one, Absent, Refused, written } from '../db/rows.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

const shape = (currency: string) => ({
	name: f.name(),
	wearer: f.text(),
	eventName: f.text(),
	eventAt: f.time(),
	bufferDays: f.whole(0, 60),
	limitMinor: f.moneyOrNull(currency),
	stashAtCost: f.ticked(),
	split: f.choice(['windows', 'anywhere']),
	rehearsalAt: f.orNull(f.time()).default(null),
	note: f.note()
});

interface Named {
	id: number;
	name: string;
}

const named = async (tx: Parameters<typeof one>[0], id: number): Promise<Named> => {
	const row = await one<Named>(tx, 'select id, name from costume where id = $1', [id]);
	if (!row) throw new Absent('costume');
	return row;
};

export const costumeCommands = {
	addCostume: command(
		({ settings }) =>
			z
				.object({
					name: f.name(),
					wearer: f.text(),
					eventName: f.text(),
					eventAt: f.time(),
					limit: z.string().default(''),
					currency: f.choice(CURRENCIES).default(settings.currency as (typeof CURRENCIES)[number])
				})
				.transform((v, ctx) => {
					// The limit is read in the currency chosen in the same form.
					const limit = f.moneyOrNull(v.currency).safeParse(v.limit);
					if (limit.success) return { ...v, limitMinor: limit.data };
					ctx.addIssue({ code: 'custom', path: ['limit'], message: limit.error.issues[0]!.message });
					return z.NEVER;
				}),
		async (tx, v, { now }) => {
			if (v.eventAt <= now)
				throw new Refused(
					'The event lies in the past. A costume already worn is fine: set the date of its next event.',
					'eventAt'
				);
			const row = await one<Named>(
				tx,
				`insert into costume (name, wearer, event_name, event_at, limit_minor, currency)
				values ($1, $2, $3, $4, $5, $6) returning id, name`,
				[v.name, v.wearer, v.eventName, formatLocalTime(v.eventAt), v.limitMinor, v.currency]
			);
			return { words: `Added costume ${v.name}`, costumeId: row!.id, result: row! };
		}
	),

	editCostume: command(
		({ currency }) => z.object({ version: f.version(), ...shape(currency) }),
		async (tx, v, { costumeId }) => {
			if (v.rehearsalAt !== null && v.rehearsalAt > v.eventAt)
				throw new Refused('The rehearsal comes before the event.', 'rehearsalAt');
			const rows = await all<Named>(
				tx,
				`update costume set name = $3, wearer = $4, event_name = $5, event_at = $6, buffer_days = $7,
					limit_minor = $8, stash_at_cost = $9, split = $10, note = $11, rehearsal_at = $12
				where id = $1 and version = $2 returning id, name`,
				[
					costumeId,
					v.version,
					v.name,
					v.wearer,
					v.eventName,
					formatLocalTime(v.eventAt),
					v.bufferDays,
					v.limitMinor,
					v.stashAtCost,
					v.split,
					v.note,
					v.rehearsalAt === null ? null : formatLocalTime(v.rehearsalAt)
				]
			);
			await written(tx, 'costume', costumeId, rows);
			return { words: `Changed costume ${v.name}` };
		}
	),

	archiveCostume: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { now }) => {
			const { name } = await named(tx, id);
			await tx.query('update costume set archived_at = $2 where id = $1', [id, formatLocalTime(now)]);
			return { words: `Put ${name} into the archive`, costumeId: id };
		}
	),

	restoreCostume: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { name } = await named(tx, id);
			await tx.query('update costume set archived_at = null where id = $1', [id]);
			return { words: `Took ${name} out of the archive`, costumeId: id };
		}
	),

	removeCostume: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { name } = await named(tx, id);
			await tx.query('delete from costume where id = $1', [id]);
			return { words: `Removed costume ${name}`, costumeId: id };
		}
	),

	/** Who is promised the stash first, by ids one after another; nothing: by event again. */
	orderStash: command(
		() =>
			z.object({
				ids: f.text(5000).transform((ids) => ids.split(' ').filter(Boolean).map(Number))
			}),
		async (tx, { ids }) => {
			await tx.query('update costume set stash_turn = null where stash_turn is not null');
			await tx.query(
				`update costume c set stash_turn = o.turn from unnest($1::integer[]) with ordinality as o (id, turn)
				where c.id = o.id`,
				[ids]
			);
			return {
				words: ids.length ? 'Changed who is promised the stash first' : 'The stash is promised by event'
			};
		}
	)
};
