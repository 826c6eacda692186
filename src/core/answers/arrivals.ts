import { unitsOf, type Family, type Material, type Purchase } from '../facts/material.ts';
import { GRACE } from '../units/packs.ts';
import type { Component } from '../facts/component.ts';
import type { Step } from '../facts/step.ts';
import type { StandardTechnique } from '../trade/technique.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';
import { hereOf, type ShoppingLine } from './shopping.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { ARRIVAL_CLOCK, arrivalDay, leadDaysOf, orderByDay, usableFrom } from './leadTime.ts';
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
	/** Where simulated builds say the day: what they say of it. */
	odds?: OrderOdds;
}

/** How the odds of a costume hang on the day on which one material is ordered. */
export interface OrderOdds {
	materialId: number;
	/** Share of builds ready by the deadline if it is ordered on that day and all else as planned; from today on, day by day. */
	shares: number[];
	/** The first of them: today. */
	from: number;
	/** The share that is wanted. */
	target: number;
	/** The last day that keeps it; where today is under it already, the last that costs hardly a build. Today at the soonest. */
	latest: number;
	/** The first day on which not one build in a hundred is ready; null where that never comes, or is today. */
	hopeless: number | null;
}

export interface Arrival {
	line: ShoppingLine;
	purchase: Purchase | null;
	stepIds: number[];
	usableFrom: LocalMinutes | null;
}

/**
 * When enough of a material is there: parcels that come after enough has come are waited for by nobody. What is short and on no list
 * is taken to be ordered today.
 */
export function arrivalOf(line: ShoppingLine, record: CostumeRecord, now: LocalMinutes): Arrival {
	const { material } = line;
	const stepIds = line.usages.flatMap((u) =>
		u.stepIds.length ? u.stepIds : firstUse(record, u.componentId, material)
	);
	const bought = record.purchases.filter((p) => p.materialId === line.material.id);
	for (const p of bought)
		if (p.componentId !== null && !line.usages.some((u) => u.componentId === p.componentId))
			stepIds.push(...firstUse(record, p.componentId, material));
	const here = line.taken + line.stash + hereOf(bought, line.material);
	const base = { line, stepIds: [...new Set(stepIds)] };
	if (line.needed > 0 && here >= line.needed - GRACE) return { ...base, purchase: null, usableFrom: null };
	const coming = bought
		.map((purchase) => ({ purchase, at: usableFrom(purchase, now) }))
		.filter((c): c is { purchase: Purchase; at: number } => c.at !== null)
		.sort((a, b) => a.at - b.at);
	// What nobody needs is waited for whole.
	let missing = line.needed > 0 ? line.needed - here : Infinity;
	const enough = coming.findIndex(({ purchase }) => (missing -= unitsOf(purchase, material)) <= GRACE);
	const last = coming.at(enough);
	if (line.short > 0) {
		const at = arrivalDay(dayOf(now), line.material) * DAY + ARRIVAL_CLOCK;
		if (!last || at >= last.at) return { ...base, purchase: null, usableFrom: at };
	}
	return { ...base, purchase: last?.purchase ?? null, usableFrom: last?.at ?? null };
}

/** Work with paper, tape and stand-ins: nothing that is bought for the costume is in hand yet. */
const WITHOUT: readonly StandardTechnique[] = ['draft', 'mockUp', 'master'];

/** Work that first takes a family in hand. Common practice. */
const HANDLED_BY: Partial<Record<Family, readonly StandardTechnique[]>> = {
	closure: ['closure', 'hookAndLoop', 'snap', 'buckle'],
	glue: ['cement', 'stack', 'stretchOn', 'attach'],
	paint: ['spray', 'brush', 'dryBrush', 'detailPaint'],
	light: ['test', 'wire', 'attach']
};

const isOneOf = (list: readonly string[], step: Step): boolean => list.includes(step.technique);

/**
 * Whether a step has the thing itself in hand. What is bought or altered, and any wig, is tried on first; what is made here has
 * only its pattern and its mock-up then, unless lines are marked on the material.
 */
function handles(step: Step, component: Component | undefined): boolean {
	if (isOneOf(WITHOUT, step)) return false;
	const madeHere = component?.source === 'make' && component.kind !== 'wig';
	return step.phase !== 'pattern' || !madeHere || step.technique === 'markLine';
}

const openSteps = (record: CostumeRecord, componentId: number): Step[] =>
	inOrder(record.steps, componentId).filter((s) => s.doneAt === null);
const handledBy = ({ family, unit }: Pick<Material, 'family' | 'unit'>): readonly StandardTechnique[] =>
	family === 'hair' && unit !== 'piece' ? ['weft'] : (HANDLED_BY[family] ?? []);

/** The undone steps that have it in hand, as far as its family tells; else the first that may. */
export function usesOf(record: CostumeRecord, componentId: number, material: Material): number[] {
	const its = openSteps(record, componentId).filter((s) => isOneOf(handledBy(material), s));
	return its.length ? its.map((s) => s.id) : firstUse(record, componentId, material);
}

/** The undone step that first touches it: by what is done with its family, else the first with anything in hand. */
function firstUse(record: CostumeRecord, componentId: number, material: Material): number[] {
	const { family } = material;
	const open = openSteps(record, componentId);
	const component = record.components.find((c) => c.id === componentId);
	const by = handledBy(material);
	const first =
		open.find((s) => isOneOf(by, s)) ??
		(family === 'closure' ? open.find((s) => s.phase === 'rig') : undefined) ??
		open.find((s) => handles(s, component)) ??
		open[0];
	return first ? [first.id] : [];
}

/** What a plan says of when things are needed. */
export interface NeededBy {
	/** By step: its start, and by how much it may be put off with the deadline kept; less than nothing is late. */
	starts: ReadonlyMap<number, { start: LocalMinutes; slack: number | null }>;
	/** When steps would start if everything were here; null while nothing is late. */
	free: ReadonlyMap<number, LocalMinutes> | null;
	/** By when what no step uses must be here. */
	deadline: LocalMinutes;
}

/**
 * A thing is too late when it alone keeps a late step from starting sooner. Where other work is what makes it late, the step's own
 * start is soon enough, and ordering is no more hopeless than before.
 */
export function orderByOf(arrival: Arrival, { starts, free, deadline }: NeededBy): OrderBy {
	const { line, purchase, stepIds, usableFrom } = arrival;
	const { material } = line;
	const its = stepIds.flatMap((id) => {
		const planned = starts.get(id);
		return planned ? [{ id, ...planned }] : [];
	});
	const comesLater = purchase !== null || leadDaysOf(material) > 0;
	const holdsUp =
		usableFrom !== null &&
		comesLater &&
		its.some((s) => (s.slack ?? 0) < 0 && (free?.get(s.id) ?? Infinity) < usableFrom);
	const serves = its.flatMap((s) =>
		s.slack === null ? [] : [s.start + (holdsUp ? s.slack : Math.max(0, s.slack))]
	);
	const unused = stepIds.length === 0 && usableFrom !== null;
	const neededAt = serves.length ? Math.min(...serves) : unused ? deadline : null;
	const open = usableFrom !== null && purchase?.state !== 'ordered';
	return {
		material,
		purchase,
		stepIds,
		usableFrom,
		neededAt,
		orderByDay: open && neededAt !== null ? orderByDay(neededAt, purchase ?? material) : null,
		tooLate: neededAt !== null && usableFrom !== null && comesLater && usableFrom > neededAt
	};
}
