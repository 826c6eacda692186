import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Span } from './calendar.ts';
import type { Link, Node } from './network.ts';
import {
	endOfHours,
	firstOpen,
	inOneRun,
	inParts,
	openAfter,
	openBetween,
	pastBarred,
	type Block
} from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { freeAll, MANY, Teams, teamsOf, type Shop, type Team } from './shop.ts';

/** How many later openings are tried for the first of a chain that a recoat window binds together. */
const CHAIN_TRIES = 8;
/** What is set out for a colour stays set out for so long without work, minutes. Common practice: as long as a coat flashes off. */
export const SESSION_GAP = 60;
const NONE: readonly Span[] = [];

/**
 * Serial schedule generation: one step after another, each at the earliest place that is still free, by the
 * team that is done first. Where a step bound by a recoat window stands right behind the one it follows, the
 * two are placed together, so that the window is not given away to others. A step that fits nowhere stays
 * unplaced, and so does all that waits for it.
 *
 * One builder serves for many plans of one network: `build` begins anew each time.
 */
export class Builder {
	readonly nodes: readonly Node[];
	readonly shop: Shop;
	/** Hands-on minutes, earliest starts and added waiting of each step: simulated builds change them. */
	readonly minutes: Int32Array;
	readonly release: Int32Array;
	readonly extraWait: Int32Array;
	/** The team that has to do a step, by its number; −1 leaves it to whoever is done first. */
	readonly forced: Int32Array;
	/** Of what was built last. Unplaced steps end NEVER. */
	readonly start: Int32Array;
	readonly end: Int32Array;
	/** Earliest start from links and release, before anybody's hours are looked at. */
	readonly free: Int32Array;
	readonly blocks: (readonly Block[])[];
	readonly teams: readonly Teams[];
	readonly #bound: (Link | undefined)[];
	readonly #anywhere: boolean;
	readonly #leastPart: number;
	/** Place held while nobody works there, because what is set out is used again: from, to. */
	readonly #held: (Span | null)[];
	readonly #alike: (number[] | null)[];
	readonly #pinned: number[];

	constructor(nodes: readonly Node[], shop: Shop, rules: Pick<PlanProblem, 'split' | 'leastPart'>) {
		this.nodes = nodes;
		this.shop = shop;
		this.minutes = Int32Array.from(nodes, (n) => n.minutes);
		this.release = Int32Array.from(nodes, (n) => n.release);
		this.extraWait = new Int32Array(nodes.length);
		this.forced = new Int32Array(nodes.length).fill(-1);
		this.start = new Int32Array(nodes.length);
		this.end = new Int32Array(nodes.length);
		this.free = new Int32Array(nodes.length);
		this.blocks = nodes.map(() => []);
		// Also for what usually takes none: on a bad day it may.
		this.teams = nodes.map((n) => (n.step.minutes[2] > 0 ? teamsOf(shop, n) : new Teams(shop, [], [], 1)));
		this.#bound = nodes.map((n) => n.behind.find((l) => l.within !== null));
		this.#anywhere = rules.split === 'anywhere';
		this.#leastPart = rules.leastPart;
		this.#held = nodes.map(() => null);
		this.#alike = alikeSteps(nodes);
		this.#pinned = nodes.flatMap((n, i) => (n.pin === null ? [] : [i]));
	}

	/** Builds by this order; a step whose predecessors come later in it stays unplaced. */
	build(order: ArrayLike<number>): void {
		this.begin();
		for (let k = 0; k < order.length; k++) {
			const chain = this.#bound[order[k]!] ? this.#chainAt(order, k) : null;
			if (chain) this.#placeChain(chain);
			else this.place(order[k]!);
		}
	}

	/** Nothing placed but what is pinned, which has its hours before all others. */
	begin(): void {
		freeAll(this.shop);
		this.end.fill(NEVER);
		this.#held.fill(null);
		for (const i of this.#pinned) {
			const pin = this.nodes[i]!.pin!;
			this.#keep(i, this.#earliest(i, pin, NONE));
			// Another's pin was first.
			if (this.end[i] !== NEVER && this.start[i] !== pin) this.#release(i);
		}
	}

	/** Latest moment at which something is ready; NEVER when a step is unplaced. */
	finish(): LocalMinutes {
		let last = -NEVER;
		for (let i = 0; i < this.nodes.length; i++) {
			if (this.end[i] === NEVER) return NEVER;
			last = Math.max(last, this.end[i]! + this.nodes[i]!.step.wait + this.extraWait[i]!);
		}
		return last;
	}

