import type { Maker, Place, Settings, Workshop, ExchangeRate } from '$core/facts/workshop.ts';
import type { Rates } from '$core/facts/workshop.ts';
import type { HandbookRow } from '$core/facts/handbook.ts';
import type { TechniqueKey } from '$core/facts/step.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { copiesOf, type Component } from '$core/facts/component.ts';
import { learnRates, ratesFrom, type Observation } from '$core/answers/rates.ts';
import type { Material } from '$core/facts/material.ts';
import type { Executor } from '../db/open.ts';
import { all, one } from '../db/rows.ts';

interface WindowRow {
	id: number;
	makerId: number | null;
	placeId: number | null;
	days: number[];
	fromMinute: number;
	toMinute: number;
}

export async function loadSettings(db: Executor): Promise<Settings> {
	return (await one<Settings>(
		db,
		`select length_unit, cloth_unit, weight_unit, currency, week_start, cold_or_damp,
			bed_wide_mm, bed_deep_mm, bed_high_mm, latitude, noon_minute, summer_time, wet_days, version from setting where id = 1`
	))!;
}

/** Currencies besides the workshop's own. */
export const loadExchange = (db: Executor): Promise<ExchangeRate[]> =>
	all<ExchangeRate>(db, 'select id, currency, rate, version from exchange_rate order by currency');

export const loadHandbook = (db: Executor): Promise<HandbookRow[]> =>
	all<HandbookRow>(
		db,
		'select id, table_name, key, content, version from handbook_row order by table_name, key'
	);

export async function costumeCurrency(db: Executor, id: number): Promise<string | null> {
	return (
		(await one<{ currency: string }>(db, 'select currency from costume where id = $1', [id]))?.currency ??
		null
	);
}

export const loadMaterials = (db: Executor): Promise<Material[]> =>
	all<Material>(
		db,
		`select id, name, family, unit, pack_size, pack_price_minor,
			coalesce(currency, (select currency from setting where id = 1)) as currency, supplier, lead_days, lead_working_days,
			stash, stash_note, coat_product, thickness_mm, width_mm, length_mm, grams_per_m2, version
		from material order by family, lower(name), id`
	);

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
			`select s.id as step_id, s.technique, s.amount, s.per_copy, s.set_up_minutes, s.component_id, c.costume_id, s.done_at,
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

/** What is recorded of the workshop; what is learned from logs is worked out from it. */
export type WorkshopRows = Omit<Workshop, 'rates' | 'learned'>;

export async function loadWorkshopRows(db: Executor): Promise<WorkshopRows> {
	const [settings, makers, places, windows, off, away, rates, materials, exchange, handbook] =
		await Promise.all([
			loadSettings(db),
			all<Omit<Maker, 'windows' | 'off' | 'away'>>(
				db,
				'select id, name, helps_only, techniques, version from maker order by position, id'
			),
			all<Omit<Place, 'windows' | 'off'>>(
				db,
				'select id, name, capacity, for_spray, daylight_only, dry_only, version from place order by id'
			),
			all<WindowRow>(
				db,
				'select id, maker_id, place_id, days, from_minute, to_minute from working_window order by days, from_minute'
			),
			all<{ makerId: number | null; placeId: number | null; day: number }>(
				db,
				'select maker_id, place_id, day from day_off order by day'
			),
			all<{ makerId: number; fromAt: number; toAt: number }>(
				db,
				'select maker_id, from_at, to_at from away order by from_at, to_at'
			),
			all<{ technique: TechniqueKey; goodMinutes: number; usualMinutes: number; badMinutes: number }>(
				db,
				'select technique, good_minutes, usual_minutes, bad_minutes from rate'
			),
			loadMaterials(db),
			loadExchange(db),
			loadHandbook(db)
		]);
	const ownRates: Rates = Object.fromEntries(
		rates.map((r) => [r.technique, [r.goodMinutes, r.usualMinutes, r.badMinutes]])
	);
	const shown = (w: WindowRow) => ({ id: w.id, days: w.days, from: w.fromMinute, to: w.toMinute });
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
	const learned = learnRates(
		catalogueOf(rows.handbook),
		inTime([...observations.values()].flat()),
		rows.ownRates
	);
	return { ...rows, learned, rates: ratesFrom(learned, rows.ownRates) };
}

/** In the order in which they were done. */
export const inTime = (observations: readonly Observation[]): Observation[] =>
	[...observations].sort((a, b) => a.doneAt - b.doneAt || a.stepId - b.stepId);
