/**
 * Kills the server with SIGKILL in the midst of writes, again and again: `node scripts/kill.mjs 20`. Each round is of another kind:
 * commands of all sorts, uploads, imports, restores, undoing, cutting, the first start, a migration, a backup. After each the database
 * opens; whatever was acknowledged is there; every table is what it was before with History's changes put on it, so nothing is half
 * done; every picture is the file that its hash names; no half file and no broken backup lies about.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { unzipSync } from 'fflate';
import sharp from 'sharp';

/** @typedef {Record<string, unknown> & { id: number }} Row */
/** @typedef {{ tables: Record<string, Row[]>, files: Record<string, Uint8Array>, zip: Buffer }} Snapshot */
/** @typedef {{ words: string[], restored: Snapshot[] }} Acknowledged */

const rounds = Number(process.argv[2] ?? 3);
const home = mkdtempSync(join(tmpdir(), 'dapper-kill-'));
const NOW = '2031-05-02T09:00';
const PORT = 4395;
/** Where the server says it is: another may have the port. */
let address = '';
const wait = (/** @type {number} */ ms) => new Promise((done) => setTimeout(done, ms));
const some = (/** @type {number} */ from, /** @type {number} */ to) => from + Math.random() * (to - from);

/** @type {import('node:child_process').ChildProcess | null} */
let server = null;

/** Begins to start, and tells when it is ready. */
function start(/** @type {string} */ folder) {
	const its = spawn(process.execPath, ['scripts/run.mjs', 'start'], {
		env: { ...process.env, DAPPER_DATA: folder, DAPPER_NOW: NOW, PORT: String(PORT) },
		stdio: ['ignore', 'pipe', 'pipe']
	});
	server = its;
	/** @type {Promise<void>} */
	const ready = new Promise((resolve, reject) => {
		let said = '';
		const hear = (/** @type {Buffer} */ chunk) => {
			said += chunk;
			const at = /is open at (\S+)/.exec(said);
			if (!at) return;
			address = String(at[1]);
			resolve();
		};
		its.stdout.on('data', hear);
		its.stderr.on('data', hear);
		its.once('exit', (code) => reject(new Error(`the server ended with ${code}:\n${said}`)));
	});
	// A server that is killed while it starts is never ready.
	ready.catch(() => {});
	return ready;
}

async function kill() {
	const its = server;
	if (!its || its.exitCode !== null || its.signalCode !== null) return;
	const gone = new Promise((done) => its.once('exit', done));
	its.kill('SIGKILL');
	await gone;
}

/**
 * @param {string} path
 * @param {Record<string, string> | FormData} fields
 * @returns {Promise<{ done: string } | { refused: string }>}
 */
async function post(path, fields) {
	const answer = await fetch(address + path, {
		method: 'POST',
		headers: { origin: address, 'x-sveltekit-action': 'true', accept: 'application/json' },
		body: fields instanceof FormData ? fields : new URLSearchParams(fields)
	});
	const said = JSON.parse(await answer.text());
	if (said.type !== 'success') return { refused: JSON.stringify(said).slice(0, 300) };
	const data = JSON.parse(said.data);
	return { done: String(data[data[0].done]) };
}

/** @returns {Promise<Snapshot>} everything that is stored */
async function snapshot() {
	const zip = Buffer.from(await (await fetch(`${address}/backup`)).arrayBuffer());
	const entries = unzipSync(zip);
	const { tables } = JSON.parse(Buffer.from(/** @type {Uint8Array} */ (entries['backup.json'])).toString());
	const files = Object.fromEntries(
		Object.entries(entries).flatMap(([name, data]) =>
			name.startsWith('files/') ? [[name.slice(6), data]] : []
		)
	);
	return { tables, files, zip };
}

const HISTORY = ['action', 'change'];

/**
 * What `before` is with the changes put on it that `after` has recorded since.
 * @param {Snapshot} before
 * @param {Snapshot} after
 */
