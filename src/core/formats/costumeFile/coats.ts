import { z } from 'zod';
import { handbookKey } from '../../trade/handbookRow.ts';
import { amount, byId, id, idOrNull, minutes, type CostumeSource, type FileOf, type Rows } from './fields.ts';

/** Coat stacks. */
export const coatFields = {
	coats: z
		.array(
			z.strictObject({
				id,
				componentId: id,
				position: z.number().int().min(0),
				product: handbookKey,
				coats: z.number().int().min(1).max(20),
				areaMm2: amount,
				fromPieces: z.boolean().default(false),
				guessed: z.boolean().default(false),
				guess: amount.nullable().default(null),
				/** What it is put on with, since form 5. */
				materialId: idOrNull.default(null),
				recoatMinutes: minutes,
				handlingMinutes: minutes
			})
		)
		.max(5000)
};

export const writeCoats = ({ record }: CostumeSource) => {
	return {
		coats: byId(record.coats).map((c) => ({
			id: c.id,
			componentId: c.componentId,
			position: c.position,
			product: c.product,
			coats: c.coats,
			areaMm2: c.area,
			fromPieces: c.fromPieces,
			guessed: c.guessed,
			guess: c.guess,
			materialId: c.materialId,
			recoatMinutes: c.recoatMinutes,
			handlingMinutes: c.handlingMinutes
		}))
	};
};

export const coatRows = ({ coats }: FileOf<typeof coatFields>): Rows[] => [
	{ table: 'coat', rows: coats.map(({ areaMm2, ...c }) => ({ ...c, area: areaMm2 })) }
];
