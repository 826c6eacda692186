import type { Turned } from './overlap.ts';
import { depthAt, type Field } from './shape.ts';

/**
 * The deepest middle of what edges of one shape have within another, mm: thin parts can cross without a point of either border lying
 * in the other.
 * @param ox how far the first lies from the second, in the plane
 */
export function deepestAcross(a: Field, s: Turned, b: Field, t: Turned, ox: number, oy: number): number {
	// Into the other's own coordinates.
	const place = (x: number, y: number) => {
		const px = x * s.cos - y * s.sin + ox;
		const py = x * s.sin + y * s.cos + oy;
		return [px * t.cos + py * t.sin, py * t.cos - px * t.sin] as const;
	};
	let deepest = 0;
	const cuts: number[] = [];
	for (let e = 0; e < a.ex.length; e++) {
		const [x, y] = place(a.ex[e]!, a.ey[e]!);
		const [p, q] = place(a.ex[e]! + a.ux[e]! * a.long[e]!, a.ey[e]! + a.uy[e]! * a.long[e]!);
		const [dx, dy] = [p - x, q - y];
		// Its ends too: they may lie just on the other's border.
		cuts.length = 0;
		cuts.push(0, 1);
		for (let f = 0; f < b.ex.length; f++) {
			const cross = dx * b.uy[f]! - dy * b.ux[f]!;
			if (Math.abs(cross) < 1e-12) continue;
			const [wx, wy] = [b.ex[f]! - x, b.ey[f]! - y];
			const at = (wx * b.uy[f]! - wy * b.ux[f]!) / cross;
			const on = (wx * dy - wy * dx) / cross;
			if (at > 0 && at < 1 && on > 0 && on < b.long[f]!) cuts.push(at);
		}
		cuts.sort((m, o) => m - o);
		for (let k = 1; k < cuts.length; k++) {
			const m = (cuts[k]! + cuts[k - 1]!) / 2;
			deepest = Math.max(deepest, depthAt(b, x + dx * m, y + dy * m));
		}
	}
	return deepest;
}
