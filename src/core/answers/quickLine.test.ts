import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '../../../tests/support/planCases.ts';
import { ZONES } from '../facts/zone.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { STARTING_SETS } from '../trade/startingSet.ts';
import { asComponents, completed, linesOf, MOST_LINES, readLines, type QuickComponent } from './quickLine.ts';

const read = (text: string, there: Parameters<typeof readLines>[1] = []) => readLines(text, there, STANDARD);
const one = (line: string) => read(line)[0]!;
const some = <K extends keyof QuickComponent>(line: string, ...keys: K[]) => keys.map((k) => one(line)[k]);

test('a line in the maker’s own words: how many, of what, how thick, over what; nothing of it guessed', () => {
	const [pauldrons, coat] = read('2 pauldrons, foam 5 mm, over the coat\ncoat, wool, dark green');
	assert.deepEqual(
		[pauldrons!.name, pauldrons!.kind, pauldrons!.side, pauldrons!.count, pauldrons!.thicknessMm],
		['pauldrons', 'armor', 'pair', 1, 5]
	);
	assert.deepEqual(pauldrons!.zones, ['shoulder-left', 'shoulder-right']);
	assert.deepEqual(
		[pauldrons!.route, pauldrons!.surface, pauldrons!.form],
		['foamPlate', 'foam', '5 mm foam plate']
	);
	assert.equal(pauldrons!.layer, coat!.layer + 1);
	assert.deepEqual(pauldrons!.guessed, []);
	assert.deepEqual(pauldrons!.understood, [
		{ words: '5 mm', as: 'thickness' },
		{ words: 'foam', as: 'foam plate' },
		{ words: '2', as: 'a pair' },
		{ words: 'pauldrons', as: 'armor' },
		{ words: 'over the coat', as: 'layer 4, over coat' }
	]);
	assert.deepEqual(
		[coat!.form, coat!.route, coat!.guessed],
		['wool, dark green', 'wovenGarment', ['layer 3']]
	);
});

test('words that nothing is known of name it, or stay as its form', () => {
	assert.deepEqual(some('wig, long, grey', 'name', 'kind', 'form'), ['wig', 'wig', 'long, grey']);
	assert.deepEqual(some('long grey wig', 'name', 'form'), ['long grey wig', '']);
	assert.deepEqual(some('dragon helmet (3d printed)', 'name', 'route'), ['dragon helmet', 'printedPart']);
	const strange = one('glimmerwort, soft');
	assert.deepEqual([strange.name, strange.form, strange.zones], ['glimmerwort', 'soft', []]);
	assert.ok(strange.guessed.includes('zones: none'));
	assert.deepEqual(some('tail over the moon', 'name', 'form', 'layer'), ['tail', 'over the moon', 3]);
});

test('sides, pairs and numbers: two of what comes left and right are a pair, three are three', () => {
	const cases: [string, string, number][] = [
		['left bracer', 'left', 1],
		['lantern R', 'right', 1],
		['bracers', 'pair', 1],
		['4 bracers', 'pair', 2],
		['3 horns', 'none', 3],
		['horns, 3', 'none', 3],
		['pair of long gloves', 'pair', 1],
		['2 lanterns', 'none', 2],
		['x3 lantern', 'none', 3],
		['2 x left bracer', 'left', 2],
		['dozen gems', 'none', 12],
		['trousers', 'none', 1],
		['skirt, twelve layers of net', 'none', 1],
		['staff 180 cm long', 'none', 1],
		['belt with 4 pouches', 'none', 1],
		['5000 spikes', 'none', 1]
	];
	for (const [line, side, count] of cases) assert.deepEqual(some(line, 'side', 'count'), [side, count], line);
	assert.deepEqual(one('lantern R').zones, ['hand-right']);
	assert.ok(one('pouches').guessed.includes('count 1'));
	assert.ok(!one('trousers').guessed.includes('count 1'), 'they are one garment');
	assert.deepEqual(one('gauntlet').guessed[0], 'side: middle or whole');
});

test('how to get it: bought is not made, and bought to be altered has the steps of that', () => {
	assert.deepEqual(some('cloak, buy', 'source', 'route'), ['buy', null]);
	assert.deepEqual(some('boots: buy and alter', 'source', 'route', 'side'), [
		'alter',
		'alteredGarment',
		'pair'
	]);
	assert.deepEqual(some('boots', 'source', 'route'), ['alter', 'alteredGarment']);
	assert.ok(one('boots').guessed.includes('buy and alter'));
	assert.deepEqual(some('shirt, have it', 'source', 'route'), ['have', null]);
	assert.deepEqual(some('helmet, bought and altered', 'source', 'route'), ['alter', 'foundObject']);
	assert.deepEqual(some('lantern, lights up', 'route', 'furtherRoutes'), ['printedPart', ['light']]);
	assert.deepEqual(one('lantern, buy, lights up').furtherRoutes, []);
});

