import { createHash } from 'node:crypto';
import { adoptHandbook } from '$core/formats/costumeFile/adopt.ts';
import { rowsOf, toCostumeFile, type CostumeFile } from '$core/formats/costumeFile/costumeFile.ts';
import { readCostumeFile } from '$core/formats/costumeFile/read.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { columnsOfTable, type TableName } from '$core/facts/tables.ts';
import { COSTUME, SPRAY_PLACE, type Rows } from '$core/formats/costumeFile/fields.ts';
import { sprayPlace } from './commands/step.ts';
import type { Database, Executor } from './db/open.ts';
import { clock } from './clock.ts';
import { loadEntered } from './read/costume.ts';
import { loadHealth } from './read/health.ts';
import { loadLayouts } from './read/layout.ts';
import { loadLook } from './read/look.ts';
import { loadMeasure } from './read/measure.ts';
import { loadWear } from './read/wear.ts';
import { loadHandbook } from './read/workshop.ts';
import { Absent, all, one, Refused } from './db/rows.ts';
import { insertAll, set } from './db/tables.ts';
import { jsonOfFile } from './json.ts';
import { readStored, storePicture } from './pictures.ts';
import { unzip, zip } from './zip.ts';

/** A picture is named in the file by the hash of its bytes, which reading checks. */
const MOST_UNPACKED = 400 * 1024 * 1024;

export async function writeCostumeZip(db: Database, id: number, workshop: Workshop): Promise<Uint8Array> {
	const file = await costumeFileOf(db, id, workshop);
	const pictures: Record<string, Uint8Array> = {};
	for (const { hash } of [...file.photos, ...file.pictures])
		pictures[`pictures/${hash}`] = await readStored(db.folder, hash);
	return zip({ 'costume.json': Buffer.from(JSON.stringify(file, null, 1)), ...pictures });
}

/** Everything that is stored about a costume, as its file has it. */
export async function costumeFileOf(db: Executor, id: number, workshop: Workshop): Promise<CostumeFile> {
	const [record] = await loadEntered(db, [id]);
	if (!record) throw new Absent('costume');
	return toCostumeFile({
		record,
		workshop,
		look: await loadLook(db, id),
		fit: await loadMeasure(db, id),
		wear: await loadWear(db, id),
		...(await loadHealth(db, id)),
		layouts: await loadLayouts(db, id)
	});
}

/** A large costume has some ten thousand. */
const MOST_VALUES = 1_000_000;

export interface ReadCostume {
	file: CostumeFile;
	pictures: Map<string, Uint8Array>;
}

/** Unpacks and checks everything before a single row is written. */
export function readCostumeZip(data: Uint8Array): ReadCostume {
	const entries = unzip(data, MOST_UNPACKED);
	const text = entries['costume.json'];
	if (!text) throw new Refused('There is no costume.json in this file.', 'file');
	const read = readCostumeFile(
		jsonOfFile(text, 'The costume.json in this file is cut off or not JSON.', MOST_VALUES)
	);
	if (!read.ok) throw new Refused(read.reason, 'file');
	const pictures = new Map<string, Uint8Array>();
	for (const { hash } of [...read.file.photos, ...read.file.pictures]) {
		const data = entries[`pictures/${hash}`];
		if (!data || createHash('sha256').update(data).digest('hex') !== hash)
			throw new Refused('A picture is missing from the file, or damaged.', 'file');
		pictures.set(hash, data);
	}
	return { file: { ...read.file, layouts: read.file.layouts.map(withoutOffcuts) }, pictures };
}

/** Offcuts are those of the workshop that wrote the file: a number here would mean another one. */
const withoutOffcuts = (layout: CostumeFile['layouts'][number]): CostumeFile['layouts'][number] => ({
	...layout,
	plan: {
		...layout.plan,
		stock: { ...layout.plan.stock, sheets: layout.plan.stock.sheets.map(({ offcut: _, ...sheet }) => sheet) }
	}
});

/** Rows of the workshop that a row of the file is the same as: such a row is not put in again. */
type Same = (tx: Executor, row: Record<string, unknown>) => Promise<number | null>;

