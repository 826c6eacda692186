import type { Vec } from '../../src/core/units/vec.ts';

/** Invented surfaces to try things on: triangles counter-clockwise seen from without, mm. */
export interface Form {
	vertices: Vec[];
	faces: [number, number, number][];
}

/** Squares between rows of points, row by row; `round` joins the last column to the first. */
export function sheet(
	rows: number,
	columns: number,
	at: (row: number, column: number) => Vec,
	round = false
): Form {
	const form: Form = { vertices: [], faces: [] };
	for (let r = 0; r < rows; r++) for (let c = 0; c < columns; c++) form.vertices.push(at(r, c));
	const id = (r: number, c: number) => r * columns + (c % columns);
	for (let r = 0; r + 1 < rows; r++)
		for (let c = 0; c + (round ? 0 : 1) < columns; c++)
			form.faces.push([id(r, c), id(r, c + 1), id(r + 1, c + 1)], [id(r, c), id(r + 1, c + 1), id(r + 1, c)]);
	return form;
}

/** A ball from an icosahedron, each face divided in four so many times. */
export function ball(radius: number, times: number): Form {
	const g = (1 + Math.sqrt(5)) / 2;
	const toBall = ([x, y, z]: Vec): Vec => {
		const long = Math.hypot(x, y, z) / radius;
		return [x / long, y / long, z / long];
	};
	// prettier-ignore
	const corners: Vec[] = [[-1, g, 0], [1, g, 0], [-1, -g, 0], [1, -g, 0], [0, -1, g], [0, 1, g], [0, -1, -g], [0, 1, -g], [g, 0, -1], [g, 0, 1], [-g, 0, -1], [-g, 0, 1]];
	// prettier-ignore
	let faces: Form['faces'] = [[0, 11, 5], [0, 5, 1], [0, 1, 7], [0, 7, 10], [0, 10, 11], [1, 5, 9], [5, 11, 4], [11, 10, 2], [10, 7, 6], [7, 1, 8], [3, 9, 4], [3, 4, 2], [3, 2, 6], [3, 6, 8], [3, 8, 9], [4, 9, 5], [2, 4, 11], [6, 2, 10], [8, 6, 7], [9, 8, 1]];
	const vertices = corners.map(toBall);
	for (let i = 0; i < times; i++) {
		const middles = new Map<string, number>();
		const middle = (a: number, b: number) => {
			const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
			if (!middles.has(key)) {
				const [p, q] = [vertices[a]!, vertices[b]!];
				middles.set(key, vertices.push(toBall([p[0] + q[0], p[1] + q[1], p[2] + q[2]])) - 1);
			}
			return middles.get(key)!;
		};
		faces = faces.flatMap(([a, b, c]) => {
			const [x, y, z] = [middle(a, b), middle(b, c), middle(c, a)];
			return [
				[a, x, z],
				[x, b, y],
				[z, y, c],
				[x, y, z]
			];
		});
	}
	return { vertices, faces };
}

/** The top of a ball down to an angle from its pole, rings of triangles of about one size. */
export function cap(radius: number, angle: number, rings: number): Form {
	const form: Form = { vertices: [[0, 0, radius]], faces: [] };
	const starts = [0];
	for (let r = 1; r <= rings; r++) {
		starts.push(form.vertices.length);
		const t = (angle * r) / rings;
		for (let i = 0; i < 6 * r; i++) {
			const a = (2 * Math.PI * i) / (6 * r);
			form.vertices.push([
				radius * Math.sin(t) * Math.cos(a),
				radius * Math.sin(t) * Math.sin(a),
				radius * Math.cos(t)
			]);
		}
	}
	for (let r = 1; r <= rings; r++) {
		const inner = (k: number) => (r === 1 ? 0 : starts[r - 1]! + (k % (6 * (r - 1))));
		for (let i = 0, k = 0; i < 6 * r; i++) {
			const [o, p] = [starts[r]! + i, starts[r]! + ((i + 1) % (6 * r))];
			form.faces.push([inner(k), o, p]);
			if (r > 1 && (i + 1) % r !== 0) form.faces.push([inner(k), p, inner(++k)]);
		}
	}
	return form;
}

/** A closed cap with brow, crest and flaring neck, open below: a helmet of about so many faces. */
export function helmet(faces: number): Form {
	const ROUND = 60;
	const rings = Math.round(faces / 2 / ROUND);
	const { vertices, faces: sides } = sheet(
		rings,
		ROUND,
		(r, i) => {
			const t = ((r + 1) / rings) * 2.25;
			const a = (-2 * Math.PI * i) / ROUND;
			const crest = 12 * Math.exp(-20 * Math.sin(a) ** 2);
			const brow = 14 * Math.exp(-(((t - 1.35) / 0.12) ** 2)) * Math.max(0, Math.cos(a));
			const flare = Math.max(0, t - 1.8) * 70;
			const out = Math.sin(Math.min(t, 2.1));
			return [
				((115 + crest + brow) * out + flare) * Math.cos(a),
				((92 + crest * 0.3 + brow) * out + flare) * Math.sin(a),
				150 * Math.cos(Math.min(t, 1.9)) - Math.max(0, t - 1.9) * 120
			];
		},
		true
	);
	const top = vertices.length;
	const crown = Array.from({ length: ROUND }, (_, i): [number, number, number] => [top, (i + 1) % ROUND, i]);
	return { vertices: [...vertices, [0, 0, 150]], faces: [...crown, ...sides] };
}
