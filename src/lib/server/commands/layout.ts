import { standsForSupply } from '$core/answers/workUse.ts';
import { costOfParts } from '$core/answers/lots.ts';
import { pricedIn } from '$core/answers/prices.ts';
import { shared } from '$core/units/money.ts';
import { ML_PER } from '$core/units/measure.ts';
import pluralize from 'pluralize';
import { z } from 'zod';
import type { Material } from '$core/facts/material.ts';
import { areaOfUnit } from '$core/facts/material.ts';
import { cutSteps } from '$core/answers/cutSteps.ts';
import { USUAL_WASTE } from '$core/trade/driver.ts';
import { laidParts, leftWithout, partsOf, quantityLaid } from '$core/answers/layPieces.ts';
import { clashesOf, leftoversOfPlan, useOfPlan } from '$core/engines/layout/cutSheets.ts';
import { layPlan } from '$core/facts/layout.ts';
import { formatNumber } from '$core/units/number.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { loadPieces, loadRecord } from '../read/costume.ts';
import { loadLayouts } from '../read/layout.ts';
import { loadExchange, loadMaterial, loadMaterials } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { setNeed } from './need.ts';
import { takeOut } from './lot.ts';
import { insertOffcut, nextOffcut } from './offcut.ts';
import { finish, insertStep, makeRoom } from './step.ts';

/** What components take of a material by a layout: their parts of the whole. */
const parts = z
	.array(
		z.strictObject({ componentId: z.number().int().positive(), quantity: z.number().positive().max(1e6) })
	)
	.min(1)
	.max(500);

async function ownComponents(tx: Executor, costumeId: number): Promise<Set<number>> {
	const rows = await all<{ id: number }>(tx, 'select id from component where costume_id = $1', [costumeId]);
	return new Set(rows.map((c) => c.id));
}
async function ownLayout(tx: Executor, id: number, costumeId: number) {
	const layout = (await loadLayouts(tx, costumeId)).find((l) => l.id === id);
	if (!layout) throw new Absent('layout');
	return layout;
}

/** Minutes that a stack stays under weight before it is cut into. Starting value, from memory: the tin says its own. */
const STACK_WAIT = 60;
/** As the table has it. */
const MOST_LAYERS = 6;

