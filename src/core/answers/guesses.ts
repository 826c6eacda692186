import type { CostumeRecord } from '../facts/costume.ts';
import { GUESS_FACTOR } from '../trade/rates.ts';
import { DAY } from '../units/localTime.ts';
import { planByOrder } from '../engines/schedule/plan.ts';
import type { PlanProblem } from '../engines/schedule/problem.ts';
import { USUAL_LEAD_DAYS } from './leadTime.ts';
import type { MadePlan } from './plan.ts';
import { parcelKey } from './planProblem.ts';
import { shoppingLines, type Supplies } from './shopping.ts';

/**
 * What nobody entered and no piece gives: starting amounts of a route, suggested quantities, lead times and prices that are not
 * known. What hangs on it says so, and is taken to be as far off as starting values have been.
 */

/** So many guesses' worth stands behind the stated factor before it gives way to what was seen. */
const PRIOR = 5;

/**
 * By which factor starting amounts are off, as a rule: the stated one, and what became of amounts that were settled since. The root
 * mean square of logarithms, with the stated factor counted as so many of them.
 */
export function guessFactor(records: readonly Pick<CostumeRecord, 'steps' | 'coats'>[]): number {
	const settled = records.flatMap(({ steps, coats }) => [
		...steps.map((s) => [s.guess, s.guessed ? null : s.amount] as const),
		...coats.map((c) => [c.guess, c.guessed ? null : c.area] as const)
	]);
	const off = settled.flatMap(([guess, amount]) => (guess && amount ? [Math.log(amount / guess) ** 2] : []));
	const sum = off.reduce((a, b) => a + b, PRIOR * Math.log(GUESS_FACTOR) ** 2);
	// To a tenth, so that plans do not move with every amount.
	return Math.max(1.1, Math.round(10 * Math.exp(Math.sqrt(sum / (PRIOR + off.length)))) / 10);
}

export type GuessKind = 'amounts' | 'quantity' | 'lead' | 'price';

/** One thing to find out. */
export interface Guess {
	kind: GuessKind;
	componentId: number | null;
	materialId: number | null;
	/** Open steps with a guessed amount, and the usual minutes that are left of them. */
	steps: number;
	minutes: number;
	/** By how much later all is ready if it is as bad as a guess may be; null where it has no part in the finish. */
	laterMinutes: number | null;
	/** What it may cost more; null where nothing says. */
	moreMinor: number | null;
}

/** So many of them are tried out: the finish is planned anew for each. */
const MOST_TRIED = 24;

/**
 * What to settle first: what may move the finish most, then what takes the most work, then the money.
 * @param factor how far starting amounts are off
 */
export function guessesOf(
	record: CostumeRecord,
	supplies: Supplies,
	plan: MadePlan,
	factor: number
): Guess[] {
	const { problem, schedule, left } = plan;
	const none = {
		componentId: null,
		materialId: null,
		steps: 0,
		minutes: 0,
		laterMinutes: null,
		moreMinor: null
	};
	const open = record.steps.filter((s) => s.guessed && s.doneAt === null && (left.get(s.id) ?? 0) > 0);
	const later = (changed: PlanProblem) => {
		const { finish } = planByOrder(changed, schedule.order);
		return finish === null || schedule.finish === null ? null : Math.max(0, finish - schedule.finish);
	};

	const amounts = record.components
		.flatMap((c): Guess[] => {
			const its = open.filter((s) => s.componentId === c.id);
			const minutes = its.reduce((sum, s) => sum + left.get(s.id)!, 0);
			return its.length ? [{ ...none, kind: 'amounts', componentId: c.id, steps: its.length, minutes }] : [];
		})
		.sort((a, b) => b.minutes - a.minutes)
		.map((guess, i): Guess => {
			if (i >= MOST_TRIED || schedule.finish === null) return guess;
			const its = new Set(open.filter((s) => s.componentId === guess.componentId).map((s) => String(s.id)));
			const steps = problem.steps.map((s) =>
				its.has(s.id) ? { ...s, minutes: [s.minutes[2], s.minutes[2], s.minutes[2]] as const } : s
			);
			return { ...guess, laterMinutes: later({ ...problem, steps }) };
		});

	const leads = plan.orders
		.filter((o) => o.usableFrom !== null && (o.purchase ?? o.material).leadDays === null)
		.slice(0, MOST_TRIED)
		.map(({ material }): Guess => {
			const parcel = parcelKey(material.id);
			const comes = (problem.parcels ?? []).find((p) => p.id === parcel);
			const steps = problem.steps.map((s) =>
				comes && s.parcels?.includes(parcel)
					? { ...s, notBefore: Math.max(s.notBefore ?? -Infinity, comes.at + 2 * USUAL_LEAD_DAYS * DAY) }
					: s
			);
			const moved = schedule.finish === null ? null : later({ ...problem, steps });
			return { ...none, kind: 'lead', materialId: material.id, laterMinutes: moved };
		});

	const money = shoppingLines(record, supplies).flatMap((line): Guess[] => {
		const { id } = line.material;
		if (line.packsShort > 0 && line.costShortMinor === null)
			return [{ ...none, kind: 'price', materialId: id }];
		const guessed = record.needs.filter((n) => n.materialId === id && n.guessed);
		if (guessed.length === 0 || line.costShortMinor === null) return [];
		const share = guessed.reduce((sum, n) => sum + n.quantity, 0) / line.needed;
		const moreMinor = Math.round(line.costShortMinor * share * (factor - 1));
		return [{ ...none, kind: 'quantity', materialId: id, moreMinor }];
	});

	return [...amounts, ...leads, ...money].sort(
		(a, b) =>
			(b.laterMinutes ?? 0) - (a.laterMinutes ?? 0) ||
			b.minutes - a.minutes ||
			Number(b.kind === 'price') - Number(a.kind === 'price') ||
			(b.moreMinor ?? 0) - (a.moreMinor ?? 0)
	);
}
