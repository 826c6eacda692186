import { standOf } from '$core/engines/stand/form.ts';

/** Somebody of middle build, mm: invented. */
export const MEASURES: Record<string, number> = {
	stature: 1680,
	chestGirth: 930,
	underbustGirth: 800,
	waistGirth: 745,
	hipGirth: 990,
	neckGirth: 355
};
export const ADULT = standOf((key) => MEASURES[key] ?? null);
