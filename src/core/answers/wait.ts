import type { Step } from '../facts/step.ts';
import type { AirReading, Settings, Workshop } from '../facts/workshop.ts';
import { catalogueOf, techniqueOf } from '../trade/catalogue.ts';
import { COLD_BELOW, COLD_OR_DAMP_FACTOR, DAMP_ABOVE } from '../trade/coatProduct.ts';
import { dayOf } from '../units/localTime.ts';

/** What of the workshop says how long things dry. */
export type Drying = Pick<Workshop, 'handbook'> & { settings: Pick<Settings, 'coldOrDamp' | 'air'> };

/** What was measured where things dry; null where nobody did. */
export type Air = Pick<AirReading, 'celsius' | 'humidity'>;

export const isColdOrDamp = ({ celsius, humidity }: Air): boolean =>
	(celsius !== null && celsius < COLD_BELOW) || (humidity !== null && humidity > DAMP_ABOVE);

/** How many times as long things dry as on a usual day. */
export const slowerBy = ({ coldOrDamp }: Pick<Settings, 'coldOrDamp'>): number =>
	coldOrDamp ? COLD_OR_DAMP_FACTOR : 1;

/** With what is told of a day; earlier readings stay, of as many days as anything dries. */
export const withReading = (air: readonly AirReading[], reading: AirReading): AirReading[] =>
	[...air.filter((r) => r.on < reading.on), reading].slice(-READINGS);
const READINGS = 60;

/**
 * The same of what is on already: it dries as it was on the day when it went on, by the last that was told until then; as the first that
 * was told after it where nobody had before.
 */
function slowerFor({ doneAt }: Pick<Step, 'doneAt'>, { coldOrDamp, air }: Drying['settings']): number {
	if (doneAt === null) return slowerBy({ coldOrDamp });
	const told = air.findLast((r) => r.on <= dayOf(doneAt)) ?? air[0];
	return slowerBy(told ?? { coldOrDamp });
}

/**
 * When the next coat may not go on any more, and when again: the coat beneath cures more slowly in the cold or damp. How long the
 * window stays open is not taken to be longer: nothing is spoiled by keeping to it.
 */
export const recoatWindow = (
	step: Pick<Step, 'withinMinutes' | 'orAfterMinutes'>,
	beneath: Pick<Step, 'doneAt'>,
	{ settings }: Drying
): Pick<Step, 'withinMinutes' | 'orAfterMinutes'> => ({
	withinMinutes: step.withinMinutes,
	orAfterMinutes: step.orAfterMinutes === null ? null : step.orAfterMinutes * slowerFor(beneath, settings)
});

/** Waits in the cold or damp are longer, for what dries: coats and glue. A step of no amount makes nobody wait. */
export function waitOf(
	step: Pick<Step, 'amount' | 'waitMinutes' | 'coatId' | 'technique' | 'doneAt'>,
	{ settings, handbook }: Drying
): number {
	if (step.amount === 0) return 0;
	const dries = step.coatId !== null || techniqueOf(catalogueOf(handbook), step.technique).dries;
	return dries ? step.waitMinutes * slowerFor(step, settings) : step.waitMinutes;
}
