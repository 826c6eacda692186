import type { LocalMinutes } from '../units/localTime.ts';
import { firstEndingAfter, type Span } from './calendar.ts';
import type { Link, Node } from './network.ts';
import { earliestBlocks, pastBarred } from './placing.ts';
import type { Split } from './problem.ts';
import { book, commonOpen, teamsOf, unbook, type Resource, type Resources } from './resources.ts';

export interface Placement {
	start: LocalMinutes;
	end: LocalMinutes;
	blocks: Span[];
	team: Resource[];
	/** Makers of the team: the place is not one of them. */
	makers: string[];
	/** Earliest start from its links and its release, before anybody's hours are looked at. */
	free: LocalMinutes;
}

export interface SerialInput {
	nodes: readonly Node[];
	resources: Resources;
	split: Split;
	leastPart: number;
	/** The one to place next among those whose predecessors are placed. */
	pick: (eligible: readonly number[]) => number;
}

/** How many later openings are tried for the first of a chain that a recoat window binds together. */
const CHAIN_TRIES = 8;

/**
 * Serial schedule generation: one step after another, each at the earliest place that is still free.
 * Steps bound by a recoat window are placed together with the one they follow, so that the window
 * is not given away to others. A node that fits nowhere stays null, and so does all that waits for it.
 */
export function serialPlan(input: SerialInput): (Placement | null)[] {
	const { nodes } = input;
	const placed = new Array<Placement | null>(nodes.length).fill(null);
	const waiting = nodes.map((n) => n.before.length);
	const eligible = waiting.flatMap((count, i) => (count === 0 ? [i] : []));
	const done = new Set<number>();
	while (eligible.length > 0) {
		const next = input.pick(eligible);
		const chain = boundChain(nodes, next, waiting);
		placeChain(input, chain, placed);
		for (const i of chain) {
			done.add(i);
			const at = eligible.indexOf(i);
			if (at >= 0) eligible.splice(at, 1);
			if (placed[i])
				for (const { node } of nodes[i]!.behind)
					if (--waiting[node]! === 0 && !done.has(node) && !chain.includes(node)) eligible.push(node);
		}
	}
	return placed;
}

/** The node and those bound to it by recoat windows that wait for nothing else. */
function boundChain(nodes: readonly Node[], head: number, waiting: readonly number[]): number[] {
	const chain = [head];
	for (let at = head; ;) {
		const bound = nodes[at]!.behind.find((l) => l.within !== null && waiting[l.node] === 1);
		if (!bound || chain.includes(bound.node)) return chain;
		chain.push(bound.node);
		at = bound.node;
	}
}

function placeChain(input: SerialInput, chain: readonly number[], placed: (Placement | null)[]): void {
	let best: (Placement | null)[] | null = null;
	let from = -Infinity;
	for (let tries = 0; tries < (chain.length > 1 ? CHAIN_TRIES : 1); tries++) {
		const trial = tryChain(input, chain, placed, from);
		for (const i of chain) release(placed, i);
		if (!best || (endOf(trial) ?? Infinity) < (endOf(best) ?? Infinity)) best = trial;
		const head = trial[0];
		if (
			!head ||
			trial.every((p, k) => k === 0 || (p && inWindow(input.nodes[chain[k]!]!, placedOf(trial, chain), p)))
		)
			break;
		const open = commonOpen(input.resources, head.team);
		const next = open[firstEndingAfter(open, head.start) + 1];
		if (!next) break;
		from = next[0];
	}
	best!.forEach((placement, k) => hold(placed, chain[k]!, placement));
}

const endOf = (trial: readonly (Placement | null)[]) => trial[trial.length - 1]?.end;
const placedOf = (trial: readonly (Placement | null)[], chain: readonly number[]) =>
	new Map(chain.map((i, k) => [i, trial[k]]));

/** Whether a bound step started inside the window after the one before it. */
function inWindow(
	node: Node,
	chain: ReadonlyMap<number, Placement | null | undefined>,
	p: Placement
): boolean {
	return node.before.every((l) => {
		const before = chain.get(l.node);
		return !before || l.within === null || p.start <= before.end + l.within;
	});
}

function tryChain(
	input: SerialInput,
	chain: readonly number[],
	placed: (Placement | null)[],
	from: LocalMinutes
): (Placement | null)[] {
	return chain.map((i, k) => {
		const placement = placeOne(input, i, placed, k === 0 ? from : -Infinity);
		hold(placed, i, placement);
		return placement;
	});
}

function hold(placed: (Placement | null)[], i: number, placement: Placement | null): void {
	placed[i] = placement;
	for (const r of placement?.team ?? []) for (const b of placement!.blocks) book(r, b);
}

function release(placed: (Placement | null)[], i: number): void {
	const placement = placed[i];
	for (const r of placement?.team ?? []) for (const b of placement!.blocks) unbook(r, b);
	placed[i] = null;
}

function placeOne(
	input: SerialInput,
	i: number,
	placed: readonly (Placement | null)[],
	from: LocalMinutes
): Placement | null {
	const node = input.nodes[i]!;
	if (node.before.some((l) => !placed[l.node])) return null;
	const free = node.before.reduce((t, l) => Math.max(t, placed[l.node]!.end + l.lag), node.release);
	const barred = [...node.barred, ...node.before.flatMap((l) => barredBy(l, placed[l.node]!))];
	const earliest = Math.max(free, from);
	if (node.minutes === 0) {
		const at = pastBarred(barred, earliest);
		return Number.isFinite(at) ? { start: at, end: at, blocks: [], team: [], makers: [], free } : null;
	}
	const place = node.step.place === null ? [] : [input.resources.places.get(node.step.place)!];
	const work = { ...input, minutes: node.minutes, oneSitting: node.step.oneSitting, barred };
	let best: Placement | null = null;
	for (const makers of teamsOf(input.resources, node.step.makers, node.step.with)) {
		const team = [...makers, ...place];
		const blocks = earliestBlocks(input.resources, team, work, earliest);
		if (!blocks) continue;
		const end = blocks[blocks.length - 1]![1];
		if (!best || end < best.end)
			best = { start: blocks[0]![0], end, blocks, team, makers: makers.map((m) => m.id), free };
	}
	return best;
}

/** A recoat window bars the starts between its end and the time from which it is allowed again. */
const barredBy = (link: Link, before: Placement): Span[] =>
	link.within === null || link.orAfter <= link.within
		? []
		: [[before.end + link.within + 1, before.end + link.orAfter]];
