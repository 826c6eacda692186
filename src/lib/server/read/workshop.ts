import type { Weeks } from '$core/facts/calendar.ts';
import {
	FIRST_SETTINGS,
	type Maker,
	type Place,
	type Settings,
	type Workshop,
	type ExchangeRate
} from '$core/facts/workshop.ts';
import type { Rates } from '$core/facts/workshop.ts';
import type { HandbookRow } from '$core/facts/handbook.ts';
import type { TechniqueKey } from '$core/facts/step.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { copiesOf, type Component } from '$core/facts/component.ts';
import { bySupplier, latenessOf, type Delivery } from '$core/answers/deliveries.ts';
import { withLots, type StoredLot, type StoredMaterial } from '$core/answers/lots.ts';
import { learnRates, onceEach, ratesFrom, type Observation } from '$core/answers/rates.ts';
import type { Material } from '$core/facts/material.ts';
import { supplierKey, type Offer, type Supplier } from '$core/facts/supplier.ts';
import { dayOf } from '$core/units/localTime.ts';
import { clock } from '../clock.ts';
import { readDay, type Executor } from '../db/open.ts';
import { Absent, all, one } from '../db/rows.ts';
import { select } from '../db/tables.ts';

interface WindowRow {
	id: number;
	makerId: number | null;
	placeId: number | null;
	days: number[];
	from: number;
	to: number;
	weeks: Weeks | null;
}

export const loadSettings = async (db: Executor): Promise<Settings> =>
	(await select<Settings>(db, 'setting'))[0] ?? FIRST_SETTINGS;

/** Currencies besides the workshop's own. */
export const loadExchange = (db: Executor): Promise<ExchangeRate[]> =>
	select(db, 'exchange_rate', 'currency');

type SupplierRow = Omit<Supplier, 'closed'> & { closed: string[] };
export const loadSuppliers = async (db: Executor): Promise<Supplier[]> =>
	(await select<SupplierRow>(db, 'supplier', 'lower(name)')).map((s) => ({
		...s,
		closed: s.closed.map(readDay)
	}));

/** What these materials are sold in, besides their usual packs; null: all materials. */
export const loadOffers = (db: Executor, materialIds: readonly number[] | null): Promise<Offer[]> =>
	all(
		db,
		`select id, material_id, supplier_id, pack_size, pack_price_minor, breaks, lead_days, most_packs, note, version from offer
		where $1::integer[] is null or material_id = any($1) order by id`,
		[materialIds]
	);

export const loadHandbook = (db: Executor): Promise<HandbookRow[]> =>
	select(db, 'handbook_row', 'table_name, key');

export async function costumeCurrency(db: Executor, id: number): Promise<string | null> {
	return (
		(await one<{ currency: string }>(db, 'select currency from costume where id = $1', [id]))?.currency ??
		null
	);
}

/** Materials with their lots, as they are good today; one without a currency of its own is paid in the workshop's. */
export async function loadMaterials(db: Executor): Promise<Material[]> {
	const [materials, lots, settings] = await Promise.all([
		select<StoredMaterial>(db, 'material', 'family, lower(name), id'),
		select<StoredLot>(db, 'lot'),
		loadSettings(db)
	]);
	return withLots(
		materials.map((m) => ({ ...m, currency: m.currency ?? settings.currency })),
		lots,
		dayOf(clock())
	);
}

/** @throws Absent when there is none of this id */
export async function loadMaterial(db: Executor, id: number): Promise<Material> {
	const material = (await loadMaterials(db)).find((m) => m.id === id);
	if (!material) throw new Absent('material');
	return material;
}

/**
 * Every step that is done and was logged, of these costumes, in the order in which they were done.
 * @returns by costume; none is no entry
 */
export async function loadObservations(
	db: Executor,
	costumeIds: readonly number[]
): Promise<Map<number, Observation[]>> {
	const [rows, components] = await Promise.all([
		all<Observation & { componentId: number; costumeId: number; perCopy: boolean }>(
			db,
			`select s.id as step_id, s.technique, s.amount, s.guessed, s.per_copy, s.set_up_minutes, s.component_id, c.costume_id, s.done_at,
				l.minutes, l.maker_id
			from step s join component c on c.id = s.component_id join (
				select step_id, sum(minutes)::integer as minutes,
					case when count(distinct maker_id) = 1 and count(*) = count(maker_id) then min(maker_id) end as maker_id
				from work_log where ended_at is not null group by step_id
			) l on l.step_id = s.id
			where s.done_at is not null and l.minutes > 0 and c.costume_id = any($1) order by s.done_at, s.id`,
			[costumeIds]
		),
		all<Pick<Component, 'id' | 'parentId' | 'side' | 'count'>>(
			db,
			'select id, parent_id, side, count from component where costume_id = any($1)',
			[costumeIds]
		)
	]);
	const byId = new Map(components.map((c) => [c.id, c]));
	const found = new Map<number, Observation[]>();
	for (const { componentId, costumeId, perCopy, ...o } of rows) {
		const copies = perCopy ? copiesOf(byId.get(componentId)!, byId) : 1;
		const list = found.get(costumeId) ?? [];
		list.push({ ...o, amount: o.amount * copies });
		found.set(costumeId, list);
	}
	return found;
}

