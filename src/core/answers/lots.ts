import type { CostumeRecord } from '../facts/costume.ts';
import type { Lot } from '../facts/lot.ts';
import {
	isTool,
	lengthOfUnit,
	unitsOf,
	type Family,
	type Material,
	type Purchase
} from '../facts/material.ts';
import { dayOf, monthsAfter, type LocalMinutes } from '../units/localTime.ts';
import { parseNumber } from '../units/number.ts';
import { GRACE } from '../units/packs.ts';
import { usesOf } from './arrivals.ts';
import { hereOf, shoppingLines, type ShoppingLine, type Supplies } from './shopping.ts';

/** As rows hold them: what follows from the day, and from each other, is put in as they are read. */
export type StoredLot = Omit<Lot, 'good' | 'lastDay'>;
export type StoredMaterial = Omit<Material, 'stash' | 'lots'>;

/** What is open is good for its months, but no longer than it would be closed. Null: it keeps, or nobody has said. */
export function lastDayOf({
	bestBefore,
	openedOn,
	openMonths
}: Pick<Lot, 'bestBefore' | 'openedOn' | 'openMonths'>): number | null {
	const open = openedOn === null || openMonths === null ? Infinity : monthsAfter(openedOn, openMonths);
	const day = Math.min(bestBefore ?? Infinity, open);
	return day === Infinity ? null : day;
}

/** What spoils first goes first, then what was bought first; what nobody knows the day of has been there longest. */
const byUse = (a: Omit<Lot, 'good'>, b: Omit<Lot, 'good'>): number =>
	(a.lastDay ?? Infinity) - (b.lastDay ?? Infinity) ||
	(a.boughtOn ?? -Infinity) - (b.boughtOn ?? -Infinity) ||
	a.id - b.id;

/**
 * Materials with their lots, in the order in which they are used up: what spoils first, then what was bought first. The stash is what is
 * good of them.
 * @param today whole days since 1970-01-01
 */
export function withLots(
	materials: readonly StoredMaterial[],
	lots: readonly StoredLot[],
	today: number
): Material[] {
	const by = new Map<number, StoredLot[]>();
	for (const lot of lots) by.set(lot.materialId, [...(by.get(lot.materialId) ?? []), lot]);
	return materials.map((m) => {
		const own = (by.get(m.id) ?? [])
			.map((l) => ({ ...l, lastDay: lastDayOf(l) }))
			.sort(byUse)
			// It is good on its last day too.
			.map((l) => ({ ...l, good: l.lastDay === null || l.lastDay >= today }));
		return { ...m, lots: own, stash: own.reduce((sum, l) => (l.good ? sum + l.quantity : sum), 0) };
	});
}

/** Where a lot lies: as it says, else where its material usually does. */
export const placeOf = (lot: Pick<Lot, 'place'>, material: Pick<Material, 'stashNote'>): string =>
	lot.place || material.stashNote;

/** What lies in one place: the round of a stock-take. */
export interface Place {
	/** Nothing: where nobody has said. */
	place: string;
	lots: { material: Material; lot: Lot }[];
}

/** All lots by where they lie, places by their names, what has none last; in a place by the names of the materials. */
export function byPlace(materials: readonly Material[]): Place[] {
	const places = new Map<string, Place>();
	for (const material of materials)
		for (const lot of material.lots) {
			const place = placeOf(lot, material);
			const key = place.toLowerCase();
			if (!places.has(key)) places.set(key, { place, lots: [] });
			places.get(key)!.lots.push({ material, lot });
		}
	for (const { lots } of places.values())
		lots.sort((a, b) => a.material.name.localeCompare(b.material.name) || a.lot.id - b.lot.id);
	return [...places.values()].sort(
		(a, b) => Number(a.place === '') - Number(b.place === '') || a.place.localeCompare(b.place)
	);
}

/** How far a stock-take has come. */
export interface Counted {
	counted: number;
	of: number;
	/** Counted, and another amount than it said. */
	otherwise: number;
}

/**
 * @param seen lots that are as they say
 * @param typed by lot: what there is instead, as it was typed
 */
export function countedOf(
	lots: readonly Lot[],
	seen: ReadonlySet<number>,
	typed: ReadonlyMap<number, string>
): Counted {
	let [counted, otherwise] = [0, 0];
	for (const { id, quantity } of lots) {
		const text = typed.get(id)?.trim() ?? '';
		const read = parseNumber(text);
		if (seen.has(id) || text !== '') counted++;
		if (read.ok && Math.abs(read.value - quantity) > GRACE) otherwise++;
	}
	return { counted, of: lots.length, otherwise };
}