function changedAsRecorded(before, after) {
	/** @type {Record<string, Map<number, unknown>>} */
	const tables = {};
	for (const [name, rows] of Object.entries(before.tables))
		if (!HISTORY.includes(name)) tables[name] = new Map(rows.map((row) => [row.id, row]));
	const last = Math.max(0, ...(before.tables.change ?? []).map((c) => c.id));
	for (const change of after.tables.change ?? []) {
		if (change.id <= last) continue;
		const table = tables[String(change.table_name)];
		if (change.after) table?.set(Number(change.row_id), change.after);
		else table?.delete(Number(change.row_id));
	}
	return tables;
}

/** Whether every table but History is the same. */
const sameTables = (/** @type {Snapshot} */ a, /** @type {Snapshot} */ b) =>
	Object.keys(a.tables)
		.filter((name) => !HISTORY.includes(name))
		.every((name) => isDeepStrictEqual(a.tables[name], b.tables[name]));

/**
 * @param {Snapshot} before
 * @param {Snapshot} after
 * @param {Acknowledged} acknowledged
 */
function check(before, after, acknowledged) {
	const { restored, words } = acknowledged;
	if (restored.length > 0) {
		// Restores replace all: it is as one of those that were sent, or as before.
		const is = [before, ...restored].some((one) => sameTables(one, after));
		if (!is)
			throw new Error('after a restore the tables are neither those of before nor those of the backup');
		return;
	}
	const expected = changedAsRecorded(before, after);
	for (const [name, rows] of Object.entries(expected)) {
		const there = new Map((after.tables[name] ?? []).map((row) => [row.id, row]));
		for (const id of new Set([...rows.keys(), ...there.keys()]))
			if (!isDeepStrictEqual(rows.get(id), there.get(id)))
				throw new Error(
					`${name} ${id} is not what History says:\n${JSON.stringify(there.get(id))}\n${JSON.stringify(rows.get(id))}`
				);
	}
	const actions = new Set((after.tables.action ?? []).map((a) => a.id));
	const orphan = (after.tables.change ?? []).find((c) => !actions.has(Number(c.action_id)));
	if (orphan) throw new Error(`change ${orphan.id} is of no action`);
	const old = new Set((before.tables.action ?? []).map((a) => a.id));
	const fresh = (after.tables.action ?? []).filter((a) => !old.has(a.id)).map((a) => String(a.words));
	for (const said of words) {
		const at = fresh.indexOf(said);
		if (at < 0) throw new Error(`acknowledged and lost: ${said}`);
		fresh.splice(at, 1);
	}
}

/** Pictures are what their names say, and nothing is half there. */
function checkFiles(/** @type {string} */ folder, /** @type {Snapshot} */ { tables, files }) {
	for (const [name, data] of Object.entries(files))
		if (createHash('sha256').update(data).digest('hex') !== name)
			throw new Error(`picture ${name} is another`);
	for (const row of Object.values(tables).flat())
		if (typeof row.hash === 'string' && !files[row.hash]) throw new Error(`picture ${row.hash} is missing`);
	const backups = existsSync(join(folder, 'backups')) ? readdirSync(join(folder, 'backups')) : [];
	for (const name of backups.filter((name) => name.endsWith('.zip'))) {
		const data = readFileSync(join(folder, 'backups', name));
		// A name that was taken, and the file for it never came: it is empty, and says so.
		if (data.length > 0) JSON.parse(Buffer.from(unzipSync(data)['backup.json'] ?? []).toString());
	}
}

