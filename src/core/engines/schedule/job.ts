import { WEEKS } from '../../facts/calendar.ts';
import { z } from 'zod';
import type { ThreePoints } from '../../units/threePoints.ts';
import { say } from '../../units/problem.ts';
import type { Parsed } from '../../units/problem.ts';
import {
	formatLocalTime,
	parseClock,
	parseDate,
	parseLocalTime,
	type LocalMinutes
} from '../../units/localTime.ts';
import { SUMMER_TIME_KEYS } from '../../facts/calendar.ts';
import { simulate, type Odds } from './odds.ts';
import type { Plan, PlanProblem } from './problem.ts';
import { searchPlan } from './search.ts';

/** Text that a parser of the core understands, read into its value. */
const read = <T>(parse: (text: string) => Parsed<T>) =>
	z.string().transform((text, ctx): T => {
		const parsed = parse(text);
		if (parsed.ok) return parsed.value;
		ctx.addIssue({ code: 'custom', message: say(parsed.problem) });
		return z.NEVER;
	});

const time = read(parseLocalTime);
const clock = read(parseClock);
const whole = z.number().int().min(0).max(10_000_000);
const id = z.string().min(1).max(200);

const window = z
	.strictObject({
		days: z.array(z.number().int().min(1).max(7)),
		from: clock,
		to: clock,
		weeks: z.enum(WEEKS).optional()
	})
	.refine((w) => w.to > w.from, { message: 'A window must end after it begins.', path: ['to'] });

const minutes = z
	.union([whole.transform((n) => [n, n, n] as const), z.tuple([whole, whole, whole])])
	.refine(([low, usual, high]) => low <= usual && usual <= high, {
		message: 'Minutes must run good ≤ usual ≤ bad.'
	});

/** Any work takes a minute at least: on its bad days it needs hands, so it has them on all. */
const work = minutes.transform(([low, usual, high]): ThreePoints =>
	high > 0 ? [Math.max(1, low), Math.max(1, usual), high] : [0, 0, 0]
);

const after = z.union([
	id.transform((text) => ({ id: text })),
	z.strictObject({ id, within: whole.optional(), orAfter: whole.optional() })
]);

const unique = (things: readonly { id: string }[]) => new Set(things.map((t) => t.id)).size === things.length;
const list = <T extends z.ZodType<{ id: string }>>(item: T, what: string) =>
	z.array(item).refine(unique, { message: `Two ${what} have the same id.` });

/** The job kind `schedule`, as docs/jobs.md describes it. */
export const scheduleJob = z
	.strictObject({
		kind: z.literal('schedule'),
		seed: z.number().int().default(1),
		seconds: z.number().positive().max(3600).default(2),
		runs: z.number().int().min(0).max(1_000_000).default(5000),
		split: z.enum(['windows', 'anywhere']).default('windows'),
		leastPart: z.number().int().min(1).max(1440).default(30),
		start: time,
		deadline: time.nullable().default(null),
		shared: z.number().min(0).max(1).default(0),
		slip: z.number().min(0).max(5).default(0),
		makers: list(
			z.strictObject({ id, windows: z.array(window), off: z.array(read(parseDate)).default([]) }),
			'makers'
		),
		places: list(
			z.strictObject({
				id,
				capacity: z.number().int().min(1).max(1000).default(1),
				windows: z.array(window),
				off: z.array(read(parseDate)).default([]),
				daylightOnly: z.boolean().default(false),
				dryOnly: z.boolean().default(false)
			}),
			'places'
		).default([]),
		sun: z
			.strictObject({
				latitude: z.number().min(-65).max(65),
				noon: clock.default(720),
				summerTime: z.enum(SUMMER_TIME_KEYS).default('none')
			})
			.optional(),
		wetShare: z.number().min(0).max(0.95).default(0),
		parcels: list(z.strictObject({ id, at: time, late: minutes }), 'parcels').default([]),
		steps: list(
			z.strictObject({
				id,
				minutes: work,
				wait: whole.default(0),
				after: z.array(after).default([]),
				notBefore: time.optional(),
				makers: z.number().int().min(1).max(20).default(1),
				with: z.array(id).min(1).nullable().default(null),
				place: id.nullable().default(null),
				oneSitting: z.boolean().default(false),
				setUp: z.strictObject({ key: id, minutes: whole }).optional(),
				pinned: time.optional(),
				parcels: z.array(id).default([]),
				redo: z.number().min(0).max(1).default(0)
			}),
			'steps'
		).max(5000)
	})
	.refine((job) => job.sun || !job.places.some((p) => p.daylightOnly), {
		message: 'Where is the sun? A place has daylight only, so sun.latitude is needed.',
		path: ['sun']
	});

