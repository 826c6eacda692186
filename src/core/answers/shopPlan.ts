import { joined, type Span } from '../engines/schedule/calendar.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { minutesOf } from './minutes.ts';
import { addTaken, byEvent, planCostume, type MadePlan } from './plan.ts';
import { reservedBy } from './planProblem.ts';
import { samePromise, workshopFor, type Promised } from './stash.ts';

/** A costume at work as the shop plans it. */
export interface ToPlan {
	record: CostumeRecord;
	/** Another one whenever anything of it that the plan is made from has changed: not for a caption. */
	stamp: string;
	/** What of the stash is promised to it. */
	promised: Promised;
}

/** The same with what it still needs of each material. */
export interface InShop extends ToPlan {
	needs: Promised;
}

/** Hours of makers and places that are given away. */
type Taken = ReadonlyMap<string, readonly Span[]>;

interface Made {
	stamp: string;
	promised: Promised;
	parts: readonly unknown[];
	minutes: ReadonlyMap<number, ThreePoints>;
	taken: Taken;
	start: LocalMinutes;
	plan: MadePlan;
}

/**
 * Plans of all costumes of a shop, one after another on the same hours. They are kept: a costume is planned anew only
 * when it has changed itself, when its work takes other minutes, or when an earlier one takes other hours.
 */
export class ShopPlan {
	readonly #made = new Map<number, Made>();

	/** Each costume in order of event, as soon as its plan is known. */
	*plan(
		workshop: Workshop,
		costumes: readonly ToPlan[],
		start: LocalMinutes
	): Generator<{ id: number; plan: MadePlan; anew: boolean }> {
		const ids = new Set(costumes.map((c) => c.record.costume.id));
		for (const id of this.#made.keys()) if (!ids.has(id)) this.#made.delete(id);
		const taken = new Map<string, Span[]>();
		const inTurn = [...costumes].sort((a, b) => byEvent(a.record, b.record));
		let pinned = inTurn.filter((c) => hasPins(c.record));
		for (const c of inTurn) {
			const { id } = c.record.costume;
			if (pinned[0] === c) pinned = pinned.slice(1);
			const given = withReserved(taken, pinned, workshop, start);
			const known = this.#made.get(id);
			const made =
				known && holds(known, c, workshop, given, start) ? known : makeOf(c, workshop, given, start);
			this.#made.set(id, made);
			addTaken(taken, c.record, made.plan);
			yield { id, plan: made.plan, anew: made !== known };
		}
	}
}

/** Hours that are given away, with those that later costumes keep for fittings and fixed times. */
export function withReserved(
	taken: Taken,
	later: readonly Pick<ToPlan, 'record'>[],
	workshop: Workshop,
	start: LocalMinutes
): Taken {
	const kept = later.flatMap(({ record }) =>
		hasPins(record) ? reservedBy(record, workshop, minutesOf(record, workshop), start) : []
	);
	if (kept.length === 0) return taken;
	const all = new Map(taken);
	for (const [key, span] of kept) all.set(key, joined([...(all.get(key) ?? []), span]));
	return all;
}

const hasPins = ({ fittings, steps, logs }: CostumeRecord): boolean =>
	fittings.length > 0 || steps.some((s) => s.pinnedAt !== null) || logs.some((l) => l.endedAt === null);

function makeOf(
	{ record, stamp, promised }: ToPlan,
	workshop: Workshop,
	taken: Taken,
	start: LocalMinutes
): Made {
	// What is given away goes on growing with the costumes that come after.
	const given = new Map(taken);
	const plan = planCostume(record, workshopFor(workshop, record.costume, promised), start, given);
	return {
		stamp,
		promised,
		parts: partsOf(record, workshop),
		minutes: plan.minutes,
		taken: given,
		start,
		plan
	};
}

/** What of the workshop the plan of a costume is made with, besides rates: these are in its minutes. */
function partsOf(
	record: CostumeRecord,
	{ settings, makers, places, handbook, suppliers, materials, holds }: Workshop
): unknown[] {
	const used = new Set([
		...record.needs.map((n) => n.materialId),
		...record.purchases.map((p) => p.materialId)
	]);
	const coats = new Set<string | null>(record.coats.map((c) => c.product));
	const its = materials.filter((m) => used.has(m.id) || (m.coatProduct !== null && coats.has(m.coatProduct)));
	return [settings, makers, places, handbook, suppliers, holds, ...its];
}

function holds(made: Made, c: ToPlan, workshop: Workshop, taken: Taken, start: LocalMinutes): boolean {
	if (made.stamp !== c.stamp || made.start !== start || !samePromise(made.promised, c.promised)) return false;
	const parts = partsOf(c.record, workshop);
	if (parts.length !== made.parts.length || parts.some((p, i) => p !== made.parts[i])) return false;
	return sameMinutes(made.minutes, minutesOf(c.record, workshop)) && sameTaken(made.taken, taken);
}

function sameMinutes(a: ReadonlyMap<number, ThreePoints>, b: ReadonlyMap<number, ThreePoints>): boolean {
	if (a.size !== b.size) return false;
	for (const [id, [low, usual, high]] of a) {
		const other = b.get(id);
		if (!other || other[0] !== low || other[1] !== usual || other[2] !== high) return false;
	}
	return true;
}

function sameTaken(a: Taken, b: Taken): boolean {
	if (a.size !== b.size) return false;
	for (const [key, spans] of a) {
		const others = b.get(key);
		if (others === spans) continue;
		if (!others || others.length !== spans.length) return false;
		for (let i = 0; i < spans.length; i++)
			if (spans[i]![0] !== others[i]![0] || spans[i]![1] !== others[i]![1]) return false;
	}
	return true;
}
