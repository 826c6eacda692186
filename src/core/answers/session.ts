import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { Step } from '../facts/step.ts';
import { catalogueOf, coatProductOf, techniqueOf } from '../trade/catalogue.ts';
import { coatOf } from './colour.ts';
import { DAY } from '../units/localTime.ts';
import type { ReadyStep } from './today.ts';

/** Work worth taking up, of a step that may be set aside again, minutes. Common practice. */
const LEAST_PART = 15;
/** A day until it must begin halves how urgent a minute of it is. */
const HALF_LIFE = DAY;
/** What dries or cures afterwards is worth starting early: the waiting then runs while other work is done. */
const WAITS = 1.5;

export interface SessionPart {
	ready: ReadyStep;
	/** Minutes of it in this session; fewer than it takes when it is only begun. */
	minutes: number;
	whole: boolean;
}

/** How much a minute of it is worth now. */
const urgency = ({ step, slackMinutes }: ReadyStep): number =>
	2 ** (-Math.max(0, slackMinutes ?? 30 * DAY) / HALF_LIFE) *
		(slackMinutes !== null && slackMinutes < 0 ? 2 : 1) *
		(step.waitMinutes > 0 ? WAITS : 1) +
	1e-3;

/**
 * What to do with so many minutes: the ready steps that fit together and are worth most (a knapsack, exact to
 * the minute), then the beginning of the most urgent one that may be set aside again. What waits afterwards comes
 * first, and what belongs together stays together.
 */
export function fillSession(ready: readonly ReadyStep[], minutes: number): SessionPart[] {
	const now = ready.filter((r) => r.opensAt === null && r.minutes > 0);
	const fitting = now.filter((r) => r.minutes <= minutes);
	// best[m]: most worth in m minutes; took[k][m]: whether step k is part of it.
	const best = new Float64Array(minutes + 1);
	const took = fitting.map((r) => {
		const worth = r.minutes * urgency(r);
		const mine = new Uint8Array(minutes + 1);
		for (let m = minutes; m >= r.minutes; m--)
			if (best[m - r.minutes]! + worth > best[m]! + 1e-9) {
				best[m] = best[m - r.minutes]! + worth;
				mine[m] = 1;
			}
		return mine;
	});
	let left = minutes;
	const chosen: SessionPart[] = [];
	for (let k = fitting.length - 1; k >= 0; k--)
		if (took[k]![left]) {
			chosen.push({ ready: fitting[k]!, minutes: fitting[k]!.minutes, whole: true });
			left -= fitting[k]!.minutes;
		}
	chosen
		.reverse()
		.sort(
			(a, b) =>
				Number(b.ready.step.waitMinutes > 0) - Number(a.ready.step.waitMinutes > 0) ||
				a.ready.step.technique.localeCompare(b.ready.step.technique) ||
				urgency(b.ready) - urgency(a.ready)
		);
	const begun = now
		.filter((r) => !r.step.oneSitting && r.minutes > left && !chosen.some((c) => c.ready === r))
		.sort((a, b) => urgency(b) - urgency(a))[0];
	return begun && left >= LEAST_PART ? [...chosen, { ready: begun, minutes: left, whole: false }] : chosen;
}

export interface Batch {
	/** `filler primer, grey`, `contact cement open`, `cut foam`. */
	words: string;
	steps: ReadyStep[];
	/** Set-up minutes that are spent once instead of each time. */
	savedMinutes: number;
}

/** Techniques in which the tool or the glue is set out once for several pieces. Common practice. */
const TOGETHER: Readonly<Record<string, string>> = {
	cement: 'contact cement open',
	caulk: 'caulk open',
	heatShape: 'heat gun hot',
	heatSeal: 'heat gun hot',
	cutFoam: 'fresh blade',
	bevel: 'fresh blade',
	sewMachine: 'machine threaded',
	press: 'iron hot',
	sand: 'dust mask on, sanding'
};

/** Ready steps that go together: the same colour, the same tool, the same glue. The largest group first. */
export function batchesOf(ready: readonly ReadyStep[], record: CostumeRecord, workshop: Workshop): Batch[] {
	const groups = new Map<string, { words: string; steps: ReadyStep[] }>();
	for (const r of ready) {
		const together = togetherWith(r.step, record, workshop);
		if (!together) continue;
		const group = groups.get(together.key) ?? { words: together.words, steps: [] };
		group.steps.push(r);
		groups.set(together.key, group);
	}
	return [...groups.values()]
		.filter(({ steps }) => steps.length > 1)
		.map(({ words, steps }) => {
			const setUps = steps.map((s) => s.step.setUpMinutes);
			return { words, steps, savedMinutes: setUps.reduce((sum, m) => sum + m, 0) - Math.max(...setUps) };
		})
		.sort((a, b) => b.savedMinutes - a.savedMinutes || b.steps.length - a.steps.length);
}

/** Which group a step belongs to, and what that is called. */
function togetherWith(
	step: Step,
	record: CostumeRecord,
	workshop: Workshop
): { key: string; words: string } | null {
	const found = coatOf(step, record, workshop.materials);
	if (!found) {
		const words = TOGETHER[step.technique];
		return words === undefined ? null : { key: step.technique, words };
	}
	const trade = catalogueOf(workshop.handbook);
	const { product } = found.coat;
	const colour = found.colours[0];
	return {
		key: `${step.technique} ${product} ${colour?.id ?? ''}`,
		words: colour?.name ?? `${techniqueOf(trade, step.technique).name}: ${coatProductOf(trade, product).name}`
	};
}
