import { cutLine } from './allowance.ts';
import { boxOf, flatten, touches, type Box } from './outline.ts';
import type { Point } from '../../units/point.ts';
import type { NumberedPiece } from './numbered.ts';

/** Paper to print on, mm, upright. */
export const PAPERS = {
	a4: { name: 'A4', width: 210, height: 297 },
	a3: { name: 'A3', width: 297, height: 420 },
	letter: { name: 'Letter', width: 215.9, height: 279.4 },
	plotter: { name: 'one sheet for a plotter', width: 900, height: 0 }
} as const;
export type PaperKey = keyof typeof PAPERS;
export const PAPER_KEYS = Object.keys(PAPERS) as [PaperKey, ...PaperKey[]];

/** What no printer prints at the border of a sheet. */
export const MARGIN = 10;
/** By so much each page repeats its neighbour, to be glued over it. */
export const OVERLAP = 10;
const BETWEEN = 8;
/** Off the border of the sheet, so that no line is cut in half by the edge of what a page shows. */
const EDGE = 2;

/** A piece where it stands on the large sheet: moved by `at`. */
export interface LaidPiece extends NumberedPiece {
	at: Point;
	/** Its cut line, moved. */
	cut: Point[];
}

/** The large sheet, and which part of it each page shows. */
export interface Tiling {
	width: number;
	height: number;
	pieces: LaidPiece[];
	paper: { width: number; height: number };
	pages: { name: string; row: number; column: number; shows: Box }[];
}

/** Pieces with the room that each takes. */
function measured(pieces: readonly NumberedPiece[]) {
	return pieces.map((its) => {
		const cut = cutLine(its.piece);
		const { left, bottom, right, top } = boxOf([...cut, ...flatten(its.piece.outline).points]);
		return { numbered: its, cut, left, bottom, wide: right - left, high: top - bottom };
	});
}

/**
 * Lays pieces in rows, high ones first. Not a cutting layout: it is for looking and for paper, and every piece is whole.
 * @param widthFor the width of the rows by that of the widest piece, mm. Without it the sheet becomes about 3 by 2.
 */
export function layInRows(
	pieces: readonly NumberedPiece[],
	widthFor?: (widest: number) => number
): { width: number; height: number; pieces: LaidPiece[] } {
	const all = measured(pieces);
	const room = all.reduce((sum, p) => sum + (p.wide + BETWEEN) * (p.high + BETWEEN), 0);
	const widest = Math.max(1, ...all.map((p) => p.wide + 2 * EDGE));
	const across = Math.max(widest, widthFor?.(widest) ?? Math.sqrt(1.6 * room));
	const laid: LaidPiece[] = [];
	let [x, y, row] = [EDGE, EDGE, 0];
	for (const { numbered: its, cut, left, bottom, wide, high } of [...all].sort((a, b) => b.high - a.high)) {
		if (x > EDGE && x + wide + EDGE > across + 1e-6) {
			y += row + BETWEEN;
			[x, row] = [EDGE, 0];
		}
		const at: Point = [x - left, y - bottom];
		laid.push({ ...its, at, cut: cut.map(([px, py]) => [px + at[0], py + at[1]]) });
		x += wide + BETWEEN;
		row = Math.max(row, high);
	}
	return { width: across, height: Math.max(1, y + row + EDGE), pieces: laid };
}

/** The least that a plotter sheet is high: its first page bears the check square. */
const LEAST_PLOTTER = 140;

/** Lays pieces on a sheet of whole pages and cuts it into these pages, each overlapping the next. */
export function tile(pieces: readonly NumberedPiece[], key: PaperKey): Tiling {
	const paper = PAPERS[key];
	const step = { x: paper.width - 2 * MARGIN - OVERLAP, y: paper.height - 2 * MARGIN - OVERLAP };
	if (key === 'plotter') {
		const sheet = layInRows(pieces, () => paper.width - 2 * MARGIN);
		const high = Math.max(sheet.height + 2 * MARGIN, LEAST_PLOTTER);
		const shows = { left: 0, bottom: 0, right: sheet.width, top: high - 2 * MARGIN };
		return {
			...sheet,
			paper: { width: sheet.width + 2 * MARGIN, height: high },
			pages: [{ name: 'A1', row: 0, column: 0, shows }]
		};
	}
	const columnsFor = (widest: number) =>
		Math.max(1, Math.ceil((Math.max(widest, 3 * step.x) - OVERLAP) / step.x));
	const sheet = layInRows(pieces, (widest) => columnsFor(widest) * step.x + OVERLAP);
	const columns = Math.round((sheet.width - OVERLAP) / step.x);
	const rows = Math.max(1, Math.ceil((sheet.height - OVERLAP) / step.y));
	const boxes = sheet.pieces.map((p) => boxOf(p.cut));
	const pages: Tiling['pages'] = [];
	for (let r = 0; r < rows; r++)
		for (let c = 0; c < columns; c++) {
			const shows = {
				left: c * step.x,
				bottom: r * step.y,
				right: (c + 1) * step.x + OVERLAP,
				top: (r + 1) * step.y + OVERLAP
			};
			// Pages that no piece touches are left out.
			const touched = boxes.some((b) => touches(b, shows));
			if (touched || pages.length === 0)
				pages.push({ name: `${rowLetters(r)}${c + 1}`, row: r, column: c, shows });
		}
	return { ...sheet, paper, pages };
}

/** A … Z, AA, AB … */
const rowLetters = (row: number): string =>
	(row >= 26 ? rowLetters(Math.floor(row / 26) - 1) : '') + String.fromCharCode(65 + (row % 26));
