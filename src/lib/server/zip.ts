import { unzipSync, Unzip, UnzipInflate, zipSync } from 'fflate';
import { Refused } from './db/rows.ts';

export type Entries = Record<string, Uint8Array>;

/** Pictures are packed already; only text gains from packing. */
export const zip = (entries: Entries): Uint8Array =>
	zipSync(
		Object.fromEntries(
			Object.entries(entries).map(([name, data]) => [
				name,
				[data, { level: name.endsWith('.json') ? 6 : 0 }] as const
			])
		) as never
	);

/**
 * Unpacks a file from elsewhere. Sizes are counted while unpacking, not believed from the headers:
 * a zip bomb ends at the limit.
 */
export function unzip(data: Uint8Array, mostBytes: number): Entries {
	const out: Entries = {};
	let total = 0;
	let failed: string | null = null;
	const reader = new Unzip((file) => {
		if (failed || !/^[\w./-]+$/.test(file.name) || file.name.includes('..')) return;
		const parts: Uint8Array[] = [];
		file.ondata = (error, chunk, final) => {
			if (failed) return;
			if (error) {
				failed = 'The file is damaged or cut off.';
				return;
			}
			total += chunk.byteLength;
			if (total > mostBytes) {
				failed = `Unpacked, the file is larger than ${Math.round(mostBytes / 1048576)} MB.`;
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
		// In small pieces, so that a bomb is noticed before much of it is unpacked.
		for (let at = 0; at < data.byteLength && !failed; at += 65536)
			reader.push(data.subarray(at, at + 65536), at + 65536 >= data.byteLength);
		// The list at the end of a whole zip names every entry; a file cut off has none.
		if (!failed) unzipSync(data, { filter: () => false });
	} catch {
		failed ??= 'The file is damaged or cut off.';
	}
	if (failed) throw new Refused(failed, 'file');
	return out;
}
