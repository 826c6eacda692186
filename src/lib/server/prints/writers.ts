import { cutSheets, leftoversOfPlan } from '$core/engines/layout/cutSheets.ts';
import { LEAST_KEPT } from '$core/engines/layout/leftovers.ts';
import type { LayPlan } from '$core/facts/layout.ts';
import { chartPdf } from '$core/formats/chartPdf.ts';
import { layoutPdf, type PlanPaper } from '$core/formats/layoutPdf.ts';
import { patternPdf } from '$core/formats/patternPdf.ts';
import { planWords } from '$core/formats/planWords.ts';
import { tagsPdf } from '$core/formats/tagsPdf.ts';
import type { LengthUnit } from '$core/units/measure.ts';

/** Prints that take longer than a request may keep the server. What they are made of is sent: plain data alone. */
export const WRITERS = {
	pattern: patternPdf,
	tags: tagsPdf,
	chart: chartPdf,
	layout: (plan: LayPlan, paper: PlanPaper, title: string, unit: LengthUnit) => {
		const sheets = cutSheets(plan);
		const words = planWords(plan, title, sheets.length, unit);
		return layoutPdf(sheets, leftoversOfPlan(plan, LEAST_KEPT), paper, words);
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
