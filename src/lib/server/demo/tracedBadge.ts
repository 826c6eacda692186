import sharp from 'sharp';
import { planeOf } from '$core/engines/plane/reference.ts';
import type { Reference } from '$core/facts/picture.ts';
import { flatViewOf, rectify } from '$core/engines/plane/rectify.ts';
import { sizesOfPiece } from '$core/engines/pattern/piece.ts';
import type { Piece } from '$core/facts/piece.ts';
import { trace } from '$core/engines/trace/trace.ts';
import { DRAWINGS, drawingSvg } from './drawings.ts';

function ended<T>(work: Generator<number, T>): T {
	for (;;) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
}

/** The smallest piece on a slant picture of the demo, traced as a maker would: laid flat by its four corners. */
export async function smallestTraced(costume: string, title: string): Promise<Piece[]> {
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
	const done = ended(
		trace(ended(rectify(picture, plane.value, view)), { mmPerPx, speck: 225, tolerance: 0.4 })
	);
	if (!done.ok) throw new Error(done.problem.code);
	const [smallest] = done.value.pieces.toSorted((a, b) => sizesOfPiece(a).area - sizesOfPiece(b).area);
	return [{ ...smallest!, name: 'badge' }];
}
