import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { after, before, test } from 'node:test';
import { z } from 'zod';
import { seeded } from '$tests/support/planCases.ts';
import { demoWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { TABLE_NAMES } from '../../core/facts/tables.ts';
import { readCostumeFile } from '../../core/formats/costumeFile/read.ts';
import { contextOf, runCommand, type Command } from './commands/command.ts';
import { formValues } from './commands/formValues.ts';
import { costumeFileOf } from './costumeFile.ts';
import { all, Absent, Refused, Stale } from './db/rows.ts';
import { loadWorkshop } from './read/workshop.ts';

let w: TestWorkshop;
const commands = new Map<string, Command>();
before(async () => {
	w = await demoWorkshop();
	const areas = readdirSync('src/lib/server/commands').filter(
		(f) => f.endsWith('.ts') && !f.includes('.test.')
	);
	for (const area of areas.map((f) => f.slice(0, -3)).filter((a) => a !== 'actions'))
		for (const group of Object.values((await import(`./commands/${area}.ts`)) as object))
			for (const [name, its] of Object.entries((group ?? {}) as object))
				if (its && typeof its === 'object' && 'input' in its && 'run' in its)
					commands.set(name, its as Command);
});
after(() => w.close());

/** What somebody may send in any field. */
const HOSTILE = [
	...[
		'',
		' ',
		'0',
		'-1',
		'1',
		'2',
		'7',
		'999',
		'2147483648',
		'99999999999999999999',
		'1e308',
		'-1e-308',
		'0x10'
	],
	...[
		'NaN',
		'Infinity',
		'null',
		'undefined',
		'true',
		'on',
		'[]',
		'{}',
		'[[[1,2],[3,4],[5,6]]]',
		'{"a":{"b":1}}'
	],
	...['a\u0000b', '\ud800', '\u202e\u0301\u{1f9f5}'.repeat(20), 'x'.repeat(6000), '<script>1</script>'],
	...["'; drop table step; --", '../../etc/passwd', '%00', '__proto__', 'constructor', '2031-02-30', '25:61'],
	...[
		'2031-05-16T09:00',
		'9999-12-31T23:59',
		'0000-01-01T00:00',
		'2031-05-16',
		'12 cm',
		'-5 m',
		'1/0',
		'1,234'
	]
];
/** What fields ask for, so that something gets past the edge. */
const FITTING = [
	...[
		'1',
		'2',
		'Name',
		'on',
		'',
		'10',
		'2031-06-16T09:00',
		'2031-06-16',
		'30m',
		'12 cm',
		'5',
		'0',
		'EUR',
		'foam'
	],
	...[
		'armor',
		'sheet',
		'none',
		'windows',
		'cut',
		'chest',
		'make',
		'near',
		'rigid',
		'left',
		'mm',
		'm',
		'g',
		'09:00'
	],
	...['[]', '[[0,0],[100,0],[100,100]]', '{}', 'waist', 'cone', 'A', '0.5', '50']
];

/** How often each command is sent; `DAPPER_FUZZ=200 node scripts/unit.mjs fuzz` is the long form. */
const ROUNDS = Number(process.env['DAPPER_FUZZ'] ?? 6);

/** Files as they begin, which then end or go on as anything. */
const FILES = [
	['x.png', ''],
	['x.png', '\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\xff\xff\xff\0\xff\xff\xff\x08\x06\0\0\0'],
	['x.jpg', '\xff\xd8\xff\xe1\xff\xffExif\0\0'],
	['x.webp', 'RIFF\xff\xff\xff\x7fWEBPVP8X'],
	['x.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="1e308mm"><path d="M0 0'],
	['x.dxf', '0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n90\n99999999\n'],
	['x.zip', 'PK\x03\x04\x14\0\0\0\x08\0'],
	['x.zip', 'PK\x05\x06\0\0\0\0\xff\xff\xff\xff\xff\xff\xff\xff'],
	['x.ics', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:99999999T999999'],
	['x.json', '{"format":"dapper-ledger-handbook","rows":[{"key":'],
	['x.csv', 'code,name\r\n"A,'],
	['x.html', '<html><script>1</script>']
] as const;

/** The names of a schema's fields, through whatever it is wrapped in. */
function fieldsOf(schema: unknown): string[] {
	const { parts } = schema as { parts?: unknown[] };
	if (parts) return parts.flatMap(fieldsOf);
	const { def } = (schema as { _zod?: { def?: Record<string, unknown> } })._zod ?? {};
	if (!def) return [];
	if (def.shape) return Object.keys(def.shape);
	const inside = [def.in, def.out, def.innerType, def.left, def.right, ...((def.options as unknown[]) ?? [])];
	return [...new Set(inside.flatMap((one) => (one ? fieldsOf(one) : [])))];
}

/** As the routes sort it: all else would be an answer of 500. */
const isSorted = (error: unknown) =>
	error instanceof Refused ||
	error instanceof Stale ||
	error instanceof Absent ||
	/^(22|23503|23514)/.test(String((error as { code?: unknown }).code ?? ''));

test('every field of every command takes whatever is sent: an answer in words, never a fall', async () => {
	assert.ok(commands.size > 80, `${commands.size} commands`);
	const random = seeded(20);
	const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
	const noise = (length: number) => Array.from({ length }, () => Math.floor(random() * 256));
	const file = () => {
		const [name, begins] = pick(FILES);
		return new File([Buffer.from(begins, 'latin1'), new Uint8Array(noise(pick([0, 3, 300])))], name);
	};
	let sent = 0;
	let done = 0;
	const fallen: string[] = [];
	for (const [name, command] of commands)
		for (let n = 0; n < ROUNDS; n++) {
			const costumeId = pick([1, 1, 1, 2, 3, 0, 999]);
			const context = await contextOf(w.db, w.folder, { costume: String(costumeId) });
			const form = new FormData();
			const names = fieldsOf(command.input(context));
			const value = (list: readonly string[]) => (random() < 0.06 ? file() : pick(list));
			for (const field of names) form.set(field, value(HOSTILE));
			let parsed: { success: boolean; data?: unknown; error?: z.ZodError };
			try {
				parsed = command.input(context).safeParse(formValues(form));
				// Fields that are refused are typed again; the others stay as they are.
				for (let tries = 0; !parsed.success && tries < 40; tries++) {
					for (const issue of parsed.error!.issues) {
						const field = String(issue.path[0] ?? '');
						if (!field) continue;
						form.delete(field);
						form.delete(`${field}[]`);
						form.set(random() < 0.2 ? `${field}[]` : field, value(FITTING));
					}
					parsed = command.input(context).safeParse(formValues(form));
				}
				sent++;
				if (!parsed.success) continue;
				await runCommand(w.db, command, parsed.data as never, context);
				done++;
			} catch (error) {
				if (!isSorted(error))
					fallen.push(`${name} of costume ${costumeId}: ${String(error)}\n${JSON.stringify([...form])}`);
			}
		}
	assert.deepEqual(fallen, []);
	assert.equal(sent, commands.size * ROUNDS);
	assert.ok(done > 50, `${done} of ${sent} got past the edge and were done`);
});

test('after all that every costume is whole: its file can be read again', async () => {
	const workshop = await loadWorkshop(w.db);
	const costumes = await all<{ id: number }>(w.db, 'select id from costume');
	assert.ok(costumes.length > 0);
	for (const { id } of costumes) {
		const file = JSON.parse(JSON.stringify(await costumeFileOf(w.db, id, workshop))) as unknown;
		const read = readCostumeFile(file);
		assert.ok(read.ok, read.ok ? '' : read.reason);
	}
	for (const table of TABLE_NAMES)
		assert.ok(Array.isArray(await all(w.db, 'select rows_of($1)::text', [table])), table);
});
