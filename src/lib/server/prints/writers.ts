import { cutSheets, leftoversOfPlan } from '$core/engines/layout/cutSheets.ts';
import { LEAST_KEPT } from '$core/engines/layout/leftovers.ts';
import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
import type { PaperKey } from '$core/engines/pattern/tile.ts';
import type { LayPlan } from '$core/facts/layout.ts';
import type { Quote } from '$core/facts/quote.ts';
import { chartPdf, type ChartGroup } from '$core/formats/chartPdf.ts';
import { layoutPdf, type PlanPaper } from '$core/formats/layoutPdf.ts';
import { patternPdf } from '$core/formats/patternPdf.ts';
import { planWords } from '$core/formats/planWords.ts';
import { quotePdf, type QuotedCostume } from '$core/formats/quotePdf.ts';
import type { Story } from '$core/formats/storyTypes.ts';
import { storyPdf } from '$core/formats/storyPdf.ts';
import { tagsPdf, type PrintedTag } from '$core/formats/tagsPdf.ts';
import type { LengthUnit } from '$core/units/measure.ts';
import { printFonts } from './fonts.ts';

/** Printers at home take sheets. */
type Sheets = Exclude<PaperKey, 'plotter'>;

/** Prints that take longer than a request may keep the server. What they are made of is sent: plain data alone. */
export const WRITERS = {
	pattern: (pieces: readonly NumberedPiece[], paper: PaperKey, title: string) =>
		patternPdf(pieces, paper, title, printFonts()),
	tags: (tags: readonly PrintedTag[], paper: Sheets) => tagsPdf(tags, paper, printFonts()),
	chart: (groups: readonly ChartGroup[], paper: Sheets, title: string) =>
		chartPdf(groups, paper, title, printFonts()),
	quote: (quote: Quote, costume: QuotedCostume, before: Quote | null) =>
		quotePdf(quote, costume, before, printFonts()),
	story: (story: Story, pictures: ReadonlyMap<string, Uint8Array>) => storyPdf(story, pictures, printFonts()),
	layout: (plan: LayPlan, paper: PlanPaper, title: string, unit: LengthUnit) => {
		const sheets = cutSheets(plan);
		const words = planWords(plan, title, sheets.length, unit);
		return layoutPdf(sheets, leftoversOfPlan(plan, LEAST_KEPT), paper, words, printFonts());
	}
};
export type Writers = typeof WRITERS;
export type PrintKind = keyof Writers;

export interface AskPrint<K extends PrintKind = PrintKind> {
	kind: K;
	args: Parameters<Writers[K]>;
}
export type ToldPrint = { bytes: Uint8Array } | { failed: string };

export const write = <K extends PrintKind>({ kind, args }: AskPrint<K>): Promise<Uint8Array> =>
	(WRITERS[kind] as (...args: Parameters<Writers[K]>) => Promise<Uint8Array>)(...args);
