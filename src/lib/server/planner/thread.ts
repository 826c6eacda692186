/**
 * The planning thread: holds the shop as it was last sent, and plans what has changed of it. In between it simulates builds of what
 * somebody looks at: the odds are worked out once a plan, whoever looks.
 */
import { parentPort } from 'node:worker_threads';
import { ShopPlan, type ToPlan } from '$core/answers/shopPlan.ts';
import type { MadePlan } from '$core/answers/plan.ts';
import { workshopFor } from '$core/answers/stash.ts';
import { keepSame, type Workshop } from '$core/facts/workshop.ts';
import { Forecasts } from './forecasts.ts';
import type { Ask, AskForecast, Told } from './round.ts';

const port = parentPort!;
const shopPlan = new ShopPlan();
const records = new Map<number, Omit<ToPlan, 'promised'>>();
const versions = new WeakMap<MadePlan, number>();
let newest = 0;
let workshop: Workshop | null = null;
const tell = (told: Told) => port.postMessage(told);
const forecasts = new Forecasts((id, plan, forecast) =>
	tell({ id, version: plan ? versions.get(plan)! : null, forecast })
);

port.on('message', (ask: Ask | AskForecast) => {
	if ('look' in ask) return forecasts.ask(ask.look);
	const { round } = ask;
	try {
		if (ask.workshop) workshop = keepSame(workshop, ask.workshop);
		const ids = new Set(ask.costumes.map((c) => c.id));
		for (const id of [...records.keys()].filter((id) => !ids.has(id))) {
			records.delete(id);
			forecasts.hold(id, null);
		}
		for (const c of ask.changed) records.set(c.record.costume.id, c);
		const costumes = ask.costumes.map(({ id, promised }) => ({ ...records.get(id)!, promised }));
		const promisedTo = new Map(ask.costumes.map((c) => [c.id, c.promised]));
		for (const { id, plan, anew } of shopPlan.plan(workshop!, costumes, ask.start)) {
			if (anew) {
				versions.set(plan, ++newest);
				const { record } = records.get(id)!;
				const its = workshopFor(workshop!, record.costume, promisedTo.get(id)!);
				forecasts.hold(id, { record, workshop: its, plan });
			}
			tell({ round, id, plan: anew ? plan : null, version: versions.get(plan)! });
		}
		tell({ round, done: true });
	} catch (error) {
		tell({ round, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) });
	}
});
