import type { CostumePiece } from '../layout/pieces.ts';
import type { Placement, Stock } from '../layout/stock.ts';
import { placed, type Point } from '../pattern/outline.ts';
import { escaped, r, svgPath } from './patternSvg.ts';

/** Between sheets, mm. */
const APART = 20;

/** A piece as it lies on its sheet: its outline, then its holes. */
export const laidPaths = (piece: CostumePiece, p: Placement): Point[][] =>
	[piece.outline, ...piece.holes].map((ring) =>
		ring.map((q) => placed(q, { mirror: p.mirrored, turn: p.rotation, move: [p.x, p.y] }))
	);

/** What the sheets of a layout are: as they are sold, or what is used of the roll. */
export const formsOf = (stock: Stock, use: { sheets: number; usedLength: number }) =>
	Array.from({ length: use.sheets }, (_, i) =>
		stock.roll !== null
			? { width: stock.roll, height: Math.max(use.usedLength, 1) }
			: (stock.sheets[i] ?? stock.more!)
	);

/** A layout at 1:1, one unit a mm: a group a sheet beside the one before, a group a piece, its cut lines of the class `cut`. */
export function layoutSvg(
	placements: readonly Placement[],
	pieces: readonly CostumePiece[],
	stock: Stock,
	use: { sheets: number; usedLength: number },
	title: string
): string {
	const forms = formsOf(stock, use);
	const high = Math.max(...forms.map((f) => f.height));
	const lefts = forms.map((_, i) => forms.slice(0, i).reduce((sum, f) => sum + f.width + APART, 0));
	const wide = lefts[lefts.length - 1]! + forms[forms.length - 1]!.width;
	const byId = new Map(pieces.map((p) => [p.id, p]));
	const body = forms.map((form, i) => {
		const own = placements
			.filter((p) => p.sheet === i + 1)
			.map((p) => {
				const piece = byId.get(p.piece)!;
				const paths = laidPaths(piece, p).map((ring) =>
					svgPath(ring.map(([x, y]): Point => [x + lefts[i]!, y]))
				);
				return `<g><title>${escaped(`${piece.code} ${piece.name}, copy ${p.copy}${p.mirrored ? ', mirrored' : ''}`)}</title><path class="cut" fill-rule="evenodd" d="${paths.join('')}"/></g>`;
			});
		return `<g id="sheet-${i + 1}"><path class="placement" stroke-dasharray="4 2" d="M${r(lefts[i]!)} ${r(-form.height)}h${r(form.width)}v${r(form.height)}h${r(-form.width)}"/>${own.join('')}</g>`;
	});
	return `<svg xmlns="http://www.w3.org/2000/svg" width="${r(wide)}mm" height="${r(high)}mm" viewBox="0 ${r(-high)} ${r(wide)} ${r(high)}" fill="none" stroke="#000" stroke-width="0.3"><title>${escaped(title)}</title>${body.join('')}</svg>`;
}
