import type { Point } from '../../units/point.ts';

/**
 * An outline with holes as the search needs it: how deep any point lies in it, and points along its border. Places are
 * relative to the middle of its box.
 */
export interface Shape {
	/** mm² */
	area: number;
	/** Half of its longest diagonal: nothing of it is farther from the middle. */
	reach: number;
	/** Points along the border, and how much border each stands for, mm. All corners are among them. */
	x: Float64Array;
	y: Float64Array;
	along: Float64Array;
	field: Field;
}

/** Signed distance to a border, positive inside: exact where it is near, by interpolation where it is far. */
export interface Field {
	left: number;
	low: number;
	cell: number;
	columns: number;
	rows: number;
	/** At the corners of the cells, row by row; one more of them each way than cells. */
	nodes: Float32Array;
	/** What is nearer than this by interpolation is worked out exactly, mm. */
	near: number;
	/** Where the edges begin that can be nearest somewhere in a cell; the same number twice where it is far from all. */
	first: Int32Array;
	edges: Int32Array;
	/** Of each edge: begin, unit direction, length. */
	ex: Float64Array;
	ey: Float64Array;
	ux: Float64Array;
	uy: Float64Array;
	long: Float64Array;
	/** Outward normal of the corner where an edge begins, and the edge that comes after it. */
	nx: Float64Array;
	ny: Float64Array;
	next: Int32Array;
}

/** Interpolated distances are off by less than this share of a cell: a distance changes no faster than the place does. */
const NEAR = 0.45;
/** Cells along the longer side. */
const CELLS = 48;
/** Points along the border, about. */
const POINTS = 44;

function rings(paths: readonly (readonly Point[])[]) {
	const n = paths.reduce((sum, p) => sum + p.length, 0);
	const f = {
		ex: new Float64Array(n),
		ey: new Float64Array(n),
		ux: new Float64Array(n),
		uy: new Float64Array(n),
		long: new Float64Array(n),
		nx: new Float64Array(n),
		ny: new Float64Array(n),
		next: new Int32Array(n)
	};
	let at = 0;
	for (const path of paths) {
		const begin = at;
		path.forEach(([x, y], i) => {
			const [px, py] = path[(i + 1) % path.length]!;
			const long = Math.hypot(px - x, py - y);
			f.ex[at] = x;
			f.ey[at] = y;
			f.long[at] = long;
			f.ux[at] = (px - x) / long;
			f.uy[at] = (py - y) / long;
			f.next[at] = i + 1 < path.length ? at + 1 : begin;
			at++;
		});
		// The inside lies to the left: the outward normal is to the right.
		for (let i = begin; i < at; i++) {
			const before = i === begin ? at - 1 : i - 1;
			f.nx[i] = f.uy[i]! + f.uy[before]!;
			f.ny[i] = -f.ux[i]! - f.ux[before]!;
		}
	}
	return f;
}

/** Signed distance to the nearest of some edges. Sign at corners by the sum of both normals (Baerentzen and Aanaes, 2005, in the plane). */
function nearest(f: Omit<Field, 'nodes' | 'near'>, x: number, y: number, from: number, to: number): number {
	const { ex, ey, ux, uy, long, nx, ny, next, edges } = f;
	let best = Infinity;
	let sign = -1;
	for (let k = from; k < to; k++) {
		const e = edges[k]!;
		const dx = x - ex[e]!;
		const dy = y - ey[e]!;
		const t = dx * ux[e]! + dy * uy[e]!;
		let d: number;
		if (t <= 0) {
			d = dx * dx + dy * dy;
			if (d < best) {
				best = d;
				sign = dx * nx[e]! + dy * ny[e]! < 0 ? 1 : -1;
			}
		} else if (t >= long[e]!) {
			const c = next[e]!;
			const qx = x - ex[c]!;
			const qy = y - ey[c]!;
			d = qx * qx + qy * qy;
			if (d < best) {
				best = d;
				sign = qx * nx[c]! + qy * ny[c]! < 0 ? 1 : -1;
			}
		} else {
			const off = ux[e]! * dy - uy[e]! * dx;
			d = off * off;
			if (d < best) {
				best = d;
				sign = off > 0 ? 1 : -1;
			}
		}
	}
	return sign * Math.sqrt(best);
}

function fieldOf(paths: readonly (readonly Point[])[], width: number, height: number): Field {
	const cell = Math.max(width, height) / CELLS;
	const columns = Math.ceil(width / cell) + 2;
	const rows = Math.ceil(height / cell) + 2;
	const left = (-columns * cell) / 2;
	const low = (-rows * cell) / 2;
	const f = rings(paths);
	const n = f.ex.length;
	const all = {
		...f,
		left,
		low,
		cell,
		columns,
		rows,
		first: new Int32Array(0),
		edges: Int32Array.from({ length: n }, (_, i) => i)
	};
	const nodes = new Float32Array((columns + 1) * (rows + 1));
	for (let r = 0; r <= rows; r++)
		for (let c = 0; c <= columns; c++)
			nodes[r * (columns + 1) + c] = nearest(all, left + c * cell, low + r * cell, 0, n);
	const first = new Int32Array(columns * rows + 1);
	const near: number[] = [];
	const half = cell * Math.SQRT1_2;
	for (let r = 0; r < rows; r++)
		for (let c = 0; c < columns; c++) {
			const i = r * columns + c;
			first[i] = near.length;
			const [x, y] = [left + (c + 0.5) * cell, low + (r + 0.5) * cell];
			const node = r * (columns + 1) + c;
			const least = Math.min(
				Math.abs(nodes[node]!),
				Math.abs(nodes[node + 1]!),
				Math.abs(nodes[node + columns + 1]!),
				Math.abs(nodes[node + columns + 2]!)
			);
			// A cell whose corners are all farther than its diagonal holds no border.
			if (least > 2.1 * half) continue;
			const most = (Math.abs(nearest(all, x, y, 0, n)) + 2 * half + 1e-9) ** 2;
			for (let e = 0; e < n; e++) {
				const dx = x - f.ex[e]!;
				const dy = y - f.ey[e]!;
				const t = Math.max(0, Math.min(f.long[e]!, dx * f.ux[e]! + dy * f.uy[e]!));
				const ox = dx - t * f.ux[e]!;
				const oy = dy - t * f.uy[e]!;
				if (ox * ox + oy * oy <= most) near.push(e);
			}
		}
	first[columns * rows] = near.length;
	return {
		...f,
		left,
		low,
		cell,
		columns,
		rows,
		nodes,
		near: NEAR * cell,
		first,
		edges: Int32Array.from(near)
	};
}

