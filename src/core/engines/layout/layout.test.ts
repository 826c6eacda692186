import assert from 'node:assert/strict';
import { createRequire } from 'node:module';
import { test } from 'node:test';
import { MaxRectsPacker } from 'maxrects-packer';
import { curvedPieces, faultsOf, rectanglePiece } from '$tests/support/layouts.ts';
import { blob, random } from '$tests/support/outlines.ts';
import { runJob } from '../../formats/jobs.ts';
import { circle, flatten, goesRound } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { layOut } from './engine.ts';
import { depthAt, shapeOf } from './shape.ts';
import { nameOfSheet, type Layout, type LayoutTask } from './stock.ts';
import type { LayPiece, Stock } from '../../facts/layout.ts';

const SHEETS: Stock = { id: 'S', sheets: [], more: { width: 600, height: 600 }, roll: null };
const ROLL: Stock = { id: 'S', sheets: [], more: null, roll: 700 };
const task = (pieces: readonly LayPiece[], more: Partial<LayoutTask> = {}): LayoutTask => ({
	stock: [SHEETS],
	pieces,
	gap: 3,
	edge: 5,
	seed: 1,
	...more
});
/** As good as it becomes in so many rounds: not by the clock, so that it is the same everywhere. */
function laid(given: LayoutTask, rounds = 60): Layout {
	let left = rounds;
	const { work, soFar } = layOut(given, () => false);
	while (left-- > 0 && !work.next().done);
	return soFar();
}
function sound(given: LayoutTask, rounds?: number): Layout {
	const done = laid(given, rounds);
	assert.deepEqual(faultsOf(given, done), []);
	return done;
}
const near = (a: number, b: number, by: number) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);

test('how deep a point lies: its distance to the border, positive inside; exact near it', () => {
	const next = random(5);
	for (const seed of [1, 4, 7]) {
		const outline = flatten(blob(seed), 0.5).points;
		const hole = [...flatten(circle([0, 0], 20), 0.5).points].reverse();
		const { shape, middle } = shapeOf([outline, hole]);
		for (let k = 0; k < 400; k++) {
			const p: Point = [(next() - 0.5) * 320, (next() - 0.5) * 320];
			const inside = goesRound(outline, p) && !goesRound(hole, p);
			const far = [outline, hole].flatMap((ring) =>
				ring.map((a, i) => {
					const b = ring[(i + 1) % ring.length]!;
					const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
					const t = Math.max(0, Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy)));
					return Math.hypot(p[0] - a[0] - t * dx, p[1] - a[1] - t * dy);
				})
			);
			const truth = Math.min(...far);
			const told = depthAt(shape.field, p[0] - middle[0], p[1] - middle[1]);
			assert.equal(told > 0, inside && truth > 0, `${p.join(' ')}`);
			if (inside) near(told, truth, truth < 1 ? 1e-9 : shape.field.cell * 0.45);
		}
	}
});

test('curved pieces, some with a hole, pairs and any rotation: nothing nearer than the gap, nothing beyond the edge', () => {
	const hole = [...flatten(circle([0, 0], 18), 0.5).points].reverse();
	const pieces = curvedPieces(14, 120, 2).map((p, i) => ({
		...p,
		quantity: i % 5 === 0 ? 2 : 1,
		pair: i % 5 === 0,
		holes: i % 4 === 0 ? [hole] : [],
		rotations: i % 3 === 0 ? ('any' as const) : [0, 90, 180, 270]
	}));
	const first = laid(task(pieces), 1);
	const better = sound(task(pieces), 150);
	assert.equal(better.unplaced.length, 0);
	const [a, b] = [first.stock[0]!, better.stock[0]!];
	assert.ok(b.sheets < a.sheets || b.usedLength < a.usedLength - 20, 'the search finds more than boxes do');
});

test('on a roll: the same seed gives the same layout, another one another', () => {
	const pieces = curvedPieces(24, 110, 6, { rotations: [0, 180] });
	const given = task(pieces, { stock: [ROLL], gap: 2, edge: 10 });
	const one = sound(given, 80);
	assert.deepEqual(laid(given, 80), one);
	assert.notDeepEqual(laid({ ...given, seed: 2 }, 80), one);
	const { usedLength, density } = one.stock[0]!;
	const area = pieces.reduce((sum, p) => {
		const twice = p.outline.reduce((t, [x, y], i) => {
			const [px, py] = p.outline[(i + 1) % p.outline.length]!;
			return t + x * py - px * y;
		}, 0);
		return sum + Math.abs(twice) / 2;
	}, 0);
	near(density, area / (700 * usedLength), 1e-9);
});

