import {
	fill,
	popGraphicsState,
	pushGraphicsState,
	rectangle,
	rgb,
	setFillingRgbColor,
	type PDFFont,
	type PDFPage
} from 'pdf-lib';
import { MARGIN, PAPERS, type PaperKey } from '../engines/pattern/tile.ts';
import { qrModules, QUIET_ZONE } from './qr.ts';
import type { FontFiles, Lettering } from './lettering.ts';
import { atTrueSize, newPrint, PT } from './pdf.ts';

/** What stands on a tag: of a piece, or of what travels. */
export interface PrintedTag {
	code: string;
	name: string;
	/** What is said of it, and beneath that smaller. */
	said: string;
	small: string;
	/** Of its page. */
	address: string;
}

/** Three across on A4 and Letter, mm. */
const TAG = { width: 62, height: 34 };
const GAP = 1;
const QR = 26;

/** Dark modules beside each other. */
function runsOf(row: readonly boolean[]): { from: number; length: number }[] {
	const runs: { from: number; length: number }[] = [];
	row.forEach((dark, c) => {
		const last = runs.at(-1);
		if (dark && last && last.from + last.length === c) last.length++;
		else if (dark) runs.push({ from: c, length: 1 });
	});
	return runs;
}

function tag(page: PDFPage, fonts: Lettering, its: PrintedTag, left: number, top: number) {
	const mm = (x: number, y: number) => ({ x: (left + x) * PT, y: (top - y) * PT });
	page.drawRectangle({
		...mm(0, TAG.height),
		width: TAG.width * PT,
		height: TAG.height * PT,
		borderWidth: 0.3,
		borderColor: rgb(0.5, 0.5, 0.5),
		borderDashArray: [2, 2]
	});
	const modules = qrModules(its.address);
	const one = QR / (modules.length + 2 * QUIET_ZONE);
	// The quiet zone lies inside the tag's own paper.
	const [x0, y0] = [TAG.width - QR + QUIET_ZONE * one, (TAG.height - QR) / 2 + QUIET_ZONE * one];
	// One path of all its runs: a rectangle drawn for each module takes twenty times as long.
	const dark = modules.flatMap((row, r) =>
		runsOf(row).map(({ from, length }) => {
			const { x, y } = mm(x0 + from * one, y0 + (r + 1) * one);
			// A hair more, so that neighbours leave no white line between them.
			return rectangle(x, y, length * one * PT + 0.05, one * PT + 0.05);
		})
	);
	page.pushOperators(pushGraphicsState(), setFillingRgbColor(0, 0, 0), ...dark, fill(), popGraphicsState());
	const room = (TAG.width - QR - 3) * PT;
	const fit = (text: string, font: PDFFont, size: number, least: number) => {
		let at = size;
		while (at > least && font.widthOfTextAtSize(text, at) > room) at -= 0.5;
		let cut = text;
		while (cut.length > 1 && font.widthOfTextAtSize(cut, at) > room) cut = cut.slice(0, -1);
		return { text: cut, size: at };
	};
	const lines = [
		{ ...fit(its.code, fonts.bold, 15, 9), font: fonts.bold },
		{ ...fit(its.name, fonts.plain, 10, 7), font: fonts.plain },
		{ ...fit(its.said, fonts.bold, 9, 7), font: fonts.bold },
		{ ...fit(its.small, fonts.plain, 7.5, 6), font: fonts.plain }
	];
	lines.forEach((l, i) => page.drawText(l.text, { ...mm(3, 10 + i * 6.4), size: l.size, font: l.font }));
}

/** A sheet of tags to cut apart, each with the code, what it is and a QR code of its page. */
export async function tagsPdf(
	tags: readonly PrintedTag[],
	paper: Exclude<PaperKey, 'plotter'>,
	files: FontFiles
): Promise<Uint8Array> {
	const { width, height } = PAPERS[paper];
	const columns = Math.floor((width - 2 * MARGIN + GAP) / (TAG.width + GAP));
	const rows = Math.floor((height - 2 * MARGIN + GAP) / (TAG.height + GAP));
	const { doc, fonts } = await newPrint('Tags', files);
	atTrueSize(doc);
	let page: PDFPage | null = null;
	tags.forEach((its, i) => {
		const on = i % (columns * rows);
		if (on === 0) page = doc.addPage([width * PT, height * PT]);
		const [row, column] = [Math.floor(on / columns), on % columns];
		tag(page!, fonts, its, MARGIN + column * (TAG.width + GAP), height - MARGIN - row * (TAG.height + GAP));
	});
	return doc.save();
}
