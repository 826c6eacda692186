import { writeHandbookFile } from '$core/formats/handbook.ts';
import { database } from '$lib/server/database.ts';
import { loadHandbook } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () =>
	new Response(writeHandbookFile(await loadHandbook(await database())), {
		headers: {
			'content-type': 'application/json; charset=utf-8',
			'content-disposition': 'attachment; filename="handbook.dapper.json"'
		}
	});
