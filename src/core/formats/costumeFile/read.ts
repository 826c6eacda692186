import { COSTUME_FORMAT, COSTUME_VERSION, costumeFile, type CostumeFile } from './costumeFile.ts';
import { findDangling } from './links.ts';

/** Reads and checks the content: the reason in words when it cannot be used. */
export function readCostumeFile(
	json: unknown
): { ok: true; file: CostumeFile } | { ok: false; reason: string } {
	const head = json as { format?: unknown; version?: unknown } | null;
	if (typeof head !== 'object' || head === null || head.format !== COSTUME_FORMAT)
		return { ok: false, reason: 'This is not a costume file of Dapper Ledger.' };
	if (typeof head.version === 'number' && head.version > COSTUME_VERSION)
		return {
			ok: false,
			reason: `The file was written by a newer Dapper Ledger (form ${head.version}, this one knows ${COSTUME_VERSION}).`
		};
	const parsed = costumeFile.safeParse(json);
	if (!parsed.success) {
		const issue = parsed.error.issues[0]!;
		return {
			ok: false,
			reason: `The file has a wrong field: ${issue.path.join('.') || 'top'} — ${issue.message}.`
		};
	}
	const dangling = findDangling(parsed.data);
	return dangling ? { ok: false, reason: dangling } : { ok: true, file: parsed.data };
}
