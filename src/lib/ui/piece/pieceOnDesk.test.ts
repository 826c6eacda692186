import assert from 'node:assert/strict';
import { test } from 'node:test';
import { edgesOf, polygon } from '$core/engines/pattern/outline.ts';
import { piece as plain } from '$core/engines/pattern/piece.ts';
import type { Piece } from '$core/facts/piece.ts';
import { PieceOnDesk, type ToKeep } from './pieceOnDesk.svelte.ts';

const square = () =>
	plain(
		'panel',
		polygon([
			[0, 0],
			[100, 0],
			[100, 80],
			[0, 80]
		])
	);
const cornersOf = (piece: Piece) => edgesOf(piece.outline).map((e) => e.from);
const settled = () => new Promise((resolve) => setTimeout(resolve));

/** A desk whose server answers when it is told to. */
function desk() {
	let pieces = [square(), square()];
	const sent: ToKeep[] = [];
	let answer: ((done: boolean) => void) | null = null;
	const d = new PieceOnDesk({
		pieces: () => pieces,
		index: () => 1,
		unit: () => 'mm',
		keep: (what) => {
			sent.push(what);
			return new Promise((resolve) => {
				answer = (done) => {
					if (done && 'draw' in what) pieces = [...what.draw];
					resolve(done);
				};
			});
		}
	});
	return {
		d,
		sent,
		answer: async (done: boolean) => {
			answer!(done);
			await settled();
		}
	};
}

test('a dragged point is shown at once, catches on the grid, and is kept when it is dropped', async () => {
	const { d, sent, answer } = desk();
	d.move(2, [110.3, 85.2], 2);
	assert.deepEqual(cornersOf(d.piece)[2], [110, 85], 'on whole millimetres');
	assert.equal(d.caught, 'grid');
	assert.deepEqual(cornersOf(d.kept)[2], [100, 80], 'not yet');
	d.move(2, [110.3, 85.2], 0);
	assert.deepEqual(cornersOf(d.piece)[2], [110.3, 85.2], 'where it is put');
	d.drop();
	assert.equal(sent.length, 1);
	const drawn = (sent[0] as { draw: Piece[] }).draw;
	assert.deepEqual(cornersOf(drawn[0]!)[2], [100, 80], 'the other piece as it is');
	assert.deepEqual(cornersOf(drawn[1]!)[2], [110.3, 85.2]);
	await answer(true);
	assert.deepEqual(cornersOf(d.kept)[2], [110.3, 85.2]);
	assert.equal(d.piece, d.kept, 'no draft is left');
});

test('faster than the server: of drawings that wait, the last alone is kept; operations are all done', async () => {
	const { d, sent, answer } = desk();
	for (const x of [101, 102, 103]) {
		d.move(1, [x, 0], 0);
		d.drop();
	}
	d.work({ kind: 'bevel', piece: 1, edges: [0], degrees: 45 } as never);
	assert.equal(sent.length, 1, 'one at a time');
	await answer(true);
	assert.deepEqual(cornersOf((sent[1] as { draw: Piece[] }).draw[1]!)[1], [103, 0]);
	await answer(true);
	assert.ok('work' in sent[2]!);
	await answer(true);
	assert.equal(sent.length, 3);
});

test('refused: what was drawn goes back to what is kept, what waits is dropped, what was typed stays', async () => {
	const { d, sent, answer } = desk();
	d.typed.texts.x = '500';
	d.move(1, [500, 0], 0);
	d.drop();
	d.move(1, [510, 0], 0);
	d.drop();
	await answer(false);
	assert.equal(sent.length, 1);
	assert.deepEqual(cornersOf(d.piece)[1], [100, 0]);
	assert.equal(d.typed.texts.x, '500');
});

test('done: what was typed for it is gone, what was typed since stays', async () => {
	const { d, answer } = desk();
	d.typed.texts.x = '120';
	d.move(1, [120, 0], 0);
	d.drop();
	d.typed.texts.y = '5';
	await answer(true);
	assert.deepEqual({ ...d.typed.texts }, { y: '5' });
});

test('choosing: a point or edges, never both; an edge chosen again is let go; leaving ends all', () => {
	const { d } = desk();
	d.choosePoint(2);
	d.chooseEdge(0, false);
	assert.equal(d.point, null);
	d.chooseEdge(3, true);
	assert.deepEqual(d.edges, [0, 3]);
	d.chooseEdge(0, true);
	assert.deepEqual(d.edges, [3]);
	d.take('line');
	d.end([0.4, 0.2], 3);
	d.end([50, 80], 3);
	assert.deepEqual(
		d.ends,
		[
			[0, 0],
			[50, 80]
		],
		'caught on a corner and on the middle of an edge'
	);
	d.end([20, 20], 0);
	assert.equal(d.ends.length, 1, 'another line begins');
	d.leave();
	assert.deepEqual([d.point, d.edges, d.ends], [null, [], []]);
});
