import assert from 'node:assert/strict';
import { test } from 'node:test';
import { valueOf } from '$core/explain/figure.ts';
import { heatFigure, hoursFigure, ledCurrentFigure, resistorFigure } from '$core/explain/light.ts';
import { litBy } from './light.ts';

const by = (query: string) => litBy(new URLSearchParams(query));

test('three AA cells, four white LEDs beside each other: 70 Ω are 75, 18.7 mA each, 26.8 h; its figures say the same', () => {
	const { circuit, answer } = by('').found!;
	const [strand] = answer.strands;
	// (4.5 − 3.1) V ÷ 20 mA = 70 Ω; the next of E24 is 75: 18.67 mA, four times; 2,500 mAh × 0.8 ÷ 74.7 mA.
	assert.ok(Math.abs(strand!.exactOhm! - 70) < 1e-9);
	assert.equal(strand!.ohm, 75);
	assert.ok(Math.abs(valueOf(resistorFigure(circuit)) - 70) < 1e-9);
	assert.ok(Math.abs(valueOf(ledCurrentFigure(circuit, 75)) - answer.milliamps) < 1e-9);
	assert.ok(Math.abs(answer.milliamps - (4 * 1400) / 75) < 1e-9);
	assert.ok(Math.abs(valueOf(hoursFigure(circuit, answer.milliamps)) - answer.hours!) < 1e-9);
	assert.ok(Math.abs(answer.hours! - 26.79) < 0.01);
	assert.ok(Math.abs(valueOf(heatFigure(circuit, 75)) - strand!.resistorWatts) < 1e-12);
	// White LEDs go out at 3.1 V, before three cells are empty at 2.7.
	assert.deepEqual(
		answer.problems.map((p) => p.what),
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
		by('leds=2').found!.answer.problems.map((p) => p.what),
		['supply'],
		'4.5 V are too few for two in a row'
	);
	assert.equal(by('hours=&fuse=').found!.circuit.hours, null);
});
