import { z } from 'zod';
import { sharedWith } from '$core/answers/bookings.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert } from '../db/tables.ts';
import { loadShared } from '../read/loans.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

/** Components that serve in several costumes. */
export const loanCommands = {
	/** It is worn with this costume too; it stays where it belongs. */
	borrowComponent: command(
		() => z.object({ componentId: f.id() }),
		async (tx, { componentId }, { costumeId }) => {
			const its = await one<{ code: string; name: string; costumeId: number; costume: string }>(
				tx,
				`select c.code, c.name, c.costume_id, k.name as costume from component c join costume k on k.id = c.costume_id
				where c.id = $1`,
				[componentId]
			);
			if (!its) throw new Absent('component');
			if (its.costumeId === costumeId)
				throw new Refused('It is of this costume already: choose one of another.', 'componentId');
			const { borrowed } = sharedWith(costumeId, await loadShared(tx));
			if (borrowed.some((s) => s.component.id === componentId))
				throw new Refused('It is borrowed already.', 'componentId');
			await insert(tx, 'loan', { costumeId, componentId });
			return { words: `Borrowed ${its.code} ${its.name} of ${its.costume}` };
		}
	),

	giveBack: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ code: string; name: string }>(
				tx,
				`select c.code, c.name from loan l join component c on c.id = l.component_id
				where l.id = $1 and l.costume_id = $2`,
				[id, costumeId]
			);
			if (!row) throw new Absent('loan');
			await tx.query('delete from loan where id = $1', [id]);
			return { words: `Gave ${row.code} ${row.name} back` };
		}
	)
};
