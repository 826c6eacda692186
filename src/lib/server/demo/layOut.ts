import sharp from 'sharp';
import { inOrder } from '$core/facts/order.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { TECHNIQUES } from '$core/trade/technique.ts';
import { PLAIN_COMPONENT } from '$core/facts/component.ts';
import type { Step } from '$core/facts/step.ts';
import { minutesOf } from '$core/answers/minutes.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import { DAY, dayOf, formatDate, weekdayOf } from '$core/units/localTime.ts';
import { clock } from '../clock.ts';
import { insertComponent } from '../commands/component.ts';
import { contextOf, runCommand } from '../commands/command.ts';
import { faultCommands } from '../commands/fault.ts';
import { insertMaterial } from '../commands/material.ts';
import { insertPurchase } from '../commands/purchase.ts';
import { logCommands } from '../commands/log.ts';
import { purchaseCommands } from '../commands/purchase.ts';
import { setDone } from '../commands/step.ts';
import type { Database, Executor } from '../db/open.ts';
import { insert } from '../db/tables.ts';
import { parseColour } from '$core/engines/colour/lab.ts';
import { storePicture } from '../pictures.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials, loadWorkshop } from '../read/workshop.ts';
import { layOutFit, layOutPictures } from './layOutLook.ts';
import { layOutBuy } from './layOutBuy.ts';
import { hasLots, layOutLots } from './layOutLots.ts';
import { layOutOffcuts } from './layOutLay.ts';
import { layOutSwatches } from './layOutSwatches.ts';
import { layOutCases, layOutWear } from './layOutWear.ts';
import { COSTUMES, MATERIALS, type DemoComponent, type DemoCostume } from './costumes.ts';
import { one } from '../db/rows.ts';

/** A larger component has longer edges and more area, not more pieces. */
const SCALED = Object.entries(TECHNIQUES).flatMap(([key, t]) => (t.driver === 'count' ? [] : [key]));

const NOTES = [
	'fresh blade',
	'second glue line held',
	'slower than thought',
	'music helped',
	'',
	'pattern kept in the blue folder',
	'',
	'thin coats'
];

/** Lays out the demo when the folder holds no costume yet. Not in History: it was not the maker's doing. */
export async function layOutDemo(db: Database): Promise<void> {
	if ((await db.query('select 1 from costume limit 1')).rows.length > 0) return;
	const now = clock();
	await db.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		for (const m of MATERIALS)
			await insertMaterial(tx, {
				name: m.name,
				colour: m.colour ?? '',
				family: m.family,
				unit: m.unit,
				packSize: m.pack,
				packPriceMinor: m.price,
				currency: 'EUR',
				supplier: m.supplier,
				leadDays: m.lead,
				leadWorkingDays: true,
				stash: hasLots(m.name) ? 0 : m.stash,
				stashNote: m.stash ? 'shelf by the door' : '',
				coatProduct: m.coat ?? null,
				supply: m.supply ?? null,
				thicknessMm: m.size?.[0] ?? null,
				widthMm: m.size?.[1] ?? null,
				lengthMm: m.size?.[2] ?? null,
				gramsPerM2: m.size?.[3] ?? null,
				stretchAcross: m.stretch?.[0] ?? null,
				stretchAlong: m.stretch?.[1] ?? null,
				lab: m.looks ? parseColour(m.looks) : null
			});
		await insert(tx, 'day_off', { makerId: 1, day: dayOf(now) + 9 });
		// An ordinary week: four evenings and most of a Saturday.
		await tx.query(
			`update working_window set days = '{1,2,3,5}', to_minute = 1290 where maker_id = 1 and 1 = any(days)`
		);
		await tx.query(
			`update working_window set days = '{6}', to_minute = 960 where maker_id = 1 and 6 = any(days)`
		);
		// Sprayed in the open, where rain stops it.
		await tx.query('update place set dry_only = true where id = 1');
		for (const m of await loadMaterials(tx)) await layOutLots(tx, m, dayOf(now));
		await layOutOffcuts(tx);
		await layOutBuy(tx, await loadMaterials(tx));
		await layOutCases(tx);
		for (const costume of COSTUMES) await layOutCostume(tx, db.folder, costume, now);
	});
	await lastEvening(db, now);
}

