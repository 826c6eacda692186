import { building } from '$app/environment';
import { openDatabase, type Database } from './db/open.ts';
import { prepareWorkshop } from './firstStart.ts';
import { dataFolder } from './dataFolder.ts';

let opened: Promise<Database> | null = null;

/** The one database of this process, opened when first asked for. */
export function database(): Promise<Database> {
	if (building) throw new Error('The database is not for building.');
	opened ??= openDatabase(dataFolder()).then(async (db) => {
		await prepareWorkshop(db);
		return db;
	});
	return opened;
}

export async function closeDatabase(): Promise<void> {
	const db = opened;
	opened = null;
	await (await db?.catch(() => null))?.close();
}
