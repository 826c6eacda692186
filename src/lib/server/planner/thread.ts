/** The planning thread: holds the shop as it was last sent, and plans what has changed of it. */
import { parentPort } from 'node:worker_threads';
import { ShopPlan, type ToPlan } from '$core/answers/shopPlan.ts';
import { keepSame, type Workshop } from '$core/facts/workshop.ts';
import type { Ask, Told } from './round.ts';

const port = parentPort!;
const shopPlan = new ShopPlan();
const records = new Map<number, Omit<ToPlan, 'promised'>>();
let workshop: Workshop | null = null;

port.on('message', (ask: Ask) => {
	const tell = (told: Told) => port.postMessage(told);
	const { round } = ask;
	try {
		if (ask.workshop) workshop = keepSame(workshop, ask.workshop);
		const ids = new Set(ask.costumes.map((c) => c.id));
		for (const id of records.keys()) if (!ids.has(id)) records.delete(id);
		for (const c of ask.changed) records.set(c.record.costume.id, c);
		const costumes = ask.costumes.map(({ id, promised }) => ({ ...records.get(id)!, promised }));
		for (const { id, plan, anew } of shopPlan.plan(workshop!, costumes, ask.start))
			tell({ round, id, plan: anew ? plan : null });
		tell({ round, done: true });
	} catch (error) {
		tell({ round, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) });
	}
});
