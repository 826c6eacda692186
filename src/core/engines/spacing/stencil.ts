import type { Point } from '../../units/point.ts';

/** What is set, pressed, painted or cut at each place. */
export const MARKS = ['rivet', 'square', 'diamond', 'line'] as const;
export type Mark = (typeof MARKS)[number];

/** Corners that a rivet is drawn with: off by less than 0.1 % of its radius. */
const CORNERS = 72;

/**
 * The outline of a mark around its middle, mm; `line` is open, across the edge.
 * @param wide along the edge
 * @param high across it
 */
export function markOutline(mark: Mark, wide: number, high: number): Point[] {
	const [a, b] = [wide / 2, high / 2];
	if (mark === 'line')
		return [
			[0, -b],
			[0, b]
		];
	if (mark === 'square')
		return [
			[-a, -b],
			[a, -b],
			[a, b],
			[-a, b]
		];
	if (mark === 'diamond')
		return [
			[-a, 0],
			[0, -b],
			[a, 0],
			[0, b]
		];
	return Array.from({ length: CORNERS }, (_, k): Point => {
		const turn = (2 * Math.PI * k) / CORNERS;
		return [a * Math.cos(turn), b * Math.sin(turn)];
	});
}

/** A strip with its marks, from its beginning; where it is cut for paper, a mark belongs to the part that its middle lies on. */
export interface Strip {
	length: number;
	/** Across, mm. */
	high: number;
	mark: Mark;
	wide: number;
	markHigh: number;
	places: readonly number[];
}

export interface StripPart {
	from: number;
	to: number;
	/** Middles on it, from its own beginning, with their numbers from 1. */
	marks: { number: number; at: number }[];
}

/** What A4 and Letter both have room for between their margins, mm. */
const PAPER = 190;
/** Shorter than that no part is of use, however wide its marks are. */
const SHORTEST = 40;

/** How long a part of the strip is on paper, mm: marks at its ends reach over by half, and nothing of them is cut off. */
export const paperRow = ({ wide }: Pick<Strip, 'wide'>): number =>
	Math.max(SHORTEST, Math.floor(PAPER - wide - 2 * OVER));

/** Beside the outermost mark, mm. */
export const OVER = 1;

/** The strip in parts that fit on paper. @param most mm of one part */
export function stripParts({ length, places }: Pick<Strip, 'length' | 'places'>, most: number): StripPart[] {
	const parts = Math.max(1, Math.ceil(length / most));
	return Array.from({ length: parts }, (_, k) => {
		const [from, to] = [k * most, Math.min(length, (k + 1) * most)];
		const its = places.map((place, i) => ({ number: i + 1, at: place - from }));
		return {
			from,
			to,
			marks: its.filter(({ at }) => at >= 0 && (at < to - from || (k === parts - 1 && at === to - from)))
		};
	});
}