/** What was ordered and came, in all costumes, those put away too. */
export const loadDeliveries = async (db: Executor): Promise<Delivery[]> => {
	const rows = await all<
		Omit<Delivery, 'orderedOn' | 'arrivedOn'> & Record<'orderedOn' | 'arrivedOn', string>
	>(
		db,
		`select supplier, ordered_on::text, arrived_on::text, lead_days, lead_working_days from purchase
		where ordered_on is not null and arrived_on is not null and lead_days is not null order by id`
	);
	return rows.map((r) => ({ ...r, orderedOn: readDay(r.orderedOn), arrivedOn: readDay(r.arrivedOn) }));
};

/** With how late each supplier's parcels come; the same object where that has not changed. */
export function withLateness(rows: WorkshopRows, deliveries: readonly Delivery[]): WorkshopRows {
	const by = bySupplier(deliveries);
	const suppliers = rows.suppliers.map((s) => {
		const late = latenessOf(by.get(supplierKey(s.name)) ?? [], s);
		return JSON.stringify(late) === JSON.stringify(s.late ?? null) ? s : { ...s, late };
	});
	return suppliers.every((s, k) => s === rows.suppliers[k]) ? rows : { ...rows, suppliers };
}

/** What is recorded of the workshop; what is learned from logs is worked out from it. */
export type WorkshopRows = Omit<Workshop, 'rates' | 'learned'>;

export async function loadWorkshopRows(db: Executor): Promise<WorkshopRows> {
	const [settings, makers, places, windows, off, away, rates, materials, suppliers, exchange, handbook] =
		await Promise.all([
			loadSettings(db),
			select<Omit<Maker, 'windows' | 'off' | 'away'>>(db, 'maker', 'position, id'),
			select<Omit<Place, 'windows' | 'off'>>(db, 'place'),
			select<WindowRow>(db, 'working_window', 'days, from_minute'),
			select<{ makerId: number | null; placeId: number | null; day: number }>(db, 'day_off', 'day'),
			select<{ makerId: number; fromAt: number; toAt: number }>(db, 'away', 'from_at, to_at'),
			select<{ technique: TechniqueKey; goodMinutes: number; usualMinutes: number; badMinutes: number }>(
				db,
				'rate'
			),
			loadMaterials(db),
			loadSuppliers(db),
			loadExchange(db),
			loadHandbook(db)
		]);
	const ownRates: Rates = Object.fromEntries(
		rates.map((r) => [r.technique, [r.goodMinutes, r.usualMinutes, r.badMinutes]])
	);
	const shown = ({ id, days, from, to, weeks }: WindowRow) => ({ id, days, from, to, weeks });
	return {
		settings,
		makers: makers.map((m): Maker => ({
			...m,
			windows: windows.filter((w) => w.makerId === m.id).map(shown),
			off: off.filter((o) => o.makerId === m.id).map((o) => o.day),
			away: away.filter((a) => a.makerId === m.id).map((a) => [a.fromAt, a.toAt] as const)
		})),
		places: places.map((p): Place => ({
			...p,
			windows: windows.filter((w) => w.placeId === p.id).map(shown),
			off: off.filter((o) => o.placeId === p.id).map((o) => o.day)
		})),
		ownRates,
		materials,
		suppliers,
		exchange,
		handbook
	};
}

/** The same with what all logs have taught. */
export async function loadWorkshop(db: Executor): Promise<Workshop> {
	const ids = await all<{ id: number }>(db, 'select id from costume');
	const [rows, observations] = await Promise.all([
		loadWorkshopRows(db),
		loadObservations(
			db,
			ids.map((c) => c.id)
		)
	]);
	const learned = learnRates(catalogueOf(rows.handbook), inTime(onceEach(observations)), rows.ownRates);
	return { ...rows, learned, rates: ratesFrom(learned, rows.ownRates) };
}

/** In the order in which they were done. */
export const inTime = (observations: readonly Observation[]): Observation[] =>
	[...observations].sort((a, b) => a.doneAt - b.doneAt || a.stepId - b.stepId);
