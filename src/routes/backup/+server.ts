import { formatLocalTime } from '$core/units/localTime.ts';
import { writeBackup } from '$lib/server/backup.ts';
import { database } from '$lib/server/database.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals }) => {
	const name = formatLocalTime(locals.now).replace(':', '-');
	return new Response((await writeBackup(await database())) as BodyInit, {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="${name}.dapper-backup.zip"`
		}
	});
};
