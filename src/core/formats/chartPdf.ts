import { popGraphicsState, pushGraphicsState, type PDFPage } from 'pdf-lib';
import { labelPoint } from '../engines/pattern/labelPoint.ts';
import { boxOf, flatten } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { notchPlace } from '../engines/pattern/piece.ts';
import { placementChart, type PlacementChart } from '../engines/pattern/placement.ts';
import type { NumberedPiece } from '../engines/pattern/numbered.ts';
import { MARGIN, PAPERS, type PaperKey } from '../engines/pattern/tile.ts';
import type { FontFiles, Lettering } from './lettering.ts';
import { atTrueSize, BLACK, drawLine, GREY, newPrint, PT } from './pdf.ts';

export interface ChartGroup {
	title: string;
	pieces: readonly NumberedPiece[];
}

const HEAD = 18;
const TITLE = 7;

/** Room for one component, mm from the lower left of the page. */
interface Cell {
	left: number;
	bottom: number;
	width: number;
	height: number;
}

/** As many columns as make the drawings largest. */
function cellsFor(
	charts: readonly PlacementChart[],
	width: number,
	height: number
): { cells: Cell[]; scale: number } {
	let best: { cells: Cell[]; scale: number } | null = null;
	for (let columns = 1; columns <= charts.length; columns++) {
		const rows = Math.ceil(charts.length / columns);
		const [wide, high] = [width / columns, height / rows];
		const scale = Math.min(
			...charts.map((c) =>
				Math.min((wide - 6) / Math.max(1, c.width), (high - TITLE - 6) / Math.max(1, c.height))
			)
		);
		if (best && best.scale >= scale) continue;
		best = {
			scale,
			cells: charts.map((_, i) => ({
				left: MARGIN + (i % columns) * wide,
				bottom: MARGIN + height - (Math.floor(i / columns) + 1) * high,
				width: wide,
				height: high
			}))
		};
	}
	return best ?? { cells: [], scale: 1 };
}

function chart(
	page: PDFPage,
	{ plain: font, bold }: Lettering,
	its: PlacementChart,
	title: string,
	cell: Cell,
	scale: number
) {
	const pen = ([x, y]: Point): Point => [
		(cell.left + 3 + x * scale) * PT,
		(cell.bottom + cell.height - TITLE - 3 - (its.height - y) * scale) * PT
	];
	page.drawText(title, {
		x: (cell.left + 3) * PT,
		y: (cell.bottom + cell.height - 4) * PT,
		size: 9,
		font: bold
	});
	const moved =
		(at: Point) =>
		(p: Point): Point => [p[0] + at[0], p[1] + at[1]];
	page.pushOperators(
		pushGraphicsState(),
		...its.pieces.flatMap((p) => [
			...drawLine(flatten(p.piece.outline).points.map(moved(p.at)), pen, true, 0.8),
			...p.piece.holes.flatMap((h) => drawLine(flatten(h).points.map(moved(p.at)), pen, true, 0.5)),
			...p.piece.notches.flatMap((n) => {
				const { at, out } = notchPlace(p.piece, n);
				const long = 1.6 / scale;
				const from = moved(p.at)(at);
				return drawLine([from, [from[0] + out[0] * long, from[1] + out[1] * long]], pen, false, 0.8);
			})
		]),
		popGraphicsState()
	);
	for (const p of its.pieces) {
		const box = boxOf(p.cut);
		const [x, y] = pen(labelPoint(p.cut, p.piece.holes, p.at));
		const text = p.code.replace(/^\S+ /, '');
		const size = Math.max(4, Math.min(8, ((box.right - box.left) * scale * PT) / (text.length * 0.6)));
		// What is too narrow for its number has it beside it.
		const inside =
			(box.top - box.bottom) * scale * PT > size * 1.4 && (box.right - box.left) * scale * PT > size * 2;
		const left = inside ? x - font.widthOfTextAtSize(text, size) / 2 : pen([box.right, 0])[0] + 3;
		page.drawText(text, { x: left, y: y - size / 3, size, font, color: BLACK });
	}
	for (const { name, at } of its.joins) {
		const [x, y] = pen(at);
		page.drawCircle({ x, y, size: 4, borderWidth: 0.4, borderColor: GREY });
		page.drawText(name, {
			x: x - font.widthOfTextAtSize(name, 5) / 2,
			y: y - 1.8,
			size: 5,
			font,
			color: GREY
		});
	}
}

/** Numbered pieces in their place on one page, joined edges facing, all at one scale. */
export async function chartPdf(
	groups: readonly ChartGroup[],
	paper: Exclude<PaperKey, 'plotter'>,
	title: string,
	files: FontFiles
): Promise<Uint8Array> {
	const { width, height } = { width: PAPERS[paper].height, height: PAPERS[paper].width };
	const charts = groups.map((g) => placementChart(g.pieces));
	const { doc, fonts } = await newPrint(title, files);
	atTrueSize(doc);
	const page = doc.addPage([width * PT, height * PT]);
	const { cells, scale } = cellsFor(charts, width - 2 * MARGIN, height - 2 * MARGIN - HEAD);
	page.drawText(title, { x: MARGIN * PT, y: (height - MARGIN - 6) * PT, size: 13, font: fonts.bold });
	page.drawText(
		`Scale 1 : ${Math.max(1, Math.round((1 / scale) * 10) / 10)}. Edges with the same number are joined; notches meet.`,
		{ x: MARGIN * PT, y: (height - MARGIN - 12) * PT, size: 8, font: fonts.plain, color: GREY }
	);
	charts.forEach((its, i) => chart(page, fonts, its, groups[i]!.title, cells[i]!, scale));
	return doc.save();
}
