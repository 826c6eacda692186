import assert from 'node:assert/strict';
import { createRequire } from 'node:module';
import { test } from 'node:test';
import { PDFDocument } from 'pdf-lib';
import { leftoversOfPlan, cutSheets } from '../engines/layout/cutSheets.ts';
import type { LayPlan } from '../facts/layout.ts';
import type { CostumePiece } from '../facts/layout.ts';
import { PLAIN_LAY } from '../facts/layout.ts';
import { areaOf } from '../engines/layout/shape.ts';
import type { Point } from '../units/point.ts';
import { layoutDxf } from './layoutDxf.ts';
import { printFonts } from '$tests/support/fonts.ts';
import { layoutPdf } from './layoutPdf.ts';
import { cutWords, layoutSvg } from './layoutSvg.ts';
import { planWords } from './planWords.ts';
import { readSvg } from './readSvg.ts';
import { sizesOfPiece } from '../engines/pattern/piece.ts';

const { parseString } = createRequire(import.meta.url)('dxf') as {
	parseString: (text: string) => {
		entities: { type: string; layer: string; closed?: boolean; vertices: { x: number; y: number }[] }[];
	};
};
const piece = (id: string, outline: Point[], more: Partial<CostumePiece> = {}): CostumePiece => ({
	id,
	code: id,
	name: 'plate',
	componentId: 1,
	stock: '7',
	outline,
	holes: [],
	quantity: 1,
	pair: false,
	rotations: [0],
	folded: null,
	...more
});
const square = (side: number, at: Point = [0, 0]): Point[] => [
	[at[0], at[1]],
	[at[0] + side, at[1]],
	[at[0] + side, at[1] + side],
	[at[0], at[1] + side]
];
const corner: Point[] = [
	[0, 0],
	[300, 0],
	[300, 120],
	[150, 120],
	[150, 250],
	[0, 250]
];
const at = (its: string, sheet: number, x: number, y: number, more: object = {}) => ({
	piece: its,
	copy: 1,
	stock: '7',
	sheet,
	mirrored: false,
	rotation: 0,
	x,
	y,
	...more
});
/** An offcut with an L, then a sheet with a framed plate, a small one in its hole, and one turned and turned over. */
const PLAN: LayPlan = {
	settings: PLAIN_LAY,
	stock: {
		id: '7',
		sheets: [{ width: 300, height: 250, outline: corner, offcut: 4 }],
		more: { width: 500, height: 400 },
		roll: null
	},
	pieces: [
		piece('A-01 1/4', square(100)),
		piece('A-01 2/4', square(200), { holes: [[...square(90, [50, 50])].reverse()] }),
		piece('A-01 3/4', square(60)),
		piece('A-01 4/4', [
			[0, 0],
			[120, 0],
			[0, 80]
		])
	],
	placements: [
		at('A-01 1/4', 1, 10, 10),
		at('A-01 2/4', 2, 10, 10),
		at('A-01 3/4', 2, 75, 75),
		at('A-01 4/4', 2, 400, 200, { rotation: 90, mirrored: true })
	]
};
/** mm², by each piece in the order of cuts: the small one in the hole comes before its frame. */
const AREAS = [10_000, 3600, 40_000 - 8100, 4800];

test('DXF: what the package dxf reads is as large, on the layers of pattern files, the sheets side by side', () => {
	const lines = parseString(layoutDxf(cutSheets(PLAN))).entities.filter(
		(e) => e.type === 'LWPOLYLINE' && e.closed
	);
	const on = (layer: string) =>
		lines
			.filter((e) => e.layer === layer)
			.map((e) => Math.round(Math.abs(areaOf(e.vertices.map((v): Point => [v.x, v.y])))));
	assert.deepEqual(on('1'), [10_000, 3600, 40_000, 4800]);
	assert.deepEqual(on('11'), [8100]);
	assert.deepEqual(on('SHEET'), [300 * 120 + 150 * 130, 200_000]);
	const lefts = lines.filter((e) => e.layer === 'SHEET').map((e) => Math.min(...e.vertices.map((v) => v.x)));
	assert.deepEqual(lefts, [0, 320]);
});