let count = 0;
const next = () => `k${++count}`;
/** @type {Record<string, () => [path: string, fields: Record<string, string> | FormData]>} */
const COMMANDS = {
	addCostume: () => [
		'/?/addCostume',
		{ name: `Costume ${next()}`, eventAt: '2099-05-16T09:00', limit: '10', currency: 'EUR' }
	],
	addMaker: () => ['/makers?/addMaker', { name: `Maker ${next()}` }],
	setExchangeRate: () => ['/settings?/setExchangeRate', { currency: 'USD', rate: String(1 + ++count) }],
	addMaterial: () => [
		'/stash?/addMaterial',
		{
			...{ name: `Foam ${next()}`, family: 'foam', unit: 'sheet', packSize: '1', packPriceMinor: '14.50' },
			...{ supplier: '', leadDays: '5', leadWorkingDays: 'on', stash: '0', stashNote: '', coatProduct: '' }
		}
	],
	addComponent: () => [
		'/c/1/look?/addComponent',
		{
			...{
				code: '',
				name: `Plate ${next()}`,
				kind: 'armor',
				form: 'foam',
				layer: '2',
				'zones[]': 'chest',
				side: 'none'
			},
			...{ count: '1', flex: 'rigid', source: 'make', seenFrom: 'near', lookNeed: '5', note: '' },
			...{ route: 'foamPlate', parentId: '' }
		}
	],
	logWork: () => [
		'/c/1/bench?/logWork',
		{ stepId: '1', makerId: '1', endedAt: '2031-05-01T20:00', minutes: '5', note: next() }
	]
};
const photo = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#824' } })
	.png()
	.toBuffer();
function upload() {
	const form = new FormData();
	// Each is another picture.
	form.set('photo', new Blob([new Uint8Array(photo)]), `${next()}.png`);
	for (const [name, value] of Object.entries({ componentId: '1', stepId: '', faultId: '', fittingId: '' }))
		form.set(name, value);
	form.set('caption', `Photo k${count}`);
	return form;
}

/**
 * Sends one after another until the server is gone. What it answered counts.
 * @param {Acknowledged} acknowledged
 * @param {() => [string, Record<string, string> | FormData]} make
 * @param {boolean} mayRefuse undoing ends, a cut layout is cut
 */
async function lane(acknowledged, make, mayRefuse = false) {
	for (;;) {
		const [path, fields] = make();
		try {
			const said = await post(path, fields);
			if ('done' in said) acknowledged.words.push(said.done);
			else if (!mayRefuse) throw new Error(`refused: ${path} ${said.refused}`);
		} catch (error) {
			if (error instanceof Error && error.message.startsWith('refused')) throw error;
			return;
		}
	}
}

const kinds = Object.values(COMMANDS);
/** @type {Record<string, (a: Acknowledged, before: Snapshot) => Promise<unknown>[]>} */
const KINDS = {
	commands: (a) =>
		[0, 1, 2].map((k) => {
			let n = k;
			return lane(a, () => /** @type {(typeof kinds)[number]} */ (kinds[n++ % kinds.length])());
		}),
	uploads: (a) => [0, 1].map(() => lane(a, () => ['/c/1/look/1?/addPhoto', upload()])),
	imports: (a) => [
		lane(a, () => {
			const form = new FormData();
			form.set('file', new Blob([new Uint8Array(costumeFile)]), 'costume.zip');
			return ['/?/importCostume', form];
		})
	],
	restore: (a) => [
		(async () => {
			const form = new FormData();
			form.set('kept', '');
			form.set('file', new Blob([new Uint8Array(first.zip)]), 'all.zip');
			// Sent is enough: it may be done and not answered any more.
			a.restored.push(first);
			await post('/settings?/restoreBackup', form).catch(() => {});
		})()
	],
	undo: (a) => {
		let n = 0;
		return [
			lane(
				a,
				() =>
					n++ % 3 === 0
						? (COMMANDS.logWork?.() ?? ['', {}])
						: [`/history?/${n % 3 === 1 ? 'redoLast' : 'undoLast'}`, {}],
				true
			)
		];
	},
	cut: (a, before) => {
		const open = (before.tables.layout ?? []).find((l) => l.cut_at === null);
		const fields = { id: String(open?.id), version: String(open?.version), least: '150' };
		let n = 0;
		return [
			lane(a, () => (n++ % 2 ? ['/history?/undoLast', {}] : ['/c/1/lay?/cutLayout', fields]), true),
			lane(a, () => COMMANDS.logWork?.() ?? ['', {}])
		];
	},
	backup: (a) => [
		lane(a, () => COMMANDS.logWork?.() ?? ['', {}]),
		fetch(`${address}/backup`)
			.then((answer) => answer.arrayBuffer())
			.catch(() => {})
	]
};

