import { orderBy } from 'natural-orderby';

/** Which column a table is sorted by, and which way. */
export interface Sorting {
	key: string;
	down: boolean;
}

/** The rows in the order of a column: numbers by size, words as people sort them, `A-2` before `A-10`. */
export const sorted = <T>(
	rows: readonly T[],
	by: Sorting | null,
	valueOf: (row: T, key: string) => string | number
): T[] => (by ? orderBy(rows, [(row) => valueOf(row, by.key)], [by.down ? 'desc' : 'asc']) : [...rows]);

/** A press on a column's head: up first, then down, then as it was. */
export const pressed = (by: Sorting | null, key: string): Sorting | null =>
	by?.key !== key ? { key, down: false } : by.down ? null : { key, down: true };
