import type { Edge, Notch, Outline, Piece } from '../../facts/piece.ts';
import { distance, type Point } from '../../units/point.ts';
import { edgesOf } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import type { Run } from './drawing.ts';

/** Runs and edges one after the other, closed. What has no length is left out. */
export function outlineOf(start: Point, ...parts: readonly (Edge | Run)[]): Outline {
	const edges = parts.flatMap((part) => ('edges' in part ? [...part.edges] : [part]));
	return {
		start,
		edges: edges.filter((e, i) => e.kind === 'cubic' || distance(i ? edges[i - 1]!.to : start, e.to) > 1e-6)
	};
}

/** Marks where edges begin: at these points, each with the name of its pair. */
export const notchesAt = (outline: Outline, marks: readonly (readonly [Point, string])[]): Notch[] =>
	marks.flatMap(([p, pair]) => {
		const edge = edgesOf(outline).findIndex((e) => distance(e.from, p) < 1e-6);
		return edge < 0 ? [] : [{ edge, along: 0, pair }];
	});

/** Its last edge lies on the fold; or it is cut twice, mirrored. */
export const halfPiece = (name: string, outline: Outline, folded: boolean, notches: Notch[]): Piece =>
	piece(name, outline, {
		grain: 90,
		notches,
		...(folded ? { foldEdge: outline.edges.length - 1 } : { quantity: 2, mirrored: true })
	});
