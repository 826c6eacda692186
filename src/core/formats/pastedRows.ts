import Papa from 'papaparse';

/** A column that may be pasted: its key, and the heads it goes by. */
export interface PastedColumn {
	key: string;
	heads: readonly string[];
}

export interface PastedRows {
	rows: Record<string, string>[];
	/** Heads that nothing here goes by. */
	unknown: string[];
}

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/**
 * Rows pasted from a spreadsheet (tabs) or a CSV file. The first row names the columns, in any order;
 * empty rows are passed over, and an empty cell takes the column's usual value.
 */
export function readPastedRows(text: string, columns: readonly PastedColumn[]): PastedRows {
	const table = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data;
	const heads = (table[0] ?? []).map((h) => h.trim());
	const keys = heads.map(
		(head) => columns.find((c) => [c.key, ...c.heads].some((h) => plain(h) === plain(head)))?.key
	);
	const rows = table.slice(1).map((cells) => {
		const row: Record<string, string> = {};
		keys.forEach((key, i) => {
			const cell = (cells[i] ?? '').trim();
			if (key && cell !== '') row[key] = cell;
		});
		return row;
	});
	return { rows, unknown: heads.filter((head, i) => head !== '' && !keys[i]) };
}

export const COMPONENT_COLUMNS: readonly PastedColumn[] = [
	{ key: 'name', heads: ['component'] },
	{ key: 'code', heads: [] },
	{ key: 'kind', heads: [] },
	{ key: 'form', heads: [] },
	{ key: 'layer', heads: [] },
	{ key: 'zones', heads: ['zone'] },
	{ key: 'side', heads: [] },
	{ key: 'count', heads: ['quantity'] },
	{ key: 'flex', heads: ['rigid or stretch'] },
	{ key: 'source', heads: ['get', 'how to get it'] },
	{ key: 'seenFrom', heads: ['seen'] },
	{ key: 'lookNeed', heads: ['needed', 'look'] },
	{ key: 'route', heads: [] },
	{ key: 'partOf', heads: ['part of'] },
	{ key: 'note', heads: [] }
];

export const MATERIAL_COLUMNS: readonly PastedColumn[] = [
	{ key: 'name', heads: ['material'] },
	{ key: 'family', heads: [] },
	{ key: 'unit', heads: ['counted in'] },
	{ key: 'packSize', heads: ['pack', 'in one pack'] },
	{ key: 'packPriceMinor', heads: ['price', 'pack price', 'price of a pack'] },
	{ key: 'supplier', heads: [] },
	{ key: 'leadDays', heads: ['lead'] },
	{ key: 'stash', heads: ['in the stash'] },
	{ key: 'stashNote', heads: ['where'] }
];
