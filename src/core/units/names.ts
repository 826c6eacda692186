/** As a sentence or a name begins. */
export const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);

/** Names in a sentence: “A, B and C”; of many the first ones, and how many more. */
export function namesWords(names: readonly string[], most = 4): string {
	const rest = names.length - most;
	const shown = rest > 1 ? [...names.slice(0, most), `${rest} more`] : names;
	return new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(shown);
}
