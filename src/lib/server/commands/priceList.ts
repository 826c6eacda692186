import pluralize from 'pluralize';
import { z } from 'zod';
import { supplierKey, type Offer } from '$core/facts/supplier.ts';
import {
	LIST_COLUMNS,
	MOST_LIST_LETTERS,
	MOST_LIST_ROWS,
	readList,
	type ListColumns,
	type ListReport
} from '$core/formats/priceList.ts';
import { OFFER_COLUMNS } from '$core/formats/pastedRows.ts';
import { formatMoney } from '$core/units/money.ts';
import type { Executor } from '../db/open.ts';
import { Refused } from '../db/rows.ts';
import { insert, insertAll, setAll } from '../db/tables.ts';
import { loadMaterials, loadOffers, loadSuppliers } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { offerLine, offerTerms } from './supplier.ts';

/** So many of the changes are shown before they are made. */
const FIRST = 20;
/** Others are let in between after so many rows. */
const AT_ONCE = 500;

const column = z.number().int().min(0).max(200);
export const listShape = () =>
	z.object({
		text: z
			.string({ error: 'Choose a file.' })
			.min(1, 'The file is empty.')
			.max(MOST_LIST_LETTERS, 'The file is too long: bring it in in parts.'),
		columns: f.json(
			z.strictObject(Object.fromEntries(LIST_COLUMNS.map((key) => [key, column.optional()]))),
			'Say which column is which.'
		),
		/** Of all rows, where no column says it. */
		supplier: f.text(120),
		/** Rows that are wrong are left out. */
		leaveOut: f.ticked()
	});
type ListInput = z.infer<ReturnType<typeof listShape>>;

/** What a row says of its pack, whoever sells it. */
type Line = Omit<z.infer<ReturnType<typeof offerLine>>, 'material' | 'supplier'>;
type Terms = ReturnType<typeof offerTerms<Line>>;
interface Put {
	materialId: number;
	/** As it is known, or as the list has it. */
	supplier: string;
	/** Of the offer that it takes the place of. */
	id: number | null;
	terms: Terms;
}

const headOf = (key: string): string =>
	({ packSize: 'pack', packPrice: 'price', leadDays: 'lead', mostPacks: 'most' })[key] ?? key;

/** Reads a list against what is there. Nothing is written. */
async function examine(
	tx: Executor,
	{ text, columns: asked, supplier: forAll }: ListInput,
	{ settings }: Context
): Promise<{ report: ListReport; puts: Put[] }> {
	const { rows } = readList(text);
	if (rows.length === 0)
		throw new Refused('The first row names the columns; nothing stands below it.', 'text');
	if (rows.length > MOST_LIST_ROWS)
		throw new Refused(
			`At most ${MOST_LIST_ROWS.toLocaleString('en')} rows at once: there are ${rows.length.toLocaleString('en')}.`,
			'text'
		);
	const columns = asked as ListColumns;
	for (const key of ['material', 'packPrice'])
		if (columns[key] === undefined) throw new Refused(`Say which column is the ${headOf(key)}.`, 'columns');
	if (columns.supplier === undefined && forAll === '')
		throw new Refused('Say who sells: a column, or one for all rows.', 'supplier');
	const [materials, suppliers, offers] = [
		await loadMaterials(tx),
		await loadSuppliers(tx),
		await loadOffers(tx, null)
	];
	const byName = new Map(materials.map((m) => [m.name.toLowerCase(), m]));
	const knownSupplier = new Map(suppliers.map((s) => [supplierKey(s.name), s]));
	const there = new Map(offers.map((o) => [`${o.materialId} ${o.supplierId} ${o.packSize}`, o]));
	const schema = offerLine();
	const seen = new Map<string, number>();
	const report: ListReport = {
		rows: rows.length,
		added: 0,
		changed: 0,
		same: 0,
		notOurs: 0,
		wrong: [],
		first: []
	};
	const puts: Put[] = [];
	for (const [k, cells] of rows.entries()) {
		if (k % AT_ONCE === AT_ONCE - 1) await new Promise((later) => setImmediate(later));
		const row = k + 2;
		const cell = (key: string) => (columns[key] === undefined ? '' : (cells[columns[key]] ?? ''));
		const wrong = (key: string, why: string) => report.wrong.push({ row, column: headOf(key), why });
		const name = cell('material');
		if (name === '') {
			wrong('material', 'Needs a name.');
			continue;
		}
		const material = byName.get(name.toLowerCase());
		if (!material) {
			report.notOurs++;
			continue;
		}
		const typed = Object.fromEntries(OFFER_COLUMNS.map((c) => [c.key, cell(c.key)]));
		const parsed = schema.safeParse({
			...typed,
			supplier: typed.supplier || forAll,
			packSize: typed.packSize || '1'
		});
		if (!parsed.success) {
			const issue = parsed.error.issues[0]!;
			wrong(String(issue.path[0]), issue.message);
			continue;
		}
		const { material: _, supplier, ...line } = parsed.data;
		const known = knownSupplier.get(supplierKey(supplier));
		const currency = known?.currency ?? settings.currency;
		const told = termsOr(line, currency, wrong);
		if (!told) continue;
		const key = `${material.id} ${supplierKey(supplier)} ${told.packSize}`;
		const twice = seen.get(key);
		if (twice !== undefined) {
			wrong('material', `The same pack stands in row ${twice}.`);
			continue;
		}
		seen.set(key, row);
		const offer = known && there.get(`${material.id} ${known.id} ${told.packSize}`);
		// What the list has no column for stays as it was.
		const terms = offer ? { ...told, ...keptOf(offer, columns) } : told;
		if (offer && sameTerms(offer, terms)) {
			report.same++;
			continue;
		}
		report[offer ? 'changed' : 'added']++;
		puts.push({ materialId: material.id, supplier: known?.name ?? supplier, id: offer?.id ?? null, terms });
		if (report.first.length < FIRST)
			report.first.push({
				material: material.name,
				supplier: known?.name ?? supplier,
				packSize: terms.packSize,
				unit: material.unit,
				before: offer ? formatMoney(offer.packPriceMinor, currency) : null,
				now: formatMoney(terms.packPriceMinor, currency)
			});
	}
	return { report, puts };
}