async function layOutCostume(tx: Executor, folder: string, demo: DemoCostume, now: number): Promise<void> {
	const eventAt = (dayOf(now) + demo.inDays) * DAY + 10 * 60;
	const id = await insert(tx, 'costume', {
		name: demo.name,
		wearer: demo.wearer,
		eventName: demo.event,
		eventAt,
		bufferDays: demo.buffer,
		limitMinor: demo.limit,
		currency: 'EUR',
		note: demo.note
	});
	const ids = new Map<string, number>();
	const materials = await loadMaterials(tx);
	for (const c of demo.components) {
		const { of, scale, done: _done, needs = {}, ...fields } = c;
		const made = await insertComponent(
			tx,
			id,
			{ code: '', ...PLAIN_COMPONENT, ...fields, parentId: of ? ids.get(of)! : null },
			STANDARD
		);
		ids.set(c.name, made.id);
		// What has a scale was measured; the rest are the routes' starting values, as they are at first.
		if (scale !== undefined) {
			await tx.query(
				'update step set guessed = false, guess = null, from_pieces = false where component_id = $1',
				[made.id]
			);
			await tx.query(`update step set amount = amount * $2 where component_id = $1 and technique = any($3)`, [
				made.id,
				scale,
				SCALED
			]);
			await tx.query(
				'update coat set area_mm2 = area_mm2 * $2, guessed = false, guess = null, from_pieces = false where component_id = $1',
				[made.id, scale]
			);
		}
		for (const [name, quantity] of Object.entries(needs))
			await insert(tx, 'need', {
				componentId: made.id,
				materialId: materials.find((m) => m.name === name)!.id,
				quantity
			});
	}
	for (const p of demo.purchases) {
		const purchase = await insertPurchase(
			tx,
			id,
			materials.find((m) => m.name === p.material)!,
			p.packs,
			p.for ? ids.get(p.for)! : null
		);
		const day = (offset: number | undefined) =>
			offset === undefined ? null : formatDate(dayOf(now) + offset);
		await tx.query(
			`update purchase set state = $2, ordered_on = $3, due_on = $4, shipping_minor = $5,
				arrived_on = case when $2 in ('arrived', 'used') then $4::date end where id = $1`,
			[purchase, p.state, day(p.ordered), day(p.due), p.shipping ?? 0]
		);
	}
	await workBehind(tx, (await loadRecord(tx, id))!, demo, ids, now);
	for (const fault of demo.faults) await layOutFault(tx, folder, demo, fault, id, ids, now);
	await drawPicture(tx, folder, demo, id, ids.get(demo.components[0]!.name)!, now);
	await layOutPictures(tx, folder, demo.name, id, ids);
	await layOutFit(tx, folder, demo.name, id, ids, now);
	await layOutSwatches(tx, folder, demo, id, ids, now);
	await layOutWear(tx, demo.name, id, ids, now);
	for (const [position, colour] of (demo.palette ?? []).entries()) {
		const paletteColourId = await insert(tx, 'palette_colour', {
			costumeId: id,
			position,
			name: colour.name,
			lab: parseColour(colour.looks)!
		});
		for (const name of colour.for)
			await insert(tx, 'palette_part', { paletteColourId, componentId: ids.get(name)! });
	}
}

/** How much slower or quicker than the starting values the demo's maker is: there is something to learn. Invented. */
const PACE: Readonly<Record<string, number>> = {
	cutFoam: 1.5,
	bevel: 1.4,
	cement: 1.3,
	sewMachine: 0.75,
	draft: 0.8,
	trace: 0.85,
	brush: 1.25
};

/** Done steps with their logs, on past evenings, and one that is drying right now. */
async function workBehind(
	tx: Executor,
	record: CostumeRecord,
	demo: DemoCostume,
	ids: ReadonlyMap<string, number>,
	now: number
): Promise<void> {
	const minutes = minutesOf(record, await loadWorkshop(tx));
	const done = demo.components.flatMap((c: DemoComponent) => {
		const steps = inOrder(record.steps, ids.get(c.name)!);
		return steps
			.slice(0, c.done === 'all' ? steps.length : (c.done ?? 0))
			.map((step) => ({ step, name: c.name }));
	});
	const evenings = pastEvenings(dayOf(now), Math.max(24, done.length));
	const per = done.length / evenings.length;
	let n = 0;
	for (const { step, name } of done) {
		const last = name === demo.drying && done.filter((d) => d.name === name).at(-1)!.step === step;
		const usual = minutes.get(step.id)![1];
		const worked = Math.max(5, Math.round(usual * (PACE[step.technique] ?? 1) * (0.8 + ((n * 7) % 9) / 18)));
		const evening = evenings[Math.min(evenings.length - 1, Math.floor(n / per))]!;
		const end = last ? now - 35 : evening * DAY + 19 * 60 + Math.min(worked, 200) + ((n * 13) % 40);
		await log(tx, step, end, worked, NOTES[n % NOTES.length]!);
		await setDone(tx, step.id, end);
		n++;
	}
}

