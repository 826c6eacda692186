import { hoursOf } from './planProblem.ts';
import type { CostumePlan } from './plan.ts';
import type { Component } from '../facts/component.ts';
import { stepsBefore } from '../facts/order.ts';
import type { CostumeRecord, WorkLog } from '../facts/costume.ts';
import type { Maker, Place, Settings, Workshop } from '../facts/workshop.ts';
import { waitOf } from './wait.ts';
import { hasWork, type Step } from '../facts/step.ts';
import { openSpans } from '../engines/schedule/calendar.ts';
import { DAY, type LocalMinutes } from '../units/localTime.ts';

export interface ReadyStep {
	step: Step;
	component: Component;
	/** Usual minutes left of it. */
	minutes: number;
	/** Minutes it may still be put off; null when it is in no plan. */
	slackMinutes: number | null;
	/** It can be done before the next coat is dry. */
	fitsInWait: boolean;
	/** Its place is closed now, and opens then; null when it may be done at once. */
	opensAt: LocalMinutes | null;
	/** Its place needs dry weather. */
	dryOnly: boolean;
	/** Who does it by the plan. */
	makers: number[];
}

export interface Drying {
	step: Step;
	component: Component;
	until: LocalMinutes;
	/** What may go on when it is dry. */
	next: Step | null;
}

export interface Held {
	step: Step;
	component: Component;
	/** Material that has not come. */
	material: string;
	usableFrom: LocalMinutes;
	/** Whether it is on the list or on its way at all. */
	bought: boolean;
}

export interface Today {
	/** Timers that run, the first started first: one a maker. */
	running: WorkLog[];
	/** As the plan takes them, so that the first is its next step; not what somebody is at. */
	ready: ReadyStep[];
	drying: Drying[];
	held: Held[];
}

/** What is not dry yet, and what may go on then; what is dry first stands first. */
export function dryingNow(record: CostumeRecord, workshop: Workshop, now: LocalMinutes): Drying[] {
	const components = new Map(record.components.map((c) => [c.id, c]));
	const before = stepsBefore(record.components, record.steps);
	return record.steps
		.flatMap((step): Drying[] => {
			const until = step.doneAt === null ? now : step.doneAt + waitOf(step, workshop);
			if (until <= now) return [];
			return [
				{
					step,
					component: components.get(step.componentId)!,
					until,
					next: record.steps.find((s) => s.doneAt === null && before.get(s.id)!.includes(step.id)) ?? null
				}
			];
		})
		.sort((a, b) => a.until - b.until);
}

/** What can be done now: before, waits and material all ready; and what is drying meanwhile. */
export function todayOf(
	record: CostumeRecord,
	workshop: Workshop,
	plan: CostumePlan,
	now: LocalMinutes
): Today {
	const byId = new Map(record.steps.map((s) => [s.id, s]));
	const components = new Map(record.components.map((c) => [c.id, c]));
	const before = stepsBefore(record.components, record.steps);
	const starts = new Map(plan.schedule.steps.map((s) => [Number(s.id), s.start]));
	const startOf = ({ step }: ReadyStep) => starts.get(step.id) ?? Number.MAX_SAFE_INTEGER;
	const slack = new Map(plan.schedule.steps.map((s) => [Number(s.id), s.slackMinutes]));
	const planned = new Map(
		plan.schedule.steps.map((s) => [Number(s.id), s.makers.map((m) => Number(m.slice(6)))])
	);
	const dryAt = (s: Step) => s.doneAt! + waitOf(s, workshop);

	const drying = dryingNow(record, workshop, now);

	const heldBy = new Map<number, Pick<Held, 'material' | 'usableFrom' | 'bought'>>();
	for (const order of plan.orders)
		for (const id of order.stepIds)
			if (order.usableFrom !== null && order.usableFrom > (heldBy.get(id)?.usableFrom ?? now))
				heldBy.set(id, {
					material: order.material.name,
					usableFrom: order.usableFrom,
					bought: order.purchase !== null
				});

	const running = record.logs.filter((l) => l.endedAt === null).sort((a, b) => a.id - b.id);
	const begun = new Set(running.map((l) => l.stepId));
	const passed = (id: number): boolean => {
		const b = byId.get(id)!;
		if (b.doneAt !== null) return dryAt(b) <= now;
		return !hasWork(b) && before.get(id)!.every(passed);
	};
	const open = record.steps.filter((s) => hasWork(s) && !begun.has(s.id) && before.get(s.id)!.every(passed));
	const places = new Map(workshop.places.map((p) => [p.id, p]));
	const dryNext = drying[0]?.until ?? null;
	const ready = open
		.filter((s) => !heldBy.has(s.id))
		.map((step): ReadyStep => {
			const place = step.placeId === null ? undefined : places.get(step.placeId);
			const minutes = plan.left.get(step.id) ?? 0;
			return {
				step,
				component: components.get(step.componentId)!,
				minutes,
				slackMinutes: slack.get(step.id) ?? null,
				fitsInWait: dryNext !== null && minutes <= dryNext - now,
				opensAt: place ? opensAt(place, workshop.settings, now) : null,
				dryOnly: place?.dryOnly ?? false,
				makers: planned.get(step.id) ?? []
			};
		})
		.sort(
			(a, b) =>
				startOf(a) - startOf(b) ||
				(a.slackMinutes ?? Infinity) - (b.slackMinutes ?? Infinity) ||
				a.step.id - b.step.id
		);
	return {
		running,
		ready,
		drying,
		held: open.flatMap((step): Held[] => {
			const h = heldBy.get(step.id);
			return h ? [{ step, component: components.get(step.componentId)!, ...h }] : [];
		})
	};
}

/** The list of one maker: what they can do; what the plan gives to somebody else comes last. */
export function benchOf(today: Today, maker: Maker): Today {
	const can = (r: { step: Step }) => !maker.techniques || maker.techniques.includes(r.step.technique);
	const others = (r: ReadyStep) => Number(r.makers.length > 0 && !r.makers.includes(maker.id));
	return {
		...today,
		ready: today.ready
			.filter((r) => can(r) && (!maker.helpsOnly || r.step.needsHelper))
			.sort((a, b) => others(a) - others(b))
	};
}

/** Minutes until the maker's window closes; null outside of one. */
export function windowLeft(maker: Maker, now: LocalMinutes): number | null {
	const [open] = openSpans(maker, now, now + DAY);
	return open && open[0] <= now ? open[1] - now : null;
}

function opensAt(place: Place, settings: Settings, now: LocalMinutes): LocalMinutes | null {
	const next = openSpans(hoursOf(place, settings), now, now + 14 * DAY)[0];
	return next && next[0] <= now ? null : (next?.[0] ?? now + 14 * DAY);
}
