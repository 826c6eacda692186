import type { CostumeRecord } from '../facts/costume.ts';
import type { Need } from '../facts/material.ts';
import type { Step } from '../facts/step.ts';
import type { Change } from './asIf.ts';

/** A component of which nothing is left to do but what is left out takes no more material. */
export function needsLeft(
	steps: readonly Step[],
	leftOut: readonly Step[],
	needs: readonly Need[]
): Pick<CostumeRecord, 'needs' | 'leftOutNeeds'> {
	const dropped = new Set(leftOut.map((s) => s.componentId));
	for (const s of steps) if (s.doneAt === null) dropped.delete(s.componentId);
	return {
		needs: needs.filter((n) => !dropped.has(n.componentId)),
		leftOutNeeds: needs.filter((n) => dropped.has(n.componentId))
	};
}

/** Steps left out, as the record is read once they are. */
export const leaveOut =
	(ids: ReadonlySet<number>): Change =>
	({ record, workshop }) => {
		const steps = record.steps.filter((s) => !ids.has(s.id));
		const leftOut = [...record.leftOut, ...record.steps.filter((s) => ids.has(s.id))];
		const needs = needsLeft(steps, leftOut, [...record.needs, ...record.leftOutNeeds]);
		return { record: { ...record, steps, leftOut, ...needs }, workshop };
	};