export const layoutCommands = {
	/** The needs of a material become what was laid out, instead of its area with something for waste. */
	takeLayout: command(
		() => z.object({ materialId: f.id(), parts: f.json(parts, 'Lay it out first.', 100_000) }),
		async (tx, v, { costumeId }) => {
			const material = await loadMaterial(tx, v.materialId);
			const its = await ownComponents(tx, costumeId);
			for (const part of v.parts) {
				if (!its.has(part.componentId)) throw new Absent('component');
				await setNeed(tx, part.componentId, v.materialId, part.quantity);
			}
			const total = v.parts.reduce((sum, p) => sum + p.quantity, 0);
			return { words: `Took ${formatNumber(total)} ${material.unit} of ${material.name} from its layout` };
		}
	),

	/** Kept as it is, so that it can be cut by, and compared with others. */
	keepLayout: command(
		() =>
			z.object({
				materialId: f.id(),
				name: f.text(80),
				plan: f.json(layPlan, 'The layout cannot be read.', 20_000_000)
			}),
		async (tx, v, { costumeId, now }) => {
			const material = await loadMaterial(tx, v.materialId);
			const its = await ownComponents(tx, costumeId);
			if (v.plan.stock.id !== String(material.id) || v.plan.pieces.some((p) => !its.has(p.componentId)))
				throw new Refused('The layout is of other pieces. Lay them out again.');
			const [clash] = clashesOf(v.plan);
			if (clash !== undefined)
				throw new Refused(`${clash} lies too near to another piece or to the border. Move it first.`);
			const count = await one<{ n: number }>(
				tx,
				'select count(*)::integer as n from layout where costume_id = $1 and material_id = $2',
				[costumeId, v.materialId]
			);
			const name = v.name || `${material.name}, layout ${count!.n + 1}`;
			const id = await insert(tx, 'layout', {
				costumeId,
				materialId: v.materialId,
				name,
				plan: v.plan,
				parts: laidParts(material, v.plan),
				keptAt: now
			});
			const without = leftWithout(v.plan);
			const tail = without ? `, without ${pluralize('piece', without, true)}` : '';
			return { words: `Kept ${name}${tail}`, result: { id } };
		}
	),

	renameLayout: command(
		() => z.object({ id: f.id(), version: f.version(), name: f.name(80) }),
		async (tx, v, { costumeId }) => {
			const { name } = await ownLayout(tx, v.id, costumeId);
			await update(tx, 'layout', v, { name: v.name });
			return { words: `Called ${name} ${v.name}` };
		}
	),

	removeLayout: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const { name } = await ownLayout(tx, id, costumeId);
			await tx.query('delete from layout where id = $1', [id]);
			return { words: `Removed ${name}` };
		}
	),

	/**
	 * It is cut: offcuts that were used are gone, sheets and lengths come out of what was bought for the costume and then out of the
	 * stash, the needs become what was laid out, and what is left of use goes to the stash.
	 */
	cutLayout: command(
		({ settings }) =>
			z.object({ id: f.id(), version: f.version(), least: f.lengthBetween(settings.lengthUnit, 20, 2000) }),
		async (tx, v, context) => {
			const { costumeId, now } = context;
			const layout = await ownLayout(tx, v.id, costumeId);
			if (layout.cutAt !== null) throw new Refused('It is cut already.');
			const { plan, materialId } = layout;
			const material = await loadMaterial(tx, materialId);
			const used = plan.stock.sheets.flatMap((s, i) =>
				s.offcut !== undefined && plan.placements.some((p) => p.sheet === i + 1) ? [s.offcut] : []
			);
			const gone = await all<{ id: number }>(tx, 'delete from offcut where id = any($1) returning id', [
				used
			]);
			if (gone.length < used.length)
				throw new Refused('An offcut of this layout is no longer in the stash. Lay the pieces out again.');
			const quantity = quantityLaid(material, plan.stock, useOfPlan(plan), plan.settings);
			const before = await cutBefore(tx, costumeId, material);
			const fromStash = Math.max(0, quantity - before.boughtLeft);
			await update(tx, 'layout', v, { cutAt: now, fromStash });
			const takenMinor = await takenOut(tx, material, fromStash, context);
			const its = await ownComponents(tx, costumeId);
			const taking = plan.pieces.filter((p) => its.has(p.componentId));
			if (quantity > 0) {
				const shares = partsOf(taking, quantity);
				const costs =
					takenMinor === null
						? null
						: shared(
								takenMinor,
								shares.map((s) => s.quantity)
							);
				for (const [k, part] of shares.entries()) {
					const all = part.quantity + (before.byComponent.get(part.componentId) ?? 0);
					await setNeed(tx, part.componentId, materialId, all);
					// Of what was cut before and nobody knows the price of, all goes by what such a thing costs.
					await tx.query(
						`update need set taken = taken + $3,
							taken_minor = case when taken > 0 and taken_minor is null then null else coalesce(taken_minor, 0) + $4::bigint end
						where component_id = $1 and material_id = $2`,
						[part.componentId, materialId, (fromStash * part.quantity) / quantity, costs?.[k] ?? null]
					);
				}
			}
			// All out of offcuts: nothing of it has to be bought.
			else
				await tx.query(
					'update need set taken = quantity, waste = null where material_id = $1 and component_id = any($2)',
					[materialId, taking.map((p) => p.componentId)]
				);
			let number = await nextOffcut(tx);
			const left = leftoversOfPlan(plan, v.least).flatMap((s) => s.leftovers);
			for (const { outline, holes } of left)
				await insertOffcut(tx, {
					materialId,
					name: `Offcut ${number++}`,
					outline,
					flaws: holes,
					note: `of ${layout.name}`
				});
			const done = await finishCut(tx, context);
			const kept = left.length === 1 ? 'one offcut' : `${left.length} offcuts`;
			return {
				words: `Cut ${layout.name}: ${formatNumber(quantity)} ${material.unit}, ${kept} to the stash${done ? `, ${pluralize('step', done, true)} done` : ''}`
			};
		}
	),

	/** What is cut from one material is cut from another, or from several layers of a thinner one. */
	cutFrom: command(
		() =>
			z.object({
				materialId: f.id(),
				otherId: f.id(),
				layers: f.whole(1, 6),
				/** What layers are joined with; nothing when it is not counted. */
				glueId: f.idOrNull(),
				/** By component, ml of it. */
				glue: f.json(parts.or(z.tuple([])), 'Say how much glue.', 100_000)
			}),
		async (tx, v, { costumeId, trade }) => {
			const [material, other] = [await loadMaterial(tx, v.materialId), await loadMaterial(tx, v.otherId)];
			if (areaOfUnit(other) === null) throw new Refused(`Say first how large ${other.name} comes.`);
			const most = await one<{ layers: number | null; byRole: boolean }>(
				tx,
				`select max(case when s.material_id = $2 then s.layers else 1 end) as layers,
					coalesce(bool_or(s.material_id is distinct from $2), false) as by_role
				from shape s join component c on c.id = s.component_id
				where c.costume_id = $1
					and (s.material_id = $2 or exists (select 1 from jsonb_each_text(s.roles) r where r.value::integer = $2))`,
				[costumeId, v.materialId]
			);
			if (most!.layers === null) throw new Refused(`Nothing is cut from ${material.name}.`);
			if (most!.byRole && v.layers > 1)
				throw new Refused('What has a material of its own within a shape is cut in one layer.');
			if (most!.layers * v.layers > MOST_LAYERS)
				throw new Refused(`That makes ${most!.layers * v.layers} layers: at most ${MOST_LAYERS}.`);
			// What is stacked already stays so: each of its layers is made of so many.
			const moved = await all<{ componentId: number; layers: number }>(
				tx,
				`update shape s set
					material_id = case when s.material_id = $2 then $3 else s.material_id end,
					layers = case when s.material_id = $2 then layers * $4 else layers end,
					roles = (
						select coalesce(jsonb_object_agg(r.key, case when r.value::integer = $2 then $3 else r.value::integer end), '{}')
						from jsonb_each_text(s.roles) r
					)
				from component c
				where c.id = s.component_id and c.costume_id = $1
					and (s.material_id = $2 or exists (select 1 from jsonb_each_text(s.roles) r where r.value::integer = $2))
				returning s.component_id, s.layers`,
				[costumeId, v.materialId, v.otherId, v.layers]
			);
			const components = [...new Set(moved.map((m) => m.componentId))];
			const glue = v.glueId === null ? null : await loadMaterial(tx, v.glueId);
			const ml = glue && (ML_PER as Record<string, number>)[glue.unit];
			if (glue && !ml) throw new Refused('Choose a glue that is counted in ml or l.', 'glueId');
			await tx.query('delete from need where material_id = $1 and component_id = any($2) and taken = 0', [
				v.materialId,
				components
			]);
			await tx.query(
				`delete from step where technique = 'stack' and done_at is null and component_id = any($1)`,
				[components]
			);
			for (const componentId of components) {
				await setNeed(tx, componentId, v.otherId, 1);
				await tx.query('update need set waste = $3 where component_id = $1 and material_id = $2', [
					componentId,
					v.otherId,
					USUAL_WASTE
				]);
				const layers = Math.max(...moved.filter((m) => m.componentId === componentId).map((m) => m.layers));
				if (layers > 1) await insertStack(tx, componentId, layers);
				const its = v.glue.find((g) => g.componentId === componentId);
				// A glue that the work asks for is that of its seams too: this component goes by it.
				const byWork = glue && standsForSupply(glue, trade) ? true : null;
				if (glue && its) await setNeed(tx, componentId, glue.id, its.quantity / ml!, byWork);
			}
			const of = v.layers > 1 ? `${v.layers} layers of ${other.name}` : other.name;
			return { words: `${of} instead of ${material.name}` };
		}
	)
};

