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

/** What all printed sheets share. */

/** Asks whoever prints it to leave it at its true size. ISO 32000-1, 12.2: PrintScaling of the viewer preferences. */
export const atTrueSize = (doc: PDFDocument): void =>
	doc.catalog.getOrCreateViewerPreferences().setPrintScaling(PrintScaling.None);

/** PDF units by mm: 72 an inch. ISO 32000-1, 8.3.2.3. */
export const PT = 72 / 25.4;
export const GREY = rgb(0.45, 0.45, 0.45);
export const BLACK = rgb(0, 0, 0);

/** From mm on the sheet to points on the page. */
export type Pen = (point: Point) => Point;

/** Letters that the built-in fonts have; of others the letter without its mark, else a question mark. Thin spaces are spaces. */
export const plain = (text: string) =>
	text
		.replace(/[\u2000-\u200a\u202f]/g, ' ')
		.replace(/[\u2010-\u2015\u2212]/g, '-')
		.replace(/[\u2018\u2019]/g, "'")
		.replace(/[\u201c-\u201e]/g, '"')
		.replace(/[^\n\x20-\x7e\xa0-\xff]/g, (letter) => {
			const bare = letter.normalize('NFD')[0]!;
			return /[\x20-\x7e]/.test(bare) ? bare : '?';
		});

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
