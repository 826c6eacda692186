import type { MadeFor } from '../measure/body/resize.ts';
import { copiesOf, type Component } from '../costume/component.ts';
import type { WayFigures } from '../costume/ways.ts';
import type { Odds } from '../schedule/odds.ts';
import type { CostumePlan, OrderBy } from '../costume/costumePlan.ts';
import type { Costume, CostumeRecord, Workshop } from '../costume/record.ts';
import { loggedByStep, minutesLeft, type Step } from '../costume/step.ts';
import { BASE_PER_UNIT, rateOf, TECHNIQUES } from '../costume/technique.ts';
import { COAT_PRODUCTS } from '../finish/coatProduct.ts';
import type { Coat, PackNeed } from '../finish/coatStack.ts';
import type { Material, Need, Purchase } from '../needs/material.ts';
import { areaOfUnit } from '../pattern/followPieces.ts';
import type { ShoppingLine } from '../needs/shopping.ts';
import type { Spend } from '../needs/spend.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { definitionOf, measureWords, type MeasureSide } from '../measure/body/bodyMeasure.ts';
import type { Opening } from '../measure/body/costumeGoesOn.ts';
import type { Girth, GoesOn } from '../measure/body/goesOn.ts';
import type { Reading } from '../measure/plane/combine.ts';
import { project } from '../measure/plane/homography.ts';
import { valueOn, type Measured, type Plane } from '../measure/plane/pictureMeasure.ts';
import type { StoredMeasure } from '../costume/picture.ts';
import type { LengthUnit } from '../units/measure.ts';
import { day, length, minutes, money, number, type As, type Figure } from './figure.ts';

/** The figures that pages show, each with what it was worked out from. */

export function stepFigure(
	step: Step,
	component: Component,
	record: CostumeRecord,
	workshop: Workshop
): Figure {
	const technique = TECHNIQUES[step.technique];
	const unit = { length: 'm', area: 'm²', count: '' }[technique.driver];
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const learned = workshop.learned.find((l) => l.technique === step.technique);
	const own = workshop.ownRates[step.technique];
	return {
		title: `Hands-on time: ${step.name}`,
		formula: 'stepMinutes',
		as: { kind: 'minutes' },
		inputs: [
			minutes('set-up', step.setUpMinutes),
			number(
				`amount (${technique.of})`,
				step.amount / BASE_PER_UNIT[technique.driver],
				step.fromPieces ? 'its pieces' : 'entered',
				unit
			),
			number(
				'copies',
				step.perCopy ? copiesOf(component, byId) : 1,
				step.perCopy ? 'pair and count, times those it is part of' : 'done once for all copies'
			),
			number(
				`usual minutes ${unit ? `a ${unit}` : 'each'}`,
				rateOf(step.technique, workshop.rates)[1],
				learned
					? `learned from ${learned.logs} ${learned.logs === 1 ? 'log' : 'logs'}, see Makers`
					: own
						? 'your own rate'
						: 'starting value, edit under Makers'
			)
		]
	};
}

/** How much of a material the component's pieces take, with what is left over between them. */
export function needFigure(
	need: Need,
	material: Material,
	component: Component,
	record: CostumeRecord
): Figure {
	const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
	const unit = areaOfUnit(material) ?? 1;
	const waste = need.waste ?? 1;
	return {
		title: `${material.name}: how much`,
		formula: 'seedSheets',
		as: { kind: 'number', unit: material.unit },
		inputs: [
			number('pieces of one, as cut', (need.quantity * unit) / waste / copies / 1e6, 'its pieces', 'm²'),
			number('copies', copies, 'pair and count'),
			number('for waste', waste, 'until they are laid out'),
			number(`one ${material.unit}`, unit / 1e6, 'its size, in Stash', 'm²')
		]
	};
}

export function hoursLeftFigure(record: CostumeRecord, plan: CostumePlan): Figure {
	const names = new Map(record.components.map((c) => [c.id, `${c.code} ${c.name}`]));
	const logged = loggedByStep(record.logs);
	const sums = new Map<number, number>();
	for (const step of record.steps) {
		if (step.doneAt !== null) continue;
		// As the plan counts it: also what it cannot place, and set-up that it may save.
		const left = minutesLeft(plan.minutes.get(step.id)!, logged.get(step.id) ?? 0)[1];
		if (left) sums.set(step.componentId, (sums.get(step.componentId) ?? 0) + left);
	}
	return {
		title: 'Hands-on work left',
		formula: 'sum',
		as: { kind: 'minutes' },
		inputs: [...sums].map(([id, value]) =>
			minutes(names.get(id) ?? '', value, 'usual minutes of its open steps')
		)
	};
}

