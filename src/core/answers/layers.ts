import { inLedgerOrder, type Component } from '../facts/component.ts';
import { inOrder } from '../facts/order.ts';
import type { CostumePlan } from './plan.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Step } from '../facts/step.ts';
import { ZONES, type Zone } from '../facts/zone.ts';

/** What sits on one zone, from the skin outwards. */
export interface ZoneStack {
	zone: Zone;
	components: Component[];
}

export const zoneStacks = (components: readonly Component[]): ZoneStack[] =>
	ZONES.map((zone) => ({
		zone,
		components: components
			.filter((c) => c.zones.includes(zone))
			.sort((a, b) => a.layer - b.layer || a.id - b.id)
	})).filter((s) => s.components.length > 0);

/** Whether one is a part of the other, however deep. */
export function related(a: Component, b: Component, byId: ReadonlyMap<number, Component>): boolean {
	const within = (inner: Component, outer: Component) => {
		const seen = new Set<number>();
		for (let at: Component | undefined = inner; at && !seen.has(at.id); at = byId.get(at.parentId ?? -1)) {
			if (at.id === outer.id) return true;
			seen.add(at.id);
		}
		return false;
	};
	return within(a, b) || within(b, a);
}

/** Everything that lies beneath a component on any of its zones, from the skin outwards. */
export function beneathOf(component: Component, components: readonly Component[]): Component[] {
	const byId = new Map(components.map((c) => [c.id, c]));
	return components
		.filter(
			(c) =>
				c.layer < component.layer &&
				c.zones.some((z) => component.zones.includes(z)) &&
				!related(c, component, byId)
		)
		.sort((a, b) => a.layer - b.layer || a.id - b.id);
}

export interface Making {
	component: Component;
	/** Garments beneath it: made and fitted first, because it is measured over them. */
	after: Component[];
}

/** The order in which garments are made: from the inside out; in the ledger's order where layers are equal. */
export function garmentOrder(components: readonly Component[]): Making[] {
	const garments = inLedgerOrder(components)
		.map((n) => n.item)
		.filter((c) => c.kind === 'garment');
	return [...garments]
		.sort((a, b) => a.layer - b.layer)
		.map((component) => ({ component, after: beneathOf(component, garments) }));
}

/** A garment that the plan begins to cut before the one beneath it is there to measure over. */
export interface OrderSlip {
	outer: Component;
	inner: Component;
	/** The step that begins too soon, and the one it should wait for. */
	first: Step;
	last: Step;
}

/**
 * Each garment with one beneath it: what begins to cut it, and what has the inner one there to measure over. Cutting begins with
 * the first step that is not pattern work; a garment is there when its last step but rigging is done.
 */
export const layerPairs = (record: CostumeRecord): OrderSlip[] =>
	garmentOrder(record.components).flatMap(({ component: outer, after }) => {
		const first = inOrder(record.steps, outer.id).find((s) => s.phase !== 'pattern');
		if (!first) return [];
		return after.flatMap((inner): OrderSlip[] => {
			const last = inOrder(record.steps, inner.id).findLast((s) => s.phase !== 'rig' && s.faultId === null);
			return last ? [{ outer, inner, first, last }] : [];
		});
	});

/** Those that the plan has the wrong way round. */
export function orderSlips(record: CostumeRecord, plan: CostumePlan): OrderSlip[] {
	const planned = new Map(plan.schedule.steps.map((s) => [Number(s.id), s]));
	return layerPairs(record).filter(({ first, last }) => {
		const begins = planned.get(first.id);
		const ends = planned.get(last.id);
		return begins && ends && ends.end > begins.start;
	});
}
