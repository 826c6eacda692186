import { STANDARD } from '$core/trade/catalogue.ts';
import sharp from 'sharp';
import { loadRecord } from '../read/costume.ts';
import { setFollowing } from '../commands/shape.ts';
import { DAY, dayOf, formatDate } from '$core/units/localTime.ts';
import { contextOf } from '../commands/command.ts';
import { fittingCommands } from '../commands/fitting.ts';
import type { Executor } from '../db/open.ts';
import { one } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { storePicture } from '../pictures.ts';
import { layOutKept } from './layOutLay.ts';
import { DRAWINGS, drawingSvg, type Drawing } from './drawings.ts';
import { FITS, WEARERS } from './fit.ts';

type Ids = ReadonlyMap<string, number>;
const DAYS_AGO = 40;

/** Reference pictures with their callouts and measures. */
export async function layOutPictures(
	tx: Executor,
	folder: string,
	name: string,
	costumeId: number,
	ids: Ids
): Promise<void> {
	for (const [position, drawing] of (DRAWINGS[name] ?? []).entries())
		await layOutPicture(tx, folder, drawing, position, costumeId, ids);
}

async function layOutPicture(
	tx: Executor,
	folder: string,
	d: Drawing,
	position: number,
	costumeId: number,
	ids: Ids
): Promise<void> {
	const stored = await storePicture(
		folder,
		await sharp(Buffer.from(drawingSvg(d)))
			.png()
			.toBuffer()
	);
	const id = await insert(tx, 'reference_picture', {
		costumeId,
		position,
		...stored,
		title: d.title,
		angle: d.angle,
		design: d.design,
		sourceNote: d.sourceNote,
		scale: d.scale ?? null,
		// The figures are drawn; what lies on the mat is shown as a photo shows it.
		taken: d.scale?.kind === 'rectangle' ? 'hand' : 'flat'
	});
	for (const s of d.shapes.filter((s) => !s.loose)) {
		const xs = s.points.map((p) => p[0]);
		const ys = s.points.map((p) => p[1]);
		const middle = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
		await insert(tx, 'callout', {
			pictureId: id,
			componentId: ids.get(s.component) ?? null,
			label: s.label ?? '',
			shape: s.point ? 'point' : 'outline',
			side: s.side ?? 'none',
			points: s.point ? middle : s.points.flat()
		});
	}
	for (const m of d.measures)
		await insert(tx, 'picture_measure', {
			pictureId: id,
			componentId: m.component ? ids.get(m.component)! : null,
			label: m.label,
			kind: m.kind,
			points: m.points.flat(),
			offPlaneMm: m.offPlaneMm ?? 0
		});
}

/** A wearer's profile, laid out once for all costumes that they wear. */
async function wearerId(tx: Executor, name: string, now: number): Promise<number> {
	const known = await one<{ id: number }>(tx, 'select id from wearer where name = $1', [name]);
	if (known) return known.id;
	const { note, measures } = WEARERS[name]!;
	const id = await insert(tx, 'wearer', { name, note });
	for (const m of measures)
		await insert(tx, 'body_measure', {
			wearerId: id,
			measure: m.measure,
			side: m.side ?? 'none',
			over: m.over ?? 'skin',
			mm: m.mm,
			takenOn: dayOf(now) - (m.daysAgo ?? DAYS_AGO)
		});
	return id;
}

/** Wearers, openings, what a bought pattern was made for, and one fitting round with its punch list. */
export async function layOutFit(
	tx: Executor,
	folder: string,
	name: string,
	costumeId: number,
	ids: Ids,
	now: number
): Promise<void> {
	const fit = FITS[name];
	if (!fit) return;
	for (const [i, wearer] of fit.wearers.entries())
		await insert(tx, 'costume_wearer', {
			costumeId,
			wearerId: await wearerId(tx, wearer, now),
			builtOn: i === 0 ? formatDate(dayOf(now) - 30) : null
		});
	for (const [component, mm] of Object.entries(fit.thickness))
		await set(tx, 'component', ids.get(component)!, { thicknessMm: mm });
	for (const o of fit.openings)
		await insert(tx, 'opening', {
			componentId: ids.get(o.component),
			passage: o.passage,
			closedMm: o.closed,
			stretchPercent: o.stretch ?? 0,
			openingMm: o.opening ?? 0,
			split: o.split ?? false
		});
	for (const n of fit.nominals)
		await insert(tx, 'nominal', {
			componentId: ids.get(n.component),
			measure: n.measure,
			direction: n.direction,
			nominalMm: n.nominal,
			easeMm: n.ease
		});
	for (const [i, s] of fit.shapes.entries())
		await tx.query(
			`insert into shape (component_id, position, shaper, name, "values", works, material_id, note, drawn, kept)
			values ($1, $2, $3, $4, $5, $6, (select id from material where name = $7), $8, $9, $10)`,
			[
				ids.get(s.component),
				i,
				s.shaper,
				s.name ?? '',
				JSON.stringify(s.values),
				JSON.stringify(s.works ?? []),
				s.of ?? null,
				s.note ?? '',
				s.drawn ? JSON.stringify(s.drawn()) : null,
				s.kept ? JSON.stringify(s.kept()) : null
			]
		);
	const record = fit.follow && (await loadRecord(tx, costumeId));
	for (const component of record?.components.filter((c) => fit.follow!.includes(c.name)) ?? [])
		await setFollowing(tx, record!, component, true, STANDARD);
	if (fit.laid) await layOutKept(tx, folder, costumeId, fit.laid, now);
	if (!fit.fitting) return;
	const context = { ...(await contextOf(tx, folder, { costume: String(costumeId) })), now };
	const { result } = await fittingCommands.addFitting.run(
		tx,
		{
			heldAt: (dayOf(now) - fit.fitting.daysAgo) * DAY + 19 * 60,
			variantId: null,
			wearerId: (await one<{ id: number }>(
				tx,
				'select wearer_id as id from costume_wearer where costume_id = $1',
				[costumeId]
			))!.id,
			note: fit.fitting.note,
			componentIds: fit.fitting.tried.map((c) => ids.get(c)!)
		},
		context
	);
	await set(tx, 'fitting', result!.id, { clears: fit.fitting.clears });
	for (const p of fit.fitting.points) {
		const point = await fittingCommands.addPoint.run(
			tx,
			{
				fittingId: result!.id,
				componentId: ids.get(p.component)!,
				what: p.what,
				direction: p.direction ?? 'none',
				moveMm: p.mm ?? null,
				side: p.side ?? 'none'
			},
			context
		);
		const { id } = point.result as { id: number };
		if (p.step) await fittingCommands.pointToStep.run(tx, { id, technique: null }, context);
		if (p.settled) await fittingCommands.settlePoint.run(tx, { id, on: true }, context);
	}
}
