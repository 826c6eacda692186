/** The threads of the server, beside the built one: of planning and of printing. */
import { resolve } from 'node:path';
import { defineConfig } from 'vite';

export default defineConfig({
	publicDir: false,
	resolve: { alias: { $core: resolve('src/core') } },
	ssr: { noExternal: true },
	build: {
		ssr: true,
		outDir: 'build/threads',
		emptyOutDir: true,
		rollupOptions: {
			input: {
				planning: 'src/lib/server/planner/thread.ts',
				printing: 'src/lib/server/prints/thread.ts'
			},
			output: { entryFileNames: '[name].js' }
		}
	}
});
