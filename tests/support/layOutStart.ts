/** An empty workshop, laid out once for all unit tests that open one: `node … tests/support/layOutStart.ts FILE`. */
import { PGlite } from '@electric-sql/pglite';
import { writeFileSync } from 'node:fs';
import { migrate } from '../../src/lib/server/db/migrate.ts';

const pg = new PGlite();
await migrate(pg);
const dump = await pg.dumpDataDir('none');
writeFileSync(process.argv[2]!, new Uint8Array(await dump.arrayBuffer()));
await pg.close();
