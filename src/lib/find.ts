import MiniSearch from 'minisearch';

export interface Findable {
	name: string;
	what: string;
	href: string;
}

const MOST = 12;

/** A word and its ends: `breastplate` is found by `plate` too. */
const withEnds = (word: string): string[] => {
	const small = word.toLowerCase();
	return [small, ...Array.from({ length: Math.max(0, small.length - 2) }, (_, i) => small.slice(i + 1))];
};

/**
 * Finds things by every word typed, wherever it stands in their names; one letter of a longer word may be wrong.
 * Those whose name begins with it come first.
 */
export function finder(things: readonly Findable[]): (query: string) => Findable[] {
	const index = new MiniSearch<Findable & { id: number }>({
		fields: ['name', 'what'],
		processTerm: withEnds,
		searchOptions: {
			processTerm: (word) => word.toLowerCase(),
			prefix: true,
			fuzzy: (word) => (word.length > 3 ? 1 : 0),
			combineWith: 'AND',
			boost: { name: 2 }
		}
	});
	index.addAll(things.map((thing, id) => ({ ...thing, id })));
	return (query) => {
		const begins = query.trim().toLowerCase();
		return index
			.search(query, {
				boostDocument: (id) => (things[id as number]!.name.toLowerCase().startsWith(begins) ? 10 : 1)
			})
			.slice(0, MOST)
			.map(({ id }) => things[id as number]!);
	};
}
