import pluralize from 'pluralize';
import { z } from 'zod';
import type { Catalogue } from '$core/trade/catalogue.ts';
import { ZONES, zoneWords } from '$core/facts/zone.ts';
import {
	COMPONENT_COLUMNS,
	MATERIAL_COLUMNS,
	OFFER_COLUMNS,
	readPastedRows,
	type PastedColumn
} from '$core/formats/pastedRows.ts';
import { Refused, all } from '../db/rows.ts';
import { command, type Context } from './command.ts';
import { componentCommands, insertComponent } from './component.ts';
import { insertMaterial, materialCommands } from './material.ts';
import { offerLine, putOffer, supplierFor } from './supplier.ts';

const MOST_ROWS = 500;

const pasted = () =>
	z.object({
		rows: z.string({ error: 'Paste some rows.' }).min(1, 'Paste some rows.').max(500_000, 'Too much at once.')
	});

/** Reads the rows and checks each like its form would; the first that fails says its row and column. */
function checked<T>(
	text: string,
	columns: readonly PastedColumn[],
	usual: Record<string, string>,
	prepare: (row: Record<string, string>) => Record<string, unknown>,
	schema: z.ZodType<T>
): T[] {
	const { rows, unknown } = readPastedRows(text, columns);
	if (unknown.length)
		throw new Refused(
			`No column is called ${unknown.map((u) => `“${u}”`).join(', ')}. Known: ${columns.map((c) => c.heads[0] ?? c.key).join(', ')}.`,
			'rows'
		);
	if (rows.length === 0)
		throw new Refused('The first row names the columns; nothing stands below it.', 'rows');
	if (rows.length > MOST_ROWS) throw new Refused(`At most ${MOST_ROWS} rows at once.`, 'rows');
	return rows.map((row, i) => {
		const prepared = prepare({ ...usual, ...row });
		const parsed = schema.safeParse(prepared);
		if (parsed.success) return parsed.data;
		const issue = parsed.error.issues[0]!;
		const [key, ...deeper] = issue.path;
		const typed = deeper.reduce<unknown>(
			(v, k) => (v as Record<PropertyKey, unknown>)?.[k],
			prepared[String(key)]
		);
		// A choice says what was typed and what may be; anything else says so itself.
		const why =
			issue.code === 'invalid_value'
				? `“${String(typed)}” is none of ${issue.values.map(String).join(', ')}.`
				: issue.message;
		throw new Refused(`Row ${i + 2}, ${nameOf(columns, String(key))}: ${why}`, 'rows');
	});
}

/** A column by the head that is shown for it. */
const nameOf = (columns: readonly PastedColumn[], key: string): string =>
	/[A-Z]/.test(key) ? (columns.find((c) => c.key === key)?.heads[0] ?? key) : key;

const zonesOf = (text: string | undefined) =>
	(text ?? '')
		.split(/[,;]/)
		.map((t) => t.trim().toLowerCase())
		.filter(Boolean)
		.map((t) => ZONES.find((z) => z === t || zoneWords(z) === t) ?? t);

const routeOf = (text: string | undefined, trade: Catalogue) =>
	Object.entries(trade.route).find(([key, r]) => key === text || r.name === text?.toLowerCase())?.[0] ??
	text ??
	'';

export const pasteCommands = {
	/** Components as rows; a part comes after the one it is a part of, which it names by name or code. */
	pasteComponents: command(pasted, async (tx, v, context: Context) => {
		const usual = {
			kind: 'armor',
			layer: '1',
			side: 'none',
			count: '1',
			flex: 'rigid',
			source: 'make',
			seenFrom: 'near',
			lookNeed: '3'
		};
		const parents: string[] = [];
		const rows = checked(
			v.rows,
			COMPONENT_COLUMNS,
			usual,
			({ partOf = '', ...row }) => {
				parents.push(partOf);
				return { ...row, zones: zonesOf(row.zones), route: routeOf(row.route, context.trade), parentId: '' };
			},
			componentCommands.addComponent.input(context)
		);
		const known = new Map(
			(
				await all<{ id: number; code: string; name: string }>(
					tx,
					'select id, code, name from component where costume_id = $1',
					[context.costumeId]
				)
			).flatMap((c) => [[c.code.toLowerCase(), c.id] as const, [c.name.toLowerCase(), c.id] as const])
		);
		for (const [i, row] of rows.entries()) {
			const of = parents[i]!.toLowerCase();
			const parentId = of ? known.get(of) : null;
			if (parentId === undefined)
				throw new Refused(`Row ${i + 2}, part of: no component “${parents[i]}” stands above it.`, 'rows');
			const made = await insertComponent(tx, context.costumeId, { ...row, parentId }, context.trade);
			known.set(made.code.toLowerCase(), made.id);
			known.set(row.name.toLowerCase(), made.id);
		}
		return {
			words: `Added ${pluralize('component', rows.length, true)} from pasted rows`
		};
	}),

	pasteMaterials: command(pasted, async (tx, v, context: Context) => {
		const usual = {
			family: 'other',
			unit: 'piece',
			packSize: '1',
			packPriceMinor: '',
			leadDays: '',
			leadWorkingDays: 'on',
			stash: '0'
		};
		const rows = checked(
			v.rows,
			MATERIAL_COLUMNS,
			usual,
			(row) => row,
			materialCommands.addMaterial.input(context)
		);
		const known = new Set(
			(await all<{ name: string }>(tx, 'select name from material')).map((m) => m.name.toLowerCase())
		);
		let added = 0;
		for (const row of rows) {
			if (known.has(row.name.toLowerCase())) continue;
			known.add(row.name.toLowerCase());
			await insertMaterial(tx, row);
			added++;
		}
		if (added === 0) throw new Refused('All of these are here already.', 'rows');
		const there = rows.length - added;
		return {
			words: `Added ${pluralize('material', added, true)} from pasted rows${there ? `, ${there} here already` : ''}`
		};
	}),

	/** A price list: a pack of the same size by the same supplier takes the place of the one that was there. */
	pasteOffers: command(pasted, async (tx, v, { settings }: Context) => {
		const rows = checked(
			v.rows,
			OFFER_COLUMNS,
			{ packSize: '1', breaks: '', leadDays: '', mostPacks: '', note: '' },
			(row) => row,
			offerLine()
		);
		const materials = new Map(
			(await all<{ id: number; name: string }>(tx, 'select id, name from material')).map(
				(m) => [m.name.toLowerCase(), m.id] as const
			)
		);
		let [added, changed] = [0, 0];
		for (const [i, { material, supplier, ...row }] of rows.entries()) {
			const refuse = (column: string, why: string) => new Refused(`Row ${i + 2}, ${column}: ${why}`, 'rows');
			const materialId = materials.get(material.toLowerCase());
			if (materialId === undefined) throw refuse('material', `no material is called “${material}”.`);
			const supplierId = await supplierFor(tx, supplier, settings.currency);
			const put = await putOffer(tx, materialId, { supplierId, ...row }).catch((why: unknown) => {
				throw why instanceof Refused
					? refuse(nameOf(OFFER_COLUMNS, why.field ?? 'packPrice'), why.message)
					: why;
			});
			if (put === 'added') added++;
			else changed++;
		}
		return {
			words: `Price list: ${pluralize('pack', added, true)} added, ${changed} changed`
		};
	})
};
