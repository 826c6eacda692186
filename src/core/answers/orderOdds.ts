import { ordering, type Ordering } from '../engines/schedule/ordering.ts';
import type { OddsTask } from '../engines/schedule/odds.ts';
import type { Parcel } from '../engines/schedule/problem.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';
import type { OrderBy, OrderOdds } from './arrivals.ts';
import { ARRIVAL_CLOCK, arrivalDay } from './leadTime.ts';
import type { CostumePlan, MadePlan } from './plan.ts';
import { parcelKey } from './planProblem.ts';

/** Builds for it: it compares days with the same luck, so that fewer do. */
const ORDER_RUNS = 300;
/** A share is known to about this. */
const SURE_TO = 0.01;

/** Parcels that are not ordered yet and that steps wait for, with the moments at which they come when ordered on each day until the deadline. */
function waitingFor({ problem, orders, deadline }: MadePlan, today: number) {
	const byId = new Map((problem.parcels ?? []).map((p) => [p.id, p]));
	return orders.flatMap((o): { order: OrderBy; parcel: Parcel; at: LocalMinutes[] }[] => {
		const parcel = byId.get(parcelKey(o.material.id));
		if (!parcel || o.orderByDay === null || o.stepIds.length === 0) return [];
		const lead = o.purchase ?? o.material;
		const days = Math.max(0, dayOf(deadline) - today);
		const at = Array.from({ length: days + 1 }, (_, k) =>
			k === 0 ? parcel.at : Math.max(parcel.at, arrivalDay(today + k, lead) * DAY + ARRIVAL_CLOCK)
		);
		return [{ order: o, parcel, at }];
	});
}

/**
 * For each material that is to be ordered: until when ordering it keeps the odds.
 * @param share of builds that are ready as it stands; the days are held against it
 * @param target the share that is wanted, 0 to 1
 */
export function* orderOddsOf(
	plan: MadePlan,
	luck: Pick<OddsTask, 'seed' | 'shared' | 'slip'>,
	share: number,
	target: number
): Generator<number, OrderOdds[], boolean | undefined> {
	const { problem, schedule, deadline } = plan;
	const today = dayOf(problem.start);
	const open = waitingFor(plan, today);
	if (open.length === 0 || share <= 0) return [];
	const found = yield* ordering({
		...luck,
		problem,
		order: schedule.order,
		runs: ORDER_RUNS,
		deadline,
		parcels: open.map((o) => ({ id: o.parcel.id, at: o.at }))
	});
	return open.map(({ order }, k) => latestOf(order.material.id, found[k]!, today, share, target));
}

/** The days told from the shares. */
export function latestOf(
	materialId: number,
	{ shares: of300 }: Ordering,
	from: number,
	share: number,
	target: number
): OrderOdds {
	// Many more builds tell what it is today: the fewer tell how much of that each day keeps.
	const shares = of300.map((s) => (of300[0]! > 0 ? (share * s) / of300[0]! : 0));
	const wanted = share >= target ? target : share - SURE_TO;
	const under = shares.findIndex((s) => s < wanted);
	const hopeless = shares.findIndex((s) => s < SURE_TO);
	return {
		materialId,
		shares,
		from,
		target,
		latest: from + Math.max(0, (under < 0 ? shares.length : under) - 1),
		hopeless: hopeless <= 0 ? null : from + hopeless
	};
}

/** A plan whose orders have their days by the odds; as it has them itself while no odds are known. */
export function planByOdds<P extends Pick<CostumePlan, 'orders'>>(
	plan: P,
	forecast: { orders: readonly OrderOdds[] } | null | undefined
): P {
	if (!forecast) return plan;
	const byMaterial = new Map(forecast.orders.map((o) => [o.materialId, o]));
	const orders = plan.orders.map((o): OrderBy => {
		const odds = byMaterial.get(o.material.id);
		return odds && o.orderByDay !== null ? { ...o, orderByDay: odds.latest, odds } : o;
	});
	return { ...plan, orders };
}
