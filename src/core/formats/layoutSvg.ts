import type { CutPlace, CutSheet } from '../engines/layout/cutSheets.ts';
import type { Point } from '../units/point.ts';
import { escaped, r, svgPath } from './patternSvg.ts';

/** Between sheets, mm. */
const APART = 20;

/** What stands on a piece of a cut plan, beside its number. */
export const cutWords = ({ piece, at }: CutPlace): string =>
	[
		`${piece.code} ${piece.name}, copy ${at.copy}`,
		at.mirrored && 'mirrored',
		piece.folded && { fold: 'on the fold', both: 'both layers', one: 'one layer only' }[piece.folded]
	]
		.filter(Boolean)
		.join(', ');

/** Where each sheet begins when they lie side by side. */
export const sheetLefts = (sheets: readonly CutSheet[]): number[] =>
	sheets.map((_, i) => sheets.slice(0, i).reduce((sum, s) => sum + s.form.width + APART, 0));

/**
 * A layout at 1:1, one unit a mm: a group a sheet beside the one before, a group a piece in the order of cuts, its cut lines of the
 * class `cut`.
 */
export function layoutSvg(sheets: readonly CutSheet[], title: string): string {
	const high = Math.max(...sheets.map((s) => s.form.height));
	const lefts = sheetLefts(sheets);
	const wide = lefts[lefts.length - 1]! + sheets[sheets.length - 1]!.form.width;
	const body = sheets.map(({ number, form, pieces }, i) => {
		const put = (ring: readonly Point[]) => svgPath(ring.map(([x, y]): Point => [x + lefts[i]!, y]));
		const border = form.outline
			? put(form.outline)
			: `M${r(lefts[i]!)} ${r(-form.height)}h${r(form.width)}v${r(form.height)}h${r(-form.width)}Z`;
		const its = pieces.map(
			(p) =>
				`<g id="cut-${p.order}"><title>${escaped(`${p.order}. ${cutWords(p)}`)}</title><path class="cut" fill-rule="evenodd" d="${p.paths.map(put).join('')}"/></g>`
		);
		return `<g id="sheet-${number}"><path class="placement" stroke-dasharray="4 2" d="${border}"/>${its.join('')}</g>`;
	});
	return `<svg xmlns="http://www.w3.org/2000/svg" width="${r(wide)}mm" height="${r(high)}mm" viewBox="0 ${r(-high)} ${r(wide)} ${r(high)}" fill="none" stroke="#000" stroke-width="0.3"><title>${escaped(title)}</title>${body.join('')}</svg>`;
}
