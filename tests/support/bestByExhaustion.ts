import type { PlanProblem, PlanStep } from '../../src/core/engines/schedule/problem.ts';

const SLOT = 15;

/**
 * Slow plain reference for a few steps in quarter hours, with `windows`: every order, every team; each step in the
 * first quarter hours that are free, and where a recoat window hangs on it in every later one too. Shares
 * nothing with the planner. The soonest finish, which is `known` or sooner.
 */
export function bestByExhaustion(problem: PlanProblem, known: number): number {
	const slots = Math.ceil((known - problem.start) / SLOT) + 1;
	const open = (hours: PlanProblem['makers'][number] | PlanProblem['places'][number]) =>
		Array.from({ length: slots }, (_, i) => {
			const t = problem.start + i * SLOT;
			const day = Math.floor(t / 1440);
			const weekday = ((((day + 3) % 7) + 7) % 7) + 1;
			const clock = t - day * 1440;
			if (hours.off?.includes(day)) return false;
			return hours.windows.some((w) => w.days.includes(weekday) && clock >= w.from && clock < w.to);
		});
	const makers = problem.makers.map((m) => ({
		id: m.id,
		open: open(m),
		used: new Array<number>(slots).fill(0),
		most: 1
	}));
	const places = new Map(
		problem.places.map((p) => [
			p.id,
			{ id: p.id, open: open(p), used: new Array<number>(slots).fill(0), most: p.capacity }
		])
	);
	type Resource = (typeof makers)[number];
	const teams = (size: number, from = 0): Resource[][] =>
		size === 0
			? [[]]
			: makers.slice(from).flatMap((m, k) => teams(size - 1, from + k + 1).map((rest) => [m, ...rest]));
	const byId = new Map(problem.steps.map((s) => [s.id, s]));
	const heads = new Set(
		problem.steps.flatMap((s) => s.after.filter((a) => a.within !== undefined).map((a) => a.id))
	);
	const ends = new Map<string, number>();
	let best = known;

	const startsAt = (s: PlanStep, slot: number): boolean => {
		const t = problem.start + slot * SLOT;
		if (s.notBefore !== undefined && t < s.notBefore) return false;
		return s.after.every((a) => {
			const gap = t - ends.get(a.id)!;
			if (gap < byId.get(a.id)!.wait) return false;
			return a.within === undefined || gap <= a.within || gap >= (a.orAfter ?? Infinity);
		});
	};
	const slotsFrom = (s: PlanStep, team: readonly Resource[], slot: number): number[] | null => {
		if (!team.every((r) => r.open[slot])) return null;
		const mine: number[] = [];
		for (let k = slot; mine.length < s.minutes[1] / SLOT; k++) {
			if (k >= slots) return null;
			if (!team.every((r) => r.open[k])) {
				if (s.oneSitting) return null;
				continue;
			}
			if (team.some((r) => r.used[k]! >= r.most)) return null;
			mine.push(k);
		}
		return mine;
	};
	const place = (left: readonly PlanStep[], finish: number) => {
		if (left.length === 0) {
			best = Math.min(best, finish);
			return;
		}
		for (const s of left) {
			if (s.after.some((a) => !ends.has(a.id))) continue;
			const rest = left.filter((x) => x !== s);
			for (const some of teams(s.hands)) {
				const team = s.place === null ? some : [...some, places.get(s.place)!];
				for (let slot = 0; slot < slots; slot++) {
					if (!startsAt(s, slot)) continue;
					const mine = slotsFrom(s, team, slot);
					if (!mine) continue;
					const end = problem.start + (mine[mine.length - 1]! + 1) * SLOT;
					if (Math.max(finish, end + s.wait) >= best) break;
					for (const r of team) for (const k of mine) r.used[k]!++;
					ends.set(s.id, end);
					place(rest, Math.max(finish, end + s.wait));
					ends.delete(s.id);
					for (const r of team) for (const k of mine) r.used[k]!--;
					if (!heads.has(s.id)) break;
				}
			}
		}
	};
	place(problem.steps, problem.start);
	return best;
}
