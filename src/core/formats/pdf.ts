import {
	closePath,
	lineTo,
	moveTo,
	PDFDocument,
	PrintScaling,
	rgb,
	setDashPattern,
	setLineWidth,
	stroke,
	type PDFOperator
} from 'pdf-lib';
import type { Point } from '../units/point.ts';
import { letteringOf, type FontFiles, type Lettering } from './lettering.ts';

/** What all printed sheets share. */

/** An empty print, and the letters it is set in. */
export async function newPrint(
	title: string,
	files: FontFiles
): Promise<{ doc: PDFDocument; fonts: Lettering }> {
	const doc = await PDFDocument.create();
	doc.setTitle(title);
	doc.setProducer('Dapper Ledger');
	return { doc, fonts: await letteringOf(doc, files) };
}

/** Asks whoever prints it to leave it at its true size. ISO 32000-1, 12.2: PrintScaling of the viewer preferences. */
export const atTrueSize = (doc: PDFDocument): void =>
	doc.catalog.getOrCreateViewerPreferences().setPrintScaling(PrintScaling.None);

/** PDF units by mm: 72 an inch. ISO 32000-1, 8.3.2.3. */
export const PT = 72 / 25.4;
export const GREY = rgb(0.45, 0.45, 0.45);
export const BLACK = rgb(0, 0, 0);

/** From mm on the sheet to points on the page. */
export type Pen = (point: Point) => Point;

export function drawLine(
	points: readonly Point[],
	pen: Pen,
	closed: boolean,
	width: number,
	dash: number[] = []
): PDFOperator[] {
	const [first, ...rest] = points.map(pen);
	if (!first) return [];
	return [
		setLineWidth(width),
		setDashPattern(dash, 0),
		moveTo(first[0], first[1]),
		...rest.map(([x, y]) => lineTo(x, y)),
		...(closed ? [closePath()] : []),
		stroke()
	];
}