export function spareFigure(plan: CostumePlan, workshop: Workshop): Figure {
	const maker = workshop.makers[0]?.name ?? '';
	return {
		title: plan.spareMinutes < 0 ? 'Hours short' : 'Hours spare',
		formula: 'difference',
		as: { kind: 'minutes' },
		inputs: [
			minutes(`free window hours of ${maker}`, plan.freeMinutes, 'from the finish to the day to be ready by'),
			minutes(
				plan.spareMinutes < 0 ? 'work planned after that day' : 'given to other costumes',
				plan.takenMinutes,
				'the plan'
			)
		]
	};
}

/** Minutes of a component's open steps, as planned. */
export function componentHoursFigure(component: Component, record: CostumeRecord, plan: CostumePlan): Figure {
	const planned = new Map(plan.plan.steps.map((s) => [Number(s.id), s]));
	return {
		title: `Hands-on left: ${component.code} ${component.name}`,
		formula: 'sum',
		as: { kind: 'minutes' },
		inputs: record.steps
			.filter((s) => s.componentId === component.id && planned.has(s.id))
			.map((s) =>
				minutes(
					s.name,
					planned.get(s.id)!.blocks.reduce((sum, [from, to]) => sum + to - from, 0),
					'usual minutes, less what is logged'
				)
			)
	};
}

export function componentMoneyFigure(
	component: Component,
	costume: Costume,
	spend: Spend,
	workshop: Workshop
): Figure {
	const names = new Map(workshop.materials.map((m) => [m.id, m.name]));
	return {
		title: `Money in ${component.code} ${component.name}`,
		formula: 'sum',
		as: { kind: 'money', currency: costume.currency },
		inputs: spend.shares
			.filter((s) => s.componentId === component.id)
			.map((s) =>
				money(
					names.get(s.materialId) ?? '',
					s.minor,
					costume.currency,
					'its share of the purchase, by quantity'
				)
			)
	};
}

export function limitFigure(costume: Costume, spend: Spend): Figure {
	return {
		title: 'Left of the limit',
		formula: 'difference',
		as: { kind: 'money', currency: costume.currency },
		inputs: [
			money('limit', costume.limitMinor ?? 0, costume.currency),
			money('will cost', spend.totalMinor, costume.currency, 'paid, ordered, planned and still short')
		]
	};
}

export function coatTotalFigure(need: PackNeed): Figure {
	const product = COAT_PRODUCTS[need.product];
	return {
		title: `Packs: ${product.name}, whole costume`,
		formula: 'packs',
		as: { kind: 'number', unit: 'packs' },
		inputs: [
			number('area × coats × copies', need.coatedMm2 / 1e6, 'all stacks added up', 'm²'),
			number('in the stash', 0, 'counted under Buy'),
			number('bought', 0, 'counted under Buy'),
			number(
				'one pack covers',
				product.coversMm2 / 1e6,
				'starting value, from memory; the label decides',
				'm²'
			)
		]
	};
}

export function spendFigure(costume: Costume, spend: Spend): Figure {
	const line = (name: string, value: number, source: string) => money(name, value, costume.currency, source);
	return {
		title: 'What it will cost',
		formula: 'sum',
		as: { kind: 'money', currency: costume.currency },
		inputs: [
			line('paid', spend.paidMinor, 'arrived and used'),
			line('ordered', spend.orderedMinor, 'on its way'),
			line('planned', spend.plannedMinor, 'on the list'),
			line('still short', spend.notListedMinor, 'needed and on no list, at pack prices'),
			...(costume.stashAtCost ? [line('from the stash', spend.stashMinor, 'at what it cost')] : [])
		]
	};
}

export function packsFigure(line: ShoppingLine): Figure {
	const { unit } = line.material;
	return {
		title: `Packs to buy: ${line.material.name}`,
		formula: 'packs',
		as: { kind: 'number', unit: 'packs' },
		inputs: [
			number(
				'needed',
				line.needed - line.taken,
				line.taken > 0 ? 'components and coats, less what was cut from the stash' : 'components and coats',
				unit
			),
			number('in the stash', line.stash, 'stash', unit),
			number('bought', line.bought, 'purchases', unit),
			number('pack', line.material.packSize, 'material', unit)
		]
	};
}

export function costFigure(purchase: Purchase, name: string, currency: string): Figure {
	return {
		title: `Cost: ${name}`,
		formula: 'cost',
		as: { kind: 'money', currency },
		inputs: [
			number('packs', purchase.packs),
			money('price of a pack', purchase.packPriceMinor, currency),
			money('shipping', purchase.shippingMinor, currency)
		]
	};
}

