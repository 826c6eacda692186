export interface Findable {
	name: string;
	what: string;
	href: string;
}

const MOST = 12;

/** Things whose names hold every word typed; those that begin with it first. */
export function findIn(things: readonly Findable[], query: string): Findable[] {
	const words = query.toLowerCase().split(/\s+/).filter(Boolean);
	if (words.length === 0) return [];
	const rank = (t: Findable) => (t.name.toLowerCase().startsWith(words[0]!) ? 0 : 1);
	return things
		.filter((t) => words.every((w) => `${t.name} ${t.what}`.toLowerCase().includes(w)))
		.sort((a, b) => rank(a) - rank(b))
		.slice(0, MOST);
}
