import type { Verdict } from '$core/facts/swatch.ts';

export const VERDICT_WORDS: Record<Verdict, string> = {
	use: 'Use it',
	maybe: 'Not decided',
	no: 'Not this'
};
