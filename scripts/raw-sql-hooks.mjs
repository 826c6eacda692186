import { readFile } from 'node:fs/promises';

/** @type {import('node:module').ResolveHook} */
export async function resolve(specifier, context, next) {
	if (!specifier.endsWith('.sql?raw')) return next(specifier, context);
	return { url: new URL(specifier, context.parentURL).href, format: 'module', shortCircuit: true };
}

/** @type {import('node:module').LoadHook} */
export async function load(url, context, next) {
	if (!url.endsWith('.sql?raw')) return next(url, context);
	const text = await readFile(new URL(url.replace('?raw', '')), 'utf8');
	return { format: 'module', source: `export default ${JSON.stringify(text)};`, shortCircuit: true };
}
