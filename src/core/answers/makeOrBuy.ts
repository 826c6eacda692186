import { catalogueOf, coatProductOf } from '../trade/catalogue.ts';
import { coatSteps } from './coatStack.ts';
import type { Coat } from '../facts/coat.ts';
import { PLAIN_MATERIAL, type Material, type Need } from '../facts/material.ts';
import { spendOf } from './spend.ts';
import type { Span } from '../engines/schedule/calendar.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Component, Kind, RouteKey } from '../facts/component.ts';
import { planAsIf } from './asIf.ts';
import type { CostumePlan, Outlook } from './plan.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import { isRouteCoat, type Route, type StandardRoute } from '../trade/route.ts';
import { PLAIN_STEP, type Step } from '../facts/step.ts';
import type { ThreePoints } from '../units/threePoints.ts';

export const WAYS = ['make', 'buy', 'alter'] as const;
export type Way = (typeof WAYS)[number];

/** What it costs to buy it ready, or the thing to alter; lead in days on the calendar. */
export interface Offer {
	priceMinor: number;
	leadDays: number;
}

/** One way to get a component, planned as if it were chosen. */
export interface WayOutcome {
	way: Way;
	/** Route of the steps that it takes. */
	route: string;
	/** Hands-on minutes still to do, good, usual, bad. */
	handsOn: ThreePoints;
	/** Its open steps with their usual minutes still to do. */
	steps: { name: string; minutes: number }[];
	/** What the whole costume would cost with it this way, and without the component. */
	withMinor: number;
	withoutMinor: number;
	/** When this component is ready; null when it cannot be placed. */
	ready: LocalMinutes | null;
	/** When the costume is. */
	finish: LocalMinutes | null;
	outlook: Outlook;
	/** Against the way in use: usual minutes freed, and how much earlier the costume is finished. */
	freedMinutes: number;
	/** Waits for a parcel. */
	parcel: boolean;
}

/** How a bought thing is altered, by kind; common practice. */
const ALTER_ROUTE: Record<Kind, StandardRoute> = {
	armor: 'foundObject',
	garment: 'alteredGarment',
	wig: 'wig',
	prop: 'foundObject'
};
const MAKE_ROUTE: Record<Kind, StandardRoute> = {
	armor: 'foamPlate',
	garment: 'wovenGarment',
	wig: 'wig',
	prop: 'foamPlate'
};

/** A route that is in the handbook no more: nothing is known of it. */
const NO_ROUTE: Pick<Route, 'area' | 'steps'> = { area: 0, steps: [] };

export const routeFor = (way: Way, component: Pick<Component, 'kind' | 'route'>): RouteKey | null =>
	way === 'buy'
		? null
		: way === 'alter'
			? ALTER_ROUTE[component.kind]
			: component.route && component.route !== 'alteredGarment'
				? component.route
				: MAKE_ROUTE[component.kind];

/** Ids of what exists only as if: below those of the database. */
const AS_IF = -1;
const FITTING: Pick<Step, 'name' | 'technique' | 'phase' | 'amount' | 'perCopy' | 'needsHelper'> = {
	name: 'try on and settle',
	technique: 'fit',
	phase: 'fit',
	amount: 1,
	perCopy: false,
	needsHelper: false
};

/** Whether its open steps already are those of this way: then they are planned as they stand. */
const inUse = (way: Way, component: Component): boolean =>
	way === component.source || (way === 'make' && component.source === 'have');

/**
 * The three ways side by side, each planned as if it were chosen: the same planner, the same hours, the same
 * other components. A bought thing needs an arrival and a fitting; an altered one the steps of altering.
 *
 * @param taken hours that earlier costumes take
 */
