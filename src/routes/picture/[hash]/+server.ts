import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';
import { one } from '$lib/server/db/rows.ts';
import { readStored } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types';

/** Pictures under their hash: only types that we encoded ourselves, never SVG or HTML. */
export const GET: RequestHandler = async ({ params }) => {
	if (!/^[0-9a-f]{64}$/.test(params.hash)) error(404, 'There is no such picture.');
	const db = await database();
	const photo = await one<{ mime: string }>(db, 'select mime from photo where hash = $1 limit 1', [
		params.hash
	]);
	const data = photo && (await readStored(db.folder, params.hash).catch(() => null));
	if (!data) error(404, 'There is no such picture.');
	return new Response(new Uint8Array(data), {
		headers: {
			'content-type': photo.mime,
			'cache-control': 'private, max-age=31536000, immutable',
			'content-security-policy': "default-src 'none'"
		}
	});
};
