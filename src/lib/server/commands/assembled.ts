import { z } from 'zod';
import { placement } from '$core/facts/placement.ts';
import { shaperOf } from '$core/engines/shapers/shapers.ts';
import { Absent, one } from '../db/rows.ts';
import { set } from '../db/tables.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

/** Where assembled shapes stand on the wearer. */
export const assembledCommands = {
	/** Without a place it stands again where its component is worn. */
	placeShape: command(
		() =>
			z.object({
				id: f.id(),
				placed: f.json(placement.nullable(), 'Say where it stands.', 1000)
			}),
		async (tx, { id, placed }, { costumeId }) => {
			const shape = await one<{ name: string; shaper: string; code: string }>(
				tx,
				`select s.name, s.shaper, c.code from shape s join component c on c.id = s.component_id
				where s.id = $1 and c.costume_id = $2`,
				[id, costumeId]
			);
			if (!shape) throw new Absent('shape');
			await set(tx, 'shape', id, { placed });
			const name = `${shape.name || shaperOf(shape.shaper).name} of ${shape.code}`;
			return { words: placed ? `Moved ${name} on the stand` : `Put ${name} back where it is worn` };
		}
	)
};