test('what fits to the last digit is laid so; small pieces go into the holes of large ones', () => {
	const four = sound(task([rectanglePiece('q', 300, 300, { quantity: 4 })], { gap: 0, edge: 0 }), 20);
	assert.deepEqual([four.stock[0]!.sheets, four.stock[0]!.density], [1, 1]);
	const tight = sound(task([rectanglePiece('q', 145, 97, { quantity: 24 })], { gap: 3, edge: 1.5 }), 20);
	assert.equal(tight.stock[0]!.sheets, 1);
	const frame: LayPiece = {
		...rectanglePiece('frame', 590, 590, { rotations: [0] }),
		holes: [
			[
				[20, 20],
				[20, 570],
				[570, 570],
				[570, 20]
			]
		]
	};
	const inside = sound(task([frame, rectanglePiece('small', 150, 120, { quantity: 8 })]), 60);
	assert.equal(inside.stock[0]!.sheets, 1, 'the hole is used');
});

test('thin bars never lie across each other', () => {
	const bars = Array.from({ length: 10 }, (_, i) =>
		rectanglePiece(`b${i}`, 520, 6 + i, { rotations: [0, 45, 90, 135] })
	);
	sound(task(bars, { gap: 1 }), 60);
});

test('offcuts are filled within their real outline, flaws are left alone, and only then a new sheet is begun', () => {
	const corner: Point[] = [
		[0, 0],
		[500, 0],
		[500, 180],
		[200, 180],
		[200, 400],
		[0, 400]
	];
	const flaw: Point[] = [
		[60, 60],
		[120, 60],
		[120, 110],
		[60, 110]
	];
	const stock: Stock = {
		id: 'S',
		sheets: [{ width: 500, height: 400, outline: corner, flaws: [flaw] }],
		more: { width: 600, height: 600 },
		roll: null
	};
	const few = sound(task(curvedPieces(8, 50, 3), { stock: [stock] }), 60);
	assert.deepEqual([few.stock[0]!.sheets, few.unplaced.length], [1, 0]);
	const many = sound(task(curvedPieces(26, 70, 3), { stock: [stock] }), 60);
	assert.ok(many.placements.some((p) => p.sheet === 1) && many.placements.some((p) => p.sheet === 2));
});

test('locked pieces stay where they are, and the rest is laid around them', () => {
	const pieces = curvedPieces(10, 120, 8);
	const locked = [
		{ piece: 'P3', copy: 1, stock: 'S', sheet: 1, mirrored: false, rotation: 90, x: 300, y: 310 },
		{ piece: 'P5', copy: 1, stock: 'S', sheet: 2, mirrored: false, rotation: 0, x: 250, y: 200 }
	];
	for (const stock of [SHEETS, { ...ROLL, roll: 600 }]) {
		const held = stock.roll === null ? locked : locked.slice(0, 1);
		const done = sound(task(pieces, { stock: [stock], locked: held }), 60);
		for (const one of held) assert.ok(done.placements.some((p) => JSON.stringify(p) === JSON.stringify(one)));
		assert.equal(done.placements.length, 10);
	}
});

test('what is there three times, as in a stack of layers, takes three times what it takes once', () => {
	const disc = flatten(circle([0, 0], 103), 0.5).points;
	const outlines: Record<string, Point[]> = {
		disc,
		plate: [
			[0, 0],
			[380, 0],
			[380, 190],
			[0, 120]
		],
		panel: [
			[0, 0],
			[340, 0],
			[290, 320],
			[50, 320]
		]
	};
	const rotations = Array.from({ length: 12 }, (_, i) => i * 30);
	const sheets: Stock = { ...SHEETS, more: { width: 500, height: 1000 } };
	const of = (times: number) => {
		const pieces = Object.entries(outlines).map(([id, outline]) => ({
			...rectanglePiece(id, 1, 1, { rotations, pair: true, quantity: 2 * times }),
			outline
		}));
		return sound(task(pieces, { stock: [sheets] }), 350).stock[0]!.sheets;
	};
	assert.deepEqual([of(1), of(3)], [1, 3]);
});

