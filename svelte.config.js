import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ out: 'build' }),
		alias: { $core: 'src/core', '$core/*': 'src/core/*', '$tests/*': 'tests/*' },
		// Everything is served from this machine: nothing may be fetched from elsewhere.
		csp: {
			mode: 'auto',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				'style-src': ['self', 'unsafe-inline'],
				'img-src': ['self', 'blob:', 'data:'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'frame-ancestors': ['none'],
				'form-action': ['self']
			}
		},
		typescript: {
			config: (config) => {
				config.compilerOptions = {
					...config.compilerOptions,
					strict: true,
					noUncheckedIndexedAccess: true,
					allowImportingTsExtensions: true
				};
				config.include = [
					...config.include,
					'../scripts/**/*.ts',
					'../scripts/**/*.mjs',
					'../bench/**/*.ts',
					'../tests/**/*.ts',
					'../*.config.ts'
				];
				return config;
			}
		}
	}
};
