import { z } from 'zod';
import {
	checkStack,
	cured,
	cureWords,
	ruleOf,
	stackOf,
	type CoatLayer,
	type Layer
} from '$core/answers/stackCheck.ts';
import type { Component } from '$core/facts/component.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import { SURFACE_KEYS } from '$core/facts/component.ts';
import { coatProductOf } from '$core/trade/catalogue.ts';
import { CURES } from '$core/trade/coatRule.ts';
import { SURFACES } from '$core/trade/surface.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, setAll, update } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials } from '../read/workshop.ts';
import { insertCoatSteps, renewCoatSteps } from './coatSteps.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { endOfSteps, insertStep, renumber } from './step.ts';

/** An edge to be masked that nobody has measured, mm. */
export const MASKED_EDGE = 1000;

/** The steps of a layer, as they are now. */
const stepsOf = async (tx: Executor, componentId: number, layer: Layer): Promise<number[]> =>
	layer.kind === 'step'
		? [layer.id!]
		: (
				await all<{ id: number }>(
					tx,
					'select id from step where component_id = $1 and coat_id = $2 order by position, id',
					[componentId, layer.id]
				)
			).map((s) => s.id);

/** Puts steps before another, or at the end. */
async function put(tx: Executor, componentId: number, ids: readonly number[], before: number | null) {
	const order = (
		await all<{ id: number }>(tx, 'select id from step where component_id = $1 order by position, id', [
			componentId
		])
	).map((s) => s.id);
	const rest = order.filter((id) => !ids.includes(id));
	const at = before === null ? rest.length : rest.indexOf(before);
	await renumber(tx, rest.toSpliced(at, 0, ...ids));
}

const keyOf = ({ kind, id }: Layer) => `${kind} ${id}`;

/** The one that stands elsewhere: without it both are in the same order. */
function movedIn(before: readonly Layer[], after: readonly Layer[]): string | null {
	const [were, are] = [before, after.filter((l) => l.id !== null)].map((layers) => layers.map(keyOf));
	const orderWithout = (keys: readonly string[], key: string) => keys.filter((k) => k !== key).join();
	if (were!.join() === are!.join()) return null;
	return are!.find((key) => orderWithout(were!, key) === orderWithout(are!, key)) ?? null;
}

/** Puts in place what a cure makes of a stack: what is new, what changed, and what stands elsewhere. */
async function putCured(
	tx: Executor,
	component: Component,
	record: CostumeRecord,
	{ before, after, like }: { before: readonly Layer[]; after: readonly Layer[]; like: CoatLayer | null },
	{ trade }: Context
): Promise<void> {
	const { id: componentId } = component;
	const coatOf = (id: number) => record.coats.find((c) => c.id === id)!;
	const there = [...after];
	for (const [at, layer] of after.entries()) {
		const old = layer.id === null ? null : before.find((b) => b.kind === layer.kind && b.id === layer.id)!;
		if (layer.kind === 'step') {
			if (old) continue;
			const id = await insertStep(tx, {
				componentId,
				position: await endOfSteps(tx, componentId),
				name: layer.name,
				technique: layer.technique,
				phase: 'finish',
				amount: MASKED_EDGE,
				guessed: true,
				perCopy: true
			});
			there[at] = { ...layer, id };
			continue;
		}
		const product = coatProductOf(trade, layer.product);
		const fresh = {
			product: layer.product,
			coats: product.coats[0],
			materialId: null,
			recoatMinutes: product.recoatMinutes,
			handlingMinutes: product.handlingMinutes
		};
		if (old === null) {
			const { area, fromPieces, guessed, guess } = coatOf(like!.id!);
			const row = { componentId, position: at, area, fromPieces, guessed, guess, ...fresh };
			const id = await insert(tx, 'coat', row);
			await insertCoatSteps(tx, { id, version: 1, ...row }, trade, await endOfSteps(tx, componentId));
			there[at] = { ...layer, id };
		} else if ((old as CoatLayer).product !== layer.product) {
			const coat = { ...coatOf(layer.id!), ...fresh };
			await set(tx, 'coat', coat.id, fresh);
			await renewCoatSteps(tx, coat, trade);
		} else if ((old as CoatLayer).wait !== layer.wait) {
			await set(tx, 'coat', layer.id!, { handlingMinutes: layer.wait });
			const its = await stepsOf(tx, componentId, layer);
			await set(tx, 'step', its.at(-1)!, { waitMinutes: layer.wait });
		}
	}
	// From the top down, what is new or moved goes before the one above it; all else stays where it is.
	const moved = movedIn(before, after);
	for (let at = there.length - 1; at >= 0; at--) {
		const above = there[at + 1];
		if (after[at]!.id !== null && keyOf(after[at]!) !== moved) continue;
		const next = above ? (await stepsOf(tx, componentId, above))[0]! : null;
		await put(tx, componentId, await stepsOf(tx, componentId, there[at]!), next);
	}
	const coats = there.filter((l): l is CoatLayer => l.kind === 'coat');
	await setAll(
		tx,
		'coat',
		coats.map(({ id }, position) => ({ id: id!, values: { position } }))
	);
}

export const stackCommands = {
	/** Takes a cure of what may not hold. */
	cureStack: command(
		(context: Context) =>
			z.object({
				componentId: f.id(),
				rule: f.keyOf(context.trade.coatRule),
				/** The layer that it is about: `coat 5`, `step 7`. */
				over: z.string().regex(/^(coat|step) \d+$/),
				does: f.choice(CURES),
				product: f.keyOrNull(context.trade.coatProduct)
			}),
		async (tx, v, context) => {
			const record = await loadRecord(tx, context.costumeId);
			const component = record?.components.find((c) => c.id === v.componentId);
			if (!record || !component) throw new Absent('component');
			const { ground, layers } = stackOf(component, record, await loadMaterials(tx));
			const warning = checkStack(ground, layers, context.trade, context.now).find((w) => {
				const layer = layers[w.over]!;
				return w.rule === v.rule && keyOf(layer) === v.over;
			});
			const cure = warning?.cures.find((c) => c.does === v.does && c.product === v.product);
			const after = warning && cure && cured(layers, warning, cure, context.trade);
			if (!after) throw new Refused('The stack has changed meanwhile: look at it again.');
			const upper = layers[warning.over]!;
			await putCured(
				tx,
				component,
				record,
				{ before: layers, after, like: upper.kind === 'coat' ? upper : null },
				context
			);
			return {
				words: `${component.code}, ${ruleOf(context.trade, v.rule).name}: ${cureWords(cure, warning, layers, context.trade)}`
			};
		}
	),

	/** What a component is of on the outside. */
	setSurface: command(
		() => z.object({ id: f.id(), version: f.version(), surface: f.choiceOrNull(SURFACE_KEYS) }),
		async (tx, v, { costumeId }) => {
			const component = await one<{ code: string }>(
				tx,
				'select code from component where id = $1 and costume_id = $2',
				[v.id, costumeId]
			);
			if (!component) throw new Absent('component');
			await update(tx, 'component', v, { surface: v.surface });
			return {
				words: `${component.code} is of ${v.surface ? SURFACES[v.surface].name : 'what its materials are'}`
			};
		}
	)
};
