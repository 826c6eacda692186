import { text } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';
import type { RequestHandler } from './$types';

/** Which life of the data this is: another one after a restore. Windows that show the one before load anew. */
export const GET: RequestHandler = async () =>
	text((await database()).life, { headers: { 'cache-control': 'no-store' } });
