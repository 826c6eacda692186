import { z } from 'zod';
import { coatProductOf } from '$core/trade/catalogue.ts';
import type { Coat } from '$core/facts/coat.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { renewCoatSteps } from './coatSteps.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { sameAmount } from './step.ts';

const shape = (context: Context) => ({
	coats: f.whole(1, 20),
	area: f.area(context.settings.lengthUnit),
	fromPieces: f.ticked(),
	guessed: f.ticked(),
	materialId: f.idOrNull(),
	recoatMinutes: f.durationOrNull(),
	handlingMinutes: f.durationOrNull()
});

async function loadCoat(tx: Executor, id: number, { costumeId }: Context): Promise<Coat & { code: string }> {
	const row = await one<Coat & { code: string }>(
		tx,
		`select k.id, k.component_id, k.position, k.product, k.coats, k.area_mm2 as area, k.from_pieces, k.guessed, k.guess, k.material_id,
			k.recoat_minutes, k.handling_minutes, k.version, c.code
		from coat k join component c on c.id = k.component_id where k.id = $1 and c.costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('coat');
	return row;
}

export const coatCommands = {
	addCoat: command(
		(context) =>
			z.object({ componentId: f.id(), product: f.keyOf(context.trade.coatProduct), ...shape(context) }),
		async (tx, v, context) => {
			const component = await one<{ code: string; next: number }>(
				tx,
				`select c.code, (select coalesce(max(position) + 1, 0) from coat k where k.component_id = c.id) as next
				from component c where c.id = $1 and c.costume_id = $2`,
				[v.componentId, context.costumeId]
			);
			if (!component) throw new Absent('component');
			const product = coatProductOf(context.trade, v.product);
			const id = await insert(tx, 'coat', {
				...v,
				position: component.next,
				recoatMinutes: v.recoatMinutes ?? product.recoatMinutes,
				handlingMinutes: v.handlingMinutes ?? product.handlingMinutes
			});
			await renewCoatSteps(tx, await loadCoat(tx, id, context), context.trade);
			return { words: `Added ${v.coats} × ${product.name} to ${component.code}`, result: { id } };
		}
	),

	editCoat: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...shape(context) }),
		async (tx, v, context) => {
			const old = await loadCoat(tx, v.id, context);
			const product = coatProductOf(context.trade, old.product);
			const done = await all(tx, 'select 1 from step where coat_id = $1 and done_at is not null', [v.id]);
			if (v.coats < done.length) throw new Refused(`${done.length} coats are already on.`, 'coats');
			const same = sameAmount(v.area, old.area);
			await update(tx, 'coat', v, {
				...v,
				area: same ? old.area : v.area,
				guessed: v.guessed && same,
				recoatMinutes: v.recoatMinutes ?? product.recoatMinutes,
				handlingMinutes: v.handlingMinutes ?? product.handlingMinutes
			});
			await renewCoatSteps(tx, await loadCoat(tx, v.id, context), context.trade);
			return { words: `Changed ${product.name} of ${old.code}` };
		}
	),

	removeCoat: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const old = await loadCoat(tx, id, context);
			// Coats already on stay in the log as plain steps; the rest goes with the entry.
			await tx.query('delete from step where coat_id = $1 and done_at is null', [id]);
			await tx.query('delete from coat where id = $1', [id]);
			return { words: `Removed ${coatProductOf(context.trade, old.product).name} from ${old.code}` };
		}
	)
};
