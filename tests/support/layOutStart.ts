/**
 * What unit tests of the server begin with, laid out once for all: an empty workshop, and the demo as a backup.
 * `node … tests/support/layOutStart.ts FOLDER [demo]`
 */
import { PGlite } from '@electric-sql/pglite';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeBackup } from '../../src/lib/server/backup.ts';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { demoWorkshop } from './workshop.ts';

const [folder = '', what] = process.argv.slice(2);
const pg = new PGlite();
await migrate(pg);
const dump = await pg.dumpDataDir('none');
writeFileSync(join(folder, 'start.tar'), new Uint8Array(await dump.arrayBuffer()));
await pg.close();
if (what === 'demo') {
	const w = await demoWorkshop();
	writeFileSync(join(folder, 'demo.zip'), await writeBackup(w.db));
	await w.close();
}
