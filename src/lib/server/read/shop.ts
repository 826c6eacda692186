import { followPieces } from '$core/answers/followPieces.ts';
import { guessFactor } from '$core/answers/guesses.ts';
import { learnRates, onceEach, ratesFrom, type Observation } from '$core/answers/rates.ts';
import type { InShop } from '$core/answers/shopPlan.ts';
import { promiseStash, stillNeeded } from '$core/answers/stash.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { HoldTally } from '$core/facts/health.ts';
import { keepSame, type Workshop } from '$core/facts/workshop.ts';
import { dayOf } from '$core/units/localTime.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { clock } from '../clock.ts';
import type { Database } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { loadEntered, loadPieces, type PiecesOf } from './costume.ts';
import { loadHoldTallies, loadWorn } from './holdTallies.ts';
import {
	inTime,
	loadDeliveries,
	loadObservations,
	loadWorkshopRows,
	withLateness,
	type WorkshopRows
} from './workshop.ts';

/** Everything at one moment, in memory: loaded once, then only what has changed. Nobody writes to it. */
export interface Shop {
	/** Another one for every moment. */
	key: string;
	workshop: Workshop;
	/** Logs of steps that are done, of all costumes, in the order in which they were done. */
	observations: readonly Observation[];
	/** Costumes at work, in order of event; amounts that follow the pieces are what these come to. */
	atWork: readonly InShop[];
}

interface Loaded {
	entered: CostumeRecord;
	pieces: PiecesOf;
	record: CostumeRecord;
	recordAt: number;
	planAt: number;
	/** How often its amounts have changed by what is not its own: a thickness, a row of the handbook. */
	turn: number;
}

interface Kept {
	era: string;
	newest: number;
	workshopAt: number;
	/** What was good of the stash then: it is read anew on the next day. */
	day: number;
	rows: WorkshopRows;
	costumes: Map<number, Loaded>;
	observations: Map<number, Observation[]>;
	holds: Map<number, HoldTally[]>;
	shop: Shop;
}

const keptOf = new WeakMap<Database, Kept>();
const underWay = new WeakMap<Database, { writes: number; loading: Promise<Shop> }>();

/** The shop as it stands. Requests that come while it is loaded share it, unless something was written since that began. */
export function loadShop(db: Database): Promise<Shop> {
	const running = underWay.get(db);
	if (running?.writes === db.writes) return running.loading;
	const before = running?.loading.catch(() => {}) ?? Promise.resolve();
	const its = { writes: db.writes, loading: before.then(() => load(db)) };
	underWay.set(db, its);
	const over = () => {
		if (underWay.get(db) === its) underWay.delete(db);
	};
	its.loading.then(over, over);
	return its.loading;
}

interface Revision {
	costumeId: number;
	recordAt: number;
	planAt: number;
}

async function load(db: Database): Promise<Shop> {
	const before = keptOf.get(db);
	const kept = before?.era === db.era ? before : null;
	// Before anything is read: asked of the tables it would wait for what is being written, and what is remembered would not.
	const { era, newest } = db;
	const day = dayOf(clock());
	if (kept?.newest === newest && kept.day === day) return kept.shop;

	const [revisions, costumes] = await Promise.all([
		all<Revision>(db, 'select costume_id, record_at, plan_at from revision'),
		all<{ id: number; archived: boolean }>(
			db,
			'select id, archived_at is not null as archived from costume order by event_at, id'
		)
	]);
	const at = new Map(revisions.map((r) => [r.costumeId, r]));
	const workshopAt = at.get(0)?.recordAt ?? 0;
	const read =
		kept?.workshopAt === workshopAt && kept.day === day
			? kept.rows
			: keepSame(kept?.rows ?? null, await loadWorkshopRows(db));
	const rows = withLateness(read, await loadDeliveries(db));
	const observations = await observationsNow(db, kept, costumes, at);
	const sameLogs =
		kept !== null &&
		kept.observations.size === observations.size &&
		[...observations].every(([id, list]) => kept.observations.get(id) === list);
	const logs = sameLogs ? kept.shop.observations : inTime(onceEach(observations));
	const atWork = costumes.filter((c) => !c.archived).map((c) => c.id);
	const held = await costumesNow(db, kept, atWork, at, rows);
	const guessOff = guessFactor(
		[...held.values()].flatMap((h) => (h.record.costume.demoAction === null ? [h.record] : []))
	);
	const holds = await holdsNow(db, kept, at, rows);
	const workshop = workshopOf(kept, rows, logs, guessOff, [...holds.values()].flat());
	const shop: Shop = {
		key: `${era} ${newest} ${day}`,
		workshop,
		observations: logs,
		atWork: promise(
			atWork.flatMap((id) => held.get(id) ?? []),
			workshop,
			kept?.shop ?? null
		)
	};
	keptOf.set(db, { era, newest, workshopAt, day, rows, costumes: held, observations, holds, shop });
	return shop;
}