/** Takes so much out of the lots of a material. Returns what it cost, in the costume's currency; null where nobody knows it. */
async function takenOut(
	tx: Executor,
	material: Material,
	units: number,
	{ currency, settings }: Context
): Promise<number | null> {
	const priced = pricedIn(material, currency, { settings, exchange: await loadExchange(tx) });
	const parts = await takeOut(tx, priced, units);
	// What was cut and nobody had counted cost what it costs today.
	const uncounted = units - parts.reduce((sum, p) => sum + p.units, 0);
	const rest = { lot: { packSize: null, packPriceMinor: null }, units: uncounted };
	return costOfParts([...parts, rest], priced);
}

/** Does the tracing and cutting that layouts which are cut have done. Returns how many steps that is. */
async function finishCut(tx: Executor, context: Context): Promise<number> {
	const { costumeId, trade, now } = context;
	const [record, layouts, materials, pieces] = await Promise.all([
		loadRecord(tx, costumeId),
		loadLayouts(tx, costumeId),
		loadMaterials(tx),
		loadPieces(tx, [costumeId])
	]);
	const done = cutSteps(record!, layouts, { ...pieces.get(costumeId)!, materials, trade });
	const ids = done.map((s) => s.id);
	await finish(tx, ids, now, context);
	return ids.length;
}

