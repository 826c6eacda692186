/**
 * Tests as one build: every file of tests is a process of its own, and loading hundreds of modules one by one took each of them longer
 * than its tests. What they share is written once.
 */
import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { build } from 'esbuild';
import { withRunes } from './as-built-hooks.mjs';

/** What the build of the app reads besides. @type {import('esbuild').Plugin} */
const asBuilt = {
	name: 'as built',
	setup(building) {
		building.onResolve({ filter: /\.sql\?raw$/ }, ({ path, resolveDir }) => ({
			path: resolve(resolveDir, path.replace('?raw', '')),
			namespace: 'raw'
		}));
		building.onLoad({ filter: /./, namespace: 'raw' }, async ({ path }) => ({
			contents: await readFile(path, 'utf8'),
			loader: 'text'
		}));
		building.onLoad({ filter: /\.svelte\.ts$/ }, async ({ path }) => ({ contents: await withRunes(path) }));
	}
};

/**
 * @param {string[]} files
 * @param {string} folder
 * @returns {Promise<string[]>} the built files, in the same order
 */
export async function bundleTests(files, folder) {
	await build({
		entryPoints: files,
		outdir: folder,
		outbase: '.',
		plugins: [asBuilt],
		bundle: true,
		splitting: true,
		format: 'esm',
		platform: 'node',
		target: 'node20',
		packages: 'external',
		sourcemap: 'linked',
		logLevel: 'error'
	});
	return files.map((file) => resolve(folder, file.replace(/\.ts$/, '.js')));
}
