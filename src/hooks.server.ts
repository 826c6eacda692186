import { error, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { automaticBackup } from '$lib/server/backup.ts';
import { clock } from '$lib/server/clock.ts';
import { closeDatabase, database } from '$lib/server/database.ts';
import { FolderInUse } from '$lib/server/db/lock.ts';
import { NewerData } from '$lib/server/db/migrate.ts';

export const init: ServerInit = async () => {
	try {
		const db = await database();
		process.on('sveltekit:shutdown', () => void closeDatabase());
		// After the first pages are served: a backup must not slow the start.
		setTimeout(
			() => automaticBackup(db).catch((error) => console.error('Automatic backup failed:', error)),
			5000
		).unref();
	} catch (error) {
		if (!(error instanceof FolderInUse || error instanceof NewerData)) throw error;
		console.error(error.message);
		process.exit(3);
	}
};

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.now = clock();
	// `?/constructor` is no action, though every object has one.
	const action = [...event.url.searchParams.keys()].find((key) => key.startsWith('/'))?.slice(1);
	if (action !== undefined && action in Object.prototype) error(404, 'There is no such thing to do.');
	const response = await resolve(event);
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('cross-origin-opener-policy', 'same-origin');
	return response;
};

/** Unknown errors: in full to the log, in general words to the page. */
export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (status >= 500) console.error(`${event.request.method} ${event.url.pathname}`, error);
	return {
		message:
			status >= 500 ? 'Something went wrong here. Nothing stored was harmed; the log says more.' : message
	};
};
