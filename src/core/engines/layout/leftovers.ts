import {
	differenceD,
	EndType,
	FillRule,
	inflatePathsD,
	intersectD,
	JoinType,
	simplifyPathsD,
	unionD,
	type PathsD
} from 'clipper2-ts';
import { boxOf, goesRound } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { areaOf } from './shape.ts';
import { wound } from './stock.ts';
import type { SheetForm } from '../../facts/layout.ts';

/** What of a sheet can still be used once its pieces are cut out of it. */

export interface Leftover {
	/** Counter-clockwise, its box from 0, 0. */
	outline: Point[];
	/** What was cut out of its middle. */
	holes: Point[][];
	/** Where it lies on the sheet it is cut from. */
	at: Point;
	/** mm², holes taken out. */
	area: number;
}

/** Until the maker says otherwise only what is so wide is kept, mm: less is no use for most pieces. Starting value. */
export const LEAST_KEPT = 80;
/** Corners that stray less than this from a straight line are left out, mm; leftovers are that much smaller all round. */
const STRAY = 0.5;
/** Less has no use, as a square of the least width. */
const LEAST_SQUARES = 1.5;
const DIGITS = 4;

const paths = (rings: readonly (readonly Point[])[]): PathsD =>
	rings.map((ring) => ring.map(([x, y]) => ({ x, y })));
const rings = (of: PathsD): Point[][] => of.map((path) => path.map((p): Point => [p.x, p.y]));
const grow = (of: PathsD, by: number, join: JoinType): PathsD =>
	inflatePathsD(of, by, join, EndType.Polygon, 2, DIGITS);

/**
 * @param laid outline and holes of every piece on the sheet, as they lie
 * @param cut what the blade takes beside a piece, mm
 * @param least how wide something has to be to be kept, mm: what is narrower falls away, thin arms of larger ones too
 * @returns the largest first
 */
export function leftoversOf(
	form: SheetForm,
	laid: readonly (readonly (readonly Point[])[])[],
	cut: number,
	least: number
): Leftover[] {
	const sheet: Point[] = [
		[0, 0],
		[form.width, 0],
		[form.width, form.height],
		[0, form.height]
	];
	const gone = unionD(
		paths([
			...laid.flatMap(([outline, ...holes]) => [
				wound(outline!, true),
				...holes.map((hole) => wound(hole, false))
			]),
			...(form.flaws ?? []).map((flaw) => wound(flaw, true))
		]),
		[],
		FillRule.Positive,
		DIGITS
	);
	const free = differenceD(
		paths([wound(form.outline ?? sheet, true)]),
		grow(gone, cut, JoinType.Miter),
		FillRule.NonZero,
		DIGITS
	);
	// What a round of the least width can reach (opening: G. Matheron, 1975); square corners are given back where they are free.
	const core = grow(grow(free, -STRAY, JoinType.Miter), -(least / 2 - STRAY), JoinType.Round);
	const wide = intersectD(
		grow(core, least / 2, JoinType.Miter),
		grow(free, -STRAY, JoinType.Miter),
		FillRule.NonZero,
		DIGITS
	);
	const all = rings(simplifyPathsD(wide, STRAY));
	const holes = all.filter((ring) => areaOf(ring) < 0);
	return all
		.filter((ring) => areaOf(ring) > 0)
		.map((ring) => {
			const { left, bottom } = boxOf(ring);
			const its = holes.filter((hole) => goesRound(ring, hole[0]!));
			const moved = (points: readonly Point[]) => points.map(([x, y]): Point => [x - left, y - bottom]);
			return {
				outline: moved(ring),
				holes: its.map(moved),
				at: [left, bottom] as const,
				area: [ring, ...its].reduce((sum, r) => sum + areaOf(r), 0)
			};
		})
		.filter(({ area }) => area >= LEAST_SQUARES * least * least)
		.sort((a, b) => b.area - a.area);
}