/** A start that is killed: the next one begins or ends what it had begun. */
async function killedStart(/** @type {string} */ folder, /** @type {number} */ longest) {
	void start(folder);
	await wait(some(100, longest));
	await kill();
	await start(folder);
	return snapshot();
}

// The demo as it is laid out, and data of an earlier version, each to begin with.
const demo = join(home, 'demo');
const laidOut = spawnSync(process.execPath, ['scripts/run.mjs', 'demo', '--and-stop'], {
	env: { ...process.env, DAPPER_DATA: demo, DAPPER_NOW: NOW, PORT: String(PORT) },
	stdio: ['ignore', 'ignore', 'inherit']
});
if (laidOut.status !== 0) process.exit(1);
const older = join(home, 'older');
const laidOld = spawnSync(
	process.execPath,
	[
		'--import',
		'tsx',
		'--import',
		'./scripts/as-built.mjs',
		'tests/support/layOutOlder.ts',
		join(older, 'db')
	],
	{ stdio: 'inherit' }
);
if (laidOld.status !== 0) process.exit(1);

/** @type {Snapshot} */
let first;
/** @type {Buffer} */
let costumeFile;
/** @type {Snapshot | null} */
let migrated = null;

async function round(/** @type {string} */ kind) {
	if (kind === 'first start') {
		const folder = mkdtempSync(join(home, 'first-'));
		const after = await killedStart(folder, 6000);
		if (after.tables.setting?.length !== 1 || after.tables.maker?.length !== 2)
			throw new Error('a first start that was killed left half a workshop');
		checkFiles(folder, after);
		await kill();
		return 'the next start is a first start';
	}
	if (kind === 'migration') {
		const copy = () => {
			const folder = mkdtempSync(join(home, 'older-'));
			cpSync(older, folder, { recursive: true });
			return folder;
		};
		if (!migrated) {
			await start(copy());
			migrated = await snapshot();
			await kill();
		}
		const after = await killedStart(copy(), 3000);
		if (!sameTables(migrated, after)) throw new Error('a migration that was killed came to other tables');
		await kill();
		return `${Object.values(after.tables).flat().length} rows as in one that was not killed`;
	}
	await start(demo);
	const before = await snapshot();
	/** @type {Acknowledged} */
	const acknowledged = { words: [], restored: [] };
	const lanes = Promise.all(
		/** @type {NonNullable<(typeof KINDS)[string]>} */ (KINDS[kind])(acknowledged, before)
	);
	lanes.catch(() => {});
	// The automatic backup begins after five seconds.
	await wait(
		kind === 'backup'
			? some(3000, 6500)
			: kind === 'restore' || kind === 'imports'
				? some(100, 4000)
				: some(300, 1500)
	);
	await kill();
	await lanes;
	await start(demo);
	const after = await snapshot();
	check(before, after, acknowledged);
	checkFiles(demo, after);
	await kill();
	return `${acknowledged.words.length} acknowledged`;
}

try {
	await start(demo);
	first = await snapshot();
	costumeFile = Buffer.from(await (await fetch(`${address}/c/2/out/costume`)).arrayBuffer());
	await kill();
	const order = [
		'commands',
		'restore',
		'uploads',
		'migration',
		'undo',
		'imports',
		'first start',
		'cut',
		'backup'
	];
	for (let n = 0; n < rounds; n++) {
		const kind = /** @type {string} */ (order[n % order.length]);
		const said = await round(kind);
		console.log(`kill ${n + 1} of ${rounds}, during ${kind}: ${said}, nothing lost`);
	}
} catch (error) {
	console.error(error instanceof Error ? error.message : error);
	process.exitCode = 1;
} finally {
	await kill();
	rmSync(home, { recursive: true, force: true });
}
