import type { CostumeRecord } from '../facts/costume.ts';
import type { HoldKind } from '../facts/fault.ts';
import type { Step } from '../facts/step.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, knownFaultOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import type { RedoKind } from '../trade/technique.ts';
import { learnHolds } from './holdRates.ts';
import { coatKind } from './holds.ts';

/** How often work has to be done again before anything is known. Starting values, from memory. */
const BEFORE: Record<RedoKind, number> = { coat: 0.04, fit: 0.15, glue: 0.02 };
/** The starting value weighs as much as so many pieces of work. */
export const KNOWN_PIECES = 20;

/** How likely work of a kind has to be done again, and what that is made of. */
export interface Redo {
	kind: RedoKind;
	/** 0 to 1, before anything is known. */
	before: number;
	/** What lets go of such work, where wears tell of it, and how many times oftener than was known before. */
	hold: HoldKind | null;
	oftener: number;
	/** Of this costume: how often it failed, in how many pieces of work. */
	failed: number;
	done: number;
	/** 0 to 1. */
	chance: number;
}

/** What such work can go wrong by: a coat as a coat, whatever it is put on with. */
const kindOf = (step: Step, trade: Catalogue): RedoKind | null =>
	step.coatId !== null ? 'coat' : techniqueOf(trade, step.technique).redo;

/** The mean of a beta distribution from a starting value and what was seen (Gelman et al., Bayesian Data Analysis, 2.4). */
export const redoChance = (
	before: number,
	oftener: number,
	failed: number,
	done: number,
	known: number = KNOWN_PIECES
): number => (Math.min(1, before * oftener) * known + failed) / (known + done);

/**
 * How likely each step has to be done again; null for work that is not: from the starting value and the costume's own fault log. Wears
 * of the other costumes move the starting value: what lets go oftener there than was known has to be done again as much oftener. Its own
 * do not, for they are in its log.
 */
export function redoOf(
	record: Pick<CostumeRecord, 'costume' | 'steps' | 'coats' | 'faults'>,
	{ handbook, holds = [] }: Pick<Workshop, 'handbook' | 'holds'>
): (step: Step) => Redo | null {
	const trade = catalogueOf(handbook);
	const learned = learnHolds(
		holds.filter((t) => t.costumeId !== record.costume.id),
		trade
	);
	const seen = new Map<RedoKind, { failed: number; done: number }>();
	const seenOf = (kind: RedoKind) => {
		const failed = record.faults.filter((f) => knownFaultOf(trade, f.known)?.blames === kind).length;
		// Fittings show what is wrong: one that led to changes has not failed, so that they tell nothing of the odds.
		const done =
			kind === 'fit' ? 0 : record.steps.filter((s) => s.doneAt !== null && kindOf(s, trade) === kind).length;
		return { failed, done: Math.max(done, failed) };
	};
	const holdOf = (step: Step, kind: RedoKind): HoldKind | null => {
		if (kind === 'glue') return 'seam cement';
		if (kind === 'fit') return null;
		return coatKind(
			record.coats.filter((c) => c.componentId === step.componentId),
			trade
		);
	};
	return (step) => {
		const kind = kindOf(step, trade);
		if (!kind) return null;
		const hold = holdOf(step, kind);
		const rate = learned.find((l) => l.kind === hold);
		const oftener = rate ? rate.now / rate.before : 1;
		const its = seen.get(kind) ?? seenOf(kind);
		seen.set(kind, its);
		const before = BEFORE[kind];
		return { kind, before, hold, oftener, ...its, chance: redoChance(before, oftener, its.failed, its.done) };
	};
}

/** The same, each kind of work of a costume once: the likeliest to be done again first. */
export function redoKinds(...of: Parameters<typeof redoOf>): Redo[] {
	const odds = redoOf(...of);
	const found = new Map(
		of[0].steps.flatMap((step): [string, Redo][] => {
			const its = odds(step);
			return its ? [[`${its.kind} ${its.hold}`, its]] : [];
		})
	);
	return [...found.values()].sort((a, b) => b.chance - a.chance);
}
