import { cutLine } from '$core/engines/pattern/allowance.ts';
import { boxOf, flatten, type Box } from '$core/engines/pattern/outline.ts';
import type { Piece } from '$core/facts/piece.ts';
import { svgPath } from '$core/formats/patternSvg.ts';
import type { Point } from '$core/units/point.ts';

/** Px beside the piece and above and below it: lengths of its edges stand there. */
const PAD = { x: 72, y: 40 };

/**
 * Where a piece is seen on the mat. The view is fitted to the piece as it is kept, so that it stands still while a point
 * is moved; it is looked into by wheel, fingers and buttons.
 */
export class PieceView {
	width = $state(700);
	readonly #kept: () => Piece;
	readonly #moved: () => { k: number; x: number; y: number };

	constructor(
		kept: () => Piece,
		moved: () => { k: number; x: number; y: number },
		readonly height: number
	) {
		this.#kept = kept;
		this.#moved = moved;
	}

	/** The piece with its seam allowance, mm. */
	readonly box: Box = $derived.by(() => {
		const kept = this.#kept();
		return boxOf([...flatten(kept.outline, 0.5).points, ...cutLine(kept, 0.5)]);
	});
	get middle(): Point {
		const { left, right, bottom, top } = this.box;
		return [(left + right) / 2, (bottom + top) / 2];
	}
	get #fit(): number {
		const { left, right, bottom, top } = this.box;
		return Math.min(
			(this.width - 2 * PAD.x) / Math.max(1, right - left),
			(this.height - 2 * PAD.y) / Math.max(1, top - bottom)
		);
	}
	/** Px for one mm. */
	get scale(): number {
		return this.#fit * this.#moved().k;
	}
	/** Where a place of the piece is drawn, px. */
	onto = ([x, y]: Point): Point => {
		const { k, x: left, y: top } = this.#moved();
		const [mx, my] = this.middle;
		return [
			left + k * (this.width / 2 + (x - mx) * this.#fit),
			top + k * (this.height / 2 - (y - my) * this.#fit)
		];
	};
	/** What place of the piece is drawn there, mm. */
	from = ([px, py]: Point): Point => {
		const { k, x: left, y: top } = this.#moved();
		const [mx, my] = this.middle;
		return [
			((px - left) / k - this.width / 2) / this.#fit + mx,
			(this.height / 2 - (py - top) / k) / this.#fit + my
		];
	};
	/** svgPath turns y round, and pixels run down already. */
	path = (points: readonly Point[], closed = true): string =>
		svgPath(
			points.map((p) => {
				const [x, y] = this.onto(p);
				return [x, -y] as Point;
			}),
			closed
		);
	/** Squares of 10 mm, and of 100 when those are too small to see. */
	get square(): 10 | 100 {
		return this.scale * 10 >= 4 ? 10 : 100;
	}
}
