import { z } from 'zod';
import { CURRENCIES } from '$core/units/money.ts';
import { Absent, Refused, all, one } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { dropUnshared } from './joint.ts';
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
				.transform(({ limit: typed, ...v }, ctx) => {
					// The limit is read in the currency chosen in the same form.
					const limit = f.moneyOrNull(v.currency).safeParse(typed);
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
			const id = await insert(tx, 'costume', v);
			return { words: `Added costume ${v.name}`, costumeId: id, result: { id, name: v.name } };
		}
	),

	editCostume: command(
		({ currency }) => z.object({ version: f.version(), ...shape(currency) }),
		async (tx, v, { costumeId }) => {
			if (v.rehearsalAt !== null && v.rehearsalAt > v.eventAt)
				throw new Refused('The rehearsal comes before the event.', 'rehearsalAt');
			await update(tx, 'costume', { id: costumeId, version: v.version }, v);
			return { words: `Changed costume ${v.name}` };
		}
	),

	archiveCostume: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { now }) => {
			const { name } = await named(tx, id);
			await set(tx, 'costume', id, { archivedAt: now });
			return { words: `Put ${name} into the archive`, costumeId: id };
		}
	),

	restoreCostume: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { name } = await named(tx, id);
			await set(tx, 'costume', id, { archivedAt: null });
			return { words: `Took ${name} out of the archive`, costumeId: id };
		}
	),

	removeCostume: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { name } = await named(tx, id);
			await tx.query('delete from costume where id = $1', [id]);
			await dropUnshared(tx);
			return { words: `Removed costume ${name}`, costumeId: id };
		}
	),

	/** Whose hours come first among costumes of one day, by ids one after another. */
	orderHours: command(
		() => z.object({ ids: f.idsInTurn() }),
		async (tx, { ids }) => {
			const known = await all<{ name: string; day: string }>(
				tx,
				`select c.name, c.event_at::date::text as day from unnest($1::integer[]) with ordinality as o (id, turn)
				join costume c on c.id = o.id order by o.turn`,
				[ids]
			);
			if (known.length < ids.length || known.length === 0) throw new Absent('costume');
			if (new Set(known.map((c) => c.day)).size > 1)
				throw new Refused('Costumes of different days: the earlier event comes first.');
			await tx.query(
				`update costume c set hours_turn = o.turn from unnest($1::integer[]) with ordinality as o (id, turn)
				where c.id = o.id and c.hours_turn is distinct from o.turn`,
				[ids]
			);
			return { words: `Hours go to ${known[0]!.name} first` };
		}
	),

	/** Who is promised the stash first, by ids one after another; nothing: by event again. */
	orderStash: command(
		() =>
			z.object({
				ids: f.idsInTurn()
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