test('what it is over, under or a part of is another line, else what is there; in a ring nothing hangs on itself', () => {
	const there = [{ id: 7, name: 'Storm coat', layer: 6 }];
	assert.equal(read('cloak over the coat', there)[0]!.layer, 7);
	assert.equal(read('shirt under the coat', there)[0]!.layer, 1, 'it lies under it as it is');
	assert.equal(read('cloak under the coat', there)[0]!.layer, 5);
	assert.deepEqual(read('gem on the coat', there)[0]!.partOf, { id: 7 });
	const chain = read('sash over the dress\ndress over the corset\ncorset');
	assert.deepEqual(
		chain.map((c) => c.layer),
		[4, 3, 2]
	);
	assert.deepEqual(read('helmet\nvisor, part of the helmet')[1]!.partOf, { line: 0 });
	const ring = read('helmet, part of the visor\nvisor, part of the helmet');
	assert.deepEqual(
		ring.map((c) => c.partOf),
		[null, null]
	);
	assert.deepEqual(ring[0]!.form, 'part of the visor');
	assert.equal(read('coat over the cloak\ncloak over the coat').length, 2);
});

test('a list from anywhere: bullets, numbers and empty lines go, and no more than may be read at once', () => {
	assert.deepEqual(
		read('- helmet\n\n  2. wig\r\n• belt\n   \n').map((c) => c.name),
		['helmet', 'wig', 'belt']
	);
	assert.equal(read('wig\n'.repeat(MOST_LINES + 50)).length, MOST_LINES);
	// What is struck out by its place is what stands there: a line of commas is none.
	const text = ',\nhelmet\n( )\nwig';
	assert.deepEqual(
		read(text).map((c) => c.typed),
		linesOf(text)
	);
	assert.deepEqual(linesOf(text), ['helmet', 'wig']);
});

test('the first letters of a word of the trade: what comes left and right is completed to its pair', () => {
	const cases: [string, string | null][] = [
		['pau', 'pauldrons'],
		['2 gre', 'greaves'],
		['helmet, fo', 'foam'],
		['helm', null],
		['p', null],
		['', null],
		['xyz', null],
		['helmet', null],
		['helmet ', null]
	];
	for (const [line, word] of cases) assert.equal(completed(line, STANDARD), word, line);
});

test('what lines become stands under the codes that they will have, parts under their whole', () => {
	const its = asComponents(read('helmet\nvisor, part of the helmet\nwig'), [{ costumeId: 3, code: 'A-01' }]);
	assert.deepEqual(
		its.map((c) => [c.code, c.costumeId, c.parentId]),
		[
			['A-02', 3, null],
			['A-03', 3, -1],
			['W-01', 3, null]
		]
	);
});

test('whatever is typed is read: a name, a count, and zones that there are', () => {
	const random = seeded(11);
	const words =
		'constructor __proto__ toString over the coat 2 x3 pair left 5mm ,, : ( ) buy foam part of on 1/0 ’ " ü - – wig staves 0'.split(
			' '
		);
	for (let i = 0; i < 2000; i++) {
		const line = Array.from(
			{ length: 1 + Math.floor(random() * 9) },
			() => words[Math.floor(random() * words.length)]
		).join(' ');
		for (const c of read(`${line}\nhelmet`)) {
			assert.ok(c.name.length > 0 && c.name.length <= 120, line);
			assert.ok(Number.isInteger(c.count) && c.count >= 1 && c.layer >= 0 && c.layer <= 20, line);
			for (const zone of c.zones) assert.ok(ZONES.includes(zone));
			if (c.route) assert.ok(STANDARD.route[c.route]);
		}
	}
});

test('every word of the dictionary names one thing, on routes that are there; starting sets are understood whole', () => {
	const words = Object.values(STANDARD.thing).flatMap((t) => t.words);
	assert.equal(new Set(words).size, words.length);
	for (const t of Object.values(STANDARD.thing)) {
		assert.ok(t.route === null || STANDARD.route[t.route], t.words[0]);
		if (t.route)
			assert.ok(STANDARD.route[t.route]!.kinds.includes(t.kind) || t.route === 'wovenGarment', t.words[0]);
	}
	for (const m of Object.values(STANDARD.madeOf))
		for (const key of [...Object.values(m.route), m.further ?? []].flat())
			assert.ok(STANDARD.route[key], m.words[0]);
	for (const set of STARTING_SETS)
		for (const c of read(set.lines.join('\n'))) {
			assert.ok(
				!c.guessed.some((g) => g.startsWith('kind') || g.startsWith('zones')),
				`${set.name}: ${c.typed}`
			);
			assert.ok(c.source === 'buy' || c.route !== null, c.typed);
		}
});
