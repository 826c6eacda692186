import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { chanceFigure, hoursWornFigure, lookFigure } from '../explain/health.ts';
import { valueOf } from '../explain/figure.ts';
import { timesFailed } from '../facts/fault.ts';
import type { Inspected, WearLog } from '../facts/health.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { DAY } from '../units/localTime.ts';
import { holdings } from './holding.ts';
import { hoursWorn } from './holds.ts';
import { byComponent, chanceOf, loadedFactor, toInspect, toLook } from './inspection.ts';
import type { Weight } from './weight.ts';

const FACTORS = { standing: 1, walking: 2, jumping: 4 };
const near = (a: number, b: number, by = 1e-9) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);
const pauldron = make.component(1, { code: 'A-02', name: 'pauldron', zones: ['shoulder-left'] });
const belt = make.component(2, { code: 'G-01', name: 'belt', zones: ['waist'] });
const wear = {
	...make.NO_WEAR,
	joins: [make.join(1, 1, { upMm: 60 }), make.join(2, 2, { fastener: 'hookAndLoopGlued' })],
	wearings: [make.wearing(1, { centre: [60, 20, 0] })]
};
const record = make.record({
	components: [pauldron, belt],
	faults: [{ ...make.fault(1, 2), known: 'hookAndLoopLetsGo' }]
});
const worn = (wornOn: number) => make.wearLog(wornOn, wornOn, { toldAt: wornOn * DAY + 1200 });
const looked = (line: string, day: number, works = true): Inspected => ({
	id: 1,
	costumeId: 1,
	line,
	works,
	lookedAt: day * DAY + 600,
	version: 1
});
const known = (grams: number): Weight => ({ grams, weighed: true, parts: [], unknown: [] });
const looks = (wears: WearLog[], inspected: Inspected[] = [], withLoad = true) => {
	const weights = new Map([
		[1, known(420)],
		[2, known(50)]
	]);
	const held = withLoad ? holdings(record.components, wear, weights, FACTORS, STANDARD) : [];
	return toInspect(record, wear, { held, learned: [], wears, inspected, now: 0 }, STANDARD);
};

test('by hand: self-adhesive that let go once in two wears: (3 ÷ 10 × 5 + 1) ÷ 7 a wear, 30 % to let go', () => {
	const [first, second] = looks([worn(100), worn(101)], [], false);
	assert.equal(first!.line, 'join 2', 'the likeliest first');
	assert.deepEqual([first!.faults, first!.wears, first!.factor], [1, 2, 1]);
	near(first!.chance, 1 - Math.exp(-2.5 / 7));
	near(valueOf(chanceFigure(first!, 'it lets go')), 100 * first!.chance);
	assert.deepEqual([second!.line, second!.faults], ['join 1', 0]);
	near(second!.chance, 1 - Math.exp(-(0.03 * 5) / 7));
});

test('what tips lets go three times as often; half of what it bears is as usual, all of it twice', () => {
	// One strip high up: the shoulder piece turns about it.
	const held = looks([]).find((l) => l.line === 'join 1')!;
	assert.equal(held.factor, 3);
	near(held.chance, chanceOf(0.3, 0, 0, 3));
	assert.deepEqual([null, 0, 0.5, 0.75, 1, 9].map(loadedFactor), [1, 1, 1, 1.5, 2, 3]);
	assert.equal(loadedFactor(Infinity), 3);
});

test('looked at on a later day, or after the wear was told, counts; what was looked at before it is looked at again', () => {
	// Told at 20:00; looks are at 10:00 of their day.
	const on = (inspected: Inspected, wears = [worn(100)]) =>
		looks(wears, [inspected]).find((l) => l.line === 'join 1')!.looked;
	assert.equal(on(looked('join 1', 99)), null);
	assert.equal(on(looked('join 1', 100)), null, 'in the morning before it was worn');
	assert.equal(
		on({ ...looked('join 1', 100), lookedAt: 100 * DAY + 1300 })?.works,
		true,
		'at night after it'
	);
	assert.equal(on(looked('join 1', 101))?.works, true);
	// Told a week late: what was looked at on the day after it still counts.
	assert.equal(on(looked('join 1', 101), [{ ...worn(100), toldAt: 107 * DAY }])?.works, true);
	// Never worn: any look counts.
	assert.equal(on(looked('join 1', 50, false), [])?.works, false);
});

