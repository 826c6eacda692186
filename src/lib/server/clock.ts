import { localMinutesOf, parseLocalTime, type LocalMinutes } from '$core/units/localTime.ts';

/** How far the server's time is from the machine's, ms. */
let ahead = 0;

/** Where the server's time starts; it runs on from there. The machine's zone and its summer time hold for it too. */
export function startClock(text: string): void {
	if (!parseLocalTime(text).ok)
		throw new Error(`DAPPER_NOW is not a time: “${text}”. Write it like 2031-04-28T18:00.`);
	ahead = new Date(text.trim().replace(' ', 'T')).getTime() - Date.now();
}

if (process.env.DAPPER_NOW) startClock(process.env.DAPPER_NOW);

/** The wall clock of the server: the one place that asks the machine for the time. */
export const clock = (): LocalMinutes => localMinutesOf(new Date(Date.now() + ahead));
