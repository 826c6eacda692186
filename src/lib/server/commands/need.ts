import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { insert } from '../db/tables.ts';

/**
 * What a component needs of a material, entered anew whatever it was before.
 * @param byWork its work asks for it: the quantity is only what it came to
 */
export async function setNeed(
	tx: Executor,
	componentId: number,
	materialId: number,
	quantity: number,
	byWork: true | null = null
): Promise<void> {
	const rows = await all(
		tx,
		'update need set quantity = $3, waste = null, guessed = false, by_work = $4 where component_id = $1 and material_id = $2 returning id',
		[componentId, materialId, quantity, byWork]
	);
	if (rows.length === 0) await insert(tx, 'need', { componentId, materialId, quantity, byWork });
}
