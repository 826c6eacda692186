import type { Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { problem, type Problem } from '../../units/problem.ts';
import { cutLine } from './allowance.ts';
import { cutByLine } from './cut.ts';
import { edgesOf } from './outline.ts';

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** Where a point lies across the grain and along it, mm. */
const across = ([x, y]: Point, grain: number) => x * Math.sin(radians(grain)) - y * Math.cos(radians(grain));

/** From the one side of a piece to the other across cloth whose grain runs at `grain`, allowances and what is unfolded included. */
function sides(piece: Piece, grain: number): { from: number; to: number } {
	const points = cutLine(piece);
	const fold = piece.foldEdge === null ? null : edgesOf(piece.outline)[piece.foldEdge]!;
	const mirrored = fold
		? points.map((p): Point => {
				const [dx, dy] = [fold.edge.to[0] - fold.from[0], fold.edge.to[1] - fold.from[1]];
				const t = ((p[0] - fold.from[0]) * dx + (p[1] - fold.from[1]) * dy) / (dx * dx + dy * dy);
				return [2 * (fold.from[0] + t * dx) - p[0], 2 * (fold.from[1] + t * dy) - p[1]];
			})
		: [];
	const at = [...points, ...mirrored].map((p) => across(p, grain));
	return { from: Math.min(...at), to: Math.max(...at) };
}

/** How wide a piece lies across the cloth, mm: with its grain as it is drawn, or as `grain` says. */
export function widthOnCloth(piece: Piece, grain = piece.grain ?? 90): number {
	const { from, to } = sides(piece, grain);
	return to - from;
}

/**
 * Pieces as they go on a roll so wide: as they are drawn; else turned by a quarter, so that the grain runs across them; else, with
 * `joins`, cut along the grain where the cloth ends and sewn together there.
 * @param cloth width that can be laid, mm
 * @param seam allowance of a join, mm
 */
export function onCloth(
	pieces: readonly Piece[],
	cloth: number,
	{ seam, joins }: { seam: number; joins: boolean }
): { pieces: Piece[]; warnings: Problem[] } {
	const warnings: Problem[] = [];
	const warn = (its: Problem) => {
		if (!warnings.some((w) => w.code === its.code)) warnings.push(its);
	};
	const laid = pieces.flatMap((piece): Piece[] => {
		if (piece.grain === null || widthOnCloth(piece) <= cloth + 1e-6) return [piece];
		const turned = { ...piece, grain: (piece.grain + 90) % 180 };
		if (widthOnCloth(turned) <= cloth + 1e-6) {
			warn(problem('laidTurned', {}, ['cloth']));
			return [turned];
		}
		const parts = joins ? joined(piece, cloth, seam) : null;
		if (!parts) {
			warn(problem('widerThanCloth', { wide: Math.ceil(widthOnCloth(piece)) }, ['cloth']));
			return [piece];
		}
		warn(problem('clothJoined', { joins: parts.length - 1 }, ['cloth']));
		return parts;
	});
	return { pieces: laid, warnings };
}

/** Cut along the grain where the cloth ends, from the fold or from the left side on; null where that gives no pieces. */
function joined(piece: Piece, cloth: number, seam: number): Piece[] | null {
	const grain = piece.grain!;
	const fold = piece.foldEdge === null ? null : edgesOf(piece.outline)[piece.foldEdge]!;
	const { from, to } = sides(piece, grain);
	const middle = fold ? across(fold.from, grain) : null;
	// Of a half on the fold only that half is drawn: it lies to one side of the fold.
	const sign = fold && cutLine(piece).every((p) => across(p, grain) <= middle! + 1e-6) ? -1 : 1;
	const [begin, first] = fold ? [middle!, cloth / 2 - seam] : [from, cloth - seam];
	const most = fold ? to - middle! : to - from;
	const u: Point = [Math.sin(radians(grain)), -Math.cos(radians(grain))];
	const v: Point = [Math.cos(radians(grain)), Math.sin(radians(grain))];
	if (cloth - 2 * seam < 1) return null;
	const parts: Piece[] = [];
	let rest = piece;
	for (let at = first, n = 1; at < most - 1e-6; at += cloth - 2 * seam, n++) {
		const x = begin + sign * at;
		const a: Point = [u[0] * x, u[1] * x];
		const cut = cutByLine(rest, a, [a[0] + v[0], a[1] + v[1]], { cut: n, allowance: seam, marks: 1 });
		// A curve may come back over the line: such a piece is not for this.
		if (!cut.ok || cut.value.length !== 2) return null;
		const [near, far] = [...cut.value].sort((p, q) => sign * (middleOf(p, grain) - middleOf(q, grain))) as [
			Piece,
			Piece
		];
		parts.push(near);
		rest = far;
	}
	const whole = [...parts, rest];
	return whole.map((part, i) => ({
		...part,
		name: `${piece.name}, ${i + 1} of ${whole.length}`,
		// What is cut off a half on the fold is there on both sides.
		...(fold && i > 0 ? { quantity: piece.quantity * 2, mirrored: true, foldEdge: null } : {})
	}));
}

const middleOf = (piece: Piece, grain: number) => {
	const at = cutLine(piece).map((p) => across(p, grain));
	return (Math.min(...at) + Math.max(...at)) / 2;
};
