import { boxOf } from '../pattern/outline.ts';
import { distance, type Point } from '../../units/point.ts';

/** In which order the pieces of a sheet are cut. */

export interface CutPiece {
	/** Outline and holes as they lie on the sheet. */
	paths: readonly (readonly Point[])[];
}

const middleOf = ({ paths }: CutPiece): Point => {
	const b = boxOf(paths[0]!);
	return [(b.left + b.right) / 2, (b.bottom + b.top) / 2];
};

/**
 * Small pieces that lie in the hole of another come before it, so that nothing is cut out of what is loose; else the short way
 * round from the lower left corner: the nearest next, then crossings of the way undone (2-opt: G. Croes, 1958).
 * @returns indices of the pieces
 */
export function cutOrder(pieces: readonly CutPiece[]): number[] {
	const middles = pieces.map(middleOf);
	const way = nearestNext(middles);
	untangle(way, middles);
	const boxes = pieces.map((p) => p.paths.map(boxOf));
	/** Whether one lies in a hole of another. */
	const within = (i: number, j: number) =>
		boxes[j]!.slice(1).some((hole) => {
			const its = boxes[i]![0]!;
			return (
				its.left >= hole.left && its.right <= hole.right && its.bottom >= hole.bottom && its.top <= hole.top
			);
		});
	const order: number[] = [];
	const take = (i: number) => {
		if (order.includes(i)) return;
		way.filter((j) => j !== i && within(j, i)).forEach(take);
		order.push(i);
	};
	way.forEach(take);
	return order;
}

function nearestNext(middles: readonly Point[]): number[] {
	const left = middles.map((_, i) => i);
	const way: number[] = [];
	let here: Point = [0, 0];
	while (left.length) {
		let best = 0;
		left.forEach((i, k) => {
			if (distance(here, middles[i]!) < distance(here, middles[left[best]!]!)) best = k;
		});
		const [next] = left.splice(best, 1);
		way.push(next!);
		here = middles[next!]!;
	}
	return way;
}

function untangle(way: number[], middles: readonly Point[]) {
	const at = (k: number): Point => (k < 0 ? [0, 0] : middles[way[k]!]!);
	for (let better = true; better;) {
		better = false;
		for (let i = 0; i < way.length - 1; i++)
			for (let j = i + 1; j < way.length; j++) {
				const open = j + 1 === way.length;
				const now = distance(at(i - 1), at(i)) + (open ? 0 : distance(at(j), at(j + 1)));
				const then = distance(at(i - 1), at(j)) + (open ? 0 : distance(at(i), at(j + 1)));
				if (then > now - 1e-9) continue;
				way.splice(i, j - i + 1, ...way.slice(i, j + 1).reverse());
				better = true;
			}
	}
}

/** mm that the blade goes, holes too. */
export const cutLength = (pieces: readonly CutPiece[]): number =>
	pieces.reduce(
		(sum, { paths }) =>
			sum +
			paths.reduce(
				(s, ring) => s + ring.reduce((t, p, i) => t + distance(p, ring[(i + 1) % ring.length]!), 0),
				0
			),
		0
	);
