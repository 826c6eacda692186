import type { z } from 'zod';
import { goesOnJob, runGoesOnJob } from '../engines/body/job.ts';
import { coatsJob, runCoatsJob } from './coatsJob.ts';
import { caseJob, runCaseJob } from '../engines/case/job.ts';
import { dressJob, runDressJob } from '../engines/dress/job.ts';
import { lightJob, runLightJob } from '../engines/light/job.ts';
import { flattenJob, runFlattenJob } from '../engines/flatten/job.ts';
import { loadJob, runLoadJob } from '../engines/load/job.ts';
import { mixJob, runMixJob } from '../engines/colour/job.ts';
import { planeJob, runPlaneJob } from '../engines/plane/job.ts';
import { Failed, say } from '../units/problem.ts';
import { runUnfoldJob, unfoldJob } from '../engines/mesh/job.ts';
import { runStandJob, standJob } from '../engines/stand/job.ts';
import { runShapeJob, shapeJob } from '../engines/shapers/job.ts';
import { runTraceJob, traceJob } from '../engines/trace/job.ts';
import { layoutJob, runLayoutJob } from '../engines/layout/job.ts';
import { packsJob, runPacksJob } from '../engines/purchase/job.ts';
import type { Solve } from '../engines/purchase/task.ts';
import { runScheduleJob, scheduleJob } from '../engines/schedule/job.ts';

/** What a job gives back, or one line that names the field and what is wrong with it. */
export type JobResult = { ok: true; result: unknown } | { ok: false; words: string };

const no = (path: readonly PropertyKey[], words: string): JobResult => ({
	ok: false,
	words: `${path.join('.') || 'the file'}: ${words.replace(/\s*\n\s*/g, ' ')}`
});

const kind =
	<S extends z.ZodType>(
		schema: S,
		run: (job: z.infer<S>, elapsed: () => number, solve?: Solve) => JobResult
	) =>
	(input: unknown, elapsed: () => number, solve?: Solve): JobResult => {
		const job = schema.safeParse(input);
		if (job.success) return run(job.data, elapsed, solve);
		const issue = job.error.issues[0]!;
		return no(issue.path, issue.message);
	};

/** Every computation that can be had without the interface; docs/jobs.md describes each. */
const KINDS: Record<string, ReturnType<typeof kind>> = {
	schedule: kind(scheduleJob, (job, elapsed) => ({ ok: true, result: runScheduleJob(job, elapsed) })),
	plane: kind(planeJob, (job) => {
		const done = runPlaneJob(job);
		return done.ok ? done : no(done.problem.path, say(done.problem));
	}),
	shape: kind(shapeJob, (job) => {
		const done = runShapeJob(job);
		return done.ok ? { ok: true, result: done.value } : no(done.problem.path, say(done.problem));
	}),
	unfold: kind(unfoldJob, (job) => {
		const done = runUnfoldJob(job);
		return done.ok ? { ok: true, result: done.value } : no(done.problem.path, say(done.problem));
	}),
	layout: kind(layoutJob, (job, elapsed) => ({ ok: true, result: runLayoutJob(job, elapsed) })),
	stand: kind(standJob, (job) => {
		const done = runStandJob(job);
		return done.ok ? { ok: true, result: done.value } : no(done.problem.path, say(done.problem));
	}),
	flatten: kind(flattenJob, (job, elapsed) => {
		const done = runFlattenJob(job, elapsed);
		return done.ok ? { ok: true, result: done.value } : no(done.problem.path, say(done.problem));
	}),
	trace: kind(traceJob, (job) => {
		const done = runTraceJob(job);
		return done.ok ? { ok: true, result: done.value } : no(done.problem.path, say(done.problem));
	}),
	packs: kind(packsJob, (job, _, solve) => {
		try {
			return { ok: true, result: runPacksJob(job, solve!) };
		} catch (error) {
			if (error instanceof Failed) return no(error.problem.path, say(error.problem));
			throw error;
		}
	}),
	coats: kind(coatsJob, (job) => ({ ok: true, result: runCoatsJob(job) })),
	load: kind(loadJob, (job) => ({ ok: true, result: runLoadJob(job) })),
	dress: kind(dressJob, (job, elapsed) => ({ ok: true, result: runDressJob(job, elapsed) })),
	case: kind(caseJob, (job, elapsed) => ({ ok: true, result: runCaseJob(job, elapsed) })),
	light: kind(lightJob, (job) => ({ ok: true, result: runLightJob(job) })),
	mix: kind(mixJob, (job) => ({ ok: true, result: runMixJob(job) })),
	'goes-on': kind(goesOnJob, (job) => ({ ok: true, result: runGoesOnJob(job) }))
};

/** Kinds that need the exact solver. */
export const needsSolver = (input: unknown): boolean =>
	(input as { kind?: unknown } | null)?.kind === 'packs';

/**
 * @param elapsed seconds since the job began
 * @param solve for kinds that need it
 */
export function runJob(input: unknown, elapsed: () => number, solve?: Solve): JobResult {
	const name = (input as { kind?: unknown } | null)?.kind;
	if (typeof name !== 'string' || !Object.hasOwn(KINDS, name))
		return no(
			['kind'],
			`${JSON.stringify(name) ?? 'nothing'} is not known here; known: ${Object.keys(KINDS).join(', ')}`
		);
	return KINDS[name]!(input, elapsed, solve);
}
