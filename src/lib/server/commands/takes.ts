import pluralize from 'pluralize';
import { z } from 'zod';
import { takesInShop, type Take } from '$core/answers/takes.ts';
import { parseMoney } from '$core/units/money.ts';
import { Absent, Refused } from '../db/rows.ts';
import type { Executor } from '../db/open.ts';
import { insert, set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { insertMaterial } from './material.ts';
import { insertPurchase } from './purchase.ts';

/** A material for a take: the one that there is, as it is sold as a rule where there is none, with what was typed of its price. */
async function materialOf(
	tx: Executor,
	{ material }: Take,
	packPriceMinor: number | null,
	currency: string
): Promise<number> {
	const { id, supply, lots: _, version: _v, ...its } = material;
	if (id < 0) return insertMaterial(tx, { ...its, stash: 0, supply, packPriceMinor });
	if (supply !== null)
		await tx.query('update material set supply = $2 where id = $1 and supply is null', [id, supply]);
	if (packPriceMinor !== null && packPriceMinor !== material.packPriceMinor)
		await set(tx, 'material', id, { packPriceMinor, currency });
	return id;
}

export const takesCommands = {
	/** What was ticked of what a costume takes: materials with their prices, what components need, and what is short on the list. */
	addTakes: command(
		() =>
			z.looseObject({
				takes: z
					.array(f.name(200))
					.default([])
					.refine((keys) => keys.length > 0, 'Tick what it takes.'),
				list: f.ticked()
			}),
		async (tx, { takes: keys, list, ...fields }, { costumeId, currency, shop }) => {
			const record = await loadRecord(tx, costumeId);
			if (!record) throw new Absent('costume');
			const takes = takesInShop(record, shop!.workshop, shop!.atWork);
			const byKey = new Map(takes.map((t) => [t.key, t]));
			for (const key of keys) {
				const take = byKey.get(key);
				if (!take)
					throw new Refused('The components were changed meanwhile: look at the list again.', 'takes');
				const price = f.typedBeside(fields, `price ${key}`, (text) => parseMoney(text, currency));
				const materialId = await materialOf(tx, take, price, currency);
				for (const { componentId, quantity } of take.needs)
					await insert(tx, 'need', { componentId, quantity, materialId, guessed: true, byWork: null });
				if (list && take.line.packsShort > 0)
					await insertPurchase(
						tx,
						costumeId,
						{ ...take.material, id: materialId, packPriceMinor: price ?? take.material.packPriceMinor },
						take.line.packsShort,
						take.componentId
					);
			}
			return { words: `It takes ${keys.length} more ${pluralize('material', keys.length)}` };
		},
		{ shop: true }
	)
};
