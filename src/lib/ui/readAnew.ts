import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/** A page that is just being opened has its turn first: data that is read anew meanwhile would cancel it. */
export async function opened(): Promise<void> {
	await navigating.complete?.catch(() => {});
}

/** What the page shows is read anew. */
export async function readAnew(): Promise<void> {
	await opened();
	await invalidateAll();
}
