import type { HoldKind } from '../facts/fault.ts';
import type { FastenerKey, HoldsTo, Join, LoadFactors } from '../facts/wear.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { JOINS } from '../trade/closureJoin.ts';
import { fastenerOf, workOf } from '../trade/fastener.ts';
import { bodyOf, carrying, worstOf, type Held } from './holding.ts';
import { rateOfKind, type LearnedHold } from './holdRates.ts';
import { groupLoad } from '../engines/load/fastenerGroup.ts';

/** Something else that holds it, where what holds it now lets go again and again. */
export interface OtherHold {
	fastener: FastenerKey;
	name: string;
	/** How often it lets go, in ten wears, and how often what is there does: what is known of both kinds. */
	per10: number;
	before: number;
	/** The joins that are changed, as they would be, and how many of it they are. */
	joins: Join[];
	count: number;
	/** Of what the worst join bears, what it takes when jumping; more than anything where it tips; null where no load is known. */
	share: number | null;
}

const MOST_OF_ONE = 8;

/** What is glued comes off no more, and a zip closes an edge: what they hold to, where that is not anything. */
const ONLY: Readonly<Record<FastenerKey, readonly HoldsTo[]>> = {
	glue: ['component'],
	zip: ['self', 'component']
};

/** The same hold by another fastener: as many as do its work where that is known, else as many as there are. */
export function refastened(join: Join, fastener: FastenerKey, trade: Catalogue): Join {
	const [from, to] = [join.fastener, fastener].map((key) => fastenerOf(trade.fastener, key));
	const before = JOINS[from!.technique];
	const after = JOINS[to!.technique];
	if (before === undefined || after === undefined) return { ...join, fastener };
	const holds = workOf(join, from!) / before;
	const one = workOf({ ...join, count: 1 }, to!);
	return { ...join, fastener, count: Math.max(1, Math.ceil((holds * after) / one - 1e-9)) };
}

/**
 * What could hold it instead, the one that lets go least first: none that its own glue holds, none of plain steel, and none that lets
 * go as often as what is there. Where the load is known, so many that they bear it when jumping, or no less than what is there: what tips
 * tips by whatever holds it.
 *
 * @param kind what lets go: `fastener snap`
 * @param learned of each kind, by all costumes
 */
export function otherHolds(
	kind: HoldKind,
	held: Held,
	learned: readonly LearnedHold[],
	factors: LoadFactors,
	trade: Catalogue
): OtherHold[] {
	const rate = (of: HoldKind) => rateOfKind(of, learned, trade);
	const now = kind.replace(/^fastener /, '');
	const its = held.joins.filter((j) => j.fastener === now);
	if (kind === now || !its.length) return [];
	const shareOf = (joins: readonly Join[]): number | null => {
		const all = carrying(held).map((j) => joins.find((other) => other.id === j.id) ?? j);
		if (held.grams === null || held.loads === null || !all.length) return null;
		return worstOf(groupLoad(bodyOf(all, held.grams, held.centre, trade), factors.jumping));
	};
	const most = Math.max(1, shareOf([]) ?? 1);
	return Object.entries(trade.fastener)
		.filter(([key, f]) => key !== now && !f.selfAdhesive && !f.steel && f.technique !== 'sleeve')
		.filter(([key]) => its.every((j) => ONLY[key]?.includes(j.holdsTo) ?? true))
		.flatMap(([fastener, { name }]): OtherHold[] => {
			const per10 = rate(`fastener ${fastener}`);
			const before = rate(kind);
			if (per10 >= before) return [];
			const least = its.map((j) => refastened(j, fastener, trade));
			for (let more = 0; more < MOST_OF_ONE; more++) {
				const joins = least.map((j) => ({ ...j, count: j.count + more }));
				const share = shareOf(joins);
				if (share === null || share <= most)
					return [
						{ fastener, name, per10, before, joins, count: joins.reduce((sum, j) => sum + j.count, 0), share }
					];
			}
			return [];
		})
		.sort((a, b) => a.per10 - b.per10 || (a.share ?? 0) - (b.share ?? 0));
}
