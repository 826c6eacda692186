import type { Edge, EdgeMarks, Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';

/** Marks of the four sides of a sector: outer arc, left side, inner arc, right side. */
export interface SectorMarks {
	outer?: EdgeMarks;
	left?: EdgeMarks;
	inner?: EdgeMarks;
	right?: EdgeMarks;
}

/** Arcs of more than half a turn come in parts: a single one would be badly told by its ends. */
const MOST_TURN = 170;

/**
 * A sector of a ring about 0, 0, symmetrical about the y axis. With `inner` 0 it is a sector of a disc.
 * @param angle degrees, above 0 and below 360
 */
export function sector(outer: number, inner: number, angle: number, marks: SectorMarks = {}): Outline {
	const at = (radius: number, degrees: number): Point => [
		radius * Math.cos((degrees * Math.PI) / 180),
		radius * Math.sin((degrees * Math.PI) / 180)
	];
	const [right, left] = [90 - angle / 2, 90 + angle / 2];
	const arc = (radius: number, from: number, to: number, its: EdgeMarks = {}): Edge[] => {
		const parts = Math.ceil(Math.abs(to - from) / MOST_TURN);
		const turn = (to - from) / parts;
		return Array.from({ length: parts }, (_, i) => ({
			kind: 'arc',
			to: at(radius, from + turn * (i + 1)),
			bulge: Math.tan((turn * Math.PI) / 180 / 4),
			...its
		}));
	};
	const start = at(outer, right);
	return {
		start,
		edges: [
			...arc(outer, right, left, marks.outer),
			{ kind: 'line', to: inner > 0 ? at(inner, left) : [0, 0], ...marks.left },
			...(inner > 0 ? arc(inner, left, right, marks.inner) : []),
			{ kind: 'line', to: start, ...marks.right }
		]
	};
}

export const rectangle = (width: number, height: number, marks: readonly EdgeMarks[] = []): Outline => ({
	start: [0, 0],
	edges: (
		[
			[width, 0],
			[width, height],
			[0, height],
			[0, 0]
		] as const
	).map((to, i): Edge => ({ kind: 'line', to, ...marks[i] }))
});

/**
 * A panel of a truncated cone: a ring sector, or a rectangle where both edges are the same. Lengths in mm, the angle in degrees, which
 * may come out as more than a whole round.
 */
export function leaningPanel(top: number, bottom: number, slant: number) {
	const [wide, narrow] = [Math.max(top, bottom), Math.min(top, bottom)];
	const same = wide - narrow < 1e-6;
	const angle = same ? 0 : ((wide - narrow) / slant) * (180 / Math.PI);
	const outer = same ? Infinity : (slant * wide) / (wide - narrow);
	const panelOf = ({
		outer: top = {},
		left = {},
		inner: bottom = {},
		right = {}
	}: SectorMarks = {}): Outline =>
		same
			? rectangle(wide, slant, [bottom, right, top, left])
			: sector(outer, outer - slant, angle, { outer: top, left, inner: bottom, right });
	return { wide, narrow, same, angle, panelOf };
}
