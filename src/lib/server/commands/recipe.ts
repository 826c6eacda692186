import { z } from 'zod';
import { finishArea } from '$core/answers/finishArea.ts';
import { takesOf } from '$core/answers/followPieces.ts';
import { layersBy, recipeLayersOf, startOf, versionOf } from '$core/answers/recipe.ts';
import { typedColour } from '$core/engines/colour/typed.ts';
import { SURFACE_KEYS, type Component } from '$core/facts/component.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import { inOrder } from '$core/facts/order.ts';
import type { Step } from '$core/facts/step.ts';
import { VERDICTS, type Swatch } from '$core/facts/swatch.ts';
import { coatProductOf, techniqueOf } from '$core/trade/catalogue.ts';
import { HANDBOOK_ROWS, keyFor } from '$core/trade/handbookRow.ts';
import { isRecipeCoat, type RecipeCoat, type RecipeLayer } from '$core/facts/recipe.ts';
import { dayOf } from '$core/units/localTime.ts';
import { namesWords } from '$core/units/names.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, insertAll, set, update } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials } from '../read/workshop.ts';
import { insertCoatSteps } from './coatSteps.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { keepRow } from './handbook.ts';
import { MASKED_EDGE } from './stack.ts';
import { endOfSteps, insertStep, renumber } from './step.ts';

/** Coats of which none is on, with their steps. */
async function takeOff(tx: Executor, component: Component, record: CostumeRecord): Promise<void> {
	const begun = new Set(
		record.steps.flatMap((s) => (s.doneAt !== null && s.coatId !== null ? [s.coatId] : []))
	);
	const ids = record.coats.filter((c) => c.componentId === component.id && !begun.has(c.id)).map((c) => c.id);
	await tx.query('delete from step where coat_id = any($1)', [ids]);
	await tx.query('delete from coat where id = any($1)', [ids]);
}

/**
 * Lays the layers of a recipe on a component, before it is rigged. Work that its route has already is not added again: before
 * the first coat it stays where it is, after it it is put between the coats.
 */
async function layOn(
	tx: Executor,
	component: Component,
	record: CostumeRecord,
	layers: readonly RecipeLayer[],
	context: Context
): Promise<void> {
	const { id: componentId } = component;
	const { trade } = context;
	const materials = await loadMaterials(tx);
	const its = finishArea(component, record, trade);
	const there = inOrder(record.steps, componentId).filter((s) => s.coatId === null);
	const used = new Set<Step>();
	const laid: number[] = [];
	const stepsNow = () =>
		all<Pick<Step, 'id' | 'phase' | 'coatId'>>(
			tx,
			'select id, phase, coat_id from step where component_id = $1 order by position, id',
			[componentId]
		);
	let position = (await one<{ next: number }>(
		tx,
		'select coalesce(max(position) + 1, 0) as next from coat where component_id = $1',
		[componentId]
	))!.next;

	const putOn = async ({ product: key, coats, colour }: RecipeCoat) => {
		const product = coatProductOf(trade, key);
		const coat = {
			...its,
			componentId,
			position: position++,
			product: key,
			coats,
			materialId: materials.find((m) => m.coatProduct === key && m.name === colour)?.id ?? null,
			recoatMinutes: product.recoatMinutes,
			handlingMinutes: product.handlingMinutes
		};
		const id = await insert(tx, 'coat', coat);
		await insertCoatSteps(tx, { ...coat, id, version: 1 }, trade, await endOfSteps(tx, componentId));
		laid.push(...(await stepsNow()).filter((s) => s.coatId === id).map((s) => s.id));
	};
	let coated = false;
	for (const layer of layers) {
		if (isRecipeCoat(layer)) {
			await putOn(layer);
			coated = true;
			continue;
		}
		const same = there.find((s) => s.technique === layer.technique && !used.has(s));
		if (same) {
			used.add(same);
			if (coated && same.doneAt === null) laid.push(same.id);
			continue;
		}
		const amount = startOf(layer.technique, its.area, MASKED_EDGE, trade);
		laid.push(
			await insertStep(tx, {
				componentId,
				position: await endOfSteps(tx, componentId),
				name: layer.name,
				technique: layer.technique,
				phase: 'finish',
				amount,
				// Work over the whole of it is as large as its coats are.
				fromPieces: its.fromPieces && takesOf({ takes: null }, techniqueOf(trade, layer.technique)) !== null,
				guessed: true,
				guess: amount,
				perCopy: true
			})
		);
	}
	const rest = (await stepsNow()).filter((s) => !laid.includes(s.id));
	const rig = rest.findIndex((s) => s.phase === 'rig' || s.phase === 'fit');
	await renumber(tx, rest.map((s) => s.id).toSpliced(rig < 0 ? rest.length : rig, 0, ...laid));
}