/** What of a lot is promised, and what is free: past its last day nothing is. */
export function freeOf(
	{ quantity, good }: Pick<Lot, 'quantity' | 'good'>,
	promised: readonly { units: number }[]
): { given: number; free: number } {
	const given = promised.reduce((sum, p) => sum + p.units, 0);
	return { given, free: good && quantity - given > GRACE ? quantity - given : 0 };
}

/**
 * So many units out of the good lots of a material, one after the other; less where there is not so much.
 * @param lots in the order in which they are used up
 */
export function outOf(lots: readonly Lot[], units: number): { lot: Lot; units: number }[] {
	let left = units;
	return lots.flatMap((lot) => {
		const its = lot.good ? Math.min(left, lot.quantity) : 0;
		if (its <= GRACE) return [];
		left -= its;
		return [{ lot, units: its }];
	});
}

/**
 * What is cut of a material comes out of these lots. Off a roll it is cut in one: out of the shortest length that is long enough, as
 * makers do; where none is, and of sheets, one after the other.
 */
export function cutOutOf(material: Material, units: number): { lot: Lot; units: number }[] {
	if (lengthOfUnit(material) === null) return outOf(material.lots, units);
	const [shortest] = material.lots
		.filter((l) => l.good && l.quantity >= units - GRACE)
		.sort((a, b) => a.quantity - b.quantity);
	return shortest && units > GRACE
		? [{ lot: shortest, units: Math.min(units, shortest.quantity) }]
		: outOf(material.lots, units);
}

/**
 * What is laid out in one length, and of which no length is that long: neither in the stash nor of what was bought and is here.
 * @param units of the material, in one length
 * @param boughtLeft what of the purchases no layout has taken yet
 * @returns the longest that there is, in units; null where one is long enough, and of what is no roll
 */
export function longestOfTooShort(
	material: Material,
	units: number,
	purchases: readonly Purchase[],
	boughtLeft: number
): number | null {
	if (lengthOfUnit(material) === null) return null;
	const bought = purchases.filter(
		(p) => p.materialId === material.id && (p.state === 'arrived' || p.state === 'used')
	);
	const longest = Math.max(
		0,
		...material.lots.map((l) => (l.good ? l.quantity : 0)),
		...bought.map((p) => Math.min(boughtLeft, unitsOf(p, material)))
	);
	return longest >= units - GRACE ? null : longest;
}

/**
 * What of each lot is promised to whom: who comes first has what spoils first.
 * @param promises in turn, units of the material
 * @returns by lot; what is promised to nobody is not in it
 */
export function promisedLots<Who>(
	lots: readonly Lot[],
	promises: readonly { to: Who; units: number }[]
): Map<number, { to: Who; units: number }[]> {
	const given = new Map<number, { to: Who; units: number }[]>();
	let left: readonly Lot[] = lots;
	for (const { to, units } of promises) {
		const parts = outOf(left, units);
		for (const part of parts)
			given.set(part.lot.id, [...(given.get(part.lot.id) ?? []), { to, units: part.units }]);
		const taken = new Map(parts.map((p) => [p.lot.id, p.units]));
		left = left.map((l) => (taken.has(l.id) ? { ...l, quantity: l.quantity - taken.get(l.id)! } : l));
	}
	return given;
}

type Priced = Pick<Material, 'lots' | 'packSize' | 'packPriceMinor'>;

/** What a unit of a lot cost, minor units; one whose price nobody knows goes by its material's of today; null where nobody knows that either. */
export const unitCostOf = (
	{ packSize, packPriceMinor }: Pick<Lot, 'packSize' | 'packPriceMinor'>,
	material: Pick<Material, 'packSize' | 'packPriceMinor'>
): number | null =>
	packSize !== null && packPriceMinor !== null
		? packPriceMinor / packSize
		: material.packPriceMinor === null
			? null
			: material.packPriceMinor / material.packSize;

/**
 * What a unit of a material's stash cost, in minor units of the currency of its prices: the weighted average of its good lots, as
 * stocks are commonly valued. Lots of which nobody knows what they cost are left out. Without lots, what a unit costs today.
 */
export function stashUnitCost({ lots, ...material }: Priced): number | null {
	let [cost, units] = [0, 0];
	for (const lot of lots) {
		const each = lot.good ? unitCostOf(lot, material) : null;
		if (each === null) continue;
		cost += each * lot.quantity;
		units += lot.quantity;
	}
	return units > 0 ? cost / units : unitCostOf({ packSize: null, packPriceMinor: null }, material);
}

