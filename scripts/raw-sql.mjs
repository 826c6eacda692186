/** Lets Node read `*.sql?raw` imports as Vite does, for tests and scripts that run the server's modules. */
import { register } from 'node:module';
import { pathToFileURL } from 'node:url';

register('./raw-sql-hooks.mjs', pathToFileURL(import.meta.filename));
