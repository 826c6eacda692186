import { recipeTime } from '../answers/recipe.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import type { RecipeLayer } from '../facts/recipe.ts';
import { formatWait } from '../units/duration.ts';
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
