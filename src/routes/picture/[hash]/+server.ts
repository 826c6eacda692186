import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';
import { one } from '$lib/server/db/rows.ts';
import { readStored, smaller, SMALLER } from '$lib/server/pictures.ts';
import type { RequestHandler } from './$types';

/** Pictures under their hash: only types that we encoded ourselves, never SVG or HTML. `?side=512` is smaller. */
export const GET: RequestHandler = async ({ params, url }) => {
	if (!/^[0-9a-f]{64}$/.test(params.hash)) error(404, 'There is no such picture.');
	const side = url.searchParams.get('side');
	if (side !== null && !SMALLER.some((s) => String(s) === side)) error(404, 'There is no such size.');
	const db = await database();
	const stored = await one<{ mime: string }>(
		db,
		`select mime from photo where hash = $1 union all select mime from reference_picture where hash = $1
		union all select mime from lot where hash = $1 union all select mime from purchase where hash = $1 limit 1`,
		[params.hash]
	);
	if (!stored) error(404, 'There is no such picture.');
	const { folder } = db;
	const read = side === null ? readStored(folder, params.hash) : smaller(folder, params.hash, Number(side));
	const data = await read.catch(() => null);
	if (!data) error(404, 'There is no such picture.');
	return new Response(new Uint8Array(data), {
		headers: {
			'content-type': stored.mime,
			'cache-control': 'private, max-age=31536000, immutable',
			'content-security-policy': "default-src 'none'"
		}
	});
};
