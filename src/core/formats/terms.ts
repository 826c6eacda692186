import { formatDate, parseDate } from '../units/localTime.ts';
import { typedMoney, parseMoney } from '../units/money.ts';
import { bad, good, type Parsed } from '../units/problem.ts';

/** A range of closed days is no longer than this. */
const MOST_DAYS = 400;

/** `5: 9.90; 10: 8.50`: the price of every pack from so many on. In order, none twice. */
export function parseBreaks(text: string, currency: string): Parsed<{ from: number; priceMinor: number }[]> {
	const breaks: { from: number; priceMinor: number }[] = [];
	for (const part of text.split(/[;\n]/).filter((p) => p.trim() !== '')) {
		const found = /^\s*(\d{1,5})\s*[:=]\s*(.+)$/.exec(part);
		if (!found || Number(found[1]) < 2) return bad('notABreak', { text: part.trim() });
		const price = parseMoney(found[2]!, currency);
		if (!price.ok) return price;
		breaks.push({ from: Number(found[1]), priceMinor: price.value });
	}
	breaks.sort((a, b) => a.from - b.from);
	const twice = breaks.find((b, k) => breaks[k - 1]?.from === b.from);
	return twice ? bad('breakTwice', { from: twice.from }) : good(breaks);
}

export const formatBreaks = (
	breaks: readonly { from: number; priceMinor: number }[],
	currency: string
): string => breaks.map((b) => `${b.from}: ${typedMoney(b.priceMinor, currency)}`).join('; ');

/** `2031-05-01, 2031-12-24 to 2032-01-02`: days, one after another or from one to another. In order, none twice. */
export function parseDays(text: string): Parsed<number[]> {
	const days = new Set<number>();
	for (const part of text.split(/[,;\n]/).filter((p) => p.trim() !== '')) {
		const [first, last, ...more] = part.split(/\s*(?:\bto\b|\.\.|–)\s*/);
		const from = parseDate(first!);
		const to = last === undefined ? from : parseDate(last);
		if (!from.ok) return from;
		if (!to.ok) return to;
		if (more.length > 0 || to.value < from.value) return bad('notDays', { text: part.trim() });
		if (to.value - from.value > MOST_DAYS || days.size > 5 * MOST_DAYS)
			return bad('tooManyDays', { most: MOST_DAYS });
		for (let day = from.value; day <= to.value; day++) days.add(day);
	}
	return good([...days].sort((a, b) => a - b));
}

/** Days as they are typed: those in a row as one range. */
export function formatDays(days: readonly number[]): string {
	const ranges: [number, number][] = [];
	for (const day of [...days].sort((a, b) => a - b)) {
		const last = ranges[ranges.length - 1];
		if (last && day === last[1] + 1) last[1] = day;
		else ranges.push([day, day]);
	}
	return ranges
		.map(([a, b]) => (a === b ? formatDate(a) : `${formatDate(a)} to ${formatDate(b)}`))
		.join(', ');
}
