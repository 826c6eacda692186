import assert from 'node:assert/strict';
import { createRequire } from 'node:module';
import { test } from 'node:test';
import { blob } from '$tests/support/outlines.ts';
import { boxOf, circle, flatten, outlineLength, signedArea } from '../engines/pattern/outline.ts';
import type { Edge } from '../facts/piece.ts';
import { numberedAlone } from '../engines/pattern/numbered.ts';
import { checkPiece, sizesOfPiece, piece } from '../engines/pattern/piece.ts';
import type { Piece } from '../facts/piece.ts';
import { rectangle } from '../engines/pattern/sector.ts';
import { DXF_LAYERS, patternDxf } from './patternDxf.ts';
import { patternSvg } from './patternSvg.ts';
import { readDxf } from './readDxf.ts';
import { readSvg } from './readSvg.ts';

/** It comes without types. */
interface TheirEntity {
	type: string;
	layer: string;
	closed?: boolean;
	vertices: { x: number; y: number; bulge?: number }[];
}
const { parseString } = createRequire(import.meta.url)('dxf') as {
	parseString: (text: string) => { blocks: { name: string; entities: TheirEntity[] }[] };
};

const near = (a: number, b: number, by = 1e-6) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const svg = (body: string, head = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
	`<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${head}>${body}</svg>`;
const read = (text: string, unit: number | null = null) => {
	const done = readSvg(text, unit);
	assert.ok(done.ok, JSON.stringify(done));
	return done.value;
};
const size = (p: Piece) => {
	const b = boxOf(flatten(p.outline, 0.001).points);
	return [b.right - b.left, b.top - b.bottom];
};
const area = (p: Piece) => sizesOfPiece(p).area;

test('every element that draws, at its true size', () => {
	const { pieces, unit } = read(
		svg(`<rect x="5" y="5" width="40" height="20"/>
		<circle cx="80" cy="20" r="10"/><ellipse cx="20" cy="60" rx="15" ry="8"/>
		<polygon points="50,50 90,50 70,90"/><path id="wing" d="M2 95h10v-5h-10z"/>
		<rect x="50" y="2" width="16" height="10" rx="3"/>`)
	);
	assert.equal(unit, 1);
	const areas = pieces.map(area).sort((a, b) => a - b);
	const wanted = [50, 160 - (4 - Math.PI) * 9, Math.PI * 100, Math.PI * 120, 800, 800].sort((a, b) => a - b);
	areas.forEach((a, i) => near(a, wanted[i]!, 1e-3));
	assert.ok(pieces.some((p) => p.name === 'wing'));
	for (const p of pieces) assert.equal(checkPiece(p), null);
});

test('units, viewBox and nested transforms, turned and mirrored', () => {
	near(
		size(read(svg('<rect width="1" height="1"/>', 'width="10in" viewBox="0 0 10 10"')).pieces[0]!)[0]!,
		25.4
	);
	near(
		size(read(svg('<rect width="20" height="5"/>', 'width="5cm" viewBox="0 0 100 100"')).pieces[0]!)[0]!,
		10
	);
	const { pieces, unit } = read(svg('<rect width="20" height="5"/>', ''), 10);
	assert.equal(unit, null);
	near(size(pieces[0]!)[0]!, 200);
	const moved = read(
		svg(
			`<g transform="translate(10 20)"><g transform="rotate(90) scale(2 3)"><rect width="10" height="4"/></g></g>`
		)
	).pieces[0]!;
	near(size(moved)[0]!, 12, 1e-6);
	near(size(moved)[1]!, 20, 1e-6);
	near(area(read(svg('<g transform="scale(-1 1)"><path d="M0 0h10v5z"/></g>')).pieces[0]!), 25);
});

test('holes by nesting, pieces in holes, open lines on the piece they lie on', () => {
	const { pieces, loose, specks } = read(
		svg(`<path d="M0 0H90V90H0Z M10 10H40V40H10Z"/><rect x="20" y="20" width="10" height="10"/>
		<line x1="50" y1="50" x2="80" y2="80"/><path class="fold" d="M50 10L80 10"/><line x1="95" y1="0" x2="95" y2="9"/>
		<rect x="70" y="70" width="0.1" height="0.1"/>`)
	);
	assert.equal(pieces.length, 2);
	near(area(pieces[0]!), 8100 - 900);
	near(area(pieces[1]!), 100);
	assert.deepEqual(pieces[0]!.lines.map((l) => l.use).sort(), ['detail', 'fold']);
	assert.deepEqual([loose, specks], [1, 1]);
});

test('our own files read back within 0.01 mm: 40 random pieces with arcs, curves and holes', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const its = piece('blob', blob(seed), { holes: [circle([0, 0], 15, true)] });
		const text = patternSvg([{ piece: its, code: 'A-01 1/1', count: 1, shape: 0 }], 'round trip');
		const [back] = read(text).pieces;
		// What is written is flattened to 0.1 mm: the size is exact, the area as close as that.
		const [w, h] = size(back!);
		const box = boxOf(flatten(its.outline).points);
		near(w!, box.right - box.left, 1e-4);
		near(h!, box.top - box.bottom, 1e-4);
		near(area(back!), area(its), 2e-3);
		assert.equal(back!.holes.length, 1);
	}
	const sewn = piece(
		'panel',
		rectangle(
			100,
			50,
			Array.from({ length: 4 }, () => ({ allowance: 10 }))
		)
	);
	const [back] = read(patternSvg([{ piece: sewn, code: 'A-01 1/1', count: 1, shape: 0 }], 'x')).pieces;
	assert.deepEqual(size(back!).map(Math.round), [120, 70]);
	assert.equal(back!.lines.length, 1, 'the sewing line is a line on the piece');
	// Notches, grain and code are written, to sew and lay by; read back they are no lines of the piece.
	const marked = { ...sewn, grain: 90, notches: [{ edge: 0, along: 30, pair: '1' }] };
	const text = patternSvg([{ piece: marked, code: 'A-01 2/3', count: 4, shape: 0 }], 'x');
	const parsed = /<path class="notch" d="M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)"/
		.exec(text)!
		.slice(1)
		.map(Number);
	// On the lower edge, straight down from it, 5 mm: SVG's y runs down.
	near(parsed[2]! - parsed[0]!, 0, 1e-3);
	near(parsed[3]! - parsed[1]!, 5, 1e-3);
	const arrow = /<path class="grain" d="M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)/
		.exec(text)!
		.slice(1)
		.map(Number);
	near(arrow[0]! - arrow[2]!, 0, 1e-3);
	near(Math.abs(arrow[1]! - arrow[3]!), 2 * (50 / 3), 1e-2);
	assert.match(text, />A-01 2\/3 · 4 ×<\/text>/);
	assert.equal(read(text).pieces[0]!.lines.length, 1);
});

