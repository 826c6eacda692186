import { inOrder } from '$core/facts/order.ts';
import type { FastenerKey, MoveCheck, Moving, Preparation, Wearing } from '$core/facts/wear.ts';
import type { Keeping, KeptKitLimit, WearLog } from '$core/facts/health.ts';
import type { EventRule, PackTick } from '$core/facts/travel.ts';
import type { Zone } from '$core/facts/zone.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { fastenerOf, workOf } from '$core/trade/fastener.ts';
import type { Executor } from '../db/open.ts';
import { DAY, dayOf, type LocalMinutes } from '$core/units/localTime.ts';
import { insert } from '../db/tables.ts';
import { litBy } from '../light.ts';
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
	wearings: Readonly<Record<string, Partial<Wearing> & { inside?: string }>>;
	/** Ways to wear it, by what is left off. */
	variants?: Readonly<Record<string, readonly string[]>>;
	preparations?: readonly (Pick<Preparation, 'name' | 'zones' | 'minutes' | 'waitMinutes' | 'patchTest'> & {
		as?: string;
	})[];
	/** What it took by the clock, minutes by component or preparation. */
	rehearsals?: readonly {
		daysBefore: number;
		as: string | null;
		dressers: number;
		minutes: number;
		times: Readonly<Record<string, number>>;
	}[];
	moving?: Partial<Moving>;
	moves?: readonly Pick<MoveCheck, 'move' | 'works'>[];
	rules?: readonly Pick<EventRule, 'kind' | 'limits' | 'note'>[];
	ticks?: readonly Pick<PackTick, 'line' | 'leg'>[];
	wears?: readonly (Pick<WearLog, 'hours' | 'occasion' | 'note'> & { daysAgo: number; hurts?: Zone[] })[];
	kit?: Pick<KeptKitLimit, 'grams' | 'ml'>;
	/** What to do otherwise next time, and of what. */
	nextTimes?: readonly { component: string; words: string }[];
	keepings?: Readonly<Record<string, Partial<Keeping> & { daysAgo?: number }>>;
	joins: readonly DemoJoin[];
}

const WEAR: Readonly<Record<string, DemoWear>> = {
	'Lamplighter of Quay Nine': {
		wearings: {
			Breastplate: { grams: 780, centre: [0, 0, 40], onMinutes: 4, size: [420, 380, 200], upright: true },
			'Quay badge': { grams: 60 },
			'Watch coat': { grams: 900, onMinutes: 3, packed: [450, 320, 90], softTo: 0.5 },
			'Sea boots': { grams: 650, onMinutes: 2, travels: 'worn' },
			Pauldrons: { grams: 420, centre: [60, 20, 0], onMinutes: 5, size: [260, 210, 150] },
			Bracers: { size: [260, 130, 120] },
			Greaves: { size: [400, 150, 140] },
			'Keel wig': { grams: 240, size: [300, 240, 180], fragile: true, upright: true },
			'Great lantern': {
				grams: 900,
				size: [280, 280, 520],
				upright: true,
				travels: 'hand',
				features: ['light', 'glass']
			},
			'Lamp heart': {
				grams: 140,
				size: [90, 90, 160],
				inside: 'Great lantern',
				circuit: litBy(new URLSearchParams()).found!.kept
			}
		},
		variants: { 'on the quay': [], 'in the hall': ['Great lantern', 'Lamp heart', 'Watch coat'] },
		moving: { wideMm: 710, hipsMm: 420 },
		rules: [
			{ kind: 'hours', limits: [9], note: '' },
			{ kind: 'length', limits: [1500], note: '' },
			{ kind: 'weight', limits: [2000], note: '' },
			{ kind: 'case', limits: [850, 600, 400], note: 'Cloakroom of the harbour hall' },
			{ kind: 'flame', limits: [], note: '' },
			{ kind: 'glass', limits: [], note: '' },
			{ kind: 'other', limits: [], note: 'Props are shown at the west gate before noon' }
		],
		ticks: [
			{ line: 'kit tape', leg: 'going' },
			{ line: 'kit pins', leg: 'going' }
		],
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
		variants: { 'with the crown': [], 'to dance': ['Spray crown'] },
		preparations: [
			{
				name: 'Sea-green skin colour',
				zones: ['face', 'neck'],
				minutes: 25,
				waitMinutes: 5,
				patchTest: true
			},
			{
				name: 'Shell brow, skin adhesive',
				zones: ['face'],
				minutes: 10,
				waitMinutes: 5,
				patchTest: true,
				as: 'with the crown'
			}
		],
		wearings: { 'Spray crown': { grams: 310, centre: [0, 40, 15], size: [330, 280, 260], fragile: true } },
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
	},
	'Ferrywoman of the Low Tide': {
		variants: { 'for the parade': [], 'in the crowd': ['Oar', 'Tide mask'] },
		rehearsals: [
			{
				daysBefore: 62,
				as: 'for the parade',
				dressers: 1,
				minutes: 9.5,
				times: { 'Oilskin cape': 3.5, 'Rope belt': 3, 'Tide mask': 2.5, Oar: 0.5 }
			},
			{
				daysBefore: 61,
				as: 'in the crowd',
				dressers: 1,
				minutes: 5.5,
				times: { 'Oilskin cape': 3, 'Rope belt': 2.5 }
			}
		],
		wearings: {
			Oar: { grams: 620, size: [1800, 160, 40] },
			'Tide mask': { grams: 260, size: [240, 190, 110], fragile: true },
			'Oilskin cape': { packed: [400, 300, 70], softTo: 0.6 },
			'Rope belt': { grams: 340, packed: [250, 250, 60] }
		},
		moving: { wideMm: 620, hipsMm: 430, openingWideMm: 130, openingHighMm: 32, eyeMm: 45 },
		moves: [
			{ move: 'head', works: true },
			{ move: 'stairs', works: true },
			{ move: 'drink', works: false }
		],
		rules: [
			{ kind: 'length', limits: [1200], note: 'Longer ones stay at the gate' },
			{ kind: 'blade', limits: [], note: '' },
			{ kind: 'mask', limits: [], note: '' }
		],
		wears: [
			{ daysAgo: 320, hours: 6, occasion: 'event', note: 'the cape held in the rain' },
			{ daysAgo: 201, hours: 7.5, occasion: 'event', note: '' },
			{
				daysAgo: 200,
				hours: 5,
				occasion: 'event',
				note: 'strap of the mask tore at noon',
				hurts: ['face', 'neck']
			},
			{ daysAgo: 1, hours: 1, occasion: 'test wear', note: '' }
		],
		kit: { grams: 900, ml: null },
		nextTimes: [{ component: 'Tide mask', words: 'line the mask at the cheekbones before it is painted' }],
		keepings: {
			'Tide mask': { place: 'hat box on the wardrobe', note: 'tissue paper inside', daysAgo: 200 },
			'Oilskin cape': { place: 'hung in the hall' }
		},
		joins: [
			{
				component: 'Tide mask',
				to: 'body',
				fastener: 'buckle',
				count: 1,
				size: [20, 350],
				zone: 'head',
				at: [0, 20, -60],
				faces: 'forward',
				breakaway: true
			}
		]
	}
};