async function log(tx: Executor, step: Step, end: number, minutes: number, note: string): Promise<void> {
	await insert(tx, 'work_log', {
		stepId: step.id,
		makerId: 1,
		startedAt: end - minutes,
		endedAt: end,
		minutes,
		note
	});
}

/** Evenings before today, oldest first; nobody works on Thursdays. */
function pastEvenings(today: number, count: number): number[] {
	const days: number[] = [];
	for (let day = today - 3; days.length < count; day--) if (weekdayOf(day) !== 4) days.push(day);
	return days.reverse();
}

async function layOutFault(
	tx: Executor,
	folder: string,
	demo: DemoCostume,
	fault: DemoCostume['faults'][number],
	costumeId: number,
	ids: ReadonlyMap<string, number>,
	now: number
): Promise<void> {
	const context = { ...(await contextOf(tx, folder, { costume: String(costumeId) })), now };
	const at = (dayOf(now) - fault.daysAgo) * DAY + 20 * 60 + 15;
	const earlier =
		fault.backOf === undefined
			? null
			: (await one<{ id: number }>(
					tx,
					'select f.id from fault f join component c on c.id = f.component_id where c.costume_id = $1 order by f.id offset $2 limit 1',
					[costumeId, fault.backOf]
				))!.id;
	const { result } = await faultCommands.addFault.run(
		tx,
		{
			componentId: ids.get(fault.component)!,
			symptom: fault.symptom,
			cause: fault.cause,
			cure: fault.cure,
			occasion: fault.occasion,
			happenedAt: at,
			minutesLost: fault.lost,
			holds: null,
			cameBackOf: earlier
		},
		context
	);
	if (!fault.mended) return;
	const record = (await loadRecord(tx, costumeId))!;
	for (const [i, step] of record.steps.filter((s) => s.faultId === result!.id).entries()) {
		const end = at + (i + 1) * DAY;
		await log(tx, step, end, 25, 'mended at the kitchen table');
		await setDone(tx, step.id, end);
	}
}

/** A drawn reference picture, our own: a harbour lamp in flat shapes. */
async function drawPicture(
	tx: Executor,
	folder: string,
	demo: DemoCostume,
	costumeId: number,
	componentId: number,
	now: number
): Promise<void> {
	const hue = (demo.inDays * 37) % 360;
	const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="640">
		<rect width="640" height="640" fill="hsl(${hue} 30% 88%)"/><path d="M0 500h640v140H0z" fill="hsl(${hue} 35% 45%)"/>
		<path d="M300 120h40v380h-40z" fill="#3b3a36"/><circle cx="320" cy="150" r="92" fill="#f6d98a" stroke="#3b3a36" stroke-width="14"/>
		<path d="M250 240h140l-24 60h-92z" fill="#8a6a2a"/><path d="M0 540q80-40 160 0t160 0t160 0t160 0v100H0z" fill="hsl(${hue} 40% 35%)"/></svg>`;
	const picture = await storePicture(folder, await sharp(Buffer.from(svg)).png().toBuffer());
	await insert(tx, 'photo', {
		costumeId,
		componentId,
		hash: picture.hash,
		mime: picture.mime,
		width: picture.width,
		height: picture.height,
		bytes: picture.bytes,
		caption: 'sketch',
		takenAt: now - 20 * DAY
	});
}

/** The last things done, as a maker would have: these stand in History and can be undone. */
async function lastEvening(db: Database, now: number): Promise<void> {
	const first = (await one<{ id: number }>(db, 'select id from costume order by id limit 1'))!.id;
	const context = await contextOf(db, db.folder, { costume: String(first) });
	const record = (await loadRecord(db, first))!;
	const globe = (await loadMaterials(db)).find((m) => m.name === 'Warm white LED strand')!;
	await runCommand(
		db,
		purchaseCommands.addPurchase,
		{ materialId: globe.id, packs: 1, componentId: null },
		context
	);
	const coat = record.components.find((c) => c.name === 'Watch coat')!;
	const open = inOrder(record.steps, coat.id).find((s) => s.doneAt === null)!;
	await runCommand(
		db,
		logCommands.logWork,
		{
			stepId: open.id,
			makerId: 1,
			endedAt: (dayOf(now) - 1) * DAY + 20 * 60 + 40,
			minutes: 20,
			note: 'stopped for the night',
			finish: false,
			anyway: false
		},
		context
	);
}
