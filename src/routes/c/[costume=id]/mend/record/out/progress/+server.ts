import { json } from '@sveltejs/kit';
import { progressOf } from '$lib/server/storyPictures.ts';
import type { RequestHandler } from './$types';

/** How many of its pictures are ready, of a record that is being written. */
export const GET: RequestHandler = ({ params, url }) =>
	json(progressOf(`${params.costume} ${url.search}`), { headers: { 'cache-control': 'no-store' } });
