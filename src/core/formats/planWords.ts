import pluralize from 'pluralize';
import type { LayPlan } from '../facts/layout.ts';
import { formatLength, type LengthUnit } from '../units/measure.ts';
import { formatNumber } from '../units/number.ts';
import type { PlanWords } from './layoutPdf.ts';

/** What stands at the head of a printed cut plan. */
export function planWords(plan: LayPlan, title: string, sheets: number, unit: LengthUnit): PlanWords {
	const { settings } = plan;
	const length = (mm: number) => formatLength(mm, unit);
	const of = [
		`At least ${length(settings.gap)} between pieces, ${length(settings.edge)} to the border`,
		settings.folded && 'folded along its length, the fold is the left side',
		settings.oneWay && 'nap or print runs one way',
		settings.shrinkLength + settings.shrinkWidth > 0 &&
			`washed first: shrinks ${formatNumber(settings.shrinkLength)} % in length, ${formatNumber(settings.shrinkWidth)} % in width`,
		settings.repeat > 0 && `print repeats every ${length(settings.repeat)}: match it at the seams`
	].filter((w) => w !== false);
	return {
		title,
		notes: [
			`${of.join('; ')}.`,
			'Solid lines are cut, dashed ones are what is left of use. Check grain, nap and size before you cut.'
		],
		sheet: (sheet) =>
			`${sheet.name}${sheets > 1 ? ` (${sheet.number} of ${sheets})` : ''}, ` +
			`${length(sheet.form.width)} × ${length(sheet.form.height)}, ${pluralize('piece', sheet.pieces.length, true)}`
	};
}
