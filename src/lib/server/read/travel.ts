import { missingFor, sharedWith } from '$core/answers/bookings.ts';
import { cutsOf } from '$core/answers/followPieces.ts';
import { luggageOf, type Luggage } from '$core/answers/packed.ts';
import { recordOnly, variantAt, wornAs } from '$core/answers/variant.ts';
import type { Component } from '$core/facts/component.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Worn } from '$core/facts/wear.ts';
import type { EventRule, PackTick, TravelCase } from '$core/facts/travel.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { Executor } from '../db/open.ts';
import { select, selectOfCostumes } from '../db/tables.ts';
import { loadEntered, loadPieces } from './costume.ts';
import { loadKit } from './health.ts';
import { loadShared } from './loans.ts';
import { loadRules } from './rules.ts';
import { loadWeights } from './wear.ts';

/** Rules of all events, the cases that are there, and what of this costume's list is ticked. */
export async function loadTravel(
	db: Executor,
	costumeId: number
): Promise<{ rules: EventRule[]; cases: TravelCase[]; ticks: PackTick[] }> {
	const [rules, cases, ticks] = await Promise.all([
		loadRules(db),
		select<TravelCase>(db, 'travel_case', 'position, id'),
		selectOfCostumes<PackTick>(db, 'pack_tick', [costumeId])
	]);
	return { rules, cases, ticks };
}

type Weighed = Awaited<ReturnType<typeof loadWeights>>;

/** Everything of a costume that travels, worn as the address says, with its box and weight. */
export async function loadLuggage(
	db: Executor,
	record: CostumeRecord,
	workshop: Pick<Workshop, 'materials' | 'handbook'>,
	as: string | null = null
): Promise<Luggage[]> {
	const { wear, weights } = await loadWeights(db, record, workshop);
	const worn = wornAs(variantAt(wear.variants, as), record.components, wear);
	return luggageFrom(db, recordOnly(record, worn.components), workshop.materials, {
		wear: worn.wear,
		weights
	});
}

async function luggageFrom(
	db: Executor,
	record: CostumeRecord,
	materials: Workshop['materials'],
	{ wear, weights }: { wear: Worn; weights: Weighed['weights'] }
): Promise<Luggage[]> {
	const { id } = record.costume;
	const from = { ...(await loadPieces(db, [id])).get(id)!, materials };
	return luggageOf(record.components, wear, weights, (c) => cutsOf(c, record.components, from));
}

/** What pages of a costume that goes somewhere show, of what is worn of it. */
export async function loadGoing(
	db: Executor,
	all: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	{ wear, weights, components }: { wear: Worn; weights: Weighed['weights']; components: Component[] }
) {
	const record = recordOnly(all, components);
	const [travel, luggage, borrowed, { choice }] = await Promise.all([
		loadTravel(db, record.costume.id),
		luggageFrom(db, record, workshop.materials, { wear, weights }),
		loadBorrowed(db, record.costume.id, workshop),
		loadKit(db, all, workshop, now, { wear, components })
	]);
	return {
		...travel,
		luggage: [...luggage, ...borrowed],
		kit: choice.lines
	};
}

/** What is borrowed of other costumes and there for this one: it is packed as it is with its own, its parts with it. */
async function loadBorrowed(
	db: Executor,
	costumeId: number,
	workshop: Pick<Workshop, 'materials' | 'handbook'>
): Promise<Luggage[]> {
	const here = sharedWith(costumeId, await loadShared(db)).borrowed.filter(
		(s) => missingFor(costumeId, s) === null
	);
	if (!here.length) return [];
	const owners = await loadEntered(db, [...new Set(here.map((s) => s.owner.id))]);
	const found = await Promise.all(
		owners.map(async (owner) => {
			const wanted = new Set(here.map((s) => s.component.id));
			const byId = new Map(owner.components.map((c) => [c.id, c]));
			const goes = (c: Component): boolean =>
				wanted.has(c.id) || (c.parentId !== null && byId.has(c.parentId) && goes(byId.get(c.parentId)!));
			const { wear, weights } = await loadWeights(db, owner, workshop);
			const only = recordOnly(owner, owner.components.filter(goes));
			return luggageFrom(db, only, workshop.materials, { wear, weights });
		})
	);
	return found.flat();
}
