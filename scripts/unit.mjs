/** Runs every unit test. Node 20's runner does not expand globs, and without files it would pass on nothing. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { bundleTests } from './bundleTests.mjs';
import { globSync } from './files.mjs';

const files = [...globSync('src', /\.test\.ts$/), ...globSync('tests/unit', /\.test\.ts$/)];
if (files.length === 0) {
	console.error('No unit tests were found.');
	process.exit(1);
}
mkdirSync('test-results', { recursive: true });
// People read the one; the run as a whole counts from the other.
const reporters = process.env.REP
	? ['--test-reporter=' + process.env.REP, '--test-reporter-destination=stdout']
	: ['spec', 'stdout', 'tap', 'test-results/unit.tap'].map((to, i) =>
			i % 2 ? `--test-reporter-destination=${to}` : `--test-reporter=${to}`
		);
const only = process.argv.slice(2);
const chosen = only.length ? files.filter((f) => only.some((o) => f.includes(o))) : files;
// Tests of the server begin with an empty workshop each, or with the demo: these are laid out once.
const needed = chosen.some((f) => /^(src\/lib\/server|tests\/unit)\//.test(f));
const needDemo = chosen.some((f) => readFileSync(f, 'utf8').includes('demoWorkshop('));
const start = resolve('test-results/start');
const loaders = ['--import', 'tsx', '--import', './scripts/as-built.mjs'];
const changed = Math.max(
	...[...globSync('src', /./), ...globSync('tests/support', /./)].map((f) => statSync(f).mtimeMs)
);
const isFresh = (/** @type {string} */ name) =>
	existsSync(join(start, name)) && statSync(join(start, name)).mtimeMs > changed;
if (needed && !(isFresh('start.tar') && (!needDemo || isFresh('demo.zip')))) {
	rmSync(start, { recursive: true, force: true });
	mkdirSync(start);
	const laid = spawnSync(
		process.execPath,
		[...loaders, 'tests/support/layOutStart.ts', start, ...(needDemo ? ['demo'] : [])],
		{ stdio: 'inherit' }
	);
	if (laid.status !== 0) process.exit(1);
}
const bundle = resolve('test-results/bundle');
rmSync(bundle, { recursive: true, force: true });
const built = await bundleTests(chosen, bundle);
// The database of a test lives for seconds: to make its code faster takes longer than it saves.
const run = spawnSync(
	process.execPath,
	[
		'--enable-source-maps',
		'--liftoff-only',
		'--test',
		'--test-timeout=300000',
		'--test-concurrency=2',
		...reporters,
		...built
	],
	{
		stdio: 'inherit',
		env: { ...process.env, ...(needed && { DAPPER_TEST_START: start }) }
	}
);
process.exit(run.status ?? 1);
