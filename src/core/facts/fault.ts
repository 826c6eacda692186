import type { LocalMinutes } from '../units/localTime.ts';
import type { Step } from './step.ts';

export const OCCASIONS = ['test wear', 'event', 'storage', 'transport'] as const;
export type Occasion = (typeof OCCASIONS)[number];

/** What lets go by its kind: `fastener snap`, `seam cement`, `coat clear`, `cells`. */
export type HoldKind = string;

/** What broke, when, why, and what fixed it. */
export interface Fault {
	id: number;
	componentId: number;
	symptom: string;
	/** The row of the handbook that it is one of; null for what nobody has seen before. */
	known: string | null;
	/** What let go, by its kind; null goes by the symptom. */
	holds: HoldKind | null;
	cause: string;
	cure: string;
	occasion: Occasion;
	happenedAt: LocalMinutes;
	minutesLost: number;
	/** The earlier fault that came back as this one. */
	cameBackOf: number | null;
	version: number;
}

/** How often a thing has failed so, this time among them: each came back of the one before. */
export function timesFailed(fault: Fault, faults: readonly Fault[]): number {
	const seen = new Set<Fault>();
	for (let at: Fault | undefined = fault; at && !seen.has(at);) {
		seen.add(at);
		const before: number | null = at.cameBackOf;
		at = faults.find((f) => f.id === before);
	}
	return seen.size;
}

/** Mended when its cure is done: every cure step, and at least one. */
export const isMended = (fault: Fault, steps: readonly Step[]): boolean => {
	const cure = steps.filter((s) => s.faultId === fault.id);
	return cure.length > 0 && cure.every((s) => s.doneAt !== null);
};
