import type { Piece } from '../../facts/piece.ts';

/** A piece of a component as it is cut: `A-04 L 1/2`, how often in all. */
export interface NumberedPiece {
	piece: Piece;
	code: string;
	/** For all copies of the component. */
	count: number;
	/** Which of the component's shapes it comes from: only within one are edges joined. */
	shape: number;
}

/** Pieces that are not kept yet, numbered by themselves. */
export const numberedAlone = (pieces: readonly Piece[], code: string): NumberedPiece[] =>
	pieces.map((piece, i) => ({ piece, code: `${code} ${i + 1}/${pieces.length}`, count: 1, shape: 0 }));
