import type { Point } from '../../units/point.ts';
import { turn, type Turned } from './overlap.ts';
import { areaOf, shapeOf, type Shape } from './shape.ts';
import { grown, mirroredPaths, wound } from './stock.ts';
import type { LayPiece } from '../../facts/layout.ts';

/** Pieces as they are laid: each copy by itself, grown by half of the gap, so that what touches keeps it. */

/** Less is no hole, mm². */
export const LEAST_HOLE = 1;

export interface Copy {
	piece: LayPiece;
	copy: number;
	mirrored: boolean;
	shape: Shape;
	middle: Point;
	turns: readonly Turned[] | null;
	/** Of the piece itself, mm², and its points, to measure by. */
	area: number;
	outline: readonly Point[];
}

export const radians = (degrees: number) => (degrees * Math.PI) / 180;
export const degrees = (angle: number) => {
	const d = (angle * 180) / Math.PI;
	const near = Math.round(d);
	const its = Math.abs(d - near) < 1e-9 ? near : d;
	return ((its % 360) + 360) % 360;
};

/** One way round of a piece, as the search takes it. */
export function copyOf(piece: LayPiece, mirrored: boolean, gap: number): Omit<Copy, 'copy'> {
	const holes = piece.holes.filter((h) => h.length > 2 && Math.abs(areaOf(h)) > LEAST_HOLE);
	const plain = [wound(piece.outline, true), ...holes.map((h) => wound(h, false))];
	const its = mirrored ? mirroredPaths(plain) : plain;
	const { shape, middle } = shapeOf(grown(its, gap / 2));
	const turns =
		piece.rotations === 'any'
			? null
			: [...new Set(piece.rotations.map((r) => ((r % 360) + 360) % 360))].map((r) => turn(shape, radians(r)));
	const area = its.reduce((sum, path) => sum + areaOf(path), 0);
	return { piece, mirrored, shape, middle, turns, area, outline: its[0]! };
}

/** Where the middle of half a piece lies from the left border that others have, when it lies on the fold; null of all others. */
export const hugsOf = ({ piece, middle }: Pick<Copy, 'piece' | 'middle'>, inset: number): number | null =>
	piece.onFold ? middle[0] - inset : null;

/** Every copy of the pieces. */
export function copiesOf(pieces: readonly LayPiece[], gap: number): Copy[] {
	return pieces.flatMap((piece) => {
		const one = copyOf(piece, false, gap);
		const other = piece.pair ? copyOf(piece, true, gap) : one;
		return Array.from({ length: piece.quantity }, (_, i): Copy => ({
			...(i % 2 ? other : one),
			copy: i + 1
		}));
	});
}
