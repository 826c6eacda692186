import { z } from 'zod';
import type { Variant } from '$core/facts/wear.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { loadVariants } from '../read/wear.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

const MOST = 12;
const named = { name: f.name(60) };

async function variantAt(tx: Executor, id: number, costumeId: number): Promise<Variant> {
	const found = (await loadVariants(tx, costumeId)).find((v) => v.id === id);
	if (!found) throw new Absent('way to wear it');
	return found;
}

/** What is linked to has to be of this costume. */
export const variantOf = async (
	tx: Executor,
	id: number | null,
	costumeId: number
): Promise<number | null> => (id === null ? null : (await variantAt(tx, id, costumeId)).id);

/** A name says which of them is meant. */
async function free(tx: Executor, name: string, costumeId: number, not?: number) {
	const all = await loadVariants(tx, costumeId);
	if (all.some((v) => v.id !== not && v.name.toLowerCase() === name.toLowerCase()))
		throw new Refused('There is such a way to wear it already.', 'name');
	return all;
}

/** Ways to wear a costume: helmet or wig, with or without wings. */
export const variantCommands = {
	addVariant: command(
		() => z.object(named),
		async (tx, { name }, { costumeId }) => {
			const all = await free(tx, name, costumeId);
			if (all.length >= MOST) throw new Refused(`At most ${MOST} ways to wear it.`, 'name');
			const position = Math.max(-1, ...all.map((v) => v.position)) + 1;
			const id = await insert(tx, 'variant', { name, costumeId, position });
			return { words: `It can be worn ${name}`, result: { id } };
		}
	),

	editVariant: command(
		() => z.object({ id: f.id(), version: f.version(), ...named }),
		async (tx, { id, version, name }, { costumeId }) => {
			await variantAt(tx, id, costumeId);
			await free(tx, name, costumeId, id);
			await update(tx, 'variant', { id, version }, { name });
			return { words: `Changed ${name}` };
		}
	),

	removeVariant: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const { name } = await variantAt(tx, id, costumeId);
			await tx.query('delete from variant where id = $1', [id]);
			return { words: `Removed ${name}` };
		}
	),

	/** A component is worn in it, or left off. */
	wearIn: command(
		() => z.object({ id: f.id(), componentId: f.id(), on: f.ticked() }),
		async (tx, { id, componentId, on }, { costumeId }) => {
			const { name, without } = await variantAt(tx, id, costumeId);
			const component = await one<{ code: string }>(
				tx,
				'select code from component where id = $1 and costume_id = $2',
				[componentId, costumeId]
			);
			if (!component) throw new Absent('component');
			if (on)
				await tx.query('delete from variant_without where variant_id = $1 and component_id = $2', [
					id,
					componentId
				]);
			else if (!without.includes(componentId))
				await insert(tx, 'variant_without', { variantId: id, componentId });
			return { words: `${component.code} is ${on ? 'worn' : 'left off'}: ${name}` };
		}
	)
};
