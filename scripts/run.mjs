/**
 * The commands: `demo`, `start`, `dev` and `test`. Each does its own set-up, so that a fresh clone
 * needs nothing else.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { globSync } from './files.mjs';

const [command = 'start', ...args] = process.argv.slice(2);

/**
 * @param {string} program
 * @param {string[]} words
 * @param {Record<string, string>} [env]
 */
function run(program, words, env = {}) {
	const done = spawnSync(program, words, { stdio: 'inherit', env: { ...process.env, ...env } });
	if (done.status !== 0) {
		console.error(`Failed: ${program} ${words.join(' ')}`);
		process.exit(done.status ?? 1);
	}
}

const changedAt = (/** @type {string} */ path) => (existsSync(path) ? statSync(path).mtimeMs : 0);

function install() {
	if (changedAt('node_modules/.package-lock.json') >= changedAt('package-lock.json')) return;
	console.log('Installing what is needed …');
	run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
}

function build() {
	const sources = [
		'package.json',
		'svelte.config.js',
		'vite.config.ts',
		'vite.threads.ts',
		...globSync('src', /./),
		...globSync('static', /./)
	];
	const newest = Math.max(...sources.filter((f) => !f.endsWith('.test.ts')).map(changedAt));
	if (changedAt('build/threads/planning.js') > newest) return;
	console.log('Building …');
	run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'error']);
	run('npx', ['--no-install', 'vite', 'build', '--config', 'vite.threads.ts', '--logLevel', 'error']);
}

/** What the tests need from Debian: a browser, and poppler, which opens our prints. */
function debian() {
	const missing = Object.entries({
		'/usr/bin/chromium-headless-shell': 'chromium-headless-shell',
		'/usr/bin/pdftoppm': 'poppler-utils'
	})
		.filter(([file]) => !existsSync(file))
		.map(([, name]) => name);
	if (missing.length === 0) return;
	const root = process.getuid?.() === 0;
	const sudo = !root && spawnSync('sudo', ['-n', 'true']).status === 0;
	if (!root && !sudo) {
		console.error(`The tests need Debian’s ${missing.join(' and ')}: apt-get install ${missing.join(' ')}`);
		process.exit(1);
	}
	console.log(`Installing ${missing.join(', ')} …`);
	const apt = (/** @type {string[]} */ words) =>
		root ? run('apt-get', words) : run('sudo', ['-n', 'apt-get', ...words]);
	apt(['-o', 'DPkg::Lock::Timeout=400', 'update', '-qq']);
	apt(['-o', 'DPkg::Lock::Timeout=400', 'install', '-y', '-qq', ...missing]);
}

async function serve(/** @type {boolean} */ demo) {
	const folder = resolve(process.env.DAPPER_DATA ?? (demo ? 'data/demo' : 'data/own'));
	try {
		mkdirSync(folder, { recursive: true });
	} catch (error) {
		// Nothing is half made: the folder is the first thing that is written.
		console.error(
			`The data folder ${folder} cannot be made: ${error instanceof Error ? error.message : error}`
		);
		process.exit(3);
	}
	const { serve } = await import('./serve.mjs');
	await serve({
		folder,
		demo,
		fresh: args.includes('--fresh'),
		andStop: args.includes('--and-stop'),
		open: args.includes('--open')
	});
}

/**
 * A program beside others: what it says is shown when it ends. True when it found nothing wrong.
 * @param {string} name
 * @param {string[]} words
 * @returns {Promise<boolean>}
 */
function aside(name, words) {
	return new Promise((done) => {
		const program = spawn('npx', ['--no-install', ...words], { stdio: ['ignore', 'pipe', 'pipe'] });
		const said = [`\n— ${name}\n`];
		for (const stream of [program.stdout, program.stderr])
			stream.on('data', (chunk) => said.push(String(chunk)));
		program.on('close', (status) => {
			console.log(said.join('').trimEnd());
			done(status === 0);
		});
	});
}

/** Everything that has to hold, in the order in which it fails fastest; ends with the counts. */
async function test() {
	debian();
	mkdirSync('test-results', { recursive: true });
	const step = (/** @type {string} */ name, /** @type {() => void} */ work) => {
		const began = Date.now();
		console.log(`\n— ${name}`);
		work();
		console.log(`  ${name}: ${((Date.now() - began) / 1000).toFixed(1)} s`);
	};
	// These only read, and each leaves a core idle by itself.
	const began = Date.now();
	run('npx', ['--no-install', 'svelte-kit', 'sync']);
	const read = await Promise.all([
		aside('format', ['prettier', '--check', '.', '--log-level', 'warn']),
		aside('lint', ['eslint', '.']),
		aside('types', ['svelte-check', '--fail-on-warnings']),
		aside('unused code', ['knip', '--no-progress'])
	]);
	console.log(`  format, lint, types, unused code: ${((Date.now() - began) / 1000).toFixed(1)} s`);
	if (read.includes(false)) process.exit(1);
	const counts = { passed: 0, failed: 0 };
	step('unit', () => {
		const done = spawnSync(process.execPath, ['scripts/unit.mjs'], { stdio: 'inherit' });
		const tap = readFileSync('test-results/unit.tap', 'utf8');
		counts.passed += Number(/^# pass (\d+)/m.exec(tap)?.[1] ?? 0);
		counts.failed += Number(/^# fail (\d+)/m.exec(tap)?.[1] ?? 0) || (done.status === 0 ? 0 : 1);
	});
	step('build', build);
	step('kill', () => {
		const done = spawnSync(process.execPath, ['scripts/kill.mjs', '3'], { stdio: 'inherit' });
		counts[done.status === 0 ? 'passed' : 'failed']++;
	});
	step('browser', () => {
		const done = spawnSync('npx', ['--no-install', 'playwright', 'test'], { stdio: 'inherit' });
		const { stats } = JSON.parse(readFileSync('test-results/browser.json', 'utf8'));
		counts.passed += stats.expected + stats.flaky;
		counts.failed += stats.unexpected || (done.status === 0 ? 0 : 1);
	});
	console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
	process.exit(counts.failed || counts.passed === 0 ? 1 : 0);
}

process.chdir(join(import.meta.dirname, '..'));
install();
if (command === 'demo' || command === 'start') {
	build();
	await serve(command === 'demo');
} else if (command === 'dev') {
	run('npx', ['--no-install', 'vite', 'dev', '--host', '127.0.0.1', ...args], {
		DAPPER_DATA: resolve(process.env.DAPPER_DATA ?? 'data/dev'),
		DAPPER_DEMO: '1'
	});
} else if (command === 'test') await test();
else {
	console.error(`“${command}” is not known: demo, start, dev or test.`);
	process.exit(2);
}
