import { z } from 'zod';
import type { HandbookRow } from '../facts/handbook.ts';
import { handbookEntry, type HandbookEntry } from '../trade/handbookRow.ts';

/** The maker's own rows of the handbook in a file of their own. Described in docs/formats.md. */
const FORMAT = 'dapper-ledger-handbook';
const VERSION = 1;

const handbookFile = z.strictObject({
	format: z.literal(FORMAT),
	version: z.literal(VERSION),
	rows: z.array(handbookEntry).max(5000)
});

export const writeHandbookFile = (own: readonly HandbookRow[]): string =>
	JSON.stringify(
		{
			format: FORMAT,
			version: VERSION,
			rows: own.map(({ tableName, key, content }) => ({ tableName, key, content }))
		},
		null,
		1
	);

/** Reads and checks the file: the reason in words when it cannot be used. */
export function readHandbook(
	text: string
): { ok: true; rows: HandbookEntry[] } | { ok: false; reason: string } {
	let json: unknown;
	try {
		json = JSON.parse(text);
	} catch {
		return { ok: false, reason: 'The file is cut off or not JSON.' };
	}
	const head = json as { format?: unknown; version?: unknown } | null;
	if (typeof head !== 'object' || head === null || head.format !== FORMAT)
		return { ok: false, reason: 'This is not a handbook of Dapper Ledger.' };
	if (typeof head.version === 'number' && head.version > VERSION)
		return { ok: false, reason: 'The handbook was written by a newer Dapper Ledger.' };
	const read = handbookFile.safeParse(json);
	if (read.success) return { ok: true, rows: read.data.rows };
	const issue = read.error.issues[0]!;
	return {
		ok: false,
		reason: `The file has a wrong field: ${issue.path.join('.') || 'top'} — ${issue.message}.`
	};
}
