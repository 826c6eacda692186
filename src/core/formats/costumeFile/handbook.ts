import { workUses } from '../../answers/workUse.ts';
import { catalogueOf } from '../../trade/catalogue.ts';
import { isRecipeCoat, type RecipeLayer } from '../../facts/recipe.ts';
import { handbookEntry } from '../../trade/handbookRow.ts';
import { list, stepsOf, type CostumeSource, type FileOf, type Rows } from './fields.ts';

/** The maker's own rows of the handbook that the costume's work is named by. They came with form 4. */
export const handbookFields = { handbook: list(handbookEntry, 2000) };

export const writeHandbook = (source: CostumeSource) => {
	const { record, workshop } = source;
	const named = new Set<string | null>([
		...stepsOf(source).map((s) => `technique ${s.technique}`),
		...record.components.map((c) => `route ${c.route}`),
		...record.coats.map((c) => `coatProduct ${c.product}`),
		...record.components.map((c) => `recipe ${c.recipe}`),
		...record.swatches.map((s) => `recipe ${s.recipe}`),
		...record.faults.map((f) => `knownFault ${f.known}`),
		...source.wear.joins.map((j) => `fastener ${j.fastener}`),
		...workUses(record, workshop.materials, catalogueOf(workshop.handbook), workshop.settings).map(
			(u) => `supply ${u.supply}`
		)
	]);
	// Rows that those rows name come along.
	const layers = [
		...record.swatches.flatMap((s) => s.layers),
		...workshop.handbook.flatMap(({ tableName, key, content }) =>
			tableName === 'recipe' && named.has(`recipe ${key}`) ? (content.layers as RecipeLayer[]) : []
		)
	];
	for (const layer of layers)
		named.add(isRecipeCoat(layer) ? `coatProduct ${layer.product}` : `technique ${layer.technique}`);
	for (const { tableName, key, content } of workshop.handbook) {
		if (!named.has(`${tableName} ${key}`)) continue;
		for (const caution of (content.cautions as string[] | undefined) ?? []) named.add(`caution ${caution}`);
		if (tableName === 'supply') named.add(`glue ${content.glue as string | null}`);
		if (tableName === 'fastener') named.add(`technique ${content.technique as string}`);
	}
	return {
		handbook: workshop.handbook
			.filter(({ tableName, key }) => named.has(`${tableName} ${key}`))
			.map(({ tableName, key, content }) => ({ tableName, key, content }))
	};
};

/** Those of the reader’s own rows that the file brings along; `adoptHandbook` says which. */
export const handbookRows = ({ handbook }: FileOf<typeof handbookFields>): Rows[] => [
	{ table: 'handbook_row', rows: handbook }
];
