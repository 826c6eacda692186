/** Lets Node read what the build makes, `*.sql?raw` and `*.svelte.ts`, for tests and scripts that run these modules. */
import { register } from 'node:module';
import { pathToFileURL } from 'node:url';

register('./as-built-hooks.mjs', pathToFileURL(import.meta.filename));
