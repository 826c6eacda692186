import { polygon } from '../../src/core/engines/pattern/outline.ts';
import type { Outline } from '../../src/core/facts/piece.ts';
import type { Point } from '../../src/core/units/point.ts';

/** Repeatable numbers from 0 to 1: the seed is printed by the name of the failing case. */
export function random(seed: number): () => number {
	let s = seed;
	return () => ((s = (s * 1664525 + 1013904223) % 4294967296), s / 4294967296);
}
/** A star-shaped outline with lines, arcs and curves. */
export function blob(seed: number, straight = false): Outline {
	const next = random(seed);
	const n = 5 + Math.floor(next() * 9);
	const points = Array.from({ length: n }, (_, i): Point => {
		const a = (2 * Math.PI * (i + 0.6 * next())) / n;
		const r = 60 + 80 * next();
		return [r * Math.cos(a), r * Math.sin(a)];
	});
	if (straight) return polygon(points);
	return {
		start: points[0]!,
		edges: points.map((p, i) => {
			const to = points[(i + 1) % n]!;
			const kind = Math.floor(next() * 3);
			if (kind === 0) return { kind: 'line', to };
			if (kind === 1) return { kind: 'arc', to, bulge: 0.25 * next() };
			const at = (t: number, out: number): Point => [
				(p[0] + (to[0] - p[0]) * t) * out,
				(p[1] + (to[1] - p[1]) * t) * out
			];
			return { kind: 'cubic', c1: at(0.3, 1.1), c2: at(0.7, 1.12), to };
		})
	};
}

/** How far the points of one line lie from another: root of the mean square, and the most, mm. */
export function strays(line: readonly Point[], truth: readonly Point[]): { rms: number; most: number } {
	let [sum, most] = [0, 0];
	for (const p of line) {
		let best = Infinity;
		for (let i = 0; i < truth.length; i++) {
			const a = truth[i]!;
			const b = truth[(i + 1) % truth.length]!;
			const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
			const t = Math.max(
				0,
				Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy || 1))
			);
			const [x, y] = [p[0] - a[0] - dx * t, p[1] - a[1] - dy * t];
			best = Math.min(best, x * x + y * y);
		}
		best = Math.sqrt(best);
		sum += best * best;
		most = Math.max(most, best);
	}
	return { rms: Math.sqrt(sum / line.length), most };
}