test('SVG: read back, the pieces are as large, in the order of cuts', () => {
	const svg = layoutSvg(cutSheets(PLAN), 'plan');
	const ids = [...svg.matchAll(/id="cut-(\d)"><title>\d\. (A-01 \d)/g)].map((m) => [m[1], m[2]]);
	assert.deepEqual(ids, [
		['1', 'A-01 1'],
		['2', 'A-01 3'],
		['3', 'A-01 2'],
		['4', 'A-01 4']
	]);
	const read = readSvg(svg);
	assert.ok(read.ok);
	const areas = read.value.pieces.map((p) => Math.round(sizesOfPiece(p).area));
	// What lies in a hole is a piece of its own again, whatever the order it is read in.
	assert.deepEqual(
		areas.sort((a, b) => a - b),
		[...AREAS].sort((a, b) => a - b)
	);
});

test('PDF: a page a sheet; at 1:1 as large as the sheet with room for the square, on paper as large as that', async () => {
	const sheets = cutSheets(PLAN);
	const words = planWords(PLAN, 'Reed singer, plates', sheets.length, 'cm');
	const sizes = async (paper: 'a4' | 'letter' | 'full') => {
		const doc = await PDFDocument.load(
			await layoutPdf(sheets, leftoversOfPlan(PLAN, 60), paper, words, printFonts())
		);
		// No printer is to make it fit.
		assert.equal(doc.catalog.getViewerPreferences()?.getPrintScaling(), 'None');
		return doc.getPages().map((p) => [p.getWidth(), p.getHeight()].map((pt) => Math.round((pt * 25.4) / 72)));
	};
	assert.deepEqual(await sizes('full'), [
		[320, 380],
		[520, 530]
	]);
	assert.deepEqual(await sizes('a4'), [
		[210, 297],
		[210, 297]
	]);
	assert.deepEqual((await sizes('letter')).length, 2);
	// So many pieces that their list goes on: further pages, none lost.
	const many = Array.from({ length: 70 }, (_, i) => piece(`B-01 ${i + 1}/70`, square(10)));
	const crowded: LayPlan = {
		...PLAN,
		stock: { ...PLAN.stock, sheets: [] },
		pieces: many,
		placements: many.map((p, i) => at(p.id, 1, 10 + 15 * (i % 30), 10 + 15 * Math.floor(i / 30)))
	};
	const doc = await PDFDocument.load(await layoutPdf(cutSheets(crowded), [], 'a4', words, printFonts()));
	assert.equal(doc.getPageCount(), 2);
});

test('what a cutter is told: copy, turned over, fold and layers; the head says how it was laid', () => {
	const [first] = cutSheets(PLAN)[0]!.pieces;
	assert.equal(cutWords(first!), 'A-01 1/4 plate, copy 1');
	const folded = {
		...first!,
		piece: { ...first!.piece, folded: 'one' as const },
		at: { ...first!.at, mirrored: true }
	};
	assert.equal(cutWords(folded), 'A-01 1/4 plate, copy 1, mirrored, one layer only');
	const { notes, sheet } = planWords(PLAN, 't', 2, 'cm');
	assert.equal(notes[0], 'At least 0.3 cm between pieces, 0.5 cm to the border.');
	assert.equal(sheet(cutSheets(PLAN)[0]!), 'Offcut 1 (1 of 2), 30 cm × 25 cm, 1 piece');
	const cloth = planWords(
		{
			...PLAN,
			settings: { ...PLAIN_LAY, folded: true, oneWay: true, shrinkLength: 5, repeat: 320 },
			stock: { id: '7', sheets: [], more: null, roll: 700 }
		},
		't',
		1,
		'cm'
	).notes[0]!;
	for (const said of ['folded along its length', 'one way', 'shrinks 5 % in length', 'repeats every 32 cm'])
		assert.ok(cloth.includes(said), `${said}: ${cloth}`);
});
