import { z } from 'zod';
import { formatLocalTime } from '$core/units/localTime.ts';
import { storePicture } from '../pictures.ts';
import { Absent, one } from '../db/rows.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

export const photoCommands = {
	addPhoto: command(
		() =>
			z.object({
				photo: z.instanceof(File, { error: 'Choose a picture.' }),
				componentId: f.idOrNull(),
				stepId: f.idOrNull(),
				faultId: f.idOrNull(),
				fittingId: f.idOrNull(),
				caption: f.text()
			}),
		async (tx, v, { costumeId, now, folder }) => {
			const picture = await storePicture(folder, new Uint8Array(await v.photo.arrayBuffer()));
			const row = await one<{ id: number }>(
				tx,
				`insert into photo (costume_id, component_id, step_id, fault_id, hash, mime, width, height, bytes, caption, taken_at, fitting_id)
				select $1, c.id, $3, $4, $5, $6, $7, $8, $9, $10, $11,
					(select id from fitting where id = $12 and costume_id = k.id)
				from costume k left join component c on c.id = $2 and c.costume_id = k.id where k.id = $1 returning id`,
				[
					costumeId,
					v.componentId,
					v.stepId,
					v.faultId,
					picture.hash,
					picture.mime,
					picture.width,
					picture.height,
					picture.bytes,
					v.caption,
					formatLocalTime(now),
					v.fittingId
				]
			);
			if (!row) throw new Absent('costume');
			return { words: 'Added a photo', result: row };
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
