import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { PDFDocument } from 'pdf-lib';
import type { PrintedTag } from '$core/formats/tagsPdf.ts';
import { builtThread } from '$tests/support/thread.ts';
import { MOST_WAITING, Printer, TooManyPrints } from './printer.ts';

let folder: string;
let printer: Printer;
/** The thread keeps no process alive. */
let alive: ReturnType<typeof setInterval>;
before(async () => {
	alive = setInterval(() => {}, 1000);
	folder = mkdtempSync(join(tmpdir(), 'dapper-prints-'));
	printer = new Printer(await builtThread('src/lib/server/prints/thread.ts', folder));
});
after(async () => {
	clearInterval(alive);
	await printer.close();
	rmSync(folder, { recursive: true, force: true });
});

const tag = (code: string): PrintedTag => ({
	code,
	name: 'Bracer',
	said: 'cut 1, left',
	small: 'Foam',
	address: 'http://127.0.0.1:4173/c/1/pattern/1/1'
});
const pagesOf = async (bytes: Uint8Array) => (await PDFDocument.load(bytes)).getPageCount();

test('prints come from the thread as they are written without one; what cannot be written is told, and the next is', async () => {
	const tags = Array.from({ length: 40 }, (_, i) => tag(`A-${i}`));
	const [one, broken, two] = await Promise.allSettled([
		printer.print('tags', tags, 'a4'),
		printer.print('tags', [{ ...tag('A-1'), code: null as never }], 'a4'),
		printer.print('tags', tags.slice(0, 1), 'letter')
	]);
	assert.ok(one.status === 'fulfilled' && two.status === 'fulfilled');
	assert.equal(broken.status, 'rejected');
	assert.equal(await pagesOf(one.value), await pagesOf(await new Printer('').print('tags', tags, 'a4')));
	assert.equal(await pagesOf(two.value), 1);
});

test('while it prints nothing else waits; more than can wait are refused by their number', async () => {
	const tags = Array.from({ length: 30 }, (_, i) => tag(`A-${i}`));
	let turns = 0;
	const turning = setInterval(() => turns++, 5);
	const all = Array.from({ length: MOST_WAITING + 3 }, () => printer.print('tags', tags, 'a4'));
	const done = await Promise.allSettled(all);
	clearInterval(turning);
	const refused = done.filter((d) => d.status === 'rejected');
	assert.equal(refused.length, 2);
	assert.ok(refused.every((d) => d.reason instanceof TooManyPrints && /20 prints/.test(d.reason.message)));
	assert.ok(turns > 5, `${turns} turns`);
});

test('a thread that is lost is told to who waits for it, and the next print has another', async () => {
	const lost = printer.print('tags', [tag('A-1')], 'a4');
	const told = assert.rejects(lost, /ended/);
	await printer.close();
	await told;
	assert.equal(await pagesOf(await printer.print('tags', [tag('A-1')], 'a4')), 1);
});
