/**
 * Runs one computation of the core: `npm run -s job -- FILE.json`, or `-` for standard input.
 * Result as JSON on standard output; bad input is one line on standard error and exit 2.
 */
import { readFileSync } from 'node:fs';
import { loadSolver } from '../src/core/engines/purchase/solver.ts';
import { needsSolver, runJob } from '../src/core/formats/jobs.ts';

function fail(words: string): never {
	process.stderr.write(`${words}\n`);
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

const began = performance.now();
const solve = needsSolver(input) ? await loadSolver() : undefined;
const done = runJob(input, () => (performance.now() - began) / 1000, solve);
if (!done.ok) fail(done.words);
process.stdout.write(`${JSON.stringify(done.result, null, 1)}\n`);