export type ScheduleJob = z.infer<typeof scheduleJob>;

export function problemOfJob({ sun, ...job }: ScheduleJob): PlanProblem {
	return {
		...job,
		places: job.places.map(({ daylightOnly, ...p }) => ({
			...p,
			...(daylightOnly && sun ? { sun } : {})
		})),
		steps: job.steps.map(({ notBefore, pinned, setUp, makers, ...s }) => ({
			...s,
			hands: makers,
			...(notBefore === undefined ? {} : { notBefore }),
			...(pinned === undefined ? {} : { pinnedAt: pinned }),
			...(setUp === undefined ? {} : { setUp }),
			after: s.after.map((a) => ({
				id: a.id,
				...('within' in a && a.within !== undefined ? { within: a.within } : {}),
				...('orAfter' in a && a.orAfter !== undefined ? { orAfter: a.orAfter } : {})
			}))
		}))
	};
}

/**
 * Runs the job: the search for as long as it says at most, then the odds for as long again at most.
 * @param elapsed seconds since the job began, so that the core needs no clock of its own
 */
export function runScheduleJob(job: ScheduleJob, elapsed: () => number) {
	const problem = problemOfJob(job);
	const search = searchPlan(problem, job.seed);
	let stoppedBy: Plan['stoppedBy'] = 'time';
	while (stoppedBy === 'time' && elapsed() < job.seconds) {
		const turn = search.work.next();
		if (turn.done) stoppedBy = turn.value;
	}
	const plan = search.soFar(stoppedBy);
	const time = (at: LocalMinutes | null) => (at === null ? null : formatLocalTime(at));
	return {
		steps: plan.steps.map((s) => ({
			id: s.id,
			start: time(s.start),
			end: time(s.end),
			ready: time(s.ready),
			makers: s.makers,
			blocks: s.blocks.map(([from, to]) => [time(from), time(to)]),
			slackMinutes: s.slackMinutes,
			critical: s.critical
		})),
		finish: time(plan.finish),
		lowerBound: time(plan.lowerBound),
		odds: oddsOfJob(job, problem, plan, elapsed),
		impossible: plan.impossible.map((i) => ({ id: i.id, code: i.code, reason: say(i) })),
		seconds: Math.round(elapsed() * 1000) / 1000,
		stoppedBy: plan.stoppedBy
	};
}

/** Null without runs, and when a step cannot be placed: then nothing is ever ready. */
function oddsOfJob(job: ScheduleJob, problem: PlanProblem, plan: Plan, elapsed: () => number) {
	if (job.runs === 0 || plan.impossible.length > 0 || plan.finish === null) return null;
	const task = { problem, order: plan.order, by: job.deadline === null ? [] : [job.deadline] };
	const work = simulate({ ...task, runs: job.runs, seed: job.seed, shared: job.shared, slip: job.slip });
	const until = elapsed() + job.seconds;
	let turn = work.next();
	while (!turn.done) turn = work.next(elapsed() > until);
	const odds: Odds = turn.value;
	const time = (at: LocalMinutes | null) => (at === null ? null : formatLocalTime(at));
	return {
		byDeadline: odds.by[0]?.share ?? null,
		p50: time(odds.p50),
		p80: time(odds.p80),
		p95: time(odds.p95),
		runs: odds.runs,
		wet: odds.wet,
		deciding: [...odds.steps, ...odds.parcels].sort((a, b) => b.share - a.share).slice(0, 20)
	};
}
