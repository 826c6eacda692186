import { type Passage, type PassageKey, PASSAGES } from '../../facts/opening.ts';
import { easedGirths, type EaseOf, girthOver } from './girth.ts';
import { definitionOf, type MeasureKey, type MeasureSide } from '../../facts/bodyMeasure.ts';

/** A closed round of a component. */
export interface Round {
	passage: PassageKey;
	/** Its girth when closed and not stretched, mm. */
	closed: number;
	/** How much longer it can be pulled, per cent. */
	stretch: number;
	/** What its zip, lacing or gap adds to the girth when open, mm. */
	opening: number;
	/** Whether it opens along its whole length, so that nothing has to pass through it. */
	split: boolean;
	ease: EaseOf;
}

/** A girth of the body, with what is worn on it. */
export interface Girth {
	key: MeasureKey;
	/** As measured, mm. */
	body: number;
	/** Of the layers beneath that were not on when it was measured, mm. */
	beneath: number;
	/** `C + 2π·t`. */
	mm: number;
}

export type GirthAt = (key: MeasureKey, side: MeasureSide) => { body: number; beneath: number } | null;

export interface Cures {
	/** More opening: mm of girth, and the slit from the edge that gives as much, half as long: its two edges open. */
	opening: { more: number; slit: number };
	/** The stretch it would need, per cent, and whether stretch cloth gives that. */
	stretch: { percent: number; would: boolean };
	/** Open it along its whole length. */
	split: { would: true };
}

export type Fit = 'tight' | 'good' | 'loose';

export interface GoesOn {
	side: MeasureSide;
	/** What is not measured yet, when that leaves the answer open. */
	unknown: MeasureKey[];
	/** Closed × (1 + stretch) + opening, mm. */
	reach: number;
	way: Girth[];
	/** The largest girth on its way. */
	tightest: Girth | null;
	passes: boolean | null;
	/** mm of girth. */
	missing: number;
	cures: Cures | null;
	/** How it sits: the girth at its seat with all beneath, the range that it should be closed at, and the verdict. */
	seat: { girth: Girth; range: readonly [number, number]; fit: Fit } | null;
}

/** Beyond this no ordinary stretch cloth goes; common practice, from memory. */
export const MOST_CLOTH_STRETCH = 60;

export const reachOf = (round: Pick<Round, 'closed' | 'stretch' | 'opening'>): number =>
	round.closed * (1 + round.stretch / 100) + round.opening;

/** Whether a round gets to its seat over the body and what is worn there, on one side. Common practice. */
export function goesOn(round: Round, girthAt: GirthAt, side: MeasureSide): GoesOn {
	const passage: Passage = PASSAGES[round.passage];
	const at = (key: MeasureKey): Girth | null => {
		const found = girthAt(key, definitionOf(key).sided ? side : 'none');
		return found && { key, ...found, mm: girthOver(found.body, found.beneath) };
	};
	const ways = passage.ways.map((keys) => {
		const girths = keys.map((key) => ({ key, girth: at(key) }));
		return {
			girths: girths.flatMap((g) => g.girth ?? []),
			unknown: girths.filter((g) => !g.girth).map((g) => g.key)
		};
	});
	const reach = reachOf(round);
	const largest = (girths: readonly Girth[]) =>
		girths.reduce<Girth | null>((a, b) => (!a || b.mm > a.mm ? b : a), null);
	const known = ways
		.filter((w) => w.unknown.length === 0)
		.sort((a, b) => largest(a.girths)!.mm - largest(b.girths)!.mm);
	const way = known[0] ?? null;
	const tightest = way && largest(way.girths);
	const missing = tightest && !round.split ? Math.max(0, tightest.mm - reach) : 0;
	const fails = missing > 0;
	// A way that is not measured could still be the easier one.
	const open = ways.filter((w) => w.unknown.length > 0);
	const undecided = !round.split && (way === null || (fails && open.length > 0));
	return {
		side,
		unknown: undecided ? [...new Set(open.flatMap((w) => w.unknown))] : [],
		reach,
		way: way?.girths ?? [],
		tightest,
		passes: way === null && !round.split ? null : !fails,
		missing,
		cures: fails ? curesOf(round, missing, tightest!.mm) : null,
		seat: seatOf(round, at(passage.seat))
	};
}

function curesOf(round: Round, missing: number, need: number): Cures {
	const percent = ((need - round.opening) / round.closed - 1) * 100;
	return {
		opening: { more: missing, slit: missing / 2 },
		stretch: { percent, would: percent <= MOST_CLOTH_STRETCH },
		split: { would: true }
	};
}

function seatOf(round: Round, girth: Girth | null): GoesOn['seat'] {
	if (!girth) return null;
	const eased = easedGirths(girth.mm, round.ease);
	// Negative ease can never ask for more than the cloth gives.
	const least = Math.max(eased[0], girth.mm / (1 + round.stretch / 100));
	const range = [round.ease === 'stretch' ? least : eased[0], Math.max(least, eased[1])] as const;
	const fit = round.closed < range[0] - 1e-9 ? 'tight' : round.closed > range[1] + 1e-9 ? 'loose' : 'good';
	return { girth, range, fit };
}

/** The girths that a closure has to cover, over all wearers and sides: from the least to the most closed girth. */
export function closureRange(results: readonly GoesOn[]): readonly [number, number] | null {
	const seats = results.flatMap((r) => (r.seat ? [r.seat.range] : []));
	if (seats.length === 0) return null;
	return [Math.min(...seats.map((r) => r[0])), Math.max(...seats.map((r) => r[0]))];
}
