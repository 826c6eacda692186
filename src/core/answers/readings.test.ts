import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { combine } from '../engines/plane/combine.ts';
import { readPictures, thingsOf } from './readings.ts';
import { anchorOf, axisOf, calloutNumbers, mirrored, unplaced } from './callouts.ts';
import type { Callout, ReferencePicture, StoredMeasure } from '../facts/picture.ts';

const callout = (id: number, componentId: number | null, y: number): Callout => ({
	id,
	pictureId: 1,
	componentId,
	label: '',
	shape: 'outline',
	side: 'left',
	points: [
		[60, y],
		[80, y],
		[70, y + 20]
	],
	version: 1
});

test('a mirrored outline is on the other side, as far from the middle line, and back again is itself', () => {
	const other = mirrored(callout(1, 1, 10), 50);
	assert.equal(other.side, 'right');
	assert.deepEqual(other.points, [
		[30, 30],
		[20, 10],
		[40, 10]
	]);
	assert.deepEqual(mirrored({ ...other }, 50).points, callout(1, 1, 10).points);
	assert.equal(mirrored({ points: [[1, 1]], side: 'none' }, 5).side, 'none');
});

test('what is on no picture and what nobody claimed are both found', () => {
	const open = unplaced([make.component(1), make.component(2)], [callout(1, 1, 0), callout(2, null, 50)]);
	assert.deepEqual(
		open.components.map((c) => c.id),
		[2]
	);
	assert.deepEqual(
		open.callouts.map((c) => c.id),
		[2]
	);
});

test('callouts are numbered from top to bottom, each component once', () => {
	const numbers = calloutNumbers([
		callout(1, 7, 90),
		callout(2, 8, 10),
		callout(3, 7, 200),
		callout(4, null, 0)
	]);
	assert.deepEqual(
		[...numbers],
		[
			[8, 1],
			[7, 2]
		]
	);
	assert.deepEqual(anchorOf(callout(1, 1, 10).points), [70, 20]);
});

const picture = (id: number, mm: number | null): ReferencePicture =>
	make.picture(id, {
		scale:
			mm === null
				? null
				: {
						kind: 'length',
						points: [
							[0, 0],
							[500, 0]
						],
						mm
					}
	});
const stored = (id: number, pictureId: number, label: string, end: number): StoredMeasure => ({
	id,
	pictureId,
	componentId: null,
	label,
	kind: 'length',
	points: [
		[100, 100],
		[end, 100]
	],
	offPlaneMm: 0,
	version: 1
});

test('measures of one name on several pictures are one thing; without a scale nothing is told', () => {
	assert.equal(axisOf(picture(1, null)), 500);
	const readings = readPictures(
		[picture(1, 500), picture(2, 1000), picture(3, null)],
		[
			stored(1, 1, 'Staff', 500),
			stored(2, 2, ' staff', 300),
			stored(3, 3, 'Staff', 300),
			stored(4, 9, 'gone', 300)
		]
	);
	assert.equal(readings.length, 3, 'a measure of no picture is left out');
	const [staff] = thingsOf(readings);
	assert.equal(staff!.readings.length, 3);
	const values = staff!.readings.flatMap((r) => (r.found.ok ? [r.found.value] : []));
	assert.deepEqual(
		values.map((v) => Math.round(v.value)),
		[400, 400]
	);
	assert.deepEqual(staff!.combined, combine(values));
	// Clicked again on the same picture: its scale is no surer for that.
	const [again] = thingsOf(
		readPictures([picture(1, 500)], [stored(1, 1, 'Staff', 500), stored(2, 1, 'Staff', 500)])
	);
	assert.equal(again!.combined!.sigma, values[0]!.sigma);
	assert.equal(combine([values[0]!, values[0]!]).sigma < values[0]!.sigma, true);
	assert.equal(staff!.readings[2]!.found.ok, false);
	assert.equal(thingsOf(readings.slice(2))[0]!.combined, null);
});