const lower = (name: unknown) => String(name).toLowerCase();
const idOf = async (tx: Executor, sql: string, params: unknown[]): Promise<number | null> =>
	(await one<{ id: number }>(tx, sql, params))?.id ?? null;

const SAME: Partial<Record<TableName, Same>> = {
	/** A place of the same name is the same place, and the spray place is the workshop's own. */
	place: async (tx, { name, forSpray }) =>
		(await idOf(tx, 'select id from place where lower(name) = $1 order by id limit 1', [lower(name)])) ??
		(forSpray ? sprayPlace(tx) : null),
	/** The same by name and unit: of a coat product there may be several colours. */
	material: (tx, { name, unit }) =>
		idOf(tx, 'select id from material where lower(name) = $1 and unit = $2 order by id limit 1', [
			lower(name),
			unit
		]),
	/** A wearer of the same name is the same person: only measures that are not known yet are added. */
	wearer: (tx, { name }) => idOf(tx, 'select id from wearer where lower(name) = $1', [lower(name)]),
	body_measure: (tx, m) =>
		idOf(
			tx,
			`select id from body_measure where wearer_id = $1 and measure = $2 and side = $3 and taken_over = $4
				and taken_on = $5 and value_mm = $6 limit 1`,
			[m.wearerId, m.measure, m.side, m.over, m.takenOn, m.mm]
		)
};

/** Writes a costume read from a file, or copied. */
export async function insertCostume(
	tx: Executor,
	folder: string,
	{ file: read, pictures }: ReadCostume
): Promise<number> {
	const { rows, file } = adoptHandbook(read, await loadHandbook(tx));
	const makers = await all<{ id: number; name: string }>(tx, 'select id, name from maker order by id');
	const spray = await sprayPlace(tx);
	/** The new id of each id of the file. */
	const ids = new Map<TableName, Map<number, number | null>>([['place', new Map([[SPRAY_PLACE, spray]])]]);
	/** Ids of the file whose rows were there already. */
	const known = new Set<string>();
	const to = (table: TableName, id: number) => (table === 'maker' ? id : ids.get(table)!.get(id)!);
	const maker = (name: string) => makers.find((m) => m.name === name)?.id ?? null;

	async function put({ table, rows }: Rows): Promise<void> {
		const its = new Map(ids.get(table));
		ids.set(table, its);
		const links = Object.entries(columnsOfTable(table)).filter(([, column]) => column.to);
		const fresh: { id?: number; row: Record<string, unknown> }[] = [];
		for (const { id, ...read } of rows) {
			// Hours belong to a place that came with the file.
			if (table === 'working_window' && known.has(`place ${String(read.placeId)}`)) continue;
			const row: Record<string, unknown> = { ...read };
			for (const [key, column] of links)
				if (typeof row[key] === 'number')
					row[key] = column.to === table ? null : to(column.to as TableName, row[key]);
			const same = (await SAME[table]?.(tx, row)) ?? null;
			if (same === null) fresh.push({ ...(id === undefined ? {} : { id }), row });
			else if (id !== undefined) {
				its.set(id, same);
				known.add(`${table} ${id}`);
			}
		}
		for (const { row } of fresh)
			if (typeof row.hash === 'string')
				// Encoded anew like any upload: a file from elsewhere is as hostile as a picture from elsewhere.
				Object.assign(row, await storePicture(folder, pictures.get(row.hash)!, 'file'));
		const values = fresh.map((f) => f.row);
		const unlessThere = table === 'step_after' || table === 'costume_wearer';
		const made = await insertAll(tx, table, values, { unlessThere });
		for (const [i, { id }] of fresh.entries()) if (id !== undefined) its.set(id, made[i]!);
		// Links to rows of the same table, which may come later in it.
		for (const [key] of links.filter(([, column]) => column.to === table))
			for (const row of rows)
				if (row.id !== undefined && typeof row[key] === 'number')
					await set(tx, table, to(table, row.id), { [key]: to(table, row[key]) });
	}
	for (const some of rowsOf({ ...file, handbook: rows }, { to, maker }, clock())) await put(some);
	return to('costume', COSTUME);
}
