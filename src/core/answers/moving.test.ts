import assert from 'node:assert/strict';
import { test } from 'node:test';
import { sightFigure, tooWideFigure, wornFigure } from '../explain/moving.ts';
import { valueOf } from '../explain/figure.ts';
import { dayOfEvent, passagesOf, sightAngle, sightOf, stretchesIn } from './moving.ts';

const near = (a: number, b: number) => assert.ok(Math.abs(a - b) < 0.01, `${a} is not ${b}`);

test('sight by trigonometry: an opening twice as wide as the eye is far leaves 90°, one of 2 × tan 30° leaves 60°', () => {
	near(sightAngle(40, 20), 90);
	near(sightAngle(2 * Math.tan(Math.PI / 6) * 50, 50), 60);
	// A slit of 150 × 30 mm, 60 mm off: wide enough, and the floor is not seen.
	const slit = sightOf({ openingWideMm: 150, openingHighMm: 30, eyeMm: 60 })!;
	near(slit.across, 102.68);
	near(slit.upAndDown, 28.07);
	assert.equal(slit.enough, false);
	near(valueOf(sightFigure('across', 150, 60, 'cm')), 102.68);
	assert.equal(sightOf({ openingWideMm: 150, openingHighMm: null, eyeMm: 60 }), null);
	assert.equal(sightOf(null), null);
});

test('doors: as wide as the door goes through, a millimetre more does not; the seat takes the hips', () => {
	const through = (wideMm: number | null, hipsMm: number | null) =>
		Object.fromEntries(passagesOf({ wideMm, hipsMm }).map((p) => [p.name, p.passes]));
	assert.deepEqual(through(750, 450), {
		stairs: true,
		door: true,
		'car door': false,
		'bus aisle': false,
		'seat between its arms': true
	});
	assert.equal(through(751, null)['door'], false);
	const door = passagesOf({ wideMm: 751, hipsMm: null }).find((p) => p.name === 'door')!;
	assert.equal(valueOf(tooWideFigure(door, 'cm')), 1);
	assert.equal(through(751, null)['seat between its arms'], null);
});

test('by hand: two hours are three stretches of 20 on and 20 off: an hour worn; 130 minutes begin a fourth', () => {
	assert.deepEqual([dayOfEvent(null), dayOfEvent(9)], [480, 540]);
	assert.deepEqual(stretchesIn(120, null), { on: 20, rest: 20, times: 3, worn: 60, own: false });
	assert.equal(valueOf(wornFigure(130, stretchesIn(130, null))), 70);
	assert.deepEqual(stretchesIn(130, null), { on: 20, rest: 20, times: 4, worn: 70, own: false });
	assert.deepEqual(stretchesIn(60, { onMinutes: 40, restMinutes: 10 }), {
		on: 40,
		rest: 10,
		times: 2,
		worn: 50,
		own: true
	});
});
