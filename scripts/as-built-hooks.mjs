import { createHash } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** @type {import('node:module').ResolveHook} */
export async function resolve(specifier, context, next) {
	if (!specifier.endsWith('.sql?raw')) return next(specifier, context);
	return { url: new URL(specifier, context.parentURL).href, format: 'module', shortCircuit: true };
}

/** @type {import('node:module').LoadHook} */
export async function load(url, context, next) {
	if (url.endsWith('.sql?raw')) {
		const text = await readFile(new URL(url.replace('?raw', '')), 'utf8');
		return { format: 'module', source: `export default ${JSON.stringify(text)};`, shortCircuit: true };
	}
	if (/\.svelte\.ts(\?|$)/.test(url)) {
		const path = fileURLToPath(url.replace(/\?.*$/, ''));
		return { format: 'module', source: await withRunes(path), shortCircuit: true };
	}
	// The loader that resolves these names every closure as it is made, which a hot loop pays for twice over: as it is built, none is.
	if (url.startsWith('file:') && /\.ts(\?|$)/.test(url) && !url.includes('/node_modules/')) {
		const path = fileURLToPath(url.replace(/\?.*$/, ''));
		return { format: 'module', source: await plain(path), shortCircuit: true };
	}
	return next(url, context);
}

const KEPT = 'node_modules/.cache/as-built';

/** Without its types; kept for as long as it stays the same, as every file of tests is a process of its own. @param {string} path */
async function plain(path) {
	const text = await readFile(path, 'utf8');
	const kept = join(KEPT, createHash('sha1').update(path).update(text).digest('hex'));
	try {
		return await readFile(kept, 'utf8');
	} catch {
		// Nobody has asked for it as it is now.
	}
	const { transform } = await import('esbuild');
	const { code } = await transform(text, {
		loader: 'ts',
		format: 'esm',
		target: 'node20',
		sourcefile: path,
		sourcemap: 'inline',
		tsconfigRaw: { compilerOptions: { verbatimModuleSyntax: true } }
	});
	await mkdir(KEPT, { recursive: true });
	// Two may write the same at once: each whole.
	const mine = `${kept}.${process.pid}`;
	await writeFile(mine, code);
	await rename(mine, kept);
	return code;
}

/** Loaded with the first of its kind: most tests have none. */
/** @param {string} filename */
export async function withRunes(filename) {
	const { default: ts } = await import('typescript');
	const { compileModule } = await import('svelte/compiler');
	const plain = ts.transpileModule(await readFile(filename, 'utf8'), {
		compilerOptions: {
			target: ts.ScriptTarget.ES2022,
			module: ts.ModuleKind.ESNext,
			verbatimModuleSyntax: true
		}
	});
	return compileModule(plain.outputText, { filename, generate: 'client', dev: false }).js.code;
}
