/**
 * Runs one computation of the core: `npm run -s job -- FILE.json`, or `-` for standard input.
 * Result as JSON on standard output; bad input is one line on standard error and exit 2.
 */
import { readFileSync } from 'node:fs';
import { scheduleJob, runScheduleJob } from '../src/core/schedule/job.ts';

const KINDS = ['schedule'];

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
if (kind !== 'schedule')
	fail(`kind: ${JSON.stringify(kind) ?? 'nothing'} is not known here; known: ${KINDS.join(', ')}`);

const began = performance.now();
const job = scheduleJob.safeParse(input);
if (!job.success) {
	const issue = job.error.issues[0]!;
	fail(`${issue.path.join('.') || 'the file'}: ${issue.message}`);
}
process.stdout.write(
	`${JSON.stringify(
		runScheduleJob(job.data, () => (performance.now() - began) / 1000),
		null,
		1
	)}\n`
);