test('a piece that the maker has turned over and moved stays so, on a roll too, and nothing is laid far off', () => {
	const pieces = curvedPieces(12, 110, 6, { rotations: [0, 180] });
	const held = {
		piece: 'P1',
		copy: 1,
		stock: 'S',
		sheet: 1,
		mirrored: true,
		rotation: 37,
		x: 350,
		y: 200
	};
	const given = task(pieces, { stock: [ROLL], edge: 10, locked: [held] });
	const first = laid(given, 1);
	assert.deepEqual(faultsOf(given, first), []);
	assert.ok(first.stock[0]!.usedLength < 1500, `${first.stock[0]!.usedLength}`);
	const done = sound(given, 60);
	assert.deepEqual(
		done.placements.find((p) => p.piece === 'P1'),
		held
	);
});

test('on folded cloth halves lie on the fold, all others keep the edge from it', () => {
	const half = (id: string, w: number, h: number): LayPiece => ({
		...rectanglePiece(id, w, h, { rotations: [0] }),
		outline: [
			[0, 0],
			[w, 20],
			[w * 0.8, h],
			[0, h - 10]
		],
		onFold: true
	});
	const pieces = [
		half('back', 300, 500),
		half('front', 280, 450),
		...curvedPieces(14, 130, 8, { rotations: [0, 180] })
	];
	const given = task(pieces, { stock: [ROLL], gap: 4, edge: 12 });
	const [first, done] = [laid(given, 1), sound(given, 120)];
	assert.deepEqual(faultsOf(given, first), []);
	assert.equal(done.unplaced.length, 0);
	assert.ok(done.stock[0]!.usedLength < first.stock[0]!.usedLength - 50);
});

test('remnants of cloth are filled first, and the roll is only begun for the rest', () => {
	const remnant = { width: 400, height: 350 };
	const stock: Stock = { ...ROLL, sheets: [remnant] };
	const some = sound(task(curvedPieces(4, 90, 2), { stock: [stock] }), 40);
	assert.ok(some.placements.every((p) => p.sheet === 1) && some.placements.length === 4);
	const all = sound(task(curvedPieces(20, 110, 2), { stock: [stock] }), 80);
	assert.equal(all.unplaced.length, 0);
	const [on, off] = [1, 2].map((n) => all.placements.filter((p) => p.sheet === n).length);
	assert.ok(on! >= 4 && off! > 0, `${on} and ${off}`);
	const alone = sound(task(curvedPieces(20, 110, 2), { stock: [ROLL] }), 80);
	assert.ok(all.stock[0]!.usedLength < alone.stock[0]!.usedLength - 50);
});

test('what cannot be laid is told piece by piece, and the rest is laid', () => {
	const bad: LayPiece[] = [
		rectanglePiece('large', 700, 700),
		{ ...rectanglePiece('line', 100, 0) },
		{
			...rectanglePiece('bow', 10, 10),
			outline: [
				[0, 0],
				[100, 100],
				[100, 0],
				[0, 100]
			]
		},
		rectanglePiece('no way', 50, 50, { rotations: [] }),
		rectanglePiece('elsewhere', 50, 50, { stock: 'T' }),
		rectanglePiece('good', 50, 50, { quantity: 3 })
	];
	const done = sound(task(bad), 10);
	assert.deepEqual(
		done.unplaced.map((u) => [u.piece, u.why]),
		[
			['line', 'tooSmall'],
			['bow', 'crosses'],
			['no way', 'badRotation'],
			['elsewhere', 'noStock'],
			['large', 'tooLarge']
		]
	);
	assert.equal(done.placements.length, 3);
	const gap = laid(task([rectanglePiece('p', 10, 10)], { gap: 3, edge: 400 }), 5);
	assert.deepEqual(
		gap.unplaced.map((u) => u.why),
		['gapTooLarge']
	);
	const two: Stock = { ...SHEETS, sheets: [{ width: 600, height: 600 }], more: null };
	const short = sound(task([rectanglePiece('p', 280, 280, { quantity: 7 })], { stock: [two] }), 40);
	assert.deepEqual(
		[short.placements.length, short.unplaced.map((u) => u.why)],
		[4, ['noRoom', 'noRoom', 'noRoom']]
	);
	assert.deepEqual(laid(task([])).placements, []);
});

