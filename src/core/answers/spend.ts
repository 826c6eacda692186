import type { CostumeRecord } from '../facts/costume.ts';
import { purchaseCost } from '../facts/material.ts';
import { shoppingLines, usagesOf, type Supplies } from './shopping.ts';

/** Money of one costume, in minor units of its currency. */
export interface Spend {
	/** On the list, not ordered. */
	plannedMinor: number;
	/** Ordered, on its way. */
	orderedMinor: number;
	/** Here: arrived or used. */
	paidMinor: number;
	/** Still short and on no list, at today's pack prices. */
	notListedMinor: number;
	/** Value of what the stash gives, when the costume counts it. */
	stashMinor: number;
	/** Everything together: what the costume will have cost, as far as prices are known. */
	totalMinor: number;
	/** Materials that are paid for, and whose price nobody knows: they come on top. */
	unpriced: number[];
	/** Some quantities in it are guesses. */
	guessed: boolean;
	/** Ordered and paid: what is committed. */
	spentMinor: number;
	/** Limit less total; null without a limit. */
	leftMinor: number | null;
	/** Purchases shared out over components by what each takes. */
	shares: Share[];
	/** The same, added up; null is not for any component. */
	byComponent: Map<number | null, number>;
}

export interface Share {
	componentId: number | null;
	materialId: number;
	minor: number;
}

export function spendOf(record: CostumeRecord, supplies: Supplies): Spend {
	const sum = (states: readonly string[]) =>
		record.purchases
			.filter((p) => states.includes(p.state))
			.reduce((total, p) => total + (purchaseCost(p) ?? p.shippingMinor), 0);
	const plannedMinor = sum(['planned']);
	const orderedMinor = sum(['ordered']);
	const paidMinor = sum(['arrived', 'used']);
	const lines = shoppingLines(record, supplies);
	const notListedMinor = lines.reduce((total, l) => total + (l.costShortMinor ?? 0), 0);
	const unpriced = [
		...record.purchases.filter((p) => purchaseCost(p) === null).map((p) => p.materialId),
		...lines.filter((l) => l.costShortMinor === null).map((l) => l.material.id),
		...(record.costume.stashAtCost
			? lines
					.filter((l) => l.material.packPriceMinor === null && l.taken + l.stash > 0)
					.map((l) => l.material.id)
			: [])
	];
	const stashMinor = record.costume.stashAtCost
		? lines.reduce((total, l) => {
				const used = Math.min(l.taken + l.stash, l.needed);
				return total + Math.round((used / l.material.packSize) * (l.material.packPriceMinor ?? 0));
			}, 0)
		: 0;
	const totalMinor = plannedMinor + orderedMinor + paidMinor + notListedMinor + stashMinor;
	const shares = shareOut(record, supplies);
	const byComponent = new Map<number | null, number>();
	for (const { componentId, minor } of shares)
		byComponent.set(componentId, (byComponent.get(componentId) ?? 0) + minor);
	return {
		plannedMinor,
		orderedMinor,
		paidMinor,
		notListedMinor,
		stashMinor,
		totalMinor,
		unpriced: [...new Set(unpriced)],
		guessed: record.needs.some((n) => n.guessed) || record.coats.some((c) => c.guessed),
		spentMinor: orderedMinor + paidMinor,
		leftMinor: record.costume.limitMinor === null ? null : record.costume.limitMinor - totalMinor,
		shares,
		byComponent
	};
}

/** Each purchase goes to its component, or is shared by what each component takes of that material. */
function shareOut(record: CostumeRecord, supplies: Supplies): Share[] {
	const usages = usagesOf(record, supplies);
	return record.purchases.flatMap((purchase): Share[] => {
		const { materialId, componentId } = purchase;
		const cost = purchaseCost(purchase) ?? purchase.shippingMinor;
		const mine = usages.filter((u) => u.materialId === materialId && u.quantity > 0);
		if (componentId !== null || mine.length === 0) return [{ componentId, materialId, minor: cost }];
		const parts = splitMinor(
			cost,
			mine.map((u) => u.quantity)
		);
		return parts.map((minor, i) => ({ componentId: mine[i]!.componentId, materialId, minor }));
	});
}

/**
 * Divides money by weights so that the parts add up to the whole: largest remainder (Hamilton's
 * method of apportionment, 1792). Ties go to the first.
 */
export function splitMinor(total: number, weights: readonly number[]): number[] {
	const all = weights.reduce((a, b) => a + b, 0);
	if (all <= 0) return weights.map(() => 0);
	const exact = weights.map((w) => (total * w) / all);
	const parts = exact.map(Math.floor);
	let left = total - parts.reduce((a, b) => a + b, 0);
	const byRemainder = exact
		.map((e, i) => i)
		.sort((a, b) => exact[b]! - parts[b]! - (exact[a]! - parts[a]!) || a - b);
	for (const i of byRemainder) {
		if (left <= 0) break;
		parts[i]!++;
		left--;
	}
	return parts;
}
