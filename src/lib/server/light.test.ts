import assert from 'node:assert/strict';
import { test } from 'node:test';
import { valueOf } from '$core/explain/figure.ts';
import {
	heatFigure,
	hoursFigure,
	ledCurrentFigure,
	resistorFigure,
	stringCurrentFigure,
	warmerFigure
} from '$core/explain/light.ts';
import { typedCircuit } from '$core/answers/lightParts.ts';
import { litBy } from './light.ts';

const by = (query: string) => litBy(new URLSearchParams(query));

test('four AA cells, four white LEDs beside each other: 145 Ω are 150, 19.3 mA each, 25.9 h; its figures say the same', () => {
	const { circuit, answer } = by('').found!;
	const [strand] = answer.strands;
	// (6 − 3.1) V ÷ 20 mA = 145 Ω; the next of E24 is 150: 19.33 mA, four times; 2,500 mAh × 0.8 ÷ 77.3 mA.
	assert.ok(Math.abs(strand!.exactOhm! - 145) < 1e-9);
	assert.equal(strand!.ohm, 150);
	assert.ok(Math.abs(valueOf(resistorFigure(circuit)) - 145) < 1e-9);
	assert.ok(Math.abs(valueOf(ledCurrentFigure(circuit, answer.strands)) - answer.milliamps) < 1e-9);
	assert.ok(Math.abs(answer.milliamps - (4 * 2900) / 150) < 1e-9);
	assert.ok(Math.abs(valueOf(hoursFigure(circuit, answer.milliamps)) - answer.hours!) < 1e-9);
	assert.ok(Math.abs(answer.hours! - 25.86) < 0.01);
	assert.ok(Math.abs(valueOf(heatFigure(circuit, 150)) - strand!.resistorWatts) < 1e-12);
	assert.ok(Math.abs(valueOf(stringCurrentFigure(circuit, 150)) - strand!.milliamps) < 1e-9);
	// 56 mW in one sold for 125: 85 K × 0.449.
	assert.ok(Math.abs(valueOf(warmerFigure(strand!, circuit)) - strand!.warmer) < 1e-9);
	assert.ok(Math.abs(strand!.warmer - 38.1) < 0.1);
	assert.deepEqual(answer.problems, []);
	// On three of them they go out at 3.1 V, before the cells are empty at 2.7.
	assert.deepEqual(
		by('inSeries=3').found!.answer.problems.map((p) => p.what),
		['goesOut']
	);
});

test('what is wrong is said at its field, and what was typed stays', () => {
	for (const [query, field] of [
		['inSeries=0', 'inSeries'],
		['volts=230', 'volts'],
		['milliamps=0', 'milliamps'],
		['leds=1.5', 'leds'],
		['strings=', 'strings'],
		['cell=car', 'cell'],
		['hours=-1', 'hours']
	] as const) {
		const { errors, found, typed } = by(query);
		assert.deepEqual([Object.keys(errors), found], [[field], null], query);
		assert.equal(typed[field], query.split('=')[1]);
	}
	assert.deepEqual(
		by('inSeries=3&leds=2').found!.answer.problems.map((p) => p.what),
		['supply'],
		'4.5 V are too few for two in a row'
	);
	assert.equal(by('hours=&fuse=').found!.circuit.hours, null);
});

test('a second strand on the same cells: its own resistor, its current beside the first, its parts together where they are the same', () => {
	const query = 'volts2=2&milliamps2=20&leds2=1&strings2=5';
	const { circuit, answer, parts, kept } = by(query).found!;
	assert.deepEqual(by(query).strands, [1, 2]);
	assert.deepEqual(kept.more, [{ volts: 2, milliamps: 20, leds: 1, strings: 5 }]);
	// (6 − 2) V ÷ 20 mA = 200 Ω, a value of E24: 20 mA through each of five; 4 × 19.33 + 100.
	assert.deepEqual(
		answer.strands.map((s) => s.ohm),
		[150, 200]
	);
	assert.ok(Math.abs(valueOf(ledCurrentFigure(circuit, answer.strands)) - (4 * (2900 / 150) + 100)) < 1e-9);
	assert.ok(Math.abs(valueOf(resistorFigure(circuit, 1)) - 200) < 1e-9);
	assert.deepEqual(
		parts.slice(0, 4).map((p) => [p.count, p.material]),
		[
			[4, 'LED, 3.1 V'],
			[4, 'resistor, 150 Ω'],
			[5, 'LED, 2 V'],
			[5, 'resistor, 200 Ω']
		]
	);
	// The same LEDs at another current are bought together, their resistors are not.
	const alike = by('volts2=3.1&milliamps2=10&leds2=1&strings2=2').found!.parts;
	assert.deepEqual(
		alike.filter((p) => p.name !== 'switch' && p.name !== 'fuse').map((p) => [p.count, p.material]),
		[
			[6, 'LED, 3.1 V'],
			[4, 'resistor, 150 Ω'],
			[2, 'resistor, 300 Ω'],
			[4, 'cell, AA']
		]
	);
	assert.equal(alike[0]!.is, '3.1 V at 20 mA; 3.1 V at 10 mA');
	// It comes back from what is kept as it was typed.
	assert.deepEqual(litBy(new URLSearchParams(typedCircuit(kept))).found!.kept, kept);
	// Half a strand is told at the field that it lacks, and one that is empty is none.
	assert.deepEqual(by('volts2=2&milliamps2=20').errors, { leds2: 'Needs a value.' });
	assert.deepEqual(by('volts2=&milliamps2=&leds2=&strings2=').strands, [1]);
	// Two red ones in a row on four cells light, and five do not: nothing is made of it.
	assert.deepEqual(by('volts2=2&milliamps2=20&leds2=3&strings2=1').found!.parts, []);
	assert.equal(by('').typed['hours'], '8');
	assert.equal(litBy(new URLSearchParams(), 10).found!.kept.hours, 10, 'as long as the day of its event');
});
