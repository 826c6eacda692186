import { bad, good, type Parsed } from './problem.ts';
import { parseNumber } from './number.ts';

/** Any work takes a minute at least: it needs hands, hours and a place. */
export const wholeMinutes = (minutes: number): number => (minutes > 0 ? Math.max(1, Math.round(minutes)) : 0);

const MINUTES_PER = { m: 1, min: 1, h: 60, hr: 60, d: 1440, day: 1440, days: 1440, w: 10080 } as const;
/** A hundred days. */
const MOST_MINUTES = 144_000;

/** Whole minutes from `1h20`, `1:20`, `90m`, `90`, `1.5h`, `2 d`. A bare number is minutes. */
export function parseDuration(text: string): Parsed<number> {
	const clean = text.trim().toLowerCase();
	if (clean === '') return bad('empty');
	if (/^-/.test(clean)) return bad('negative');
	const clock = /^(\d{1,4})\s*(?::|h)\s*([0-5]?\d)\s*(?:m|min)?$/.exec(clean);
	if (clock) return inRange(Number(clock[1]) * 60 + Number(clock[2]));
	const one = /^([\d.,\s/½¼¾]+?)\s*(m|min|h|hr|d|day|days|w)?$/.exec(clean);
	const value = one && parseNumber(one[1]!);
	if (!one || !value?.ok) return bad('notADuration', { text: text.trim() });
	return inRange(Math.round(value.value * MINUTES_PER[(one[2] ?? 'm') as keyof typeof MINUTES_PER]));
}

function inRange(minutes: number): Parsed<number> {
	return minutes > MOST_MINUTES ? bad('tooLarge', { most: '100 days' }) : good(minutes);
}

/** 80 → `1h20`, 45 → `45m`, 120 → `2h`. Hands-on time. */
export function formatDuration(minutes: number): string {
	const whole = Math.round(Math.abs(minutes));
	const sign = minutes < 0 ? '−' : '';
	if (whole < 60) return `${sign}${whole}m`;
	const rest = whole % 60;
	return `${sign}${Math.floor(whole / 60)}h${rest ? String(rest).padStart(2, '0') : ''}`;
}

/** Waiting time, where days read better than hours: 2880 → `2 d`, 1500 → `1 d 1h`. */
export function formatWait(minutes: number): string {
	if (minutes < 1440) return formatDuration(minutes);
	const days = Math.floor(minutes / 1440);
	const rest = minutes % 1440;
	return `${days} d${rest ? ` ${formatDuration(rest)}` : ''}`;
}
