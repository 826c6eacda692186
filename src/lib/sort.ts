/** Which column a table is sorted by, and which way. */
export interface Sorting {
	key: string;
	down: boolean;
}

/** The rows in the order of a column: numbers by size, words as people sort them. Equal ones keep their places. */
export function sorted<T>(
	rows: readonly T[],
	by: Sorting | null,
	valueOf: (row: T, key: string) => string | number
): T[] {
	if (!by) return [...rows];
	const way = by.down ? -1 : 1;
	return [...rows].sort((a, b) => {
		const [x, y] = [valueOf(a, by.key), valueOf(b, by.key)];
		return (
			way * (typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y)))
		);
	});
}

/** A press on a column's head: up first, then down, then as it was. */
export const pressed = (by: Sorting | null, key: string): Sorting | null =>
	by?.key !== key ? { key, down: false } : by.down ? null : { key, down: true };
