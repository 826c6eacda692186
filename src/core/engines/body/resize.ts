import type { Direction, MadeFor } from '../../facts/measureRecord.ts';

/**
 * From a bought or older pattern to this wearer, for width and height apart. Marked with the finished garment's
 * girth, factor = (body + ease) ÷ that girth. Marked with the body that it fits, its ease is in it already, and
 * factor = (body + ease) ÷ (the body it fits + ease): counted on one side only, it would be there twice. Common practice.
 */

/** What keeps its size when a pattern is printed larger or smaller. Common practice. */
export const NOT_SCALED = [
	'material thickness, and with it bevels',
	'seam allowance',
	'holes, eyelets, snaps, buckles and other hardware',
	'strap and zip widths',
	'eye openings and ear holes: move them, keep their size'
] as const;

/** Outside of these a pattern loses its shape; inside the usual ones it is common practice. */
export const WARN_PERCENT = [75, 130] as const;
export const USUAL_PERCENT = [75, 105] as const;

export interface Nominal {
	direction: Direction;
	/** mm that the pattern is marked with. */
	nominal: number;
	/** What the mark means. */
	madeFor: MadeFor;
	/** Of the wearer, mm. */
	body: number;
	/** Between body and garment, mm; negative for stretch. */
	ease: number;
}

export const factorOf = ({ body, ease, nominal, madeFor }: Omit<Nominal, 'direction'>): number =>
	(body + ease) / (madeFor === 'body' ? nominal + ease : nominal);

export interface Resize {
	width: number | null;
	height: number | null;
	/** Both printed in one go only when the factors are within one per cent. */
	same: boolean;
	/** How far the factors of one direction lie apart: one print cannot serve them all. */
	spread: number;
	warnings: ('outsideWarn' | 'outsideUsual' | 'spread')[];
}

/** Girths of one direction take the largest factor: too wide can be taken in. */
export function resize(nominals: readonly Nominal[]): Resize {
	const of = (direction: Direction) => nominals.filter((n) => n.direction === direction).map(factorOf);
	const [widths, heights] = [of('width'), of('height')];
	const most = (values: readonly number[]) => (values.length ? Math.max(...values) : null);
	const apart = (values: readonly number[]) =>
		values.length ? Math.max(...values) - Math.min(...values) : 0;
	const [width, height] = [most(widths), most(heights)];
	const spread = Math.max(apart(widths), apart(heights));
	const percents = [width, height].flatMap((f) => (f === null ? [] : [f * 100]));
	const outside = ([low, high]: readonly [number, number]) => percents.some((p) => p < low || p > high);
	return {
		width,
		height,
		same: width !== null && height !== null && Math.abs(width - height) < 0.01,
		spread,
		warnings: [
			...(outside(WARN_PERCENT)
				? (['outsideWarn'] as const)
				: outside(USUAL_PERCENT)
					? (['outsideUsual'] as const)
					: []),
			...(spread > 0.05 ? (['spread'] as const) : [])
		]
	};
}

/** To tenths of a per cent, as a copy shop takes it. */
export const printPercent = (factor: number): number => Math.round(factor * 1000) / 10;
