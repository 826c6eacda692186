import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Builder } from './build.ts';
import type { Span } from './calendar.ts';
import type { Block } from './placing.ts';
import type { PlannedStep } from './problem.ts';

/** What was built last, step by step, with how much later each may start by `latest`. */
export function describePlan(builder: Builder, latest: readonly (LocalMinutes | null)[]): PlannedStep[] {
	const { nodes, start, end } = builder;
	const slacks = nodes.map((_, i) => (typeof latest[i] === 'number' ? latest[i]! - start[i]! : null));
	const least = slacks.reduce<number>((min, s) => Math.min(min, s ?? Infinity), Infinity);
	const busy = busyBy(builder);
	return nodes.flatMap(({ step }, i): PlannedStep[] => {
		if (end[i] === NEVER) return [];
		const blocks = builder.blocks[i]!;
		const held = holderOf(builder, busy, i);
		return [
			{
				id: step.id,
				start: start[i]!,
				end: end[i]!,
				ready: end[i]! + step.wait,
				makers: [...new Set(blocks.flatMap((b) => b.team.makers))],
				blocks: blocks.map((b): Span => [b.from, b.to]),
				crews: blocks.map((b) => b.team.makers),
				joined: worked(blocks) < step.minutes[1],
				slackMinutes: slacks[i] ?? null,
				critical: slacks[i] !== null && slacks[i] === least,
				heldBy: held < 0 ? null : nodes[held]!.step.id
			}
		];
	});
}

export const worked = (blocks: readonly Block[]): number => blocks.reduce((sum, b) => sum + b.to - b.from, 0);

/** Steps of each maker and place, by its number in the shop. Simulated builds ask for it thousands of times. */
export type Busy = number[][];

export function busyBy({ nodes, end, blocks, shop }: Builder): Busy {
	const busy: Busy = Array.from({ length: shop.size }, () => []);
	for (let i = 0; i < nodes.length; i++) {
		if (end[i] === NEVER) continue;
		const all = blocks[i]!;
		for (let b = 0; b < all.length; b++) {
			const { members } = all[b]!.team;
			for (let m = 0; m < members.length; m++) {
				const list = busy[members[m]!.index]!;
				if (list[list.length - 1] !== i) list.push(i);
			}
		}
	}
	return busy;
}

/**
 * What the start of a step hung on: its last predecessor, or whatever its team was busy with just before;
 * −1 when it hung on its own earliest start, or on nothing but the hours.
 */
export function holderOf(builder: Builder, busy: Busy, i: number): number {
	const { nodes, start, end, free, blocks, release, extraWait } = builder;
	const members = blocks[i]![0]?.team.members ?? [];
	let last = -1;
	let latest: LocalMinutes = free[i]!;
	for (let m = 0; m < members.length; m++) {
		const list = busy[members[m]!.index]!;
		for (let k = 0; k < list.length; k++) {
			const j = list[k]!;
			if (end[j]! > latest && end[j]! <= start[i]! && j !== i) [last, latest] = [j, end[j]!];
		}
	}
	if (last >= 0) return last;
	let at = -Infinity;
	for (const l of nodes[i]!.before) {
		const ready = end[l.node]! + l.lag + extraWait[l.node]!;
		if (ready > at) [last, at] = [l.node, ready];
	}
	return at >= release[i]! ? last : -1;
}
