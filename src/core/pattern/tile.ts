import { cutLine } from './allowance.ts';
import { boxOf, flatten, type Box, type Point } from './outline.ts';
import type { NumberedPiece } from './storedShape.ts';

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

/**
 * Lays pieces in rows, high ones first, no wider than the whole pages they need, and cuts the sheet into pages that
 * overlap. Not a cutting layout: paper is cheap, and every piece must be whole.
 */
export function tile(pieces: readonly NumberedPiece[], key: PaperKey): Tiling {
	const paper = PAPERS[key];
	const boxes = pieces.map((p) => {
		const cut = cutLine(p.piece);
		return { ...p, cut, box: boxOf([...cut, ...flatten(p.piece.outline).points]) };
	});
	const wide = (b: Box) => b.right - b.left;
	const high = (b: Box) => b.top - b.bottom;
	const step = { x: paper.width - 2 * MARGIN - OVERLAP, y: paper.height - 2 * MARGIN - OVERLAP };
	const widest = Math.max(1, ...boxes.map((b) => wide(b.box)));
	const columns =
		key === 'plotter' ? 1 : Math.max(1, Math.ceil((Math.max(widest, 3 * step.x) - OVERLAP) / step.x));
	const width = key === 'plotter' ? Math.max(paper.width - 2 * MARGIN, widest) : columns * step.x + OVERLAP;
	const laid: LaidPiece[] = [];
	let [x, y, row] = [0, 0, 0];
	for (const own of [...boxes].sort((a, b) => high(b.box) - high(a.box))) {
		if (x > 0 && x + wide(own.box) > width + 1e-6) {
			y += row + BETWEEN;
			[x, row] = [0, 0];
		}
		const at: Point = [x - own.box.left, y - own.box.bottom];
		laid.push({
			piece: own.piece,
			code: own.code,
			count: own.count,
			at,
			cut: own.cut.map(([px, py]) => [px + at[0], py + at[1]])
		});
		x += wide(own.box) + BETWEEN;
		row = Math.max(row, high(own.box));
	}
	const height = Math.max(1, y + row);
	if (key === 'plotter')
		return {
			width,
			height,
			pieces: laid,
			paper: { width: width + 2 * MARGIN, height: Math.max(140, height + 2 * MARGIN) },
			pages: [
				{
					name: 'A1',
					row: 0,
					column: 0,
					shows: { left: 0, bottom: 0, right: width, top: Math.max(height, 120) }
				}
			]
		};
	const rows = Math.max(1, Math.ceil((height - OVERLAP) / step.y));
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
			const touched = laid.some((p) => {
				const b = boxOf(p.cut);
				return b.left < shows.right && b.right > shows.left && b.bottom < shows.top && b.top > shows.bottom;
			});
			if (touched || pages.length === 0)
				pages.push({ name: `${String.fromCharCode(65 + (r % 26))}${c + 1}`, row: r, column: c, shows });
		}
	return { width, height, pieces: laid, paper, pages };
}
