import type { LocalMinutes } from '../../units/localTime.ts';
import { Bookings } from './bookings.ts';
import { intersect, mirrored, openSpans, type Hours, type Span } from './calendar.ts';
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
	/** A number that those share who keep the same hours. */
	hours: number;
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

/** From so many teams on one of them is tried first. */
export const MANY = 8;

export interface Shop {
	makers: Resource[];
	places: Map<string, Resource>;
	/** Makers and places together. */
	size: number;
	/** Teams for so many of these makers at this place, kept because steps ask alike. */
	teams: Map<string, Teams>;
	commons: Map<string, Team>;
	/** Common hours, by whose they are: those who keep the same hours are the same. */
	hours: Map<string, Pick<Team, 'open' | 'longest'>>;
}

/** Windows are the same objects in every plan until somebody changes them. */
const written = new WeakMap<Hours['windows'], string>();
function writtenOf(windows: Hours['windows']): string {
	let text = written.get(windows);
	if (text === undefined)
		written.set(windows, (text = JSON.stringify(windows.map((w) => [w.days, w.from, w.to, w.weeks]))));
	return text;
}

/** Everybody's hours between two moments; with `mirror`, time runs backwards (t becomes −t). */
export function makeShop(
	problem: Pick<PlanProblem, 'makers' | 'places' | 'taken'>,
	from: LocalMinutes,
	to: LocalMinutes,
	mirror = false
): Shop {
	let index = 0;
	const laidOut = new Map<string, readonly Span[]>();
	const openOf = ({ windows, off, away, sun }: Hours): readonly Span[] => {
		const key = `${writtenOf(windows)} ${JSON.stringify([off, away, sun])}`;
		let open = laidOut.get(key);
		if (!open) {
			const spans = openSpans(
				{ windows, ...(off && { off }), ...(away && { away }), ...(sun && { sun }) },
				from,
				to
			);
			laidOut.set(key, (open = mirror ? mirrored(spans) : spans));
		}
		return open;
	};
	const make = (
		id: string,
		isPlace: boolean,
		capacity: number,
		open: readonly Span[],
		dryOnly = false
	): Resource => {
		const taken = new Bookings(capacity);
		const spans = problem.taken?.get(id) ?? [];
		// In order of time, each is booked behind the last.
		if (mirror) for (let k = spans.length - 1; k >= 0; k--) taken.add(-spans[k]![1], -spans[k]![0], 1);
		else for (const [a, b] of spans) taken.add(a, b, 1);
		return {
			id,
			index: index++,
			isPlace,
			dryOnly,
			open,
			hours: [...laidOut.values()].indexOf(open),
			taken,
			bookings: new Bookings(capacity)
		};
	};
	const shop: Shop = {
		makers: problem.makers.map((m) => make(m.id, false, 1, openOf(m))),
		places: new Map(problem.places.map((p) => [p.id, make(p.id, true, p.capacity, openOf(p), p.dryOnly)])),
		size: problem.makers.length + problem.places.length,
		teams: new Map(),
		commons: new Map(),
		hours: new Map()
	};
	freeAll(shop);
	return shop;
}

/** Nothing is booked but what is taken. */
export function freeAll(shop: Shop): void {
	for (const r of shop.makers) r.bookings.copy(r.taken);
	for (const r of shop.places.values()) r.bookings.copy(r.taken);
}

/**
 * All teams of so many out of a pool of makers, at one place, in the order in which the makers are given; each has its number. They
 * are made when they are asked for: of many makers there are thousands of pairs.
 */
export class Teams implements Iterable<Team> {
	readonly length: number;
	/** The one that was done first when last asked for. */
	first: Team | null = null;
	readonly #made: Team[] = [];
	#longest: [least: number, most: number] | null = null;

	constructor(
		readonly shop: Shop,
		readonly pool: readonly Resource[],
		readonly place: readonly Resource[],
		readonly hands: number
	) {
		this.length = choices(pool.length, hands);
	}