	place(i: number): void {
		if (this.nodes[i]!.pin !== null && this.end[i] !== NEVER) {
			const start = this.start[i]!;
			if (start >= this.#freeFrom(i) && pastBarred(this.#barred(i), start) === start) return;
			// What it waits for is later than its pin, or its recoat window bars it: it moves.
			this.#release(i);
		}
		if (this.end[i] === NEVER) this.#placeOne(i, -NEVER);
	}

	/** The steps from `k` on in the order that recoat windows bind to each other and that wait for nothing else. */
	#chainAt(order: ArrayLike<number>, k: number): number[] | null {
		const chain = [order[k]!];
		for (let at = order[k]!; ;) {
			const next = order[k + chain.length];
			if (next === undefined || this.end[next] !== NEVER) break;
			const { before } = this.nodes[next]!;
			if (!before.some((l) => l.node === at && l.within !== null)) break;
			if (before.some((l) => l.node !== at && this.end[l.node] === NEVER)) break;
			chain.push(next);
			at = next;
		}
		return chain.length > 1 && this.end[chain[0]!] === NEVER ? chain : null;
	}

	/** Tries the first of the chain later while a window is missed, and takes the try that ends soonest. */
	#placeChain(chain: readonly number[]): void {
		const head = chain[0]!;
		const last = chain[chain.length - 1]!;
		const placeFrom = (from: LocalMinutes) => {
			for (const [k, i] of chain.entries()) this.#placeOne(i, k === 0 ? from : -NEVER);
		};
		let from = -NEVER;
		let bestFrom = from;
		let bestEnd = Infinity;
		for (let tries = 0; tries < CHAIN_TRIES; tries++) {
			placeFrom(from);
			if (this.end[last]! < bestEnd) [bestEnd, bestFrom] = [this.end[last]!, from];
			const k = chain.findIndex((i, k) => k > 0 && this.#missesWindow(chain[k - 1]!, i));
			if (this.end[head] === NEVER || k < 0) break;
			const next = this.#laterStart(head, chain[k - 1]!, chain[k]!);
			for (const i of chain) this.#release(i);
			if (next === null) break;
			from = next;
		}
		if (this.end[last] === bestEnd && this.end[head] !== NEVER) return;
		for (const i of chain) this.#release(i);
		placeFrom(bestFrom);
	}

