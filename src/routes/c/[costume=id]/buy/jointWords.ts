import type { JointPurchase } from '$core/facts/jointPurchase.ts';
import { namesWords } from '$core/units/names.ts';

/** With whom something is bought: `Moss Knight and Lantern Warden`. */
export const othersOf = (joints: readonly JointPurchase[], costumeId: number): string =>
	namesWords([
		...new Set(joints.flatMap((j) => j.shares.flatMap((s) => (s.costumeId === costumeId ? [] : s.costume))))
	]) || 'a costume that is gone';
