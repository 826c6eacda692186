import type { DressRecord } from '../facts/wear.ts';
import { ONE_TO_NEXT, pull } from './pull.ts';

/** How well a time is known before it is rehearsed, as natural logarithms: by its kind to about half again, as somebody typed it to a fifth. From memory. */
export const KNOWN = { guessed: 0.45, entered: 0.2 } as const;

/** What is believed of minutes after so many rehearsals: what was known before, pulled towards them. */
export const pulled = (before: number, known: number, times: readonly number[]): number =>
	times.length === 0
		? before
		: Math.exp(
				pull(
					times.map((minutes) => ({ log: Math.log(minutes), precision: 1 / ONE_TO_NEXT ** 2 })),
					Math.log(before),
					known
				).mean
			);

/** What it took at rehearsals, the newest first. */
export const timesOf = (
	of: { componentId: number } | { preparationId: number },
	{ rehearsals }: Pick<DressRecord, 'rehearsals'>
): number[] =>
	rehearsals.flatMap(({ times }) =>
		times
			.filter((t) =>
				'componentId' in of ? t.componentId === of.componentId : t.preparationId === of.preparationId
			)
			.map((t) => t.minutes)
	);
