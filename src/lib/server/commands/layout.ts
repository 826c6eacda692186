import { z } from 'zod';
import { all, Absent, one } from '../db/rows.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

/** What components take of a material by a layout: their parts of the whole. */
const parts = z
	.array(
		z.strictObject({ componentId: z.number().int().positive(), quantity: z.number().positive().max(1e6) })
	)
	.min(1)
	.max(500);

export const layoutCommands = {
	/** The needs of a material become what was laid out, instead of its area with something for waste. */
	takeLayout: command(
		() => z.object({ materialId: f.id(), parts: f.json(parts, 'Lay it out first.', 100_000) }),
		async (tx, v, { costumeId }) => {
			const material = await one<{ name: string; unit: string }>(
				tx,
				'select name, unit from material where id = $1',
				[v.materialId]
			);
			if (!material) throw new Absent('material');
			const own = new Set(
				(await all<{ id: number }>(tx, 'select id from component where costume_id = $1', [costumeId])).map(
					(c) => c.id
				)
			);
			for (const part of v.parts) {
				if (!own.has(part.componentId)) throw new Absent('component');
				const rows = await all(
					tx,
					'update need set quantity = $3, waste = null where component_id = $1 and material_id = $2 returning id',
					[part.componentId, v.materialId, part.quantity]
				);
				if (rows.length === 0)
					await tx.query('insert into need (component_id, material_id, quantity) values ($1, $2, $3)', [
						part.componentId,
						v.materialId,
						part.quantity
					]);
			}
			const total = v.parts.reduce((sum, p) => sum + p.quantity, 0);
			return {
				words: `Took ${Math.round(total * 100) / 100} ${material.unit} of ${material.name} from its layout`
			};
		}
	)
};
