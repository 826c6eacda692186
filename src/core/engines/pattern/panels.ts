import type { Outline, Piece } from '../../facts/piece.ts';
import { piece } from './piece.ts';

/**
 * Panels that are joined round a whole. Left open at one seam, those beside the opening are pieces of their own, as one of their sides
 * is joined to nothing here.
 * @param outline of a panel whose left side, right side is open
 * @param alike whether the two beside the opening are each other's mirror image
 */
export function panelsRound(
	count: number,
	open: boolean,
	outline: (left: boolean, right: boolean) => Outline,
	alike = true
): Piece[] {
	const grain = { grain: 90 };
	if (!open) return [piece('panel', outline(false, false), { quantity: count, ...grain })];
	if (count === 1) return [piece('panel', outline(true, true), grain)];
	const beside = count > 2 ? 'panel beside the opening' : 'panel';
	return [
		...(count > 2 ? [piece('panel between', outline(false, false), { quantity: count - 2, ...grain })] : []),
		...(alike
			? [piece(beside, outline(true, false), { quantity: 2, mirrored: true, ...grain })]
			: [
					piece(`${beside}, left`, outline(true, false), grain),
					piece(`${beside}, right`, outline(false, true), grain)
				])
	];
}
