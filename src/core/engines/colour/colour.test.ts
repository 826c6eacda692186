import assert from 'node:assert/strict';
import { test } from 'node:test';
import Color from 'colorjs.io';
import { atLeastFrom } from './atLeast.ts';
import { differenceCiede2000 } from 'culori';
import { runJob } from '../../formats/jobs.ts';
import { seeded } from '../../units/random.ts';
import { difference, differenceWords } from './difference.ts';
import { hexOf, isShown, labOf, labOfHex, srgbOf } from './lab.ts';
import type { Lab } from '../../units/lab.ts';
import { differenceUnder, underLight, whiteOf } from './light.ts';
import { bestMixes, mixOf, type Mix, type MixTask, type Paint } from './mix.ts';
import { labUnder, DAYLIGHT, reflectanceOf } from './reflectance.ts';

/** L, a, b of both and ΔE00. Source: Sharma, Wu and Dalal 2005, The CIEDE2000 color-difference formula, table 1. */
const SHARMA = `
50 2.6772 -79.7751 50 0 -82.7485 2.0425
50 3.1571 -77.2803 50 0 -82.7485 2.8615
50 2.8361 -74.0200 50 0 -82.7485 3.4412
50 -1.3802 -84.2814 50 0 -82.7485 1.0000
50 -1.1848 -84.8006 50 0 -82.7485 1.0000
50 -0.9009 -85.5211 50 0 -82.7485 1.0000
50 0 0 50 -1 2 2.3669
50 -1 2 50 0 0 2.3669
50 2.4900 -0.0010 50 -2.4900 0.0009 7.1792
50 2.4900 -0.0010 50 -2.4900 0.0010 7.1792
50 2.4900 -0.0010 50 -2.4900 0.0011 7.2195
50 2.4900 -0.0010 50 -2.4900 0.0012 7.2195
50 -0.0010 2.4900 50 0.0009 -2.4900 4.8045
50 -0.0010 2.4900 50 0.0010 -2.4900 4.8045
50 -0.0010 2.4900 50 0.0011 -2.4900 4.7461
50 2.5 0 50 0 -2.5 4.3065
50 2.5 0 73 25 -18 27.1492
50 2.5 0 61 -5 29 22.8977
50 2.5 0 56 -27 -3 31.9030
50 2.5 0 58 24 15 19.4535
50 2.5 0 50 3.1736 0.5854 1.0000
50 2.5 0 50 3.2972 0 1.0000
50 2.5 0 50 1.8634 0.5757 1.0000
50 2.5 0 50 3.2592 0.3350 1.0000
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.2630
61.2901 3.7196 -5.3901 61.4292 2.2480 -4.9620 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.6940 23.0331 14.9730 -42.5619 2.0373
36.4612 47.8580 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.4410 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.1350 0.9033 -0.0636 -0.5514 0.9082`
	.trim()
	.split('\n')
	.map((line) => line.split(' ').map(Number));

const near = (a: number, b: number, by: number, what = '') =>
	assert.ok(Math.abs(a - b) <= by, `${what} ${a} and ${b} differ by more than ${by}`);
const random = seeded(23);
const anyLab = (): Lab => [random() * 100, random() * 160 - 80, random() * 160 - 80];
const anyShown = (): Lab => labOf([random() * 255, random() * 255, random() * 255]);

test('the 34 published pairs have their published difference, either way round', () => {
	assert.equal(SHARMA.length, 34);
	for (const [l1, a1, b1, l2, a2, b2, apart] of SHARMA as [
		number,
		number,
		number,
		number,
		number,
		number,
		number
	][]) {
		near(difference([l1, a1, b1], [l2, a2, b2]), apart, 5e-5, `${l1} ${a1} ${b1}`);
		near(difference([l2, a2, b2], [l1, a1, b1]), apart, 5e-5, `${l2} ${a2} ${b2}`);
	}
});

