import pluralize from 'pluralize';
import { z } from 'zod';
import {
	FLEXES,
	KINDS,
	nextCode,
	SEEN_FROM,
	SIDES,
	SOURCES,
	SURFACE_KEYS,
	type Component,
	type RouteKey
} from '$core/facts/component.ts';
import { takesOf } from '$core/answers/followPieces.ts';
import { coatProductOf, techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
import { mergedByPhase } from '$core/facts/order.ts';
import type { Step } from '$core/facts/step.ts';
import { isRouteCoat } from '$core/trade/route.ts';
import { ZONES } from '$core/facts/zone.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { insertCoatSteps } from './coatSteps.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { endOfSteps, insertStep, renumber, sprayPlace } from './step.ts';

const shape = ({ settings }: Context) => ({
	code: f.text(20),
	name: f.name(),
	kind: f.choice(KINDS),
	form: f.text(),
	layer: f.whole(0, 20),
	zones: f.several(ZONES),
	side: f.choice(SIDES),
	count: f.whole(1, 1000),
	flex: f.choice(FLEXES),
	source: f.choice(SOURCES),
	surface: f.choiceOrNull(SURFACE_KEYS),
	seenFrom: f.choice(SEEN_FROM),
	lookNeed: f.whole(0, 5),
	thicknessMm: f.lengthOrNull(settings.lengthUnit, 0, 200),
	note: f.note()
});

type Shape = z.infer<z.ZodObject<ReturnType<typeof shape>>>;
export type ComponentInput = Shape & {
	route: RouteKey | null;
	/** Whose steps come after those of its route. */
	furtherRoutes?: readonly RouteKey[];
	parentId: number | null;
};

const siblings = (tx: Executor, costumeId: number) =>
	all<Pick<Component, 'id' | 'parentId' | 'position' | 'code'>>(
		tx,
		'select id, parent_id, position, code from component where costume_id = $1 order by position, id',
		[costumeId]
	);

async function uniqueCode(
	tx: Executor,
	costumeId: number,
	wanted: string,
	kind: Component['kind'],
	its = 0
): Promise<string> {
	const taken = (await siblings(tx, costumeId)).filter((c) => c.id !== its).map((c) => c.code);
	if (wanted === '') return nextCode(kind, taken);
	if (taken.includes(wanted))
		throw new Refused(`The code ${wanted} is already on another component.`, 'code');
	return wanted;
}

export async function insertComponent(
	tx: Executor,
	costumeId: number,
	v: ComponentInput,
	trade: Catalogue
): Promise<{ id: number; code: string }> {
	const known = await siblings(tx, costumeId);
	if (v.parentId !== null && !known.some((c) => c.id === v.parentId)) throw new Absent('component');
	const code = await uniqueCode(tx, costumeId, v.code, v.kind);
	const position = known.filter((c) => c.parentId === v.parentId).length;
	const id = await insert(tx, 'component', { furtherRoutes: [], ...v, costumeId, position, code });
	for (const route of [v.route, ...(v.furtherRoutes ?? [])])
		if (route) await insertRoute(tx, id, route, trade);
	return { id, code };
}

/** The usual steps of a route and the coats of its stack, in the route's order. */
export async function insertRoute(
	tx: Executor,
	componentId: number,
	key: RouteKey,
	trade: Catalogue
): Promise<void> {
	const route = trade.route[key];
	if (!route) throw new Absent('route');
	const place = await sprayPlace(tx);
	const stepsNow = () =>
		all<Pick<Step, 'id' | 'phase'>>(
			tx,
			'select id, phase from step where component_id = $1 order by position, id',
			[componentId]
		);
	const there = await stepsNow();
	let position = await endOfSteps(tx, componentId);
	let coats = (await one<{ next: number }>(
		tx,
		'select coalesce(max(position) + 1, 0) as next from coat where component_id = $1',
		[componentId]
	))!.next;
	for (const entry of route.steps) {
		if (!isRouteCoat(entry)) {
			const { needsSprayPlace, ...step } = entry;
			// The route's amounts are starting values: pieces tell better, and so does whoever looks at them.
			await insertStep(tx, {
				...step,
				fromPieces: takesOf({ takes: step.takes ?? null }, techniqueOf(trade, step.technique)) !== null,
				guessed: true,
				guess: step.amount,
				componentId,
				position: position++,
				placeId: needsSprayPlace ? place : null
			});
			continue;
		}
		const product = coatProductOf(trade, entry.product);
		const coat = {
			componentId,
			position: coats++,
			product: entry.product,
			coats: entry.coats,
			area: route.area,
			fromPieces: true,
			guessed: true,
			guess: route.area,
			materialId: null,
			recoatMinutes: product.recoatMinutes,
			handlingMinutes: product.handlingMinutes
		};
		const id = await insert(tx, 'coat', coat);
		position = await insertCoatSteps(tx, { ...coat, id, version: 1 }, trade, position);
	}
	const added = (await stepsNow()).filter((s) => !there.some((t) => t.id === s.id));
	if (there.length)
		await renumber(
			tx,
			mergedByPhase(there, added).map((s) => s.id)
		);
}

async function load(tx: Executor, id: number, { costumeId }: Context) {
	const row = await one<Pick<Component, 'id' | 'code' | 'name' | 'parentId' | 'route' | 'furtherRoutes'>>(
		tx,
		'select id, code, name, parent_id, route, further_routes from component where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('component');
	return row;
}

export const componentCommands = {
	addComponent: command(
		(context) =>
			z.object({
				...shape(context),
				route: f.keyOrNull(context.trade.route),
				furtherRoute: f.keyOrNull(context.trade.route).optional(),
				parentId: f.idOrNull()
			}),
		async (tx, { furtherRoute = null, ...v }, { costumeId, trade }) => {
			// Without a route before it, another one is the route.
			const routes = [...new Set([v.route, furtherRoute])].filter((r) => r !== null);
			const result = await insertComponent(
				tx,
				costumeId,
				{ ...v, route: routes[0] ?? null, furtherRoutes: routes.slice(1) },
				trade
			);
			const steps = await all(tx, 'select 1 from step where component_id = $1', [result.id]);
			const tail = steps.length ? ` with ${pluralize('step', steps.length, true)}` : '';
			return { words: `Added ${result.code} ${v.name}${tail}`, result };
		}
	),

	editComponent: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...shape(context) }),
		async (tx, v, context) => {
			const old = await load(tx, v.id, context);
			const code = await uniqueCode(tx, context.costumeId, v.code || old.code, v.kind, v.id);
			await update(tx, 'component', v, { ...v, code });
			return { words: `Changed ${code} ${v.name}` };
		}
	),

	/** Into another parent or place among its siblings: dragged, or by keyboard. */
	moveComponent: command(
		() => z.object({ id: f.id(), parentId: f.idOrNull(), index: f.whole(0, 10_000) }),
		async (tx, v, context) => {
			const me = await load(tx, v.id, context);
			const known = await siblings(tx, context.costumeId);
			for (let at = v.parentId; at !== null; at = known.find((c) => c.id === at)?.parentId ?? null)
				if (at === v.id) throw new Refused('A component cannot become a part of itself.');
			if (v.parentId !== null && !known.some((c) => c.id === v.parentId)) throw new Absent('component');
			const order = known.filter((c) => c.parentId === v.parentId && c.id !== v.id).map((c) => c.id);
			order.splice(v.index, 0, v.id);
			await tx.query(
				`update component c set parent_id = $2, position = o.position
				from unnest($1::integer[]) with ordinality as o (id, position)
				where c.id = o.id and (c.position <> o.position or c.parent_id is distinct from $2)`,
				[order, v.parentId]
			);
			const parent = v.parentId === null ? null : known.find((c) => c.id === v.parentId)!.code;
			const nested = parent !== null && me.parentId !== v.parentId;
			return {
				words: nested ? `Made ${me.code} ${me.name} a part of ${parent}` : `Moved ${me.code} ${me.name}`
			};
		}
	),

	removeComponent: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const me = await load(tx, id, context);
			const parts = await one<{ count: number }>(
				tx,
				`with recursive below as (
					select id from component where parent_id = $1
					union select c.id from component c join below b on c.parent_id = b.id
				) select count(*) as count from below`,
				[id]
			);
			await tx.query('delete from component where id = $1', [id]);
			const tail = parts!.count ? ` and ${pluralize('part', parts!.count, true)}` : '';
			return { words: `Removed ${me.code} ${me.name}${tail}` };
		}
	),

	/** The usual steps of a route, for a component that has none yet or needs another's as well. */
	addRoute: command(
		({ trade }) => z.object({ id: f.id(), route: f.keyOf(trade.route) }),
		async (tx, v, context) => {
			const me = await load(tx, v.id, context);
			await insertRoute(tx, v.id, v.route, context.trade);
			const { route, furtherRoutes } = me;
			await set(
				tx,
				'component',
				v.id,
				route === null || route === v.route
					? { route: v.route }
					: { furtherRoutes: [...new Set([...furtherRoutes, v.route])] }
			);
			return { words: `Added the steps of ${context.trade.route[v.route]!.name} to ${me.code} ${me.name}` };
		}
	)
};
