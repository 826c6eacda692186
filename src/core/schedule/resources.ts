import type { LocalMinutes } from '../units/localTime.ts';
import { firstEndingAfter, intersect, mirrored, openSpans, type Span } from './calendar.ts';
import type { PlanProblem } from './problem.ts';

/** A maker or a place: when it is open, what is booked, and where it is full. */
export interface Resource {
	id: string;
	capacity: number;
	open: readonly Span[];
	booked: Span[];
	/** Sorted spans in which nothing more fits. With capacity 1 these are the bookings. */
	full: Span[];
}

export interface Resources {
	makers: Resource[];
	places: Map<string, Resource>;
	/** Common open spans of a team and its place, kept because they are asked for again and again. */
	common: Map<string, readonly Span[]>;
	/** Longest of those spans, likewise. */
	longest: Map<readonly Span[], number>;
}

export function makeResources(problem: PlanProblem, from: LocalMinutes, to: LocalMinutes): Resources {
	const make = (id: string, capacity: number, open: Span[]): Resource => {
		const resource: Resource = { id, capacity, open, booked: [], full: [] };
		for (const span of problem.taken?.get(id) ?? []) book(resource, span);
		return resource;
	};
	return {
		makers: problem.makers.map((m) => make(m.id, 1, openSpans(m, from, to))),
		places: new Map(problem.places.map((p) => [p.id, make(p.id, p.capacity, openSpans(p, from, to))])),
		common: new Map(),
		longest: new Map()
	};
}

/** The same resources with time run backwards. `taken` hours stay taken. */
export function mirrorResources(problem: PlanProblem, from: LocalMinutes, to: LocalMinutes): Resources {
	const forward = makeResources(problem, from, to);
	const flip = (r: Resource): Resource => ({
		...r,
		open: mirrored(r.open),
		booked: mirrored(r.booked),
		full: mirrored(r.full)
	});
	return {
		makers: forward.makers.map(flip),
		places: new Map([...forward.places].map(([id, p]) => [id, flip(p)])),
		common: new Map(),
		longest: new Map()
	};
}

/** The spans in which all of these are open, bookings aside. */
export function commonOpen(resources: Resources, team: readonly Resource[]): readonly Span[] {
	const key = team.map((r) => r.id).join('\u0000');
	let open = resources.common.get(key);
	if (!open) {
		open = team.slice(1).reduce((spans, r) => intersect(spans, r.open), team[0]?.open ?? []);
		resources.common.set(key, open);
	}
	return open;
}

/** The longest span in which all of these are open. */
export function longestOpen(resources: Resources, team: readonly Resource[]): number {
	const open = commonOpen(resources, team);
	let longest = resources.longest.get(open);
	if (longest === undefined) {
		longest = open.reduce((most, [from, to]) => Math.max(most, to - from), 0);
		resources.longest.set(open, longest);
	}
	return longest;
}

export function book(resource: Resource, span: Span): void {
	let at = resource.booked.length;
	while (at > 0 && resource.booked[at - 1]![0] > span[0]) at--;
	resource.booked.splice(at, 0, span);
	refreshFull(resource, span);
}

export function unbook(resource: Resource, span: Span): void {
	const at = resource.booked.findIndex((b) => b[0] === span[0] && b[1] === span[1]);
	if (at >= 0) resource.booked.splice(at, 1);
	refreshFull(resource, span);
}

/** Only what lies inside the span that was booked or freed can have become full or free. */
function refreshFull(resource: Resource, [from, to]: Span): void {
	if (resource.capacity === 1) {
		resource.full = resource.booked;
		return;
	}
	const edges = resource.booked
		.filter((b) => b[0] < to && b[1] > from)
		.flatMap(([a, b]): [number, number][] => [
			[Math.max(a, from), 1],
			[Math.min(b, to), -1]
		])
		.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
	const outside = resource.full.flatMap(([a, b]): Span[] =>
		b <= from || a >= to
			? [[a, b]]
			: [...(a < from ? [[a, from] as Span] : []), ...(b > to ? [[to, b] as Span] : [])]
	);
	let inside = 0;
	let since = 0;
	for (const [at, change] of edges) {
		if (inside >= resource.capacity && inside + change < resource.capacity && at > since)
			outside.push([since, at]);
		if (inside < resource.capacity && inside + change >= resource.capacity) since = at;
		inside += change;
	}
	resource.full = outside.sort((a, b) => a[0] - b[0]);
}

/** The earliest full span of any of these that touches [from, to). */
export function firstConflict(team: readonly Resource[], from: LocalMinutes, to: LocalMinutes): Span | null {
	let earliest: Span | null = null;
	for (const { full } of team) {
		const span = full[firstEndingAfter(full, from)];
		if (span && span[0] < to && (!earliest || span[0] < earliest[0])) earliest = span;
	}
	return earliest;
}

/** Teams of `size` among the allowed makers, in the order in which the makers are given. */
export function teamsOf(resources: Resources, size: number, allowed: readonly string[] | null): Resource[][] {
	const pool = resources.makers.filter((m) => !allowed || allowed.includes(m.id));
	const pick = (from: number, left: number): Resource[][] =>
		left === 0
			? [[]]
			: pool.slice(from).flatMap((m, i) => pick(from + i + 1, left - 1).map((rest) => [m, ...rest]));
	return pick(0, size);
}
