import { z } from 'zod';
import { layerPairs } from '$core/answers/layers.ts';
import { circleIn, stepsBefore } from '$core/facts/order.ts';
import { Absent, Refused } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

export const layerCommands = {
	/** Cutting of a garment waits for those beneath it that are named: the plan had them the wrong way round. */
	followLayers: command(
		() =>
			z.object({
				id: f.id(),
				inner: f.text(1000).transform((ids) => ids.split(' ').map(Number))
			}),
		async (tx, v, { costumeId }) => {
			const record = await loadRecord(tx, costumeId);
			if (!record) throw new Absent('costume');
			const slips = layerPairs(record).filter((s) => s.outer.id === v.id && v.inner.includes(s.inner.id));
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
