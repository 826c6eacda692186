import { z } from 'zod';
import { formatLocalTime } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { loadStep } from './step.ts';

const found = z
	.array(
		z.strictObject({
			step: z.number().int().positive(),
			makers: z.array(z.number().int().positive()).min(1).max(20).optional()
		})
	)
	.min(1)
	.max(5000);

const stepIds = () =>
	f.json(z.array(z.number().int().positive()).min(1).max(5000), 'Nothing is left of it to leave out.');

const weekdays = () => f.json(z.array(z.number().int().min(1).max(7)).min(1), 'Choose at least one day.');

async function openSteps(tx: Executor, costumeId: number, ids: readonly number[]): Promise<number> {
	const rows = await all<{ id: number }>(
		tx,
		`select s.id from step s join component c on c.id = s.component_id
		where c.costume_id = $1 and s.id = any($2) and s.done_at is null`,
		[costumeId, ids]
	);
	return rows.length;
}

export const planCommands = {
	/** The order that a search found: every page plans by it, for as long as the rule is not sooner. */
	keepPlan: command(
		() => z.object({ plan: f.json(found, 'Look for a sooner plan first.', 500_000) }),
		async (tx, { plan }, { costumeId, now }) => {
			const known = new Set((await loadRecord(tx, costumeId))!.steps.map((s) => s.id));
			if (plan.some((p) => !known.has(p.step))) throw new Absent('step');
			await tx.query(
				`insert into found_plan (costume_id, plan, found_at) values ($1, $2, $3)
				on conflict (costume_id) do update set plan = excluded.plan, found_at = excluded.found_at`,
				[costumeId, JSON.stringify(plan), formatLocalTime(now)]
			);
			return { words: 'Took a plan that is ready sooner' };
		}
	),

	/** Back to the rule. */
	dropPlan: command(
		() => z.object({}),
		async (tx, _, { costumeId }) => {
			await tx.query('delete from found_plan where costume_id = $1', [costumeId]);
			return { words: 'Plans by rule again' };
		}
	),

	setTarget: command(
		() => z.object({ targetOdds: f.whole(50, 99) }),
		async (tx, { targetOdds }, { costumeId }) => {
			await set(tx, 'costume', costumeId, { targetOdds });
			return { words: `Wants to be ready in ${targetOdds} builds of 100` };
		}
	),

	/** Leaves steps out, so that the rest is in time. */
	leaveOut: command(
		() => z.object({ ids: stepIds(), what: f.name(200) }),
		async (tx, { ids, what }, { costumeId }) => {
			if ((await openSteps(tx, costumeId, ids)) !== new Set(ids).size) throw new Absent('step');
			await tx.query('update step set left_out = true where id = any($1)', [ids]);
			return { words: `Left out: ${what}` };
		}
	),

	takeBack: command(
		() => z.object({ ids: stepIds() }),
		async (tx, { ids }, { costumeId }) => {
			if ((await openSteps(tx, costumeId, ids)) !== new Set(ids).size) throw new Absent('step');
			await tx.query('update step set left_out = false where id = any($1)', [ids]);
			return { words: ids.length === 1 ? 'Took a step back in' : `Took ${ids.length} steps back in` };
		}
	),

	/** Keeps a start for a step, or lets it go. */
	pinStep: command(
		() => z.object({ id: f.id(), pinnedAt: f.orNull(f.time()) }),
		async (tx, { id, pinnedAt }, context) => {
			const me = await loadStep(tx, id, context);
			if (pinnedAt !== null && pinnedAt < context.now) throw new Refused('That time has passed.', 'pinnedAt');
			await set(tx, 'step', id, { pinnedAt });
			return {
				words: pinnedAt === null ? `Let ${me.name} of ${me.code} move` : `Pinned ${me.name} of ${me.code}`
			};
		}
	),

	/** More hours of somebody who is there. */
	addHours: command(
		() => z.object({ makerId: f.id(), days: weekdays(), from: f.clock(), to: f.clock() }),
		async (tx, v) => {
			const maker = await one<{ name: string }>(tx, 'select name from maker where id = $1', [v.makerId]);
			if (!maker) throw new Absent('maker');
			await insert(tx, 'working_window', { makerId: v.makerId, days: v.days, from: v.from, to: v.to });
			return { words: `Added hours to ${maker.name}` };
		}
	),

	/** Somebody more, in hours of their own. */
	addHands: command(
		() => z.object({ name: f.name(), days: weekdays(), from: f.clock(), to: f.clock() }),
		async (tx, v) => {
			const maker = await one<{ id: number }>(
				tx,
				'insert into maker (position, name) values ((select coalesce(max(position) + 1, 0) from maker), $1) returning id',
				[v.name]
			);
			await insert(tx, 'working_window', { makerId: maker!.id, days: v.days, from: v.from, to: v.to });
			return { words: `Added maker ${v.name}` };
		}
	)
};
