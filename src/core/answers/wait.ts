import type { Step } from '../facts/step.ts';
import type { Settings, Workshop } from '../facts/workshop.ts';
import { catalogueOf, techniqueOf } from '../trade/catalogue.ts';
import { COLD_BELOW, COLD_OR_DAMP_FACTOR, DAMP_ABOVE } from '../trade/coatProduct.ts';

/** What of the workshop says how long things dry. */
export type Drying = Pick<Workshop, 'handbook'> & { settings: Pick<Settings, 'coldOrDamp'> };

/** What was measured where things dry; null where nobody did. */
export type Air = Pick<Settings, 'celsius' | 'humidity'>;

export const isColdOrDamp = ({ celsius, humidity }: Air): boolean =>
	(celsius !== null && celsius < COLD_BELOW) || (humidity !== null && humidity > DAMP_ABOVE);

/** How many times as long things dry as on a usual day. */
export const slowerBy = ({ coldOrDamp }: Pick<Settings, 'coldOrDamp'>): number =>
	coldOrDamp ? COLD_OR_DAMP_FACTOR : 1;

/**
 * When the next coat may not go on any more, and when again: the coat beneath cures more slowly in the cold or damp. How long the
 * window stays open is not taken to be longer: nothing is spoiled by keeping to it.
 */
export const recoatWindow = (
	step: Pick<Step, 'withinMinutes' | 'orAfterMinutes'>,
	{ settings }: Drying
): Pick<Step, 'withinMinutes' | 'orAfterMinutes'> => ({
	withinMinutes: step.withinMinutes,
	orAfterMinutes: step.orAfterMinutes === null ? null : step.orAfterMinutes * slowerBy(settings)
});

/** Waits in the cold or damp are longer, for what dries: coats and glue. A step of no amount makes nobody wait. */
export function waitOf(
	step: Pick<Step, 'amount' | 'waitMinutes' | 'coatId' | 'technique'>,
	{ settings, handbook }: Drying
): number {
	if (step.amount === 0) return 0;
	const dries = step.coatId !== null || techniqueOf(catalogueOf(handbook), step.technique).dries;
	return dries ? step.waitMinutes * slowerBy(settings) : step.waitMinutes;
}
