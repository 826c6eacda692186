import assert from 'node:assert/strict';
import { test } from 'node:test';
import { polygon } from '$core/engines/pattern/outline.ts';
import { piece } from '$core/engines/pattern/piece.ts';
import { PieceView } from './pieceView.svelte.ts';

const panel = piece(
	'panel',
	polygon([
		[0, 0],
		[200, 0],
		[200, 100],
		[0, 100]
	])
);

test('a piece is fitted to the mat, its lower edge below; what is pressed is where it is drawn', () => {
	let moved = { k: 1, x: 0, y: 0 };
	const view = new PieceView(
		() => panel,
		() => moved,
		460
	);
	view.width = 544;
	// 400 px for 200 mm across; 380 px would be there for 100 mm up.
	assert.equal(view.scale, 2);
	assert.deepEqual(view.onto([0, 0]), [72, 330]);
	assert.deepEqual(view.onto([200, 100]), [472, 130]);
	assert.equal(view.square, 10);
	moved = { k: 0.15, x: 40, y: -7 };
	assert.equal(view.square, 100, 'ten millimetres are 3 px now');
	for (const at of [
		[0, 0],
		[37.5, 81],
		[200, 100]
	] as const) {
		const [x, y] = view.from(view.onto([...at]));
		assert.ok(Math.abs(x - at[0]) < 1e-9 && Math.abs(y - at[1]) < 1e-9);
	}
});
