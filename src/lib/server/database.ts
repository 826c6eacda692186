import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { building } from '$app/environment';
import { dataFolder } from './dataFolder.ts';
import { openDatabase, type Database } from './db/open.ts';
import { layOutDemo } from './demo/layOut.ts';
import { closePlanner } from './read/plans.ts';
import { prepareWorkshop } from './firstStart.ts';

let opened: Promise<Database> | null = null;

/** The one database of this process, opened when first asked for. */
export function database(): Promise<Database> {
	if (building) throw new Error('The database is not for building.');
	opened ??= open();
	return opened;
}

async function open(): Promise<Database> {
	const demo = process.env.DAPPER_DEMO === '1';
	const db = await openDatabase(dataFolder(), (folder) => {
		// Only the demo may be thrown away, and only once the folder is held.
		if (demo && process.env.DAPPER_FRESH === '1')
			for (const name of ['db', 'files', 'backups'])
				rmSync(join(folder, name), { recursive: true, force: true });
	});
	await prepareWorkshop(db);
	if (demo) await layOutDemo(db);
	return db;
}

export async function closeDatabase(): Promise<void> {
	const opening = opened;
	opened = null;
	const db = await opening?.catch(() => null);
	if (!db) return;
	await closePlanner(db);
	await db.close();
}