/** What earlier layouts of a material took for each component, and what of that bought for the costume they left. */
export async function cutBefore(tx: Executor, costumeId: number, material: Material) {
	const row = await one<{ bought: number }>(
		tx,
		`select coalesce(sum(packs * coalesce(pack_size, $3::double precision) - stashed), 0) as bought from purchase
		where costume_id = $1 and material_id = $2 and state in ('arrived', 'used')`,
		[costumeId, material.id, material.packSize]
	);
	let boughtLeft = row!.bought;
	const byComponent = new Map<number, number>();
	for (const { materialId, cutAt, plan, fromStash } of await loadLayouts(tx, costumeId)) {
		if (materialId !== material.id || cutAt === null) continue;
		const quantity = quantityLaid(material, plan.stock, useOfPlan(plan), plan.settings);
		boughtLeft -= quantity - (fromStash ?? 0);
		if (quantity > 0)
			for (const part of partsOf(plan.pieces, quantity))
				byComponent.set(part.componentId, (byComponent.get(part.componentId) ?? 0) + part.quantity);
	}
	return { boughtLeft: Math.max(0, boughtLeft), byComponent };
}

/** Layers are glued on each other once they are cut, before anything is done to their edges. */
/** @param area mm² of a copy, of all joints between layers; null follows the pieces */
export async function insertStack(
	tx: Executor,
	componentId: number,
	layers: number,
	area: number | null = null
): Promise<void> {
	const row = await one<{ after: number | null }>(
		tx,
		`select coalesce(max(position) filter (where technique in ('trace', 'cutFoam')),
			max(position) filter (where phase = 'pattern')) as after from step where component_id = $1`,
		[componentId]
	);
	const position = (row!.after ?? -1) + 1;
	await makeRoom(tx, componentId, position);
	await insertStep(tx, {
		componentId,
		position,
		name: `stack ${layers} layers`,
		technique: 'stack',
		phase: 'make',
		amount: area ?? 0,
		perCopy: true,
		fromPieces: area === null,
		waitMinutes: STACK_WAIT,
		oneSitting: false,
		needsHelper: false,
		placeId: null
	});
}
