import type { FlatView } from '../plane/rectify.ts';
import { boxOf, edgesOf, flatten, flattenEdge, goesRound, placed } from '../pattern/outline.ts';
import { alongStretch, distance, type Point } from '../../units/point.ts';
import type { Piece } from '../../facts/piece.ts';
import type { Grey } from './contour.ts';

/** Register marks that a hand points at: where they are in the picture, and what they become on a piece. */

/** What stands out less, of 255 steps of grey, is no mark. */
const LEAST = 20;
const MOST_STEPS = 30;

/**
 * The middle of the mark that was clicked at: the mean place of what differs from its surrounding, sought again around
 * itself until it stands (mean shift: K. Fukunaga and L. Hostetler, 1975).
 * @param at pixels from the centre of the upper left one, y down
 * @param radius px: about as large as a mark
 * @returns null when nothing stands out there
 */
export function markNear({ width, height, data }: Grey, at: Point, radius: number): Point | null {
	const within = ([cx, cy]: Point) => {
		const found: { x: number; y: number; v: number }[] = [];
		for (let y = Math.max(0, Math.ceil(cy - radius)); y <= Math.min(height - 1, cy + radius); y++)
			for (let x = Math.max(0, Math.ceil(cx - radius)); x <= Math.min(width - 1, cx + radius); x++)
				if (Math.hypot(x - cx, y - cy) <= radius) found.push({ x, y, v: data[y * width + x]! });
		return found;
	};
	let here = at;
	for (let step = 0; step < MOST_STEPS; step++) {
		const seen = within(here);
		if (seen.length === 0) return null;
		const middle = seen.map((s) => s.v).sort((a, b) => a - b)[Math.floor(seen.length / 2)]!;
		const most = seen.reduce((m, s) => Math.max(m, Math.abs(s.v - middle)), 0);
		if (most < LEAST) return null;
		// Noise and soft shadow stay below half of what the mark does.
		const heavy = seen.map((s) => ({ ...s, w: Math.max(0, Math.abs(s.v - middle) - most / 2) }));
		const sum = heavy.reduce((total, s) => total + s.w, 0);
		const next: Point = [
			heavy.reduce((total, s) => total + s.w * s.x, 0) / sum,
			heavy.reduce((total, s) => total + s.w * s.y, 0) / sum
		];
		if (distance(here, next) < 0.02) return next;
		here = next;
	}
	return here;
}

/** A mark nearer than this to an edge is a notch on it, mm. */
const NOTCH_REACH = 10;
/** Of the cross that a mark on the face of a piece becomes, to each side, mm. */
const CROSS = 4;

/** @returns the piece with the mark on it: a notch where its edge is near, a cross on its face; null when it is off it */
export function withMark(piece: Piece, at: Point, pair: string): Piece | null {
	let best = { off: NOTCH_REACH, edge: -1, along: 0 };
	edgesOf(piece.outline).forEach(({ from, edge }, i) => {
		let along = 0;
		let a = from;
		for (const b of flattenEdge(from, edge)) {
			const long = distance(a, b);
			const t = alongStretch(at, a, b);
			const off = distance(at, [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]);
			if (off < best.off) best = { off, edge: i, along: along + t * long };
			along += long;
			a = b;
		}
	});
	if (best.edge >= 0)
		return { ...piece, notches: [...piece.notches, { edge: best.edge, along: best.along, pair }] };
	if (!goesRound(flatten(piece.outline).points, at)) return null;
	const [x, y] = at;
	const line = (points: Point[]) => ({ use: 'placement' as const, points });
	return {
		...piece,
		lines: [
			...piece.lines,
			line([
				[x - CROSS, y],
				[x + CROSS, y]
			]),
			line([
				[x, y - CROSS],
				[x, y + CROSS]
			])
		]
	};
}

/** How a page is laid to others: turned by so many degrees about its origin, then moved. */
export interface Joined {
	turn: number;
	move: Point;
	/** By how much the marks are farther apart on one than on the other, mm. */
	misfit: number;
}

/** Lays two marks of a page on the same two of a sheet, as well as goes without stretching it. */
export function joinByMarks(sheet: readonly [Point, Point], page: readonly [Point, Point]): Joined | null {
	const [a, b] = [distance(...sheet), distance(...page)];
	if (a < 1e-6 || b < 1e-6) return null;
	const angle = ([p, q]: readonly [Point, Point]) => Math.atan2(q[1] - p[1], q[0] - p[0]);
	const turn = angle(sheet) - angle(page);
	const middle = ([p, q]: readonly [Point, Point]): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
	const [s, m] = [middle(sheet), middle(page)];
	return {
		turn: (turn * 180) / Math.PI,
		move: [
			s[0] - (m[0] * Math.cos(turn) - m[1] * Math.sin(turn)),
			s[1] - (m[0] * Math.sin(turn) + m[1] * Math.cos(turn))
		],
		misfit: Math.abs(a - b)
	};
}

/** Where page `index` lies, laid in rows of `columns`, all of one size, mm; y runs down. */
export const gridPlace = (
	index: number,
	columns: number,
	width: number,
	height: number,
	overlap: number
): Point => [(index % columns) * (width - overlap), Math.floor(index / columns) * (height - overlap)];

/** Pages joined to a sheet are worked with at no more pixels than this. */
const MOST_PIXELS = 24_000_000;

/** The box round pages as they lie, mm, and how many pixels a mm it is drawn with: as the pages are, if that is not too many. */
export function sheetOf(
	pages: readonly { width: number; height: number; turn: number; move: Point }[],
	pixelsPerMm: number
): FlatView {
	const corners = pages.flatMap(({ width, height, turn, move }) =>
		(
			[
				[0, 0],
				[width, 0],
				[width, height],
				[0, height]
			] as Point[]
		).map((p) => placed(p, { turn, move }))
	);
	const { left, right, top, bottom } = boxOf(corners);
	const [width, height] = [right - left, top - bottom];
	return {
		left,
		// y runs down: the lower of the two numbers is the upper edge.
		top: bottom,
		width,
		height,
		pixelsPerMm: Math.min(pixelsPerMm, Math.sqrt(MOST_PIXELS / Math.max(1, width * height)))
	};
}
