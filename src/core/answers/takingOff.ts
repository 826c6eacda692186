import type { Component } from '../facts/component.ts';
import type { DressRecord, Worn } from '../facts/wear.ts';
import type { Zone } from '../facts/zone.ts';
import { dressOrder } from '../engines/dress/order.ts';
import { plainZone } from '../trade/wearSpot.ts';
import { handsFor, onMinutes, wornOnes } from './dressing.ts';

/** Of what putting it on takes, what taking it off does while nobody has timed it. From memory. */
export const OFF_SHARE = 0.5;
/** Where everything that holds it lets go, minutes for each copy. From memory. */
export const LETS_GO = 0.1;
/** What has to come off in an emergency is off within this, minutes: common practice. */
export const WITHIN = 1;

/** Minutes to take all copies of a component off, and what they are from. */
export function offMinutes(
	component: Component,
	wear: DressRecord
): { minutes: number; on: number; copies: number; by: 'timed' | 'letsGo' | 'on' } {
	const { minutes: on, copies } = onMinutes(component, wear);
	const timed = wear.wearings.find((w) => w.componentId === component.id)?.offMinutes ?? null;
	if (timed !== null) return { minutes: timed, on, copies, by: 'timed' };
	const joins = wear.joins.filter((j) => j.componentId === component.id);
	return joins.length > 0 && joins.every((j) => j.breakaway)
		? { minutes: copies * LETS_GO, on, copies, by: 'letsGo' }
		: { minutes: on * OFF_SHARE, on, copies, by: 'on' };
}

/** Why something has to come off, and from where. */
export const REASONS = {
	air: { words: 'air, drink and sight', zones: ['face'] },
	heat: { words: 'heat or dizziness', zones: ['head', 'face', 'neck', 'chest', 'back'] },
	toilet: { words: 'toilet', zones: ['waist', 'hips', 'thigh'] },
	firstAid: { words: 'first aid to the chest', zones: ['neck', 'chest', 'back'] }
} as const;
export type Reason = keyof typeof REASONS;

export interface ComesOff {
	reason: Reason;
	/** What is there, and what lies over it or hangs on it. */
	components: Component[];
	/** Minutes alone and with one helper; null where more people are needed. */
	alone: number | null;
	helped: number | null;
}

/** Whatever has to be off before one comes off: what lies over it on one of its zones, and what is held to it. */
function over(component: Component, worn: readonly Component[], { joins }: Worn): Component[] {
	return worn.filter(
		(c) =>
			c !== component &&
			((c.layer > component.layer && c.zones.some((z) => component.zones.includes(z))) ||
				joins.some((j) => j.componentId === c.id && j.toComponentId === component.id))
	);
}

/** Seconds for the search: there are few. */
const LOOK = 0.003;

/** What comes off for air, heat, the toilet and first aid, and how fast: the order of dressing the other way round. */
export function comesOff(
	components: readonly Component[],
	wear: DressRecord,
	elapsed: () => number
): ComesOff[] {
	const worn = wornOnes(components).filter((c) => !c.zones.every((z) => plainZone(z) === 'hand'));
	return (Object.keys(REASONS) as Reason[]).map((reason) => {
		const zones: readonly string[] = REASONS[reason].zones;
		const isThere = (z: Zone) => zones.includes(plainZone(z));
		const off = new Set(worn.filter((c) => c.zones.some(isThere)));
		// A set grows while it is gone through: what lies over what lies over it is there too.
		for (const c of off) for (const above of over(c, worn, wear)) off.add(above);
		const list = worn.filter((c) => off.has(c));
		const by = (dressers: number): number | null => {
			if (list.some((c) => handsFor(c, wear) > dressers)) return null;
			const began = elapsed();
			return dressOrder(
				{
					dressers,
					components: list.map((c) => ({
						id: String(c.id),
						minutes: offMinutes(c, wear).minutes,
						layer: 0,
						zones: c.zones,
						// Taken off the other way round: what lies over it first.
						after: over(c, list, wear).map((o) => String(o.id)),
						hands: handsFor(c, wear)
					}))
				},
				LOOK,
				() => elapsed() - began
			).minutes;
		};
		return { reason, components: list, alone: by(1), helped: by(2) };
	});
}
