import assert from 'node:assert/strict';
import { test } from 'node:test';
import { runJob } from '../../formats/jobs.ts';
import { seeded } from '../../units/random.ts';
import { CELLS, lightCircuit, type Circuit } from './circuit.ts';
import { E_SERIES, nextValue } from './series.ts';

const circuit = (more: Partial<Circuit> = {}): Circuit => ({
	cell: CELLS.AA,
	inSeries: 3,
	rows: 1,
	strands: [{ id: 'eyes', forwardVolts: 3.1, milliamps: 20, inSeries: 1, strings: 2 }],
	series: 'E24',
	fuseMilliamps: null,
	switchMilliamps: null,
	hours: null,
	...more
});

test('E12 and E24 are their geometric series, but for the values that IEC 60063 sets by hand', () => {
	// 10^(i/12) and 10^(i/24) in two digits; the standard rounds these otherwise.
	const set = new Map([
		[26, 27],
		[29, 30],
		[32, 33],
		[35, 36],
		[38, 39],
		[42, 43],
		[46, 47],
		[83, 82]
	]);
	for (const [name, n] of [
		['E12', 12],
		['E24', 24]
	] as const)
		assert.deepEqual(
			E_SERIES[name],
			Array.from({ length: n }, (_, i) => Math.round(10 * 10 ** (i / n))).map((v) => set.get(v) ?? v)
		);
	assert.ok(E_SERIES.E12.every((v) => (E_SERIES.E24 as readonly number[]).includes(v)));
});

test('the next value up is in the series, no smaller, and the one below it is', () => {
	for (const [ohm, series, next] of [
		[70, 'E24', 75],
		[70, 'E12', 82],
		[83, 'E12', 100],
		[100, 'E12', 100],
		[99.999999999999, 'E24', 100],
		[92, 'E24', 100],
		[0.95, 'E24', 1],
		[4700, 'E12', 4700],
		[4701, 'E24', 5100]
	] as const)
		assert.equal(nextValue(ohm, series), next, `${ohm} of ${series}`);
	const random = seeded(3);
	const all = E_SERIES.E24.flatMap((v) => [-2, -1, 0, 1, 2, 3, 4].map((d) => v * 10 ** d)).sort(
		(a, b) => a - b
	);
	for (let i = 0; i < 500; i++) {
		const ohm = 10 ** (random() * 5);
		const next = nextValue(ohm, 'E24');
		const least = all.find((v) => v >= ohm)!;
		assert.ok(Math.abs(next / least - 1) < 1e-9, `${ohm}: ${next}, not ${least}`);
	}
});

test('worked by hand: two white LEDs on three AA: 70 Ω, 75 taken, 18.7 mA each, 53 h', () => {
	const { supplyVolts, strands, milliamps, watts, hours, problems } = lightCircuit(circuit());
	const near = (a: number, b: number, by = 1e-9) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);
	const [eyes] = strands;
	near(supplyVolts, 4.5);
	// (4.5 − 3.1) ÷ 0.02 = 70; 1.4 ÷ 75 = 18.667 mA; 1.4 × 0.018667 = 0.0261 W.
	near(eyes!.exactOhm!, 70);
	assert.equal(eyes!.ohm, 75);
	near(eyes!.milliamps, 18.6667, 1e-4);
	near(eyes!.resistorWatts, 0.02613, 1e-5);
	assert.equal(eyes!.ratedWatts, 0.125);
	near(eyes!.warmer, 17.77, 0.01);
	near(milliamps, 37.3333, 1e-4);
	near(watts, 0.168, 1e-9);
	// 2500 mAh × 0.8 ÷ 37.33 mA.
	near(hours!, 53.571, 1e-3);
	// Empty cells give 2.7 V: white goes out before.
	assert.deepEqual(problems, [{ what: 'goesOut', strand: 'eyes', volts: 3.1 }]);
});

test('red in threes on a block of 9 V: what is over a limit is told', () => {
	const red = { id: 'core', forwardVolts: 2, milliamps: 20, inSeries: 3, strings: 10 };
	const found = lightCircuit(
		circuit({
			cell: CELLS['9V'],
			inSeries: 1,
			strands: [red],
			series: 'E12',
			fuseMilliamps: 100,
			switchMilliamps: 500,
			hours: 6
		})
	);
	// (9 − 6) ÷ 0.02 = 150 Ω, a value: 20 mA in ten strings.
	assert.deepEqual([found.strands[0]!.ohm, Math.round(found.milliamps)], [150, 200]);
	assert.deepEqual(
		found.problems.map((p) => p.what),
		['fuse', 'cells', 'hours']
	);
	assert.equal(found.hours, 2);
	const short = lightCircuit(circuit({ strands: [{ ...red, inSeries: 3, strings: 1 }] }));
	assert.deepEqual(short.problems, [{ what: 'supply', strand: 'core', shortVolts: 1.5 }]);
	assert.deepEqual([short.milliamps, short.hours, short.strands[0]!.ohm], [0, null, null]);
});

test('of 500 random circuits: never more current than wanted, and what comes in goes out', () => {
	const random = seeded(9);
	for (let i = 0; i < 500; i++) {
		const strands = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, k) => ({
			id: `s${k}`,
			forwardVolts: 1.8 + random() * 1.5,
			milliamps: 1 + random() * 30,
			inSeries: 1 + Math.floor(random() * 3),
			strings: 1 + Math.floor(random() * 5)
		}));
		const series = random() < 0.5 ? 'E12' : 'E24';
		const found = lightCircuit(circuit({ inSeries: 2 + Math.floor(random() * 6), strands, series }));
		let watts = 0;
		for (const [k, strand] of strands.entries()) {
			const its = found.strands[k]!;
			assert.ok(its.milliamps <= strand.milliamps * (1 + 1e-9));
			// In the resistor and in the LEDs: what the cells give.
			const inLeds = (its.milliamps / 1000) * strand.forwardVolts * strand.inSeries;
			watts += strand.strings * (its.resistorWatts + inLeds);
			if (its.ratedWatts !== null)
				assert.ok(its.resistorWatts <= its.ratedWatts / 2 && its.warmer <= 42.5 + 1e-9);
		}
		assert.ok(Math.abs(watts - found.watts) < 1e-9, `${watts}, not ${found.watts}`);
	}
});

test('the job says resistors, current and hours, and names what cannot be', () => {
	const job = (more: object) =>
		runJob(
			{
				kind: 'light',
				cell: 'AA',
				inSeries: 3,
				strands: [{ id: 'eyes', forwardVolts: 3.1, milliamps: 20, strings: 2 }],
				...more
			},
			() => 0
		);
	const done = job({});
	assert.ok(done.ok);
	assert.equal((done.result as { strands: { ohm: number }[] }).strands[0]!.ohm, 75);
	for (const [more, words] of [
		[{ cell: 'D' }, /^cell/],
		[{ cell: { volts: 3, milliampHours: 100, emptyVolts: 3 } }, /^cell/],
		[{ strands: [] }, /^strands: Needs a strand/],
		[{ strands: [{ id: 'a', forwardVolts: 0, milliamps: 20 }] }, /^strands.0.forwardVolts: Volts are more/],
		[{ strands: [{ id: 'a', forwardVolts: 230, milliamps: 20 }] }, /qualified people/],
		[{ inSeries: 0 }, /^inSeries/]
	] as const) {
		const wrong = job(more);
		assert.ok(!wrong.ok);
		assert.match(wrong.words, words);
	}
});
