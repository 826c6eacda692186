import type { PDFImage } from 'pdf-lib';
import pluralize from 'pluralize';
import type { FontFiles } from './lettering.ts';
import { GREY, newPrint } from './pdf.ts';
import { LINE, ROOM, Sheet, type Cell } from './pdfSheet.ts';
import type { Story, StoryLine, StoryPart } from './storyTypes.ts';

/** mm that the names of lines take at the left. */
const NAMES = 38;
const HIGH = 62;
const ACROSS = 3;

function writeLine(sheet: Sheet, { name, text }: StoryLine, before: string | null): void {
	// A name that stands already is not said again.
	const cells: Cell[] = [
		...(name && name !== before ? [{ text: name, at: 0, wide: NAMES - 3 }] : []),
		{ text, at: NAMES, wide: ROOM - NAMES }
	];
	sheet.row(cells, 9);
}

function writePart(
	sheet: Sheet,
	{ title, lines, pictures }: StoryPart,
	images: ReadonlyMap<string, PDFImage>
): void {
	sheet.keep(4 * LINE);
	sheet.gap(2);
	sheet.text(title, { size: 11, bold: true });
	lines.forEach((l, i) => writeLine(sheet, l, i > 0 ? lines[i - 1]!.name : null));
	const shown = pictures.flatMap(({ hash, caption }) => {
		const image = images.get(hash);
		return image ? [{ image, caption }] : [];
	});
	if (shown.length) {
		sheet.gap(2);
		sheet.pictures(shown, HIGH, ACROSS);
	}
	const left = pictures.length - shown.length;
	if (left)
		sheet.text(`${pluralize('picture', left, true)} more with the costume.`, { size: 8, color: GREY });
}

/**
 * A story to keep or to hand on, on A4.
 *
 * @param pictures JPEG by the hash of what they show; what is not among them is counted
 */
export async function storyPdf(
	story: Story,
	pictures: ReadonlyMap<string, Uint8Array>,
	files: FontFiles
): Promise<Uint8Array> {
	const { doc, fonts } = await newPrint(story.title, files);
	const sheet = new Sheet(doc, fonts);
	const images = new Map<string, PDFImage>();
	for (const [hash, bytes] of pictures) images.set(hash, await doc.embedJpg(bytes));
	sheet.text(story.title, { size: 20, bold: true });
	sheet.text(story.said, { color: GREY });
	for (const { title, parts } of story.chapters) {
		sheet.gap(4);
		if (title) {
			sheet.keep(6 * LINE);
			sheet.text(title, { size: 14, bold: true });
			sheet.rule();
		}
		for (const part of parts) writePart(sheet, part, images);
	}
	sheet.number(story.title);
	return doc.save();
}
