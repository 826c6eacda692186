import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DraftPoints } from './draftPoints.svelte.ts';

test('points come one after another, are taken back, and begin anew when there are enough', () => {
	const draft = new DraftPoints();
	draft.add([0, 0], 2);
	draft.add([10, 0], 2);
	draft.add([5, 5], 2);
	assert.deepEqual(draft.points, [[5, 5]]);
	draft.add([6, 6]);
	draft.key('Backspace');
	assert.deepEqual(draft.points, [[5, 5]]);
	draft.key('Escape');
	assert.equal(draft.count, 0);
});

test('a click a hair beside the picture is its border; farther away it is none', () => {
	const draft = new DraftPoints();
	const picture = { width: 400, height: 300 };
	draft.addOn(picture, [401, -1.5]);
	draft.addOn(picture, [405, 100]);
	assert.deepEqual(draft.points, [[400, 0]]);
});

test('an outline is closed by its first point again, from three points on', () => {
	const draft = new DraftPoints();
	draft.add([0, 0]);
	draft.add([100, 0]);
	assert.ok(!draft.closes([1, 1], 5));
	draft.add([50, 80]);
	assert.ok(draft.closes([1, 1], 5));
	assert.ok(!draft.closes([10, 10], 5));
});
