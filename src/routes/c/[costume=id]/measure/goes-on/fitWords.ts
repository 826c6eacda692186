import type { Fit } from '$core/engines/body/goesOn.ts';

/** How a closed round sits, as it is said everywhere. */
export const FIT_WORDS: Readonly<Record<Fit, string>> = {
	tight: 'too tight where it sits',
	good: 'sits as it should',
	loose: 'loose where it sits'
};
