import type { Step } from '../facts/step.ts';
import type { Settings, Workshop } from '../facts/workshop.ts';
import { catalogueOf, techniqueOf } from '../trade/catalogue.ts';
import { COLD_OR_DAMP_FACTOR } from '../trade/coatProduct.ts';

/** What of the workshop says how long things dry. */
export type Drying = Pick<Workshop, 'handbook'> & { settings: Pick<Settings, 'coldOrDamp'> };

/** Waits in the cold or damp are longer, for what dries: coats and glue. A step of no amount makes nobody wait. */
export function waitOf(
	step: Pick<Step, 'amount' | 'waitMinutes' | 'coatId' | 'technique'>,
	{ settings, handbook }: Drying
): number {
	if (step.amount === 0) return 0;
	const dries = step.coatId !== null || techniqueOf(catalogueOf(handbook), step.technique).dries;
	return settings.coldOrDamp && dries ? step.waitMinutes * COLD_OR_DAMP_FACTOR : step.waitMinutes;
}
