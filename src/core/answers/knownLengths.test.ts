import assert from 'node:assert/strict';
import { test } from 'node:test';
import { rectangle } from '../engines/pattern/sector.ts';
import { piece } from '../engines/pattern/piece.ts';
import { placesOn } from '../engines/spacing/along.ts';
import { seeded } from '../units/random.ts';
import { distance, type Point } from '../units/point.ts';
import type { StoredShape } from '../facts/shape.ts';
import { knownLengths, lineOf } from './knownLengths.ts';
import * as make from '../../../tests/support/record.ts';

const drawn: StoredShape = {
	id: 7,
	componentId: 2,
	shaper: 'flatPanel',
	name: '',
	values: {},
	works: [],
	drawn: [piece('front', rectangle(400, 20))],
	panels: null,
	kept: null,
	placed: null,
	materialId: null,
	layers: 1,
	roles: {},
	note: '',
	version: 1
};
const waist = {
	id: 1,
	wearerId: 4,
	measure: 'waistGirth' as const,
	side: 'none' as const,
	over: 'skin' as const,
	mm: 703,
	takenOn: 100,
	confirmed: false,
	note: '',
	version: 1
};
const fit = {
	...make.NO_FIT,
	wearers: [{ id: 4, name: 'Ash', note: '', sections: {}, version: 1, measures: [waist] }],
	worn: [{ id: 1, wearerId: 4, builtOn: null, fittedAt: null, version: 1 }],
	shapes: [drawn]
};
const record = make.record({ components: [make.component(1), make.component(2, { name: 'belt plate' })] });

test('what a costume has is measures of its wearer, edges of its pieces, and all round these', () => {
	const found = knownLengths(record, fit, []);
	const [body, ...pieces] = found;
	assert.deepEqual(
		[body!.of, body!.name, body!.mm, body!.round, body!.at],
		['Ash', 'waist girth', 703, true, null]
	);
	assert.match(pieces[0]!.of, /belt plate$/);
	// Of 400 × 20 mm the short edges are too short for anything to be set along.
	assert.deepEqual(
		pieces.map(({ name, mm, round }) => [name, mm, round]),
		[
			['front, edge 1', 400, false],
			['front, edge 3', 400, false],
			['front, all round', 840, true]
		]
	);
	assert.equal(new Set(found.map((l) => l.key)).size, found.length);
	const { outline, line } = lineOf(pieces[0]!.at!);
	assert.deepEqual([outline.length, line.length, distance(line[0]!, line[1]!)], [4, 2, 400]);
	const round = lineOf(pieces.at(-1)!.at!).line;
	assert.deepEqual([round.length, round[0]], [5, round[4]]);
});

test('places along a line lie on it, so far from its beginning', () => {
	const line: Point[] = [
		[0, 0],
		[30, 0],
		[30, 40]
	];
	assert.deepEqual(placesOn(line, [0, 10, 30, 50, 70], 70), [
		[0, 0],
		[10, 0],
		[30, 0],
		[30, 20],
		[30, 40]
	]);
	// Round a half circle of radius 100 in 64 chords, every mark is as far along as its angle says.
	const arc = Array.from({ length: 65 }, (_, i): Point => {
		const at = (Math.PI * i) / 64;
		return [100 * Math.cos(at), 100 * Math.sin(at)];
	});
	const random = seeded(5);
	const places = Array.from({ length: 50 }, () => random() * 100 * Math.PI);
	for (const [i, [x, y]] of placesOn(arc, places, 100 * Math.PI).entries())
		assert.ok(Math.abs(100 * Math.atan2(y, x) - places[i]!) < 0.1, String(places[i]));
});
