import pluralize from 'pluralize';
import { z } from 'zod';
import { MEASURE_KEYS } from '$core/facts/bodyMeasure.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { printPercent } from '$core/engines/body/resize.ts';
import { say } from '$core/units/problem.ts';
import { areaOfUnit } from '$core/facts/material.ts';
import { USUAL_WASTE } from '$core/trade/driver.ts';
import { mayFollowPieces, takesOf } from '$core/answers/followPieces.ts';
import { techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
import { keptForm } from '$core/facts/placement.ts';
import { storedPieces } from '$core/facts/storedPiece.ts';
import { readShapeValue, shapeFor, type ShapeSource } from '$core/answers/shapePieces.ts';
import type { ShapeKey, ShapeValue, StoredShape } from '$core/facts/shape.ts';
import { ORIGIN_KEYS, SHAPE_KEYS, shaperOf } from '$core/engines/shapers/shapers.ts';
import type { Shaped, Shaper } from '$core/engines/pattern/shaper.ts';
import { MOST_OPERATIONS, pieceOperation, type PieceOperation } from '$core/facts/pieceOperation.ts';
import { operationWords } from '$core/engines/pattern/operations.ts';
import { formatLength } from '$core/units/measure.ts';
import type { Component } from '$core/facts/component.ts';
import type { Piece } from '$core/facts/piece.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMeasure, loadShapes } from '../read/measure.ts';
import { loadMaterials } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

/**
 * `value.girth` holds what was typed, `follow.girth` the measure that it follows; the shaper says which there are. `role.lining` is what
 * pieces of that role are cut from.
 */
const shapeForm = ({ settings }: Context) =>
	z
		.looseObject({
			shaper: f.choice(SHAPE_KEYS),
			name: f.text(120),
			note: f.note(),
			materialId: f.idOrNull(),
			follow: f.ticked()
		})
		.transform((form, ctx) => {
			const shaper: Shaper = shaperOf(form.shaper);
			const values: Record<string, ShapeValue> = {};
			for (const [key, param] of Object.entries(shaper.params)) {
				const follows = MEASURE_KEYS.find((m) => m === form[`follow.${key}`]) ?? null;
				const typed = form[`value.${key}`];
				const read = readShapeValue(
					param,
					typeof typed === 'string' ? typed : '',
					follows,
					settings.lengthUnit
				);
				if (read.ok) values[key] = read.value;
				else ctx.addIssue({ code: 'custom', path: [`value.${key}`], message: say(read.problem) });
			}
			const { name, note, materialId, follow } = form;
			const roles: Record<string, number> = {};
			for (const [key, typed] of Object.entries(form)) {
				const role = key.startsWith('role.') ? key.slice(5) : '';
				if (!role || role.length > 40 || typed === '') continue;
				const id = f.id().safeParse(typed);
				if (id.success) roles[role] = id.data;
				else ctx.addIssue({ code: 'custom', path: [key], message: 'Choose one of the materials.' });
			}
			return { shaper: form.shaper, name, note, values, materialId, roles, follow };
		});

interface At {
	record: CostumeRecord;
	component: Component;
	shaped: Shaped;
	/** `A-04 Breastplate`. */
	name: string;
}

/** Nothing is stored that gives no pieces: the reason stands at its value. */
export async function checked(
	tx: Executor,
	componentId: number,
	shape: ShapeSource,
	{ costumeId }: Context
): Promise<At> {
	const record = await loadRecord(tx, costumeId);
	const component = record?.components.find((c) => c.id === componentId);
	if (!record || !component) throw new Absent('component');
	const wearers = fittedOf(await loadMeasure(tx, costumeId));
	const materials = await loadMaterials(tx);
	const done = shapeFor(shape, { component, components: record.components, wearers, materials });
	if (!done.ok) {
		const [key] = done.problem.path;
		const ofValue = typeof key === 'string' && key in shaperOf(shape.shaper).params;
		throw new Refused(say(done.problem), ofValue ? `value.${key}` : key === 'works' ? 'work' : null);
	}
	return { record, component, shaped: done.value, name: `${component.code} ${component.name}` };
}

const plainName = (name: string, shaper: ShapeKey) => name || shaperOf(shaper).name;

/** Steps, coats and materials of a component take their amounts from its pieces, or keep what they have now. */
export async function setFollowing(
	tx: Executor,
	record: CostumeRecord,
	component: Component,
	on: boolean,
	trade: Catalogue
): Promise<void> {
	const steps = record.steps.filter(
		(s) =>
			s.componentId === component.id &&
			s.coatId === null &&
			takesOf(s, techniqueOf(trade, s.technique)) !== null
	);
	for (const s of steps)
		if (s.fromPieces !== on)
			await set(tx, 'step', s.id, { fromPieces: on, amount: s.amount, guessed: s.guessed });
	for (const c of record.coats.filter((c) => c.componentId === component.id && c.fromPieces !== on))
		await set(tx, 'coat', c.id, { fromPieces: on, area: c.area, guessed: c.guessed });
	const needs = record.needs.filter((n) => n.componentId === component.id);
	if (!on) {
		for (const n of needs.filter((n) => n.waste !== null))
			await set(tx, 'need', n.id, { waste: null, quantity: n.quantity });
		return;
	}
	const cutFrom = await all<{ materialId: number }>(
		tx,
		`select distinct material_id from (
			select material_id from shape where component_id = $1 and material_id is not null
			union select r.value::integer from shape, jsonb_each_text(roles) r where component_id = $1
		) its order by 1`,
		[component.id]
	);
	const materials = await loadMaterials(tx);
	for (const { materialId } of cutFrom) {
		const material = materials.find((m) => m.id === materialId);
		if (!material || areaOfUnit(material) === null) continue;
		const need = needs.find((n) => n.materialId === materialId);
		if (!need)
			await insert(tx, 'need', { componentId: component.id, materialId, quantity: 1, waste: USUAL_WASTE });
		else if (need.waste === null) await set(tx, 'need', need.id, { waste: USUAL_WASTE });
	}
}

/** Materials that are there. */
async function knownRoles(tx: Executor, roles: Record<string, number>): Promise<Record<string, number>> {
	const known = new Set((await loadMaterials(tx)).map((m) => m.id));
	if (Object.values(roles).some((id) => !known.has(id))) throw new Absent('material');
	return roles;
}

async function ownShape(tx: Executor, id: number, { costumeId }: Context): Promise<StoredShape> {
	const shape = (await loadShapes(tx, [costumeId])).find((s) => s.id === id);
	if (!shape) throw new Absent('shape');
	return shape;
}

/** Works kept for a shape, once all of them can be done. */
export async function keepWorks(
	tx: Executor,
	v: { id: number; version: number; note?: string },
	works: PieceOperation[],
	context: Context,
	words: (at: At) => string
) {
	const shape = await ownShape(tx, v.id, context);
	if (works.length > MOST_OPERATIONS)
		throw new Refused(`At most ${MOST_OPERATIONS} changes to one shape.`, 'work');
	const at = await checked(tx, shape.componentId, { ...shape, works }, context);
	await update(tx, 'shape', v, { works });
	return { words: words(at) };
}

/**
 * A new shape, last of its component. With its first shape it is said whether the amounts of a component follow its pieces; with a
 * later one only that they do.
 */
export async function keepShape(
	tx: Executor,
	v: Pick<StoredShape, 'componentId' | 'shaper' | 'name' | 'materialId' | 'note'> &
		Partial<Pick<StoredShape, 'values' | 'drawn' | 'panels' | 'kept' | 'roles'>> & { follow: boolean },
	{ record, component }: At,
	{ trade }: Context
): Promise<{ id: number }> {
	const found = await one<{ last: number }>(
		tx,
		'select coalesce(max(position), 0)::integer as last from shape where component_id = $1',
		[v.componentId]
	);
	const last = found?.last ?? 0;
	const { follow, values = {}, drawn = null, panels = null, kept = null, roles = {}, ...its } = v;
	const id = await insert(tx, 'shape', {
		...its,
		values,
		drawn,
		panels,
		kept,
		roles: await knownRoles(tx, roles),
		position: last + 1
	});
	if (follow || last === 0) await setFollowing(tx, record, component, follow, trade);
	return { id };
}

export const shapeCommands = {
	addShape: command(
		(context) => f.both(z.object({ componentId: f.id() }), shapeForm(context)),
		async (tx, v, context) => {
			const at = await checked(tx, v.componentId, v, context);
			const result = await keepShape(tx, v, at, context);
			return { words: `Shaped ${plainName(v.name, v.shaper)} of ${at.name}`, result };
		}
	),

	editShape: command(
		(context) => f.both(z.object({ id: f.id(), version: f.version() }), shapeForm(context)),
		async (tx, v, context) => {
			const shape = await ownShape(tx, v.id, context);
			if (shape.panels && v.shaper !== shape.shaper) throw new Refused('Panels stay panels.');
			// Another material begins with one layer of it.
			const cutFrom = {
				materialId: v.materialId,
				roles: await knownRoles(tx, v.roles),
				layers: v.materialId === shape.materialId ? shape.layers : 1
			};
			const source = shape.drawn ? shape : { ...shape, ...cutFrom, shaper: v.shaper, values: v.values };
			const { record, component, name } = await checked(tx, shape.componentId, source, context);
			await update(tx, 'shape', v, {
				...cutFrom,
				shaper: source.shaper,
				name: v.name,
				values: shape.drawn ? shape.values : v.values,
				note: v.note
			});
			await setFollowing(tx, record, component, v.follow, context.trade);
			return { words: `Reshaped ${plainName(v.name, v.shaper)} of ${name}` };
		}
	),

	/** What shapes are cut from, many at once: `material.7` of the shape 7, and `role.7.lining` of its lining. What is not told stays. */
	cutShapes: command(
		() => z.looseObject({}),
		async (tx, fields, context) => {
			const shapes = await loadShapes(tx, [context.costumeId]);
			const known = new Set((await loadMaterials(tx)).map((m) => m.id));
			const told = (name: string): number | null | undefined => {
				if (!(name in fields)) return undefined;
				const read = f.idOrNull().safeParse(fields[name]);
				if (!read.success || (read.data !== null && !known.has(read.data)))
					throw new Refused('Choose one of the materials.', name);
				return read.data;
			};
			const changed: StoredShape[] = [];
			for (const shape of shapes) {
				const chosen = told(`material.${shape.id}`);
				const materialId = chosen === undefined ? shape.materialId : chosen;
				const roles = { ...shape.roles };
				for (const name of Object.keys(fields).filter((n) => n.startsWith(`role.${shape.id}.`))) {
					const role = name.slice(`role.${shape.id}.`.length);
					const id = told(name) ?? null;
					if (id === null) delete roles[role];
					else if (role.length <= 40) roles[role] = id;
				}
				if (materialId === shape.materialId && JSON.stringify(roles) === JSON.stringify(shape.roles))
					continue;
				// Another material begins with one layer of it.
				const layers = materialId === shape.materialId ? shape.layers : 1;
				await checked(tx, shape.componentId, { ...shape, materialId, roles, layers }, context);
				await set(tx, 'shape', shape.id, { materialId, roles, layers });
				changed.push(shape);
			}
			if (!changed.length) throw new Refused('Nothing is cut from something else than before.');
			const record = await loadRecord(tx, context.costumeId);
			for (const component of record?.components ?? [])
				if (changed.some((s) => s.componentId === component.id) && mayFollowPieces(record!, component.id))
					await setFollowing(tx, record!, component, true, context.trade);
			return {
				words: `Chose what ${pluralize('shape', changed.length, true)} ${changed.length === 1 ? 'is' : 'are'} cut from`
			};
		}
	),

	/** Pieces that no shaper made: unfolded, traced, read from a file. */
	bringShape: command(
		() =>
			z.object({
				componentId: f.id(),
				origin: f.choice(ORIGIN_KEYS),
				name: f.text(120),
				note: f.note(),
				materialId: f.idOrNull(),
				follow: f.ticked(),
				pieces: f.json(storedPieces, 'The pieces cannot be read.', 8_000_000),
				/** The surface that they were unfolded from. */
				kept: f.json(keptForm.nullable(), 'The form cannot be read.', 1_000_000).default(null)
			}),
		async (tx, v, context) => {
			const { origin, pieces, ...its } = v;
			const shape = { ...its, shaper: origin, values: {}, drawn: pieces as Piece[] };
			const at = await checked(tx, v.componentId, shape, context);
			const result = await keepShape(tx, shape, at, context);
			return { words: `Brought ${plainName(v.name, origin)} to ${at.name}`, result };
		}
	),

	/** One more thing done to the pieces of a shape. */
	workShape: command(
		() =>
			z.object({ id: f.id(), version: f.version(), work: f.json(pieceOperation, 'Say what is to be done.') }),
		async (tx, v, context) => {
			const { works } = await ownShape(tx, v.id, context);
			const length = (mm: number) => formatLength(mm, context.settings.lengthUnit);
			return keepWorks(
				tx,
				v,
				[...works, v.work],
				context,
				({ name }) => `${name}, piece ${operationWords(v.work, String(v.work.piece + 1), length)}`
			);
		}
	),

	/**
	 * All pieces of a shape printed larger or smaller. It takes the place of an earlier resizing, and comes before
	 * whatever else is done to them.
	 */
	resizeShape: command(
		() => z.object({ id: f.id(), version: f.version(), width: f.decimal(0.2, 5), height: f.decimal(0.2, 5) }),
		async (tx, v, context) => {
			const shape = await ownShape(tx, v.id, context);
			const { shaped } = await checked(tx, shape.componentId, { ...shape, works: [] }, context);
			const works = [
				...shaped.pieces.map((_, piece): PieceOperation => ({
					kind: 'resize',
					piece,
					width: v.width,
					height: v.height
				})),
				...shape.works.filter((w) => w.kind !== 'resize')
			];
			const percent = (factor: number) => `${printPercent(factor)} %`;
			return keepWorks(
				tx,
				v,
				works,
				context,
				({ name }) => `${name} at ${percent(v.width)} of its width, ${percent(v.height)} of its height`
			);
		}
	),

	/** One of the things done is taken out; those after it are done to what there is then. */
	unworkShape: command(
		() => z.object({ id: f.id(), version: f.version(), index: f.whole(0, MOST_OPERATIONS) }),
		async (tx, v, context) => {
			const { works } = await ownShape(tx, v.id, context);
			return keepWorks(
				tx,
				v,
				works.filter((_, i) => i !== v.index),
				context,
				({ name }) => `Took a change out of the pieces of ${name}`
			);
		}
	),

	/** The pieces as they were drawn by hand: from then on they follow no measure. */
	drawShape: command(
		() =>
			z.object({
				id: f.id(),
				version: f.version(),
				pieces: f.json(storedPieces, 'The pieces cannot be read.', 4_000_000)
			}),
		async (tx, v, context) => {
			const shape = await ownShape(tx, v.id, context);
			const drawn = { ...shape, drawn: v.pieces, works: [] };
			const { name } = await checked(tx, shape.componentId, drawn, context);
			await update(tx, 'shape', v, { drawn: v.pieces, works: [] });
			return { words: `Drew on ${plainName(shape.name, shape.shaper)} of ${name}` };
		}
	),

	removeShape: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ name: string; shaper: ShapeKey; code: string }>(
				tx,
				`delete from shape s using component c where s.id = $1 and c.id = s.component_id and c.costume_id = $2
				returning s.name, s.shaper, c.code`,
				[id, costumeId]
			);
			if (!row) throw new Absent('shape');
			return { words: `Removed ${plainName(row.name, row.shaper)} of ${row.code}` };
		}
	)
};
