import { formatDuration } from '../units/duration.ts';
import pluralize from 'pluralize';
import type { Step } from '../facts/step.ts';
import { type Component, copiesOf } from '../facts/component.ts';
import type { Costume, CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { Figure } from './figure.ts';
import { catalogueOf, techniqueOf } from '../trade/catalogue.ts';
import { BASE_PER_UNIT } from '../trade/technique.ts';
import { rateOf } from '../trade/rates.ts';
import { day, minutes, number } from '../units/figure.ts';
import type { CostumePlan } from '../answers/plan.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';

/** The figures that pages show, each with what it was worked out from. */

export function stepFigure(
	step: Step,
	component: Component,
	record: CostumeRecord,
	workshop: Workshop
): Figure {
	const trade = catalogueOf(workshop.handbook);
	const technique = techniqueOf(trade, step.technique);
	const unit = { length: 'm', area: 'm²', count: '' }[technique.driver];
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const learned = workshop.learned.find((l) => l.technique === step.technique);
	const its = workshop.ownRates[step.technique];
	return {
		title: `Hands-on time: ${step.name}`,
		formula: 'stepMinutes',
		as: { kind: 'minutes' },
		inputs: [
			minutes('set-up', step.setUpMinutes),
			number(
				`amount (${technique.of})`,
				step.amount / BASE_PER_UNIT[technique.driver],
				step.guessed ? 'a guess: a starting value' : step.fromPieces ? 'its pieces' : 'entered',
				unit
			),
			number(
				'copies',
				step.perCopy ? copiesOf(component, byId) : 1,
				step.perCopy ? 'pair and count, times those it is part of' : 'done once for all copies'
			),
			number(
				`usual minutes ${unit ? `a ${unit}` : 'each'}`,
				rateOf(trade, step.technique, workshop.rates)[1],
				learned
					? `learned from ${pluralize('log', learned.logs, true)}, see Makers`
					: its
						? 'your own rate'
						: `${technique.source}; edit under Makers`
			)
		]
	};
}

export function hoursLeftFigure(record: CostumeRecord, plan: CostumePlan): Figure {
	const names = new Map(record.components.map((c) => [c.id, `${c.code} ${c.name}`]));
	const sums = new Map<number, number>();
	const guessed = new Map<number, number>();
	for (const step of record.steps) {
		const { id, componentId } = step;
		const left = plan.left.get(id) ?? 0;
		if (left) sums.set(componentId, (sums.get(componentId) ?? 0) + left);
		if (left && step.guessed) guessed.set(componentId, (guessed.get(componentId) ?? 0) + left);
	}
	const source = (id: number) =>
		guessed.has(id)
			? `usual minutes of its open steps, ${formatDuration(guessed.get(id)!)} of them guessed`
			: 'usual minutes of its open steps';
	return {
		title: 'Hands-on work left',
		formula: 'sum',
		as: { kind: 'minutes' },
		inputs: [...sums].map(([id, value]) => minutes(names.get(id) ?? '', value, source(id)))
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
	return {
		title: `Hands-on left: ${component.code} ${component.name}`,
		formula: 'sum',
		as: { kind: 'minutes' },
		inputs: record.steps
			.filter((s) => s.componentId === component.id && plan.left.has(s.id))
			.map((s) => minutes(s.name, plan.left.get(s.id)!, 'usual minutes, less what is logged'))
	};
}

export function daysLeftFigure(costume: Pick<Costume, 'eventAt'>, now: LocalMinutes): Figure {
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

export const PLANE_FORMULA = {
	length: 'planeLength',
	circle: 'planeCircle',
	angle: 'planeAngle',
	area: 'planeArea',
	straight: 'planeStraight'
} as const;
