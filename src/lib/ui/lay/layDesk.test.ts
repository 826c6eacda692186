import assert from 'node:assert/strict';
import { test } from 'node:test';
import {
	PLAIN_LAY,
	type CostumePiece,
	type LaySettings,
	type Placement,
	type Stock
} from '$core/facts/layout.ts';
import { rectanglePiece } from '$tests/support/layouts.ts';
import { HandOnSheets } from './handOnSheets.svelte.ts';
import { keyOfPlacement, LayDesk } from './layDesk.svelte.ts';

const stock: Stock = { id: 'S', sheets: [], more: { width: 400, height: 300 }, roll: null };
const piece = (id: string, w: number, h: number): CostumePiece => ({
	...rectanglePiece(id, w, h),
	code: `A-04 ${id} 1/2`,
	name: id,
	componentId: 4,
	folded: null
});
const pieces = [piece('a', 100, 80), piece('b', 50, 50)];
const at = (id: string, x: number, y: number, sheet = 1): Placement => ({
	piece: id,
	copy: 1,
	stock: 'S',
	sheet,
	mirrored: false,
	rotation: 0,
	x,
	y
});
const settings: LaySettings = { ...PLAIN_LAY, gap: 4, edge: 10 };

function desk() {
	const now = { materialId: 7, pieces: [...pieces], stock, settings: { ...settings } };
	const d = new LayDesk({ materialId: () => now.materialId, toLay: () => now });
	const lay = (...placements: Placement[]) => {
		const begun = d.begin()!;
		begun.show({ placements, unplaced: [] });
		return begun.task;
	};
	return { d, now, lay };
}

test('what was moved by hand stays there when the rest is laid again, and goes back move by move', () => {
	const { d, lay } = desk();
	const first = lay(at('a', 10, 10), at('b', 114, 10));
	assert.deepEqual(first.locked, []);
	d.move(at('b', 200, 100));
	d.move(at('b', 220, 100));
	assert.deepEqual(d.locked, ['b · 1']);
	d.takeBack();
	assert.deepEqual(d.plan!.placements[1], at('b', 200, 100));
	const again = lay(at('a', 10, 10), at('b', 200, 100));
	assert.deepEqual(again.locked, [at('b', 200, 100)]);
	assert.notEqual(again.seed, first.seed, 'not the same again');
	assert.ok(!d.movedByHand, 'a new layout begins anew');
	d.lock('b · 1');
	assert.deepEqual(d.locked, [], 'let go again');
});

test('a layout is stale when pieces or settings have changed; then nothing of it is held on to', () => {
	const { d, now, lay } = desk();
	lay(at('a', 10, 10), at('b', 114, 10));
	d.lock('a · 1');
	assert.ok(!d.stale);
	now.settings.gap = 6;
	assert.ok(d.stale);
	assert.deepEqual(lay(at('a', 10, 10)).locked, []);
	assert.ok(!d.stale);
});

test('of another material nothing is shown; opened, what was kept of it lies there', () => {
	const { d, now, lay } = desk();
	lay(at('a', 10, 10));
	const plan = d.plan!;
	now.materialId = 8;
	assert.deepEqual([d.plan, d.use], [null, null]);
	d.open({ plan, materialId: 8 });
	assert.equal(d.plan, plan);
	assert.equal(d.use!.sheets, 1);
	now.pieces = [];
	assert.equal(d.begin(), null, 'nothing to lay');
});

function hand(placements: Placement[]) {
	const moved: Placement[] = [];
	const h = new HandOnSheets({
		placements: () => placements,
		pieces: () => pieces,
		stock: () => stock,
		settings: () => settings,
		snap: () => 10,
		onmove: (to) => moved.push(to)
	});
	return { h, moved };
}

test('a piece dragged near another is laid against it; dropped where it came from, nothing happens', () => {
	const b = at('b', 250, 150);
	const { h, moved } = hand([at('a', 10, 10), b]);
	h.grab(b, [260, 160]);
	h.drawTo([130, 22], 1);
	assert.deepEqual([h.drag!.to.x, h.drag!.to.y, h.drag!.free], [120, 12, true]);
	h.letGo([130, 22]);
	assert.equal(h.drag, null);
	// 4 mm of gap beside the 100 mm from 10 on; 10 mm of border below.
	assert.ok(Math.abs(moved[0]!.x - 114) < 0.01 && Math.abs(moved[0]!.y - 10) < 0.01);
	h.grab(b, [260, 160]);
	h.drawTo([260.4, 160.3], 1);
	h.letGo([260.4, 160.3]);
	assert.equal(moved.length, 1);
	assert.equal(h.chosen, keyOfPlacement(b));
});

test('over another piece it is told while it is dragged; on another sheet it is held by the same place', () => {
	const b = at('b', 250, 150);
	const { h, moved } = hand([at('a', 10, 10), b]);
	h.grab(b, [260, 160]);
	h.drawTo([60, 60], 1);
	assert.equal(h.drag!.free, false);
	h.drawTo([60, 60], 2);
	assert.equal(h.drag!.free, true, 'it is tried there when it is let go');
	h.letGo([70, 70]);
	assert.deepEqual([moved[0]!.sheet, Math.round(moved[0]!.x), Math.round(moved[0]!.y)], [2, 60, 60]);
});

test('by keys: a millimetre, if nothing is in the way; turned only as it may lie', () => {
	const a = at('a', 10, 10);
	const { h, moved } = hand([a, at('b', 114, 10)]);
	h.nudge(a, [0, 1]);
	assert.deepEqual(moved.at(-1), at('a', 10, 11));
	h.nudge(a, [1, 0]);
	assert.equal(moved.length, 1);
	assert.equal(h.told, 'Something is in the way.');
	h.turn(a, 1);
	assert.deepEqual([moved.length, h.told], [2, '']);
	assert.equal(moved[1]!.rotation, 90);
	h.putOn(a, 2);
	assert.equal(moved.at(-1)!.sheet, 2);
});
