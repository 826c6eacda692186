import { piecesFromWays, type Way } from '../pattern/loops.ts';
import { flatten } from '../pattern/outline.ts';
import type { Outline, Piece } from '../../facts/piece.ts';
import type { Pixels } from '../plane/rectify.ts';
import type { Point } from '../../units/point.ts';
import { bad, good, problem, type Parsed, type Problem } from '../../units/problem.ts';
import { contours } from './contour.ts';
import { curved } from './curves.ts';
import { doubts } from './doubts.ts';
import { laidDown, offBy, type Above } from './high.ts';
import { seenDrawn, seenLaid, SHARP_PX } from './seen.ts';
import { enclosed, twiceArea } from './strokes.ts';

export const LOOKS = ['laid', 'drawn'] as const;
/** Pieces that lie on a mat, or pieces drawn on paper as lines. */
export type Look = (typeof LOOKS)[number];

export interface TraceOptions {
	/** Of one pixel of the flat view, mm. */
	mmPerPx: number;
	/** Less than this is a speck, mm². */
	speck: number;
	/** The curve strays from what was seen by at most this, mm. */
	tolerance: number;
	look?: Look;
	/** Of drawn lines: gaps up to this are closed, mm, so that dashes become a line. */
	gap?: number;
	/** Of drawn lines: a closed line in a piece is a line on it, unless this is false: then it is a hole. */
	innerLines?: boolean;
	/** How high what is laid stands above the mat, mm, and from where it was seen; without that it is taken as flat. */
	high?: number;
	above?: Above | null;
	/** The known rectangle that lies on the mat among the pieces, mm, y up: what is beside it is mat. Without one the border of the view is. */
	known?: readonly Point[] | null;
}

export interface Traced {
	pieces: Piece[];
	/** Those of them, by their place, that are cut off by the view or by where the picture ends. */
	cut: number[];
	specks: number;
	/** Steps between what was traced and what it lies on: of grey where it is drawn, ΔE where it is laid. */
	contrast: number;
	/** How wide the change from one to the other is, mm: twice what a blurred edge may be off. */
	softness: number;
	/** Whether that is more than a sharp picture shows. */
	blurred: boolean;
	/** What may not be as it looks. */
	warnings: Problem[];
}

/** What comes so near to where the picture ends is cut off by it, mm. */
const BORDER = 3;
/** An edge less wide than this is good enough to cut by, mm. */
const SHARP_MM = 2;

/**
 * The outlines of what lies on a mat or is drawn on paper: the light is taken out, pieces are what differs; their edge lies half
 * way between both, between the pixels. Specks go, holes stay.
 * @param picture the flat view, to scale
 * @returns outlines in mm from its lower left corner, y up
 */
export function* trace(picture: Pixels, options: TraceOptions): Generator<number, Parsed<Traced>> {
	const { mmPerPx, look = 'laid', gap = 0, innerLines = true, high = 0, above = null } = options;
	yield 0.15;
	const seen =
		look === 'drawn' ? seenDrawn(picture, Math.ceil(gap / mmPerPx / 2)) : seenLaid(picture, options);
	if (!seen) return bad('traceNothing');
	yield 0.5;
	const lines = contours(seen.field, seen.level);
	yield 0.7;
	const wide = seen.soft;
	const round = lines.filter((line) => (Math.abs(twiceArea(line)) / 2) * mmPerPx ** 2 >= options.speck);
	const warnings = seen.laid ? doubts(round, seen.laid, options, wide * mmPerPx) : [];
	// A pixel's value is that of its middle.
	const onMat = lines.map((line) =>
		line.map(([x, y]): Point => [(x + 0.5) * mmPerPx, (picture.height - 0.5 - y) * mmPerPx])
	);
	const off = look === 'laid' && above && high > 0 ? offBy(onMat, high, above) : null;
	if (off !== null)
		warnings.push(problem('heightDoubtful', { mm: off.toFixed(1), percent: Math.round(above!.doubt * 100) }));
	const rings =
		look === 'drawn' ? enclosed(onMat, mmPerPx) : above && high > 0 ? laidDown(onMat, high, above) : onMat;
	const ways: Way[] = [];
	let specks = 0;
	for (const [i, ring] of rings.entries()) {
		if (ring.length < 3 || Math.abs(twiceArea(ring)) / 2 < options.speck) specks++;
		else ways.push(curved(ring, options));
		if (i % 50 === 0) yield 0.7 + (0.3 * i) / rings.length;
	}
	const found = piecesFromWays(ways);
	if (found.pieces.length === 0) return bad('traceNothing');
	const flat = (hole: Outline) => {
		const { points } = flatten(hole);
		return { use: 'detail' as const, points: [...points, points[0]!] };
	};
	return good({
		// What lies on a mat shows the mat through its holes; what is drawn on a piece is a line until it is said to be cut.
		pieces:
			look === 'drawn' && innerLines
				? found.pieces.map((p) => ({ ...p, holes: [], lines: [...p.lines, ...p.holes.map(flat)] }))
				: found.pieces,
		cut: found.pieces.flatMap((p, i) => (isCut(p, picture, mmPerPx) ? [i] : [])),
		specks: specks + found.specks,
		contrast: seen.contrast,
		softness: wide * mmPerPx,
		blurred: wide > SHARP_PX && wide * mmPerPx > SHARP_MM,
		warnings
	});
}

/** Whether an outline comes to where the view or what the picture shows ends. */
function isCut({ outline }: Piece, { data, width, height }: Pixels, mmPerPx: number): boolean {
	const near = Math.ceil(BORDER / mmPerPx);
	const shown = (x: number, y: number) =>
		x >= 0 && y >= 0 && x < width && y < height && data[4 * (y * width + x) + 3] !== 0;
	return flatten(outline).points.some((p) => {
		const [x, y] = [Math.floor(p[0] / mmPerPx), Math.floor(height - p[1] / mmPerPx)];
		return [-near, 0, near].some((dx) => [-near, 0, near].some((dy) => !shown(x + dx, y + dy)));
	});
}
