import type { Family } from '../facts/material.ts';
import type { Settings } from '../facts/workshop.ts';

/**
 * How often what is worked out is bought, so that it is enough. Coats cover as their labels say, thin ones; closures and lights are
 * counted; of what else work uses up a tenth more is common practice. Layouts and waste have their own room. Starting values,
 * from memory.
 */
const USUAL_MARGIN: Readonly<Record<Family, number>> = {
	foam: 1,
	cloth: 1,
	hair: 1.1,
	hard: 1,
	closure: 1,
	light: 1,
	paint: 1,
	glue: 1.1,
	tool: 1,
	other: 1.1
};

export const marginOf = ({ margins }: Pick<Settings, 'margins'>, family: Family): number =>
	margins[family] ?? USUAL_MARGIN[family];
