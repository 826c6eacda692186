import assert from 'node:assert/strict';
import { test } from 'node:test';
import { polygon, signedArea, type Point } from '../pattern/outline.ts';
import { layoutSvg } from '../formats/layoutSvg.ts';
import { readSvg } from '../formats/readSvg.ts';
import { figuresOf, piece } from '../pattern/piece.ts';
import { partsOf, quantityLaid, stockOfMaterial, turnsOf, wholeCut, type LayGroup } from './pieces.ts';
import { areaOf } from './shape.ts';

const MATERIAL = {
	id: 7,
	name: 'High-density foam 6 mm',
	unit: 'sheet',
	widthMm: 500,
	lengthMm: 1000
} as LayGroup['material'];
const square = (side: number): Point[] => [
	[0, 0],
	[side, 0],
	[side, side],
	[0, side]
];

test('what is cut is laid: with its allowances, and half pieces whole over their fold', () => {
	const edges = [10, 10, 10, 0].map((allowance) => ({ allowance }));
	const half = piece('back', polygon(square(100), edges), { foldEdge: 3 });
	// 110 wide from the fold, 120 high, and as much on the other side of it.
	assert.equal(Math.round(areaOf(wholeCut(half))), 2 * 110 * 120);
	assert.equal(Math.round(areaOf(wholeCut({ ...half, foldEdge: null }))), 110 * 120);
	const slant = piece(
		'cape',
		polygon([
			[0, 0],
			[80, 30],
			[20, 90]
		]),
		{ foldEdge: 1 }
	);
	assert.ok(Math.abs(areaOf(wholeCut(slant)) - 2 * signedArea(slant.outline)) < 1);
});

test('grain runs along the roll, both ways, or one way with the nap; foam lies any way', () => {
	assert.deepEqual(turnsOf(90, true, false), [0, 180]);
	assert.deepEqual(turnsOf(90, true, true), [0]);
	assert.deepEqual(turnsOf(0, true, false), [90, 270]);
	assert.deepEqual(turnsOf(135, true, true), [315]);
	assert.equal(turnsOf(null, true, false).length, 4);
	assert.ok(turnsOf(90, false, true).length > 4);
});

test('a layout written as SVG is read back as the pieces that were laid, at their size', () => {
	const hole = [...square(20)].reverse().map(([x, y]): Point => [x + 30, y + 30]);
	const one = {
		id: 'A',
		code: 'A-01 1/1',
		name: 'plate <b>',
		componentId: 1,
		stock: '7',
		outline: square(100),
		holes: [hole],
		quantity: 3,
		pair: true,
		rotations: [0]
	};
	const at = (copy: number, sheet: number, rotation: number, x: number, y: number) => ({
		piece: 'A',
		copy,
		stock: '7',
		sheet,
		mirrored: copy === 2,
		rotation,
		x,
		y
	});
	const svg = layoutSvg(
		[at(1, 1, 0, 10, 10), at(2, 1, 30, 300, 10), at(3, 2, 0, 10, 10)],
		[one],
		stockOfMaterial(MATERIAL)!,
		{ sheets: 2, usedLength: 110 },
		'a & b'
	);
	assert.ok(!svg.includes('<b>') && svg.includes('width="1020mm"'));
	const read = readSvg(svg);
	assert.ok(read.ok);
	assert.equal(read.value.unit, 1);
	assert.deepEqual(
		read.value.pieces.map((p) => [Math.round(figuresOf(p).area), p.holes.length]),
		Array.from({ length: 3 }, () => [9600, 1])
	);
});

test('sheets are whole, cloth is by its unit; components share by their area and lose nothing', () => {
	assert.equal(quantityLaid(MATERIAL, { sheets: 3, usedLength: 412 }), 3);
	const cloth = { ...MATERIAL, unit: 'm', widthMm: 1500, lengthMm: null };
	assert.equal(quantityLaid(cloth, { sheets: 1, usedLength: 1234.1 }), 1.24);
	assert.deepEqual([stockOfMaterial(cloth)!.roll, stockOfMaterial(MATERIAL)!.more?.height], [1500, 1000]);
	assert.equal(stockOfMaterial({ ...cloth, widthMm: null }), null);
	const of = (componentId: number, side: number, quantity: number) => ({
		id: String(componentId),
		code: '',
		name: '',
		componentId,
		stock: '7',
		outline: square(side),
		holes: [],
		quantity,
		pair: false,
		rotations: [0]
	});
	const group = { material: MATERIAL, pieces: [of(1, 100, 2), of(2, 100, 1)], area: 30_000 };
	assert.deepEqual(partsOf(group, 2), [
		{ componentId: 1, quantity: 1.33 },
		{ componentId: 2, quantity: 0.67 }
	]);
});