/** What these parts of lots cost, rounded once; null where a price is not known. */
export function costOfParts(
	parts: readonly { lot: Pick<Lot, 'packSize' | 'packPriceMinor'>; units: number }[],
	material: Pick<Material, 'packSize' | 'packPriceMinor'>
): number | null {
	let cost = 0;
	for (const { lot, units } of parts) {
		if (units <= GRACE) continue;
		const each = unitCostOf(lot, material);
		if (each === null) return null;
		cost += each * units;
	}
	return Math.round(cost);
}

/** What is over of a material once all is made that asks for it, of what was bought for the costume and is here. */
export interface Leftover {
	material: Material;
	units: number;
}

/** Units that are of use as whole ones alone. */
const WHOLE = new Set(['sheet', 'piece', 'pair', 'pack', 'can']);

/** What the stash gets when a costume is done with it: nothing that is planned, on its way or promised out of the stash is in it. */
export function leftovers(record: CostumeRecord, supplies: Supplies): Leftover[] {
	return shoppingLines(record, supplies).flatMap(({ material, needed, taken }): Leftover[] => {
		const here = hereOf(record.purchases, material);
		// A tool is not used up.
		const over = isTool(material) ? here : Math.min(here, here + taken - needed);
		const units = WHOLE.has(material.unit) ? Math.floor(over + GRACE) : over;
		return units > GRACE ? [{ material, units }] : [];
	});
}

/** So many units out of what is here of a material: what came last goes first, as it is the one that is not begun. */
export function outOfPurchases(
	purchases: readonly Purchase[],
	material: Pick<Material, 'id' | 'packSize'>,
	units: number
): { purchase: Purchase; units: number }[] {
	let left = units;
	return purchases
		.filter((p) => p.materialId === material.id && (p.state === 'arrived' || p.state === 'used'))
		.sort((a, b) => (b.arrivedOn ?? 0) - (a.arrivedOn ?? 0) || b.id - a.id)
		.flatMap((purchase) => {
			const its = Math.min(left, unitsOf(purchase, material));
			if (its <= GRACE) return [];
			left -= its;
			return [{ purchase, units: its }];
		});
}

/** Days before its last day at which a lot is told to be used up soon. */
export const SOON = 60;
/** Months that what has no date on it is usually good for, kept closed, cool and dark. From memory, common practice: its label counts. */
const USUALLY_KEEPS: Partial<Record<Family, number>> = { glue: 12, paint: 24 };

export interface Spoiling {
	material: Material;
	lot: Lot;
	/** The last day on which it is good. */
	day: number;
	/** Days until then; less than nothing: it is past. */
	left: number;
	/** Nobody has said the day: it is what its kind usually keeps. */
	usual: boolean;
}

/** Lots that are past their last day or soon will be, the first before the others. */
export function spoiling(materials: readonly Material[], today: number): Spoiling[] {
	return materials
		.flatMap((material) =>
			material.lots.flatMap((lot): Spoiling[] => {
				const months = USUALLY_KEEPS[material.family];
				const usual = lot.lastDay === null;
				const day =
					lot.lastDay ?? (months && lot.boughtOn !== null ? monthsAfter(lot.boughtOn, months) : null);
				return day === null || day - today > SOON ? [] : [{ material, lot, day, left: day - today, usual }];
			})
		)
		.sort((a, b) => a.day - b.day || a.lot.id - b.lot.id);
}

/** A lot that is promised to a costume and is past its last day when the plan still uses it. */
export interface SpoilsFirst {
	material: Material;
	lot: Lot;
	units: number;
	/** The last step that uses it starts then. */
	usedAt: LocalMinutes;
}

/**
 * @param promised by lot, units for the costume
 * @param starts of the steps that are planned
 */
export function spoilsFirst(
	record: CostumeRecord,
	lines: readonly ShoppingLine[],
	promised: ReadonlyMap<number, number>,
	starts: ReadonlyMap<number, LocalMinutes>
): SpoilsFirst[] {
	return lines.flatMap(({ material, usages }) => {
		if (!material.lots.some((l) => promised.has(l.id))) return [];
		const stepIds = usages.flatMap((u) =>
			u.stepIds.length ? u.stepIds : usesOf(record, u.componentId, material)
		);
		const usedAt = Math.max(...stepIds.map((id) => starts.get(id) ?? -Infinity));
		return material.lots.flatMap((lot): SpoilsFirst[] => {
			const units = promised.get(lot.id);
			return units && lot.lastDay !== null && lot.lastDay < dayOf(usedAt)
				? [{ material, lot, units, usedAt }]
				: [];
		});
	});
}
