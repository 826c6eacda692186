import { goto } from '$app/navigation';

/** A form of questions is asked anew as soon as something in it is chosen; without scripts by its button. */
export function askAnew(form: HTMLFormElement): void {
	const query = new URLSearchParams();
	// What was emptied too: it is not the same as what was never asked.
	for (const [key, value] of new FormData(form)) query.append(key, String(value));
	void goto(`?${query}`, { keepFocus: true, noScroll: true, replaceState: true });
}
