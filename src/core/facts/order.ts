import type { Component } from './component.ts';
import { PHASES, type Step } from './step.ts';

/** Steps of one component, first to last. */
export const inOrder = (steps: readonly Step[], componentId: number): Step[] =>
	steps.filter((s) => s.componentId === componentId).sort((a, b) => a.position - b.position || a.id - b.id);

/**
 * What each step waits for: the one before it in its component; for rigging and fitting also the last
 * step of every part of the component; and the links that the maker set.
 */
export function stepsBefore(components: readonly Component[], steps: readonly Step[]): Map<number, number[]> {
	const before = new Map<number, Set<number>>(steps.map((s) => [s.id, new Set(s.after)]));
	const lastOf = new Map<number, number>();
	for (const c of components) {
		const mine = inOrder(steps, c.id);
		mine.forEach((s, i) => i > 0 && before.get(s.id)!.add(mine[i - 1]!.id));
		const last = mine[mine.length - 1];
		if (last) lastOf.set(c.id, last.id);
	}
	for (const c of components) {
		const assembly = inOrder(steps, c.id).find((s) => s.phase === 'rig' || s.phase === 'fit');
		if (!assembly) continue;
		for (const part of components)
			if (part.parentId === c.id && lastOf.has(part.id)) before.get(assembly.id)!.add(lastOf.get(part.id)!);
	}
	const known = new Set(steps.map((s) => s.id));
	return new Map([...before].map(([id, ids]) => [id, [...ids].filter((b) => known.has(b) && b !== id)]));
}

/** Ids of one circle that the steps would wait in, or null. */
export function circleIn(before: ReadonlyMap<number, readonly number[]>): number[] | null {
	const state = new Map<number, 'open' | 'done'>();
	const path: number[] = [];
	const visit = (id: number): number[] | null => {
		if (state.get(id) === 'done') return null;
		if (state.get(id) === 'open') return path.slice(path.indexOf(id));
		state.set(id, 'open');
		path.push(id);
		for (const b of before.get(id) ?? []) {
			const found = visit(b);
			if (found) return found;
		}
		path.pop();
		state.set(id, 'done');
		return null;
	};
	for (const id of before.keys()) {
		const found = visit(id);
		if (found) return found;
	}
	return null;
}

/** Steps of another route among those that are there: each after the last of its own phase or an earlier one; both keep their order. */
export function mergedByPhase<S extends Pick<Step, 'phase'>>(there: readonly S[], added: readonly S[]): S[] {
	const all = [...there];
	const rank = (s: S) => PHASES.indexOf(s.phase);
	for (const step of added) all.splice(all.findLastIndex((s) => rank(s) <= rank(step)) + 1, 0, step);
	return all;
}
