import { z } from 'zod';
import { rubsOf, wearName, wearWays } from '$core/answers/wearSpots.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import { inOrder } from '$core/facts/order.ts';
import { coatProductOf } from '$core/trade/catalogue.ts';
import { Absent, all, Refused } from '../db/rows.ts';
import { insert } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials } from '../read/workshop.ts';
import { insertCoatSteps } from './coatSteps.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { endOfSteps, insertStep, renumber } from './step.ts';

/** Before the clear that nobody has begun, else before rigging, else at the end. */
function placeOf(componentId: number, record: CostumeRecord, { trade }: Context): number {
	const steps = inOrder(record.steps, componentId);
	const begun = new Set(steps.flatMap((s) => (s.doneAt !== null && s.coatId !== null ? [s.coatId] : [])));
	const clears = new Set(
		record.coats
			.filter((c) => coatProductOf(trade, c.product).does === 'clear' && !begun.has(c.id))
			.map((c) => c.id)
	);
	const clear = steps.findIndex((s) => s.coatId !== null && clears.has(s.coatId));
	if (clear >= 0) return clear;
	const rig = steps.findIndex((s) => s.phase === 'rig' || s.phase === 'fit');
	return rig < 0 ? steps.length : rig;
}

export const wearCommands = {
	/** Weathers a component where it rubs: each place becomes a step, to be ticked as it is done. */
	addWear: command(
		() =>
			z.object({
				componentId: f.id(),
				by: f.text(80),
				spots: z
					.array(f.name(60))
					.default([])
					.refine((keys) => keys.length > 0, 'Choose at least one place.')
			}),
		async (tx, v, context) => {
			const record = await loadRecord(tx, context.costumeId);
			const component = record?.components.find((c) => c.id === v.componentId);
			if (!record || !component) throw new Absent('component');
			const rubs = rubsOf(component, record, context.trade);
			const chosen = v.spots.map((key) => {
				const spot = rubs.find((r) => r.key === key);
				if (!spot) throw new Absent('place');
				if (spot.step) throw new Refused(`${spot.name}: that is a step already.`, 'spots');
				return spot;
			});
			const ways = wearWays(await loadMaterials(tx), context.trade);
			const way = v.by ? ways.find((w) => w.key === v.by) : ways[0];
			if (!way) throw new Refused('That is not there any more: choose again.', 'by');
			const at = placeOf(component.id, record, context);
			const end = await endOfSteps(tx, component.id);
			const coats = record.coats.filter((c) => c.componentId === component.id);
			const next = Math.max(-1, ...coats.map((c) => c.position)) + 1;
			for (const [i, { name, areaMm2, share }] of chosen.entries()) {
				const guess = { guessed: true, guess: areaMm2 * share };
				const whole = { componentId: component.id, position: end + i, ...guess };
				if (way.technique)
					await insertStep(tx, {
						...whole,
						name: wearName(name),
						technique: way.technique,
						phase: 'finish',
						amount: guess.guess,
						perCopy: true
					});
				else {
					const { recoatMinutes, handlingMinutes } = coatProductOf(context.trade, way.coat!.product);
					const its = { recoatMinutes, handlingMinutes, coats: 1, area: guess.guess, fromPieces: false };
					const row = { ...whole, ...way.coat!, ...its, position: next + i };
					const id = await insert(tx, 'coat', row);
					await insertCoatSteps(tx, { ...row, id, version: 1 }, context.trade, end + i, {
						name: wearName(name)
					});
				}
			}
			const added = await all<{ id: number }>(
				tx,
				'select id from step where component_id = $1 and position >= $2 order by position, id',
				[component.id, end]
			);
			const order = inOrder([...record.steps, ...record.leftOut], component.id);
			const before = inOrder(record.steps, component.id)[at];
			const place = before ? order.indexOf(before) : order.length;
			await renumber(tx, order.map((s) => s.id).toSpliced(place, 0, ...added.map((s) => s.id)));
			const places = chosen.map((c) => c.name).join(', ');
			return { words: `${component.code} is weathered by ${way.name}: ${places}` };
		}
	)
};