test('hostile and broken drawings are told and harm nothing', () => {
	const bad = (text: string, code: string) => {
		const done = readSvg(text);
		assert.ok(!done.ok && done.problem.code === code, `${code}: ${JSON.stringify(done).slice(0, 200)}`);
	};
	bad('<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg><text>&b;</text></svg>', 'svgEntities');
	bad('<html><body/></html>', 'svgUnknown');
	bad('{"not": "xml"', 'svgUnknown');
	bad(svg('<text>words</text>'), 'noPieces');
	bad(svg('<path d="M0 0L10 0"/>'), 'noPieces');
	bad(svg('<path d="M0 0 L nonsense"/>'), 'noPieces');
	bad(`<svg>${'<g/>'.repeat(210_000)}</svg>`, 'svgNodes');
	bad('<'.padEnd(20_000_001, ' '), 'svgTooLarge');
	// Scripts and outside references are not looked at.
	const { pieces } = read(
		svg(
			'<script>alert(1)</script><image href="http://x/y.png" width="9" height="9"/><use href="#a"/><rect width="9" height="9"/>'
		)
	);
	assert.equal(pieces.length, 1);
	const many = read(
		svg(
			Array.from(
				{ length: 5000 },
				(_, i) => `<path d="M${(i % 100) * 9} ${Math.floor(i / 100) * 9}h8v8h-8z"/>`
			).join('')
		)
	);
	assert.equal(many.pieces.length, 5000);
});

