/** Runs every unit test. Node 20's runner does not expand globs, and without files it would pass on nothing. */
import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { globSync } from './files.mjs';

const files = [...globSync('src', /\.test\.ts$/), ...globSync('tests/unit', /\.test\.ts$/)];
if (files.length === 0) {
	console.error('No unit tests were found.');
	process.exit(1);
}
mkdirSync('test-results', { recursive: true });
// People read the one; the run as a whole counts from the other.
const reporters = ['spec', 'stdout', 'tap', 'test-results/unit.tap'].map((to, i) =>
	i % 2 ? `--test-reporter-destination=${to}` : `--test-reporter=${to}`
);
const only = process.argv.slice(2);
const chosen = only.length ? files.filter((f) => only.some((o) => f.includes(o))) : files;
const run = spawnSync(
	process.execPath,
	[
		'--import',
		'tsx',
		'--import',
		'./scripts/as-built.mjs',
		'--test',
		'--test-concurrency=2',
		...reporters,
		...chosen
	],
	{
		stdio: 'inherit'
	}
);
process.exit(run.status ?? 1);
