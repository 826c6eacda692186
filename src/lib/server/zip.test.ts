import assert from 'node:assert/strict';
import { test } from 'node:test';
import { zipSync } from 'fflate';
import { Refused } from './db/rows.ts';
import { unzip, zip } from './zip.ts';

const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);

test('zips: out and in; names that would climb out of the folder are passed over; limits are counted', () => {
	const text = Buffer.from('x'.repeat(5000));
	const packed = zip({ 'a.json': text, 'files/b': Buffer.from([1, 2, 3]) });
	assert.deepEqual(Object.keys(unzip(packed, 10_000)).sort(), ['a.json', 'files/b']);
	assert.deepEqual(Buffer.from(unzip(packed, 10_000)['a.json']!), text);
	assert.deepEqual(Object.keys(unzip(zipSync({ '../evil': text, 'C:\\x': text, ok: text }), 20_000)), ['ok']);
	assert.throws(() => unzip(packed, 4000), refused(/larger than/));
	assert.throws(() => unzip(packed, 10_000, 1000), refused(/larger than/));
	assert.throws(() => unzip(packed.subarray(0, packed.length - 10), 10_000), refused(/damaged or cut off/));
	assert.throws(() => unzip(new Uint8Array(), 10_000), refused(/damaged or cut off/));
	const flipped = Uint8Array.from(packed);
	flipped[40]! ^= 0xff;
	assert.doesNotThrow(() => {
		try {
			unzip(flipped, 10_000);
		} catch (e) {
			if (!(e instanceof Refused)) throw e;
		}
	}, 'damage is refused or passed over, never a crash');
});
