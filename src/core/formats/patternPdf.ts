import {
	clip,
	degrees,
	endPath,
	popGraphicsState,
	pushGraphicsState,
	rectangle,
	type PDFFont,
	type PDFOperator,
	type PDFPage
} from 'pdf-lib';
import { labelPoint } from '../engines/pattern/labelPoint.ts';
import { boxOf, flatten, touches } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { notchPlace } from '../engines/pattern/piece.ts';
import { grainArrow, notchLine } from './pieceMarks.ts';
import { cutListOf, type CutListLine } from '../engines/pattern/cutList.ts';
import { MARGIN, PAPERS, tile, type LaidPiece, type PaperKey, type Tiling } from '../engines/pattern/tile.ts';
import type { NumberedPiece } from '../engines/pattern/numbered.ts';
import type { FontFiles } from './lettering.ts';
import { atTrueSize, BLACK, drawLine, GREY, newPrint, PT, type Pen } from './pdf.ts';

/** Side of the square by which a print is checked, mm. */
export const CHECK_SQUARE = 100;

/** Thin lines, nothing filled: it saves ink. */
function drawPiece({ piece, at, cut }: LaidPiece, pen: Pen): PDFOperator[] {
	const moved = (p: Point): Point => [p[0] + at[0], p[1] + at[1]];
	const its = flatten(piece.outline, 0.05).points.map(moved);
	const allowed = piece.outline.edges.some((e) => e.allowance);
	const ops = [
		...drawLine(allowed ? cut : its, pen, true, 0.9),
		...(allowed ? drawLine(its, pen, true, 0.5, [4, 3]) : []),
		...piece.holes.flatMap((h) => drawLine(flatten(h, 0.05).points.map(moved), pen, true, 0.7)),
		...piece.lines.flatMap((l) =>
			drawLine(
				l.points.map(moved),
				pen,
				false,
				0.5,
				l.use === 'fold' ? [8, 3, 1, 3] : l.use === 'placement' ? [2, 2] : []
			)
		)
	];
	for (const notch of piece.notches)
		ops.push(...drawLine(notchLine(piece, notch).map(moved), pen, false, 0.9));
	if (piece.grain !== null)
		ops.push(...grainArrow(piece).flatMap((l) => drawLine(l.map(moved), pen, false, 0.5)));
	return ops;
}

function label(page: PDFPage, font: PDFFont, laid: LaidPiece, pen: Pen): void {
	const [x, y] = pen(labelPoint(laid.cut, laid.piece.holes, laid.at));
	const words = [
		laid.code,
		laid.piece.name,
		`cut ${laid.count}${laid.piece.mirrored ? ', half of them mirrored' : ''}`
	];
	words.forEach((text, i) =>
		page.drawText(text, { x: x + 6, y: y - i * 10, size: i ? 7.5 : 10, font, color: BLACK })
	);
	const moved = (p: Point): Point => pen([p[0] + laid.at[0], p[1] + laid.at[1]]);
	for (const notch of laid.piece.notches) {
		const { at, out } = notchPlace(laid.piece, notch);
		const [nx, ny] = moved([at[0] - out[0] * 4, at[1] - out[1] * 4]);
		page.drawText(notch.pair, { x: nx - 4, y: ny - 2, size: 6, font, color: BLACK });
	}
}

/** The first page: a square to measure the print by, how the pages lie, and what is on them. */
function cover(page: PDFPage, font: PDFFont, tiling: Tiling, title: string): void {
	const { width, height } = tiling.paper;
	const top = (height - MARGIN) * PT;
	page.drawText(title, { x: MARGIN * PT, y: top - 12, size: 13, font });
	page.drawText('Print at 100 %, not fitted to the page. Measure the square before you cut.', {
		x: MARGIN * PT,
		y: top - 28,
		size: 8.5,
		font
	});
	const square = { x: MARGIN * PT, y: top - 40 - CHECK_SQUARE * PT };
	page.drawRectangle({
		...square,
		width: CHECK_SQUARE * PT,
		height: CHECK_SQUARE * PT,
		borderColor: BLACK,
		borderWidth: 0.5
	});
	page.drawText(`${CHECK_SQUARE} mm`, { x: square.x + 6, y: square.y + 6, size: 8.5, font });
	const all = {
		width: Math.max(...tiling.pages.map((p) => p.shows.right)),
		height: Math.max(...tiling.pages.map((p) => p.shows.top))
	};
	const free = { width: width - 2 * MARGIN, height: height - 2 * MARGIN - CHECK_SQUARE - 40 };
	const scale = Math.min(free.width / all.width, free.height / all.height, 0.4);
	const pen: Pen = ([x, y]) => [(MARGIN + x * scale) * PT, (MARGIN + y * scale) * PT];
	page.pushOperators(
		pushGraphicsState(),
		...tiling.pieces.flatMap((p) => drawLine(p.cut, pen, true, 0.4)),
		popGraphicsState()
	);
	for (const { name, shows } of tiling.pages) {
		const [x, y] = pen([shows.left, shows.bottom]);
		page.drawRectangle({
			x,
			y,
			width: (shows.right - shows.left) * scale * PT,
			height: (shows.top - shows.bottom) * scale * PT,
			borderColor: GREY,
			borderWidth: 0.4
		});
		page.drawText(name, { x: x + 3, y: y + 3, size: 7, font, color: GREY });
	}
	const list = tiling.pieces.map((p) => `${p.code}  ${p.piece.name}, cut ${p.count}`);
	const left = (MARGIN + CHECK_SQUARE + 6) * PT;
	if (width - MARGIN - CHECK_SQUARE > 60)
		list.slice(0, 30).forEach((text, i) =>
			page.drawText(text, {
				x: left,
				y: top - 48 - i * 9,
				size: 6.5,
				font,
				maxWidth: (width - MARGIN) * PT - left
			})
		);
}

