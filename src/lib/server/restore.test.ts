import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { type TestWorkshop, demoWorkshop } from '$tests/support/workshop.ts';
import { TABLE_NAMES } from '../../core/facts/tables.ts';
import { writeBackup } from './backup.ts';
import { all, Refused } from './db/rows.ts';
import { restoreBackup } from './restore.ts';
import { unzip, zip } from './zip.ts';

type Row = Record<string, unknown> & { id: number };
type Tables = Record<string, Row[]>;

let w: TestWorkshop;
let entries: Record<string, Uint8Array>;
before(async () => {
	w = await demoWorkshop();
	entries = unzip(await writeBackup(w.db), 1e9, 1e9);
});
after(() => w.close());

const everything = async () =>
	JSON.stringify(
		await Promise.all(
			['action', 'change', ...TABLE_NAMES].map((t) => all(w.db, 'select rows_of($1)::text as rows', [t]))
		)
	);
const backup = () => JSON.parse(Buffer.from(entries['backup.json']!).toString()) as { tables: Tables };
const packed = (json: unknown, others: Record<string, Uint8Array> = entries) =>
	zip({ ...others, 'backup.json': Buffer.from(JSON.stringify(json)) });

/** Each way in which one row of a backup is spoiled, and what is said of it. */
const SPOILED: Record<string, { spoil: (t: Tables) => void; says: RegExp }> = {
	'a number that is none': {
		spoil: (t) => (t.component![3]!.layer = 'many'),
		says: /does not hold: component 4: invalid input syntax/
	},
	'a value that a column does not allow': {
		spoil: (t) => (t.place![0]!.capacity = 0),
		says: /does not hold: place 1: /
	},
	'a name that is missing': { spoil: (t) => delete t.maker![0]!.name, says: /does not hold: maker 1: / },
	'an id twice': {
		spoil: (t) => t.material!.push({ ...t.material![0]! }),
		says: /does not hold: material 1: .*already exists/
	},
	'a link to nothing': {
		spoil: (t) => (t.component!.at(-1)!.costume_id = 999),
		says: /does not hold: component: .*999/
	},
	'a link to another costume': {
		spoil: (t) => {
			const of = new Map(t.component!.map((c) => [c.id, c.costume_id]));
			const coat = t.coat!.find((c) => of.get(c.component_id as number) === 1)!;
			t.step!.find((s) => of.get(s.component_id as number) === 2)!.coat_id = coat.id;
		},
		says: /does not hold: .*of another costume/
	},
	'content that no page can read': {
		spoil: (t) => (t.shape![0]!.works = [{ op: 'melt' }]),
		says: /does not hold: costume \d \(.+\): .*shapes/
	},
	'a kind that there is not': {
		spoil: (t) => (t.component![0]!.kind = 'spaceship'),
		says: /does not hold: component 1: |costume 1/
	},
	'a row of the handbook that is none': {
		spoil: (t) =>
			t.handbook_row!.push({
				id: 77,
				table_name: 'technique',
				key: 'ownx',
				content: { name: 5 },
				version: 1
			}),
		says: /does not hold: row of the handbook 77/
	},
	'an outline that is none': {
		spoil: (t) => (t.offcut![0]!.outline = [{ x: 1 }]),
		says: /does not hold: offcut \d+: its outline/
	},
	'settings that are gone': {
		spoil: (t) => (t.setting = []),
		says: /does not hold: settings: they are missing/
	},
	'History of a table that there is not': {
		spoil: (t) => (t.change!.at(-1)!.table_name = 'secret'),
		says: /does not hold: change \d+: there is no table “secret”/
	},
	'History that could not be taken back': {
		spoil: (t) => {
			const change = t.change!.findLast((c) => c.after)!;
			change.after = { ...(change.after as object), version: 'first' };
		},
		says: /does not hold: change \d+, [a-z ]+: invalid input syntax/
	},
	'an undoing of nothing': {
		spoil: (t) => (t.action!.at(-1)!.undoes = [99999]),
		says: /does not hold: action \d+: it takes back one that is not there/
	}
};

test('of a row of a backup that does not hold, table and row are told, and nothing has changed', async (t) => {
	for (const [name, { spoil, says }] of Object.entries(SPOILED))
		await t.test(name, async () => {
			const was = await everything();
			const json = backup();
			spoil(json.tables);
			await assert.rejects(
				restoreBackup(w.db, packed(json)),
				(error) => error instanceof Refused && says.test(error.message)
			);
			assert.equal(await everything(), was);
		});
});

test('a backup without one of its pictures is refused where the picture is not here; kept rows alone are taken', async () => {
	const other = await demoWorkshop();
	const files = () => readdirSync(join(other.folder, 'files')).length;
	const json = backup();
	json.tables.photo![0]!.hash = 'a'.repeat(64);
	const there = files();
	const new_ = { ...entries };
	await assert.rejects(
		restoreBackup(other.db, packed(json, new_)),
		(error) => error instanceof Refused && /does not hold: photo 1: its picture/.test(error.message)
	);
	assert.equal(files(), there, 'nothing that it brought is left');
	await restoreBackup(other.db, packed(json, {}), { pictures: false });
	await other.close();
});

test('what was spoiled whole comes back whole', async () => {
	const was = await all(w.db, 'select * from step order by id');
	await restoreBackup(w.db, packed(backup()));
	assert.deepEqual(await all(w.db, 'select * from step order by id'), was);
});
