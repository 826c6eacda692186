import type { HandbookTable } from '../../facts/handbook.ts';
import { STANDARD } from '../../trade/catalogue.ts';
import type { HandbookEntry } from '../../trade/handbookRow.ts';
import type { CostumeFile } from './costumeFile.ts';

/** How the file's own rows come to the handbook of the workshop that reads it. */
export interface Adopted {
	/** Rows to add. */
	rows: HandbookEntry[];
	/** The file, with the keys that its work goes by there. */
	file: CostumeFile;
}

/**
 * A row that is there already, word for word, is the same. What ships stays as the reading workshop has it. Of two rows that
 * two makers called alike the file's gets another key.
 */
export function adoptHandbook(file: CostumeFile, own: readonly HandbookEntry[]): Adopted {
	const here = new Map(own.map((r) => [`${r.tableName} ${r.key}`, r]));
	const renamed = new Map<string, string>();
	const rows: HandbookEntry[] = [];
	for (const row of file.handbook) {
		const mine = here.get(`${row.tableName} ${row.key}`);
		if (Object.hasOwn(STANDARD[row.tableName], row.key)) continue;
		if (mine && isSame(mine.content, row.content)) continue;
		let key = row.key;
		for (let n = 2; here.has(`${row.tableName} ${key}`); n++) key = `${row.key.slice(0, 55)}${n}`;
		here.set(`${row.tableName} ${key}`, { ...row, key });
		if (key !== row.key) renamed.set(`${row.tableName} ${row.key}`, key);
		rows.push({ ...row, key });
	}
	const to = <K extends string | null>(table: HandbookTable, key: K): K =>
		(renamed.get(`${table} ${key}`) as K | undefined) ?? key;
	return {
		rows,
		file: {
			...file,
			components: file.components.map((c) => ({
				...c,
				route: to('route', c.route),
				recipe: to('recipe', c.recipe)
			})),
			swatches: file.swatches.map((s) => ({
				...s,
				recipe: to('recipe', s.recipe),
				layers: s.layers.map((l) =>
					'product' in l
						? { ...l, product: to('coatProduct', l.product) }
						: { ...l, technique: to('technique', l.technique) }
				)
			})),
			coats: file.coats.map((c) => ({ ...c, product: to('coatProduct', c.product) })),
			steps: file.steps.map((s) => ({ ...s, technique: to('technique', s.technique) })),
			joins: file.joins.map((j) => ({ ...j, fastener: to('fastener', j.fastener) })),
			faults: file.faults.map((f) => ({ ...f, known: to('knownFault', f.known) })),
			materials: file.materials.map((m) => ({
				...m,
				coatProduct: to('coatProduct', m.coatProduct),
				supply: to('supply', m.supply)
			}))
		}
	};
}

/** The order of the keys is nobody's: a database keeps another one. */
const isSame = (a: unknown, b: unknown): boolean => inOrder(a) === inOrder(b);
const inOrder = (value: unknown): string =>
	JSON.stringify(value, (_, v: unknown) =>
		typeof v === 'object' && v !== null && !Array.isArray(v)
			? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
			: v
	);
