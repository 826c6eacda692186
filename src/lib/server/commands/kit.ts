import { z } from 'zod';
import { emergencyKit, type KitItem } from '$core/answers/kit.ts';
import { KIT_TAKES, type KeptKitItem } from '$core/facts/health.ts';
import type { Material } from '$core/facts/material.ts';
import { fastenerOf } from '$core/trade/fastener.ts';
import type { Catalogue } from '$core/trade/catalogue.ts';
import type { TechniqueKey } from '$core/facts/step.ts';
import { capital } from '$core/units/names.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one } from '../db/rows.ts';
import { insert, selectOfCostumes, set } from '../db/tables.ts';
import { loadMaterials } from '../read/workshop.ts';
import { loadWear } from '../read/wear.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { recordOf } from './join.ts';
import { insertMaterial } from './material.ts';
import { insertPurchase } from './purchase.ts';

const MOST_GRAMS = 20_000;
const MOST_ML = 40_000;
const size = { grams: f.orNull(f.above0(MOST_GRAMS)), ml: f.orNull(f.above0(MOST_ML)) };

const keptOf = (tx: Executor, { costumeId }: Context) =>
	selectOfCostumes<KeptKitItem>(tx, 'kit_item', [costumeId], 'kit_item.id');

/** A thing of the kit, as it follows from the costume, or one’s own. */
async function itemOf(
	tx: Executor,
	key: string,
	context: Context
): Promise<{ item: KitItem | undefined; kept: KeptKitItem | undefined }> {
	const record = await recordOf(tx, context);
	const kit = emergencyKit(
		record,
		await loadWear(tx, context.costumeId),
		await loadMaterials(tx),
		context.trade
	);
	const item = kit.find((k) => k.key === key);
	const kept = (await keptOf(tx, context)).find((k) => k.key === key);
	if (!item && !kept?.name) throw new Absent('thing of the kit');
	return { item, kept };
}

/** The work that uses such things up. */
const USED_IN: Readonly<Record<string, TechniqueKey>> = { thread: 'sewHand', cells: 'wire' };

/** The supply of the handbook that a thing of the kit is. */
function supplyOf({ use }: KitItem, trade: Catalogue): string | null {
	const spare = /^spare (.+)$/.exec(use)?.[1];
	const technique = spare ? fastenerOf(trade.fastener, spare).technique : USED_IN[use];
	const found = Object.entries(trade.supply).find(([, s]) => s.uses.some((u) => u.technique === technique));
	return technique && found ? found[0] : null;
}

/** What a thing of the kit is bought as: its own material, one for the same supply or of the same name, else a new one. */
async function boughtAs(
	tx: Executor,
	{ item, name }: { item: KitItem | undefined; name: string },
	{ trade, currency }: Context
): Promise<Material> {
	const materials = await loadMaterials(tx);
	const supply = item ? supplyOf(item, trade) : null;
	const same = (text: string) => text.trim().toLowerCase();
	const found =
		materials.find((m) => m.id === item?.materialId) ??
		materials.find((m) => supply !== null && m.supply === supply) ??
		materials.find((m) => same(m.name) === same(name));
	if (found) return found;
	const row = supply === null ? null : trade.supply[supply]!;
	const id = await insertMaterial(tx, {
		name: capital(row?.name ?? name),
		family: row?.family ?? 'other',
		unit: row?.unit ?? 'piece',
		packSize: row?.pack ?? 1,
		currency,
		supply
	});
	return (await loadMaterials(tx)).find((m) => m.id === id)!;
}

export const kitCommands = {
	/** What it may weigh and take; nothing typed is no limit. */
	setKitLimit: command(
		() => z.object(size),
		async (tx, v, { costumeId }) => {
			const row = await one<{ id: number }>(tx, 'select id from kit_limit where costume_id = $1', [
				costumeId
			]);
			if (row) await set(tx, 'kit_limit', row.id, v);
			else await insert(tx, 'kit_limit', { ...v, costumeId });
			const most = [v.grams === null ? '' : `${v.grams} g`, v.ml === null ? '' : `${v.ml} ml`].filter(
				Boolean
			);
			return { words: most.length ? `The kit is at most ${most.join(', ')}` : 'The kit has no limit' };
		}
	),

	/** What one thing weighs, and whether it goes along. */
	setKitItem: command(
		() => z.object({ key: f.name(200), ...size, takes: f.choice(KIT_TAKES) }),
		async (tx, { key, ...v }, context) => {
			const { kept, item } = await itemOf(tx, key, context);
			if (kept) await set(tx, 'kit_item', kept.id, v);
			else await insert(tx, 'kit_item', { ...v, key, costumeId: context.costumeId });
			return { words: `Changed ${item?.name ?? kept!.name} of the kit` };
		}
	),

	/** A thing of one’s own. */
	addKitItem: command(
		() => z.object({ name: f.name(), ...size }),
		async (tx, v, context) => {
			const numbers = (await keptOf(tx, context)).map((k) => Number(/^own (\d+)$/.exec(k.key)?.[1] ?? 0));
			const key = `own ${Math.max(0, ...numbers) + 1}`;
			await insert(tx, 'kit_item', { ...v, key, takes: 'always', costumeId: context.costumeId });
			return { words: `Added ${v.name} to the kit` };
		}
	),

	/** What is one’s own leaves the kit; anything else goes by its starting values again. */
	removeKitItem: command(
		() => z.object({ key: f.name(200) }),
		async (tx, { key }, context) => {
			const { kept, item } = await itemOf(tx, key, context);
			if (!kept) throw new Absent('thing of the kit');
			await tx.query('delete from kit_item where id = $1', [kept.id]);
			return {
				words: item
					? `${item.name} of the kit goes by its starting values`
					: `Removed ${kept.name} from the kit`
			};
		}
	),

	/** What was used is bought again: a pack of it is planned under Buy. */
	useKitItem: command(
		() => z.object({ key: f.name(200) }),
		async (tx, { key }, context) => {
			const { kept, item } = await itemOf(tx, key, context);
			const name = item?.name.replace(/^(spare|touch-up:) /, '') ?? kept!.name;
			const material = await boughtAs(tx, { item, name }, context);
			const id = await insertPurchase(tx, context.costumeId, material, 1, null);
			await set(tx, 'purchase', id, { note: 'for the emergency kit' });
			return { words: `Put ${material.name} on the list: it was used from the kit` };
		}
	)
};
