import { z } from 'zod';
import { rubsOf, wearName } from '$core/answers/wearSpots.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import { inOrder } from '$core/facts/order.ts';
import { coatProductOf } from '$core/trade/catalogue.ts';
import { Absent, Refused } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
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
			const at = placeOf(component.id, record, context);
			const ids: number[] = [];
			for (const { name, areaMm2, share } of chosen)
				ids.push(
					await insertStep(tx, {
						componentId: component.id,
						position: await endOfSteps(tx, component.id),
						name: wearName(name),
						technique: 'dryBrush',
						phase: 'finish',
						amount: areaMm2 * share,
						guessed: true,
						guess: areaMm2 * share,
						perCopy: true
					})
				);
			const order = inOrder([...record.steps, ...record.leftOut], component.id);
			const before = inOrder(record.steps, component.id)[at];
			const place = before ? order.indexOf(before) : order.length;
			await renumber(tx, order.map((s) => s.id).toSpliced(place, 0, ...ids));
			return { words: `${component.code} is weathered: ${chosen.map((c) => c.name).join(', ')}` };
		}
	)
};
