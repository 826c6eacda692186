/**
 * Runs one computation of the core: `npm run -s job -- FILE.json`, or `-` for standard input.
 * Result as JSON on standard output; bad input is one line on standard error and exit 2.
 */
import { readFileSync } from 'node:fs';
import type { z } from 'zod';
import { say } from '../src/core/messages.ts';
import { goesOnJob, runGoesOnJob } from '../src/core/measure/body/job.ts';
import { planeJob, runPlaneJob } from '../src/core/measure/plane/job.ts';
import { runScheduleJob, scheduleJob } from '../src/core/schedule/job.ts';

const began = performance.now();
const elapsed = () => (performance.now() - began) / 1000;

/** Each kind: its schema, and what it gives back; a problem found only while working ends it too. */
const KINDS: Record<string, (input: unknown) => unknown> = {
	schedule: (input) => runScheduleJob(checked(scheduleJob, input), elapsed),
	plane: (input) => {
		const done = runPlaneJob(checked(planeJob, input));
		return done.ok ? done.result : fail(`${done.problem.path.join('.')}: ${say(done.problem)}`);
	},
	'goes-on': (input) => runGoesOnJob(checked(goesOnJob, input))
};

function checked<S extends z.ZodType>(schema: S, input: unknown): z.infer<S> {
	const job = schema.safeParse(input);
	if (job.success) return job.data;
	const issue = job.error.issues[0]!;
	fail(`${issue.path.join('.') || 'the file'}: ${issue.message}`);
}

function fail(words: string): never {
	process.stderr.write(`${words.replace(/\s*\n\s*/g, ' ')}\n`);
	process.exit(2);
}

const [file, ...rest] = process.argv.slice(2);
if (!file || rest.length) fail('Give one file: npm run -s job -- FILE.json (or - for standard input)');

let text: string;
try {
	text = readFileSync(file === '-' ? 0 : file, 'utf8');
} catch (error) {
	fail(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`);
}
let input: unknown;
try {
	input = JSON.parse(text);
} catch {
	fail(`${file}: is not JSON`);
}

const kind = (input as { kind?: unknown } | null)?.kind;
const run = typeof kind === 'string' && Object.hasOwn(KINDS, kind) ? KINDS[kind] : undefined;
if (!run)
	fail(
		`kind: ${JSON.stringify(kind) ?? 'nothing'} is not known here; known: ${Object.keys(KINDS).join(', ')}`
	);
process.stdout.write(`${JSON.stringify(run(input), null, 1)}\n`);