const dxf = (entities: string, units = 4, blocks = '') =>
	`0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${units}\n0\nENDSEC\n0\nSECTION\n2\nBLOCKS\n${blocks}0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;
const line = (x0: number, y0: number, x1: number, y1: number, layer = '1') =>
	`0\nLINE\n8\n${layer}\n10\n${x0}\n20\n${y0}\n11\n${x1}\n21\n${y1}\n`;

test('DXF: lines in any order become one outline, arcs and bulges stay arcs, inner layers are not cut', () => {
	const done = readDxf(
		dxf(
			line(0, 0, 100, 0) +
				line(0, 50, 0, 0) +
				// From the right end over the top to the left one: a half circle of radius 50 about 50, 50.
				'0\nARC\n8\n1\n10\n50\n20\n50\n40\n50\n50\n0\n51\n180\n' +
				line(100, 0, 100, 50) +
				line(20, 20, 80, 20, '8') +
				'0\nCIRCLE\n8\n11\n10\n50\n20\n60\n40\n10\n' +
				'0\nLWPOLYLINE\n8\n1\n90\n2\n70\n1\n10\n200\n20\n0\n42\n1\n10\n260\n20\n0\n42\n1\n'
		)
	);
	assert.ok(done.ok, JSON.stringify(done));
	const { pieces, unit } = done.value;
	assert.equal(unit, 1);
	assert.equal(pieces.length, 2);
	near(signedArea(pieces[0]!.outline), 5000 + (Math.PI * 2500) / 2, 1e-9);
	near(Math.abs(signedArea(pieces[0]!.holes[0]!)), Math.PI * 100, 1e-9);
	assert.equal(pieces[0]!.lines.length, 1);
	near(outlineLength(pieces[1]!.outline), 2 * Math.PI * 30, 1e-9);
	const inches = readDxf(dxf(line(0, 0, 1, 0) + line(1, 0, 1, 1) + line(1, 1, 0, 0), 1));
	assert.ok(inches.ok);
	near(signedArea(inches.value.pieces[0]!.outline), (25.4 * 25.4) / 2);
	const asked = readDxf(dxf(line(0, 0, 1, 0) + line(1, 0, 1, 1) + line(1, 1, 0, 0), 0), 10);
	assert.ok(asked.ok && asked.value.unit === null);
	near(signedArea(asked.value.pieces[0]!.outline), 50);
});

test('DXF: blocks are pieces, put in turned; splines; damaged files are told', () => {
	const block = `0\nBLOCK\n8\n0\n2\nSLEEVE\n70\n0\n10\n0\n20\n0\n${line(0, 0, 40, 0)}${line(40, 0, 40, 20)}${line(40, 20, 0, 0)}0\nENDBLK\n8\n0\n`;
	const done = readDxf(dxf('0\nINSERT\n8\n0\n2\nSLEEVE\n10\n500\n20\n0\n50\n90\n', 4, block));
	assert.ok(done.ok, JSON.stringify(done));
	assert.equal(done.value.pieces[0]!.name, 'SLEEVE');
	near(area(done.value.pieces[0]!), 400);
	near(size(done.value.pieces[0]!)[1]!, 40);
	// A clamped cubic spline of four points is the Bézier curve through the same: area under it by hand, 3/20·…
	const spline = `0\nSPLINE\n8\n1\n70\n8\n71\n3\n72\n8\n73\n4\n74\n0\n${[0, 0, 0, 0, 1, 1, 1, 1].map((k) => `40\n${k}\n`).join('')}${[
		[0, 0],
		[0, 40],
		[60, 40],
		[60, 0]
	]
		.map(([x, y]) => `10\n${x}\n20\n${y}\n30\n0\n`)
		.join('')}`;
	const curved = readDxf(dxf(spline + line(0, 0, 60, 0)));
	assert.ok(curved.ok, JSON.stringify(curved));
	// Green's theorem for this curve: ∫y dx = ∫ 120·t(1−t)·360·t(1−t) dt = 43200/30 = 1440.
	near(area(curved.value.pieces[0]!), 1440, 1e-3);
	for (const text of ['', 'not a dxf', '0\nSECTION\n2\nENTITIES\n0\nLINE\n10\nabc\n']) {
		const none = readDxf(text);
		assert.ok(!none.ok && /dxfDamaged|noPieces/.test(none.problem.code), text);
	}
});

test('DXF out: read back exactly, arcs as arcs, on the layers that others look for', () => {
	for (let seed = 1; seed <= 20; seed++) {
		const its = piece('blob', blob(seed), {
			holes: [circle([0, 0], 15, true)],
			grain: 90,
			notches: [{ edge: 0, along: 3, pair: 'a' }]
		});
		const text = patternDxf([{ piece: its, code: 'A-01 1/1', count: 2, shape: 0 }]);
		const done = readDxf(text);
		assert.ok(done.ok, JSON.stringify(done));
		const [back] = done.value.pieces;
		assert.equal(done.value.unit, 1);
		near(area(back!), area(its), 2e-4);
		near(outlineLength(back!.outline), outlineLength(its.outline), 2e-4);
		const arcs = (p: Piece) => p.outline.edges.filter((e) => e.kind === 'arc').length;
		assert.equal(arcs(back!), its.outline.edges.filter((e) => e.kind === 'arc' && e.bulge !== 0).length);
		for (const layer of Object.values(DXF_LAYERS)) assert.ok(text.includes(layer));
	}
	const sewn = piece(
		'panel',
		rectangle(
			100,
			50,
			Array.from({ length: 4 }, () => ({ allowance: 10 }))
		)
	);
	const again = readDxf(patternDxf([{ piece: sewn, code: 'A-01 1/1', count: 1, shape: 0 }]));
	assert.ok(again.ok);
	assert.deepEqual(size(again.value.pieces[0]!).map(Math.round), [120, 70]);
});

test('DXF out is read by another parser of the registry as the same outlines, on the layers of the convention', () => {
	const pieces = [blob(3), blob(8), blob(12, true)].map((outline, i) =>
		piece(`part ${i + 1}`, outline, i === 2 ? { grain: 90, holes: [circle([0, 0], 12, true)] } : {})
	);
	const numbered = numberedAlone(pieces, 'A-01');
	const theirs = parseString(patternDxf(numbered)).blocks.flatMap((b) => b.entities);
	const rings = (layer: string) =>
		theirs
			.filter((e) => e.type === 'LWPOLYLINE' && e.layer === layer && e.closed)
			.map((e) => {
				// A bulge is the tangent of a quarter of the arc's turn: halves of it until the arc is a line.
				const edges = e.vertices.map((v, i): Edge => {
					const to = e.vertices[(i + 1) % e.vertices.length]!;
					return v.bulge
						? { kind: 'arc', to: [to.x, to.y], bulge: v.bulge }
						: { kind: 'line', to: [to.x, to.y] };
				});
				return Math.abs(signedArea({ start: [e.vertices[0]!.x, e.vertices[0]!.y], edges }));
			});
	const cut = rings(DXF_LAYERS.boundary);
	assert.equal(cut.length, 3);
	const areas = pieces.map((p) => signedArea(p.outline)).sort((a, b) => a - b);
	cut
		.sort((a, b) => a - b)
		.forEach((area, i) => {
			const its = areas[i]!;
			assert.ok(Math.abs(area - its) < its * 1e-4, `${area}, not ${its}`);
		});
	assert.equal(rings(DXF_LAYERS.hole).length, 1);
	assert.equal(theirs.filter((e) => e.type === 'LINE' && e.layer === DXF_LAYERS.grain).length, 1);
});
