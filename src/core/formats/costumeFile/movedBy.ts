import { DAY, formatDate, formatLocalTime, parseDate, parseLocalTime } from '../../units/localTime.ts';
import type { CostumeFile } from './costumeFile.ts';

/** What is a date or a time and nothing else. */
const MOMENT = /^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/;

function moved(value: unknown, days: number): unknown {
	if (Array.isArray(value)) return value.map((v) => moved(v, days));
	if (value !== null && typeof value === 'object')
		return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, moved(v, days)]));
	if (typeof value !== 'string' || !MOMENT.test(value)) return value;
	if (value.includes('T')) {
		const at = parseLocalTime(value);
		return at.ok ? formatLocalTime(at.value + days * DAY) : value;
	}
	const on = parseDate(value);
	return on.ok ? formatDate(on.value + days) : value;
}

/** A costume file with all of its dates and times so many days later: as if it had been begun so much later. */
export const movedBy = (file: CostumeFile, days: number): CostumeFile => moved(file, days) as CostumeFile;
