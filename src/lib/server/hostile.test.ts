import assert from 'node:assert/strict';
import { test } from 'node:test';
import { zipSync } from 'fflate';
import { readDxf } from '$core/formats/readDxf.ts';
import { readSvg } from '$core/formats/readSvg.ts';
import { layPlan, PLAIN_LAY } from '$core/facts/layout.ts';
import { formValues } from './commands/formValues.ts';
import { readCostumeZip } from './costumeFile.ts';
import { Refused } from './db/rows.ts';
import { parseJson } from './json.ts';

/** What is too much is refused before anything is done with it; each of these took seconds to a minute, or gigabytes. */

test('a form of too many fields is refused, and many entries of one are no work', () => {
	const form = new FormData();
	for (let i = 0; i < 5000; i++) form.append('a[]', String(i));
	assert.equal((formValues(form)['a'] as string[]).length, 5000);
	form.append('b', '');
	assert.throws(
		() => formValues(form),
		(e: { status?: number; body?: { message: string } }) =>
			e.status === 413 && /5000 fields/.test(e.body!.message)
	);
});

test('a text of brackets is no JSON of ours; what looks like brackets in a text is', () => {
	assert.throws(() => parseJson(Buffer.from('['.repeat(60_000_000))), /Nested deeper than 64/);
	assert.throws(() => parseJson(Buffer.from('{"a":'.repeat(65) + '1' + '}'.repeat(65))), /Nested deeper/);
	assert.deepEqual(parseJson(Buffer.from('{"a":[1,{"b":"[[[[\\"{{{{\\\\"}]}')), {
		a: [1, { b: '[[[["{{{{\\' }]
	});
	const deep = '['.repeat(64) + ']'.repeat(64);
	assert.doesNotThrow(() => parseJson(Buffer.from(deep)));
	// Side by side is not deep.
	assert.equal((parseJson(Buffer.from(`[${'[],'.repeat(1000)}[]]`)) as unknown[]).length, 1001);
});

test('a costume file of more values than there can be is refused before any is made, by their number', () => {
	const many = Buffer.from(`[${'{},'.repeat(1_000_000)}{}]`);
	const zip = zipSync({ 'costume.json': many });
	assert.throws(
		() => readCostumeZip(zip),
		(e: Error) => e instanceof Refused && e.message === 'There are more than 1,000,000 values in this file.'
	);
	// Commas within a text are none.
	assert.deepEqual(parseJson(Buffer.from('[1,"a,b,\\"c,",2]'), 3), [1, 'a,b,"c,', 2]);
	assert.throws(() => parseJson(Buffer.from('[1,2,3,4]'), 3));
});

test('a sheet of one circle drawn thousands of times is one piece', () => {
	const sheet = `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">${'<circle cx="10" cy="10" r="5"/>'.repeat(3000)}<rect x="40" y="40" width="20" height="20"/></svg>`;
	const read = readSvg(sheet);
	assert.ok(read.ok);
	assert.equal(read.value.pieces.length, 2);
	// Rings within rings, however many: every second one is a hole.
	const rings = Array.from({ length: 800 }, (_, i) => `<circle cx="50" cy="50" r="${5 + i * 0.06}"/>`).join(
		''
	);
	const nested = readSvg(
		`<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">${rings}</svg>`
	);
	assert.ok(nested.ok);
	assert.equal(nested.value.pieces.length, 400);
	assert.ok(nested.value.pieces.every((p) => p.holes.length === 1));
});

test('a DXF that tells of points which are not there is damaged; one that has them is read', () => {
	const polyline = (count: number, points: string) =>
		`0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n8\n0\n90\n${count}\n70\n1\n${points}0\nENDSEC\n0\nEOF\n`;
	const lies = readDxf(polyline(9_000_000, ''), 1);
	assert.ok(!lies.ok && lies.problem.code === 'dxfDamaged');
	const square = [
		[0, 0],
		[40, 0],
		[40, 30],
		[0, 30]
	]
		.map(([x, y]) => `10\n${x}\n20\n${y}\n`)
		.join('');
	const true4 = readDxf(polyline(4, square), 1);
	assert.ok(true4.ok);
	assert.equal(true4.value.pieces.length, 1);
});

test('a layout of more points than can be looked at is refused by its number of points', () => {
	const plan = (pieces: number, points: number, copies: number) => ({
		settings: PLAIN_LAY,
		stock: { id: '1', sheets: [], more: { width: 1000, height: 1000 }, roll: null },
		pieces: Array.from({ length: pieces }, (_, i) => ({
			id: String(i),
			code: 'A-01',
			name: 'lobe',
			componentId: 1,
			stock: '1',
			outline: Array.from({ length: points }, (_, k) => [Math.cos(k), Math.sin(k)]),
			holes: [],
			quantity: copies,
			pair: false,
			rotations: 'any',
			folded: null
		})),
		placements: Array.from({ length: pieces * copies }, (_, i) => ({
			piece: String(Math.floor(i / copies)),
			copy: (i % copies) + 1,
			stock: '1',
			sheet: 1,
			mirrored: false,
			rotation: 0,
			x: 0,
			y: 0
		}))
	});
	const refusal = (...its: Parameters<typeof plan>) =>
		layPlan.safeParse(plan(...its)).error?.issues[0]?.message;
	assert.equal(refusal(40, 100, 2), undefined);
	assert.match(refusal(50, 9000, 1)!, /400000 points/);
	assert.match(refusal(1, 5000, 300)!, /1000000 of all copies/);
});
