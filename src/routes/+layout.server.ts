import { FIRST_SETTINGS } from '$core/facts/workshop.ts';
import { database } from '$lib/server/database.ts';
import type { Database } from '$lib/server/db/open.ts';
import { lastAction, lastUndo } from '$lib/server/db/undo.ts';
import { all } from '$lib/server/db/rows.ts';
import { runningLogs } from '$lib/server/commands/log.ts';
import { loadHandbook, loadSettings } from '$lib/server/read/workshop.ts';
import type { LayoutServerLoad } from './$types';

async function beside(db: Database) {
	const [settings, handbook, last, redo, running, shelf] = await Promise.all([
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
		undoWords: last?.words ?? null,
		redoWords: redo?.words ?? null,
		running,
		shelf
	};
}

const NOTHING: Awaited<ReturnType<typeof beside>> = {
	settings: FIRST_SETTINGS,
	handbook: [],
	undoWords: null,
	redoWords: null,
	running: [],
	shelf: []
};

export const load: LayoutServerLoad = async ({ locals, route }) => {
	const db = await database();
	/** Why what is stored cannot be read. Where a backup is put in its place must be reached all the same. */
	let trouble: string | null = null;
	const its = await beside(db).catch((error: unknown) => {
		if (route.id !== '/settings') throw error;
		trouble = error instanceof Error ? error.message : String(error);
		return NOTHING;
	});
	return { ...its, trouble, now: locals.now, life: db.life };
};
