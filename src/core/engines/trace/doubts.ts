import { distance, type Point } from '../../units/point.ts';
import { problem, type Problem } from '../../units/problem.ts';
import { isPiece, unlike } from './laid.ts';
import type { OnMat } from './seen.ts';

/** A piece is looked at so far within its edge, and the mat so far beyond it, mm. */
const ASIDE = 3;
const BEYOND = 1.5;
/** There it is of another colour when it differs by more, ΔE; over so much of the outline it is told, mm. */
const OTHER = 22;
const TOLD = 8;
/** Beyond an edge something is left when it is farther from the mat than this share of the piece. */
const LEFT = 0.2;

/** What lies at a border and is not what the piece is, mm of its outline: a label, a shadow that grew onto it, or one beside it. */
export function doubts(
	lines: readonly (readonly Point[])[],
	laid: OnMat,
	{ mmPerPx, high = 0 }: { mmPerPx: number; high?: number },
	soft: number
): Problem[] {
	const { colours, matAt, its, off, shadows } = laid;
	const { width, height } = off;
	let [other, beside] = [0, 0];
	for (const line of lines) {
		const n = line.length;
		const arm = Math.max(2, Math.round(BEYOND / mmPerPx));
		if (n < 4 * arm) continue;
		for (let i = 0; i < n; i++) {
			const [a, p, b] = [line[(i - arm + n) % n]!, line[i]!, line[(i + arm) % n]!];
			const along = distance(a, b) || 1;
			const long = distance(p, line[(i + 1) % n]!) * mmPerPx;
			// With y down the piece lies to the right of the way.
			const at = (mm: number) => {
				const by = mm / mmPerPx / along;
				const [x, y] = [Math.round(p[0] - (b[1] - a[1]) * by), Math.round(p[1] + (b[0] - a[0]) * by)];
				return x < 0 || y < 0 || x >= width || y >= height ? -1 : y * width + x;
			};
			const inside = at(ASIDE + high / 4);
			const patch = inside < 0 ? -1 : its.label[inside]!;
			if (
				patch >= 0 &&
				unlike(colours, matAt(inside % width, Math.floor(inside / width)), its.patches[patch]!, inside) >
					OTHER
			)
				other += long;
			const outside = at(-(BEYOND + soft));
			const edge = patch >= 0 ? its.patches[patch]!.off * LEFT : Infinity;
			if (!shadows && outside >= 0 && off.data[outside]! > edge) beside += long;
		}
	}
	const told: Problem[] = [];
	if (other > TOLD) told.push(problem('otherColourAtEdge', { mm: Math.round(other) }));
	const darker = its.patches.some((p) => isPiece(p) && p.colour[1] < p.mat[1]);
	if (!shadows && darker) told.push(problem('brightnessAlone'));
	if (beside > TOLD) told.push(problem('shadowAtEdge', { mm: Math.round(beside) }));
	return told;
}
