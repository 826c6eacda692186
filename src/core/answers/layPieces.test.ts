import assert from 'node:assert/strict';
import { test } from 'node:test';
import { polygon, signedArea } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { layoutSvg } from '../formats/layoutSvg.ts';
import { readSvg } from '../formats/readSvg.ts';
import { sizesOfPiece, piece } from '../engines/pattern/piece.ts';
import {
	halfOnFold,
	partsOf,
	quantityLaid,
	stockOfMaterial,
	turnsOf,
	wholeCut,
	withMoved,
	type LayGroup
} from './layPieces.ts';
import { cutSheets } from '../engines/layout/cutSheets.ts';
import { PLAIN_LAY, type LaySettings } from '../facts/layout.ts';
import { areaOfPiece } from '../engines/layout/stock.ts';
import type { SheetForm } from '../facts/layout.ts';

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
	assert.equal(Math.round(areaOfPiece(wholeCut(half))), 2 * 110 * 120);
	assert.equal(Math.round(areaOfPiece(wholeCut({ ...half, foldEdge: null }))), 110 * 120);
	const slant = piece(
		'cape',
		polygon([
			[0, 0],
			[80, 30],
			[20, 90]
		]),
		{ foldEdge: 1 }
	);
	assert.ok(Math.abs(areaOfPiece(wholeCut(slant)) - 2 * signedArea(slant.outline)) < 1);
});

test('what stands in is laid with what is cut from it already, in so many layers', () => {
	const cut = (code: string, stock: number, quantity: number): LayGroup['pieces'][number] => ({
		id: code,
		code,
		name: '',
		componentId: 1,
		stock: String(stock),
		outline: square(100),
		holes: [],
		quantity,
		pair: false,
		rotations: [0],
		folded: null
	});
	const group = (id: number, ...pieces: LayGroup['pieces']) => ({ material: { ...MATERIAL, id }, pieces });
	const groups = [group(7, cut('A-01 1/1', 7, 2)), group(8, cut('A-02 1/1', 8, 1))];
	const told = (fromId: number, id: string) =>
		withMoved(groups, fromId, { id }, 2)?.map((p) => [p.code, p.stock, p.quantity]);
	assert.deepEqual(told(7, '8'), [
		['A-02 1/1', '8', 1],
		['A-01 1/1', '8', 4]
	]);
	assert.deepEqual(told(7, '9'), [['A-01 1/1', '9', 4]]);
	assert.equal(told(5, '8'), undefined);
});

test('grain runs along the roll, both ways, or one way with the nap; foam lies any way', () => {
	assert.deepEqual(turnsOf(90, true, false), [0, 180]);
	assert.deepEqual(turnsOf(90, true, true), [0]);
	assert.deepEqual(turnsOf(0, true, false), [90, 270]);
	assert.deepEqual(turnsOf(135, true, true), [315]);
	assert.equal(turnsOf(null, true, false).length, 4);
	assert.ok(turnsOf(90, false, true).length > 4);
	assert.deepEqual(turnsOf(90, true, true, 4), [0, 356, 358, 2, 4]);
	assert.equal(turnsOf(90, true, false, 4).length, 10);
});

test('on folded cloth half pieces lie with their fold along it, wherever it was drawn; not against their grain', () => {
	// A quarter ellipse and a bit: its fold is drawn on the slant, its grain along it.
	const slant = piece(
		'back',
		polygon([
			[0, 0],
			[40, -30],
			[100, 50],
			[60, 80]
		]),
		{ foldEdge: 3, grain: (Math.atan2(80, 60) * 180) / Math.PI }
	);
	const half = halfOnFold(slant, 0)!;
	const xs = half.outline.map((p) => p[0]);
	assert.ok(Math.abs(Math.min(...xs)) < 1e-9 && Math.abs(Math.max(...xs) - 50) < 1e-9, xs.join(' '));
	assert.ok(Math.abs(areaOfPiece(half) - signedArea(slant.outline)) < 1e-6);
	assert.ok(Math.abs(areaOfPiece(wholeCut(slant)) - 2 * areaOfPiece(half)) < 1);
	assert.equal(halfOnFold({ ...slant, grain: 0 }, 0), null);
	assert.equal(halfOnFold({ ...slant, foldEdge: null }, 0), null);
	assert.ok(halfOnFold({ ...slant, grain: slant.grain! + 3 }, 3));
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
		rotations: [0],
		folded: null
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
	const stock = stockOfMaterial(MATERIAL, [], PLAIN_LAY)!;
	const placements = [at(1, 1, 0, 10, 10), at(2, 1, 30, 300, 10), at(3, 2, 0, 10, 10)];
	const svg = layoutSvg(cutSheets({ settings: PLAIN_LAY, stock, pieces: [one], placements }), 'a & b');
	assert.ok(!svg.includes('<b>') && svg.includes('width="1020mm"'));
	const read = readSvg(svg);
	assert.ok(read.ok);
	assert.equal(read.value.unit, 1);
	assert.deepEqual(
		read.value.pieces.map((p) => [Math.round(sizesOfPiece(p).area), p.holes.length]),
		Array.from({ length: 3 }, () => [9600, 1])
	);
});

test('sheets are whole, cloth is by its unit; components share by their area and lose nothing', () => {
	const offcut = { width: 200, height: 300, outline: square(200), flaws: [] };
	const laid = (
		of: typeof MATERIAL,
		offcuts: SheetForm[],
		sheets: number,
		more: Partial<LaySettings> = {}
	) => {
		const settings = { ...PLAIN_LAY, ...more };
		const stock = stockOfMaterial(of, offcuts, settings)!;
		return quantityLaid(of, stock, { sheets, usedLength: 1234.1 }, settings);
	};
	const stock = (of: typeof MATERIAL, more: Partial<LaySettings> = {}) =>
		stockOfMaterial(of, [], { ...PLAIN_LAY, ...more });
	assert.deepEqual(
		[laid(MATERIAL, [], 3), laid(MATERIAL, [offcut], 3), laid(MATERIAL, [offcut], 1)],
		[3, 2, 0]
	);
	const cloth = { ...MATERIAL, unit: 'm', widthMm: 1500, lengthMm: null };
	assert.deepEqual([laid(cloth, [], 1), laid(cloth, [offcut], 2), laid(cloth, [offcut], 1)], [1.24, 1.24, 0]);
	assert.deepEqual([stock(cloth)!.roll, stock(MATERIAL)!.more?.height], [1500, 1000]);
	assert.equal(stock({ ...cloth, widthMm: null }), null);
	// Washed first: 4 % narrower, 5 % more to buy; one repeat of 320 mm more: 1234.1 / 0.95 + 320 = 1619.05.
	assert.equal(stock(cloth, { shrinkWidth: 4, folded: true })!.roll, 720);
	assert.equal(laid(cloth, [], 1, { shrinkLength: 5, repeat: 320 }), 1.62);
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
		rotations: [0],
		folded: null
	});
	assert.deepEqual(partsOf([of(1, 100, 2), of(2, 100, 1)], 2), [
		{ componentId: 1, quantity: 1.33 },
		{ componentId: 2, quantity: 0.67 }
	]);
});
