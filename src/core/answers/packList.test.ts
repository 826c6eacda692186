import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { KitItem } from './kit.ts';
import * as make from '../../../tests/support/record.ts';
import type { Packing } from '../engines/case/pack.ts';
import { copyWords, linesAt, packedSoFar, packLines, placesOf, placesWords, readPlaces } from './packList.ts';
import { luggageOf } from './packed.ts';

const helm = make.component(1, { code: 'A-01', name: 'Helm' });
const wig = make.component(2, { code: 'W-01', name: 'Wig' });
const greaves = make.component(3, { code: 'A-02', name: 'Greaves', side: 'pair' });
const boots = make.component(4, { code: 'G-01', name: 'Boots', side: 'left', count: 3 });
const luggage = luggageOf(
	[helm, wig, greaves, boots],
	{
		joins: [],
		wearings: [
			make.wearing(1, { size: [300, 260, 280] }),
			make.wearing(2, { insideId: 1 }),
			make.wearing(4, { travels: 'worn' })
		]
	},
	new Map(),
	() => []
);
const tape: KitItem = {
	key: 'tape',
	name: 'tape',
	use: 'tape',
	componentIds: [],
	materialId: null,
	because: 'all of it',
	feature: null
};
const lines = packLines(luggage, [tape]);
const names = (of: readonly { name: string }[]) => of.map((l) => l.name);

test('every copy is a line by its tag: a pair left and right, several by number; the kit after them', () => {
	assert.deepEqual(luggage.map(copyWords), [
		'A-01',
		'W-01',
		'A-02 L',
		'A-02 R',
		'G-01 1 of 3',
		'G-01 2 of 3',
		'G-01 3 of 3'
	]);
	assert.deepEqual(
		lines.map((l) => l.line),
		['c1.1', 'c2.1', 'c3.1', 'c3.2', 'c4.1', 'c4.2', 'c4.3', 'kit tape']
	);
});

test('going everything is looked for; coming home what went: one of a pair that stayed behind is named', () => {
	const tick = (line: string, leg: 'going' | 'home') => ({ line, leg });
	const ticks = [
		...['c1.1', 'c3.1', 'c3.2', 'kit tape'].map((l) => tick(l, 'going')),
		...['c1.1', 'c3.1', 'kit tape'].map((l) => tick(l, 'home'))
	];
	assert.deepEqual(names(packedSoFar(lines, ticks, 'going').missing), [
		'W-01 Wig',
		'G-01 1 of 3 Boots',
		'G-01 2 of 3 Boots',
		'G-01 3 of 3 Boots'
	]);
	const home = packedSoFar(lines, ticks, 'home');
	assert.equal(home.wanted.length, 4, 'what did not go is not looked for');
	assert.deepEqual(names(home.missing), ['A-02 R Greaves']);
	// Where nobody ticked what went, everything is looked for; what was picked up on the way is there.
	assert.equal(packedSoFar(lines, [], 'home').missing.length, 8);
	assert.ok(packedSoFar(lines, [...ticks, tick('c2.1', 'home')], 'home').there.has('c2.1'));
});

test('a line is where its case is, what is inside another right after it; without a packing it is left', () => {
	const packing: Packing = {
		placements: [{ item: 'c1.1', copy: 1, case: '7', at: [0, 0, 0], size: [300, 260, 280] }],
		left: []
	};
	const places = placesOf(lines, packing);
	assert.deepEqual(names(linesAt(lines, places, 'case 7')), ['A-01 Helm', 'W-01 Wig']);
	assert.deepEqual(names(linesAt(lines, places, 'left')), ['A-02 L Greaves', 'A-02 R Greaves']);
	assert.equal(linesAt(lines, places, 'worn').length, 3);
	assert.deepEqual(names(linesAt(lines, places, 'kit')), ['tape']);
	assert.deepEqual(names(linesAt(lines, placesOf(lines, null), 'left')).slice(0, 2), [
		'A-01 Helm',
		'W-01 Wig'
	]);
});

test('the case of each copy goes into an address and comes back, what is inside with its host; what is no place is left out', () => {
	const packing: Packing = {
		placements: [
			{ item: 'c1.1', case: '7', at: [0, 0, 0], size: [300, 260, 280] },
			{ item: 'c3.2', case: '8', at: [0, 0, 0], size: [10, 10, 10] }
		],
		left: [],
		searched: 0
	} as unknown as Packing;
	const words = placesWords(placesOf(lines, packing));
	assert.equal(words, 'c1.1:7,c2.1:7,c3.2:8');
	assert.deepEqual(readPlaces(words), [
		['c1.1', 7],
		['c2.1', 7],
		['c3.2', 8]
	]);
	assert.deepEqual(readPlaces('c1.1:x,kit tape:7,,c9:1,c1.1:7:8'), []);
	assert.deepEqual(readPlaces(''), []);
});