test('by hand: two straps alike worn twice, one tore: (0.1 ÷ 10 × 5 + 1) ÷ (5 + 4) each, and not twice as often', () => {
	const joins = [make.join(1, 2, { fastener: 'buckle' }), make.join(2, 2, { fastener: 'buckle' })];
	const its = toInspect(
		make.record({ components: [belt], faults: [{ ...make.fault(1, 2), known: 'strapTornOut' }] }),
		{ ...make.NO_WEAR, joins },
		{ held: [], learned: [], wears: [worn(100), worn(101)], inspected: [], now: 0 },
		STANDARD
	);
	assert.deepEqual(
		its.map((l) => [l.wears, l.faults]),
		[
			[4, 1],
			[4, 1]
		]
	);
	near(its[0]!.chance, 1 - Math.exp(-1.05 / 9));
});

test('what is left to look at, with its minutes; what failed', () => {
	const its = toLook(looks([], [looked('join 1', 50, false)]));
	assert.deepEqual([its.left.length, its.failed.length, its.minutes], [1, 1, 1]);
	assert.equal(valueOf(lookFigure(its.left, (l) => l.line)), its.minutes);
	const wears = [worn(3), { ...worn(4), hours: 5 }, { ...worn(5), hours: 2.5 }];
	assert.equal(hoursWorn(wears), 7.5);
	assert.equal(valueOf(hoursWornFigure(wears)), 7.5);
});

test('the third time, each of the one before; a circle ends', () => {
	const fault = (id: number, cameBackOf: number | null) => ({ ...make.fault(id, 1), cameBackOf });
	const faults = [fault(1, null), fault(2, 1), fault(3, 2), fault(8, 9), fault(9, 8)];
	assert.deepEqual(
		faults.map((f) => timesFailed(f, faults)),
		[1, 2, 3, 2, 2]
	);
});

test('a component at a time; a costume without joins, seams, coats and cells has nothing to look at', () => {
	assert.deepEqual(
		byComponent(looks([])).map((g) => [g.component.code, g.looks.length]),
		[
			['G-01', 1],
			['A-02', 1]
		]
	);
	assert.deepEqual(
		toInspect(
			make.record({ components: [belt] }),
			make.NO_WEAR,
			{ held: [], learned: [], wears: [], inspected: [], now: 0 },
			STANDARD
		),
		[]
	);
});

test('foam and what rusts are looked at; foam of four years lets go twice as often, of ten three times', () => {
	const made = make.record({
		components: [pauldron],
		steps: [
			make.step(1, 1, { technique: 'cutFoam', doneAt: 0 }),
			make.step(2, 1, { technique: 'eyelet', doneAt: 0 })
		]
	});
	const after = (years: number) =>
		toInspect(
			made,
			make.NO_WEAR,
			{ held: [], learned: [], wears: [], inspected: [], now: years * 365.25 * DAY },
			STANDARD
		);
	const foam = (years: number) => after(years).find((l) => l.kind === 'foam')!;
	assert.deepEqual(
		after(1)
			.map((l) => l.line)
			.sort(),
		['foam 1', 'rust 1']
	);
	assert.deepEqual(
		[1, 4, 10].map((y) => foam(y).ageFactor),
		[1, 2, 3]
	);
	near(foam(4).chance, 1 - Math.exp(-0.02));
	near(valueOf(chanceFigure(foam(4), 'it lets go')), 100 * foam(4).chance);
	assert.equal(after(10).find((l) => l.kind === 'rust')!.ageFactor, 1);
});

test('cells are as old as the last look at them: whoever looked put fresh ones in', () => {
	const made = make.record({
		components: [pauldron],
		steps: [make.step(1, 1, { technique: 'wire', doneAt: 0 })]
	});
	const cells = (inspected: Inspected[]) =>
		toInspect(
			made,
			make.NO_WEAR,
			{ held: [], learned: [], wears: [], inspected, now: 2 * 365.25 * DAY },
			STANDARD
		)[0]!.ageFactor;
	assert.equal(cells([]), 2.5);
	assert.equal(cells([looked('cells 1', 700)]), 1);
});