/** A swatch as one of this costume: one that another made comes along with its photos. */
async function ownSwatch(tx: Executor, id: number, { costumeId }: Context): Promise<Swatch> {
	const swatch = await one<Swatch>(
		tx,
		`select id, costume_id, recipe, recipe_version, layers, surface, material_id, made_on, coats_to_cover, wet, dry, verdict, note, version
		from swatch where id = $1`,
		[id]
	);
	if (!swatch) throw new Absent('swatch');
	if (swatch.costumeId === costumeId) return swatch;
	const { id: _, version: __, ...row } = { ...swatch, costumeId: costumeId! };
	const copy = await insert(tx, 'swatch', row);
	const photos = await all<Record<string, unknown>>(
		tx,
		'select hash, mime, width, height, bytes, caption, taken_at from photo where swatch_id = $1 order by id',
		[id]
	);
	await insertAll(
		tx,
		'photo',
		photos.map((photo) => ({ ...photo, costumeId: costumeId!, swatchId: copy }))
	);
	return { ...row, id: copy, version: 1 };
}

const swatchShape = ({ trade, now }: Context) => ({
	recipe: f.keyOf(trade.recipe),
	surface: f.choiceOrNull(SURFACE_KEYS),
	materialId: f.idOrNull(),
	madeOn: f.date().refine((day) => day <= dayOf(now), 'That day is still to come.'),
	coatsToCover: f.orNull(f.whole(1, 20)),
	wet: f.orNull(typedColour),
	dry: f.orNull(typedColour),
	verdict: f.choice(VERDICTS),
	note: f.note()
});

async function loadSwatch(tx: Executor, id: number, { costumeId }: Context) {
	const row = await one<{ id: number; recipe: string }>(
		tx,
		'select id, recipe from swatch where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('swatch');
	return row;
}

export const recipeCommands = {
	/** Puts a recipe on components: its coats become steps with their waits. */
	putOnRecipe: command(
		({ trade }: Context) =>
			z.object({
				recipe: f.keyOf(trade.recipe),
				componentIds: f.ids().refine((ids) => ids.length > 0, 'Choose at least one.'),
				swatchId: f.idOrNull(),
				instead: f.ticked()
			}),
		async (tx, v, context) => {
			const { costumeId, trade, handbook } = context;
			const recipe = trade.recipe[v.recipe]!;
			const swatch = v.swatchId === null ? null : await ownSwatch(tx, v.swatchId, context);
			const layers = layersBy(recipe.layers, swatch, await loadMaterials(tx));
			const codes: string[] = [];
			for (const id of v.componentIds) {
				const before = await loadRecord(tx, costumeId);
				const component = before?.components.find((c) => c.id === id);
				if (!before || !component) throw new Absent('component');
				// Whatever its coats are taken off, how large it is stays known.
				if (v.instead) await takeOff(tx, component, before);
				const left = v.instead ? ((await loadRecord(tx, costumeId)) ?? before) : before;
				await layOn(tx, component, { ...left, coats: before.coats }, layers, context);
				await set(tx, 'component', id, {
					recipe: v.recipe,
					recipeVersion: versionOf(v.recipe, handbook),
					swatchId: swatch?.id ?? null
				});
				codes.push(component.code);
			}
			return { words: `Put “${recipe.name}” on ${namesWords(codes)}` };
		}
	),

	/** Keeps what is on a component, or is to go on it, as a recipe. */
	keepRecipe: command(
		() => z.object({ componentId: f.id(), name: f.name() }),
		async (tx, v, { costumeId, trade }) => {
			const record = await loadRecord(tx, costumeId);
			const component = record?.components.find((c) => c.id === v.componentId);
			if (!record || !component) throw new Absent('component');
			const layers = recipeLayersOf(component, record, await loadMaterials(tx));
			if (!layers.length) throw new Refused('There are no coats on it yet.', 'name');
			const key = keyFor(v.name, Object.keys(trade.recipe));
			const content = HANDBOOK_ROWS.recipe.parse({
				name: v.name,
				surface: component.surface,
				layers,
				note: '',
				source: `${component.code} ${component.name}`
			});
			const row = { tableName: 'recipe' as const, key, content };
			await keepRow(tx, row);
			const recipeVersion = versionOf(key, [row]);
			await set(tx, 'component', component.id, { recipe: key, recipeVersion, swatchId: null });
			return { words: `Kept “${v.name}”, as ${component.code} has it`, result: { key } };
		}
	),

	addSwatch: command(
		(context: Context) => z.object(swatchShape(context)),
		async (tx, v, { costumeId, trade, handbook }) => {
			const recipe = trade.recipe[v.recipe]!;
			const id = await insert(tx, 'swatch', {
				...v,
				costumeId,
				recipeVersion: versionOf(v.recipe, handbook),
				layers: recipe.layers
			});
			return { words: `Added a swatch of “${recipe.name}”`, result: { id } };
		}
	),

	editSwatch: command(
		(context: Context) => z.object({ id: f.id(), version: f.version(), ...swatchShape(context) }),
		async (tx, v, context) => {
			await loadSwatch(tx, v.id, context);
			const { id: _, version: __, recipe, ...its } = v;
			await update(tx, 'swatch', v, its);
			return { words: `Changed a swatch of “${context.trade.recipe[recipe]!.name}”` };
		}
	),

	removeSwatch: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const { recipe } = await loadSwatch(tx, id, context);
			await tx.query('delete from photo where swatch_id = $1', [id]);
			await tx.query('delete from swatch where id = $1', [id]);
			return { words: `Removed a swatch of “${context.trade.recipe[recipe]?.name ?? recipe}”` };
		}
	)
};