function tilePage(page: PDFPage, font: PDFFont, tiling: Tiling, at: Tiling['pages'][number]): void {
	const { left, bottom, right, top } = at.shows;
	const here = tiling.pieces.filter((p) => touches(boxOf(p.cut), at.shows));
	const pen: Pen = ([x, y]) => [(MARGIN + x - left) * PT, (MARGIN + y - bottom) * PT];
	const [x, y] = pen([left, bottom]);
	const [w, h] = [(right - left) * PT, (top - bottom) * PT];
	page.pushOperators(
		pushGraphicsState(),
		rectangle(x, y, w, h),
		clip(),
		endPath(),
		...here.flatMap((p) => drawPiece(p, pen))
	);
	for (const laid of here) label(page, font, laid, pen);
	page.pushOperators(popGraphicsState());
	page.drawRectangle({
		x,
		y,
		width: w,
		height: h,
		borderColor: GREY,
		borderWidth: 0.3,
		borderDashArray: [1, 3]
	});
	// Where the next page begins: its border laid over this mark closes the sheet.
	const marks: [Point, Point][] = [
		[pen([right - 10, bottom]), pen([right - 10, bottom + 8])],
		[pen([right - 10, top - 8]), pen([right - 10, top])],
		[pen([left, top - 10]), pen([left + 8, top - 10])],
		[pen([right - 8, top - 10]), pen([right, top - 10])]
	];
	for (const [a, b] of marks)
		page.drawLine({ start: { x: a[0], y: a[1] }, end: { x: b[0], y: b[1] }, thickness: 0.5, color: GREY });
	page.drawText(at.name, { x: x + 3, y: y - 12, size: 9, font, color: GREY });
	page.drawText('glue under', { x: x + w + 3, y: y + 20, size: 6, font, color: GREY, rotate: degrees(90) });
}

const LINES_A_PAGE = 40;

/** Rectangles that are measured off: strips of net, straps, bands. No paper is glued together for them. */
function listPage(page: PDFPage, font: PDFFont, list: readonly CutListLine[], title: string): void {
	const top = page.getHeight() - MARGIN * PT;
	const write = (text: string, x: number, y: number, size = 8.5) =>
		page.drawText(text, { x: (MARGIN + x) * PT, y, size, font });
	write(`${title}: cut list`, 0, top - 12, 13);
	write('Plain rectangles, larger than a page: measure them off. Sizes with allowances.', 0, top - 28);
	list.forEach(({ name, codes, width, height, count }, i) => {
		const y = top - 50 - i * 16;
		write(`${count} x`, 0, y, 10);
		write(`${Math.round(width * 10) / 10} x ${Math.round(height * 10) / 10} mm`, 14, y, 10);
		write(`${name}  (${codes[0]}${codes.length > 1 ? ` and ${codes.length - 1} more` : ''})`, 62, y);
	});
}

/**
 * Pieces at 1:1 as a PDF: a first page with a check square and a map, a list of what is only measured off, then the pages.
 * @returns the file's bytes
 */
export async function patternPdf(
	pieces: readonly NumberedPiece[],
	paper: PaperKey,
	title: string,
	files: FontFiles
): Promise<Uint8Array> {
	const paperSize = PAPERS[paper];
	const { list, rest } = cutListOf(
		pieces,
		paper === 'plotter'
			? null
			: { width: paperSize.width - 2 * MARGIN, height: paperSize.height - 2 * MARGIN }
	);
	const tiling = tile(rest, paper);
	const { doc, fonts } = await newPrint(title, files);
	atTrueSize(doc);
	const font = fonts.plain;
	const size: [number, number] = [tiling.paper.width * PT, tiling.paper.height * PT];
	if (rest.length) cover(doc.addPage(size), font, tiling, title);
	for (let from = 0; from < list.length; from += LINES_A_PAGE)
		listPage(doc.addPage(size), font, list.slice(from, from + LINES_A_PAGE), title);
	if (rest.length) for (const at of tiling.pages) tilePage(doc.addPage(size), font, tiling, at);
	return doc.save();
}
