import { freshSheets } from '$core/engines/layout/stock.ts';
import type { StockUse } from '$core/facts/layout.ts';
import { formatLength, type LengthUnit } from '$core/units/measure.ts';

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** What a layout takes in words: `2 sheets and 1 offcut`, `1 offcut and 84 cm`. */
export function takesWords(use: StockUse, offcuts: number, roll: boolean, unit: LengthUnit): string {
	const fresh = freshSheets(use, offcuts);
	const used = use.sheets - fresh;
	const parts = [
		fresh > 0 && (roll ? formatLength(use.usedLength, unit) : count(fresh, 'sheet', 'sheets')),
		used > 0 && count(used, 'offcut', 'offcuts')
	];
	return parts.filter(Boolean).join(' and ');
}
