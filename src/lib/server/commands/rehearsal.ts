import { z } from 'zod';
import { dayOf, dayWords } from '$core/units/localTime.ts';
import { formatNumber } from '$core/units/number.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert } from '../db/tables.ts';
import { loadWear } from '../read/wear.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { variantOf } from './variant.ts';

/** Longer than this nobody dresses: a clock was forgotten. */
const MOST_MINUTES = 600;
const its = z.int().positive().max(2_000_000_000).nullable();
const time = z
	.strictObject({
		componentId: its,
		preparationId: its,
		minutes: z.number().positive().max(MOST_MINUTES)
	})
	.refine((t) => (t.componentId === null) !== (t.preparationId === null));

/** The costume was put on by the clock: what it took is learned from. */
export const rehearsalCommands = {
	logRehearsal: command(
		() =>
			z.object({
				dressers: f.whole(1, 3),
				variantId: f.idOrNull(),
				minutes: f.above0(MOST_MINUTES),
				times: f.json(z.array(time).max(500), 'The times could not be read.')
			}),
		async (tx, { times, ...v }, { costumeId, now }) => {
			await variantOf(tx, v.variantId, costumeId);
			const { preparations } = await loadWear(tx, costumeId);
			const components = await all<{ id: number }>(tx, 'select id from component where costume_id = $1', [
				costumeId
			]);
			const isThere = (rows: readonly { id: number }[], id: number | null) => rows.some((r) => r.id === id);
			// A clock may have run on a phone while something was removed.
			const there = times.filter(
				(t) => isThere(components, t.componentId) || isThere(preparations, t.preparationId)
			);
			if (!there.length) throw new Refused('Nothing of this costume was put on by the clock.');
			const rehearsalId = await insert(tx, 'rehearsal', { ...v, costumeId, heldAt: now });
			for (const t of there) await insert(tx, 'rehearsal_time', { ...t, rehearsalId });
			return { words: `Rehearsed in ${formatNumber(v.minutes, 1)} min` };
		}
	),

	removeRehearsal: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const found = await one<{ heldAt: number }>(
				tx,
				'select held_at from rehearsal where id = $1 and costume_id = $2',
				[id, costumeId]
			);
			if (!found) throw new Absent('rehearsal');
			await tx.query('delete from rehearsal where id = $1', [id]);
			return { words: `Removed the rehearsal of ${dayWords(dayOf(found.heldAt))}` };
		}
	)
};