function termsOr(line: Line, currency: string, wrong: (key: string, why: string) => void): Terms | null {
	try {
		return offerTerms(line, currency);
	} catch (problem) {
		if (!(problem instanceof Refused)) throw problem;
		wrong(problem.field ?? 'packPrice', problem.message);
		return null;
	}
}

const keptOf = (offer: Offer, columns: ListColumns): Partial<Terms> =>
	Object.fromEntries(
		(['breaks', 'leadDays', 'mostPacks', 'note'] as const)
			.filter((key) => columns[key] === undefined)
			.map((key) => [key, offer[key]])
	);

const sameTerms = (offer: Offer, terms: Terms): boolean =>
	Object.entries(terms).every(
		([key, value]) => JSON.stringify(offer[key as keyof Terms]) === JSON.stringify(value)
	);

/** What a list would do, for looking at before it is brought in. */
export const checkPriceList = {
	input: listShape,
	run: async (db: Executor, input: ListInput, context: Context) => ({
		words: '',
		result: (await examine(db, input, context)).report
	})
};

export const priceListCommands = {
	/** Packs of a list by material, supplier and size: new ones are added, known ones take its price and terms. */
	bringPriceList: command(listShape, async (tx, v, context) => {
		const { report, puts } = await examine(tx, v, context);
		const { wrong, added, changed } = report;
		if (wrong.length > 0 && !v.leaveOut)
			throw new Refused(
				`${pluralize('row', wrong.length, true)} cannot be read. Mend them, or leave them out.`,
				'leaveOut'
			);
		if (puts.length === 0) throw new Refused('Nothing of it is new here.');
		const ids = new Map((await loadSuppliers(tx)).map((s) => [supplierKey(s.name), s.id]));
		for (const { supplier } of puts) {
			const key = supplierKey(supplier);
			if (!ids.has(key))
				ids.set(key, await insert(tx, 'supplier', { name: supplier, currency: context.settings.currency }));
		}
		const fresh = puts
			.filter((p) => p.id === null)
			.map((p) => ({ materialId: p.materialId, supplierId: ids.get(supplierKey(p.supplier))!, ...p.terms }));
		for (let k = 0; k < fresh.length; k += AT_ONCE) await insertAll(tx, 'offer', fresh.slice(k, k + AT_ONCE));
		const known = puts.flatMap(({ id, terms }) => (id === null ? [] : [{ id, values: terms }]));
		for (let k = 0; k < known.length; k += AT_ONCE) await setAll(tx, 'offer', known.slice(k, k + AT_ONCE));
		const left = wrong.length ? `, ${pluralize('row', wrong.length, true)} left out` : '';
		return { words: `Price list: ${pluralize('pack', added, true)} added, ${changed} changed${left}` };
	})
};
