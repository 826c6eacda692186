import pluralize from 'pluralize';
import { freshSheets } from '$core/engines/layout/stock.ts';
import type { StockUse } from '$core/facts/layout.ts';
import { formatLength, type LengthUnit } from '$core/units/measure.ts';

/** What a layout takes in words: `2 sheets and 1 offcut`, `1 offcut and 84 cm`. */
export function takesWords(use: StockUse, offcuts: number, roll: boolean, unit: LengthUnit): string {
	const fresh = freshSheets(use, offcuts);
	const used = use.sheets - fresh;
	const parts = [
		fresh > 0 && (roll ? formatLength(use.usedLength, unit) : pluralize('sheet', fresh, true)),
		used > 0 && pluralize('offcut', used, true)
	];
	return parts.filter(Boolean).join(' and ');
}
