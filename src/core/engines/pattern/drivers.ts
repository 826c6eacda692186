import type { Piece } from '../../facts/piece.ts';
import type { Drivers } from '../../trade/driver.ts';
import { sizesOfPiece } from './piece.ts';

/** Two edges make one seam. */
export function driversOf(pieces: readonly Piece[]): Drivers {
	const drivers: Drivers = {
		outline: 0,
		seam: 0,
		bevelled: 0,
		edge: 0,
		area: 0,
		cutArea: 0,
		pieces: 0,
		patterns: pieces.length
	};
	for (const piece of pieces) {
		const f = sizesOfPiece(piece);
		drivers.outline += piece.quantity * f.cutLength;
		drivers.seam += (piece.quantity * f.seam) / 2;
		drivers.bevelled += piece.quantity * f.bevelled;
		drivers.edge += piece.quantity * f.edge;
		drivers.area += piece.quantity * f.area;
		drivers.cutArea += piece.quantity * f.cutArea;
		drivers.pieces += piece.quantity;
	}
	return drivers;
}
