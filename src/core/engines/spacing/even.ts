import { bad, good, type Parsed } from '../../units/problem.ts';

/** What is repeated along an edge, or round a girth. */
export interface SpacingAsk {
	/** mm, of the edge or all round. */
	length: number;
	/** It closes: after the last comes the first. */
	round: boolean;
	/** Middle to middle, mm, as it is wanted; the nearest that comes out even is taken. */
	apart: number;
	/** So many, whatever that makes the distance; null goes by the distance. */
	count: number | null;
	/** One of them, along the edge, mm. */
	wide: number;
	/** From an end to the middle of the first, mm; null: half a distance at each end. Nothing that closes has one. */
	inset: number | null;
}

export interface EvenSpacing {
	count: number;
	/** Middle to middle, mm; null of a single one. */
	apart: number | null;
	/** Between two of them, mm. */
	gap: number | null;
	/** From the beginning to the middle of the first, mm. */
	first: number;
	/** Middles from the beginning, mm: each worked out from there, so that nothing adds up. */
	places: number[];
}

/** More than anybody sets. */
const MOST = 5000;

/**
 * As many as come nearest to the wanted distance, evenly. Round a girth of L mm there are n distances of L ÷ n; along an edge with
 * an inset i at both ends n − 1 of (L − 2i) ÷ (n − 1), and without one n of L ÷ n with half of it at each end.
 * Exact division; the rule of thumb that marks are measured from one end and not from each other is common practice.
 */
export function evenSpacing({ length, round, apart, count, wide, inset }: SpacingAsk): Parsed<EvenSpacing> {
	const ends = round ? null : inset;
	if (ends !== null && ends * 2 > length) return bad('insetTooLong');
	const span = length - 2 * (ends ?? 0);
	const distances = ends === null ? Math.max(1, Math.round(length / apart)) : Math.round(span / apart);
	const n = count ?? distances + (ends === null ? 0 : 1);
	if (n > MOST) return bad('tooManyMarks', { most: MOST });
	const step = ends === null ? length / n : n > 1 ? span / (n - 1) : 0;
	const most = ends === null ? Math.floor(length / wide) : Math.floor(span / wide) + 1;
	const alone = n === 1;
	if ((alone && wide > length) || (!alone && step < wide)) return bad('marksOverlap', { most });
	const first = ends === null ? step / 2 : alone ? length / 2 : ends;
	return good({
		count: n,
		apart: alone && !round ? null : step,
		gap: alone && !round ? null : step - wide,
		first,
		places: Array.from({ length: n }, (_, k) =>
			ends === null ? (length * (2 * k + 1)) / (2 * n) : alone ? first : ends + (span * k) / (n - 1)
		)
	});
}
