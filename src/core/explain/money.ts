import { ARRIVAL_CLOCK, lateWords, leadDaysOf, leadWords } from '../answers/leadTime.ts';
import { DAY, dayOf, dayWords } from '../units/localTime.ts';
import { areaOfUnit, type Material, type Need, type Purchase } from '../facts/material.ts';
import { type Component, copiesOf } from '../facts/component.ts';
import type { Costume, CostumeRecord } from '../facts/costume.ts';
import type { JointPurchase } from '../facts/jointPurchase.ts';
import type { Figure } from './figure.ts';
import { money, number } from '../units/figure.ts';
import { formatMoney } from '../units/money.ts';
import { of100 } from '../units/number.ts';
import type { Spend } from '../answers/spend.ts';
import { workFigure } from '../answers/workUse.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import type { EventMoney } from '../answers/moneyByEvent.ts';
import type { MoneyGroup } from '../answers/moneyBy.ts';
import type { GuessedCost } from '../answers/moneyOverDays.ts';
import type { ShoppingLine, Usage } from '../answers/shopping.ts';
import type { OrderBy, OrderOdds } from '../answers/arrivals.ts';

/** How much of a material the component's pieces take, with what is left over between them. */
export function needFigure(
	need: Need,
	material: Material,
	component: Component,
	record: CostumeRecord
): Figure {
	const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
	if (need.laid)
		return {
			title: `${material.name}: how much`,
			formula: 'same',
			as: { kind: 'number', unit: material.unit },
			inputs: [
				number('its part of the layout', need.quantity, 'the layout that is kept under Lay', material.unit)
			]
		};
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

/** What was bought of one kind, or in one month. */
export function groupMoneyFigure(
	title: string,
	{ parts }: Pick<MoneyGroup, 'parts'>,
	{ currency }: Pick<Costume, 'currency'>,
	materials: readonly Pick<Material, 'id' | 'name'>[],
	source = 'the purchase, with its sending'
): Figure {
	const names = new Map(materials.map((m) => [m.id, m.name]));
	return {
		title,
		formula: 'sum',
		as: { kind: 'money', currency },
		inputs: parts.map((p) => money(names.get(p.materialId) ?? '', p.minor, currency, source))
	};
}

export const eventMoneyFigure = ({ event, costumes, currency }: EventMoney): Figure => ({
	title: event ? `Money for ${event}` : 'Money for the day',
	formula: 'sum',
	as: { kind: 'money', currency },
	inputs: costumes.map((c) => money(c.name, c.totalMinor, currency, 'what it will cost, as Buy says'))
});

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
			...(costume.stashAtCost
				? [line('from the stash', spend.stashMinor, 'at what it cost, less what went to it')]
				: [])
		]
	};
}

/** What it will cost if every guess is as far off as guesses are, the cheap way or the dear way. */
export function spendRangeFigure(
	costume: Costume,
	spend: Spend,
	guesses: readonly GuessedCost[],
	materials: readonly Pick<Material, 'id' | 'name'>[],
	which: 'less' | 'more'
): Figure {
	const nameOf = (id: number) => materials.find((m) => m.id === id)?.name ?? '';
	const its = guesses
		.map((g) => ({ id: g.materialId, minor: which === 'less' ? g.lessMinor : g.moreMinor }))
		.filter((g) => g.minor > 0);
	return {
		title: which === 'less' ? 'At the least, as guesses go' : 'At the most, as guesses go',
		formula: which === 'less' ? 'difference' : 'sum',
		as: { kind: 'money', currency: costume.currency },
		inputs: [
			money('will cost', spend.totalMinor, costume.currency),
			...its.map((g) =>
				money(
					nameOf(g.id),
					g.minor,
					costume.currency,
					'packs, were its guessed amount as far off as guesses are'
				)
			)
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
				`components and coats${line.taken > 0 ? ', less what was cut from the stash' : ''}${line.guessed ? ', some of it a guess' : ''}`,
				unit
			),
			number('in the stash', line.stash, 'promised to this costume', unit),
			number('bought', line.bought, 'purchases', unit),
			number('pack', line.material.packSize, 'material', unit)
		]
	};
}

/** How much of a material a component takes, whatever asks for it. */
export function takesFigure(
	usages: readonly Usage[],
	material: Pick<Material, 'name' | 'unit'>,
	trade: Catalogue
): Figure {
	const [first, ...more] = usages;
	if (first && more.length === 0) return usageFigure(first, material, trade);
	const says = { entered: 'entered, or from its pieces', coats: 'its coats', work: 'its work' };
	return {
		title: `${material.name}: how much`,
		formula: 'sum',
		as: { kind: 'number', unit: material.unit },
		inputs: usages.map((u) =>
			number(says[u.from], u.quantity, u.guessed ? 'some of it a guess' : '', material.unit)
		)
	};
}

