import fontkit from '@pdf-lib/fontkit';
import type { PDFDocument, PDFFont } from 'pdf-lib';

type Fontkit = Parameters<PDFDocument['registerFontkit']>[0];
type Font = ReturnType<Fontkit['create']>;
type Glyph = ReturnType<Font['glyphForCodePoint']>;

/** The letters that prints are set in: TrueType files. The core has no files; whoever prints brings them. */
export interface FontFiles {
	plain: Uint8Array;
	bold: Uint8Array;
}

export interface Lettering {
	plain: PDFFont;
	bold: PDFFont;
}

/**
 * The letter itself; where the font has none, what is left of it by Unicode's compatibility decomposition (NFKD): its bare letter, a
 * plain space for a thin one; else a question mark.
 */
function glyphOf(font: Font, letter: string): Glyph {
	const [bare] = letter.normalize('NFKD');
	const has = [letter, bare!].find((l) => font.hasGlyphForCodePoint(l.codePointAt(0)!));
	return font.glyphForCodePoint((has ?? '?').codePointAt(0)!);
}

/**
 * Sets one letter after another, each as wide as the font says. Scripts that join their letters are not shaped. Shaped text takes a
 * millisecond a line, a hundred times as long, and a print has thousands of labels.
 */
const oneByOne: Fontkit = {
	create(bytes, name) {
		const font = fontkit.create(bytes, name);
		const known = new Map<string, Glyph>();
		const layout = (text: string) => {
			const glyphs = Array.from(text.normalize('NFC'), (letter) => {
				let glyph = known.get(letter);
				if (!glyph) known.set(letter, (glyph = glyphOf(font, letter)));
				return glyph;
			});
			// Of a run, only its glyphs are asked for.
			return { glyphs } as ReturnType<Font['layout']>;
		};
		return Object.assign(font, { layout });
	}
};

/** The fonts of a print; of each, the letters that are used go into the file. */
export async function letteringOf(doc: PDFDocument, files: FontFiles): Promise<Lettering> {
	doc.registerFontkit(oneByOne);
	return {
		plain: await doc.embedFont(files.plain, { subset: true }),
		bold: await doc.embedFont(files.bold, { subset: true })
	};
}
