import { seeded } from '../../units/random.ts';

/** One thing that is put on. */
export interface Dressing {
	id: string;
	minutes: number;
	/** 0 is skin. */
	layer: number;
	zones: readonly string[];
	/** What has to be on before it, besides what lies beneath it. */
	after: readonly string[];
	/** People who put it on, the wearer among them. */
	hands: number;
}
export interface DressTask {
	components: readonly Dressing[];
	/** People, the wearer among them. */
	dressers: number;
}
export interface Dressed {
	order: { id: string; start: number; end: number }[];
	minutes: number;
	/** It is never quicker than this. */
	lowerBound: number;
	/** Nothing is quicker. */
	proved: boolean;
}

/** In minutes, for what is worked out in two ways. */
const SAME = 1e-9;
/** Orders that are tried before the search for the quickest. */
const TRIED = 80;
/** Beyond so many the search finds no proof in any time that somebody waits. */
const MOST_SEARCHED = 30;

/** What each has to wait for: what lies beneath it on one of its zones, and what it says. By place in the list. */
function before(components: readonly Dressing[]): number[][] {
	const at = new Map(components.map((c, i) => [c.id, i]));
	return components.map((c) => {
		const beneath = components.flatMap((other, i) =>
			other.layer < c.layer && other.zones.some((z) => c.zones.includes(z)) ? [i] : []
		);
		const said = c.after.flatMap((id) => at.get(id) ?? []);
		return [...new Set([...beneath, ...said])];
	});
}

/** Some that wait for each other, by their ids, the first again at the end; null where none do. */
export function circleOf(components: readonly Dressing[]): string[] | null {
	const waits = before(components);
	const state = new Uint8Array(components.length);
	const path: number[] = [];
	function visit(i: number): number[] | null {
		if (state[i] === 2) return null;
		if (state[i] === 1) return [...path.slice(path.indexOf(i)), i];
		state[i] = 1;
		path.push(i);
		for (const other of waits[i]!) {
			const found = visit(other);
			if (found) return found;
		}
		path.pop();
		state[i] = 2;
		return null;
	}
	for (let i = 0; i < components.length; i++) {
		const found = visit(i);
		// What waits comes after: read the other way it is the order that nobody can keep.
		if (found) return found.reverse().map((k) => components[k]!.id);
	}
	return null;
}

/**
 * The quickest order to put everything on. Whoever is free helps; two things on one zone are not put on at once. A list is turned into
 * times by putting each on as soon as it can be; lists are tried by the longest way that is left and at random, then every one, until
 * nothing can be quicker or the time is over.
 *
 * @param task no circles, ids all different, nothing needs more hands than there are
 * @param seconds for the search
 * @param elapsed since it began
 */
