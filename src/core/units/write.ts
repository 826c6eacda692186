import { bad, type Parsed } from './problem.ts';
import { formatDuration, formatWait, parseDuration } from './duration.ts';
import { dayWords, parseDate, parseLocalTime, timeWords } from './localTime.ts';
import { formatLength, formatSmallArea, parseArea, parseLength } from './measure.ts';
import { formatMoney, parseMoney } from './money.ts';
import { formatNumber, parseNumber } from './number.ts';
import type { As } from './figure.ts';

/** A figure's number as people read it. */
export function write(value: number, as: As): string {
	switch (as.kind) {
		case 'number':
			return `${formatNumber(value, 3)}${as.unit ? ` ${as.unit}` : ''}`;
		case 'length':
			return `${value < 0 ? '−' : ''}${formatLength(Math.abs(value), as.unit)}`;
		case 'area':
			return formatSmallArea(value, as.unit);
		case 'minutes':
			return formatDuration(value);
		case 'wait':
			return formatWait(value);
		case 'money':
			return formatMoney(value, as.currency);
		case 'day':
			return dayWords(value);
		case 'time':
			return timeWords(value);
	}
}

/** And as people type it. */
export function readAs(text: string, as: As): Parsed<number> {
	switch (as.kind) {
		case 'number': {
			const value = parseNumber(as.unit ? text.replace(as.unit, '') : text);
			return value.ok && value.value < 0 ? bad('negative') : value;
		}
		case 'length': {
			const value = parseLength(text.trim().replace(/^[-−–]/, ''), as.unit);
			return value.ok && /^\s*[-−–]/.test(text) ? { ok: true, value: -value.value } : value;
		}
		case 'area':
			return parseArea(text, as.unit);
		case 'minutes':
		case 'wait':
			return parseDuration(text);
		case 'money':
			return parseMoney(text, as.currency);
		case 'day':
			return parseDate(text);
		case 'time':
			return parseLocalTime(text);
	}
}
