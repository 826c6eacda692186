import { STANDARD } from '../../trade/catalogue.ts';
import type { HandbookTable } from '../../facts/handbook.ts';
import { columnsOfTable, TABLES, type TableName } from '../../facts/tables.ts';
import { rowsOf, type CostumeFile } from './costumeFile.ts';
import { SPRAY_PLACE } from './fields.ts';

/** Links that lead nowhere, and parts that contain themselves. */
export function findDangling(file: CostumeFile): string | null {
	const gone = keyNotKnown(file) ?? linkToNowhere(file);
	if (gone) return gone;
	const parents = new Map(file.components.map((c) => [c.id, c.parentId]));
	for (const c of file.components) {
		const seen = new Set<number>();
		for (let at: number | null | undefined = c.id; at != null; at = parents.get(at)) {
			if (seen.has(at)) return `The file has a component that is a part of itself: ${c.code}.`;
			seen.add(at);
		}
	}
	const codes = new Set(file.components.map((c) => c.code));
	return codes.size < file.components.length ? 'The file has two components with the same code.' : null;
}

/** A key of the handbook that neither ships nor stands in the file. */
function keyNotKnown(file: CostumeFile): string | null {
	const its = new Set(file.handbook.map((r) => `${r.tableName} ${r.key}`));
	const isKnown = (table: HandbookTable, key: string | null) =>
		key === null || Object.hasOwn(STANDARD[table], key) || its.has(`${table} ${key}`);
	const named: [string, HandbookTable, string | null][] = [
		...file.components.map(
			(c, i) => [`components.${i}.route`, 'route', c.route] as [string, HandbookTable, string | null]
		),
		...file.components.map(
			(c, i) => [`components.${i}.recipe`, 'recipe', c.recipe] as [string, HandbookTable, string | null]
		),
		...file.swatches.map(
			(s, i) => [`swatches.${i}.recipe`, 'recipe', s.recipe] as [string, HandbookTable, string]
		),
		...file.swatches.flatMap((s, i) =>
			s.layers.map(
				(l) =>
					[
						`swatches.${i}.layers`,
						...('product' in l ? ['coatProduct', l.product] : ['technique', l.technique])
					] as [string, HandbookTable, string]
			)
		),
		...file.coats.map(
			(c, i) => [`coats.${i}.product`, 'coatProduct', c.product] as [string, HandbookTable, string]
		),
		...file.steps.map(
			(s, i) => [`steps.${i}.technique`, 'technique', s.technique] as [string, HandbookTable, string]
		),
		...file.joins.map(
			(j, i) => [`joins.${i}.fastener`, 'fastener', j.fastener] as [string, HandbookTable, string]
		),
		...file.faults.map(
			(f, i) => [`faults.${i}.known`, 'knownFault', f.known] as [string, HandbookTable, string | null]
		),
		...file.materials.map(
			(m, i) =>
				[`materials.${i}.coatProduct`, 'coatProduct', m.coatProduct] as [string, HandbookTable, string | null]
		),
		...file.materials.map(
			(m, i) => [`materials.${i}.supply`, 'supply', m.supply] as [string, HandbookTable, string | null]
		)
	];
	const wrong = named.find(([, table, key]) => !isKnown(table, key));
	return wrong ? `The file has a wrong field: ${wrong[0]} — “${wrong[2]}” is not in the handbook.` : null;
}

/** Goes through the rows as they would be put in: a link must lead to one that is there by then. */
function linkToNowhere(file: CostumeFile): string | null {
	const known = new Map<TableName, Set<number>>([['place', new Set([SPRAY_PLACE])]]);
	let broken: string | null = null;
	const to = (table: TableName, id: number): number => {
		if (!known.get(table)?.has(id))
			broken ??= `The file has a link that leads nowhere: ${TABLES[table].word} ${id}.`;
		return id;
	};
	for (const { table, rows } of rowsOf(file, { to, maker: () => null }, 0)) {
		const ids = known.get(table) ?? new Set();
		known.set(table, ids);
		for (const { id } of rows) if (id !== undefined) ids.add(id);
		const links = Object.entries(columnsOfTable(table)).filter(([, column]) => column.to);
		for (const row of rows)
			for (const [key, column] of links)
				if (typeof row[key] === 'number') to(column.to as TableName, row[key]);
	}
	return broken;
}
