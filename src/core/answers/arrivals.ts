import type { Family, Material, Purchase } from '../facts/material.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';
import type { ShoppingLine } from './shopping.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { ARRIVAL_CLOCK, arrivalDay, orderByDay, usableFrom } from './leadTime.ts';
import { inOrder } from '../facts/order.ts';

/** What a material's arrival holds up, and when it must be ordered. */
export interface OrderBy {
	material: Material;
	purchase: Purchase | null;
	/** Steps that use it. */
	stepIds: number[];
	/** When it is there, as things stand; null when it is here. */
	usableFrom: LocalMinutes | null;
	/** The latest start of the first step that uses it. */
	neededAt: LocalMinutes | null;
	/** The last day to order; null when ordered or here, or when no step uses it. */
	orderByDay: number | null;
	/** It comes after the latest moment that still serves. */
	tooLate: boolean;
}

export interface Arrival {
	line: ShoppingLine;
	purchase: Purchase | null;
	stepIds: number[];
	usableFrom: LocalMinutes | null;
}

/** When the last of a material is there. What is short and on no list is taken to be ordered today. */
export function arrivalOf(line: ShoppingLine, record: CostumeRecord, now: LocalMinutes): Arrival {
	const { family } = line.material;
	const stepIds = line.usages.flatMap((u) =>
		u.stepIds.length ? u.stepIds : firstUse(record, u.componentId, family)
	);
	const bought = record.purchases.filter((p) => p.materialId === line.material.id);
	for (const p of bought)
		if (p.componentId !== null && !line.usages.some((u) => u.componentId === p.componentId))
			stepIds.push(...firstUse(record, p.componentId, family));
	const covered = bought.filter((p) => p.state === 'arrived' || p.state === 'used');
	const here =
		line.taken + line.stash + covered.reduce((sum, p) => sum + p.packs * line.material.packSize, 0);
	const base = { line, stepIds: [...new Set(stepIds)] };
	if (line.needed > 0 && here >= line.needed - 1e-9) return { ...base, purchase: null, usableFrom: null };
	const coming = bought
		.map((purchase) => ({ purchase, at: usableFrom(purchase, now) }))
		.filter((c): c is { purchase: Purchase; at: number } => c.at !== null)
		.sort((a, b) => b.at - a.at);
	if (line.short > 0) {
		const at = arrivalDay(dayOf(now), line.material) * DAY + ARRIVAL_CLOCK;
		if (!coming[0] || at >= coming[0].at) return { ...base, purchase: null, usableFrom: at };
	}
	return { ...base, purchase: coming[0]?.purchase ?? null, usableFrom: coming[0]?.at ?? null };
}

/**
 * The step that first takes material: the first undone one that is not pattern work; for closures the
 * first of rigging.
 */
function firstUse(record: CostumeRecord, componentId: number, family: Family): number[] {
	const open = inOrder(record.steps, componentId).filter((s) => s.doneAt === null);
	const rig = family === 'closure' ? open.find((s) => s.phase === 'rig') : undefined;
	const first = rig ?? open.find((s) => s.phase !== 'pattern') ?? open[0];
	return first ? [first.id] : [];
}

export function orderByOf(arrival: Arrival, latest: ReadonlyMap<number, LocalMinutes>): OrderBy {
	const { material } = arrival.line;
	const starts = arrival.stepIds.flatMap((id) => latest.get(id) ?? []);
	const neededAt = starts.length ? Math.min(...starts) : null;
	const open = arrival.usableFrom !== null && arrival.purchase?.state !== 'ordered';
	return {
		material,
		purchase: arrival.purchase,
		stepIds: arrival.stepIds,
		usableFrom: arrival.usableFrom,
		neededAt,
		orderByDay: open && neededAt !== null ? orderByDay(neededAt, arrival.purchase ?? material) : null,
		tooLate: neededAt !== null && arrival.usableFrom !== null && arrival.usableFrom > neededAt
	};
}