export function orderByFigure(order: OrderBy): Figure {
	const lead = order.purchase ?? order.material;
	return {
		title: `Order by: ${order.material.name}`,
		formula: lead.leadWorkingDays ? 'orderByWorking' : 'orderBy',
		as: { kind: 'time' },
		inputs: [
			{
				name: 'needed at',
				value: order.neededAt ?? 0,
				as: { kind: 'time' },
				source: 'latest start of the first step that uses it, planned back from the deadline'
			},
			number('lead days', lead.leadDays, order.purchase ? 'purchase' : 'material')
		]
	};
}

export function coatFigure(coat: Coat, component: Component, record: CostumeRecord): Figure {
	const product = COAT_PRODUCTS[coat.product];
	const byId = new Map(record.components.map((c) => [c.id, c]));
	return {
		title: `Packs: ${product.name}`,
		formula: 'coatPacks',
		as: { kind: 'number', unit: `× ${product.pack}` },
		inputs: [
			number('outside area', coat.area / 1e6, 'entered', 'm²'),
			number('coats', coat.coats),
			number('copies', copiesOf(component, byId), 'pair and count, times those it is part of'),
			number('covers', product.coversMm2 / 1e6, 'starting value, from memory; the label decides', 'm²')
		]
	};
}

export function daysLeftFigure(costume: Costume, now: LocalMinutes): Figure {
	return {
		title: 'Days left',
		formula: 'daysLeft',
		as: { kind: 'number', unit: 'days' },
		inputs: [day('event', dayOf(costume.eventAt)), day('today', dayOf(now), 'this machine’s clock')]
	};
}

export function finishFigure(record: CostumeRecord, plan: CostumePlan): Figure | null {
	const last = plan.chain[plan.chain.length - 1];
	if (!last) return null;
	const step = record.steps.find((s) => String(s.id) === last.id);
	return {
		title: 'Ready when',
		formula: 'finish',
		as: { kind: 'time' },
		inputs: [
			{
				name: `hands-on end of “${step?.name ?? ''}”`,
				value: last.end,
				as: { kind: 'time' },
				source: 'the plan, longest remaining path first, usual minutes'
			},
			{ name: 'its waiting', value: last.ready - last.end, as: { kind: 'wait' }, source: 'the step' }
		]
	};
}

/** How many of 100 builds are ready by then. */
export function oddsFigure(odds: Odds, at: LocalMinutes): Figure {
	const share = odds.by.find((b) => b.at === at)?.share ?? 0;
	return {
		title: 'Odds of being ready',
		formula: 'oddsOf100',
		as: { kind: 'number', unit: 'of 100' },
		inputs: [
			number(
				'builds that were ready',
				Math.round(share * odds.runs),
				'simulated: minutes by chance between good and bad (PERT), a quarter of the luck shared by all steps, parcels late, work done again'
			),
			number('builds', odds.runs, 'this page')
		]
	};
}

/** By how much the plan on usual minutes is sooner than the middle of the builds. */
export function hopeFigure(odds: Odds, finish: LocalMinutes): Figure | null {
	if (odds.p50 === null) return null;
	return {
		title: 'How hopeful the plan is',
		formula: 'difference',
		as: { kind: 'wait' },
		inputs: [
			{
				name: 'half of the builds are ready',
				value: odds.p50,
				as: { kind: 'time' },
				source: 'simulated builds'
			},
			{ name: 'the plan on usual minutes', value: finish, as: { kind: 'time' }, source: 'the plan' }
		]
	};
}

/** A girth of the body with what is worn on it. */
export function girthFigure(girth: Girth, unit: LengthUnit, side: MeasureSide): Figure {
	return {
		title: `${measureWords(girth.key, definitionOf(girth.key).sided ? side : 'none')}, with what is worn beneath`,
		formula: 'girthOver',
		as: { kind: 'length', unit },
		inputs: [
			length('girth of the body', girth.body, unit, 'measured'),
			length('thickness of the layers beneath', girth.beneath, unit, 'their components')
		]
	};
}

export function reachFigure(opening: Opening, unit: LengthUnit): Figure {
	return {
		title: 'How far it reaches round',
		formula: 'reach',
		as: { kind: 'length', unit },
		inputs: [
			length('closed girth', opening.closedMm, unit),
			number('stretch', opening.stretchPercent, 'entered', '%'),
			length('opening', opening.openingMm, unit)
		]
	};
}