export function dressOrder(
	{ components, dressers }: DressTask,
	seconds: number,
	elapsed: () => number
): Dressed {
	const n = components.length;
	const waits = before(components);
	const minutes = components.map((c) => c.minutes);
	const hands = components.map((c) => c.hands);
	const zones = [...new Set(components.flatMap((c) => c.zones))];
	const shares = components.map((a) => components.map((b) => a.zones.some((z) => b.zones.includes(z))));
	const followers = components.map((_, i) => waits.flatMap((w, k) => (w.includes(i) ? [k] : [])));
	const longest = (of: readonly number[][]) => {
		const known: number[] = [];
		const way = (i: number): number => (known[i] ??= minutes[i]! + Math.max(0, ...of[i]!.map(way)));
		return components.map((_, i) => way(i));
	};
	// The longest ways to its end, and from its beginning.
	const until = longest(waits);
	const from = longest(followers);
	const least = (of: readonly number[]) => (of.length ? Math.min(...of) : 0);
	/** Those of which no two are put on at once: one after the other, between what comes before all and after all. */
	const oneByOne = (of: readonly number[]) =>
		least(of.map((i) => until[i]! - minutes[i]!)) +
		of.reduce((sum, i) => sum + minutes[i]!, 0) +
		least(of.map((i) => from[i]! - minutes[i]!));
	const all = components.map((_, i) => i);
	const lowerBound = Math.max(
		0,
		...all.map((i) => until[i]! + from[i]! - minutes[i]!),
		...zones.map((z) => oneByOne(all.filter((i) => components[i]!.zones.includes(z)))),
		oneByOne(all.filter((i) => 2 * hands[i]! > dressers)),
		all.reduce((sum, i) => sum + minutes[i]! * hands[i]!, 0) / dressers
	);

	const start = new Float64Array(n);
	/** When it can begin, after what is on: as soon as what it waits for is, hands are free, and nobody is at its zones. */
	function soonest(i: number, on: readonly number[], notBefore: number): number {
		let at = notBefore;
		for (const w of waits[i]!) at = Math.max(at, start[w]! + minutes[w]!);
		for (;;) {
			let next = Infinity;
			const end = at + minutes[i]!;
			const during = on.filter((k) => start[k]! < end - SAME && start[k]! + minutes[k]! > at + SAME);
			for (const k of during) if (shares[i]![k]) next = Math.min(next, start[k]! + minutes[k]!);
			if (next === Infinity) {
				// The most hands at any one time: at its beginning, and whenever another begins.
				for (const moment of [at, ...during.map((k) => start[k]!).filter((s) => s > at)]) {
					const busy = during.filter(
						(k) => start[k]! <= moment + SAME && start[k]! + minutes[k]! > moment + SAME
					);
					if (busy.reduce((sum, k) => sum + hands[k]!, 0) + hands[i]! <= dressers) continue;
					next = Math.min(next, ...busy.map((k) => start[k]! + minutes[k]!));
				}
			}
			if (next === Infinity) return at;
			at = next;
		}
	}
	const endOf = (on: readonly number[]) => on.reduce((end, i) => Math.max(end, start[i]! + minutes[i]!), 0);
	let best = { minutes: Infinity, starts: new Float64Array(n) };
	function keep(): void {
		const end = endOf(all);
		if (end < best.minutes - SAME) best = { minutes: end, starts: start.slice() };
	}
	const proved = () => best.minutes <= lowerBound + SAME;

	/** By how urgent each is, the most urgent of those that can be next first. */
	function byUrgency(urgency: readonly number[]): void {
		const on: number[] = [];
		const waiting = waits.map((w) => w.length);
		const open = all.filter((i) => waiting[i] === 0);
		while (open.length) {
			let at = 0;
			for (let k = 1; k < open.length; k++) if (urgency[open[k]!]! > urgency[open[at]!]!) at = k;
			const [next] = open.splice(at, 1) as [number];
			start[next] = soonest(next, on, 0);
			on.push(next);
			for (const f of followers[next]!) if (--waiting[f]! === 0) open.push(f);
		}
		keep();
	}
	const random = seeded(1);
	byUrgency(from);
	for (let round = 0; round < TRIED && !proved(); round++) {
		// What began late in the best so far may have been more urgent than it looked.
		const swing = 0.2 + 0.8 * (round / TRIED);
		byUrgency(
			from.map((way, i) => (round % 2 ? way : -best.starts[i]!) + (random() - 0.5) * swing * lowerBound)
		);
	}

	let over = n > MOST_SEARCHED;
	/** Every order, by beginnings that never go back: what was put on last began last. */
	function search(on: number[], since: number): void {
		if (over || proved()) return;
		if (elapsed() > seconds) {
			over = true;
			return;
		}
		if (on.length === n) {
			keep();
			return;
		}
		const next = all
			.filter((i) => !on.includes(i) && waits[i]!.every((w) => on.includes(w)))
			.map((i) => ({ i, at: soonest(i, on, since) }))
			.sort((a, b) => a.at - b.at || from[b.i]! - from[a.i]!);
		const left = all.filter((i) => !on.includes(i));
		for (const { i, at } of next) {
			// Whatever is left begins no sooner.
			const work = left.reduce((sum, k) => sum + minutes[k]! * hands[k]!, 0);
			const busy = on.reduce((sum, k) => sum + Math.max(0, start[k]! + minutes[k]! - at) * hands[k]!, 0);
			const bound = Math.max(at + (work + busy) / dressers, at + from[i]!, ...left.map((k) => at + from[k]!));
			if (bound >= best.minutes - SAME) continue;
			start[i] = at;
			search([...on, i], at);
			if (over || proved()) return;
		}
	}
	if (!proved() && !over) search([], 0);

	return {
		order: all
			.map((i) => ({ id: components[i]!.id, start: best.starts[i]!, end: best.starts[i]! + minutes[i]! }))
			.sort((a, b) => a.start - b.start || a.end - b.end),
		minutes: n ? best.minutes : 0,
		lowerBound: over ? lowerBound : n ? best.minutes : 0,
		proved: !over || proved()
	};
}
