/** A database of an earlier version with the rows of then: `node … tests/support/layOutOlder.ts FOLDER`. */
import { PGlite } from '@electric-sql/pglite';
import { mkdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { migrate } from '../../src/lib/server/db/migrate.ts';

const OLD = 'tests/old/backup-9.json.gz';
const { tables } = JSON.parse(gunzipSync(readFileSync(OLD)).toString('utf8')) as {
	tables: Record<string, unknown[]>;
};
const folder = process.argv[2]!;
mkdirSync(folder, { recursive: true });
const pg = await PGlite.create(folder);
await migrate(pg, 9);
await pg.transaction(async (tx) => {
	await tx.query(`select set_config('dapper.action', 'restore', true)`);
	await tx.query('set constraints all deferred');
	for (const [table, rows] of Object.entries(tables))
		if (rows.length) await tx.query('select fill_table($1, $2)', [table, JSON.stringify(rows)]);
});
await pg.close();
