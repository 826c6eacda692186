/**
 * The costume that is opened beside one's own, from a running demo: `node scripts/demoCostume.mjs --at http://127.0.0.1:4173 --on 2031-05-02`.
 * `--on` is the day on which that demo was laid out; every date in it is moved by as much when it is opened.
 */
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';

const { values } = parseArgs({ options: { at: { type: 'string' }, on: { type: 'string' } } });
const answer = await fetch(`${values.at}/c/1/out/costume`);
if (!answer.ok) throw new Error(`No costume there: ${answer.status}`);
const entries = unzipSync(new Uint8Array(await answer.arrayBuffer()));
const file = JSON.parse(strFromU8(entries['costume.json'] ?? new Uint8Array()));
// What was logged would teach the maker's own rates; a plan that was found holds for its own day alone.
file.logs = [];
file.found = null;
entries['costume.json'] = strToU8(JSON.stringify(file));
// The same every time: a zip keeps when it was written.
const folder = new URL('../src/lib/server/demo/', import.meta.url);
writeFileSync(new URL('demoCostume.zip', folder), zipSync(entries, { mtime: new Date('2000-01-01T00:00') }));
writeFileSync(
	new URL('demoCostume.json', folder),
	`${JSON.stringify({ laidOutOn: values.on }, null, '\t')}\n`
);
