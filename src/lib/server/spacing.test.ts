import assert from 'node:assert/strict';
import { test } from 'node:test';
import { piece } from '$core/engines/pattern/piece.ts';
import { rectangle } from '$core/engines/pattern/sector.ts';
import { distance } from '$core/units/point.ts';
import { spacedBy } from './spacing.ts';

const known = [
	{ key: 'body-1', of: 'Ash', name: 'waist girth', mm: 703, round: true, at: null },
	{
		key: 'piece-1-0',
		of: 'A-01 plate',
		name: 'front, edge 1',
		mm: 400,
		round: false,
		at: { piece: piece('front', rectangle(400, 20)), edge: 0 }
	}
];
const by = (query: string) => spacedBy(new URLSearchParams(query), 'cm', known);

test('what is typed is read in its unit, and what is wrong is said at its field', () => {
	assert.equal(by('').found!.spacing.count, 25, 'a metre at 4 cm');
	assert.equal(by('length=56&apart=4&round=on').found!.spacing.count, 14, 'centimetres');
	for (const [query, field] of [
		['length=', 'length'],
		['length=0', 'length'],
		['apart=0', 'apart'],
		['apart=-2', 'apart'],
		['count=0', 'count'],
		['count=200', 'count'],
		['inset=60cm', 'inset'],
		['mark=star', 'mark'],
		['wide=10 furlongs', 'wide']
	] as const) {
		const { errors, found } = by(query);
		assert.deepEqual([Object.keys(errors), found], [[field], null], query);
	}
	assert.equal(by('apart=0').typed['apart'], '0', 'what was typed stays');
});

test('a length is taken from a measure or an edge, whatever is typed beside it, and drawn where it is', () => {
	const waist = by('from=body-1&length=nonsense&apart=5');
	assert.deepEqual([waist.found!.ask.length, waist.found!.ask.round, waist.from!.drawn], [703, true, null]);
	assert.equal(waist.found!.spacing.count, 14, '703 ÷ 50');
	const edge = by('from=piece-1-0&apart=100mm&round=on');
	assert.deepEqual([edge.found!.ask.length, edge.found!.ask.round], [400, false]);
	// Four of 100 mm, half of one at each end, on the line of the edge.
	const { marks, line } = edge.from!.drawn!;
	assert.deepEqual(
		marks.map((m) => Math.round(distance(m, line[0]!))),
		[50, 150, 250, 350]
	);
	const gone = by('from=piece-9-0');
	assert.deepEqual([gone.found, Object.keys(gone.errors), gone.known.length], [null, ['from'], 2]);
});
