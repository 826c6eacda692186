import { Matrix, solve } from 'ml-matrix';

/** Of a view's sides. */
const BORDER = 0.04;
/** Whether a pixel is mat for certain. */
export type IsMat = (x: number, y: number) => boolean;
/** The border of the view, where nothing else says what is mat. */
export const atBorder =
	({ width, height }: { width: number; height: number }): IsMat =>
	(x, y) =>
		Math.min(x / width, y / height, 1 - x / width, 1 - y / height) < BORDER;

/** x and y from −1 to 1: the terms of a surface that shadow and lamp light make on a mat. */
const terms = (x: number, y: number) => [1, x, y, x * x, x * y, y * y];

/** How many of them are fitted, round by round. */
const TERMS = [1, 3, 6] as const;

/** Coefficients of the terms that come nearest to the values: least squares by the normal equations. */
function fitted(samples: readonly { t: readonly number[]; v: number }[]): number[] {
	const n = samples[0]!.t.length;
	const a = Matrix.zeros(n, n);
	const b = Matrix.zeros(n, 1);
	for (const { t, v } of samples)
		for (let i = 0; i < n; i++) {
			b.set(i, 0, b.get(i, 0) + t[i]! * v);
			for (let j = 0; j < n; j++) a.set(i, j, a.get(i, j) + t[i]! * t[j]!);
		}
	return solve(a, b).to1DArray();
}

/** Values over the pixels, one of each plane: a + u·(b + u·c) along a row, u being how far across, −1 to 1. */
export interface Surfaces {
	at: (x: number, y: number) => number[];
	row: (y: number) => (readonly [a: number, b: number, c: number])[];
	across: (x: number) => number;
}

/**
 * The mat's own colour as surfaces of second degree, one for each plane that is given: fitted to what is mat for certain first, then to everything
 * that lies near it, again and again, so that pieces drop out.
 */
export function matSurfaces(
	{ width, height }: { width: number; height: number },
	planes: readonly Float32Array[],
	isMat: IsMat
): Surfaces {
	const step = Math.max(1, Math.round(Math.max(width, height) / 160));
	const samples: { t: readonly number[]; v: number[]; isMat: boolean }[] = [];
	for (let y = 0; y < height; y += step)
		for (let x = 0; x < width; x += step)
			samples.push({
				t: terms((2 * x) / width - 1, (2 * y) / height - 1),
				v: planes.map((p) => p[y * width + x]!),
				isMat: isMat(x, y)
			});
	let chosen = samples.filter((s) => s.isMat);
	if (chosen.length < 30) chosen = samples;
	let k: number[][] = [];
	for (let round = 0; round < 6; round++) {
		// From one colour to a slope to a bow: what is bent from a few pixels on strays far off where there are none.
		const used = TERMS[Math.min(round, TERMS.length - 1)]!;
		k = planes.map((_, c) => [
			...fitted(chosen.map((s) => ({ t: s.t.slice(0, used), v: s.v[c]! }))),
			...Array.from({ length: terms(0, 0).length - used }, () => 0)
		]);
		const off = (s: (typeof samples)[number]) =>
			Math.max(...k.map((its, c) => Math.abs(s.v[c]! - s.t.reduce((sum, t, i) => sum + t * its[i]!, 0))));
		const sorted = chosen.map(off).sort((p, q) => p - q);
		// Twice the median deviation and a little: what noise does, and no piece.
		const most = 3 * 1.4826 * (sorted[Math.floor(sorted.length / 2)] ?? 0) + 4;
		const now = samples.filter((s) => off(s) <= most);
		if (now.length < 30) break;
		chosen = now;
	}
	const across = (x: number) => (2 * x) / width - 1;
	const row = (y: number) => {
		const v = (2 * y) / height - 1;
		return k.map((c) => [c[0]! + c[2]! * v + c[5]! * v * v, c[1]! + c[4]! * v, c[3]!] as const);
	};
	return { across, row, at: (x, y) => row(y).map(([a, b, c]) => a + across(x) * (b + across(x) * c)) };
}