	at(number: number): Team {
		return (this.#made[number] ??= teamOf(
			this.shop,
			this.#members(number).map((m) => this.pool[m]!),
			this.place
		));
	}

	*[Symbol.iterator](): Iterator<Team> {
		for (let k = 0; k < this.length; k++) yield this.at(k);
	}

	/** Its number by whose it is; −1 when there is none. */
	numberOf(makers: readonly string[]): number {
		const members = makers.map((id) => this.pool.findIndex((m) => m.id === id));
		if (members.length !== this.hands || members.includes(-1)) return -1;
		let number = 0;
		for (let k = 0, m = 0; k < this.hands; k++, m++)
			for (; m < members[k]!; m++) number += choices(this.pool.length - m - 1, this.hands - k - 1);
		return number;
	}

	/** Those all of whose makers are worth it when their turn comes, in order. */
	look(worth: (maker: number) => boolean, at: (team: Team) => void): void {
		const from = (maker: number, left: number, number: number): void => {
			for (let m = maker, k = number; m <= this.pool.length - left; m++) {
				if (worth(m)) {
					if (left === 1) at(this.at(k));
					else from(m + 1, left - 1, k);
				}
				k += choices(this.pool.length - m - 1, left - 1);
			}
		};
		if (this.length > 0) from(0, this.hands, 0);
	}

	/** Of the longest hours that each has in common, the least and the most, minutes; 0, 0 when there is no team. */
	get longest(): readonly [least: number, most: number] {
		if (this.#longest) return this.#longest;
		// Who keeps the same hours has the same in common with others.
		const alike = new Map<number, number>();
		const few = this.pool.filter(({ hours }) => {
			alike.set(hours, (alike.get(hours) ?? 0) + 1);
			return alike.get(hours)! <= this.hands;
		});
		const all = choose(few, this.hands).map(
			(makers) => commonHours(this.shop, [...makers, ...this.place]).longest
		);
		return (this.#longest = all.length ? [Math.min(...all), Math.max(...all)] : [0, 0]);
	}

	#members(number: number): number[] {
		const members: number[] = [];
		for (let m = 0, left = this.hands, k = number; left > 0; m++) {
			const its = choices(this.pool.length - m - 1, left - 1);
			if (k < its) {
				members.push(m);
				left--;
			} else k -= its;
		}
		return members;
	}
}

/** How many ways there are to choose so many out of a number. */
function choices(of: number, count: number): number {
	if (count > of) return 0;
	let ways = 1;
	for (let k = 0; k < count; k++) ways = (ways * (of - k)) / (k + 1);
	return ways;
}

/** Steps that the same may do mostly have the same list of them. */
const named = new WeakMap<readonly string[], string>();
function namesOf(makers: readonly string[]): string {
	let names = named.get(makers);
	if (names === undefined) named.set(makers, (names = JSON.stringify(makers)));
	return names;
}

/** The teams that may do a step, in the order in which the makers are given. None at an unknown place. */
export function teamsOf(shop: Shop, { step }: Pick<Node, 'step'>): Teams {
	const key = `${step.hands} ${step.with ? namesOf(step.with) : ''} ${step.place ?? ''}`;
	let teams = shop.teams.get(key);
	if (!teams) {
		const place = step.place === null ? [] : [shop.places.get(step.place)];
		// Those without hours too: teams keep their numbers however far the calendars reach.
		const pool = place.includes(undefined)
			? []
			: shop.makers.filter((m) => !step.with || step.with.includes(m.id));
		teams = new Teams(shop, pool, place as Resource[], step.hands);
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
	const key = members.map((m) => m.index).join();
	let team = shop.commons.get(key);
	if (!team) {
		team = {
			members,
			makers: makers.map((m) => m.id),
			dryOnly: members.some((m) => m.dryOnly),
			...commonHours(shop, members)
		};
		shop.commons.set(key, team);
	}
	return team;
}

function commonHours(shop: Shop, members: readonly Resource[]): Pick<Team, 'open' | 'longest'> {
	// Who keeps the same hours has the same list of them.
	const first = members[0]!.hours;
	const key = members.every((m) => m.hours === first)
		? String(first)
		: [...new Set(members.map((m) => m.hours))].join();
	let common = shop.hours.get(key);
	if (!common) {
		const spans = members.map((m) => m.open).reduce(intersect);
		common = {
			open: Int32Array.from(spans.flat()),
			longest: spans.reduce((most, [from, to]) => Math.max(most, to - from), 0)
		};
		shop.hours.set(key, common);
	}
	return common;
}