test('differences are those of another library, for 2,000 pairs', () => {
	const other = differenceCiede2000();
	for (let i = 0; i < 2000; i++) {
		const [a, b] = [anyLab(), anyLab()];
		const theirs = other(
			{ mode: 'lab65', l: a[0], a: a[1], b: a[2] },
			{ mode: 'lab65', l: b[0], a: b[1], b: b[2] }
		);
		near(difference(a, b), theirs, 1e-9);
	}
	assert.equal(difference([50, 10, 10], [50, 10, 10]), 0);
});

test('no colour within bounds is nearer than what is said to be the least, for 40,000 colours', () => {
	const random = seeded(11);
	const between = (low: number, high: number) => low + random() * (high - low);
	let tight = 0;
	for (let i = 0; i < 2000; i++) {
		const target: Lab = [between(0, 100), between(-1, 1) * between(0, 120), between(-1, 1) * between(0, 120)];
		const from: Lab = [between(0, 90), between(-110, 100), between(-110, 100)];
		// From a single colour to a wide part of all.
		const size = [0, 2, 10, 60][i % 4]!;
		const to = from.map((v) => v + between(0, size)) as unknown as Lab;
		const least = atLeastFrom(i % 50 ? target : [target[0], 0, 0])(
			...([0, 1, 2].flatMap((k) => [from[k]!, to[k]!]) as [number, number, number, number, number, number])
		);
		for (let k = 0; k < 20; k++) {
			const inside = from.map((v, at) => between(v, to[at]!)) as unknown as Lab;
			const apart = difference(i % 50 ? target : [target[0], 0, 0], inside);
			assert.ok(least <= apart + 1e-9, `${target.join()}: ${inside.join()} is ${apart}, not ${least}`);
			if (least > 0.8 * apart) tight++;
		}
	}
	// It does tell something.
	assert.ok(tight > 15_000, String(tight));
});

test('a difference has words for what it means', () => {
	assert.deepEqual([0, 0.99, 1, 1.9, 2, 4.9, 5, 10, 60].map(differenceWords), [
		'the same',
		'the same',
		'told apart side by side',
		'told apart side by side',
		'seen at a seam',
		'seen at a seam',
		'a near relation',
		'another colour',
		'another colour'
	]);
});

