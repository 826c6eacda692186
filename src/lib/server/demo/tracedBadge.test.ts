import assert from 'node:assert/strict';
import { test } from 'node:test';
import { flatten } from '$core/engines/pattern/outline.ts';
import { project } from '$core/engines/plane/homography.ts';
import { planeOf } from '$core/engines/plane/reference.ts';
import type { Point } from '$core/units/point.ts';
import { strays } from '$tests/support/outlines.ts';
import { DRAWINGS } from './drawings.ts';
import { tracedOn } from './tracedBadge.ts';

test('the demo’s slant photo, traced with the values that it opens with, gives its two pieces as they were drawn', async () => {
	const [costume, title] = ['Lamplighter of Quay Nine', 'Bracer card on the mat'];
	const pieces = await tracedOn(costume, title);
	assert.equal(pieces.length, 2);
	const drawing = DRAWINGS[costume]!.find((d) => d.title === title)!;
	const plane = planeOf(drawing.scale as never);
	assert.ok(plane.ok);
	for (const { component, points } of drawing.shapes) {
		// As it was drawn, laid flat: y up from the sheet's corner. A dark line of 3 pixels is drawn round it, as dark as
		// the mat: its inner edge, which is found, lies 1.5 pixels of 0.56 mm within.
		const truth = points.map((p): Point => {
			const { point } = project(plane.value, p);
			return [point[0], -point[1]];
		});
		const off = pieces
			.map((p) => strays(flatten(p.outline, 0.05).points, truth))
			.reduce((a, b) => (b.rms < a.rms ? b : a));
		assert.ok(off.rms < 0.85 && off.most < 1.5, `${component}: ${JSON.stringify(off)}`);
	}
});
