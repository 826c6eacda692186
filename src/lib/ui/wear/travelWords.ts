import type { RuleKind } from '$core/facts/travel.ts';
import type { Feature } from '$core/facts/wear.ts';
import { formatLength, type LengthUnit } from '$core/units/measure.ts';
import { formatNumber } from '$core/units/number.ts';

/** What of a thing an event may forbid, as it is ticked. */
export const FEATURE_WORDS: Readonly<Record<Feature, string>> = {
	blade: 'a blade or point',
	moving: 'moving parts',
	projectile: 'it throws or shoots',
	glass: 'glass',
	flame: 'flame',
	wheels: 'wheels',
	light: 'light',
	sound: 'sound',
	mask: 'covers the face'
};

/** As a rule says it. */
export const RULE_WORDS: Readonly<Record<RuleKind, string>> = {
	length: 'no longer than',
	weight: 'no heavier than',
	case: 'cases no larger than',
	hours: 'a day is as long as',
	blade: 'no blades or points',
	moving: 'no moving parts',
	projectile: 'nothing that throws or shoots',
	glass: 'no glass',
	flame: 'no flame',
	wheels: 'no wheels',
	light: 'no lights',
	sound: 'no sound',
	mask: 'no mask over the face in public',
	other: 'in words'
};

/** `80 × 50 × 30 cm`. */
export const boxWords = (sides: readonly number[], unit: LengthUnit): string =>
	sides.map((mm) => formatLength(mm, unit)).join(' × ');

export const kilograms = (grams: number): string => `${formatNumber(grams / 1000, 2)} kg`;

export function ruleWords(
	{ kind, limits, note }: { kind: RuleKind; limits: readonly number[]; note: string },
	unit: LengthUnit
): string {
	if (kind === 'other') return note;
	if (kind === 'hours') return `lights last the day: ${formatNumber(limits[0]!, 1)} h`;
	if (kind === 'weight') return `${RULE_WORDS.weight} ${kilograms(limits[0]!)}`;
	return limits.length ? `${RULE_WORDS[kind]} ${boxWords(limits, unit)}` : RULE_WORDS[kind];
}