export function compareWays(
	component: Component,
	record: CostumeRecord,
	workshop: Workshop,
	offers: { buy: Offer; alter: Offer },
	now: LocalMinutes,
	taken: ReadonlyMap<string, readonly Span[]> = new Map()
): WayOutcome[] {
	const trade = catalogueOf(workshop.handbook);
	const without = spendOf(withoutComponent(record, component), workshop).totalMinor;
	const planned = WAYS.map((way) => {
		const asIf = asIfWay(way, component, record, workshop, way === 'make' ? null : offers[way]);
		const { plan } = planAsIf({ record, workshop }, () => asIf, now, taken);
		return { way, asIf, plan };
	});
	const used = planned.find((p) => inUse(p.way, component)) ?? planned[0]!;
	const base = handsOnOf(component, used.asIf.record, used.plan)[1];
	return planned.map(({ way, asIf, plan }): WayOutcome => {
		const mine = plan.schedule.steps.filter((s) => asIf.stepIds.has(Number(s.id)));
		const handsOn = handsOnOf(component, asIf.record, plan);
		const stuck = plan.schedule.impossible.some((i) => asIf.stepIds.has(Number(i.id)));
		const key = routeFor(way, component);
		return {
			way,
			route: key === null ? 'bought ready' : (trade.route[key]?.name ?? key),
			handsOn,
			steps: openSteps(component, asIf.record, plan).map((s) => ({ name: s.name, minutes: s.left[1] })),
			withMinor: spendOf(asIf.record, asIf.workshop).totalMinor,
			withoutMinor: without,
			ready: stuck || mine.length === 0 ? null : Math.max(...mine.map((s) => s.ready)),
			finish: plan.schedule.impossible.length ? null : plan.schedule.finish,
			outlook: plan.outlook,
			freedMinutes: base - handsOn[1],
			parcel: plan.orders.some((o) => o.usableFrom !== null && o.stepIds.some((id) => asIf.stepIds.has(id)))
		};
	});
}

function withoutComponent(record: CostumeRecord, { id }: Component): CostumeRecord {
	return {
		...record,
		components: record.components.filter((c) => c.id !== id),
		steps: record.steps.filter((s) => s.componentId !== id),
		coats: record.coats.filter((c) => c.componentId !== id),
		needs: record.needs.filter((n) => n.componentId !== id),
		purchases: record.purchases.filter((p) => p.componentId !== id)
	};
}

/** Its steps still to do, with their minutes less what is logged. */
function openSteps(component: Component, record: CostumeRecord, plan: CostumePlan) {
	return record.steps
		.filter((s) => s.componentId === component.id && s.doneAt === null)
		.map((s) => {
			const logged = record.logs.filter((l) => l.stepId === s.id).reduce((m, l) => m + l.minutes, 0);
			return {
				name: s.name,
				left: plan.minutes.get(s.id)!.map((m) => Math.max(0, m - logged)) as unknown as ThreePoints
			};
		});
}

const handsOnOf = (component: Component, record: CostumeRecord, plan: CostumePlan): ThreePoints =>
	openSteps(component, record, plan).reduce<ThreePoints>(
		(sum, { left }) => [sum[0] + left[0], sum[1] + left[1], sum[2] + left[2]],
		[0, 0, 0]
	);

interface AsIf {
	record: CostumeRecord;
	workshop: Workshop;
	stepIds: Set<number>;
}

function asIfWay(
	way: Way,
	component: Component,
	record: CostumeRecord,
	workshop: Workshop,
	offer: Offer | null
): AsIf {
	const mine = record.steps.filter((s) => s.componentId === component.id);
	const asItStands = inUse(way, component) && mine.length > 0;
	const bare = asItStands ? record : withoutSteps(record, component, way);
	const laid = asItStands ? { steps: mine, coats: [] } : stepsOf(way, component, workshop);
	const thing: Material | null = offer && {
		...PLAIN_MATERIAL,
		id: AS_IF,
		name: component.name,
		family: 'other',
		unit: 'piece',
		packSize: 1,
		packPriceMinor: offer.priceMinor,
		currency: record.costume.currency,
		leadDays: offer.leadDays,
		leadWorkingDays: false,
		version: 1
	};
	const first = laid.steps.find((s) => s.doneAt === null);
	const need: Need | null = thing && {
		id: AS_IF,
		componentId: component.id,
		materialId: AS_IF,
		quantity: 1,
		stepId: first?.id ?? null,
		waste: null,
		guessed: false,
		byWork: null,
		taken: 0,
		takenMinor: null,
		version: 1
	};
	return {
		record: {
			...bare,
			steps: asItStands ? bare.steps : [...bare.steps, ...laid.steps],
			coats: [...bare.coats, ...laid.coats],
			needs: need ? [...bare.needs, need] : bare.needs
		},
		workshop: thing ? { ...workshop, materials: [...workshop.materials, thing] } : workshop,
		stepIds: new Set(laid.steps.map((s) => s.id))
	};
}

