import { coatName, coatSteps } from '$core/answers/coatStack.ts';
import type { Coat } from '$core/facts/coat.ts';
import type { Catalogue } from '$core/trade/catalogue.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { insertStep, sprayPlace } from './step.ts';

/** Inserts the coats of a stack entry as steps from `position` on; returns the next free position. */
export async function insertCoatSteps(
	tx: Executor,
	coat: Coat,
	trade: Catalogue,
	position: number,
	{ from = 0, name }: { from?: number; name?: string | undefined } = {}
): Promise<number> {
	const place = await sprayPlace(tx);
	for (const { needsSprayPlace, ...step } of coatSteps(coat, trade, name).slice(from))
		await insertStep(tx, {
			...step,
			componentId: coat.componentId,
			position: position++,
			phase: 'finish',
			perCopy: true,
			oneSitting: true,
			needsHelper: false,
			placeId: needsSprayPlace ? place : null,
			guessed: coat.guessed,
			coatId: coat.id
		});
	return position;
}

interface Row {
	id: number;
	coatId: number | null;
	phase: string;
	doneAt: number | null;
	name: string;
}

/**
 * Makes the undone coat steps anew after the stack entry changed. Coats already on stay as they were
 * logged; the new ones stand where the old ones stood, or before rigging.
 */
export async function renewCoatSteps(tx: Executor, coat: Coat, trade: Catalogue): Promise<void> {
	const steps = await all<Row>(
		tx,
		'select id, coat_id, phase, done_at, name from step where component_id = $1 order by position, id',
		[coat.componentId]
	);
	const done = steps.filter((s) => s.coatId === coat.id && s.doneAt !== null).length;
	const stale = steps.filter((s) => s.coatId === coat.id && s.doneAt === null);
	const rest = steps.filter((s) => !stale.includes(s));
	const at = placeFor(steps, rest, coat.id);
	await tx.query('delete from step where id = any($1)', [stale.map((s) => s.id)]);
	const wanted = Math.max(0, coat.coats - done);
	const order = rest.map((s, i) => ({ id: s.id, position: i < at ? i : i + wanted }));
	await tx.query(
		`update step s set position = o.position from unnest($1::integer[], $2::integer[]) as o (id, position)
		where s.id = o.id and s.position <> o.position`,
		[order.map((o) => o.id), order.map((o) => o.position)]
	);
	await insertCoatSteps(tx, coat, trade, at, { from: done, name: ownName(steps, coat, trade) });
}

/** What its steps are called, where that is not a product: it stays so. */
function ownName(steps: readonly Row[], coat: Coat, trade: Catalogue): string | undefined {
	const step = steps.find((s) => s.coatId === coat.id);
	const name = step && coatName(step.name);
	return Object.values(trade.coatProduct).some((p) => p.name === name) ? undefined : name;
}

function placeFor(steps: readonly Row[], rest: readonly Row[], coatId: number): number {
	const first = steps.findIndex((s) => s.coatId === coatId && s.doneAt === null);
	if (first >= 0) return steps.slice(0, first).filter((s) => rest.includes(s)).length;
	const its = rest.findLastIndex((s) => s.coatId === coatId);
	if (its >= 0) return its + 1;
	const rig = rest.findIndex((s) => s.phase === 'rig' || s.phase === 'fit');
	return rig >= 0 ? rig : rest.length;
}
