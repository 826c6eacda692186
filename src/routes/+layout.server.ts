import { database } from '$lib/server/database.ts';
import { lastAction, lastUndo } from '$lib/server/db/undo.ts';
import { all } from '$lib/server/db/rows.ts';
import { runningLogs } from '$lib/server/commands/log.ts';
import { loadHandbook, loadSettings } from '$lib/server/read/workshop.ts';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals }) => {
	const db = await database();
	const [settings, handbook, last, redo, running, places] = await Promise.all([
		loadSettings(db),
		loadHandbook(db),
		lastAction(db),
		lastUndo(db),
		runningLogs(db),
		all<{ id: number; name: string }>(
			db,
			'select id, name from costume where archived_at is null order by event_at, id'
		)
	]);
	return {
		settings,
		/** The maker's own rows. */
		handbook,
		now: locals.now,
		undoWords: last?.words ?? null,
		redoWords: redo?.words ?? null,
		running,
		shelf: places
	};
};
