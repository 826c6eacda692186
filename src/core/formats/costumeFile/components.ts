import { z } from 'zod';
import { FLEXES, KINDS, SEEN_FROM, SIDES, SOURCES, SURFACE_KEYS } from '../../facts/component.ts';
import { ZONES } from '../../facts/zone.ts';
import { handbookKey } from '../../trade/handbookRow.ts';
import {
	bare,
	byId,
	COSTUME,
	id,
	idOrNull,
	line,
	text,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

/** What it is broken down into. */
export const componentFields = {
	components: z
		.array(
			z.strictObject({
				id,
				parentId: idOrNull,
				position: z.number().int().min(0),
				code: z.string().min(1).max(20),
				name: z.string().min(1).max(120),
				kind: z.enum(KINDS),
				form: line,
				layer: z.number().int().min(0).max(20),
				zones: z.array(z.enum(ZONES)),
				side: z.enum(SIDES),
				count: z.number().int().min(1).max(1000),
				flex: z.enum(FLEXES),
				thicknessMm: z.number().min(0).max(200).nullable().default(null),
				source: z.enum(SOURCES),
				/** Since form 12. */
				surface: z.enum(SURFACE_KEYS).nullable().default(null),
				/** Since form 13. */
				recipe: handbookKey.nullable().default(null),
				recipeVersion: z.number().int().min(0).nullable().default(null),
				swatchId: idOrNull.default(null),
				seenFrom: z.enum(SEEN_FROM),
				lookNeed: z.number().int().min(0).max(5),
				route: handbookKey.nullable(),
				/** Since form 5. */
				furtherRoutes: z.array(handbookKey).max(50).default([]),
				note: text
			})
		)
		.max(2000)
};

export const writeComponents = ({ record }: CostumeSource) => {
	return {
		components: byId(record.components).map((c) => ({ id: c.id, ...bare(c) }))
	};
};

export const componentRows = ({ components }: FileOf<typeof componentFields>): Rows[] => [
	{ table: 'component', rows: components.map((c) => ({ ...c, costumeId: COSTUME })) }
];