/** What is missing round the tightest place on the way. */
export function missingFigure(result: GoesOn, unit: LengthUnit): Figure {
	return {
		title: 'Missing round the tightest place',
		formula: 'difference',
		as: { kind: 'length', unit },
		inputs: [
			length('girth of the tightest place, with what is worn', result.tightest!.mm, unit, 'measured'),
			length('how far it reaches round', result.reach, unit, 'closed, stretch and opening')
		]
	};
}

export function closureFigure(range: readonly [number, number], unit: LengthUnit): Figure {
	return {
		title: 'What the closure must cover',
		formula: 'closureRange',
		as: { kind: 'length', unit },
		inputs: [
			length('closed on the smallest seat', range[0], unit, 'girth, layers and least ease'),
			length('closed on the largest seat', range[1], unit, 'girth, layers and least ease')
		]
	};
}

export function resizeFigure(
	name: string,
	body: number,
	ease: number,
	nominal: number,
	madeFor: MadeFor,
	unit: LengthUnit
): Figure {
	return {
		title: `Print size by ${name}`,
		formula: madeFor === 'body' ? 'resizeBodyPercent' : 'resizePercent',
		as: { kind: 'number', unit: '%' },
		inputs: [
			length('body', body, unit, 'measured'),
			length('ease', ease, unit),
			length('the pattern was made for', nominal, unit)
		]
	};
}

const PLANE_FORMULA = {
	length: 'planeLength',
	circle: 'planeCircle',
	angle: 'planeAngle',
	area: 'planeArea'
} as const;

/** A measure on a picture, from where its points lie on the plane. */
export function pictureFigure(
	plane: Plane,
	stored: StoredMeasure,
	measured: Measured,
	unit: LengthUnit
): Figure {
	const points = stored.points.map((p) => project(plane.toPlane, p).point);
	const title = `${stored.label} on the picture`;
	if (stored.kind === 'heads')
		return {
			title,
			formula: 'planeHeads',
			as: { kind: 'number', unit: 'heads' },
			inputs: [
				length(
					'height of the figure',
					plane.reference.kind === 'rectangle' ? 0 : plane.reference.mm,
					unit,
					'the scale'
				),
				length('crown to chin', valueOn('length', points), unit, 'clicked')
			]
		};
	const flat = valueOn(stored.kind, points);
	return {
		title,
		formula: PLANE_FORMULA[stored.kind],
		as:
			stored.kind === 'angle'
				? { kind: 'number', unit: '°' }
				: { kind: stored.kind === 'area' ? 'area' : 'length', unit },
		inputs: [
			number(
				'for standing off the plane',
				measured.value / flat,
				stored.offPlaneMm ? 'entered, by the camera’s distance' : 'it lies on the plane'
			),
			...points.flatMap(([x, y], i) => [
				length(`point ${i + 1}, across`, x, unit, 'clicked, put on the plane'),
				length(`point ${i + 1}, down`, y, unit, 'clicked, put on the plane')
			])
		]
	};
}

/** Several pictures of one thing. */
export function combinedFigure(label: string, readings: readonly Reading[], as: As): Figure {
	return {
		title: `${label}, of ${readings.length} readings`,
		formula: 'weightedMean',
		as,
		inputs: readings.flatMap((r, i) => [
			{ name: `reading ${i + 1}`, value: r.value, as, source: 'measured' },
			{ name: `its σ`, value: r.sigma, as, source: 'clicks and scale' }
		])
	};
}

/** A prop or part that keeps its share of the wearer's height. */
export function scaledFigure(
	label: string,
	mm: number,
	figure: number,
	wearer: number,
	unit: LengthUnit
): Figure {
	return {
		title: `${label}, for this wearer`,
		formula: 'scaledToWearer',
		as: { kind: 'length', unit },
		inputs: [
			length('on the figure', mm, unit, 'measured on the picture'),
			length('the figure’s stature', figure, unit, 'the scale'),
			length('the wearer’s stature', wearer, unit, 'measured')
		]
	};
}

/** Hands-on work of one way to get a component. */
export const wayHoursFigure = (way: WayFigures): Figure => ({
	title: `Hands-on work: ${way.route}`,
	formula: 'sum',
	as: { kind: 'minutes' },
	inputs: way.steps.map((s) => minutes(s.name, s.minutes, 'usual minutes still to do'))
});

/** What one way to get a component costs. */
export const wayMoneyFigure = (way: WayFigures, currency: string): Figure => ({
	title: `Money: ${way.route}`,
	formula: 'difference',
	as: { kind: 'money', currency },
	inputs: [
		money('the costume with it', way.withMinor, currency, 'bought, and whole packs of what is short'),
		money('the costume without it', way.withoutMinor, currency, 'the same, without this component')
	]
});
