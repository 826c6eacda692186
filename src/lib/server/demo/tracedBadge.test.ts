import assert from 'node:assert/strict';
import { test } from 'node:test';
import sharp from 'sharp';
import { flatten } from '$core/engines/pattern/outline.ts';
import { project } from '$core/engines/plane/homography.ts';
import { flatViewOf, inView, rectify } from '$core/engines/plane/rectify.ts';
import { planeOf } from '$core/engines/plane/reference.ts';
import { placedPiece, sizesOfPiece } from '$core/engines/pattern/piece.ts';
import { tracedOutlines } from '$core/engines/trace/ground.ts';
import { trace } from '$core/engines/trace/trace.ts';
import type { Piece } from '$core/facts/piece.ts';
import type { Reference } from '$core/facts/picture.ts';
import type { Point } from '$core/units/point.ts';
import { strays } from '$tests/support/outlines.ts';
import { DRAWINGS, drawingSvg } from './drawings.ts';
import badge from './tracedBadge.json' with { type: 'json' };

function ended<T>(work: Generator<number, T>): T {
	for (;;) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
}

/**
 * What lies whole on a slant picture of the demo, traced as a maker would: laid flat by its four corners, the known sheet left out.
 * Coordinates are mm from the corner of the sheet that was clicked first, y up.
 */
async function tracedOn(costume: string, title: string): Promise<Piece[]> {
	const drawing = DRAWINGS[costume]!.find((d) => d.title === title)!;
	const { data, info } = await sharp(Buffer.from(drawingSvg(drawing)))
		.ensureAlpha()
		.raw()
		.toBuffer({ resolveWithObject: true });
	const reference = drawing.scale as unknown as Extract<Reference, { kind: 'rectangle' }>;
	const plane = planeOf(reference);
	if (!plane.ok) throw new Error(plane.problem.code);
	const picture = { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
	const view = flatViewOf(plane.value, picture, reference.points);
	const mmPerPx = 1 / view.pixelsPerMm;
	const known = reference.points.map((p) => inView(project(plane.value, p).point, view));
	const laid = ended(rectify(picture, plane.value, view));
	const done = ended(trace(laid, { mmPerPx, speck: 225, tolerance: 0.4, known }));
	if (!done.ok) throw new Error(done.problem.code);
	return tracedOutlines(done.value, known)
		.flatMap(({ piece, ground }) => (ground === null ? [piece] : []))
		.map((p) => placedPiece(p, { move: [-known[0]![0], -known[0]![1]] }));
}

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
	const [smallest] = pieces.toSorted((a, b) => sizesOfPiece(a).area - sizesOfPiece(b).area);
	const kept = (badge as unknown as Piece[])[0]!;
	const off = strays(flatten(smallest!.outline, 0.05).points, flatten(kept.outline, 0.05).points);
	assert.ok(off.most < 0.1, `the badge that the demo keeps is what is traced: ${JSON.stringify(off)}`);
});