/** What the demo travels in. */
export async function layOutCases(tx: Executor): Promise<void> {
	for (const [position, c] of (
		[
			{ name: 'Trunk', inner: [800, 500, 350], wallMm: 15, kg: 23 },
			{ name: 'Cabin case', inner: [520, 340, 200], wallMm: 15, kg: 8 }
		] as const
	).entries())
		await insert(tx, 'travel_case', { ...c, position });
}

/** Its steps stand in the routes: a join takes the one of its technique, with as many as that sets. */
export async function layOutWear(
	tx: Executor,
	name: string,
	costumeId: number,
	ids: ReadonlyMap<string, number>,
	now: LocalMinutes
): Promise<void> {
	const wear = WEAR[name];
	if (!wear) return;
	const record = (await loadRecord(tx, costumeId))!;
	for (const [component, { inside, ...said }] of Object.entries(wear.wearings))
		await insert(tx, 'wearing', {
			...said,
			componentId: ids.get(component),
			insideId: inside ? ids.get(inside) : null
		});
	const { eventName } = record.costume;
	for (const rule of wear.rules ?? []) await insert(tx, 'event_rule', { ...rule, eventName });
	if (wear.moving) await insert(tx, 'moving', { ...wear.moving, costumeId });
	for (const m of wear.moves ?? [])
		await insert(tx, 'move_check', { ...m, costumeId, checkedAt: record.costume.eventAt - 60 * DAY });
	const variants = new Map<string, number>();
	for (const [position, [its, without]] of Object.entries(wear.variants ?? {}).entries()) {
		const variantId = await insert(tx, 'variant', { costumeId, position, name: its });
		variants.set(its, variantId);
		for (const off of without) await insert(tx, 'variant_without', { variantId, componentId: ids.get(off) });
	}
	const variantOf = (as: string | null | undefined) => (as == null ? null : variants.get(as)!);
	const preparations = new Map<string, number>();
	for (const [position, { as, ...p }] of (wear.preparations ?? []).entries())
		preparations.set(
			p.name,
			await insert(tx, 'preparation', { ...p, costumeId, position, variantId: variantOf(as) })
		);
	for (const { daysBefore, as, times, ...r } of wear.rehearsals ?? []) {
		const heldAt = record.costume.eventAt - daysBefore * DAY;
		const rehearsalId = await insert(tx, 'rehearsal', { ...r, costumeId, variantId: variantOf(as), heldAt });
		for (const [its, minutes] of Object.entries(times))
			await insert(tx, 'rehearsal_time', {
				rehearsalId,
				componentId: ids.get(its) ?? null,
				preparationId: preparations.get(its) ?? null,
				minutes
			});
	}
	for (const { daysAgo, ...w } of wear.wears ?? [])
		await insert(tx, 'wear_log', {
			...w,
			costumeId,
			wornOn: dayOf(now) - daysAgo,
			toldAt: now - daysAgo * DAY
		});
	if (wear.kit) await insert(tx, 'kit_limit', { ...wear.kit, costumeId });
	for (const [position, { component, words }] of (wear.nextTimes ?? []).entries())
		await insert(tx, 'next_time', { costumeId, componentId: ids.get(component), position, words });
	for (const [component, { daysAgo, ...k }] of Object.entries(wear.keepings ?? {}))
		await insert(tx, 'keeping', {
			...k,
			componentId: ids.get(component),
			lookedOn: daysAgo === undefined ? null : dayOf(now) - daysAgo
		});
	for (const tick of wear.ticks ?? []) await insert(tx, 'pack_tick', { ...tick, costumeId });
	for (const [position, j] of wear.joins.entries()) {
		const componentId = ids.get(j.component)!;
		const fastener = fastenerOf(STANDARD.fastener, j.fastener);
		const step = inOrder(record.steps, componentId).find(
			(s) => s.technique === fastener.technique && s.faultId === null
		);
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
