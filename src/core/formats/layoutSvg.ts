import type { CostumePiece } from '../layout/pieces.ts';
import { formsOf, laidPaths, type Placement, type Stock } from '../layout/stock.ts';
import type { Point } from '../pattern/outline.ts';
import { escaped, r, svgPath } from './patternSvg.ts';

/** Between sheets, mm. */
const APART = 20;

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