/** How deep a point lies in the shape, mm; 0 or less outside. */
export function depthAt(f: Field, x: number, y: number): number {
	const u = (x - f.left) / f.cell;
	const v = (y - f.low) / f.cell;
	if (u < 0 || v < 0 || u >= f.columns || v >= f.rows) return -1;
	const c = u | 0;
	const r = v | 0;
	const { nodes } = f;
	const node = r * (f.columns + 1) + c;
	const below = node + f.columns + 1;
	const s = u - c;
	const t = v - r;
	const d =
		(nodes[node]! * (1 - s) + nodes[node + 1]! * s) * (1 - t) +
		(nodes[below]! * (1 - s) + nodes[below + 1]! * s) * t;
	if (d > f.near || d < -f.near) return d;
	const i = r * f.columns + c;
	return nearest(f, x, y, f.first[i]!, f.first[i + 1]!);
}

/** The direction that leads deeper, of length about 1: filled by `pushAt`. */
export const push = { x: 0, y: 0 };

/** As `depthAt`, with the way in `push` where the point lies in the shape. */
export function pushAt(f: Field, x: number, y: number): number {
	const d = depthAt(f, x, y);
	if (d <= 0) return d;
	const u = (x - f.left) / f.cell;
	const v = (y - f.low) / f.cell;
	const c = u | 0;
	const r = v | 0;
	const { nodes } = f;
	const node = r * (f.columns + 1) + c;
	const below = node + f.columns + 1;
	const s = u - c;
	const t = v - r;
	const a = nodes[node]!;
	const b = nodes[node + 1]!;
	const p = nodes[below]!;
	const q = nodes[below + 1]!;
	push.x = ((b - a) * (1 - t) + (q - p) * t) / f.cell;
	push.y = ((p - a) * (1 - s) + (q - b) * s) / f.cell;
	return d;
}

/**
 * @param paths the outline counter-clockwise, then its holes clockwise
 * @returns the shape, and the middle of its box in the paths' own coordinates
 */
export function shapeOf(paths: readonly (readonly Point[])[]): { shape: Shape; middle: Point } {
	let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
	for (const [x, y] of paths[0]!) {
		left = Math.min(left, x);
		right = Math.max(right, x);
		low = Math.min(low, y);
		high = Math.max(high, y);
	}
	const middle: Point = [(left + right) / 2, (low + high) / 2];
	const its = paths.map((path) =>
		path
			.map(([x, y]): Point => [x - middle[0], y - middle[1]])
			.filter(([x, y], i, all) => {
				const [px, py] = all[(i + all.length - 1) % all.length]!;
				return Math.hypot(x - px, y - py) > 1e-7;
			})
	);
	const around = its.reduce((sum, path) => sum + roundOf(path), 0);
	const step = around / POINTS;
	const points: { x: number; y: number; along: number }[] = [];
	for (const path of its)
		path.forEach(([x, y], i) => {
			const [px, py] = path[(i + 1) % path.length]!;
			const long = Math.hypot(px - x, py - y);
			const parts = Math.max(1, Math.round(long / step));
			for (let k = 0; k < parts; k++)
				points.push({ x: x + ((px - x) * k) / parts, y: y + ((py - y) * k) / parts, along: long / parts });
		});
	const field = fieldOf(its, right - left, high - low);
	// One point where it is deepest: of two alike that lie exactly on each other, no border lies in the other.
	points.push({ ...deepest(field), along: around / 8 });
	const area = its.reduce((sum, path) => sum + areaOf(path), 0);
	return {
		middle,
		shape: {
			area,
			reach: points.reduce((most, p) => Math.max(most, Math.hypot(p.x, p.y)), 0),
			x: Float64Array.from(points, (p) => p.x),
			y: Float64Array.from(points, (p) => p.y),
			along: Float64Array.from(points, (p) => p.along),
			field
		}
	};
}

function deepest({ nodes, columns, left, low, cell }: Field): { x: number; y: number } {
	let at = 0;
	nodes.forEach((d, i) => {
		if (d > nodes[at]!) at = i;
	});
	return { x: left + (at % (columns + 1)) * cell, y: low + Math.floor(at / (columns + 1)) * cell };
}

const roundOf = (path: readonly Point[]) =>
	path.reduce((sum, [x, y], i) => {
		const [px, py] = path[(i + 1) % path.length]!;
		return sum + Math.hypot(px - x, py - y);
	}, 0);
/** Signed, mm². */
export const areaOf = (path: readonly Point[]) =>
	path.reduce((sum, [x, y], i) => {
		const [px, py] = path[(i + 1) % path.length]!;
		return sum + (x * py - px * y) / 2;
	}, 0);
