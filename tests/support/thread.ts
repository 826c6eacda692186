import { join, resolve } from 'node:path';
import { build } from 'esbuild';

/** A thread of the server as one file in a folder, as the build makes it. */
export async function builtThread(entry: string, folder: string): Promise<string> {
	const outfile = join(folder, 'thread.mjs');
	await build({
		entryPoints: [entry],
		bundle: true,
		platform: 'node',
		format: 'esm',
		alias: { $core: resolve('src/core') },
		outfile
	});
	return outfile;
}
