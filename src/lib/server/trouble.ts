/** What the system or the database says when a folder or a disk cannot be used, in words. */
const WHY: Record<string, string> = {
	EACCES: 'this user may not write there',
	EPERM: 'this user may not write there',
	EROFS: 'it is read-only',
	ENOSPC: 'the disk is full',
	EDQUOT: 'the disk is full for this user',
	EIO: 'the disk does not answer',
	EMFILE: 'too many files are open',
	ENFILE: 'too many files are open',
	ENOTDIR: 'part of its path is no folder',
	EEXIST: 'there is a file in its place',
	// Of the database: disk_full, io_error, read_only_sql_transaction, out_of_memory.
	'53100': 'the disk is full',
	'58030': 'the disk does not answer',
	'25006': 'it is read-only',
	'53200': 'there is not enough memory'
};

/** The same by the numbers of WASI, which the database's own file layer speaks in. */
const BY_NUMBER: Record<number, string> = { 2: 'EACCES', 19: 'EDQUOT', 29: 'EIO', 51: 'ENOSPC', 69: 'EROFS' };

/** Why nothing can be stored; null when it is something else that went wrong. */
export function whyNotStored(error: unknown): string | null {
	const { code, errno, cause } = (error ?? {}) as { code?: unknown; errno?: unknown; cause?: unknown };
	return WHY[String(code)] ?? WHY[BY_NUMBER[Number(errno)] ?? ''] ?? (cause ? whyNotStored(cause) : null);
}

/** The same for whoever sent something, in one line; it can be sent again when there is room. */
export function notStored(error: unknown): string | null {
	const why = whyNotStored(error);
	return why && `Not stored: ${why}. Nothing was changed; when that is put right, send it again.`;
}
