import { createHash } from 'node:crypto';
import { adoptHandbook } from '$core/formats/costumeFile/adopt.ts';
import { toCostumeFile, type CostumeFile } from '$core/formats/costumeFile/costumeFile.ts';
import { readCostumeFile } from '$core/formats/costumeFile/read.ts';
import { formatLocalTime } from '$core/units/localTime.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { insertLook } from './costumeFileLook.ts';
import type { Database, Executor } from './db/open.ts';
import { clock } from './clock.ts';
import { loadEntered } from './read/costume.ts';
import { loadLayouts } from './read/layout.ts';
import { loadLook } from './read/look.ts';
import { loadMeasure } from './read/measure.ts';
import { loadHandbook } from './read/workshop.ts';
import { Absent, all, one, Refused } from './db/rows.ts';
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
		layouts: await loadLayouts(db, id)
	});
}

export interface ReadCostume {
	file: CostumeFile;
	pictures: Map<string, Uint8Array>;
}

/** Unpacks and checks everything before a single row is written. */
export function readCostumeZip(data: Uint8Array): ReadCostume {
	const entries = unzip(data, MOST_UNPACKED);
	const text = entries['costume.json'];
	if (!text) throw new Refused('There is no costume.json in this file.', 'file');
	let json: unknown;
	try {
		json = JSON.parse(Buffer.from(text).toString('utf8'));
	} catch {
		throw new Refused('The costume.json in this file is cut off or not JSON.', 'file');
	}
	const read = readCostumeFile(json);
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

/** A new id for each id of the file. */
type Ids = ReadonlyMap<number, number>;

interface Insert {
	sql: string;
	rows: readonly object[];
}

/** Inserts many rows at once; returns the new ids in the order of the rows. */
async function insertMany(tx: Executor, { sql, rows }: Insert): Promise<number[]> {
	if (rows.length === 0) return [];
	const made = await all<{ id: number }>(tx, sql, [JSON.stringify(rows)]);
	return made.map((r) => r.id);
}

const mapOf = (rows: readonly { id: number }[], ids: readonly number[]): Ids =>
	new Map(rows.map((r, i) => [r.id, ids[i]!]));
const to = (ids: Ids, id: number | null) => (id === null ? null : ids.get(id)!);

/** Writes a costume read from a file, or copied. Materials are matched by name and unit. */
export async function insertCostume(
	tx: Executor,
	folder: string,
	{ file: read, pictures }: ReadCostume
): Promise<number> {
	const { rows, file } = adoptHandbook(read, await loadHandbook(tx));
	for (const row of rows)
		await tx.query('insert into handbook_row (table_name, key, content) values ($1, $2, $3)', [
			row.tableName,
			row.key,
			JSON.stringify(row.content)
		]);
	const [costumeId] = await insertMany(tx, {
		sql: `insert into costume (name, wearer, event_name, event_at, buffer_days, limit_minor, currency, stash_at_cost, split,
				target_odds, rehearsal_at, note)
			select r.name, r.wearer, r."eventName", r."eventAt", r."bufferDays", r."limitMinor", r.currency, r."stashAtCost", r.split,
				r."targetOdds", r."rehearsalAt", r.note
			from jsonb_to_recordset($1) as r (name text, wearer text, "eventName" text, "eventAt" timestamp, "bufferDays" integer,
				"limitMinor" bigint, currency text, "stashAtCost" boolean, split text, "targetOdds" integer, "rehearsalAt" timestamp, note text) returning id`,
		rows: [file.costume]
	});
	const components = mapOf(
		file.components,
		await insertMany(tx, {
			sql: `insert into component (costume_id, position, code, name, kind, form, layer, zones, side, count, flex, source,
				seen_from, look_need, route, note, thickness_mm)
			select r."costumeId", r.position, r.code, r.name, r.kind, r.form, r.layer, r.zones, r.side, r.count, r.flex, r.source,
				r."seenFrom", r."lookNeed", r.route, r.note, r."thicknessMm"
			from jsonb_to_recordset($1) as r ("costumeId" integer, position integer, code text, name text, kind text, form text,
				layer integer, zones text[], side text, count integer, flex text, source text, "seenFrom" text, "lookNeed" integer,
				route text, note text, "thicknessMm" double precision) returning id`,
			rows: file.components.map((c) => ({ ...c, costumeId }))
		})
	);
	const nested = file.components.filter((c) => c.parentId !== null);
	await tx.query(
		`update component c set parent_id = p.parent from unnest($1::integer[], $2::integer[]) as p (id, parent) where c.id = p.id`,
		[nested.map((c) => to(components, c.id)), nested.map((c) => to(components, c.parentId))]
	);
	const at = <T extends { componentId: number | null }>(row: T) => ({
		...row,
		componentId: to(components, row.componentId)
	});
	const coats = mapOf(
		file.coats,
		await insertMany(tx, {
			sql: `insert into coat (component_id, position, product, coats, area_mm2, recoat_minutes, handling_minutes, from_pieces)
			select r."componentId", r.position, r.product, r.coats, r."areaMm2", r."recoatMinutes", r."handlingMinutes",
				r."fromPieces"
			from jsonb_to_recordset($1) as r ("componentId" integer, position integer, product text, coats integer,
				"areaMm2" double precision, "recoatMinutes" integer, "handlingMinutes" integer, "fromPieces" boolean) returning id`,
			rows: file.coats.map(at)
		})
	);
	const faults = mapOf(
		file.faults,
		await insertMany(tx, {
			sql: `insert into fault (component_id, symptom, known, cause, cure, occasion, happened_at, minutes_lost)
			select r."componentId", r.symptom, r.known, r.cause, r.cure, r.occasion, r."happenedAt", r."minutesLost"
			from jsonb_to_recordset($1) as r ("componentId" integer, symptom text, known text, cause text, cure text, occasion text,
				"happenedAt" timestamp, "minutesLost" integer) returning id`,
			rows: file.faults.map(at)
		})
	);
	for (const f of file.faults.filter((f) => f.cameBackOf !== null))
		await tx.query('update fault set came_back_of = $2 where id = $1', [
			to(faults, f.id),
			to(faults, f.cameBackOf)
		]);
	const { places, spray } = await matchPlaces(tx, file);
	const steps = mapOf(
		file.steps,
		await insertMany(tx, {
			sql: `insert into step (component_id, position, name, technique, phase, amount, per_copy, set_up_minutes, wait_minutes,
				within_minutes, or_after_minutes, one_sitting, needs_helper, place_id, coat_id, fault_id, done_at,
				from_pieces, pinned_at, left_out)
			select r."componentId", r.position, r.name, r.technique, r.phase, r.amount, r."perCopy", r."setUpMinutes",
				r."waitMinutes", r."withinMinutes", r."orAfterMinutes", r."oneSitting", r."needsHelper", r."placeId", r."coatId",
				r."faultId", r."doneAt", r."fromPieces", r."pinnedAt", r."leftOut"
			from jsonb_to_recordset($1) as r ("componentId" integer, position integer, name text, technique text, phase text,
				amount double precision, "perCopy" boolean, "setUpMinutes" integer, "waitMinutes" integer, "withinMinutes" integer,
				"orAfterMinutes" integer, "oneSitting" boolean, "needsHelper" boolean, "placeId" integer, "coatId" integer,
				"faultId" integer, "doneAt" timestamp, "fromPieces" boolean,
				"pinnedAt" timestamp, "leftOut" boolean) returning id`,
			rows: file.steps.map((s) => ({
				...at(s),
				placeId: s.needsSprayPlace ? spray : to(places, s.placeId),
				coatId: to(coats, s.coatId),
				faultId: to(faults, s.faultId)
			}))
		})
	);
	await insertMany(tx, {
		sql: `insert into step_after (step_id, after_id)
			select r."stepId", r."afterId" from jsonb_to_recordset($1) as r ("stepId" integer, "afterId" integer)
			on conflict do nothing returning id`,
		rows: file.steps.flatMap((s) => s.after.map((a) => ({ stepId: to(steps, s.id), afterId: to(steps, a) })))
	});
	await insertMany(tx, {
		sql: `insert into work_log (step_id, maker_id, started_at, ended_at, minutes, note)
			select r."stepId", (select id from maker m where m.name = r.maker order by id limit 1), r."startedAt", r."endedAt",
				r.minutes, r.note
			from jsonb_to_recordset($1) as r ("stepId" integer, maker text, "startedAt" timestamp, "endedAt" timestamp,
				minutes integer, note text) returning id`,
		rows: file.logs.map((l) => ({ ...l, stepId: to(steps, l.stepId) }))
	});
	const materials = await matchMaterials(tx, file);
	await insertMany(tx, {
		sql: `insert into need (component_id, material_id, quantity, step_id, waste, taken)
			select r."componentId", r."materialId", r.quantity, r."stepId", r.waste, r.taken
			from jsonb_to_recordset($1) as r ("componentId" integer, "materialId" integer, quantity double precision, "stepId" integer,
				waste double precision, taken double precision)
			returning id`,
		rows: file.needs.map((n) => ({
			...at(n),
			materialId: to(materials, n.materialId),
			stepId: to(steps, n.stepId)
		}))
	});
	await insertMany(tx, {
		sql: `insert into purchase (costume_id, component_id, material_id, packs, pack_price_minor, shipping_minor, supplier,
				lead_days, lead_working_days, state, ordered_on, due_on, arrived_on, note)
			select r."costumeId", r."componentId", r."materialId", r.packs, r."packPriceMinor", r."shippingMinor", r.supplier,
				r."leadDays", r."leadWorkingDays", r.state, r."orderedOn", r."dueOn", r."arrivedOn", r.note
			from jsonb_to_recordset($1) as r ("costumeId" integer, "componentId" integer, "materialId" integer, packs integer,
				"packPriceMinor" bigint, "shippingMinor" bigint, supplier text, "leadDays" integer, "leadWorkingDays" boolean,
				state text, "orderedOn" date, "dueOn" date, "arrivedOn" date, note text) returning id`,
		rows: file.purchases.map((p) => ({ ...at(p), costumeId, materialId: to(materials, p.materialId) }))
	});
	const fittings = await insertLook(tx, folder, file, pictures, {
		costumeId: costumeId!,
		components,
		steps,
		materials
	});
	for (const photo of file.photos) {
		// Encoded anew like any upload: a file from elsewhere is as hostile as a photo from elsewhere.
		const stored = await storePicture(folder, pictures.get(photo.hash)!, 'file');
		await tx.query(
			`insert into photo (costume_id, component_id, step_id, fault_id, hash, mime, width, height, bytes, caption, taken_at, fitting_id)
			values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
			[
				costumeId,
				to(components, photo.componentId),
				to(steps, photo.stepId),
				to(faults, photo.faultId),
				stored.hash,
				stored.mime,
				stored.width,
				stored.height,
				stored.bytes,
				photo.caption,
				photo.takenAt,
				to(fittings, photo.fittingId)
			]
		);
	}
	if (file.found) await insertFound(tx, costumeId!, file.found, steps);
	for (const { plan, ...layout } of file.layouts) {
		const material = to(materials, layout.materialId)!;
		const stock = String(material);
		await tx.query(
			`insert into layout (costume_id, material_id, name, plan, kept_at, cut_at, from_stash)
			values ($1, $2, $3, $4, $5, $6, $7)`,
			[
				costumeId,
				material,
				layout.name,
				JSON.stringify({
					...plan,
					stock: { ...plan.stock, id: stock },
					pieces: plan.pieces.map((p) => ({ ...p, stock, componentId: to(components, p.componentId) })),
					placements: plan.placements.map((p) => ({ ...p, stock }))
				}),
				layout.keptAt,
				layout.cutAt,
				layout.fromStash
			]
		);
	}
	return costumeId!;
}

/** A maker of the same name is the same one; a step of another is done by whoever is free. */
async function insertFound(
	tx: Executor,
	costumeId: number,
	found: NonNullable<CostumeFile['found']>,
	steps: Ids
): Promise<void> {
	const makers = new Map(
		(await all<{ id: number; name: string }>(tx, 'select id, name from maker')).map((m) => [m.name, m.id])
	);
	const plan = found.map(({ step, makers: by }) => {
		const known = by?.flatMap((name) => makers.get(name) ?? []);
		return {
			step: to(steps, step),
			...(known?.length && known.length === by!.length ? { makers: known } : {})
		};
	});
	await tx.query('insert into found_plan (costume_id, plan, found_at) values ($1, $2, $3)', [
		costumeId,
		JSON.stringify(plan),
		formatLocalTime(clock())
	]);
}

/**
 * A place of the same name is the same place, and the spray place is the workshop's own; others are made, with the
 * hours that the file has.
 */
async function matchPlaces(tx: Executor, file: CostumeFile): Promise<{ places: Ids; spray: number | null }> {
	const known = await all<{ id: number; name: string; forSpray: boolean }>(
		tx,
		'select id, name, for_spray from place order by id'
	);
	const spray = known.find((k) => k.forSpray)?.id ?? null;
	const places = new Map<number, number>();
	for (const p of file.places) {
		const same =
			known.find((k) => k.name.toLowerCase() === p.name.toLowerCase())?.id ?? (p.forSpray ? spray : null);
		if (same !== null) {
			places.set(p.id, same);
			continue;
		}
		const made = await one<{ id: number }>(
			tx,
			`insert into place (name, capacity, for_spray, daylight_only, dry_only) values ($1, $2, $3, $4, $5) returning id`,
			[p.name, p.capacity, p.forSpray, p.daylightOnly, p.dryOnly]
		);
		places.set(p.id, made!.id);
		for (const w of p.windows)
			await tx.query(
				'insert into working_window (place_id, days, from_minute, to_minute) values ($1, $2, $3, $4)',
				[made!.id, w.days, w.from, w.to]
			);
	}
	return { places, spray };
}

async function matchMaterials(tx: Executor, file: CostumeFile): Promise<Ids> {
	const known = await all<{ id: number; name: string; unit: string; coatProduct: string | null }>(
		tx,
		'select id, name, unit, coat_product from material'
	);
	const ids = new Map<number, number>();
	const missing: CostumeFile['materials'] = [];
	for (const m of file.materials) {
		const same = known.find(
			(k) =>
				(k.name.toLowerCase() === m.name.toLowerCase() && k.unit === m.unit) ||
				(m.coatProduct !== null && k.coatProduct === m.coatProduct)
		);
		if (same) ids.set(m.id, same.id);
		else missing.push(m);
	}
	const made = await insertMany(tx, {
		sql: `insert into material (name, family, unit, pack_size, pack_price_minor, currency, supplier, lead_days, lead_working_days, coat_product,
				thickness_mm, width_mm, length_mm, grams_per_m2)
			select r.name, r.family, r.unit, r."packSize", r."packPriceMinor", r.currency, r.supplier, r."leadDays", r."leadWorkingDays", r."coatProduct",
				r."thicknessMm", r."widthMm", r."lengthMm", r."gramsPerM2"
			from jsonb_to_recordset($1) as r (name text, family text, unit text, "packSize" double precision, "packPriceMinor" bigint, currency text,
				supplier text, "leadDays" integer, "leadWorkingDays" boolean, "coatProduct" text, "thicknessMm" double precision,
				"widthMm" double precision, "lengthMm" double precision, "gramsPerM2" double precision) returning id`,
		// Before form 4 a price was in the costume's currency, and nothing stood for one that nobody knew.
		rows: missing.map((m) => ({
			...m,
			currency: m.currency ?? file.costume.currency,
			packPriceMinor: m.packPriceMinor === 0 && file.version < 4 ? null : m.packPriceMinor
		}))
	});
	missing.forEach((m, i) => ids.set(m.id, made[i]!));
	return ids;
}
