import { existsSync, mkdtempSync, openAsBlob, readFileSync, rmSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startClock } from '../../src/lib/server/clock.ts';
import { contextOf, runCommand, type Command } from '../../src/lib/server/commands/command.ts';
import { openInMemory, type Database } from '../../src/lib/server/db/open.ts';
import { all } from '../../src/lib/server/db/rows.ts';
import { lastAction, undo } from '../../src/lib/server/db/undo.ts';
import { layOutDemo } from '../../src/lib/server/demo/layOut.ts';
import { prepareWorkshop } from '../../src/lib/server/firstStart.ts';
import { restoreBackup } from '../../src/lib/server/restore.ts';

export interface TestWorkshop {
	db: Database;
	folder: string;
	/** Runs a command as its form would: text in, checked by its own schema. */
	run: <R = { id: number }>(
		cmd: Command<never, never> | Command,
		values: Record<string, unknown>,
		costumeId?: number
	) => Promise<R>;
	/** The errors by field that a form would show. */
	errors: (
		cmd: Command,
		values: Record<string, unknown>,
		costumeId?: number
	) => Promise<Record<string, string>>;
	/** Takes the last action back, as the header's Undo does. */
	undoLast: () => Promise<void>;
	close: () => Promise<void>;
}

/** What was laid out once for all tests. */
function laidOutAs(name: string): string | null {
	const folder = process.env['DAPPER_TEST_START'];
	return folder && existsSync(join(folder, name)) ? join(folder, name) : null;
}

/** A workshop of its own in memory, with a folder for its pictures, whose time starts at `now`. */
export async function testWorkshop(now: string): Promise<TestWorkshop> {
	startClock(now);
	const folder = mkdtempSync(join(tmpdir(), 'dapper-test-'));
	await mkdir(join(folder, 'files'));
	const laidOut = laidOutAs('start.tar');
	const db = await openInMemory(folder, laidOut ? await openAsBlob(laidOut) : undefined);
	await prepareWorkshop(db);
	const context = (costumeId = 0) => contextOf(db, folder, costumeId ? { costume: String(costumeId) } : {});
	return {
		db,
		folder,
		run: async (cmd, values, costumeId) => {
			const at = await context(costumeId);
			const command = cmd as Command;
			const input = command.input(at).parse(values);
			return (await runCommand(db, command, input, at)).result as never;
		},
		errors: async (cmd, values, costumeId) => {
			const parsed = cmd.input(await context(costumeId)).safeParse(values);
			return Object.fromEntries(parsed.error?.issues.map((i) => [String(i.path[0]), i.message]) ?? []);
		},
		undoLast: async () => {
			await undo(db, lastAction);
		},
		close: async () => {
			await db.close();
			rmSync(folder, { recursive: true, force: true });
		}
	};
}

/** A costume as its form sends it. */
export const COSTUME = {
	name: 'Reed singer',
	wearer: 'Tam',
	eventName: '',
	eventAt: '2099-05-16T09:00',
	limit: '',
	currency: 'EUR'
};
export const COMPONENT = {
	code: '',
	name: 'Breastplate',
	kind: 'armor',
	form: '6 mm foam',
	layer: '2',
	zones: ['chest'],
	side: 'none',
	count: '1',
	flex: 'rigid',
	source: 'make',
	seenFrom: 'near',
	lookNeed: '5',
	note: '',
	route: 'foamPlate',
	parentId: ''
};

export const MATERIAL = {
	name: 'High-density foam 6 mm',
	family: 'foam',
	unit: 'sheet',
	packSize: '1',
	packPriceMinor: '14.50',
	supplier: 'foam shop',
	leadDays: '5',
	leadWorkingDays: 'on',
	stash: '0',
	stashNote: '',
	coatProduct: ''
};

/** Costumes that are being worked on, or put away. */
export async function costumeIds(db: Database, archived: boolean): Promise<number[]> {
	const rows = await all<{ id: number }>(
		db,
		'select id from costume where (archived_at is not null) = $1 order by event_at, id',
		[archived]
	);
	return rows.map((r) => r.id);
}

/** When the demo was laid out that tests share. */
export const DEMO_NOW = '2031-04-28T18:00';

/** The same with the demo in it, as it is laid out at `DEMO_NOW`. */
export async function demoWorkshop(): Promise<TestWorkshop> {
	const w = await testWorkshop(DEMO_NOW);
	const laidOut = laidOutAs('demo.zip');
	if (laidOut) {
		await restoreBackup(w.db, readFileSync(laidOut));
		rmSync(join(w.folder, 'backups'), { recursive: true });
	} else await layOutDemo(w.db);
	return w;
}
