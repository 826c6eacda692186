import type { CostumeRecord } from '../facts/costume.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { isMended, type Fault } from '../facts/fault.ts';
import type { Purchase } from '../facts/material.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Component } from '../facts/component.ts';
import { waitOf, type Drying } from './wait.ts';
import { hasWork, type Phase, type Step } from '../facts/step.ts';

/** In the order of the work; a costume is as far as its least finished component. */
export const STAGES = [
	'broken',
	'to plan',
	'to pattern',
	'to buy',
	'on its way',
	'to make',
	'to finish',
	'drying',
	'to rig',
	'to fit',
	'mended',
	'ready',
	'left out'
] as const;
export type Stage = (typeof STAGES)[number];

const STAGE_OF_PHASE: Record<Phase, Stage> = {
	pattern: 'to pattern',
	make: 'to make',
	finish: 'to finish',
	rig: 'to rig',
	fit: 'to fit'
};

export interface StageFacts {
	steps: readonly Step[];
	leftOut: readonly Step[];
	faults: readonly Fault[];
	purchases: readonly Purchase[];
}

/** A component's stage, from its own steps, faults and purchases. Nobody sets it by hand. */
export function stageOf(component: Component, facts: StageFacts, workshop: Drying, now: LocalMinutes): Stage {
	const steps = facts.steps
		.filter((s) => s.componentId === component.id)
		.sort((a, b) => a.position - b.position || a.id - b.id);
	const faults = facts.faults.filter((f) => f.componentId === component.id);
	if (faults.some((f) => !isMended(f, steps))) return 'broken';
	const next = steps.find(hasWork);
	const drying = steps.some(
		(s) => s.doneAt !== null && s.doneAt + waitOf(s, workshop) > now && now >= s.doneAt
	);
	if (next) return drying ? 'drying' : STAGE_OF_PHASE[next.phase];
	if (drying) return 'drying';
	if (facts.leftOut.some((s) => s.componentId === component.id)) return 'left out';
	if (steps.length > 0) return faults.length > 0 ? 'mended' : 'ready';
	return stageWithoutSteps(component, facts.purchases);
}

function stageWithoutSteps(component: Component, purchases: readonly Purchase[]): Stage {
	if (component.source === 'have') return 'ready';
	if (component.source !== 'buy') return 'to plan';
	const mine = purchases.filter((p) => p.componentId === component.id);
	if (mine.length === 0 || mine.some((p) => p.state === 'planned')) return 'to buy';
	return mine.some((p) => p.state === 'ordered') ? 'on its way' : 'ready';
}

/**
 * The costume's stage: its least finished component's. Broken is what was whole: while something is still to be made,
 * a broken part is one more thing to do. Null without components.
 */
export function costumeStage(stages: readonly Stage[]): Stage | null {
	const making = stages.filter((s) => s !== 'broken' && STAGES.indexOf(s) < STAGES.indexOf('mended'));
	return (making.length ? making : stages).reduce<Stage | null>(
		(least, s) => (least === null || STAGES.indexOf(s) < STAGES.indexOf(least) ? s : least),
		null
	);
}

/** How far the figure's outline is stitched: done hands-on minutes of all, 0 to 1. */
export function doneShare(minutes: readonly { usual: number; done: boolean }[]): number {
	const all = minutes.reduce((sum, m) => sum + m.usual, 0);
	return all === 0 ? 0 : minutes.reduce((sum, m) => sum + (m.done ? m.usual : 0), 0) / all;
}

/** The same of each component of a costume. @param minutes of each step, good, usual and bad */
export const progressOf = (
	{ components, steps }: Pick<CostumeRecord, 'components' | 'steps'>,
	minutes: ReadonlyMap<number, ThreePoints>
): Record<number, number> =>
	Object.fromEntries(
		components.map((c) => [
			c.id,
			doneShare(
				steps
					.filter((s) => s.componentId === c.id)
					.map((s) => ({ usual: minutes.get(s.id)![1], done: s.doneAt !== null }))
			)
		])
	);
