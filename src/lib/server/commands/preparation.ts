import { z } from 'zod';
import type { Preparation } from '$core/facts/wear.ts';
import { ZONES } from '$core/facts/zone.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { loadWear } from '../read/wear.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { variantOf } from './variant.ts';

const shape = () => ({
	name: f.name(),
	zones: f.several(ZONES).refine((zones) => zones.length > 0, 'Say where it goes on.'),
	minutes: f.above0(600),
	waitMinutes: f.decimal(0, 600),
	hands: f.whole(1, 3),
	patchTest: f.ticked(),
	variantId: f.idOrNull()
});

async function preparationAt(tx: Executor, id: number, costumeId: number): Promise<Preparation> {
	const found = (await loadWear(tx, costumeId)).preparations.find((p) => p.id === id);
	if (!found) throw new Absent('preparation');
	return found;
}

/** Make-up, prosthetics and skin adhesives. */
export const preparationCommands = {
	addPreparation: command(
		() => z.object(shape()),
		async (tx, v, { costumeId }) => {
			await variantOf(tx, v.variantId, costumeId);
			const { next } = (await one<{ next: number }>(
				tx,
				'select coalesce(max(position) + 1, 0) as next from preparation where costume_id = $1',
				[costumeId]
			))!;
			await insert(tx, 'preparation', { ...v, costumeId, position: next });
			return { words: `${v.name} is put on first` };
		}
	),

	editPreparation: command(
		() => z.object({ id: f.id(), version: f.version(), ...shape() }),
		async (tx, { id, version, ...v }, { costumeId }) => {
			await preparationAt(tx, id, costumeId);
			await variantOf(tx, v.variantId, costumeId);
			await update(tx, 'preparation', { id, version }, v);
			return { words: `Changed ${v.name}` };
		}
	),

	removePreparation: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const found = await preparationAt(tx, id, costumeId);
			await tx.query('delete from preparation where id = $1', [id]);
			return { words: `Removed ${found.name}` };
		}
	)
};
