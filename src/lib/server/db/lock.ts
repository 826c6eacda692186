import { createHash } from 'node:crypto';
import {
	closeSync,
	mkdirSync,
	openSync,
	realpathSync,
	readFileSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { join } from 'node:path';

/** Another process holds the data folder. */
export class FolderInUse extends Error {
	constructor(
		readonly folder: string,
		readonly address: string | null
	) {
		super(
			`The data folder ${folder} is already open in another Dapper Ledger${address ? `, at ${address}` : ''}. Use that one, or stop it first.`
		);
	}
}

export interface FolderLock {
	release(): void;
}

const NOTE = 'open-at.txt';

/**
 * Holds a data folder for one process: two on one folder would corrupt it silently. On Linux and
 * Windows the holder is a socket, which the system frees even after kill -9: on Linux one that is named by the folder itself, not by a
 * path to it, and one in the folder, which is seen from other containers too. Elsewhere a file with the process id, checked for life.
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
	mkdirSync(folder, { recursive: true });
	const real = realpathSync(folder);
	if (process.platform === 'linux') {
		// By whichever path or mount it is reached, a folder has one device and number.
		const { dev, ino } = statSync(real, { bigint: true });
		const here = await lockSocket(real, `\0dapper-ledger-${dev}-${ino}`);
		try {
			const inFolder = await lockInFolder(real);
			return {
				release() {
					inFolder.release();
					here.release();
				}
			};
		} catch (error) {
			here.release();
			throw error;
		}
	}
	const name = `dapper-ledger-${createHash('sha256').update(real).digest('hex').slice(0, 24)}`;
	if (process.platform === 'win32') return lockSocket(real, `\\\\.\\pipe\\${name}`);
	return lockFile(real);
}

/** Writes where the folder is served, for the message of a second start. */
export const noteAddress = (folder: string, address: string): void =>
	writeFileSync(join(folder, NOTE), address);

function addressNote(folder: string): string | null {
	try {
		return readFileSync(join(folder, NOTE), 'utf8').trim() || null;
	} catch {
		return null;
	}
}

function lockSocket(folder: string, path: string): Promise<FolderLock> {
	return new Promise((resolve, reject) => {
		const server: Server = createServer((socket) => socket.destroy());
		server.once('error', (error: NodeJS.ErrnoException) =>
			reject(error.code === 'EADDRINUSE' ? new FolderInUse(folder, addressNote(folder)) : error)
		);
		server.listen(path, () => {
			server.unref();
			resolve({ release: () => server.close() });
		});
	});
}

const SOCKET = 'open.lock';
/** Another one that took a dead holder's place at the same moment has done so by then, ms. */
const SETTLED = 100;

/** A socket in the folder: whoever can reach the folder finds it, in another container as well. A dead holder's is taken away. */
export async function lockInFolder(folder: string): Promise<FolderLock> {
	// A path to a socket may have some hundred letters: by the open folder it is short, however deep that lies.
	const open = openSync(folder, 'r');
	const path = `/proc/self/fd/${open}/${SOCKET}`;
	const listen = (): Promise<Server | NodeJS.ErrnoException> =>
		new Promise((resolve) => {
			const server = createServer((socket) => socket.destroy());
			server.once('error', resolve);
			server.listen(path, () => {
				server.unref();
				resolve(server);
			});
		});
	const answers = (): Promise<boolean> =>
		new Promise((resolve) => {
			const socket = connect(path, () => {
				socket.destroy();
				resolve(true);
			});
			socket.once('error', () => resolve(false));
		});
	let held = await listen();
	let taken = false;
	if (!('listening' in held) && held.code === 'EADDRINUSE') {
		if (await answers()) {
			closeSync(open);
			throw new FolderInUse(folder, addressNote(folder));
		}
		rmSync(path, { force: true });
		taken = true;
		held = await listen();
	}
	// There are file systems without sockets: the other lock has to do there.
	if (!('listening' in held)) {
		closeSync(open);
		if (held.code === 'EADDRINUSE') throw new FolderInUse(folder, addressNote(folder));
		return { release() {} };
	}
	const server = held;
	const { ino } = statSync(path);
	if (taken) await new Promise((done) => setTimeout(done, SETTLED));
	const release = () => {
		server.close();
		closeSync(open);
	};
	if (statSync(path, { throwIfNoEntry: false })?.ino !== ino) {
		release();
		throw new FolderInUse(folder, addressNote(folder));
	}
	return { release };
}

function lockFile(folder: string): FolderLock {
	const path = join(folder, 'open.pid');
	try {
		writeFileSync(path, String(process.pid), { flag: 'wx' });
	} catch {
		const holder = Number(readFileSync(path, 'utf8'));
		if (holder && holder !== process.pid && isAlive(holder))
			throw new FolderInUse(folder, addressNote(folder));
		writeFileSync(path, String(process.pid));
	}
	return { release: () => rmSync(path, { force: true }) };
}

function isAlive(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return true;
	} catch (error) {
		return (error as NodeJS.ErrnoException).code === 'EPERM';
	}
}
