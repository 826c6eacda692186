import { recipeTime } from '../answers/recipe.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import type { RecipeLayer } from '../facts/recipe.ts';
import { formatWait } from '../units/duration.ts';
import type { Rubs } from '../answers/wearSpots.ts';
import { number } from '../units/figure.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Figure } from './figure.ts';

/** What a recipe waits for from its first coat to its last. */
export function recipeWaitFigure(name: string, layers: readonly RecipeLayer[], trade: Catalogue): Figure {
	const { waits } = recipeTime(layers, trade);
	return {
		title: `Waiting between coats: ${name}`,
		formula: 'sum',
		as: { kind: 'wait' },
		inputs: waits.map(({ product, coats, minutes }, i) => ({
			name: `${coats} × ${product.name}`,
			value: minutes,
			as: { kind: 'wait' },
			source: [
				coats > 1 ? `${coats - 1} × ${formatWait(product.recoatMinutes)} between its coats` : '',
				i < waits.length - 1 ? `${formatWait(product.handlingMinutes)} before the next goes on` : ''
			]
				.filter(Boolean)
				.join(', ')
				.concat(coats > 1 || i < waits.length - 1 ? `; ${product.source}` : 'nothing waits for it')
		}))
	};
}

/** How much is weathered at a place that rubs, one copy. */
export const wearFigure = ({ name, areaMm2, share }: Rubs, unit: LengthUnit): Figure => ({
	title: `Weathered: ${name}`,
	formula: 'product',
	as: { kind: 'area', unit },
	inputs: [
		{
			name: 'outside area',
			value: areaMm2,
			as: { kind: 'area', unit },
			source: 'its coats or pieces, else its route'
		},
		number('of it', share, 'from memory; changed on the step')
	]
});
