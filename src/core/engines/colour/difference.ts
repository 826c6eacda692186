import type { Lab } from '../../units/lab.ts';

const { abs, atan2, cos, exp, sin, sqrt, PI } = Math;
const RAD = PI / 180;
const POW25_7 = 25 ** 7;
/** Plain, for speed: it is worked out millions of times. */
export const length = (a: number, b: number): number => sqrt(a * a + b * b);
/** 0 of grey to 1 of what is vivid. */
export const saturation = (chroma: number): number => {
	const c3 = chroma * chroma * chroma;
	const c7 = c3 * c3 * chroma;
	return sqrt(c7 / (c7 + POW25_7));
};
/** 1 + G: what a is stretched by. */
export const stretch = (chroma: number): number => 1.5 - 0.5 * saturation(chroma);
/** T: what a mean hue counts for. */
export const byHue = (h: number): number =>
	1 -
	0.17 * cos((h - 30) * RAD) +
	0.24 * cos(2 * h * RAD) +
	0.32 * cos((3 * h + 6) * RAD) -
	0.2 * cos((4 * h - 63) * RAD);
/** What is turned at a mean hue so far from blue. */
export const turning = (fromBlue: number): number => 2 * sin(60 * exp(-((fromBlue / 25) ** 2)) * RAD);
/** SL: what a mean lightness counts for. */
export const byLight = (l: number): number => 1 + (0.015 * (l - 50) ** 2) / sqrt(20 + (l - 50) ** 2);
const hueOf = (degrees: number) => (degrees < 0 ? degrees + 360 : degrees);
/** 0 to 360. A colour without chroma has no hue, and counts as 0. */
const hue = (b: number, a: number) => (a === 0 && b === 0 ? 0 : hueOf(atan2(b, a) / RAD));

/**
 * Colour difference ΔE00 of two colours with all weights 1.
 * Source: CIE 142; the steps as in Sharma, Wu and Dalal 2005, whose 34 pairs check it.
 */
export const difference = ([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number => ciede2000(l1, a1, b1, l2, a2, b2);

/** The same of bare numbers, for many. */
export function ciede2000(l1: number, a1: number, b1: number, l2: number, a2: number, b2: number): number {
	const chroma = (length(a1, b1) + length(a2, b2)) / 2;
	const g = stretch(chroma);
	const c1 = length(g * a1, b1);
	const c2 = length(g * a2, b2);
	const h1 = hue(b1, g * a1);
	const h2 = hue(b2, g * a2);
	const grey = c1 * c2 === 0;
	const apart = h2 - h1;
	const turn = grey || abs(apart) <= 180 ? 0 : apart > 180 ? -360 : 360;
	const dh = grey ? 0 : apart + turn;
	const dL = l2 - l1;
	const dC = c2 - c1;
	const dH = 2 * sqrt(c1 * c2) * sin((dh / 2) * RAD);
	const l = (l1 + l2) / 2;
	const c = (c1 + c2) / 2;
	const h = grey ? h1 + h2 : abs(apart) <= 180 ? (h1 + h2) / 2 : ((h1 + h2 + 360) / 2) % 360;
	const t = byHue(h);
	const rotation = -saturation(c) * turning(h - 275);
	const byL = dL / byLight(l);
	const byC = dC / (1 + 0.045 * c);
	const byH = dH / (1 + 0.015 * c * t);
	return sqrt(byL * byL + byC * byC + byH * byH + rotation * byC * byH);
}

/** In words, up to so much. Starting values, from memory. */
const WORDS: readonly (readonly [upTo: number, words: string])[] = [
	[1, 'the same'],
	[2, 'told apart side by side'],
	[5, 'seen at a seam'],
	[10, 'a near relation'],
	[Infinity, 'another colour']
];
export const differenceWords = (of: number): string => WORDS.find(([upTo]) => of < upTo)![1];
