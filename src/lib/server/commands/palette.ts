import pluralize from 'pluralize';
import { z } from 'zod';
import { typedColour } from '$core/engines/colour/typed.ts';
import type { PaletteColour } from '$core/facts/palette.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, insertAll, set, update } from '../db/tables.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

const point = z.tuple([z.number(), z.number()]);
/** Where it was picked; empty for what was typed. */
const picked = z
	.object({
		pictureId: z.number().int().positive(),
		centre: point,
		radius: z.number().positive().max(10_000),
		neutral: point.nullable(),
		spread: z.number().min(0).max(200)
	})
	.nullable();
const mix = z
	.array(z.object({ materialId: z.number().int().positive(), drops: z.number().int().min(1).max(1000) }))
	.max(10);

const shape = () => ({ name: f.name(), lab: typedColour, componentIds: f.ids(), note: f.note() });

async function refuseOthers(
	tx: Executor,
	componentIds: readonly number[],
	{ costumeId }: Context
): Promise<void> {
	const its = await all(tx, 'select id from component where costume_id = $1 and id = any($2)', [
		costumeId,
		componentIds
	]);
	if (its.length < componentIds.length) throw new Absent('component');
}

async function setParts(tx: Executor, paletteColourId: number, componentIds: readonly number[]) {
	await tx.query('delete from palette_part where palette_colour_id = $1 and not component_id = any($2)', [
		paletteColourId,
		componentIds
	]);
	const there = await all<{ componentId: number }>(
		tx,
		'select component_id from palette_part where palette_colour_id = $1',
		[paletteColourId]
	);
	await insertAll(
		tx,
		'palette_part',
		componentIds
			.filter((id) => !there.some((p) => p.componentId === id))
			.map((componentId) => ({ paletteColourId, componentId }))
	);
}

async function loadColour(tx: Executor, id: number, { costumeId }: Context) {
	const row = await one<Pick<PaletteColour, 'id' | 'name' | 'lab'>>(
		tx,
		'select id, name, lab from palette_colour where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('colour');
	return row;
}

export const paletteCommands = {
	/** A colour that parts are meant to have: typed, or picked on a picture. */
	addColour: command(
		() => z.object({ ...shape(), picked: f.json(picked, 'Where it was picked could not be read.') }),
		async (tx, { componentIds, picked, ...v }, context) => {
			const { costumeId } = context;
			await refuseOthers(tx, componentIds, context);
			if (
				picked &&
				!(await one(tx, 'select 1 from reference_picture where id = $1 and costume_id = $2', [
					picked.pictureId,
					costumeId
				]))
			)
				throw new Absent('picture');
			const { next } = (await one<{ next: number }>(
				tx,
				'select coalesce(max(position) + 1, 0) as next from palette_colour where costume_id = $1',
				[costumeId]
			))!;
			const { pictureId = null, spread = null, ...where } = picked ?? {};
			const id = await insert(tx, 'palette_colour', {
				...v,
				costumeId,
				position: next,
				pictureId,
				spread,
				picked: picked && where,
				mix: []
			});
			await setParts(tx, id, componentIds);
			return { words: `Added ${v.name} to the palette`, result: { id } };
		}
	),

	editColour: command(
		() => z.object({ id: f.id(), version: f.version(), ...shape() }),
		async (tx, { componentIds, ...v }, context) => {
			const old = await loadColour(tx, v.id, context);
			await refuseOthers(tx, componentIds, context);
			// Where another one is typed it was not picked, and what was mixed for it is for another.
			const same = v.lab.every((value, k) => value === old.lab[k]);
			await update(tx, 'palette_colour', v, {
				name: v.name,
				note: v.note,
				...(same ? {} : { lab: v.lab, spread: null, pictureId: null, picked: null, mix: [] })
			});
			await setParts(tx, v.id, componentIds);
			return { words: `Changed ${v.name} of the palette` };
		}
	),

	removeColour: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const { name } = await loadColour(tx, id, context);
			await tx.query('delete from palette_colour where id = $1', [id]);
			return { words: `Removed ${name} from the palette` };
		}
	),

	/** Keeps the drops that come to a colour; none takes them away. */
	keepMix: command(
		() => z.object({ id: f.id(), mix: f.json(mix, 'The mix could not be read.') }),
		async (tx, { id, mix }, context) => {
			const { name } = await loadColour(tx, id, context);
			const ids = mix.map((part) => part.materialId);
			if (new Set(ids).size < ids.length) throw new Refused('A paint stands in the mix twice.');
			const known = await all<{ id: number; name: string }>(
				tx,
				'select id, name from material where id = any($1)',
				[ids]
			);
			if (known.length < ids.length) throw new Absent('material');
			await set(tx, 'palette_colour', id, { mix });
			const nameOf = (materialId: number) => known.find((m) => m.id === materialId)!.name;
			const drops = mix.map((p) => `${pluralize('drop', p.drops, true)} of ${nameOf(p.materialId)}`);
			return { words: mix.length ? `${name}: ${drops.join(', ')}` : `${name}: no mix` };
		}
	)
};
