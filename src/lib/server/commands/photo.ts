import { z } from 'zod';
import { storePicture } from '../pictures.ts';
import { insert } from '../db/tables.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { Absent, one } from '../db/rows.ts';

export const photoCommands = {
	addPhoto: command(
		() =>
			z.object({
				photo: z.instanceof(File, { error: 'Choose a picture.' }),
				componentId: f.idOrNull(),
				stepId: f.idOrNull(),
				faultId: f.idOrNull(),
				fittingId: f.idOrNull(),
				swatchId: f.idOrNull(),
				caption: f.text()
			}),
		async (tx, v, { costumeId, now, folder }) => {
			const { photo, ...its } = v;
			// What is chosen of another costume is none of this one's.
			const own = await one<{
				componentId: number | null;
				fittingId: number | null;
				swatchId: number | null;
			}>(
				tx,
				`select c.id as component_id, f.id as fitting_id, s.id as swatch_id from costume k
					left join component c on c.id = $2 and c.costume_id = k.id
					left join fitting f on f.id = $3 and f.costume_id = k.id
					left join swatch s on s.id = $4 and s.costume_id = k.id
				where k.id = $1`,
				[costumeId, v.componentId, v.fittingId, v.swatchId]
			);
			if (!own) throw new Absent('costume');
			const picture = await storePicture(folder, new Uint8Array(await photo.arrayBuffer()));
			const id = await insert(tx, 'photo', { ...its, ...own, ...picture, costumeId, takenAt: now });
			return { words: 'Added a photo', result: { id } };
		}
	),

	removePhoto: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			// The file stays: undo needs it, and another costume may show it too.
			const row = await one<{ id: number }>(
				tx,
				'delete from photo where id = $1 and costume_id = $2 returning id',
				[id, costumeId]
			);
			if (!row) throw new Absent('photo');
			return { words: 'Removed a photo' };
		}
	)
};
