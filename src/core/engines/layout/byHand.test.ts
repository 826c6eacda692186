import assert from 'node:assert/strict';
import { test } from 'node:test';
import { curvedPieces, faultsOf, rectanglePiece } from '$tests/support/layouts.ts';
import { random } from '$tests/support/outlines.ts';
import { ByHand } from './byHand.ts';
import type { LayPiece, Placement, Stock } from '../../facts/layout.ts';

const SHEETS: Stock = { id: 'S', sheets: [], more: { width: 400, height: 300 }, roll: null };
const ROOM = { gap: 4, edge: 10 };
const at = (piece: string, x: number, y: number, rotation = 0): Placement => ({
	piece,
	copy: 1,
	stock: 'S',
	sheet: 1,
	mirrored: false,
	rotation,
	x,
	y
});
const near = (a: number, b: number) => assert.ok(Math.abs(a - b) < 0.01, `${a}, not ${b}`);

test('what is too near or beyond the border is told', () => {
	const pieces = [rectanglePiece('a', 100, 80), rectanglePiece('b', 50, 50)];
	const clashes = (a: Placement, b: Placement) => new ByHand(SHEETS, 1, pieces, [a, b], ROOM).clashes();
	assert.deepEqual(clashes(at('a', 10, 10), at('b', 114, 10)), []);
	assert.deepEqual(clashes(at('a', 10, 10), at('b', 113.9, 10)), [0, 1]);
	assert.deepEqual(clashes(at('a', 9.9, 10), at('b', 200, 10)), [0]);
	assert.deepEqual(clashes(at('a', 10, 10), at('b', 341, 10)), [1]);
});

test('thin bars that cross are told, though no corner of either lies in the other', () => {
	const pieces = [rectanglePiece('a', 300, 5), rectanglePiece('b', 300, 5)];
	const laid = [at('a', 40, 150), at('b', 200, 12, 90)];
	assert.deepEqual(new ByHand(SHEETS, 1, pieces, laid, { gap: 0, edge: 0 }).clashes(), [0, 1]);
});

test('let go near another and the border it is laid against both; far from everything it stays', () => {
	const pieces = [rectanglePiece('a', 100, 80), rectanglePiece('b', 50, 50)];
	const hand = (b: Placement) => new ByHand(SHEETS, 1, pieces, [at('a', 10, 10), b], ROOM).letGo(1)!;
	const snapped = hand(at('b', 119, 13));
	near(snapped.x, 114);
	near(snapped.y, 10);
	assert.deepEqual(hand(at('b', 200, 150)), at('b', 200, 150));
	// A little on the other: moved off it the short way.
	const off = hand(at('b', 105, 40));
	near(off.x, 114);
	assert.equal(
		new ByHand(SHEETS, 1, pieces, [at('a', 10, 10), at('b', 15, 15)], ROOM).findRoom(1) !== null,
		true
	);
});

test('half a piece stays on the fold, wherever it is dragged to', () => {
	const half = { ...rectanglePiece('a', 80, 60, { rotations: [0] }), onFold: true };
	const hand = (p: Placement) => new ByHand(SHEETS, 1, [half], [p], ROOM);
	assert.deepEqual(hand(at('a', 0, 100)).clashes(), []);
	assert.deepEqual(hand(at('a', 3, 100)).clashes(), [0]);
	const let_ = hand(at('a', 60, 140)).letGo(0)!;
	near(let_.x, 0);
	near(let_.y, 140);
});

test('wherever curved pieces are let go, what comes of it passes the other library’s check', () => {
	const stock: Stock = { ...SHEETS, more: { width: 520, height: 400 } };
	const pieces: LayPiece[] = curvedPieces(5, 110, 3);
	const next = random(11);
	let [moved, stuck] = [0, 0];
	let laid: Placement[] = [];
	for (const p of pieces) {
		const others = [...laid, at(p.id, 0, 0)];
		const found = new ByHand(stock, 1, pieces, others, ROOM).findRoom(laid.length);
		if (found) laid = [...laid, found];
	}
	assert.ok(laid.length >= 4, `${laid.length}`);
	for (let k = 0; k < 30; k++) {
		const i = Math.floor(next() * laid.length);
		const dragged = laid.with(i, {
			...laid[i]!,
			rotation: Math.floor(next() * 24) * 15,
			x: next() * 520,
			y: next() * 400
		});
		const let_ = new ByHand(stock, 1, pieces, dragged, ROOM).letGo(i);
		if (!let_) {
			stuck++;
			continue;
		}
		moved++;
		laid = dragged.with(i, let_);
		const kinds = pieces.map((p) => ({ ...p, rotations: Array.from({ length: 24 }, (_, r) => r * 15) }));
		const unplaced = pieces
			.filter((p) => !laid.some((l) => l.piece === p.id))
			.map((p) => ({ piece: p.id, copy: 1, why: 'noRoom' as const }));
		assert.deepEqual(
			faultsOf(
				{ ...ROOM, seed: 1, stock: [stock], pieces: kinds },
				{ placements: laid, unplaced, stock: [] }
			),
			[]
		);
	}
	assert.ok(moved > 5 && stuck > 0, `${moved} moved, ${stuck} could not be`);
});
