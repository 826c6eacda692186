import pluralize from 'pluralize';
import { z } from 'zod';
import { shoppingSeed } from '$core/answers/seed.ts';
import { Absent, Refused } from '../db/rows.ts';
import { insert } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials } from '../read/workshop.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { insertMaterial } from './material.ts';

export const seedCommands = {
	/** The lines of the shopping seed that the maker ticked become needs; new materials go to the stash list. */
	confirmSeed: command(
		() =>
			z
				.object({
					id: f.id(),
					/** Places of the ticked lines. */
					lines: z.array(f.whole(0, 100)).default([]),
					names: z.array(f.text()).default([]),
					quantity: z.array(f.decimal(0, 1_000_000)).default([]),
					material: z.array(f.idOrNull()).default([])
				})
				.superRefine((v, ctx) => {
					for (const i of v.lines)
						if (!(v.quantity[i]! > 0))
							ctx.addIssue({
								code: 'custom',
								path: ['quantity'],
								message: 'What is ticked needs more than nothing.'
							});
				}),
		async (tx, v, { costumeId, trade, currency, settings }) => {
			const record = await loadRecord(tx, costumeId);
			const component = record?.components.find((c) => c.id === v.id);
			if (!record || !component) throw new Absent('component');
			const materials = await loadMaterials(tx);
			const seed = shoppingSeed(component, record, materials, trade, settings);
			if (seed.length !== v.names.length || seed.some((l, i) => l.name !== v.names[i]))
				throw new Refused('The steps were changed meanwhile: look at the list again.', 'quantity');
			if (v.lines.length === 0) throw new Refused('Tick what it takes.', 'quantity');
			for (const i of v.lines) {
				const line = seed[i];
				if (!line) throw new Absent('line');
				const known = v.material[i] ?? null;
				if (known !== null && !materials.some((m) => m.id === known)) throw new Absent('material');
				const materialId =
					known ??
					(await insertMaterial(tx, {
						name: line.name,
						family: line.family,
						unit: line.unit,
						packSize: line.packSize,
						currency,
						supply: line.supply
					}));
				const asWorked = Math.abs(v.quantity[i]! - line.quantity) < 1e-9;
				if (line.supply !== null) {
					await tx.query('update material set supply = $2 where id = $1 and supply is null', [
						materialId,
						line.supply
					]);
					// Its work asks for it from now on.
					if (asWorked) continue;
				}
				await insert(tx, 'need', {
					componentId: v.id,
					materialId,
					quantity: v.quantity[i],
					guessed: asWorked,
					byWork: line.supply === null ? null : false
				});
			}
			return {
				words: `${component.code} ${component.name} takes ${v.lines.length} more ${pluralize('material', v.lines.length)}`
			};
		}
	)
};
