import { z } from 'zod';
import { dayOf } from '$core/units/localTime.ts';
import { Absent } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { loadKeepings } from '../read/health.ts';
import type { Executor } from '../db/open.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { recordOf } from './join.ts';

/** How a component is kept: one row, from the first time on. */
async function keep(
	tx: Executor,
	componentId: number,
	values: { place?: string; note?: string; everyMonths?: number | null; lookedOn?: number },
	context: Context
): Promise<string> {
	const component = (await recordOf(tx, context)).components.find((c) => c.id === componentId);
	if (!component) throw new Absent('component');
	const row = (await loadKeepings(tx, [context.costumeId])).find((k) => k.componentId === componentId);
	if (row) await set(tx, 'keeping', row.id, values);
	else await insert(tx, 'keeping', { componentId, ...values });
	return component.code;
}

export const keepingCommands = {
	/** Where it is kept, and how often it is looked at; nothing typed goes by what it is made of. */
	setKeeping: command(
		() =>
			z.object({
				componentId: f.id(),
				place: f.text(200),
				note: f.text(500),
				everyMonths: f.orNull(f.whole(1, 120))
			}),
		async (tx, { componentId, ...v }, context) => ({
			words: `Changed how ${await keep(tx, componentId, v, context)} is kept`
		})
	),

	/** It was looked at in its place today. */
	lookedAfter: command(
		() => z.object({ componentId: f.id() }),
		async (tx, { componentId }, context) => ({
			words: `${await keep(tx, componentId, { lookedOn: dayOf(context.now) }, context)} was looked after`
		})
	)
};
