import type { LocalMinutes } from '../../units/localTime.ts';
import { buildsOf, horizonOf, type OddsTask } from './odds.ts';

/** Parcels that may come later than planned, one at a time. */
export interface OrderingTask extends Omit<OddsTask, 'by'> {
	deadline: LocalMinutes;
	/** Moments at which each would come, the first as the problem has it, none before the one ahead of it. */
	parcels: readonly { id: string; at: readonly LocalMinutes[] }[];
}

/** For each moment: the share of builds that are ready by the deadline if the parcel comes then and all else as planned. */
export interface Ordering {
	id: string;
	shares: number[];
}

/**
 * How long each parcel can wait. Every build is made again with the parcel later and all else the same, luck too, so that shares of
 * days compare to the build; the last moment that serves is looked for from where it was in the build before. What a later parcel
 * makes late is taken to stay late with a still later one. Yields the share that is done.
 */
export function* ordering(task: OrderingTask): Generator<number, Ordering[]> {
	const { problem, deadline, runs } = task;
	const last = new Map(task.parcels.map((p) => [p.id, Math.min(p.at.at(-1)!, deadline)]));
	const parcels = (problem.parcels ?? []).map((p) => ({ ...p, at: Math.max(p.at, last.get(p.id) ?? p.at) }));
	const { nodes, late, release, again, build } = buildsOf(task, horizonOf({ ...problem, parcels }));
	const waiting = new Map(
		task.parcels.map(({ id }) => [id, nodes.flatMap((n, i) => (n.step.parcels?.includes(id) ? [i] : []))])
	);
	const lost = new Map(task.parcels.map((p) => [p.id, new Int32Array(p.at.length + 1)]));
	const guess = new Map(task.parcels.map((p) => [p.id, p.at.length - 1]));
	let inTime = 0;
	for (let run = 0; run < runs; run++) {
		again();
		if (build() > deadline) {
			yield (run + 1) / runs;
			continue;
		}
		inTime++;
		for (const { id, at } of task.parcels) {
			const came = late.get(id)!;
			const serves = (k: number): boolean => {
				late.set(id, came + at[k]! - at[0]!);
				for (const i of waiting.get(id)!) release(i);
				return build() <= deadline;
			};
			const its = lastThat(serves, at.length, guess.get(id)!);
			late.set(id, came);
			for (const i of waiting.get(id)!) release(i);
			guess.set(id, its);
			lost.get(id)![its + 1]!++;
			yield run / runs;
		}
	}
	return task.parcels.map(({ id, at }) => {
		let left = inTime;
		return { id, shares: at.map((_, k) => (left -= lost.get(id)![k]!) / runs) };
	});
}

/**
 * The last of `count` that holds, where the first does and none after one that does not; looked for in growing strides from `guess`.
 */
export function lastThat(holds: (k: number) => boolean, count: number, guess: number): number {
	let low = 0;
	let high = count;
	let stride = 1;
	if (guess <= 0 || holds(guess)) {
		low = Math.max(0, guess);
		for (; low + stride < high && holds(low + stride); stride *= 2) low += stride;
		high = Math.min(high, low + stride);
	} else {
		high = guess;
		for (; high - stride > low && !holds(high - stride); stride *= 2) high -= stride;
		low = Math.max(low, high - stride);
	}
	while (high - low > 1) {
		const mid = (low + high) >> 1;
		if (holds(mid)) low = mid;
		else high = mid;
	}
	return low;
}
