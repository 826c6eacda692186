/** The tables of the handbook: what is known of the trade. */
export const HANDBOOK_TABLES = [
	'technique',
	'route',
	'coatProduct',
	'coatRule',
	'recipe',
	'bond',
	'glue',
	'glueRule',
	'supply',
	'fastener',
	'knownFault',
	'caution',
	'thing',
	'starter'
] as const;
export type HandbookTable = (typeof HANDBOOK_TABLES)[number];

/** A row of the handbook that the maker changed or added. It stands before the one that ships under the same key. */
export interface HandbookRow {
	id: number;
	tableName: HandbookTable;
	key: string;
	/** The row, as the table has it. */
	content: Record<string, unknown>;
	version: number;
}
