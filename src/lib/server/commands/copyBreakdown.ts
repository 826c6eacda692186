import pluralize from 'pluralize';
import { z } from 'zod';
import { inLedgerOrder, type Component } from '$core/facts/component.ts';
import { inOrder } from '$core/facts/order.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, Refused } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadWear } from '../read/wear.ts';
import { command } from './command.ts';
import { insertComponent } from './component.ts';
import * as f from './fields.ts';
import { insertStep } from './step.ts';

/** Its coats, steps and needs, as if nothing had been done yet. Returns the new id of each step. */
async function copyInside(
	tx: Executor,
	record: CostumeRecord,
	source: Component,
	componentId: number
): Promise<Map<number, number>> {
	const coats = new Map<number, number>();
	for (const c of record.coats.filter((c) => c.componentId === source.id)) {
		coats.set(c.id, await insert(tx, 'coat', { ...c, componentId }));
	}
	const steps = new Map<number, number>();
	for (const [position, s] of inOrder(record.steps, source.id)
		.filter((s) => s.faultId === null)
		.entries())
		steps.set(
			s.id,
			await insertStep(tx, {
				...s,
				componentId,
				position,
				coatId: s.coatId === null ? null : (coats.get(s.coatId) ?? null),
				doneAt: null
			})
		);
	for (const n of record.needs.filter((n) => n.componentId === source.id))
		await insert(tx, 'need', {
			componentId,
			materialId: n.materialId,
			quantity: n.quantity,
			stepId: n.stepId === null ? null : (steps.get(n.stepId) ?? null),
			waste: n.waste,
			byWork: n.byWork
		});
	await tx.query(
		`insert into shape (component_id, position, shaper, name, "values", works, drawn, panels, kept, placed, material_id, roles, layers, note)
		select $2, position, shaper, name, "values", works, drawn, panels, kept, placed, material_id, roles, layers, note from shape
		where component_id = $1 order by position, id`,
		[source.id, componentId]
	);
	await tx.query(
		`insert into opening (component_id, passage, closed_mm, stretch_percent, opening_mm, split)
		select $2, passage, closed_mm, stretch_percent, opening_mm, split from opening where component_id = $1 order by id`,
		[source.id, componentId]
	);
	return steps;
}

export const copyCommands = {
	/** Components of another costume with their steps, coats and needs; nothing done, bought or logged. */
	copyBreakdown: command(
		() => z.object({ fromId: f.id(), componentIds: f.ids() }),
		async (tx, v, { costumeId, trade }) => {
			const record = v.fromId === costumeId ? null : await loadRecord(tx, v.fromId);
			if (!record) throw new Absent('costume');
			const chosen = inLedgerOrder(record.components)
				.map((n) => n.item)
				.filter((c) => v.componentIds.includes(c.id));
			if (chosen.length === 0) throw new Refused('Choose what to copy.', 'componentIds');
			const taken = new Set(
				(
					await all<{ code: string }>(tx, 'select code from component where costume_id = $1', [costumeId])
				).map((c) => c.code)
			);
			const ids = new Map<number, number>();
			const steps = new Map<number, number>();
			for (const c of chosen) {
				const made = await insertComponent(
					tx,
					costumeId,
					{
						...c,
						code: taken.has(c.code) ? '' : c.code,
						parentId: c.parentId === null ? null : (ids.get(c.parentId) ?? null),
						route: null
					},
					trade
				);
				ids.set(c.id, made.id);
				await set(tx, 'component', made.id, { route: c.route, furtherRoutes: c.furtherRoutes });
				for (const [from, to] of await copyInside(tx, record, c, made.id)) steps.set(from, to);
			}
			for (const s of record.steps)
				for (const after of s.after)
					if (steps.has(s.id) && steps.has(after))
						await insert(tx, 'step_after', { stepId: steps.get(s.id), afterId: steps.get(after) });
			// What holds them comes along, where what they are held to does.
			const { joins, wearings } = await loadWear(tx, v.fromId);
			for (const { id: _, ...join } of joins) {
				const componentId = ids.get(join.componentId);
				const toComponentId = join.toComponentId === null ? null : ids.get(join.toComponentId);
				if (componentId === undefined || toComponentId === undefined) continue;
				const stepId = join.stepId === null ? null : (steps.get(join.stepId) ?? null);
				await insert(tx, 'wear_join', { ...join, componentId, toComponentId, stepId });
			}
			for (const { id: _, ...wearing } of wearings)
				if (ids.has(wearing.componentId))
					await insert(tx, 'wearing', {
						...wearing,
						componentId: ids.get(wearing.componentId),
						insideId: ids.get(wearing.insideId ?? -1) ?? null
					});
			return {
				words: `Copied ${pluralize('component', chosen.length, true)} from ${record.costume.name}`
			};
		}
	)
};
