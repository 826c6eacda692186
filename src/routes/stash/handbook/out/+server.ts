import { writeHandbookFile } from '$core/formats/handbook.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { loadHandbook } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () =>
	attachment(
		writeHandbookFile(await loadHandbook(await database())),
		'application/json; charset=utf-8',
		'handbook.dapper.json'
	);
