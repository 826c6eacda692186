import { PDFDocument, popGraphicsState, pushGraphicsState, rgb, type PDFPage } from 'pdf-lib';
import type { CutSheet } from '../engines/layout/cutSheets.ts';
import type { Leftover } from '../engines/layout/leftovers.ts';
import { rectangle } from '../engines/layout/offcut.ts';
import { labelPoint } from '../engines/pattern/labelPoint.ts';
import { boxOf } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { MARGIN, PAPERS } from '../engines/pattern/tile.ts';
import { cutWords } from './layoutSvg.ts';
import type { FontFiles, Lettering } from './lettering.ts';
import { atTrueSize, BLACK, drawLine, GREY, newPrint, PT, type Pen } from './pdf.ts';
import { CHECK_SQUARE } from './patternPdf.ts';

/** What the head of a cut plan says. */
export interface PlanWords {
	/** `Harbour warden, high-density foam 6 mm`. */
	title: string;
	/** Each a line, on every page. */
	notes: readonly string[];
	/** `sheet 2 of 3, 600 × 600 mm`. */
	sheet: (sheet: CutSheet) => string;
}
export type PlanPaper = 'a4' | 'letter' | 'full';
const LIST_LINE = 11;
const HEAD = 62;

/** Lines of a sheet: its border, what is left of use dashed, then the pieces. */
function drawSheet(page: PDFPage, sheet: CutSheet, left: readonly Leftover[], pen: Pen): void {
	const { form } = sheet;
	page.pushOperators(
		pushGraphicsState(),
		...drawLine(form.outline ?? rectangle(form.width, form.height), pen, true, 1),
		...(form.flaws ?? []).flatMap((flaw) => drawLine(flaw, pen, true, 0.4, [1, 1])),
		...left.flatMap(({ outline, holes, at }) =>
			[outline, ...holes].flatMap((ring) =>
				drawLine(
					ring.map(([x, y]): Point => [x + at[0], y + at[1]]),
					pen,
					true,
					0.4,
					[4, 3]
				)
			)
		),
		...sheet.pieces.flatMap((p) => p.paths.flatMap((ring) => drawLine(ring, pen, true, 0.7))),
		popGraphicsState()
	);
}

function numbers(page: PDFPage, fonts: Lettering, sheet: CutSheet, pen: Pen, scale: number): void {
	for (const p of sheet.pieces) {
		const box = boxOf(p.paths[0]!);
		const room = Math.min(box.right - box.left, box.top - box.bottom) * scale * PT;
		const size = Math.max(5, Math.min(16, room / 2.5));
		const words = `${p.order}`;
		const [x, y] = pen(labelPoint(p.paths[0]!, [], [0, 0]));
		const wide = fonts.bold.widthOfTextAtSize(words, size);
		page.drawText(words, { x: x - wide / 2, y: y - size * 0.35, size, font: fonts.bold, color: BLACK });
		const code = p.piece.code;
		if (fonts.plain.widthOfTextAtSize(code, 6) < (box.right - box.left) * scale * PT * 0.8 && room > 26)
			page.drawText(code, {
				x: x - fonts.plain.widthOfTextAtSize(code, 6) / 2,
				y: y - size * 0.35 - 8,
				size: 6,
				font: fonts.plain,
				color: GREY
			});
	}
}

/**
 * A cut plan as a PDF. On A4 or Letter: a page a sheet, as large as it fits, and the list of cuts below it. Full: a page a sheet at
 * 1:1, as large as the sheet, with a square to measure the print by.
 * @returns the file's bytes
 */
export async function layoutPdf(
	sheets: readonly CutSheet[],
	leftovers: readonly { sheet: number; leftovers: readonly Leftover[] }[],
	paper: PlanPaper,
	words: PlanWords,
	files: FontFiles
): Promise<Uint8Array> {
	const { doc, fonts } = await newPrint(words.title, files);
	atTrueSize(doc);
	for (const sheet of sheets) {
		const left = leftovers.find((l) => l.sheet === sheet.number)?.leftovers ?? [];
		if (paper === 'full') fullPage(doc, fonts, sheet, left, words);
		else pages(doc, fonts, sheet, left, words, paper);
	}
	return doc.save();
}

