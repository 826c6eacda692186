import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { valueOf } from '../explain/figure.ts';
import { keptHoursFigure } from '../explain/light.ts';
import { hoursOf, type EventRule, type RuleKind } from '../facts/travel.ts';
import type { Wearing } from '../facts/wear.ts';
import type { Component } from '../facts/component.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { atTheDoor, fitsInto, partsFor } from './door.ts';
import { emergencyKit, forbids, rulesOf } from './kit.ts';
import { luggageOf } from './packed.ts';

const rule = (
	id: number,
	kind: RuleKind,
	limits: number[] = [],
	more: Partial<EventRule> = {}
): EventRule => ({
	id,
	eventName: 'Pageant',
	kind,
	limits,
	note: '',
	version: 1,
	...more
});
const things = (components: readonly Component[], wearings: Wearing[], grams: number | null = 900) =>
	luggageOf(
		components,
		{ joins: [], wearings },
		new Map(components.map((c) => [c.id, { grams, weighed: true, parts: [], unknown: [] }])),
		() => []
	);
const trunk = {
	id: 1,
	position: 0,
	name: 'trunk',
	inner: [780, 480, 280] as const,
	wallMm: 10,
	kg: 23,
	version: 1
};

const oar = make.component(1, { kind: 'prop', name: 'Oar' });
const mask = make.component(2, { kind: 'armor', zones: ['face'] });

test('by hand: 1800 mm before a limit of 1200 fails, and passes in two halves of 1020', () => {
	const before = (wearing: Partial<Wearing>, limit = 1200) =>
		atTheDoor([rule(1, 'length', [limit])], things([oar], [make.wearing(1, wearing)]), [])[0]!;
	const whole = before({ size: [1800, 120, 40] });
	assert.deepEqual([whole.verdict, whole.checks[0]!.value], ['fails', 1800]);
	assert.equal(partsFor([1800, 120, 40], 1200), 2);
	const halves = before({ size: [1800, 120, 40], parts: 2 });
	assert.deepEqual([halves.verdict, halves.checks[0]!.value], ['passes', 1020]);
	// Exactly as long as it may be passes. Of what nobody has measured nothing is said but that.
	assert.equal(before({ size: [1200, 10, 10] }).verdict, 'passes');
	assert.equal(before({}).verdict, 'unknown');
	assert.equal(partsFor([1800, 120, 40], 700), 4);
	assert.equal(partsFor([3000, 120, 40], 700), null);
});

test('what lights has to last the day: 25.9 h of four LEDs on four cells; the event says how long its day is', () => {
	const circuit = {
		cell: 'AA',
		inSeries: 4,
		rows: 1,
		volts: 3.1,
		milliamps: 20,
		leds: 1,
		strings: 4,
		series: 'E24',
		hours: null,
		fuse: null,
		switch: null
	} as const;
	const lit = things([oar, mask], [make.wearing(1, { circuit })]);
	const before = (hours: number) => atTheDoor([rule(1, 'hours', [hours])], lit, [])[0]!;
	// 2,500 mAh × 0.8 ÷ 77.3 mA, as worked out under Light.
	const long = before(26);
	assert.deepEqual(
		long.checks.map((c) => [c.component!.id, c.verdict]),
		[[1, 'fails']]
	);
	assert.ok(Math.abs(long.checks[0]!.value! - 25.862) < 0.001);
	assert.ok(Math.abs(valueOf(keptHoursFigure(circuit)) - long.checks[0]!.value!) < 1e-9);
	assert.equal(before(9).verdict, 'passes');
	// Beside it a red strand: (6 − 2) V ÷ 200 Ω = 20 mA in each of five strings: 77.33 + 100 mA.
	const more = [{ volts: 2, milliamps: 20, leds: 1, strings: 5 }];
	assert.ok(
		Math.abs(valueOf(keptHoursFigure({ ...circuit, more })) - 2000 / (4 * (2900 / 150) + 100)) < 1e-9
	);
	assert.equal(hoursOf([rule(1, 'hours', [9])], ' pageant'), 9);
	assert.equal(hoursOf([rule(1, 'hours', [9])], 'another'), null);
});

test('weights of props, sides of cases turned as they like, and what is forbidden', () => {
	const all = things([oar, mask], [make.wearing(1, { features: ['blade', 'light'] })]);
	const checks = atTheDoor(
		[
			rule(1, 'weight', [800]),
			rule(2, 'case', [500, 300, 800]),
			rule(3, 'case', [500, 300, 790]),
			rule(4, 'blade'),
			rule(5, 'glass'),
			rule(6, 'mask'),
			rule(7, 'other', [], { note: 'No confetti' })
		],
		all,
		[trunk]
	);
	assert.deepEqual(
		checks.map((c) => [c.verdict, c.checks.map((x) => x.component?.id ?? x.travelCase?.name)]),
		[
			['fails', [1]],
			['passes', ['trunk']],
			['fails', ['trunk']],
			['fails', [1]],
			['passes', []],
			// It lies over the face: nobody has to say so.
			['fails', [2]],
			['look', []]
		]
	);
	assert.ok(fitsInto([3, 1, 2], [1, 2, 3]) && !fitsInto([3, 1, 2], [1, 2, 2.9]));
});

test('rules are those of the event, by its name however it is written', () => {
	const rules = [rule(2, 'glass'), rule(1, 'blade'), rule(3, 'mask', [], { eventName: 'Market' })];
	assert.deepEqual(
		rulesOf(' pageant', rules).map((r) => r.id),
		[1, 2]
	);
});

test('the emergency kit follows from what the costume is made of; scissors stay where blades are forbidden', () => {
	const record = make.record({
		components: [make.component(1), make.component(2, { kind: 'wig', code: 'W-01' })],
		needs: [make.need(1, 5, 1)],
		steps: [
			make.step(1, 1, { technique: 'sewHand' }),
			make.step(2, 1, { technique: 'wire' }),
			make.step(3, 1, { technique: 'sewMachine' })
		]
	});
	const kit = emergencyKit(
		record,
		{
			joins: [make.join(1, 1), make.join(2, 1, { fastener: 'snap' }), make.join(3, 2, { fastener: 'pin' })],
			wearings: []
		},
		[make.material(5, { family: 'glue', name: 'contact cement' })],
		STANDARD
	);
	assert.deepEqual(
		kit.map((k) => k.name),
		[
			'contact cement',
			'needle and thread',
			'spare cells',
			'spare hook-and-loop',
			'spare snaps',
			'wig pins and comb',
			'strong cloth tape',
			'safety pins',
			'small scissors',
			'plasters and water'
		]
	);
	assert.equal(kit.find((k) => k.key === 'wig')!.because, 'W-01');
	assert.deepEqual(
		kit.filter((k) => forbids(k, [rule(1, 'blade')])).map((k) => k.name),
		['small scissors']
	);
});
