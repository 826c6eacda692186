/**
 * A large shop in a data folder: the demo's costumes over and over, with their History, and as many makers as are asked for.
 * `node --import tsx --import ./scripts/as-built.mjs bench/largeShop.ts FOLDER [COSTUMES [MAKERS]]`
 */
import { startClock } from '../src/lib/server/clock.ts';
import { writeBackup } from '../src/lib/server/backup.ts';
import { restoreBackup } from '../src/lib/server/restore.ts';
import { openDatabase } from '../src/lib/server/db/open.ts';
import { layOutDemo } from '../src/lib/server/demo/layOut.ts';
import { prepareWorkshop } from '../src/lib/server/firstStart.ts';
import { unzip, zip } from '../src/lib/server/zip.ts';

type Row = Record<string, unknown> & { id: number };
interface Backup {
	schema: number;
	tables: Record<string, Row[]>;
}

/** Tables of a costume, each with the columns that link to another row of it. */
const LINKS: Record<string, Record<string, string>> = {
	component: { costume_id: 'costume', parent_id: 'component' },
	coat: { component_id: 'component' },
	fault: { component_id: 'component', came_back_of: 'fault' },
	step: { component_id: 'component', coat_id: 'coat', fault_id: 'fault' },
	step_after: { step_id: 'step', after_id: 'step' },
	work_log: { step_id: 'step' },
	need: { component_id: 'component', step_id: 'step' },
	purchase: { costume_id: 'costume', component_id: 'component' },
	costume_wearer: { costume_id: 'costume' },
	opening: { component_id: 'component' },
	nominal: { component_id: 'component' },
	shape: { component_id: 'component' },
	photo: { costume_id: 'costume', component_id: 'component', step_id: 'step', fault_id: 'fault' }
};
/** The costume that is repeated, and how many of the copies are made already and only mended. */
const MODEL = 1;
const MADE_SHARE = 0.6;
const PHOTOS = 30;
const ACTIONS = 500;

/** The costume `MODEL` in place of all, `count` times. */
function grow({ schema, tables }: Backup, count: number, makers: number): Backup {
	const grown: Record<string, Row[]> = { ...tables, action: [], change: [] };
	for (const name of [...Object.keys(LINKS), 'costume']) grown[name] = [];
	for (const name of [
		'reference_picture',
		'callout',
		'picture_measure',
		'decision',
		'fitting',
		'fitting_component',
		'fitting_point',
		'layout',
		'found_plan',
		'offcut'
	])
		grown[name] = [];
	const next = new Map<string, number>();
	const idIn = (table: string) => (next.set(table, (next.get(table) ?? 0) + 1), next.get(table)!);
	for (let n = 0; n < count; n++) {
		const made = n < count * MADE_SHARE;
		const ids = new Map<string, number>();
		const costume = tables.costume!.find((c) => c.id === MODEL)!;
		const id = idIn('costume');
		ids.set(`costume ${MODEL}`, id);
		const event = new Date(Date.UTC(2031, 5, 1 + 7 * n, 10));
		grown.costume!.push({
			...costume,
			id,
			name: `${costume.name as string} ${n + 1}`,
			event_at: event.toISOString().slice(0, 19)
		});
		for (const [table, links] of Object.entries(LINKS)) {
			const its = tables[table]!.filter((r) =>
				Object.entries(links).every(
					([column, to]) => r[column] == null || ids.has(`${to} ${String(r[column])}`) || to === table
				)
			);
			for (const r of its) ids.set(`${table} ${r.id}`, idIn(table));
			for (const r of its) {
				const linked = Object.entries(links).map(([column, to]) => [
					column,
					ids.get(`${to} ${String(r[column])}`) ?? null
				]);
				const done =
					table === 'step' && made ? { done_at: r.done_at ?? '2031-04-20T10:00:00', pinned_at: null } : {};
				const timer = table === 'work_log' ? { ended_at: r.ended_at ?? '2031-04-30T10:00:00' } : {};
				grown[table]!.push({
					...r,
					...done,
					...timer,
					...Object.fromEntries(linked),
					id: ids.get(`${table} ${r.id}`)!
				});
			}
		}
		const photo = tables.photo![0]!;
		for (let p = grown.photo!.filter((r) => r.costume_id === id).length; p < PHOTOS; p++)
			grown.photo!.push({
				...photo,
				id: idIn('photo'),
				costume_id: id,
				component_id: null,
				step_id: null,
				fault_id: null,
				caption: `Photo ${p}`
			});
	}
	hire(grown, makers);
	history(grown, count);
	return { schema, tables: grown };
}

/** More makers with the hours of the first. */
function hire(grown: Record<string, Row[]>, count: number): void {
	const first = grown.maker![0]!;
	const hours = grown.working_window!.filter((w) => w.maker_id === first.id);
	const next = (table: string) => 1 + Math.max(...grown[table]!.map((r) => r.id));
	while (grown.maker!.length < count) {
		const id = next('maker');
		grown.maker!.push({ ...first, id, name: `Maker ${id}`, position: id });
		for (const h of hours) grown.working_window!.push({ ...h, id: next('working_window'), maker_id: id });
	}
}

/** Steps that were renamed and logged on, now and then taken back. */
function history(grown: Record<string, Row[]>, count: number): void {
	const costumeOf = new Map(grown.component!.map((c) => [c.id, c.costume_id]));
	const steps = grown.step!;
	for (let id = 1; id <= count * ACTIONS; id++) {
		const step = steps[(id * 7919) % steps.length]!;
		const back = id % 20 === 0;
		grown.action!.push({
			id,
			at: '2031-04-01T10:00:00',
			who: '',
			words: back ? `Undid: Changed step ${id - 1}` : `Changed step ${id}`,
			costume_id: costumeOf.get(step.component_id as number),
			undoes: back ? [id - 1] : [],
			chosen: false,
			form_key: null,
			answer: null
		});
		grown.change!.push({
			id,
			action_id: id,
			table_name: 'step',
			row_id: step.id,
			before: { ...step, name: `step ${id}` },
			after: step
		});
	}
}

/** Fills an empty data folder. */
export async function layOutLargeShop(folder: string, count: number, makers = 0): Promise<void> {
	startClock('2031-05-02T09:00');
	const db = await openDatabase(folder);
	await prepareWorkshop(db);
	await layOutDemo(db);
	const entries = unzip(await writeBackup(db), 4e9, 4e9);
	const backup = JSON.parse(Buffer.from(entries['backup.json']!).toString('utf8')) as Backup & object;
	const large = { ...backup, ...grow(backup, count, makers) };
	await restoreBackup(db, zip({ 'backup.json': Buffer.from(JSON.stringify(large)) }));
	await db.close();
}

const [, script, folder, costumes, makers] = process.argv;
if (script?.endsWith('largeShop.ts') && folder)
	await layOutLargeShop(folder, Number(costumes ?? 100), Number(makers ?? 0));
