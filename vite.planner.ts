/** The planning thread, as one file beside the built server. */
import { resolve } from 'node:path';
import { defineConfig } from 'vite';

export default defineConfig({
	publicDir: false,
	resolve: { alias: { $core: resolve('src/core') } },
	ssr: { noExternal: true },
	build: {
		ssr: 'src/lib/server/planner/thread.ts',
		outDir: 'build/planner',
		emptyOutDir: true,
		rollupOptions: { output: { entryFileNames: 'thread.js' } }
	}
});
