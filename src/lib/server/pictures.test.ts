import assert from 'node:assert/strict';
import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import sharp from 'sharp';
import { Refused } from './db/rows.ts';
import { filePath, storeFile, storePicture } from './pictures.ts';

const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);
const temporary = () => mkdtempSync(join(tmpdir(), 'dapper-house-'));

test('pictures: what is kept is our own encoding, under the hash of its bytes', async () => {
	const folder = temporary();
	mkdirSync(join(folder, 'files'));
	const make = () => sharp({ create: { width: 5000, height: 10, channels: 4, background: '#2468' } });
	for (const [mime, data] of [
		['image/png', await make().png().toBuffer()],
		['image/webp', await make().webp().toBuffer()],
		['image/jpeg', await make().flatten().jpeg().toBuffer()]
	] as const) {
		const stored = await storePicture(folder, data);
		assert.equal(stored.mime, mime);
		assert.equal(stored.width, 4096, 'the longest side is limited');
		assert.equal((await storePicture(folder, data)).hash, stored.hash, 'the same picture is stored once');
	}
	assert.equal(readdirSync(join(folder, 'files')).length, 3, 'and no half-written file is left');
	const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(64)]);
	await assert.rejects(storePicture(folder, heic), refused(/HEIC.*JPEG/));
	await assert.rejects(storePicture(folder, new Uint8Array()), refused(/empty/));
	await assert.rejects(
		storePicture(folder, Buffer.from('<html><script>1</script></html>')),
		refused(/not a JPEG/)
	);
	const gif = await make().gif().toBuffer();
	await assert.rejects(storePicture(folder, gif), refused(/not a JPEG, PNG or WebP/));
	const strip = (width: number, height: number) =>
		sharp({ create: { width, height, channels: 3, background: '#246' } })
			.png()
			.toBuffer();
	await assert.rejects(
		storePicture(folder, await strip(20_001, 1)),
		refused(/^The picture has 20001 × 1 pixels; at most 80 million, and 20,000 a side/)
	);
	await assert.rejects(storePicture(folder, await strip(8001, 10_000)), refused(/at most 80 million/));
	const hash = await storeFile(folder, Buffer.from('x'));
	assert.ok(filePath(folder, hash).endsWith(hash));
	rmSync(folder, { recursive: true });
});
