import { createHash } from 'node:crypto';
import { mkdirSync, realpathSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
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
 * Windows the holder is a socket named by the folder's hash, which the system frees even after
 * kill -9; elsewhere a file with the process id, checked for life.
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
	mkdirSync(folder, { recursive: true });
	const real = realpathSync(folder);
	const name = `dapper-ledger-${createHash('sha256').update(real).digest('hex').slice(0, 24)}`;
	if (process.platform === 'linux') return lockSocket(real, `\0${name}`);
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
