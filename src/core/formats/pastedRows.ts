import Papa from 'papaparse';

/** A column that may be pasted: its key, and the heads it goes by. */
export interface PastedColumn {
	key: string;
	heads: readonly string[];
	/** Other words that makers use for what may stand in it. */
	words?: Readonly<Record<string, readonly string[]>>;
}

export interface PastedRows {
	rows: Record<string, string>[];
	/** Heads that nothing here goes by. */
	unknown: string[];
}

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** Whether a column goes by this head, however it is written. */
export const headIs = ({ key, heads }: PastedColumn, head: string): boolean =>
	[key, ...heads].some((h) => plain(h) === plain(head));

/**
 * Rows pasted from a spreadsheet (tabs) or a CSV file. The first row names the columns, in any order;
 * empty rows are passed over, and an empty cell takes the column's usual value.
 */
export function readPastedRows(text: string, columns: readonly PastedColumn[]): PastedRows {
	const table = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data;
	const heads = (table[0] ?? []).map((h) => h.trim());
	const keys = heads.map((head) => columns.find((c) => headIs(c, head))?.key);
	const rows = table.slice(1).map((cells) => {
		const row: Record<string, string> = {};
		keys.forEach((key, i) => {
			const cell = (cells[i] ?? '').trim();
			if (key && cell !== '')
				row[key] = usualWord(
					cell,
					columns.find((c) => c.key === key)!
				);
		});
		return row;
	});
	return { rows, unknown: heads.filter((head, i) => head !== '' && !keys[i]) };
}

/** The word that stands for this one, whatever its case and whether of one or many; as typed when there is none. */
function usualWord(cell: string, { words = {} }: PastedColumn): string {
	const forms = [plain(cell), plain(cell).replace(/s$/, '')];
	const found = Object.entries(words).find(([word, others]) =>
		[word, ...others].some((w) => forms.includes(plain(w)))
	);
	return found?.[0] ?? cell;
}

/** Common practice. */
const KIND_WORDS = {
	armor: ['armour', 'plate'],
	garment: ['clothing', 'clothes', 'cloth', 'sewing', 'sewn'],
	wig: ['hair'],
	prop: ['weapon', 'accessory']
};
const SIDE_WORDS = {
	none: ['no', '-', 'middle'],
	left: ['l'],
	right: ['r'],
	pair: ['both', 'l+r', 'left and right']
};
const SOURCE_WORDS = {
	make: ['made', 'self-made'],
	buy: ['bought', 'purchase'],
	alter: ['altered', 'modify'],
	have: ['owned', 'own']
};
const FAMILY_WORDS = {
	foam: ['eva', 'eva foam', 'foam sheet'],
	cloth: ['fabric', 'textile', 'leather', 'net', 'felt', 'fleece', 'fur', 'lining'],
	hair: ['wig', 'weft', 'fibre'],
	hard: ['plastic', 'thermoplastic', 'wood', 'metal', 'resin', 'pipe', 'card', 'filament'],
	closure: [
		'zip',
		'zipper',
		'buckle',
		'snap',
		'button',
		'eyelet',
		'elastic',
		'fastener',
		'hook and loop',
		'notion'
	],
	light: ['led', 'lamp', 'electronic'],
	paint: ['primer', 'spray', 'sealer', 'varnish', 'dye', 'coat'],
	glue: ['cement', 'adhesive'],
	other: ['misc', 'various']
};

export const COMPONENT_COLUMNS: readonly PastedColumn[] = [
	{ key: 'name', heads: ['component'] },
	{ key: 'code', heads: [] },
	{ key: 'kind', heads: [], words: KIND_WORDS },
	{ key: 'form', heads: [] },
	{ key: 'layer', heads: [] },
	{ key: 'zones', heads: ['zone'] },
	{ key: 'side', heads: [], words: SIDE_WORDS },
	{ key: 'count', heads: ['quantity'] },
	{ key: 'flex', heads: ['rigid or stretch'] },
	{ key: 'source', heads: ['get', 'how to get it'], words: SOURCE_WORDS },
	{ key: 'seenFrom', heads: ['seen'] },
	{ key: 'lookNeed', heads: ['needed', 'look'] },
	{ key: 'route', heads: [] },
	{ key: 'partOf', heads: ['part of'] },
	{ key: 'note', heads: [] }
];

export const MATERIAL_COLUMNS: readonly PastedColumn[] = [
	{ key: 'name', heads: ['material'] },
	{ key: 'family', heads: [], words: FAMILY_WORDS },
	{ key: 'unit', heads: ['counted in'] },
	{ key: 'packSize', heads: ['pack', 'in one pack'] },
	{ key: 'packPriceMinor', heads: ['price', 'pack price', 'price of a pack'] },
	{ key: 'currency', heads: [] },
	{ key: 'supplier', heads: [] },
	{ key: 'leadDays', heads: ['lead'] },
	{
		key: 'leadWorkingDays',
		heads: ['working days'],
		words: { on: ['yes', 'y', 'true'], false: ['no', 'n'] }
	},
	{ key: 'coatProduct', heads: ['coat product'] },
	{ key: 'supply', heads: [] },
	{ key: 'coversMm2', heads: ['covers'] },
	{ key: 'stash', heads: ['in the stash'] },
	{ key: 'stashNote', heads: ['where'] },
	{ key: 'thicknessMm', heads: ['thickness', 'thick'] },
	{ key: 'widthMm', heads: ['width', 'wide'] },
	{ key: 'lengthMm', heads: ['length', 'long'] },
	{ key: 'gramsPerM2', heads: ['weight', 'g/m²', 'gsm'] },
	{ key: 'stretchAcross', heads: ['stretch', 'stretch across'] },
	{ key: 'stretchAlong', heads: ['stretch along'] },
	{ key: 'colour', heads: ['color'] },
	{ key: 'lab', heads: ['looks'] }
];

export const OFFER_COLUMNS: readonly PastedColumn[] = [
	{ key: 'material', heads: ['name', 'article', 'item', 'product'] },
	{ key: 'supplier', heads: ['shop'] },
	{ key: 'packSize', heads: ['pack', 'in one pack'] },
	{ key: 'packPrice', heads: ['price', 'pack price', 'price of a pack'] },
	{ key: 'breaks', heads: ['from so many on'] },
	{ key: 'leadDays', heads: ['lead'] },
	{ key: 'mostPacks', heads: ['most', 'to be had'] },
	{ key: 'note', heads: [] }
];
