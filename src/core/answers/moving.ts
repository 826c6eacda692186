import type { Moving } from '../facts/wear.ts';

/** Clear widths, mm: common practice. Of a seat between its arms, which takes the hips. */
export const PASSAGES = [
	{ name: 'stairs', mm: 900, by: 'wideMm' },
	{ name: 'door', mm: 750, by: 'wideMm' },
	{ name: 'car door', mm: 700, by: 'wideMm' },
	{ name: 'bus aisle', mm: 550, by: 'wideMm' },
	{ name: 'seat between its arms', mm: 450, by: 'hipsMm' }
] as const;

export interface Passage {
	name: string;
	mm: number;
	/** What has to go through; null where nobody has measured it. */
	its: number | null;
	/** Null where it is not known. */
	passes: boolean | null;
}

export const passagesOf = (moving: Pick<Moving, 'wideMm' | 'hipsMm'> | null): Passage[] =>
	PASSAGES.map(({ name, mm, by }) => {
		const its = moving?.[by] ?? null;
		return { name, mm, its, passes: its === null ? null : its <= mm };
	});

/** The angle that an opening leaves to an eye behind its middle, degrees. */
export const sightAngle = (openingMm: number, eyeMm: number): number =>
	(2 * Math.atan(openingMm / 2 / eyeMm) * 180) / Math.PI;

/** So much is wanted to walk among people: across, and up and down. From memory; a handler sees the rest. */
export const SIGHT_WANTED = { across: 80, upAndDown: 40 } as const;

/** What its wearer sees; null where the opening or its distance is not known. */
export function sightOf(
	moving: Pick<Moving, 'openingWideMm' | 'openingHighMm' | 'eyeMm'> | null
): { across: number; upAndDown: number; enough: boolean } | null {
	const { openingWideMm = null, openingHighMm = null, eyeMm = null } = moving ?? {};
	if (openingWideMm === null || openingHighMm === null || eyeMm === null) return null;
	const across = sightAngle(openingWideMm, eyeMm);
	const upAndDown = sightAngle(openingHighMm, eyeMm);
	return {
		across,
		upAndDown,
		enough: across >= SIGHT_WANTED.across && upAndDown >= SIGHT_WANTED.upAndDown
	};
}

/** In closed costumes: so many minutes on, so many off. Common practice; less in heat. */
export const STRETCH = { on: 20, rest: 20 } as const;

/** A day at an event of which nobody has said how long it is, minutes. From memory. */
const EVENT_DAY = 480;
/** A day at an event, minutes. @param hours as its rule says; null where there is none */
export const dayOfEvent = (hours: number | null): number => (hours === null ? EVENT_DAY : hours * 60);

/** How many stretches go into so many hours, and how much of them it is worn, minutes. */
export function stretchesIn(
	minutes: number,
	moving: Pick<Moving, 'onMinutes' | 'restMinutes'> | null
): { on: number; rest: number; times: number; worn: number; own: boolean } {
	const on = moving?.onMinutes ?? STRETCH.on;
	const rest = moving?.restMinutes ?? STRETCH.rest;
	const whole = Math.floor(minutes / (on + rest));
	const left = minutes - whole * (on + rest);
	return {
		on,
		rest,
		times: whole + (left > 0 ? 1 : 0),
		worn: whole * on + Math.min(on, left),
		own: moving?.onMinutes != null || moving?.restMinutes != null
	};
}
