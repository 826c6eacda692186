import { boxOf, flatten } from '../engines/pattern/outline.ts';
import { labelPoint } from '../engines/pattern/labelPoint.ts';
import { notchPlace } from '../engines/pattern/piece.ts';
import type { Notch, Piece } from '../facts/piece.ts';
import type { Point } from '../units/point.ts';

/** Out from the edge that is sewn, mm. */
const NOTCH = 5;
/** Of an arrow's head, mm. */
const HEAD = 4;

/** A notch as a short line out from its edge, mm on the piece. */
export function notchLine(piece: Piece, notch: Notch): [Point, Point] {
	const { at, out } = notchPlace(piece, notch);
	return [at, [at[0] + out[0] * NOTCH, at[1] + out[1] * NOTCH]];
}

/** The grain as an arrow with a head at both ends, where the piece has most room: a third as long as the piece is. */
export function grainArrow(piece: Piece): Point[][] {
	const points = flatten(piece.outline).points;
	const [x, y] = labelPoint(points, piece.holes);
	const a = ((piece.grain ?? 0) * Math.PI) / 180;
	const [c, s] = [Math.cos(a), Math.sin(a)];
	const box = boxOf(points);
	const half = Math.max(6, Math.min(60, Math.min(box.right - box.left, box.top - box.bottom) / 3));
	// Beside the words.
	const at = (u: number, v: number): Point => [x + u * c - (v + HEAD) * s, y + u * s + (v + HEAD) * c];
	return [
		[at(-half, 0), at(half, 0)],
		[at(half - HEAD, 2), at(half, 0), at(half - HEAD, -2)],
		[at(HEAD - half, 2), at(-half, 0), at(HEAD - half, -2)]
	];
}
