import { PGlite, type PGliteOptions } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';
import { closeSync, existsSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import { open, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { whyNotStored } from '../trouble.ts';

/** What of the library's file system is used here: its documents do not name it. */
interface Stream {
	/** Of a file that is open; a folder has none. */
	nfd?: number;
	node: object;
}
interface NodeFiles {
	realPath(node: object): string;
	stream_ops: {
		fsync?: (stream: Stream) => number;
		write: (stream: Stream, ...its: unknown[]) => number;
	};
}

/** Files by their descriptor and path, told when they are on the disk. */
export type Synced = (path: string) => void;

/**
 * The data folder as the database sees it, with a sync that reaches the disk. The library leaves it out, and begins the database with
 * syncing off; so a commit would be answered while it is in the system's memory only.
 */
class OnDisk extends NodeFS {
	readonly #synced: Synced;
	readonly #ended: (error: unknown) => void;
	constructor(folder: string, synced: Synced, ended: (error: unknown) => void) {
		super(folder);
		this.#synced = synced;
		this.#ended = ended;
	}
	/** What was written is not known to be there, and asking again would not tell. Opened anew, the log says what counts. */
	#lost(error: unknown): never {
		this.#ended(error);
		throw error;
	}
	override async init(...its: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
		const { emscriptenOpts } = await super.init(...its);
		const told = this.#synced;
		const patched = (module: unknown) => {
			const { NODEFS: files } = module as { NODEFS: NodeFiles };
			const { write } = files.stream_ops;
			files.stream_ops.fsync = (stream) => {
				const path = files.realPath(stream.node);
				try {
					if (stream.nfd === undefined) syncFolder(path);
					else fsyncSync(stream.nfd);
				} catch (error) {
					this.#lost(error);
				}
				told(path);
				return 0;
			};
			files.stream_ops.write = (stream, ...its) => {
				try {
					return write(stream, ...its);
				} catch (error) {
					if (files.realPath(stream.node).includes('pg_wal')) this.#lost(error);
					throw error;
				}
			};
		};
		return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), patched] } };
	}
}

/** A name that was given or taken away in a folder is on the disk with the folder. Windows has no such thing, and needs none. */
function syncFolder(path: string): void {
	if (process.platform === 'win32') return;
	const folder = openSync(path, 'r');
	try {
		fsyncSync(folder);
	} finally {
		closeSync(folder);
	}
}

/** Everything in a folder, and the folder: for files that somebody else wrote. */
function syncAll(path: string): void {
	for (const entry of readdirSync(path, { withFileTypes: true })) {
		const at = join(path, entry.name);
		if (entry.isDirectory()) syncAll(at);
		else if (entry.isFile()) {
			const file = openSync(at, 'r+');
			try {
				fsyncSync(file);
			} finally {
				closeSync(file);
			}
		}
	}
	syncFolder(path);
}

/** Without `-F`, which turns syncing off; fsync and not fdatasync, which the library answers without doing it. */
const DURABLE = [
	...PGlite.defaultStartParams.filter((param) => param !== '-F'),
	...[
		'-c',
		'fsync=on',
		'-c',
		'wal_sync_method=fsync',
		'-c',
		'synchronous_commit=on',
		'-c',
		'full_page_writes=on'
	]
];

/** The files of the database are there, and cannot be read as one. */
export class CannotOpen extends Error {
	constructor(folder: string, cause: unknown) {
		super(
			`The database in ${folder} cannot be opened: its files are damaged, or not all there. Keep them; start with another data folder, and restore the newest file of ${join(dirname(folder), 'backups')} there.`,
			{ cause }
		);
	}
}

/** The database would try for ever. */
function stopAtOnce(error: unknown): void {
	console.error(
		`Stopped: ${whyNotStored(error) ?? String(error)}. What was acknowledged is on the disk; start again when that is put right.`
	);
	process.exit(4);
}

/** Opens a database in a folder: what it has acknowledged is on the disk. @param synced is told of every file and folder that was */
export async function openOnDisk(
	folder: string,
	options: PGliteOptions,
	synced: Synced = () => {},
	ended: (error: unknown) => void = stopAtOnce
): Promise<PGlite> {
	const isNew = !existsSync(join(folder, 'PG_VERSION'));
	const pg = await PGlite.create({
		...options,
		fs: new OnDisk(folder, synced, ended),
		relaxedDurability: false,
		startParams: DURABLE
	}).catch((error: unknown) => {
		throw isNew ? error : new CannotOpen(folder, error);
	});
	if (isNew) {
		syncAll(folder);
		syncFolder(dirname(folder));
	}
	return pg;
}

/** Writes a file whole or not at all, and its name with it: after a power cut there is the old one or the new one. */
export async function writeDurably(path: string, data: Uint8Array | string): Promise<void> {
	const half = `${path}.${process.pid}.half`;
	try {
		await writeFile(half, data, { flush: true });
		await rename(half, path);
	} catch (error) {
		await rm(half, { force: true });
		throw error;
	}
	if (process.platform === 'win32') return;
	const folder = await open(dirname(path), 'r');
	try {
		await folder.sync();
	} finally {
		await folder.close();
	}
}
