import type { JointPurchase } from '$core/facts/jointPurchase.ts';
import type { Purchase } from '$core/facts/material.ts';
import { namesWords } from '$core/units/names.ts';

/** With whom something is bought: `Moss Knight and Lantern Warden`. */
export const othersOf = ({ shares }: JointPurchase, { costumeId }: Pick<Purchase, 'costumeId'>): string =>
	namesWords([...new Set(shares.filter((s) => s.costumeId !== costumeId).map((s) => s.costume))]) ||
	'a costume that is gone';
