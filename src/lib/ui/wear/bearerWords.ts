import type { BodySide } from '$core/answers/carried.ts';
import type { Bearer } from '$core/facts/wear.ts';

export const BEARER_WORDS: Readonly<Record<Bearer | 'shoulders', string>> = {
	head: 'head',
	neck: 'neck',
	shoulder: 'shoulder',
	shoulders: 'both shoulders',
	waist: 'waist and hips',
	arm: 'arm',
	hand: 'hand',
	leg: 'leg'
};

/** `the right hand`, `the head`. */
export const bearerWords = (bearer: Bearer | 'shoulders', side: BodySide): string =>
	bearer === 'shoulders' ? 'both shoulders' : `the ${side ? `${side} ` : ''}${BEARER_WORDS[bearer]}`;
