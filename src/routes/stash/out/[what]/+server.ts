import { error } from '@sveltejs/kit';
import { lotsTable, materialsLibrary } from '$core/formats/stashTables.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

const WRITERS: Record<string, typeof lotsTable> = { materials: materialsLibrary, lots: lotsTable };

export const GET: RequestHandler = async ({ params: { what } }) => {
	const write = Object.hasOwn(WRITERS, what) ? WRITERS[what] : undefined;
	if (!write) error(404, 'There is nothing to write out here.');
	return attachment(write(await loadMaterials(await database())), 'text/csv; charset=utf-8', `${what}.csv`);
};
