import assert from 'node:assert/strict';
import { test } from 'node:test';
import { finder } from './find.ts';
import { ROOMS, STATIONS } from './stations.ts';
import { daysWords, OUTLOOK_WORDS, roughWait, spareWords } from './ui/words.ts';

const things = ['A-01 Breastplate', 'A-02 Bracers', 'bracer prime', 'Stash'].map((name, i) => ({
	name,
	what: i === 2 ? 'step of A-02' : 'component',
	href: `/${i}`
}));

const find = finder(things);

test('finding: every word, anywhere, what begins with it first', () => {
	assert.deepEqual(
		find('brac').map((t) => t.href),
		['/2', '/1']
	);
	assert.deepEqual(
		find('STEP prime').map((t) => t.href),
		['/2']
	);
	assert.deepEqual(
		find('plate').map((t) => t.href),
		['/0'],
		'the end of a word too'
	);
	assert.deepEqual(
		find('braecr prime').map((t) => t.href),
		[],
		'two letters changed are another word'
	);
	assert.deepEqual(
		find('breastplote').map((t) => t.href),
		['/0'],
		'one letter may be wrong'
	);
	assert.deepEqual(find('  '), []);
	assert.deepEqual(find('zzz'), []);
	assert.equal(finder(Array.from({ length: 50 }, () => things[0]!))('a').length, 12);
});

test('one letter leads to one place', () => {
	const keys = [...STATIONS, ...ROOMS].map((s) => s.key);
	assert.equal(new Set(keys).size, keys.length);
	assert.ok(
		keys.every((k) => k.length === 1 && !'n/?'.includes(k)),
		'n, / and ? have their own meaning'
	);
});

test('words for days, waits and hours', () => {
	assert.deepEqual([36, 1, 0, -1, -12].map(daysWords), [
		'36 days left',
		'1 day left',
		'today',
		'1 day ago',
		'12 days ago'
	]);
	assert.deepEqual([45, 90, 1440, 2880, 17_000].map(roughWait), ['45m', '1h30', '1 d', '2 days', '11 days']);
	assert.equal(spareWords(750), '12h30 spare');
	assert.equal(spareWords(-360), '6h short');
	for (const words of Object.values(OUTLOOK_WORDS))
		assert.doesNotMatch(words, /task|ticket|project|sprint|milestone/i);
});
