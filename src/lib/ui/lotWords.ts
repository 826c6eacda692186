import type { Lot } from '$core/facts/lot.ts';
import { dayWords, formatDate } from '$core/units/localTime.ts';

/** What tells a lot from the others of its material: shade, then where it lies. */
export const lotName = ({ colour, place }: Pick<Lot, 'colour' | 'place'>): string =>
	[colour, place].filter(Boolean).join(', ');

/** `Tue 20 May`, with the year where it is another than today's. */
export const dayFrom = (day: number, today: number): string =>
	dayWords(day, Number(formatDate(today).slice(0, 4)));

/** `good until Tue 20 May`, `open, past since Mon 20 May 2030`; nothing where it keeps. */
export function keepsWords(
	{ lastDay, openedOn, good }: Pick<Lot, 'lastDay' | 'openedOn' | 'good'>,
	today: number
): string {
	const open = openedOn === null ? '' : 'open';
	const until = lastDay === null ? '' : `${good ? 'good until' : 'past since'} ${dayFrom(lastDay, today)}`;
	return [open, until].filter(Boolean).join(', ');
}
