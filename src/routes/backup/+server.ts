import { formatLocalTime } from '$core/units/localTime.ts';
import { attachment } from '$lib/server/attachment.ts';
import { writeBackup } from '$lib/server/backup.ts';
import { database } from '$lib/server/database.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals }) => {
	const name = formatLocalTime(locals.now).replace(':', '-');
	return attachment(
		(await writeBackup(await database())) as BodyInit,
		'application/zip',
		`${name}.dapper-backup.zip`
	);
};
