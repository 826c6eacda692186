import { z } from 'zod';
import { orderSlips } from '$core/answers/layers.ts';
import { circleIn, stepsBefore } from '$core/facts/order.ts';
import { planWorkshop } from '$core/answers/plan.ts';
import { Absent, Refused } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

export const layerCommands = {
	/** Cutting of the outer garment waits for the inner one: every pair that the plan has the wrong way round. */
	followLayers: command(
		() => z.object({ id: f.idOrNull() }),
		async (tx, v, { costumeId, now }) => {
			const record = await loadRecord(tx, costumeId);
			if (!record) throw new Absent('costume');
			const plan = planWorkshop([record], await loadWorkshop(tx), now).get(costumeId)!;
			const slips = orderSlips(record, plan).filter((s) => v.id === null || s.outer.id === v.id);
			for (const slip of slips) {
				await tx.query('insert into step_after (step_id, after_id) values ($1, $2) on conflict do nothing', [
					slip.first.id,
					slip.last.id
				]);
				const first = record.steps.find((s) => s.id === slip.first.id)!;
				first.after = [...first.after, slip.last.id];
			}
			if (circleIn(stepsBefore(record.components, record.steps)))
				throw new Refused('Other links between these steps run the other way round. Look at them first.');
			return {
				words: slips.length
					? `${[...new Set(slips.map((s) => s.outer.code))].join(', ')} ${slips.length === 1 ? 'waits' : 'wait'} for what lies beneath`
					: 'Nothing to change: the order follows the layers'
			};
		}
	)
};