	#missesWindow(from: number, to: number): boolean {
		return this.end[to] === NEVER || this.start[to]! > this.end[from]! + this.#windowOf(from, to);
	}

	/** The least put-off of the head with which `from` may end late enough for `to`; else its next opening. */
	#laterStart(head: number, from: number, to: number): LocalMinutes | null {
		const open = this.blocks[head]![0]?.team.open;
		this.#release(to);
		const soonest = this.#earliest(to, this.#freeFrom(to), this.nodes[to]!.barred);
		const start = soonest === null ? NEVER : typeof soonest === 'number' ? soonest : soonest[0]!.from;
		const target = start - this.#windowOf(from, to);
		// What takes no time may be at any.
		if (!open)
			return start < NEVER && target > this.end[from]! ? this.start[head]! + target - this.end[from]! : null;
		const next = firstOpen(open, this.start[head]!) + 2;
		const opening = next < open.length ? open[next]! : null;
		if (start === NEVER || target <= this.end[from]!) return opening;
		const put = openAfter(open, this.start[head]!, openBetween(open, this.end[from]!, target));
		return put !== null && put > this.start[head]! ? put : opening;
	}

	#windowOf(from: number, to: number): number {
		return this.nodes[to]!.before.find((l) => l.node === from)!.within!;
	}

	#freeFrom(i: number): LocalMinutes {
		const { before } = this.nodes[i]!;
		let free = this.release[i]!;
		for (let k = 0; k < before.length; k++) {
			const { node, lag } = before[k]!;
			if (this.end[node] === NEVER) return NEVER;
			free = Math.max(free, this.end[node]! + lag + this.extraWait[node]!);
		}
		return free;
	}

	#placeOne(i: number, from: LocalMinutes): void {
		const free = this.#freeFrom(i);
		this.free[i] = free;
		if (free === NEVER) return;
		this.#keep(i, this.#earliest(i, Math.max(free, from), this.#barred(i)));
	}

	/** A recoat window bars the starts between its end and the time from which it is allowed again. */
	#barred(i: number): readonly Span[] {
		const node = this.nodes[i]!;
		let barred: Span[] | null = null;
		for (const l of node.before)
			if (l.within !== null && l.orAfter > l.within)
				(barred ??= [...node.barred]).push([
					this.end[l.node]! + l.within + 1,
					Math.min(NEVER, this.end[l.node]! + l.orAfter)
				]);
		return barred ?? node.barred;
	}

	#earliest(i: number, from: LocalMinutes, barred: readonly Span[]): readonly Block[] | LocalMinutes | null {
		const minutes = this.minutes[i]!;
		if (minutes === 0) {
			const at = pastBarred(barred, from);
			return at < NEVER ? at : null;
		}
		const whole = this.#soonest(i, minutes, from, barred);
		const joined =
			this.#alike[i] && this.#joined(i, from, barred, whole ? Math.min(NEVER, endOf(whole) + 1) : NEVER);
		if (joined) {
			this.#held[i] = joined.held;
			return joined.blocks;
		}
		return whole;
	}

	/** Null when it cannot be done before `before`, if it is in one run. */
	#soonest(
		i: number,
		minutes: number,
		from: LocalMinutes,
		barred: readonly Span[],
		before = NEVER
	): readonly Block[] | null {
		const force = this.forced[i]!;
		const teams = this.teams[i]!;
		const { oneSitting } = this.nodes[i]!.step;
		if (this.#anywhere && !oneSitting)
			return inParts(force < 0 ? teams : [teams.at(force)], minutes, this.#leastPart, barred, from);
		let best: readonly Block[] | null = null;
		const tryWith = (team: Team) => {
			// On a bad day a sitting can be longer than any window: it goes on past the end of the longest.
			const sitting = oneSitting ? Math.min(minutes, team.longest) : minutes;
			if (sitting === 0) return;
			const found = inOneRun(team, sitting, oneSitting, barred, from, before);
			if (!found || endOf(found) >= before) return;
			best = found;
			before = endOf(found);
		};
		if (force >= 0) tryWith(teams.at(force));
		else {
			// Measured against whoever was done first the last time, those who are busy for weeks are passed over soon.
			if (teams.first && teams.length >= MANY) {
				tryWith(teams.first);
				// Of those who are done as soon the first in order is taken.
				if (best) before++;
			}
			// Nobody of a team is done before the free hours of their own hold it.
			const least = oneSitting ? Math.min(minutes, teams.longest[0]) : minutes;
			const ends = teams.hands > 1 ? teams.pool.map((m) => endOfHours(m, least, from, before)) : null;
			teams.look((m) => !ends || ends[m]! < before, tryWith);
			if (best) teams.first = (best as readonly Block[])[0]!.team;
		}
		return best;
	}

	/** Just after work for which the same is set out, at the same place, without the minutes to set it out again. */
	#joined(
		i: number,
		from: LocalMinutes,
		barred: readonly Span[],
		before: LocalMinutes
	): { blocks: readonly Block[]; held: Span } | null {
		const { step } = this.nodes[i]!;
		const place = this.shop.places.get(step.place!)!.bookings;
		const minutes = Math.max(1, this.minutes[i]! - step.setUp!.minutes);
		let best: { blocks: readonly Block[]; held: Span } | null = null;
		for (const j of this.#alike[i]!) {
			const end = this.end[j]!;
			if (end === NEVER || end + SESSION_GAP < from) continue;
			const blocks = this.#soonest(i, minutes, Math.max(from, end), barred, before);
			const start = blocks?.[0]?.from ?? NEVER;
			if (start > end + SESSION_GAP || place.lastFullEnd(end, start) !== end) continue;
			if (endOf(blocks!) >= before) continue;
			best = { blocks: blocks!, held: [end, start] };
			before = endOf(blocks!);
		}
		return best;
	}

	#keep(i: number, what: readonly Block[] | LocalMinutes | null): void {
		if (what === null) return;
		if (typeof what === 'number') {
			this.start[i] = this.end[i] = what;
			this.blocks[i] = [];
			return;
		}
		this.blocks[i] = what;
		this.start[i] = what[0]!.from;
		this.end[i] = endOf(what);
		this.#book(i, 1);
	}

	#release(i: number): void {
		if (this.end[i] === NEVER) return;
		this.#book(i, -1);
		this.#held[i] = null;
		this.end[i] = NEVER;
	}

	#book(i: number, change: 1 | -1): void {
		for (const { from, to, team } of this.blocks[i]!)
			for (const r of team.members) r.bookings.add(from, to, change);
		const held = this.#held[i];
		if (held) this.shop.places.get(this.nodes[i]!.step.place!)!.bookings.add(held[0], held[1], change);
	}
}

const endOf = (blocks: readonly Block[]): LocalMinutes => blocks[blocks.length - 1]!.to;

/** For each step with something to set out, the others for which the same is set out at the same place. */
function alikeSteps(nodes: readonly Node[]): (number[] | null)[] {
	const groups = new Map<string, number[]>();
	const keys = nodes.map(({ step }, i) => {
		if (!step.setUp || step.place === null) return null;
		const key = JSON.stringify([step.place, step.setUp.key]);
		groups.set(key, [...(groups.get(key) ?? []), i]);
		return key;
	});
	return keys.map((key, i) => {
		const group = key === null ? [] : groups.get(key)!;
		return group.length > 1 ? group.filter((j) => j !== i) : null;
	});
}