function fullPage(
	doc: PDFDocument,
	fonts: Lettering,
	sheet: CutSheet,
	left: readonly Leftover[],
	words: PlanWords
) {
	const { width, height } = sheet.form;
	const page = doc.addPage([
		(Math.max(width, CHECK_SQUARE) + 2 * MARGIN) * PT,
		(height + CHECK_SQUARE + 3 * MARGIN) * PT
	]);
	const pen: Pen = ([x, y]) => [(MARGIN + x) * PT, (MARGIN + y) * PT];
	drawSheet(page, sheet, left, pen);
	numbers(page, fonts, sheet, pen, 1);
	const [x, y] = pen([0, height + MARGIN]);
	page.drawRectangle({
		x,
		y,
		width: CHECK_SQUARE * PT,
		height: CHECK_SQUARE * PT,
		borderColor: BLACK,
		borderWidth: 0.5
	});
	const lines = [
		`${CHECK_SQUARE} mm: print at 100 % and measure it`,
		words.title,
		words.sheet(sheet),
		...words.notes
	];
	lines.forEach((line, i) =>
		page.drawText(line, {
			x: x + 6,
			y: y + (CHECK_SQUARE - 8) * PT - i * 13,
			size: 8.5,
			font: fonts.plain
		})
	);
}

function pages(
	doc: PDFDocument,
	fonts: Lettering,
	sheet: CutSheet,
	left: readonly Leftover[],
	words: PlanWords,
	paper: 'a4' | 'letter'
) {
	const { width, height } = PAPERS[paper];
	const add = () => {
		const page = doc.addPage([width * PT, height * PT]);
		const top = (height - MARGIN) * PT;
		const x = MARGIN * PT;
		page.drawText(words.title, { x, y: top - 12, size: 13, font: fonts.bold });
		[words.sheet(sheet), ...words.notes].forEach((line, i) =>
			page.drawText(line, { x, y: top - 27 - i * 11, size: 8.5, font: fonts.plain, color: BLACK })
		);
		return page;
	};
	const head = HEAD + words.notes.length * 11;
	let page = add();
	// Long rolls lie on their side.
	const { form } = sheet;
	const lies = form.height > form.width * 1.5;
	const size: Point = lies ? [form.height, form.width] : [form.width, form.height];
	const wide = width - 2 * MARGIN;
	const high = height - 2 * MARGIN - head / PT - Math.min(60, (sheet.pieces.length * LIST_LINE) / PT);
	const scale = Math.min(wide / size[0], high / size[1]);
	const base = height - MARGIN - head / PT - size[1] * scale + 8;
	const pen: Pen = ([x, y]) =>
		lies
			? [(MARGIN + y * scale) * PT, (base + (form.width - x) * scale) * PT]
			: [(MARGIN + x * scale) * PT, (base + y * scale) * PT];
	drawSheet(page, sheet, left, pen);
	numbers(page, fonts, sheet, pen, scale);
	let y = base * PT - 18;
	for (const place of sheet.pieces) {
		if (y < MARGIN * PT + 4) {
			page = add();
			y = (height - MARGIN) * PT - head;
		}
		// A box to tick when it is cut.
		page.drawRectangle({
			x: MARGIN * PT,
			y: y - 1,
			width: 7,
			height: 7,
			borderWidth: 0.5,
			borderColor: rgb(0.4, 0.4, 0.4)
		});
		page.drawText(`${place.order}`, { x: MARGIN * PT + 13, y, size: 8.5, font: fonts.bold });
		page.drawText(cutWords(place), { x: MARGIN * PT + 32, y, size: 8.5, font: fonts.plain });
		y -= LIST_LINE;
	}
}
