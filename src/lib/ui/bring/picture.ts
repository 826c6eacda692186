import { greyOf } from '$core/engines/trace/contour.ts';
import { markNear } from '$core/engines/trace/mark.ts';
import { placed } from '$core/engines/pattern/outline.ts';
import type { Point } from '$core/units/point.ts';

/** A picture that lies in a plane: how large it is there, mm, and how it is turned and moved about its upper left. */
export interface Placed {
	href: string;
	blob: Blob;
	width: number;
	height: number;
	pixelsPerMm: number;
	/** Degrees, clockwise as seen: y runs down. */
	turn: number;
	move: Point;
}

/** About the size of a register mark, mm. */
const MARK = 4;

/** From the plane to mm from the picture's own upper left, and back. */
const inside = ({ turn, move }: Placed, [x, y]: Point): Point =>
	placed([x - move[0], y - move[1]], { turn: -turn });
export const outside = ({ turn, move }: Placed, at: Point): Point => placed(at, { turn, move });

/** The middle of the mark that was pointed at, in the plane; the place itself where nothing stands out. */
export async function catchMark(pictures: readonly Placed[], at: Point): Promise<Point> {
	const on = [...pictures].reverse().find((p) => {
		const [x, y] = inside(p, at);
		return x >= 0 && y >= 0 && x <= p.width && y <= p.height;
	});
	if (!on) return at;
	const radius = MARK * on.pixelsPerMm;
	const [x, y] = inside(on, at).map((v) => v * on.pixelsPerMm) as [number, number];
	// As far as the mark may be from where it was pointed at.
	const far = Math.ceil(3 * radius);
	const [left, top, side] = [Math.floor(x) - far, Math.floor(y) - far, 2 * far];
	const bitmap = await createImageBitmap(on.blob, left, top, side, side);
	const context = new OffscreenCanvas(side, side).getContext('2d', { willReadFrequently: true })!;
	context.drawImage(bitmap, 0, 0);
	bitmap.close();
	const grey = greyOf(context.getImageData(0, 0, side, side));
	const found = markNear(grey, [x - left - 0.5, y - top - 0.5], radius);
	return found
		? outside(on, [(found[0] + left + 0.5) / on.pixelsPerMm, (found[1] + top + 0.5) / on.pixelsPerMm])
		: at;
}
