import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import { amountText, amountWords } from './amounts.ts';
import { namesWords } from '$core/units/names.ts';
import { forecastFor, isTroubled, oddsWords } from './words.ts';

test('odds are asked for by the buffer, the event and the rehearsal, each day once', () => {
	const { costume } = make.record();
	const at = { ...costume, eventAt: 5000, rehearsalAt: null };
	assert.deepEqual(forecastFor(at, 4000, 'k').by, [4000, 5000]);
	assert.deepEqual(forecastFor({ ...at, rehearsalAt: 3000 }, 4000, 'k').by, [4000, 5000, 3000]);
	assert.deepEqual(forecastFor({ ...at, rehearsalAt: 5000 }, 5000, 'k').by, [5000]);
});

test('odds in words: as sure as wanted, more likely than not, or late', () => {
	assert.match(oddsWords(0.9, 90), /as you want it$/);
	assert.match(oddsWords(0.6, 90), /More likely ready/);
	assert.match(oddsWords(0.49, 90), /More likely late/);
	assert.deepEqual((['safe', 'likely', 'late', 'stuck', 'intoBuffer'] as const).map(isTroubled), [
		false,
		false,
		true,
		true,
		true
	]);
});

test('names in a sentence: all of a few, the first of many', () => {
	assert.equal(namesWords(['A']), 'A');
	assert.equal(namesWords(['A', 'B', 'C']), 'A, B and C');
	assert.equal(namesWords(['A', 'B', 'C', 'D', 'E']), 'A, B, C, D and E');
	const many = Array.from({ length: 22 }, (_, i) => `N${i + 1}`);
	assert.equal(namesWords(many), 'N1, N2, N3, N4 and 18 more');
});

test('amounts of every technique: with what they count, in the units of the workshop, one and many', () => {
	const shop = make.workshop();
	const settings = { ...shop.settings, clothUnit: 'yd' as const, lengthUnit: 'cm' as const };
	for (const [technique, { driver, of }] of Object.entries(STANDARD.technique)) {
		const words = (amount: number) => amountWords({ technique, amount }, { ...shop, settings });
		if (driver === 'count') {
			assert.equal(words(1), `1 ${of}`, technique);
			assert.match(words(3), /^3 \S+.*(s|es|ies)$/, `${technique}: ${words(3)}`);
		} else if (driver === 'length') assert.equal(words(914.4), `1 yd ${of}`, technique);
		else assert.equal(words(500_000), amountText({ technique, amount: 500_000 }, { ...shop, settings }));
	}
});
