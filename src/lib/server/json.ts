import { Refused } from './db/rows.ts';

/** So deep nothing of ours is nested; a text of brackets alone would take gigabytes to read. */
const DEEPEST = 64;
const [QUOTE, ESCAPE, OPEN_LIST, CLOSE_LIST, OPEN_ROW, CLOSE_ROW, NEXT] = [...'"\\[]{},'].map((c) =>
	c.charCodeAt(0)
);

/** More in one text than can be. */
class TooMany extends Error {}

/**
 * @param most so many values it may have
 * @throws Refused in these words when it is no JSON of ours: of a file that somebody chose
 */
export function jsonOfFile(bytes: Uint8Array, words: string, most = Infinity): unknown {
	try {
		return parseJson(bytes, most);
	} catch (error) {
		if (error instanceof TooMany)
			throw new Refused(`There are more than ${most.toLocaleString('en-GB')} values in this file.`, 'file');
		throw new Refused(words, 'file');
	}
}

/**
 * Values and depth are counted before any is made: each of `{},{},…` takes twenty times its letters.
 * @throws SyntaxError when it is no JSON, or nested deeper than anything that this program writes
 */
export function parseJson(bytes: Uint8Array, most = Infinity): unknown {
	let depth = 0;
	let values = 1;
	let inText = false;
	for (let i = 0; i < bytes.length; i++) {
		const c = bytes[i];
		if (inText) {
			if (c === ESCAPE) i++;
			else if (c === QUOTE) inText = false;
		} else if (c === QUOTE) inText = true;
		else if (c === OPEN_LIST || c === OPEN_ROW) {
			if (++depth > DEEPEST) throw new SyntaxError(`Nested deeper than ${DEEPEST}`);
		} else if (c === CLOSE_LIST || c === CLOSE_ROW) depth--;
		else if (c === NEXT && ++values > most) throw new TooMany();
	}
	return JSON.parse(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('utf8'));
}
