import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Decimal } from 'decimal.js';
import { seeded } from '$tests/support/planCases.ts';
import * as make from '$tests/support/record.ts';
import { spendOf } from '../answers/spend.ts';
import { CURRENCIES, exchanged, formatMoney, minorDigits, parseMoney, percentOf } from './money.ts';

/** Money against decimal.js, a library of decimal arithmetic that knows nothing of ours. */

/** As it is typed: up to so many digits after the point. */
const typed = (random: () => number, digits: number, most = 5000): string => {
	const whole = Math.floor(random() * most);
	return digits === 0
		? String(whole)
		: `${whole}.${String(Math.floor(random() * 10 ** digits)).padStart(digits, '0')}`;
};
const minorOf = (text: string, currency: string): number => {
	const read = parseMoney(text, currency);
	assert.ok(read.ok, text);
	return read.value;
};

test('5,000 typed prices are read and written to the last coin, in currencies of none, two and three digits', () => {
	const random = seeded(1);
	for (let k = 0; k < 5000; k++) {
		const currency = CURRENCIES[k % CURRENCIES.length]!;
		const digits = minorDigits(currency);
		const text = typed(random, digits, 9_000_000);
		const minor = minorOf(text, currency);
		assert.equal(
			minor,
			new Decimal(text).times(new Decimal(10).pow(digits)).toNumber(),
			`${text} ${currency}`
		);
		const shown = formatMoney(minor, currency).replace(/\u2009| [A-Z]{3}$/g, '');
		assert.equal(shown, new Decimal(text).toFixed(digits));
	}
});

test('20,000 exchanges by rates as they are typed are those of exact decimals, a half coin goes up', () => {
	const random = seeded(2);
	for (let k = 0; k < 20_000; k++) {
		const from = CURRENCIES[Math.floor(random() * CURRENCIES.length)]!;
		const to = CURRENCIES[Math.floor(random() * CURRENCIES.length)]!;
		// Few digits, so that halves come up often.
		const rate = typed(random, 1 + Math.floor(random() * 3), 4);
		const minor = Math.floor(random() * 100_000);
		if (Number(rate) === 0) continue;
		const exact = new Decimal(minor)
			.div(new Decimal(10).pow(minorDigits(from)))
			.times(rate)
			.times(new Decimal(10).pow(minorDigits(to)))
			.toDecimalPlaces(0, Decimal.ROUND_HALF_UP);
		assert.equal(
			exchanged(minor, from, to, Number(rate)),
			exact.toNumber(),
			`${minor} ${from} × ${rate} in ${to}`
		);
	}
});

test('20,000 taxes by rates as they are typed are those of exact decimals', () => {
	const random = seeded(4);
	for (let k = 0; k < 20_000; k++) {
		const percent = typed(random, Math.floor(random() * 3), 30);
		const minor = Math.floor(random() * 1_000_000);
		const exact = new Decimal(minor).times(percent).div(100).toDecimalPlaces(0, Decimal.ROUND_HALF_UP);
		assert.equal(percentOf(minor, Number(percent)), exact.toNumber(), `${percent} % of ${minor}`);
	}
});

test('what 300 costumes will cost is what a till adds up, coin by coin', () => {
	const random = seeded(3);
	for (let k = 0; k < 300; k++) {
		let sum = new Decimal(0);
		const purchases = Array.from({ length: 1 + Math.floor(random() * 12) }, (_, i) => {
			const packs = 1 + Math.floor(random() * 9);
			const [price, sending] = [typed(random, 2), typed(random, 2, 20)];
			const state = (['planned', 'ordered', 'arrived', 'used', 'returned'] as const)[
				Math.floor(random() * 5)
			]!;
			const back = state === 'returned' ? typed(random, 2, Math.floor(Number(price)) + 1) : '0';
			sum = sum.plus(new Decimal(price).times(packs)).plus(sending).minus(back);
			return make.purchase(i + 1, 1 + (i % 3), {
				packs,
				packPriceMinor: minorOf(price, 'EUR'),
				shippingMinor: minorOf(sending, 'EUR'),
				refundMinor: minorOf(back, 'EUR'),
				state
			});
		});
		const record = make.record({ components: [make.component(1)], purchases });
		const shop = make.workshop({ materials: [make.material(1), make.material(2), make.material(3)] });
		const spend = spendOf(record, shop);
		assert.equal(spend.totalMinor, sum.times(100).toNumber());
		assert.equal(
			[...spend.byComponent.values()].reduce((a, b) => a + b, 0),
			spend.totalMinor
		);
	}
});
