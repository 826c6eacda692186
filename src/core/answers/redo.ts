import type { CostumeRecord } from '../facts/costume.ts';
import type { Step } from '../facts/step.ts';
import { knownFaultOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import type { RedoKind } from '../trade/technique.ts';

/** How often work has to be done again before anything is known. Starting values, from memory. */
const BEFORE: Record<RedoKind, number> = { coat: 0.04, fit: 0.15, glue: 0.02 };
/** The starting value weighs as much as so many pieces of work. */
const WEIGHT = 20;

/** What such work can go wrong by: a coat as a coat, whatever it is put on with. */
const kindOf = (step: Step, trade: Catalogue): RedoKind | null =>
	step.coatId !== null ? 'coat' : techniqueOf(trade, step.technique).redo;

/**
 * How likely a step has to be done again: the starting value and the costume's own fault log together, as the mean
 * of a beta distribution (Gelman et al., Bayesian Data Analysis, 2.4).
 */
export function redoChance(step: Step, record: CostumeRecord, trade: Catalogue): number {
	const kind = kindOf(step, trade);
	if (!kind) return 0;
	const failed = record.faults.filter((f) => knownFaultOf(trade, f.known)?.blames === kind).length;
	// Fittings show what is wrong: one that led to changes has not failed, so that they tell nothing of the odds.
	const done =
		kind === 'fit' ? 0 : record.steps.filter((s) => s.doneAt !== null && kindOf(s, trade) === kind).length;
	return (BEFORE[kind] * WEIGHT + failed) / (WEIGHT + Math.max(done, failed));
}
