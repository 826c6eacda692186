import type { Purchase } from './material.ts';

/**
 * Packs that are bought for several costumes at once. Each of them has its share as a purchase of its own: so many units at its part of
 * the price, so that plan, money and stash of a costume know nothing of the others.
 */
export interface JointPurchase {
	id: number;
	/** As they are bought, all together. */
	packs: number;
	/** Units in one of them. */
	packSize: number;
	/** In the currency of the costumes; null where nobody knows it. */
	packPriceMinor: number | null;
	shippingMinor: number;
	/** What goes to which costume, in the order of their events. */
	shares: { purchaseId: number; costumeId: number; costume: string; units: number }[];
}

/** A purchase as it is ordered, comes and is paid for: of a share the whole that it is of. */
export function wholeOf(purchase: Purchase, joints: readonly JointPurchase[]): Purchase {
	const joint = joints.find((j) => j.id === purchase.jointId);
	if (!joint) return purchase;
	const { packs, packSize, packPriceMinor, shippingMinor } = joint;
	return { ...purchase, packs, packSize, packPriceMinor, shippingMinor };
}
