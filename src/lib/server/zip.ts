import { promisify } from 'node:util';
import { unzipSync, Unzip, UnzipInflate, zip as zipAside, zipSync, type AsyncZippable } from 'fflate';
import { Refused } from './db/rows.ts';

/** A few kilobytes unpack to a few megabytes at most, so a bomb is noticed before it hurts. */
const PIECE = 8192;
/** Text is read whole into memory: no costume needs this much of it. */
const MOST_TEXT = 64 * 1024 * 1024;

export type Entries = Record<string, Uint8Array>;

/** Pictures are packed already; only text gains from packing. */
const zippable = (entries: Entries): AsyncZippable =>
	Object.fromEntries(
		Object.entries(entries).map(([name, data]) => [name, [data, { level: name.endsWith('.json') ? 6 : 0 }]])
	);

export const zip = (entries: Entries): Uint8Array => zipSync(zippable(entries) as never);

/** The same, packed beside: pages are answered meanwhile. */
export const zipped: (entries: Entries) => Promise<Uint8Array> = (entries) =>
	promisify<AsyncZippable, Uint8Array>(zipAside)(zippable(entries));

/**
 * Unpacks a file from elsewhere. Sizes are counted while unpacking, not believed from the headers:
 * a zip bomb ends at the limit.
 */
export function unzip(data: Uint8Array, mostBytes: number, mostText = MOST_TEXT): Entries {
	const out: Entries = {};
	let total = 0;
	let failed: string | null = null;
	const reader = new Unzip((file) => {
		if (failed || !/^[\w./-]+$/.test(file.name) || file.name.includes('..')) return;
		const parts: Uint8Array[] = [];
		let size = 0;
		file.ondata = (error, chunk, final) => {
			if (failed) return;
			if (error) {
				failed = 'The file is damaged or cut off.';
				return;
			}
			total += chunk.byteLength;
			size += chunk.byteLength;
			const most = file.name.endsWith('.json') ? Math.min(mostText, mostBytes) : mostBytes;
			if (size > most || total > mostBytes) {
				failed = `Unpacked, the file is larger than ${Math.round(most / 1048576)} MB.`;
				file.terminate();
				return;
			}
			parts.push(chunk);
			if (final) out[file.name] = Buffer.concat(parts);
		};
		file.start();
	});
	reader.register(UnzipInflate);
	try {
		for (let at = 0; at < data.byteLength && !failed; at += PIECE)
			reader.push(data.subarray(at, at + PIECE), at + PIECE >= data.byteLength);
		// The list at the end of a whole zip names every entry; a file cut off has none.
		if (!failed) unzipSync(data, { filter: () => false });
	} catch {
		failed ??= 'The file is damaged or cut off.';
	}
	if (failed) throw new Refused(failed, 'file');
	return out;
}
