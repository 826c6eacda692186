import { DAY, dayOf, type LocalMinutes } from '../../units/localTime.ts';
import { openBetween } from './placing.ts';
import type { Team, Teams } from './shop.ts';

/**
 * How much more likely a wet day is after a wet one than after a dry one: weather comes in spells.
 * About 0.3 in temperate climates; starting value, from memory.
 */
export const SPELL = 0.3;

/** Closes the teams at places for dry weather on wet days, anew for each simulated build. */
export class Weather {
	readonly #dry: Map<Team, Int32Array>;
	readonly #firstDay: number;
	readonly #share: number;
	readonly #wet: Uint8Array;

	/** @param share of days that are wet, 0 to 1 */
	constructor(teams: readonly Teams[], share: number, from: LocalMinutes, to: LocalMinutes) {
		const dry = share > 0 ? teams.filter((t) => t.place.some((p) => p.dryOnly)) : [];
		this.#dry = new Map(dry.flatMap((its) => [...its]).map((t) => [t, t.open]));
		this.#firstDay = dayOf(from);
		this.#share = share;
		this.#wet = new Uint8Array(dayOf(to) + 1 - this.#firstDay);
	}

	draw(random: () => number): void {
		if (this.#dry.size === 0) return;
		drawWetDays(this.#share, random, this.#wet);
		for (const [team, open] of this.#dry) team.open = withoutDays(open, this.#wet, this.#firstDay);
	}

	/** Whether wet days took hours of this team between two moments, the second in its hours. */
	heldUp(team: Team | undefined, from: LocalMinutes, to: LocalMinutes): boolean {
		const open = team && this.#dry.get(team);
		return open !== undefined && openBetween(open, from, to) > openBetween(team!.open, from, to);
	}
}

/**
 * Wet days by chance, one after another: a chain of two states (first-order Markov, as Gabriel and Neumann
 * fitted it to daily rain in 1962; from memory) in which the share of wet days stays `share` in the long run.
 * @param share of days that are wet, 0 to 1
 * @param random uniform in [0, 1)
 * @param wet filled with 1 for a wet day and 0 for a dry one
 */
export function drawWetDays(share: number, random: () => number, wet: Uint8Array): void {
	const afterDry = share * (1 - SPELL);
	const afterWet = afterDry + SPELL;
	let chance = share;
	for (let day = 0; day < wet.length; day++) {
		wet[day] = random() < chance ? 1 : 0;
		chance = wet[day] ? afterWet : afterDry;
	}
}

/** Spans (from, to, from, to …) without the days that are marked, the first of which is `firstDay`. */
function withoutDays(open: Int32Array, marked: Uint8Array, firstDay: number): Int32Array {
	const out = new Int32Array(2 * open.length);
	let n = 0;
	for (let i = 0; i < open.length; i += 2)
		for (let from = open[i]!; from < open[i + 1]!;) {
			const day = dayOf(from);
			const to = Math.min(open[i + 1]!, (day + 1) * DAY);
			if (!marked[day - firstDay]) {
				if (n > 0 && out[n - 1] === from) n--;
				else out[n++] = from;
				out[n++] = to;
			}
			from = to;
		}
	return out.subarray(0, n);
}
