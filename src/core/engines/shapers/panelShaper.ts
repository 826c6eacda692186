import { bad } from '../../units/problem.ts';
import type { Shaper } from '../pattern/shaper.ts';

/** How the material is made to follow the form: as it does by itself, or as is said. */
export const GIVES = [
	'as the material gives',
	'woven cloth, on the grain: 1 %',
	'plate foam, cold: 3 %',
	'woven cloth, off the grain: 4 %',
	'felt or fleece: 5 %',
	'plate foam with heat: 10 %',
	'thermoplastic, hot: 15 %'
] as const;

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
