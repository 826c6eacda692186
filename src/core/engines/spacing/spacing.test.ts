import assert from 'node:assert/strict';
import { test } from 'node:test';
import { apartFigure } from '../../explain/spacing.ts';
import { valueOf } from '../../explain/figure.ts';
import { stencilDxf, stencilSvg } from '../../formats/stencil.ts';
import { readDxf } from '../../formats/readDxf.ts';
import { say } from '../../units/problem.ts';
import { seeded } from '$tests/support/planCases.ts';
import { evenSpacing, type SpacingAsk } from './even.ts';
import { markOutline, paperRow, stripParts, type Strip } from './stencil.ts';

const ask = (more: Partial<SpacingAsk>): SpacingAsk => ({
	length: 1000,
	round: false,
	apart: 150,
	count: null,
	wide: 10,
	inset: null,
	...more
});
const spaced = (more: Partial<SpacingAsk>) => {
	const found = evenSpacing(ask(more));
	assert.ok(found.ok);
	return found.value;
};
const refused = (more: Partial<SpacingAsk>) => {
	const found = evenSpacing(ask(more));
	return found.ok ? '' : say(found.problem);
};

test('worked by hand: rivets along an edge, with an inset, and round a girth', () => {
	// 1 m at about 15 cm: 7 of 142.9 mm, half of that at each end.
	const edge = spaced({});
	assert.deepEqual([edge.count, edge.apart, edge.first], [7, 1000 / 7, 500 / 7]);
	// 2 cm kept at both ends: 960 ÷ 150 is about 6 distances of 160 mm, 7 rivets.
	const inset = spaced({ inset: 20 });
	assert.deepEqual(
		[inset.count, inset.apart, inset.gap, inset.places],
		[7, 160, 150, [20, 180, 340, 500, 660, 820, 980]]
	);
	assert.equal(valueOf(apartFigure(ask({ inset: 20 }), 7, 'mm')), 160);
	// A thigh of 56 cm with 12 studs: 46.67 mm, and the last is as far from the first as from its neighbour.
	const girth = spaced({ length: 560, round: true, count: 12 });
	assert.ok(Math.abs(girth.apart! - 46.666_667) < 1e-6);
	assert.ok(Math.abs(girth.places[0]! + 560 - girth.places.at(-1)! - girth.apart!) < 1e-9);
	assert.deepEqual(spaced({ count: 1, inset: 20 }), {
		count: 1,
		apart: null,
		gap: null,
		first: 500,
		places: [500]
	});
});

test('whatever is asked, it comes out even: by exact division, and no other count is nearer to what is wanted', () => {
	const random = seeded(23);
	for (let i = 0; i < 300; i++) {
		const length = 100 + Math.floor(random() * 3000);
		const round = random() < 0.5;
		const inset = !round && random() < 0.5 ? Math.floor(random() * 40) : null;
		const apart = 15 + Math.floor(random() * 60);
		const { count, apart: step, places, first } = spaced({ length, round, inset, apart, wide: 1 });
		places.forEach((place, k) => assert.ok(Math.abs(place - (first + k * step!)) < 1e-9));
		// n distances of it are the whole, at once and not by adding up.
		const n = inset === null ? count : count - 1;
		assert.ok(Math.abs(n * step! - (length - 2 * (inset ?? 0))) < 1e-9);
		const whole = length - 2 * (inset ?? 0);
		for (const other of [n - 1, n + 1])
			if (other > 0) assert.ok(Math.abs(whole / apart - n) <= Math.abs(whole / apart - other) + 1e-12);
		if (!round) assert.ok(Math.abs(places[0]! - (length - places.at(-1)!)) < 1e-9, 'the same at both ends');
	}
});

test('what does not fit says how many would', () => {
	assert.equal(refused({ count: 101 }), 'They overlap: at most 100 fit.');
	assert.equal(refused({ count: 98, inset: 20 }), 'They overlap: at most 97 fit.');
	assert.ok(evenSpacing(ask({ count: 97, inset: 20 })).ok);
	assert.ok(evenSpacing(ask({ count: 100, round: true })).ok, 'edge to edge');
	assert.equal(refused({ inset: 501 }), 'Both ends together are longer than the edge.');
	assert.equal(refused({ length: 100_000, apart: 1, wide: 0.5 }), 'More than 5000 of them.');
});

test('a strip for a cutter: 1:1, what is cut where it belongs, read back from its file', () => {
	const { places } = spaced({ inset: 20 });
	const strip: Strip = { length: 1000, high: 40, mark: 'square', wide: 10, markHigh: 20, places };
	const svg = stencilSvg(strip, 'Studs');
	assert.match(svg, /width="1000mm" height="40mm" viewBox="0 0 1000 40"/);
	assert.match(svg, /M15 10L25 10L25 30L15 30Z/);
	const read = readDxf(stencilDxf(strip));
	assert.ok(read.ok);
	const xs = JSON.stringify(read);
	for (const x of [15, 25, 975, 985]) assert.ok(xs.includes(String(x)), `${x} mm`);
	const radius = markOutline('rivet', 10, 10).map(([x, y]) => Math.hypot(x, y));
	assert.ok(radius.every((d) => Math.abs(d - 5) < 1e-9));
});

test('on paper every mark stands on one part, at its place', () => {
	const { places } = spaced({ inset: 20 });
	const parts = stripParts({ length: 1000, places }, 180);
	assert.deepEqual(
		parts.map((p) => [p.from, p.to, p.marks.map((m) => m.number)]),
		[
			[0, 180, [1]],
			[180, 360, [2, 3]],
			[360, 540, [4]],
			[540, 720, [5]],
			[720, 900, [6]],
			[900, 1000, [7]]
		]
	);
	// Half a mark beyond each end, and a mm: 190 mm are on either paper.
	assert.deepEqual(
		[8, 50, 400].map((wide) => paperRow({ wide })),
		[180, 138, 40]
	);
	for (const p of parts)
		for (const m of p.marks) assert.ok(Math.abs(p.from + m.at - places[m.number - 1]!) < 1e-9);
});