/** Logs of steps that are done, of all costumes, those put away too. */
async function observationsNow(
	db: Database,
	kept: Kept | null,
	costumes: readonly { id: number }[],
	at: ReadonlyMap<number, Revision>
): Promise<Map<number, Observation[]>> {
	const changed = costumes
		.map((c) => c.id)
		.filter((id) => !kept?.observations.has(id) || (at.get(id)?.planAt ?? 0) > kept.newest);
	const loaded = changed.length ? await loadObservations(db, changed) : new Map<number, Observation[]>();
	return new Map(
		costumes.map(({ id }) => {
			if (!changed.includes(id)) return [id, kept!.observations.get(id)!];
			const now = loaded.get(id) ?? [];
			const was = kept?.observations.get(id);
			return [id, was && JSON.stringify(was) === JSON.stringify(now) ? was : now];
		})
	);
}

/** What wears of each costume tell of how long things hold: those that changed are read. */
async function holdsNow(
	db: Database,
	kept: Kept | null,
	at: ReadonlyMap<number, Revision>,
	{ handbook }: WorkshopRows
): Promise<Map<number, HoldTally[]>> {
	const worn = await loadWorn(db);
	const were = kept?.rows.handbook === handbook ? kept.holds : null;
	const changed = worn.filter((id) => !were?.has(id) || (at.get(id)?.recordAt ?? 0) > kept!.newest);
	const loaded = await loadHoldTallies(db, catalogueOf(handbook), changed);
	return new Map(worn.map((id) => [id, loaded.get(id) ?? were!.get(id)!]));
}

function workshopOf(
	kept: Kept | null,
	rows: WorkshopRows,
	logs: readonly Observation[],
	guessOff: number,
	tallies: readonly HoldTally[]
): Workshop {
	const was = kept?.shop.workshop;
	const holds = JSON.stringify(was?.holds) === JSON.stringify(tallies) ? was?.holds : tallies;
	const sameRates =
		kept?.rows.ownRates === rows.ownRates &&
		kept.rows.handbook === rows.handbook &&
		kept.shop.observations === logs;
	if (sameRates && kept.rows === rows && was?.guessOff === guessOff && was.holds === holds) return was;
	const learned = sameRates
		? kept.shop.workshop.learned
		: learnRates(catalogueOf(rows.handbook), logs, rows.ownRates);
	return { ...rows, learned, rates: ratesFrom(learned, rows.ownRates), guessOff, holds: holds ?? [] };
}

/** A shape of the same version is the same object: its pieces are kept with it. */
function sameShapes(before: PiecesOf | null, now: PiecesOf): PiecesOf {
	const were = new Map(before?.shapes.map((s) => [s.id, s]));
	return {
		...now,
		shapes: now.shapes.map((s) => (were.get(s.id)?.version === s.version ? were.get(s.id)! : s))
	};
}

/** The costumes at work: those that changed are read, pieces are put into those whose amounts follow them. */
async function costumesNow(
	db: Database,
	kept: Kept | null,
	ids: readonly number[],
	at: ReadonlyMap<number, Revision>,
	rows: WorkshopRows
): Promise<Map<number, Loaded>> {
	const changed = ids.filter((id) => kept?.costumes.get(id)?.recordAt !== (at.get(id)?.recordAt ?? 0));
	const [entered, pieces] = await Promise.all([loadEntered(db, changed), loadPieces(db, changed)]);
	const sameTrade = kept?.rows.handbook === rows.handbook && kept.rows.materials === rows.materials;
	const fresh = new Map(entered.map((r) => [r.costume.id, r]));
	return new Map(
		ids.flatMap((id): [number, Loaded][] => {
			const was = kept?.costumes.get(id);
			const now = fresh.get(id);
			if (!now && !was) return [];
			if (!now && sameTrade) return [[id, was!]];
			const its = now ?? was!.entered;
			const of = now ? sameShapes(was?.pieces ?? null, pieces.get(id)!) : was!.pieces;
			const record = followPieces(its, {
				...of,
				materials: rows.materials,
				trade: catalogueOf(rows.handbook)
			});
			const amounts = (r: CostumeRecord) =>
				JSON.stringify([
					r.steps.map((s) => [s.amount, s.guessed]),
					r.coats.map((c) => c.area),
					r.needs.map((n) => n.quantity)
				]);
			const moved = !now && amounts(record) !== amounts(was!.record);
			if (!now && !moved) return [[id, was!]];
			const { recordAt = 0, planAt = 0 } = at.get(id) ?? {};
			return [
				[id, { entered: its, pieces: of, record, recordAt, planAt, turn: (was?.turn ?? 0) + (moved ? 1 : 0) }]
			];
		})
	);
}

/** Promises the stash, each sheet once. */
function promise(costumes: readonly Loaded[], workshop: Workshop, before: Shop | null): InShop[] {
	const were = new Map(before?.atWork.map((h) => [h.record.costume.id, h]));
	const sameSupplies =
		before?.workshop.materials === workshop.materials && before.workshop.handbook === workshop.handbook;
	const needing = costumes.map(({ record }) => {
		const was = were.get(record.costume.id);
		return {
			record,
			needs: was?.record === record && sameSupplies ? was.needs : stillNeeded(record, workshop)
		};
	});
	const promises = promiseStash(needing, workshop.materials);
	return costumes.map(({ record, planAt, turn }, i) => ({
		record,
		stamp: `${planAt} ${turn}`,
		needs: needing[i]!.needs,
		promised: promises.get(record.costume.id)!
	}));
}