test('sRGB to CIELAB and back is that of a second library, and of IEC 61966-2-1', () => {
	for (let i = 0; i < 500; i++) {
		const rgb = [random() * 255, random() * 255, random() * 255] as const;
		const theirs = new Color('srgb', [rgb[0] / 255, rgb[1] / 255, rgb[2] / 255]).to('lab-d65').coords;
		labOf(rgb).forEach((v, k) => near(v, theirs[k]!, 0.02, String(rgb)));
		srgbOf(labOf(rgb)).forEach((v, k) => near(v, rgb[k]!, 1e-6));
	}
	assert.deepEqual(labOf([255, 255, 255]), [100, 0, 0]);
	assert.deepEqual(labOf([0, 0, 0]), [0, 0, 0]);
	// The standard's curve: 0.5 is 0.2140 of the light, whose lightness is 116 × ∛0.2140 − 16.
	near(labOf([127.5, 127.5, 127.5])[0], 116 * Math.cbrt(((0.5 + 0.055) / 1.055) ** 2.4) - 16, 1e-6);
	assert.equal(hexOf(labOfHex('#B08D57')!), '#b08d57');
	assert.equal(labOfHex('brass'), null);
	assert.ok(isShown(labOf([255, 0, 0])) && !isShown([50, 120, -100]));
	assert.match(hexOf([50, 120, -100]), /^#[0-9a-f]{6}$/);
});

test('a curve of reflectance looks by daylight like the colour that it was made for', () => {
	for (let i = 0; i < 200; i++) {
		const lab = anyShown();
		near(difference(labUnder(reflectanceOf(lab), DAYLIGHT), lab), 0, 0.1, String(lab));
	}
});

test('lights have their white: D65 and A as published, the cool white lamp between 5,000 and 7,000 K', () => {
	// CIE 15: D65 is 0.3127, 0.3290; A is 0.4476, 0.4074.
	const [[xd, yd], [xa, ya], [xl, yl]] = [whiteOf('daylight'), whiteOf('incandescent'), whiteOf('coolWhite')];
	near(xd, 0.3127, 2e-4);
	near(yd, 0.329, 2e-4);
	near(xa, 0.4476, 1e-3);
	near(ya, 0.4074, 1e-3);
	// McCamy 1992.
	const n = (xl - 0.332) / (0.1858 - yl);
	const kelvin = 449 * n ** 3 + 3525 * n ** 2 + 6823.3 * n + 5520.33;
	assert.ok(kelvin > 5000 && kelvin < 7000, `${kelvin} K`);
});

test('white and grey stay what they are under every light, and a colour is told from another under each', () => {
	for (const light of ['incandescent', 'coolWhite'] as const) {
		near(difference(underLight([60, 0, 0], light), [60, 0, 0]), 0, 0.6, light);
		// Reds are lighter by lamp light.
		if (light === 'incandescent') assert.ok(underLight([40, 50, 30], light)[0] > 40);
	}
	const under = differenceUnder([40, 40, 20], [40, 20, 40]);
	assert.deepEqual(
		under.map((u) => u.light),
		['daylight', 'incandescent', 'coolWhite']
	);
	assert.ok(under.every((u) => u.difference > 10));
});

const paint = (id: string, lab: Lab, strength = 1): Paint => ({ id, lab, strength });
const ochre = paint('ochre', labOf([190, 140, 60]));
const blue = paint('blue', labOf([30, 50, 140]));
const white = paint('white', labOf([245, 244, 238]));
const black = paint('black', labOf([30, 30, 32]));
const yellow = paint('yellow', labOf([250, 210, 30]));

test('a paint that is not mixed is itself, and what comes first does not matter', () => {
	for (const p of [ochre, blue, white, black, yellow])
		near(difference(mixOf([{ paint: p, drops: 7 }]), p.lab), 0, 0.1, p.id);
	const parts = [
		{ paint: ochre, drops: 3 },
		{ paint: blue, drops: 1 },
		{ paint: white, drops: 5 }
	];
	near(difference(mixOf(parts), mixOf(parts.toReversed())), 0, 1e-9);
	near(difference(mixOf(parts), mixOf(parts.map((p) => ({ ...p, drops: p.drops * 4 })))), 0, 1e-9);
});

test('two equal drops of a paint are as two drops of it', () => {
	const twin = { ...ochre, id: 'twin' };
	near(
		difference(
			mixOf([
				{ paint: ochre, drops: 1 },
				{ paint: twin, drops: 1 },
				{ paint: blue, drops: 2 }
			]),
			mixOf([
				{ paint: ochre, drops: 2 },
				{ paint: blue, drops: 2 }
			])
		),
		0,
		1e-9
	);
});

test('more of a paint moves towards it; yellow and blue make a green', () => {
	for (const [one, other] of [
		[ochre, blue],
		[white, black],
		[yellow, blue],
		[ochre, white]
	] as const) {
		let before = Infinity;
		for (let drops = 1; drops <= 12; drops++) {
			const now = difference(
				mixOf([
					{ paint: one, drops },
					{ paint: other, drops: 3 }
				]),
				one.lab
			);
			assert.ok(now < before, `${drops} drops of ${one.id}`);
			before = now;
		}
	}
	const [, a] = mixOf([
		{ paint: yellow, drops: 1 },
		{ paint: blue, drops: 1 }
	]);
	assert.ok(a < -10, `a* is ${a}`);
});

test('a stronger paint takes more of the mix', () => {
	const with_ = (strength: number) =>
		difference(
			mixOf([
				{ paint: { ...blue, strength }, drops: 1 },
				{ paint: white, drops: 3 }
			]),
			blue.lab
		);
	assert.ok(with_(4) < with_(2) && with_(2) < with_(1));
});

const search = (task: MixTask): Mix[] => {
	const work = bestMixes(task);
	for (;;) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
};

test('trying every number of drops by hand is never nearer, on 40 random cases', () => {
	for (let n = 0; n < 40; n++) {
		const paints = Array.from({ length: 4 }, (_, i) => paint(`p${i}`, anyShown(), 0.5 + random()));
		const target = anyShown();
		const drops = 5;
		const [found] = search({ target, paints, drops, together: 3, most: 3 });
		let best = Infinity;
		for (let code = 1; code < (drops + 1) ** 4; code++) {
			const counts = [0, 1, 2, 3].map((i) => Math.floor(code / (drops + 1) ** i) % (drops + 1));
			const used = counts.filter(Boolean).length;
			if (used > 3 || counts.reduce((a, b) => a + b) > drops) continue;
			const lab = mixOf(counts.flatMap((d, i) => (d ? [{ paint: paints[i]!, drops: d }] : [])));
			best = Math.min(best, difference(lab, target));
		}
		near(found!.difference, best, 1e-6, `case ${n}`);
		const parts = found!.parts.map((p) => ({ paint: paints.find((q) => q.id === p.paint)!, drops: p.drops }));
		near(difference(mixOf(parts), found!.lab), 0, 1e-6);
	}
});

test('a mix that was made is found again, and the next ones are of other paints', () => {
	const target = mixOf([
		{ paint: ochre, drops: 5 },
		{ paint: blue, drops: 2 }
	]);
	const found = search({ target, paints: [white, blue, ochre, black], drops: 12, together: 2, most: 4 });
	assert.deepEqual(found[0]!.parts, [
		{ paint: 'ochre', drops: 5 },
		{ paint: 'blue', drops: 2 }
	]);
	near(found[0]!.difference, 0, 1e-6);
	const sets = found.map((m) =>
		m.parts
			.map((p) => p.paint)
			.sort()
			.join()
	);
	assert.equal(new Set(sets).size, 4);
	assert.deepEqual(
		found,
		[...found].sort((a, b) => a.difference - b.difference)
	);
});

const job = (more: object) => runJob({ kind: 'mix', ...more }, () => 0);
const words = (more: object) => {
	const done = job(more);
	assert.ok(!done.ok);
	return done.words;
};

test('the job tells mixes, the colours of given ones and differences of pairs', () => {
	const paints = [
		{ id: 'ochre', lab: '#be8c3c' },
		{ id: 'blue', lab: [22.1, 20.4, -48.9] }
	];
	const done = job({
		target: '#7f7a4a',
		paints,
		mixes: [[{ paint: 'ochre', drops: 1 }]],
		pairs: [
			[
				[50, 2.6772, -79.7751],
				[50, 0, -82.7485]
			]
		]
	});
	assert.ok(done.ok);
	const { mixes, colours, pairs, shown } = done.result as {
		shown: boolean;
		mixes: Mix[];
		colours: number[][];
		pairs: object[];
	};
	assert.ok(shown);
	assert.equal(mixes[0]!.parts[0]!.paint, 'ochre');
	colours[0]!.forEach((v, k) => near(v, labOfHex('#be8c3c')![k]!, 0.1));
	assert.deepEqual(pairs, [{ difference: 2.0425, words: 'seen at a seam' }]);
});

test('bad mixes are told with their field', () => {
	const ochres = [
		{ id: 'one', lab: '#be8c3c' },
		{ id: 'two', lab: '#be8c3c' },
		{ id: 'blue', lab: '#1e328c' }
	];
	assert.equal(words({}), 'target: Nothing is asked for.');
	assert.equal(words({ target: '#7f7a4a' }), 'paints: A mix needs a paint.');
	assert.equal(
		words({ target: '#7f7a4a', paints: ochres }),
		'paints: “one” and “two” are the same colour: one of them is enough.'
	);
	assert.match(words({ target: 'brass', paints: ochres.slice(1) }), /^target: /);
	assert.match(words({ target: [140, 0, 0], paints: ochres.slice(1) }), /^target\.0: Lightness/);
	assert.match(words({ target: '#7f7a4a', paints: ochres.slice(1), drops: -1 }), /^drops: /);
	assert.equal(
		words({ paints: ochres.slice(1), mixes: [[{ paint: 'red', drops: 1 }]] }),
		'mixes.0: There is no paint “red”.'
	);
});
