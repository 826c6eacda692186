import { LAID_FLAT, LAID_FLAT_KEYS } from '../../trade/laidFlat.ts';
import { formatPercent } from '../../units/number.ts';
import { bad } from '../../units/problem.ts';
import type { Shaper } from '../pattern/shaper.ts';

/** How the material is made to follow the form: as it does by itself, or as is said. */
export const GIVES: readonly string[] = [
	'as the material gives',
	...LAID_FLAT_KEYS.map((key) => `${LAID_FLAT[key].words}: ${formatPercent(LAID_FLAT[key].share)}`)
];

/** Panels drawn on the form of the wearer: a plan beside these values makes the pieces. */
export const PANELS = 'panels';
export const panelShaper: Shaper = {
	name: 'panels on the form',
	makes: 'laid flat from panels drawn on the form of the wearer',
	params: {
		ease: {
			name: 'ease, round',
			unit: 'mm',
			value: 60,
			least: -200,
			most: 600,
			hint: 'besides what is worn beneath'
		},
		thickness: { name: 'thickness', unit: 'mm', value: 6, least: 0, most: 60 },
		gives: { name: 'worked', unit: 'count', value: 0, least: 0, most: GIVES.length - 1, choices: GIVES }
	},
	shape: () => bad('nothingBrought')
};
