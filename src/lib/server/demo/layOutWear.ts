import { inOrder } from '$core/facts/order.ts';
import type { FastenerKey } from '$core/facts/wear.ts';
import type { Zone } from '$core/facts/zone.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { fastenerOf, workOf } from '$core/trade/fastener.ts';
import type { Executor } from '../db/open.ts';
import { insert } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';

/** What holds the demo's components, and what the scales said. Invented; the pauldrons tip, as they do at first. */
interface DemoJoin {
	component: string;
	to: 'body' | 'self' | { component: string };
	fastener: FastenerKey;
	/** Null for as many as its step sets. */
	count: number | null;
	size: readonly [number, number];
	zone: Zone;
	at: readonly [number, number, number];
	faces?: 'outward' | 'forward' | 'up';
	breakaway?: boolean;
}
interface DemoWear {
	weights: Readonly<
		Record<string, { grams?: number; centre?: readonly [number, number, number]; minutes?: number }>
	>;
	joins: readonly DemoJoin[];
}

const WEAR: Readonly<Record<string, DemoWear>> = {
	'Lamplighter of Quay Nine': {
		weights: {
			Breastplate: { grams: 780, centre: [0, 0, 40], minutes: 4 },
			'Watch coat': { minutes: 3 },
			'Sea boots': { minutes: 2 },
			Pauldrons: { grams: 420, centre: [60, 20, 0], minutes: 5 },
			'Keel wig': { grams: 240 }
		},
		joins: [
			{
				component: 'Breastplate',
				to: 'body',
				fastener: 'buckle',
				count: null,
				size: [25, 400],
				zone: 'waist',
				at: [0, -120, 0],
				faces: 'forward'
			},
			{
				component: 'Breastplate',
				to: 'body',
				fastener: 'hookAndLoop',
				count: null,
				size: [50, 100],
				zone: 'chest',
				at: [0, 160, 0],
				faces: 'forward'
			},
			{
				component: 'Pauldrons',
				to: { component: 'Breastplate' },
				fastener: 'hookAndLoop',
				count: null,
				size: [50, 100],
				zone: 'shoulder-left',
				at: [0, 60, 0]
			},
			{
				component: 'Keel wig',
				to: 'body',
				fastener: 'pin',
				count: 8,
				size: [10, 40],
				zone: 'head',
				at: [0, 40, 0],
				faces: 'up'
			},
			{
				component: 'Watch coat',
				to: 'self',
				fastener: 'hooks',
				count: 6,
				size: [10, 15],
				zone: 'chest',
				at: [0, 0, 0],
				faces: 'forward'
			}
		]
	},
	'Foam-Crest Dancer': {
		weights: { 'Spray crown': { grams: 310, centre: [0, 40, 15] } },
		joins: [
			{
				component: 'Spray crown',
				to: 'body',
				fastener: 'elastic',
				count: 1,
				size: [25, 300],
				zone: 'head',
				at: [0, -20, -60],
				faces: 'up',
				breakaway: true
			},
			{
				component: 'Spray crown',
				to: 'body',
				fastener: 'hooks',
				count: 2,
				size: [20, 60],
				zone: 'head',
				at: [0, -10, 60],
				faces: 'up'
			}
		]
	}
};

/** Its steps stand in the routes: a join takes the one of its technique, with as many as that sets. */
export async function layOutWear(
	tx: Executor,
	name: string,
	costumeId: number,
	ids: ReadonlyMap<string, number>
): Promise<void> {
	const wear = WEAR[name];
	if (!wear) return;
	const record = (await loadRecord(tx, costumeId))!;
	for (const [component, { grams, centre, minutes }] of Object.entries(wear.weights))
		await insert(tx, 'wearing', {
			componentId: ids.get(component),
			grams: grams ?? null,
			centre: centre ?? null,
			onMinutes: minutes ?? null
		});
	for (const [position, j] of wear.joins.entries()) {
		const componentId = ids.get(j.component)!;
		const fastener = fastenerOf(STANDARD.fastener, j.fastener);
		const step = inOrder(record.steps, componentId).find((s) => s.technique === fastener.technique);
		const [widthMm, lengthMm] = j.size;
		const count = j.count ?? (step?.amount || 1);
		const sets = workOf({ count, widthMm, lengthMm }, fastener) === step?.amount;
		await insert(tx, 'wear_join', {
			componentId,
			position,
			holdsTo: typeof j.to === 'string' ? j.to : 'component',
			toComponentId: typeof j.to === 'string' ? null : ids.get(j.to.component),
			fastener: j.fastener,
			count,
			widthMm,
			lengthMm,
			zone: j.zone,
			outMm: j.at[0],
			upMm: j.at[1],
			forwardMm: j.at[2],
			faces: j.faces ?? 'outward',
			breakaway: j.breakaway ?? false,
			hidden: true,
			stepId: sets ? step!.id : null
		});
	}
}