test('rectangles: no more sheets than two packers of the registry take, with the same gap', () => {
	const potpack = createRequire(import.meta.url)('potpack') as
		| ((boxes: { w: number; h: number }[]) => { w: number; h: number })
		| { default: (boxes: { w: number; h: number }[]) => { w: number; h: number } };
	const pot = typeof potpack === 'function' ? potpack : potpack.default;
	for (const seed of [1, 2, 3]) {
		const next = random(seed);
		const sizes = Array.from({ length: 40 }, () => [
			40 + Math.round(160 * next()),
			30 + Math.round(120 * next())
		]);
		const pieces = sizes.map(([w, h], i) => rectanglePiece(`r${i}`, w!, h!));
		const its = sound(task(pieces, { gap: 3, edge: 3 }), 30).stock[0]!;
		const packer = new MaxRectsPacker(600, 600, 3, {
			smart: false,
			pot: false,
			square: false,
			allowRotation: true,
			border: 3
		});
		packer.addArray(sizes.map(([width, height]) => ({ width, height, x: 0, y: 0 })) as never);
		assert.ok(its.sheets <= packer.bins.length, `${its.sheets} sheets, ${packer.bins.length} by the other`);
		// potpack makes one sheet of its own size: on a roll as wide, no more length.
		const boxes = sizes.map(([w, h]) => ({ w: w! + 3, h: h! + 3 }));
		const { w, h } = pot(boxes);
		const roll: Stock = { id: 'S', sheets: [], more: null, roll: w };
		const strip = sound(task(pieces, { stock: [roll], gap: 3, edge: 1.5 }), 30).stock[0]!;
		assert.ok(strip.usedLength <= h, `${strip.usedLength} mm, ${h} by the other`);
	}
});

test('the job: its documented form, reasons in words, bad input named', () => {
	const job = {
		kind: 'layout',
		seed: 1,
		seconds: 5,
		gap: 3,
		edge: 5,
		stock: [
			{ id: 'eva6', width: 600, height: 600, count: null },
			{ id: 'twill', width: 1500, height: null }
		],
		pieces: [
			{ ...rectanglePiece('P1', 80, 40, { quantity: 2, stock: 'eva6', pair: true }), holes: [] },
			{ ...rectanglePiece('P2', 80, 40, { stock: 'twill' }) },
			{ ...rectanglePiece('P3', 900, 40, { stock: 'eva6' }) }
		]
	};
	const done = runJob(job, () => 0);
	assert.ok(done.ok, JSON.stringify(done));
	const result = done.result as {
		placements: { piece: string; mirrored: boolean }[];
		stock: { id: string; sheets: number; usedLength: number }[];
		unplaced: { reason: string }[];
		stoppedBy: string;
	};
	assert.deepEqual(
		result.placements.map((p) => [p.piece, p.mirrored]),
		[
			['P1', false],
			['P1', true],
			['P2', false]
		]
	);
	assert.deepEqual(
		result.stock.map((s) => [s.id, s.sheets, s.usedLength]),
		[
			['eva6', 1, 45],
			['twill', 1, 45]
		]
	);
	assert.match(result.unplaced[0]!.reason, /larger than every sheet/);
	assert.equal(result.stoppedBy, 'search');
	for (const [change, field] of [
		[{ gap: -1 }, 'gap'],
		[{ stock: [] }, 'stock'],
		[{ stock: [job.stock[0], job.stock[0]] }, 'stock.1.id'],
		[{ pieces: [{ ...job.pieces[0], quantity: 1_000_000 }] }, 'pieces.0.quantity'],
		[{ pieces: [{ ...job.pieces[0], outline: 'round' }] }, 'pieces.0.outline']
	] as const) {
		const refused = runJob({ ...job, ...change }, () => 0);
		assert.ok(!refused.ok && refused.words.startsWith(`${field}:`), JSON.stringify(refused));
	}
});

test('a piece that would fit only across its grain is told so, not that it is larger than every sheet', () => {
	const wide = task([rectanglePiece('skirt', 900, 500, { rotations: [0, 180] })], {
		stock: [{ id: 'S', sheets: [{ width: 600, height: 1000 }], more: null, roll: null }]
	});
	assert.deepEqual(
		sound(wide, 5).unplaced.map((u) => u.why),
		['wontTurn']
	);
	const free = { ...wide, pieces: wide.pieces.map((p) => ({ ...p, rotations: 'any' as const })) };
	assert.equal(sound(free, 20).unplaced.length, 0);
});

test('offcuts and new sheets are counted apart: the first sheet after an offcut is Sheet 1', () => {
	const forms = [{ offcut: 7 }, {}, { offcut: 3 }, {}];
	assert.deepEqual(
		forms.map((_, i) => nameOfSheet(forms, i)),
		['Offcut 1', 'Sheet 1', 'Offcut 2', 'Sheet 2']
	);
});
