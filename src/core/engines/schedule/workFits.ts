import type { LocalMinutes } from '../../units/localTime.ts';
import { firstEndingAfter } from './calendar.ts';
import { FlowNetwork } from '../../units/flow.ts';
import type { Node } from './network.ts';
import type { Resource, Shop } from './shop.ts';

/** Between which moments each step is worked on, and by whom it may be. */
export interface Limits {
	earliest: Int32Array;
	latest: Int32Array;
	makers: readonly (readonly string[])[];
}

/** Makers who may do the same steps; or a place, which all steps there use. */
interface Class {
	members: readonly Resource[];
	serves: (i: number) => boolean;
}

/**
 * Whether all minutes fit between the earliest starts and the latest ends, for the makers and at each place: a maximum
 * flow of minutes into windows. Steps may be cut up in it, so a no is a proof, and a yes is not.
 */
export class WorkFits {
	readonly #nodes: readonly Node[];
	readonly #minutes: Int32Array;
	readonly #makers: readonly Resource[];
	readonly #places: readonly Resource[];
	readonly #busy: number[];
	/** Moments between which nobody's hours change. */
	readonly #times: number[];
	/** How many each maker or place, by its number, can hold from each of them on. */
	readonly #free: number[][];

	constructor(nodes: readonly Node[], shop: Shop, minutes: Int32Array) {
		this.#nodes = nodes;
		this.#minutes = minutes;
		this.#makers = shop.makers;
		this.#places = [...shop.places.values()];
		this.#busy = nodes.flatMap((_, i) => (minutes[i]! > 0 ? [i] : []));
		const all = [...this.#makers, ...this.#places];
		const times = new Set(all.flatMap((r) => [...r.open.flat(), ...r.taken.changes]));
		this.#times = [...times].sort((a, b) => a - b);
		this.#free = all.map((r) => this.#times.map((t) => (isOpen(r, t) ? r.taken.leftBetween(t, t + 1) : 0)));
	}

	fits(limits: Limits): boolean {
		const { earliest, latest } = limits;
		if (this.#busy.some((i) => latest[i]! - earliest[i]! < this.#minutes[i]!)) return false;
		if (!this.#flows(limits, this.#busy, this.#classesOf(limits), (i) => this.#nodes[i]!.step.hands))
			return false;
		return this.#places.every((place) => {
			const here = this.#busy.filter((i) => this.#nodes[i]!.step.place === place.id);
			return (
				here.length < 2 || this.#flows(limits, here, [{ members: [place], serves: () => true }], () => 1)
			);
		});
	}

	#classesOf({ makers }: Limits): Class[] {
		const lists = [...new Set(this.#busy.map((i) => makers[i]!.join('\n')))].map((list) => list.split('\n'));
		const classes = new Map<string, Resource[]>();
		for (const m of this.#makers) {
			const key = lists.map((l) => Number(l.includes(m.id))).join('');
			classes.set(key, [...(classes.get(key) ?? []), m]);
		}
		return [...classes.values()].map((members) => ({
			members,
			serves: (i) => makers[i]!.includes(members[0]!.id)
		}));
	}

	#flows(
		{ earliest, latest }: Limits,
		busy: readonly number[],
		classes: readonly Class[],
		hands: (i: number) => number
	): boolean {
		const segments = this.#segments(busy.flatMap((i) => [earliest[i]!, latest[i]!]));
		// Source, sink, the steps, then each class in each segment.
		const first = 2 + busy.length;
		const network = new FlowNetwork(first + segments.length * classes.length);
		const there = segments.map(({ from, to, piece }, s) =>
			classes.map(({ members }, c) => {
				const most = members.reduce((sum, r) => sum + this.#free[r.index]![piece]!, 0);
				if (most > 0) network.edge(first + s * classes.length + c, 1, most * (to - from));
				return most;
			})
		);
		let wanted = 0;
		for (const [w, i] of busy.entries()) {
			const { place } = this.#nodes[i]!.step;
			const at = place === null ? null : this.#places.find((p) => p.id === place)!;
			const mine = classes.map((c) => c.serves(i));
			const need = hands(i);
			wanted += this.#minutes[i]! * need;
			network.edge(0, 2 + w, this.#minutes[i]! * need);
			for (let s = 0; s < segments.length; s++) {
				const { from, to, piece } = segments[s]!;
				if (from < earliest[i]!) continue;
				if (to > latest[i]!) break;
				if (at && this.#free[at.index]![piece] === 0) continue;
				let most = 0;
				for (let c = 0; c < classes.length; c++) if (mine[c]) most += there[s]![c]!;
				if (most < need) continue;
				for (let c = 0; c < classes.length; c++)
					if (mine[c] && there[s]![c]! > 0)
						network.edge(2 + w, first + s * classes.length + c, Math.min(there[s]![c]!, need) * (to - from));
			}
		}
		return network.most(0, 1) >= wanted;
	}

	/** Time from the first limit to the last, cut at each of them and wherever somebody's hours change. */
	#segments(limits: readonly number[]): { from: LocalMinutes; to: LocalMinutes; piece: number }[] {
		const cuts = [...new Set(limits)].sort((a, b) => a - b);
		const segments: { from: LocalMinutes; to: LocalMinutes; piece: number }[] = [];
		let piece = 0;
		for (let k = 0; k + 1 < cuts.length; k++)
			for (let from = cuts[k]!; from < cuts[k + 1]!;) {
				while (piece + 1 < this.#times.length && this.#times[piece + 1]! <= from) piece++;
				const ends = piece + 1 < this.#times.length ? this.#times[piece + 1]! : Infinity;
				// Before the first of all times nobody is there.
				const to = Math.min(cuts[k + 1]!, from < this.#times[piece]! ? this.#times[piece]! : ends);
				if (from >= this.#times[piece]! && this.#makers.some((m) => this.#free[m.index]![piece]! > 0))
					segments.push({ from, to, piece });
				from = to;
			}
		return segments;
	}
}

const isOpen = ({ open }: Resource, at: LocalMinutes): boolean => {
	const span = open[firstEndingAfter(open, at)];
	return span !== undefined && span[0] <= at;
};
