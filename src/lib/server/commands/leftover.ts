import { z } from 'zod';
import { outOfPurchases } from '$core/answers/lots.ts';
import { hereOf } from '$core/answers/shopping.ts';
import { parseDate } from '$core/units/localTime.ts';
import { namesWords } from '$core/units/names.ts';
import { formatNumber, parseNumber } from '$core/units/number.ts';
import { GRACE } from '$core/units/packs.ts';
import { Absent, Refused } from '../db/rows.ts';
import { set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials } from '../read/workshop.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { insertLot } from './lot.ts';

export const leftoverCommands = {
	/**
	 * What a costume has left goes to the stash, with what it cost and when it came: `units12` of material 12, good until `until12`.
	 * Its purchases have so much less; what they cost stays with the costume, unless it counts the stash at cost.
	 */
	keepLeftovers: command(
		() =>
			z.looseObject({
				keep: f.ids().refine((ids) => ids.length > 0, 'Tick what goes to the stash.'),
				place: f.text()
			}),
		async (tx, { keep, place, ...fields }, { costumeId, currency }) => {
			const record = await loadRecord(tx, costumeId);
			if (!record) throw new Absent('costume');
			const words: string[] = [];
			const materials = (await loadMaterials(tx)).filter((m) => keep.includes(m.id));
			if (materials.length < new Set(keep).size) throw new Absent('material');
			for (const material of materials) {
				const units = f.typedBeside(fields, `units${material.id}`, parseNumber);
				const bestBefore = f.typedBeside(fields, `until${material.id}`, parseDate);
				if (units === null || units <= 0) throw new Refused('Say how much.', `units${material.id}`);
				const here = hereOf(record.purchases, material);
				if (units > here + GRACE)
					throw new Refused(
						`Of what was bought for it, ${formatNumber(here)} ${material.unit} are here.`,
						`units${material.id}`
					);
				for (const { purchase, units: its } of outOfPurchases(record.purchases, material, units)) {
					await set(tx, 'purchase', purchase.id, { stashed: purchase.stashed + its });
					const { packPriceMinor } = purchase;
					const priced = packPriceMinor !== null;
					await insertLot(tx, {
						materialId: material.id,
						quantity: its,
						place,
						boughtOn: purchase.arrivedOn ?? purchase.orderedOn,
						packSize: priced ? (purchase.packSize ?? material.packSize) : null,
						packPriceMinor,
						currency: priced ? currency : null,
						bestBefore
					});
				}
				words.push(`${formatNumber(units)} ${material.unit} of ${material.name}`);
			}
			return { words: `Left over, to the stash: ${namesWords(words)}` };
		}
	)
};
