import { changesOf, movedMinor } from '../answers/quote.ts';
import type { Costume } from '../facts/costume.ts';
import type { Quote } from '../facts/quote.ts';
import { formatDuration } from '../units/duration.ts';
import { dayOf, dayWords } from '../units/localTime.ts';
import { formatMoney, moneyDigits } from '../units/money.ts';
import { formatNumber } from '../units/number.ts';
import type { FontFiles } from './lettering.ts';
import { GREY, newPrint } from './pdf.ts';
import { LINE, ROOM, Sheet, type Cell } from './pdfSheet.ts';

const COLUMNS = { materials: 104, hours: 124, work: 146, sum: ROOM };
const right = (text: string, at: number, bold = false): Cell => ({ text, at, right: true, bold });
const date = (day: number) => dayWords(day, 0);

function parts(sheet: Sheet, { sums, currency, hourRateMinor }: Quote): void {
	const money = (minor: number) => (minor === 0 ? '' : moneyDigits(minor, currency));
	const head = () => {
		sheet.row(
			[
				{ text: 'Part', at: 0 },
				right('Materials', COLUMNS.materials),
				right('Hours', COLUMNS.hours),
				right('Work', COLUMNS.work),
				right(currency, COLUMNS.sum)
			],
			8,
			GREY
		);
		sheet.rule();
	};
	head();
	for (const l of sums.lines) {
		const page = sheet.page;
		sheet.keep(2 * LINE);
		if (sheet.page !== page) head();
		sheet.row([
			{ text: [l.code, l.name].filter(Boolean).join('  '), at: 0, wide: 82 },
			right(money(l.materialsMinor), COLUMNS.materials),
			right(l.minutes ? formatDuration(l.minutes) : '', COLUMNS.hours),
			right(money(l.workMinor), COLUMNS.work),
			right(moneyDigits(l.materialsMinor + l.workMinor, currency), COLUMNS.sum)
		]);
	}
	sheet.rule();
	const total = (text: string, minor: number, bold = false) =>
		sheet.row([{ text, at: 0, bold, wide: 120 }, right(moneyDigits(minor, currency), COLUMNS.sum, bold)]);
	sheet.keep(7 * LINE);
	total('Materials', sums.materialsMinor);
	total(
		`Work, ${formatDuration(sums.minutes)} at ${formatMoney(hourRateMinor, currency)} an hour`,
		sums.workMinor
	);
	if (sums.contingencyMinor)
		total(`What cannot be foreseen, ${formatDuration(sums.contingencyMinutes)}`, sums.contingencyMinor);
	if (sums.feeMinor) total('Design and fittings', sums.feeMinor);
}

/** What a client is told of the costume. */
export type QuotedCostume = Pick<Costume, 'name' | 'wearer' | 'eventName' | 'eventAt'>;

/** A quote that a client can read: who, what, how much, when it is paid, on which terms; and what it changes of the one before. */
export async function quotePdf(
	quote: Quote,
	costume: QuotedCostume,
	before: Quote | null,
	files: FontFiles
): Promise<Uint8Array> {
	const { sums, currency } = quote;
	const title = `Quote ${quote.number}`;
	const { doc, fonts } = await newPrint(`${title}: ${costume.name}`, files);
	const sheet = new Sheet(doc, fonts);
	sheet.row([{ text: title, at: 0, bold: true }, right(date(quote.madeOn), ROOM)], 18);
	sheet.row([right(`valid until ${date(quote.validUntil)}`, ROOM)], 10, GREY);
	sheet.gap(2);
	const [left, middle] = [quote.maker.trim(), quote.client.trim()];
	sheet.row(
		[
			{ text: left ? `from\n${left}` : '', at: 0, wide: ROOM / 2 - 6 },
			{ text: middle ? `for\n${middle}` : '', at: ROOM / 2, wide: ROOM / 2 - 6 }
		],
		10
	);
	sheet.gap(8);
	sheet.text(costume.name, { size: 14, bold: true });
	const what = [
		costume.wearer && `worn by ${costume.wearer}`,
		`${costume.eventName}, ${date(dayOf(costume.eventAt))}`
	];
	sheet.text(`${what.filter(Boolean).join('; ')}. Handed over by ${date(quote.readyOn)}.`);
	sheet.gap(5);
	parts(sheet, quote);
	if (quote.taxPercent !== null)
		sheet.row([
			{ text: `Tax, ${formatNumber(quote.taxPercent, 2)} %`, at: 0 },
			right(moneyDigits(sums.taxMinor, currency), COLUMNS.sum)
		]);
	sheet.rule(0.9);
	sheet.row(
		[{ text: 'In all', at: 0, bold: true }, right(formatMoney(sums.totalMinor, currency), ROOM, true)],
		13
	);
	sheet.gap(6);

	if (before) {
		sheet.keep(5 * LINE);
		sheet.text(`What it changes of quote ${before.number}`, { bold: true });
		for (const c of changesOf(before.sums, sums)) {
			const [was, is] = [c.beforeMinor ?? 0, c.afterMinor ?? 0];
			const how =
				c.beforeMinor === null
					? 'added'
					: c.afterMinor === null
						? 'left out'
						: `before ${moneyDigits(was, currency)}`;
			sheet.row([
				{ text: `${c.name}, ${how}`, at: 0, wide: 120 },
				right(difference(is - was, currency), ROOM)
			]);
		}
		sheet.row([
			{ text: 'More or less in all', at: 0, bold: true },
			right(difference(movedMinor(before.sums, sums), currency), ROOM, true)
		]);
		sheet.gap(6);
	}

	sheet.keep((sums.payments.length + 1) * LINE);
	sheet.text('Paid', { bold: true });
	for (const p of sums.payments)
		sheet.row([
			{ text: `${p.name}, ${formatNumber(p.percent, 2)} %`, at: 0, wide: 120 },
			right(moneyDigits(p.minor, currency), COLUMNS.sum)
		]);
	sheet.gap(6);
	if (quote.terms.trim()) {
		sheet.keep(3 * LINE);
		sheet.text('Terms', { bold: true });
		sheet.text(quote.terms.trim());
	}
	sheet.keep(26);
	sheet.gap(18);
	sheet.toSign('agreed: day and name of the client', 'day and name of the maker');
	sheet.number(`${title}: ${costume.name}`);
	return doc.save();
}

const difference = (minor: number, currency: string): string =>
	`${minor > 0 ? '+ ' : minor < 0 ? '- ' : ''}${moneyDigits(Math.abs(minor), currency)}`;
