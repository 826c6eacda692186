import type { LocalMinutes } from '../../units/localTime.ts';
import { Bookings } from './bookings.ts';
import { intersect, mirrored, openSpans, type Span } from './calendar.ts';
import type { Node } from './network.ts';
import type { PlanProblem } from './problem.ts';

/** A maker or a place: when it is open, and what of it is booked. */
export interface Resource {
	id: string;
	/** Its number among makers and places. */
	index: number;
	isPlace: boolean;
	/** A place that a wet day closes. */
	dryOnly: boolean;
	open: readonly Span[];
	/** Booked before anything is planned: hours already given away. */
	taken: Bookings;
	bookings: Bookings;
}

/** Makers who could do a step together, with the place that it needs. */
export interface Team {
	members: readonly Resource[];
	makers: string[];
	/** Common open spans: from, to, from, to … Simulated weather cuts those of a team for dry weather. */
	open: Int32Array;
	dryOnly: boolean;
	/** The longest of those, minutes. */
	longest: number;
}

export interface Shop {
	makers: Resource[];
	places: Map<string, Resource>;
	/** Makers and places together. */
	size: number;
	/** Teams for so many of these makers at this place, kept because steps ask alike. */
	teams: Map<string, Team[]>;
	commons: Map<string, Team>;
}

/** Everybody's hours between two moments; with `mirror`, time runs backwards (t becomes −t). */
export function makeShop(
	problem: Pick<PlanProblem, 'makers' | 'places' | 'taken'>,
	from: LocalMinutes,
	to: LocalMinutes,
	mirror = false
): Shop {
	let index = 0;
	const make = (
		id: string,
		isPlace: boolean,
		capacity: number,
		open: readonly Span[],
		dryOnly = false
	): Resource => {
		const taken = new Bookings(capacity);
		for (const [a, b] of problem.taken?.get(id) ?? []) taken.add(mirror ? -b : a, mirror ? -a : b, 1);
		return {
			id,
			index: index++,
			isPlace,
			dryOnly,
			open: mirror ? mirrored(open) : open,
			taken,
			bookings: new Bookings(capacity)
		};
	};
	const shop: Shop = {
		makers: problem.makers.map((m) => make(m.id, false, 1, openSpans(m, from, to))),
		places: new Map(
			problem.places.map((p) => [p.id, make(p.id, true, p.capacity, openSpans(p, from, to), p.dryOnly)])
		),
		size: problem.makers.length + problem.places.length,
		teams: new Map(),
		commons: new Map()
	};
	freeAll(shop);
	return shop;
}

/** Nothing is booked but what is taken. */
export function freeAll(shop: Shop): void {
	for (const r of shop.makers) r.bookings.copy(r.taken);
	for (const r of shop.places.values()) r.bookings.copy(r.taken);
}

/** The teams that may do a step, in the order in which the makers are given. None at an unknown place. */
export function teamsOf(shop: Shop, { step }: Pick<Node, 'step'>): Team[] {
	const key = JSON.stringify([step.hands, step.with, step.place]);
	let teams = shop.teams.get(key);
	if (!teams) {
		const place = step.place === null ? [] : [shop.places.get(step.place)];
		// Those without hours too: teams keep their numbers however far the calendars reach.
		const pool = shop.makers.filter((m) => !step.with || step.with.includes(m.id));
		teams = place.includes(undefined)
			? []
			: choose(pool, step.hands).map((makers) => teamOf(shop, makers, place as Resource[]));
		shop.teams.set(key, teams);
	}
	return teams;
}

const choose = (pool: readonly Resource[], count: number): Resource[][] =>
	count === 0
		? [[]]
		: pool.flatMap((m, i) => choose(pool.slice(i + 1), count - 1).map((rest) => [m, ...rest]));

function teamOf(shop: Shop, makers: readonly Resource[], place: readonly Resource[]): Team {
	const members = [...makers, ...place];
	const key = JSON.stringify([makers.map((m) => m.id), place.map((p) => p.id)]);
	let team = shop.commons.get(key);
	if (!team) {
		const spans = members.slice(1).reduce((open, r) => intersect(open, r.open), members[0]!.open);
		team = {
			members,
			makers: makers.map((m) => m.id),
			open: Int32Array.from(spans.flat()),
			dryOnly: members.some((m) => m.dryOnly),
			longest: spans.reduce((most, [from, to]) => Math.max(most, to - from), 0)
		};
		shop.commons.set(key, team);
	}
	return team;
}
