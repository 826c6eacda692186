import { z } from 'zod';
import { SURFACE_KEYS } from '../../facts/component.ts';
import { VERDICTS } from '../../facts/swatch.ts';
import { handbookKey, recipeLayers } from '../../trade/handbookRow.ts';
import { formatDate } from '../../units/localTime.ts';
import {
	bare,
	byId,
	COSTUME,
	date,
	id,
	idOrNull,
	list,
	text,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';
import { lab } from './palette.ts';

/** Recipes tried on scraps. Since form 13. */
export const swatchFields = {
	swatches: list(
		z.strictObject({
			id,
			recipe: handbookKey,
			recipeVersion: z.number().int().min(0),
			layers: recipeLayers,
			surface: z.enum(SURFACE_KEYS).nullable(),
			materialId: idOrNull,
			madeOn: date,
			coatsToCover: z.number().int().min(1).max(20).nullable(),
			wet: lab.nullable(),
			dry: lab.nullable(),
			verdict: z.enum(VERDICTS),
			note: text
		}),
		1000
	)
};

export const writeSwatches = ({ record }: CostumeSource) => ({
	swatches: byId(record.swatches).map((s) => ({
		id: s.id,
		...bare(s),
		layers: s.layers.map((layer) => ({ ...layer })),
		madeOn: formatDate(s.madeOn)
	}))
});

export const swatchRows = ({ swatches }: FileOf<typeof swatchFields>): Rows[] => [
	{ table: 'swatch', rows: swatches.map((s) => ({ ...s, costumeId: COSTUME })) }
];
