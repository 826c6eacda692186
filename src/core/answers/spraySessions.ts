import type { Coat } from '../facts/coat.ts';
import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import { inOrder } from '../facts/order.ts';
import type { Step } from '../facts/step.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, coatProductOf } from '../trade/catalogue.ts';
import { contentOf, type CoatProduct } from '../trade/coatProduct.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { ML_PER } from '../units/measure.ts';
import { coversOf, materialOfCoat } from './coatStack.ts';
import type { CostumePlan } from './plan.ts';

/** One thin coat on one component, in a session. */
export interface Pass {
	step: Step;
	component: Component;
	coat: Coat;
	/** Which of its coats. */
	number: number;
	start: LocalMinutes;
	/** When the next may go on, or it may be handled. */
	dry: LocalMinutes;
	/** What of a unit of the material it takes, for all copies: 0.35 of a can. */
	units: number;
	/** ml; null where nobody knows what a unit holds. */
	ml: number | null;
}

/** Everything of one colour that is sprayed on one day. */
export interface SpraySession {
	day: number;
	product: CoatProduct;
	/** What is sprayed; null while no material stands for the product. */
	material: Material | null;
	passes: Pass[];
	/** How often it is set out for: coats that go on in one session are set out for once. */
	setOuts: number;
	/** What has to be masked before, and is not yet. */
	masks: { step: Step; component: Component }[];
	units: number;
	ml: number | null;
	/** When all of it is dry. */
	dry: LocalMinutes;
}

/** ml that a unit of a material holds: by its unit, else as a usual pack of the product; of a can with a label of its own nobody knows. */
export function mlOfUnit(
	material: Pick<Material, 'unit' | 'coversMm2'> | null,
	product: Pick<CoatProduct, 'pack'>
): number | null {
	const ml = (ML_PER as Readonly<Record<string, number>>)[material?.unit ?? ''];
	if (ml !== undefined) return ml;
	return material?.coversMm2 ? null : contentOf(product.pack);
}

/** ml that one coat of 1 m² takes; null where nobody knows what a unit holds. */
export function mlPerM2Of(
	material: Material | null,
	product: Pick<CoatProduct, 'pack' | 'coversMm2'>
): number | null {
	const ml = mlOfUnit(material, product);
	return ml === null ? null : (ml * 1e6) / (material ? coversOf(material, product) : product.coversMm2);
}

/** Sprays that are still to be done, gathered by day and colour as they are planned, the first day first. */
export function spraySessions(
	record: CostumeRecord,
	workshop: Pick<Workshop, 'materials' | 'handbook'>,
	plan: Pick<CostumePlan, 'schedule'>
): SpraySession[] {
	const trade = catalogueOf(workshop.handbook);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const steps = new Map(record.steps.map((s) => [s.id, s]));
	const coats = new Map(record.coats.map((c) => [c.id, c]));
	const orders = new Map(record.components.map((c) => [c.id, inOrder(record.steps, c.id)]));
	const sessions = new Map<string, SpraySession>();
	for (const planned of [...plan.schedule.steps].sort((a, b) => a.start - b.start)) {
		const step = steps.get(Number(planned.id));
		const coat = coats.get(step?.coatId ?? -1);
		const component = byId.get(step?.componentId ?? -1);
		if (!step || !coat || !component || step.doneAt !== null) continue;
		const product = coatProductOf(trade, coat.product);
		if (product.how !== 'spray') continue;
		const material = materialOfCoat(coat, workshop.materials) ?? null;
		const day = dayOf(planned.start);
		const key = `${day} ${coat.product} ${material?.id}`;
		const session = sessions.get(key) ?? {
			day,
			product,
			material,
			passes: [],
			setOuts: 0,
			masks: [],
			units: 0,
			ml: null,
			dry: planned.ready
		};
		sessions.set(key, session);
		const order = orders.get(component.id)!;
		const at = order.indexOf(step);
		const its = order.filter((s) => s.coatId === coat.id);
		const covers = material ? coversOf(material, product) : product.coversMm2;
		const units = (step.amount * copiesOf(component, byId)) / covers;
		const unitMl = mlOfUnit(material, product);
		session.passes.push({
			step,
			component,
			coat,
			number: its.indexOf(step) + 1,
			start: planned.start,
			dry: planned.ready,
			units,
			ml: unitMl === null ? null : units * unitMl
		});
		if (!planned.joined) session.setOuts++;
		const since = order.findLastIndex((s, i) => i < at && s.coatId !== null);
		for (const mask of order.slice(since + 1, at))
			if (mask.technique === 'mask' && mask.doneAt === null) session.masks.push({ step: mask, component });
		session.dry = Math.max(session.dry, planned.ready);
		session.units += units;
		session.ml = unitMl === null ? null : session.units * unitMl;
	}
	return [...sessions.values()];
}
