import { z } from 'zod';
import { actionOf, actionsOf } from '$lib/server/commands/actions.ts';
import * as f from '$lib/server/commands/fields.ts';
import { workshopCommands } from '$lib/server/commands/workshop.ts';
import { listBackups, readBackup } from '$lib/server/backup.ts';
import { database } from '$lib/server/database.ts';
import { shownFolder } from '$lib/server/dataFolder.ts';
import { Refused } from '$lib/server/db/rows.ts';
import { restoreBackup } from '$lib/server/restore.ts';
import { loadExchange } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	// Backups are files.
	locals.unshared = true;
	const db = await database();
	return {
		backups: await listBackups(db),
		exchange: await loadExchange(db).catch(() => []),
		folder: shownFolder(db.folder)
	};
};

/** A restore replaces everything, History included, so it is no command with an entry in History. */
export const actions: Actions = {
	...actionsOf(workshopCommands),
	restoreBackup: actionOf('restoreBackup', {
		input: () => z.object({ kept: f.text(), file: z.instanceof(File).optional() }),
		run: async (db, { kept, file }) => {
			if (kept) await restoreBackup(db, await readBackup(db, kept), { pictures: false });
			else if (file?.size) await restoreBackup(db, new Uint8Array(await file.arrayBuffer()));
			else throw new Refused('Choose a backup.', 'file');
			return { words: 'Restored the backup' };
		}
	})
};