/** How much of a material a component takes: as entered, by its coats, or by what its steps use up. */
function usageFigure(
	usage: Usage,
	{ name, unit }: Pick<Material, 'name' | 'unit'>,
	trade: Catalogue
): Figure {
	if (usage.work) return workFigure(usage.work, name, unit, trade);
	const coats = usage.from === 'coats';
	return {
		title: `${name}: how much`,
		formula: 'product',
		as: { kind: 'number', unit },
		inputs: [
			number(
				coats ? 'its coats' : 'how much',
				usage.quantity / usage.margin,
				coats ? 'area × coats × copies ÷ what one covers, under Finish' : 'entered, or from its pieces',
				unit
			),
			...(usage.margin === 1
				? []
				: [number('times', usage.margin, 'so that it is enough, by its family, Settings')])
		]
	};
}

/** By simulated builds: what each day more costs. */
function orderByOddsFigure(
	{ material, purchase, neededAt }: OrderBy,
	{ from, latest, shares, target, hopeless }: OrderOdds
): Figure {
	const after = shares[latest - from + 1];
	const told = [
		`builds ready in time when it is ordered today: ${of100(shares[0]!)}`,
		...(latest > from ? [`on that day: ${of100(shares[latest - from]!)}`] : []),
		...(after === undefined ? [] : [`a day later: ${of100(after)}`]),
		shares[0]! >= target
			? `wanted: ${of100(target)}`
			: `wanted are ${of100(target)}: until that day waiting costs one build in a hundred at most`,
		...(hopeless === null ? [] : [`not one in a hundred from ${dayWords(hopeless)} on`])
	];
	return {
		title: `Order by: ${material.name}`,
		formula: 'orderByOdds',
		as: { kind: 'time' },
		inputs: [
			{ name: 'today', value: from * DAY, as: { kind: 'time' }, source: 'now' },
			number('days that it can wait', latest - from, told.join('; ')),
			...(neededAt === null
				? []
				: [
						{
							name: 'needed at, by usual minutes',
							value: neededAt,
							as: { kind: 'time' as const },
							source: [
								`${leadWords(purchase ?? material)} before`,
								'simulated builds count slips, late parcels and work done again',
								lateWords((purchase ?? material).late)
							]
								.filter(Boolean)
								.join('; ')
						}
					])
		]
	};
}

/** @param joint of which it is a share */
export function costFigure(
	purchase: Purchase,
	name: string,
	currency: string,
	joint?: JointPurchase
): Figure {
	const known = purchase.packPriceMinor === null ? 'not known' : null;
	const share = joint && `${purchase.packSize} of ${joint.packs} × ${joint.packSize}`;
	return {
		title: `Cost: ${name}`,
		formula: 'cost',
		as: { kind: 'money', currency },
		inputs: [
			number('packs', purchase.packs, share ? 'one share' : undefined),
			money(
				share ? 'price of the share' : 'price of a pack',
				purchase.packPriceMinor ?? 0,
				currency,
				known ??
					(share
						? `${share}, of ${joint.packs} × ${formatMoney(joint.packPriceMinor ?? 0, currency)}, shared out by units to the last coin`
						: 'entered')
			),
			money('shipping', purchase.shippingMinor, currency),
			...(purchase.refundMinor ? [money('money back', purchase.refundMinor, currency, 'sent back')] : [])
		]
	};
}

export function orderByFigure(order: OrderBy): Figure {
	if (order.odds) return orderByOddsFigure(order, order.odds);
	const lead = order.purchase ?? order.material;
	// A supplier's own working days come to so many days of the calendar.
	const days =
		lead.leadWorkingDays && lead.sends && order.neededAt !== null && order.orderByDay !== null
			? dayOf(order.neededAt - ARRIVAL_CLOCK) - order.orderByDay
			: null;
	const working = `${leadWords(lead)} of ${lead.supplier}, and days on which they are closed`;
	return {
		title: `Order by: ${order.material.name}`,
		formula: lead.leadWorkingDays && days === null ? 'orderByWorking' : 'orderBy',
		as: { kind: 'time' },
		inputs: [
			{
				name: 'needed at',
				value: order.neededAt ?? 0,
				as: { kind: 'time' },
				source: 'latest start of the first step that uses it, planned back from the deadline'
			},
			number(
				'lead days',
				days ?? leadDaysOf(lead),
				days !== null
					? working
					: lead.leadDays === null
						? 'a guess: nobody knows it'
						: order.purchase
							? 'purchase'
							: 'material'
			)
		]
	};
}
