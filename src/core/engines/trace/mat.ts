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

interface Sample {
	/** Of the terms, and of each plane. */
	t: readonly number[];
	v: readonly number[];
	isMat: boolean;
}

/** Coefficients of the first `n` terms that come nearest to the values of each plane: least squares by the normal equations. */
function fitted(samples: readonly Sample[], n: number, planes: number): number[][] {
	const a = Array.from({ length: n }, () => new Array<number>(n).fill(0));
	const b = Array.from({ length: n }, () => new Array<number>(planes).fill(0));
	for (const { t, v } of samples)
		for (let i = 0; i < n; i++) {
			for (let j = 0; j < n; j++) a[i]![j]! += t[i]! * t[j]!;
			for (let c = 0; c < planes; c++) b[i]![c]! += t[i]! * v[c]!;
		}
	return solve(new Matrix(a), new Matrix(b)).transpose().to2DArray();
}

/** How far a sample is from the surfaces, in the plane where it is farthest. */
function offOf({ t, v }: Sample, k: readonly (readonly number[])[]): number {
	let most = 0;
	for (let c = 0; c < k.length; c++) {
		let off = v[c]!;
		for (let i = 0; i < t.length; i++) off -= t[i]! * k[c]![i]!;
		if (off < 0) off = -off;
		if (off > most) most = off;
	}
	return most;
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
	const samples: Sample[] = [];
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
		const none = new Array<number>(terms(0, 0).length - used).fill(0);
		k = fitted(chosen, used, planes.length).map((its) => [...its, ...none]);
		const sorted = Float64Array.from(chosen, (s) => offOf(s, k)).sort();
		// Twice the median deviation and a little: what noise does, and no piece.
		const most = 3 * 1.4826 * (sorted[Math.floor(sorted.length / 2)] ?? 0) + 4;
		const now = samples.filter((s) => offOf(s, k) <= most);
		if (now.length < 30) break;
		chosen = now;
	}
	const across = (x: number) => (2 * x) / width - 1;
	const row = (y: number) => {
		const v = (2 * y) / height - 1;
		return k.map((c) => [c[0]! + c[2]! * v + c[5]! * v * v, c[1]! + c[4]! * v, c[3]!] as const);
	};
	const at = (x: number, y: number) => {
		const [u, v] = [across(x), (2 * y) / height - 1];
		return k.map((c) => c[0]! + c[2]! * v + c[5]! * v * v + u * (c[1]! + c[4]! * v + u * c[3]!));
	};
	return { across, row, at };
}
