import { z } from 'zod';
import { routeFor, WAYS, type Way } from '$core/answers/makeOrBuy.ts';
import type { Component } from '$core/facts/component.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { command, type Context } from './command.ts';
import { insertRoute } from './component.ts';
import * as f from './fields.ts';
import { insertMaterial } from './material.ts';
import { endOfSteps, insertStep } from './step.ts';

const offer = ({ currency }: Context) => ({
	buyPriceMinor: f.money(currency),
	buyLeadDays: f.whole(0, 400),
	alterPriceMinor: f.money(currency),
	alterLeadDays: f.whole(0, 400)
});

/** The open steps go, with coats and needs that only they used; those of the chosen way come. */
async function layOutWay(
	tx: Executor,
	way: Way,
	component: Pick<Component, 'id' | 'name' | 'kind' | 'route'>,
	offer: { priceMinor: number; leadDays: number } | null,
	{ trade, currency }: Pick<Context, 'trade' | 'currency'>
): Promise<void> {
	const { id } = component;
	await tx.query(
		`delete from step s where s.component_id = $1 and s.done_at is null and s.fault_id is null
			and not exists (select 1 from work_log l where l.step_id = s.id)`,
		[id]
	);
	await tx.query(
		'delete from coat c where c.component_id = $1 and not exists (select 1 from step s where s.coat_id = c.id)',
		[id]
	);
	if (way !== 'make') await tx.query('delete from need where component_id = $1', [id]);
	const route = routeFor(way, component);
	if (route) await insertRoute(tx, id, route, trade);
	else {
		await insertStep(tx, {
			componentId: id,
			position: await endOfSteps(tx, id),
			name: 'try on and settle',
			technique: 'fit',
			phase: 'fit',
			amount: 1,
			perCopy: false,
			waitMinutes: 0,
			oneSitting: false,
			needsHelper: false,
			placeId: null
		});
	}
	if (!offer) return;
	const materialId = await insertMaterial(tx, {
		name: way === 'buy' ? `${component.name}, bought ready` : `${component.name}, to alter`,
		family: 'other',
		unit: 'piece',
		packSize: 1,
		// Nothing is what nobody has typed.
		packPriceMinor: offer.priceMinor || null,
		currency,
		supplier: '',
		leadDays: offer.leadDays,
		leadWorkingDays: false,
		stashNote: '',
		coatProduct: null,
		supply: null
	});
	await insert(tx, 'need', { componentId: id, materialId, quantity: 1 });
}

export const wayCommands = {
	/** Make, buy or alter, with the reason; on wish its steps and its purchase are put in place at once. */
	chooseWay: command(
		(context) =>
			z.object({
				id: f.id(),
				source: f.choice(WAYS),
				reason: f.text(1000),
				layOut: f.ticked(),
				...offer(context)
			}),
		async (tx, v, { costumeId, now, ...context }) => {
			const component = await one<Pick<Component, 'id' | 'code' | 'name' | 'kind' | 'route' | 'source'>>(
				tx,
				'select id, code, name, kind, route, source from component where id = $1 and costume_id = $2',
				[v.id, costumeId]
			);
			if (!component) throw new Absent('component');
			await insert(tx, 'decision', {
				componentId: v.id,
				source: v.source,
				reason: v.reason,
				decidedAt: now,
				buyPriceMinor: v.buyPriceMinor,
				buyLeadDays: v.buyLeadDays,
				alterPriceMinor: v.alterPriceMinor,
				alterLeadDays: v.alterLeadDays
			});
			if (v.layOut && v.source !== component.source)
				await layOutWay(
					tx,
					v.source,
					component,
					v.source === 'make'
						? null
						: v.source === 'buy'
							? { priceMinor: v.buyPriceMinor, leadDays: v.buyLeadDays }
							: { priceMinor: v.alterPriceMinor, leadDays: v.alterLeadDays },
					context
				);
			await set(tx, 'component', v.id, { source: v.source });
			return {
				words: `${component.code} ${component.name}: ${v.source}${v.reason ? `, because ${v.reason}` : ''}`
			};
		}
	)
};
