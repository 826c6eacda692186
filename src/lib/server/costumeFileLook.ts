import type { CostumeFile } from '$core/formats/costumeFile/costumeFile.ts';
import type { Executor } from './db/open.ts';
import { one } from './db/rows.ts';
import { storePicture } from './pictures.ts';

type Ids = ReadonlyMap<number, number>;
const to = (ids: Ids, id: number | null) => (id === null ? null : ids.get(id)!);

/** The new ids that the rest of the file's rows got. */
export interface FileIds {
	costumeId: number;
	components: Ids;
	steps: Ids;
	materials: Ids;
}

/** Writes pictures, wearers and fittings of a costume file. Returns the new ids of fittings, which photos link to. */
export async function insertLook(
	tx: Executor,
	folder: string,
	file: CostumeFile,
	pictures: ReadonlyMap<string, Uint8Array>,
	ids: FileIds
): Promise<Ids> {
	await insertPictures(tx, folder, file, pictures, ids);
	for (const d of file.decisions)
		await tx.query(
			`insert into decision (component_id, source, reason, decided_at, buy_price_minor, buy_lead_days,
				alter_price_minor, alter_lead_days) values ($1, $2, $3, $4, $5, $6, $7, $8)`,
			[
				to(ids.components, d.componentId),
				d.source,
				d.reason,
				d.decidedAt,
				d.buyPriceMinor,
				d.buyLeadDays,
				d.alterPriceMinor,
				d.alterLeadDays
			]
		);
	for (const o of file.openings)
		await tx.query(
			`insert into opening (component_id, passage, closed_mm, stretch_percent, opening_mm, split)
			values ($1, $2, $3, $4, $5, $6)`,
			[to(ids.components, o.componentId), o.passage, o.closedMm, o.stretchPercent, o.openingMm, o.split]
		);
	for (const [i, s] of file.shapes.entries())
		await tx.query(
			`insert into shape (component_id, position, shaper, name, "values", works, drawn, material_id, layers, note)
			values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
			[
				to(ids.components, s.componentId),
				i,
				s.shaper,
				s.name,
				JSON.stringify(s.values),
				JSON.stringify(s.works),
				s.drawn && JSON.stringify(s.drawn),
				to(ids.materials, s.materialId),
				s.layers,
				s.note
			]
		);
	for (const n of file.nominals)
		await tx.query(
			'insert into nominal (component_id, measure, direction, nominal_mm, ease_mm, made_for) values ($1, $2, $3, $4, $5, $6)',
			[to(ids.components, n.componentId), n.measure, n.direction, n.nominalMm, n.easeMm, n.madeFor]
		);
	const wearers = new Map<number, number>();
	for (const w of file.wearers) wearers.set(w.id, await matchWearer(tx, w, ids.costumeId));
	return insertFittings(tx, file, wearers, ids);
}

async function insertPictures(
	tx: Executor,
	folder: string,
	file: CostumeFile,
	pictures: ReadonlyMap<string, Uint8Array>,
	{ costumeId, components }: FileIds
): Promise<void> {
	const made = new Map<number, number>();
	for (const [position, p] of file.pictures.entries()) {
		const stored = await storePicture(folder, pictures.get(p.hash)!, 'file');
		const row = await one<{ id: number }>(
			tx,
			`insert into reference_picture (costume_id, position, hash, mime, width, height, bytes, title, angle, design,
				source_note, axis_px, scale, click_px, scale_sigma_mm, purpose)
			values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16) returning id`,
			[
				costumeId,
				position,
				stored.hash,
				stored.mime,
				stored.width,
				stored.height,
				stored.bytes,
				p.title,
				p.angle,
				p.design,
				p.sourceNote,
				p.axisPx,
				p.scale === null ? null : JSON.stringify(p.scale),
				p.clickPx,
				p.scaleSigmaMm,
				p.purpose
			]
		);
		made.set(p.id, row!.id);
	}
	for (const c of file.callouts)
		await tx.query(
			'insert into callout (picture_id, component_id, label, shape, side, points) values ($1, $2, $3, $4, $5, $6)',
			[to(made, c.pictureId), to(components, c.componentId), c.label, c.shape, c.side, c.points.flat()]
		);
	for (const m of file.pictureMeasures)
		await tx.query(
			`insert into picture_measure (picture_id, component_id, label, kind, points, off_plane_mm)
			values ($1, $2, $3, $4, $5, $6)`,
			[to(made, m.pictureId), to(components, m.componentId), m.label, m.kind, m.points.flat(), m.offPlaneMm]
		);
}

/** A wearer of the same name is the same person: only measures that are not known yet are added. */
async function matchWearer(
	tx: Executor,
	w: CostumeFile['wearers'][number],
	costumeId: number
): Promise<number> {
	const known =
		(await one<{ id: number }>(tx, 'select id from wearer where lower(name) = lower($1)', [w.name])) ??
		(await one<{ id: number }>(tx, 'insert into wearer (name, note) values ($1, $2) returning id', [
			w.name,
			w.note
		]));
	await tx.query(
		`insert into body_measure (wearer_id, measure, side, taken_over, value_mm, taken_on, confirmed, note)
		select $1, r.measure, r.side, r.over, r.mm, r."takenOn", r.confirmed, r.note
		from jsonb_to_recordset($2) as r (measure text, side text, over text, mm double precision, "takenOn" date,
			confirmed boolean, note text)
		where not exists (select 1 from body_measure m where m.wearer_id = $1 and m.measure = r.measure
			and m.side = r.side and m.taken_over = r.over and m.taken_on = r."takenOn" and m.value_mm = r.mm)`,
		[known!.id, JSON.stringify(w.measures)]
	);
	await tx.query(
		'insert into costume_wearer (costume_id, wearer_id, built_on, fitted_at) values ($1, $2, $3, $4) on conflict do nothing',
		[costumeId, known!.id, w.builtOn, w.fittedAt]
	);
	return known!.id;
}

async function insertFittings(
	tx: Executor,
	file: CostumeFile,
	wearers: Ids,
	{ costumeId, components, steps }: FileIds
): Promise<Ids> {
	const made = new Map<number, number>();
	for (const f of file.fittings) {
		const row = await one<{ id: number }>(
			tx,
			'insert into fitting (costume_id, wearer_id, held_at, note, clears) values ($1, $2, $3, $4, $5) returning id',
			[costumeId, to(wearers, f.wearerId), f.heldAt, f.note, f.clears]
		);
		made.set(f.id, row!.id);
		for (const c of new Set(f.componentIds))
			await tx.query('insert into fitting_component (fitting_id, component_id) values ($1, $2)', [
				row!.id,
				to(components, c)
			]);
		for (const p of f.points)
			await tx.query(
				`insert into fitting_point (fitting_id, component_id, what, direction, move_mm, side, step_id, settled)
				values ($1, $2, $3, $4, $5, $6, $7, $8)`,
				[
					row!.id,
					to(components, p.componentId),
					p.what,
					p.direction,
					p.moveMm,
					p.side,
					to(steps, p.stepId),
					p.settled
				]
			);
	}
	return made;
}
