import { cutLine } from '../engines/pattern/allowance.ts';
import { boxOf, flatten } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { layInRows } from '../engines/pattern/tile.ts';
import { labelPoint } from '../engines/pattern/labelPoint.ts';
import { grainArrow, notchLine } from './pieceMarks.ts';
import type { NumberedPiece } from '../engines/pattern/numbered.ts';

export const r = (value: number) => String(Math.round(value * 1000) / 1000);

/** A closed line as an SVG path; SVG's y runs down. */
export const svgPath = (points: readonly Point[], closed = true): string =>
	`M${points.map(([x, y]) => `${r(x)} ${r(-y)}`).join('L')}${closed ? 'Z' : ''}`;

export const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Height of the words on a piece, mm. */
const LETTERS = 5;
const words = ([x, y]: Point, text: string) =>
	`<text class="code" x="${r(x)}" y="${r(-y)}" font-size="${LETTERS}" font-family="sans-serif" text-anchor="middle" fill="#000" stroke="none">${escaped(text)}</text>`;

/** Pieces at 1:1, one unit a mm: cut lines, sewing lines, holes, inner lines, notches and grain by their class, codes as text. */
export function patternSvg(pieces: readonly NumberedPiece[], title: string): string {
	const { pieces: laid } = layInRows(pieces);
	const box = boxOf(laid.flatMap((p) => p.cut));
	const [width, height] = [box.right - box.left, box.top - box.bottom];
	const body = laid.map(({ piece, at, code, count }) => {
		const moved = (p: Point): Point => [p[0] + at[0], p[1] + at[1]];
		const allowed = piece.outline.edges.some((e) => e.allowance);
		const its = svgPath(flatten(piece.outline).points.map(moved));
		return [
			`<g id="${escaped(code)}"><title>${escaped(`${code} ${piece.name}, cut ${count}`)}</title>`,
			`<path class="cut" d="${allowed ? svgPath(cutLine(piece).map(moved)) : its}"/>`,
			...(allowed ? [`<path class="sew" d="${its}" stroke-dasharray="3 2"/>`] : []),
			...piece.holes.map((h) => `<path class="cut" d="${svgPath(flatten(h).points.map(moved))}"/>`),
			...piece.lines.map(
				(l) => `<path class="${l.use}" d="${svgPath(l.points.map(moved), false)}" stroke-dasharray="1 1"/>`
			),
			...piece.notches.map(
				(n) => `<path class="notch" d="${svgPath(notchLine(piece, n).map(moved), false)}"/>`
			),
			...(piece.grain === null
				? []
				: [
						`<path class="grain" d="${grainArrow(piece)
							.map((l) => svgPath(l.map(moved), false))
							.join('')}"/>`
					]),
			words(moved(labelPoint(flatten(piece.outline).points, piece.holes)), `${code} · ${count} ×`),
			'</g>'
		].join('');
	});
	return `<svg xmlns="http://www.w3.org/2000/svg" width="${r(width)}mm" height="${r(height)}mm" viewBox="${r(box.left)} ${r(-box.top)} ${r(width)} ${r(height)}" fill="none" stroke="#000" stroke-width="0.3"><title>${escaped(title)}</title>${body.join('')}</svg>`;
}