/** The component stays; its open work and what was meant for it go. Altering keeps nothing of what making needs. */
function withoutSteps(record: CostumeRecord, component: Component, way: Way): CostumeRecord {
	const gone = new Set(record.steps.filter((s) => s.componentId === component.id).map((s) => s.id));
	return {
		...record,
		steps: record.steps
			.filter((s) => !gone.has(s.id))
			.map((s) => ({ ...s, after: s.after.filter((a) => !gone.has(a)) })),
		coats: record.coats.filter((c) => c.componentId !== component.id),
		needs: way === 'make' ? record.needs : record.needs.filter((n) => n.componentId !== component.id)
	};
}

function stepsOf(way: Way, component: Component, workshop: Workshop): { steps: Step[]; coats: Coat[] } {
	const key = routeFor(way, component);
	const spray = workshop.places.find((p) => p.forSpray)?.id ?? null;
	const steps: Step[] = [];
	const coats: Coat[] = [];
	const add = (s: Partial<Step> & Pick<Step, 'name' | 'technique' | 'phase' | 'amount' | 'perCopy'>) =>
		steps.push({
			id: AS_IF - steps.length - 1,
			componentId: component.id,
			position: steps.length,
			...PLAIN_STEP,
			version: 1,
			...s
		});
	if (key === null) add(FITTING);
	else {
		const trade = catalogueOf(workshop.handbook);
		const route = trade.route[key] ?? NO_ROUTE;
		for (const entry of route.steps) {
			if (!isRouteCoat(entry)) {
				const { needsSprayPlace, ...s } = entry;
				add({ ...s, guessed: true, guess: s.amount, placeId: needsSprayPlace ? spray : null });
				continue;
			}
			const product = coatProductOf(trade, entry.product);
			const coat: Coat = {
				id: AS_IF - coats.length - 1,
				componentId: component.id,
				position: coats.length,
				product: entry.product,
				coats: entry.coats,
				area: route.area,
				fromPieces: false,
				guessed: true,
				guess: route.area,
				materialId: null,
				recoatMinutes: product.recoatMinutes,
				handlingMinutes: product.handlingMinutes,
				version: 1
			};
			coats.push(coat);
			for (const { needsSprayPlace, ...s } of coatSteps(coat, trade))
				add({
					...s,
					phase: 'finish',
					perCopy: true,
					guessed: true,
					coatId: coat.id,
					placeId: needsSprayPlace ? spray : null
				});
		}
	}
	return { steps, coats };
}

export type Risk = 'low' | 'some' | 'high';

/** A word for the risk of a way, from its own figures, with what it is about. */
export function riskOf(figures: WayOutcome, deadline: LocalMinutes): { risk: Risk; why: string } {
	if (figures.ready === null) return { risk: 'high', why: 'it cannot be placed in the plan' };
	if (figures.ready > deadline) return { risk: 'high', why: 'not ready in time' };
	if (figures.outlook === 'late' || figures.outlook === 'stuck')
		return { risk: 'high', why: 'the costume as a whole is late with it' };
	const slackDays = (deadline - figures.ready) / 1440;
	const spread = figures.handsOn[2] - figures.handsOn[1];
	if (figures.parcel && slackDays < 7) return { risk: 'some', why: 'a late parcel eats the days left' };
	if (figures.outlook === 'intoBuffer') return { risk: 'some', why: 'reaches into the buffer days' };
	if (spread > 5 * 60) return { risk: 'some', why: 'a slow run adds more than five hours' };
	return figures.parcel
		? { risk: 'low', why: 'the parcel has days to spare' }
		: { risk: 'low', why: 'in your own hands, with time to spare' };
}
