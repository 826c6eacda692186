import { crossesItself } from '../pattern/outline.ts';
import { areaOf } from './shape.ts';
import { copiesOf } from './copies.ts';
import { StockLayout } from './stockLayout.ts';
import type { LayPiece } from '../../facts/layout.ts';
import type { Layout, LayoutTask, Unplaced, WhyNot } from './stock.ts';

/** The cutting layout: pieces laid on sheets or a roll, first whole at once, then tighter for as long as there is time. */

/** Less is nothing to cut, mm². */
const LEAST_AREA = 1;

/** What is wrong with a piece whatever it is laid on; null when it can be laid. */
function wrong(piece: LayPiece): WhyNot | null {
	const finite = [piece.outline, ...piece.holes].flat(2).every(Number.isFinite);
	if (!finite || piece.outline.length < 3) return 'tooSmall';
	if (crossesItself(piece.outline)) return 'crosses';
	if (Math.abs(areaOf(piece.outline)) < LEAST_AREA) return 'tooSmall';
	if (piece.rotations !== 'any' && piece.rotations.length === 0) return 'badRotation';
	return null;
}

/**
 * Lays all pieces. Yields whether what `soFar` gives has become better; ends by itself when it finds nothing more.
 * @param over whether to stop at once: asked often
 */
export function layOut(
	task: LayoutTask,
	over: () => boolean
): { work: Generator<boolean, void>; soFar: () => Layout } {
	const unplaced: Unplaced[] = [];
	const sound = task.pieces.filter((piece) => {
		const why = wrong(piece) ?? (task.stock.some((s) => s.id === piece.stock) ? null : 'noStock');
		if (why) for (let copy = 1; copy <= piece.quantity; copy++) unplaced.push({ piece: piece.id, copy, why });
		return !why;
	});
	const jobs: StockLayout[] = [];
	function* work(): Generator<boolean, void> {
		const of = task.stock.map((stock) => ({ stock, own: sound.filter((p) => p.stock === stock.id) }));
		for (const { stock, own: its } of of)
			jobs.push(new StockLayout(stock, copiesOf(its, task.gap), task, over));
		// Stocks take turns, so that each has become better when time is up.
		const open = jobs.map((job) => job.improve());
		while (open.length && !over()) {
			for (const one of [...open]) {
				const turn = one.next();
				if (turn.done) open.splice(open.indexOf(one), 1);
				else yield turn.value;
			}
		}
	}
	return {
		work: work(),
		soFar: () => {
			const parts = jobs.map((job) => job.result());
			return {
				placements: parts.flatMap((p) => p.placements),
				unplaced: [...unplaced, ...parts.flatMap((p) => p.unplaced)],
				stock: parts.flatMap((p) => p.stock)
			};
		}
	};
}
