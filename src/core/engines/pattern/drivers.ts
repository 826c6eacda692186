import type { Piece } from '../../facts/piece.ts';
import type { Drivers } from '../../trade/driver.ts';
import { edgeLength, edgesOf } from './outline.ts';
import { sizesOfPiece } from './piece.ts';

/** The first word of a seam's name: what kind of seam it is. */
export const seamKind = (name: string): string => name.split(' ')[0]!;

/**
 * What pieces come to. Two edges make one seam; an edge that is joined to something that is not here makes one alone, and so
 * does an edge that has no mate. A gathered edge is joined at the length to which it is drawn in.
 */
export function driversOf(pieces: readonly Piece[]): Drivers {
	const edges = pieces.flatMap((piece) =>
		edgesOf(piece.outline).flatMap(({ from, edge }, i) =>
			i === piece.foldEdge
				? []
				: [{ edge, many: piece.quantity * (piece.foldEdge === null ? 1 : 2), long: edgeLength(from, edge) }]
		)
	);
	const mates = new Map<string, number>();
	for (const { edge, many } of edges)
		if (edge.seam !== undefined && !edge.along) mates.set(edge.seam, (mates.get(edge.seam) ?? 0) + many);
	const seams: Record<string, number> = {};
	let [gathered, shaped] = [0, 0];
	for (const { edge, many, long } of edges) {
		if (edge.shaped) shaped += many * long;
		if (edge.along) continue;
		if (edge.fullness !== undefined) gathered += many * long;
		if (edge.seam === undefined) continue;
		const share = edge.onto || mates.get(edge.seam) === 1 ? 1 : 0.5;
		const kind = seamKind(edge.seam);
		seams[kind] = (seams[kind] ?? 0) + (share * many * long) / (edge.fullness ?? 1);
	}
	const sum = (of: (piece: Piece) => number) =>
		pieces.reduce((total, piece) => total + piece.quantity * of(piece), 0);
	return {
		outline: sum((p) => sizesOfPiece(p).cutLength),
		seam: Object.values(seams).reduce((total, long) => total + long, 0),
		bevelled: sum((p) => sizesOfPiece(p).bevelled),
		edge: sum((p) => sizesOfPiece(p).edge),
		gathered,
		shaped,
		eyelets: sum((p) => p.eyelets ?? 0),
		boned: sum((p) => p.boned ?? 0),
		area: sum((p) => sizesOfPiece(p).area),
		cutArea: sum((p) => sizesOfPiece(p).cutArea),
		pieces: sum(() => 1),
		patterns: pieces.length,
		seams,
		told: {
			gathered: edges.some((e) => e.edge.fullness !== undefined),
			shaped: edges.some((e) => e.edge.shaped !== undefined)
		}
	};
}
