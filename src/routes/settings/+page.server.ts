import { fail } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { readForm } from '$lib/server/commands/formValues.ts';
import { workshopCommands } from '$lib/server/commands/workshop.ts';
import { listBackups, readBackup, restoreBackup } from '$lib/server/backup.ts';
import { database } from '$lib/server/database.ts';
import { shownFolder } from '$lib/server/dataFolder.ts';
import { Refused } from '$lib/server/db/rows.ts';
import { loadExchange } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
	const db = await database();
	return {
		backups: await listBackups(db),
		exchange: await loadExchange(db),
		folder: shownFolder(db.folder)
	};
};

/** A restore replaces everything, History included, so it is no command with an entry in History. */
export const actions: Actions = {
	...actionsOf(workshopCommands),
	restoreBackup: async ({ request }) => {
		const db = await database();
		const form = await readForm(request);
		const [kept, file] = [form.get('kept'), form.get('file')];
		try {
			if (typeof kept === 'string' && kept) await restoreBackup(db, await readBackup(db, kept));
			else if (file instanceof File && file.size > 0)
				await restoreBackup(db, new Uint8Array(await file.arrayBuffer()));
			else throw new Refused('Choose a backup.', 'file');
		} catch (problem) {
			if (!(problem instanceof Refused)) throw problem;
			return fail(422, {
				command: 'restoreBackup',
				id: '',
				errors: { file: problem.message },
				message: problem.message,
				values: {}
			});
		}
		return { command: 'restoreBackup', done: 'Restored the backup', result: null };
	}
};
