import sharp from 'sharp';
import { planeOf } from '$core/engines/plane/reference.ts';
import type { Reference } from '$core/facts/picture.ts';
import { project } from '$core/engines/plane/homography.ts';
import { flatViewOf, inView, rectify } from '$core/engines/plane/rectify.ts';
import { placedPiece, sizesOfPiece } from '$core/engines/pattern/piece.ts';
import type { Piece } from '$core/facts/piece.ts';
import { tracedOutlines } from '$core/engines/trace/ground.ts';
import { trace } from '$core/engines/trace/trace.ts';
import { DRAWINGS, drawingSvg } from './drawings.ts';

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
export async function tracedOn(costume: string, title: string): Promise<Piece[]> {
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

/** The smallest of them. */
export async function smallestTraced(costume: string, title: string): Promise<Piece[]> {
	const [smallest] = (await tracedOn(costume, title)).toSorted(
		(a, b) => sizesOfPiece(a).area - sizesOfPiece(b).area
	);
	return [{ ...smallest!, name: 'badge' }];
}
