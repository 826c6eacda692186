import { dayOf, isoWeekOf, weekdayOf, clockOf, type LocalMinutes } from '../../units/localTime.ts';
import type { Hours } from './calendar.ts';
import { daylightOf } from './daylight.ts';
import type { Plan, PlannedStep, PlanProblem, PlanStep } from './problem.ts';

/** As long as things may stay set out with nobody at work, minutes. */
const SESSION = 60;

/**
 * The independent checker: every rule of a plan tested minute by minute or pair by pair, sharing no
 * code with the planner. Slow and plain on purpose. Returns what is wrong, nothing when all is well.
 */
export function checkPlan(problem: PlanProblem, plan: Plan): string[] {
	const wrong: string[] = [];
	const planned = new Map(plan.steps.map((s) => [s.id, s]));
	const impossible = new Set(plan.impossible.map((i) => i.id));
	const usedBy = new Map<string, number>();
	for (const step of problem.steps) {
		const p = planned.get(step.id);
		if (!p) {
			if (!impossible.has(step.id)) wrong.push(`${step.id} is neither planned nor impossible`);
			continue;
		}
		const worked = p.blocks.reduce((sum, [from, to]) => sum + to - from, 0);
		const needs = step.minutes[1] - (p.joined ? Math.min(step.setUp!.minutes, step.minutes[1] - 1) : 0);
		if (worked !== needs) wrong.push(`${step.id}: ${worked} minutes in blocks, needs ${needs}`);
		if (p.joined && !goesOn(problem, plan, step, p))
			wrong.push(`${step.id} saves a set-up that nothing before it has made`);
		if (p.start < problem.start) wrong.push(`${step.id} starts before the plan`);
		if (step.notBefore !== undefined && p.start < step.notBefore)
			wrong.push(`${step.id} starts before its material`);
		if (step.barred?.some(([from, to]) => p.start >= from && p.start < to))
			wrong.push(`${step.id} starts in a barred span`);
		if (p.ready !== p.end + step.wait) wrong.push(`${step.id}: wait cut short`);
		if (step.oneSitting && p.blocks.length > 1) wrong.push(`${step.id}: not in one sitting`);
		if (p.crews.some((crew) => new Set(crew).size !== step.hands))
			wrong.push(`${step.id}: wrong number of makers`);
		if (problem.split === 'windows' && step.minutes[1] > 0 && p.makers.length !== step.hands)
			wrong.push(`${step.id}: hands change`);
		if (step.with && p.makers.some((m) => !step.with!.includes(m)))
			wrong.push(`${step.id}: maker not allowed`);
		if (step.pinnedAt !== undefined && p.start < step.pinnedAt)
			wrong.push(`${step.id} starts before its pin`);
		for (const after of step.after) {
			const before = planned.get(after.id);
			const beforeStep = problem.steps.find((s) => s.id === after.id);
			if (!before || !beforeStep) {
				wrong.push(`${step.id} is planned without ${after.id}`);
				continue;
			}
			const gap = p.start - before.end;
			if (gap < beforeStep.wait)
				wrong.push(`${step.id} starts ${beforeStep.wait - gap} minutes into the wait of ${after.id}`);
			if (after.within !== undefined && gap > after.within && gap < (after.orAfter ?? Infinity))
				wrong.push(`${step.id} starts in the forbidden window after ${after.id}`);
		}
		for (const [k, [from, to]] of p.blocks.entries())
			for (let t = from; t < to; t++) {
				for (const id of p.crews[k]!) {
					if (
						!isOpen(
							problem.makers.find((m) => m.id === id)!,
							t
						)
					)
						wrong.push(`${step.id}: ${id} works outside a window`);
					use(usedBy, `${id}@${t}`, 1, wrong, step.id);
				}
				if (step.place !== null) {
					const place = problem.places.find((x) => x.id === step.place)!;
					if (!isOpen(place, t)) wrong.push(`${step.id}: ${place.id} is closed`);
					use(usedBy, `${place.id}#${t}`, place.capacity, wrong, step.id);
				}
			}
		if (problem.split === 'windows' && p.blocks.length > 1)
			wrong.push(...restedWhileOpen(problem, step.id, p.makers, step.place, p.blocks));
		if (wrong.length > 20) return wrong;
	}
	for (const [id, spans] of problem.taken ?? [])
		for (const [from, to] of spans)
			for (let t = from; t < to; t++)
				if (usedBy.has(`${id}@${t}`)) wrong.push(`${id} is booked over hours already taken`);
	return [...new Set(wrong)];
}

/** Whether just before it, at its place, the same was set out, and nothing else was done there in between. */
function goesOn(problem: PlanProblem, plan: Plan, step: PlanStep, p: PlannedStep): boolean {
	const key = (id: string) => problem.steps.find((s) => s.id === id)!;
	return plan.steps.some((b) => {
		const before = key(b.id);
		if (b === p || before.place !== step.place || before.setUp?.key !== step.setUp?.key) return false;
		if (b.end > p.start || p.start > b.end + SESSION) return false;
		// Where there is room for more than one, what is set out stands in one of the rooms.
		const { capacity } = problem.places.find((x) => x.id === step.place)!;
		const others = plan.steps.filter((o) => o !== b && o !== p && key(o.id).place === step.place);
		for (let t = b.end; t < p.start; t++) {
			const there = others.filter((o) => o.blocks.some(([from, to]) => from <= t && t < to));
			if (there.length >= capacity) return false;
		}
		return true;
	});
}

function restedWhileOpen(
	problem: PlanProblem,
	id: string,
	makers: readonly string[],
	place: string | null,
	blocks: readonly (readonly [number, number])[]
): string[] {
	const all: Hours[] = [
		...problem.makers.filter((m) => makers.includes(m.id)),
		...problem.places.filter((p) => p.id === place)
	];
	for (let i = 1; i < blocks.length; i++)
		for (let t = blocks[i - 1]![1]; t < blocks[i]![0]; t++)
			if (all.every((hours) => isOpen(hours, t))) return [`${id} rests while its windows are open`];
	return [];
}

function use(usedBy: Map<string, number>, key: string, capacity: number, wrong: string[], id: string): void {
	const count = (usedBy.get(key) ?? 0) + 1;
	usedBy.set(key, count);
	if (count > capacity) wrong.push(`${id}: ${key.replace(/[@#].*/, '')} is booked twice`);
}

function isOpen(hours: Hours, at: LocalMinutes): boolean {
	const day = dayOf(at);
	if (hours.off?.includes(day)) return false;
	if (hours.away?.some(([from, to]) => from <= at && at < to)) return false;
	const light = hours.sun && daylightOf(day, hours.sun);
	if (light && (clockOf(at) < light.from || clockOf(at) >= light.to)) return false;
	return hours.windows.some(
		(w) =>
			w.days.includes(weekdayOf(day)) &&
			(!w.weeks || (w.weeks === 'odd') === (isoWeekOf(day) % 2 === 1)) &&
			clockOf(at) >= w.from &&
			clockOf(at) < w.to
	);
}
