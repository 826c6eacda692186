import type { MeasureKey } from '../facts/bodyMeasure.ts';

/**
 * Size designation of clothes by body girths, in mm. Source: EN 13402-3:2004, tables for women's bust, waist
 * and hip and for men's chest and waist, from memory. Their intervals: women's bust 40 mm up to 1040, then
 * 60; men's chest 40 mm up to 1200, then 60.
 */
const WOMEN = {
	chestGirth: [76, 80, 84, 88, 92, 96, 100, 104, 110, 116, 122, 128, 134, 140, 146, 152],
	waistGirth: [60, 64, 68, 72, 76, 80, 84, 88, 94, 100, 106, 112, 118, 124, 130, 136],
	hipGirth: [84, 88, 92, 96, 100, 104, 108, 112, 117, 122, 127, 132, 137, 142, 147, 152]
} as const;
const MEN = {
	chestGirth: [84, 88, 92, 96, 100, 104, 108, 112, 116, 120, 126, 132, 138, 144],
	waistGirth: [72, 76, 80, 84, 88, 92, 96, 100, 104, 108, 114, 120, 126, 132]
} as const;

export const SIZE_TABLES = { women: WOMEN, men: MEN } as const;
export type SizeTable = keyof typeof SIZE_TABLES;

/** One size: its name is the bust or chest girth in cm. */
export interface Size {
	name: string;
	girths: Partial<Record<MeasureKey, number>>;
}

export const sizesOf = (table: SizeTable): Size[] =>
	SIZE_TABLES[table].chestGirth.map((chest, i) => ({
		name: String(chest),
		girths: Object.fromEntries(
			Object.entries(SIZE_TABLES[table]).map(([key, values]) => [key, values[i]! * 10])
		) as Size['girths']
	}));

/** The size whose interval holds this bust or chest girth: half way to its neighbours. */
export function sizeFor(table: SizeTable, chest: number): Size | null {
	const sizes = sizesOf(table);
	const at = (i: number) => sizes[i]!.girths.chestGirth!;
	if (chest < at(0) - 20 || chest > at(sizes.length - 1) + 30) return null;
	return sizes.reduce((best, size) =>
		Math.abs(size.girths.chestGirth! - chest) < Math.abs(best.girths.chestGirth! - chest) ? size : best
	);
}
