import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { insert } from '../db/tables.ts';

/** What a component needs of a material, entered anew whatever it was before. */
export async function setNeed(
	tx: Executor,
	componentId: number,
	materialId: number,
	quantity: number
): Promise<void> {
	const rows = await all(
		tx,
		'update need set quantity = $3, waste = null, guessed = false, by_work = null where component_id = $1 and material_id = $2 returning id',
		[componentId, materialId, quantity]
	);
	if (rows.length === 0) await insert(tx, 'need', { componentId, materialId, quantity });
}
