import { z } from 'zod';
import { offcutFlaws, offcutOutline } from '$core/engines/layout/offcut.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

/** An offcut is called by its number, as it is written on it. */
export async function nextOffcut(tx: Executor): Promise<number> {
	const row = await one<{ next: number }>(
		tx,
		`select coalesce(max(substring(name, '^Offcut (\\d{1,8})$')::integer), 0) + 1 as next from offcut`
	);
	return row!.next;
}

export const insertOffcut = (
	tx: Executor,
	o: { materialId: number; name: string; outline: unknown; flaws: unknown; note: string }
) => insert(tx, 'offcut', o);

const fields = {
	name: f.text(80),
	note: f.text(),
	outline: f.json(offcutOutline, 'Give the offcut an outline.', 200_000),
	flaws: f.json(offcutFlaws, 'The spoiled places cannot be read.', 200_000)
};

export const offcutCommands = {
	addOffcut: command(
		() => z.object({ materialId: f.id(), ...fields }),
		async (tx, v) => {
			const material = await one<{ name: string }>(tx, 'select name from material where id = $1', [
				v.materialId
			]);
			if (!material) throw new Absent('material');
			const name = v.name || `Offcut ${await nextOffcut(tx)}`;
			await insertOffcut(tx, { ...v, name });
			return { words: `Kept ${name} of ${material.name}` };
		}
	),
	editOffcut: command(
		() => z.object({ id: f.id(), version: f.version(), ...fields, name: f.name(80) }),
		async (tx, v) => {
			await update(tx, 'offcut', v, v);
			return { words: `Changed ${v.name}` };
		}
	),
	removeOffcut: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const row = await one<{ name: string }>(tx, 'delete from offcut where id = $1 returning name', [id]);
			if (!row) throw new Absent('offcut');
			return { words: `Threw away ${row.name}` };
		}
	)
};
