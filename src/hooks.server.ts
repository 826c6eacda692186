import {
	error,
	type Handle,
	type HandleServerError,
	type RequestEvent,
	type ServerInit
} from '@sveltejs/kit';
import { automaticBackup } from '$lib/server/backup.ts';
import { clock } from '$lib/server/clock.ts';
import { dataFolder } from '$lib/server/dataFolder.ts';
import { closeDatabase, database } from '$lib/server/database.ts';
import { FolderInUse } from '$lib/server/db/lock.ts';
import { CannotOpen } from '$lib/server/db/onDisk.ts';
import { NewerData } from '$lib/server/db/migrate.ts';
import type { Database } from '$lib/server/db/open.ts';
import { stateOf } from '$lib/server/read/plans.ts';
import { notStored, whyNotStored } from '$lib/server/trouble.ts';
import { SharedAnswers, type Seen } from '$lib/server/sharedAnswers.ts';

/** What is wrong with the data folder, in one line; null when it is something else. */
function notWritable(error: unknown): string | null {
	const why = whyNotStored(error);
	return why ? `The data folder ${dataFolder()} cannot be used: ${why}. Nothing was changed.` : null;
}

export const init: ServerInit = async () => {
	try {
		const db = await database();
		opened = db;
		process.on('sveltekit:shutdown', () => void closeDatabase());
		// After the first pages are served: a backup must not slow the start.
		setTimeout(
			() =>
				automaticBackup(db).catch((error) =>
					console.error('The automatic backup was not made:', whyNotStored(error) ?? error)
				),
			5000
		).unref();
	} catch (error) {
		const words = [FolderInUse, NewerData, CannotOpen].some((known) => error instanceof known)
			? (error as Error).message
			: notWritable(error);
		if (words === null) throw error;
		console.error(words);
		process.exit(3);
	}
};

let opened: Database | null = null;
const shared = new SharedAnswers(() => (opened ? stateOf(opened) : { key: '', era: '', writes: 0 }));

/** Every window of a browser knows what was stored when one of them wrote last. */
const WROTE = 'wrote';
function seenBy(event: RequestEvent): Seen | null {
	const wrote = event.cookies.get(WROTE);
	if (!wrote) return { era: shared.state().era, writes: 0 };
	const [, era, writes] = /^(\S+)_(\d{1,15})$/.exec(wrote) ?? [];
	return era && writes ? { era, writes: Number(writes) } : null;
}
const wroteNow = (): string => {
	const { era, writes } = shared.state();
	return `${WROTE}=${era}_${writes}; Path=/; HttpOnly; SameSite=Lax`;
};
/** Routes that send files, and what a page asks for beside itself. */
const FILES = new Set(
	Object.keys(import.meta.glob('./routes/**/+server.ts')).map((path) =>
		path.slice('./routes'.length, -'/+server.ts'.length)
	)
);
const isPage = ({ request, route }: RequestEvent) =>
	request.method === 'GET' && route.id !== null && !FILES.has(route.id);

/** A page, or the data of one, is the same for all who look at it. */
async function page(event: RequestEvent, resolve: () => Promise<Response>): Promise<Response> {
	const key = `${event.isDataRequest} ${event.url.pathname}${event.url.search}`;
	const { status, headers, body } = await shared.ask(key, seenBy(event), async () => {
		const response = await resolve();
		const { status } = response;
		return {
			status,
			headers: [...response.headers],
			body: await response.arrayBuffer(),
			keep: status === 200 && !event.locals.unshared
		};
	});
	return new Response(body, { status, headers });
}

/** What a page is drawn with at once: with the letters of most words too, nothing moves when they come. */
const comesFirst = ({ type, path }: { type: string; path: string }) =>
	type === 'js' || type === 'css' || (type === 'font' && /-latin-(?!ext).*\.woff2$/.test(path));

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.now = clock();
	// `?/constructor` is no action, though every object has one.
	const action = [...event.url.searchParams.keys()].find((key) => key.startsWith('/'))?.slice(1);
	if (action !== undefined && action in Object.prototype) error(404, 'There is no such thing to do.');
	const response = isPage(event)
		? await page(event, async () => resolve(event, { preload: comesFirst }))
		: await resolve(event);
	if (event.request.method !== 'GET') response.headers.append('set-cookie', wroteNow());
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('cross-origin-opener-policy', 'same-origin');
	return response;
};

/** Unknown errors: in full to the log, in general words to the page. Where nothing can be stored, both get one line. */
export const handleError: HandleServerError = ({ error, event, status, message }) => {
	const words = notStored(error);
	if (status >= 500) console.error(`${event.request.method} ${event.url.pathname}`, words ?? error);
	if (words) return { message: words };
	return {
		message:
			status >= 500 ? 'Something went wrong here. Nothing stored was harmed; the log says more.' : message
	};
};
