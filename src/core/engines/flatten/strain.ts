/** What is made least when a patch is laid flat. */
export type Measure =
	/** Of each way it is pulled: s² + 1/s², which also keeps a rough start from folding. */
	| { kind: 'symmetric' }
	/** (|e₁|^q + |e₂|^q)^(k/q) with e = 1/s − 1: k 2 is the mean square of the larger one, a large k the largest of all. */
	| { kind: 'power'; k: number; q: number; unit: number };

/** A value with its first and second derivatives by the two singular values. */
export interface Derivatives {
	value: number;
	d1: number;
	d2: number;
	d11: number;
	d12: number;
	d22: number;
}

/** Of one face whose map from the surface to the plane pulls it by s1 ≥ s2 > 0. */
export function measureOf(measure: Measure, s1: number, s2: number, into: Derivatives): void {
	if (measure.kind === 'symmetric') {
		into.value = s1 * s1 + 1 / (s1 * s1) + s2 * s2 + 1 / (s2 * s2) - 4;
		into.d1 = 2 * s1 - 2 / s1 ** 3;
		into.d2 = 2 * s2 - 2 / s2 ** 3;
		into.d11 = 2 + 6 / s1 ** 4;
		into.d22 = 2 + 6 / s2 ** 4;
		into.d12 = 0;
		return;
	}
	const { k, q, unit } = measure;
	const e1 = (1 / s1 - 1) / unit;
	const e2 = (1 / s2 - 1) / unit;
	const f1 = -1 / (s1 * s1 * unit);
	const f2 = -1 / (s2 * s2 * unit);
	const a1 = Math.abs(e1);
	const a2 = Math.abs(e2);
	if (k === q) {
		const [p1, p2] = [a1 ** (k - 2), a2 ** (k - 2)];
		into.value = p1 * e1 * e1 + p2 * e2 * e2;
		into.d1 = k * p1 * e1 * f1;
		into.d2 = k * p2 * e2 * f2;
		into.d11 = k * p1 * ((k - 1) * f1 * f1 + (2 * e1) / (s1 * s1 * s1 * unit));
		into.d22 = k * p2 * ((k - 1) * f2 * f2 + (2 * e2) / (s2 * s2 * s2 * unit));
		into.d12 = 0;
		return;
	}
	const LEAST = 1e-9;
	const g = a1 ** q + a2 ** q + LEAST ** q;
	const g1 = q * a1 ** (q - 1) * Math.sign(e1) * f1;
	const g2 = q * a2 ** (q - 1) * Math.sign(e2) * f2;
	const g11 =
		q * (q - 1) * a1 ** (q - 2) * f1 * f1 + q * a1 ** (q - 1) * Math.sign(e1) * (2 / (s1 ** 3 * unit));
	const g22 =
		q * (q - 1) * a2 ** (q - 2) * f2 * f2 + q * a2 ** (q - 1) * Math.sign(e2) * (2 / (s2 ** 3 * unit));
	const r = k / q;
	into.value = g ** r;
	const h1 = r * g ** (r - 1);
	const h2 = r * (r - 1) * g ** (r - 2);
	into.d1 = h1 * g1;
	into.d2 = h1 * g2;
	into.d11 = h2 * g1 * g1 + h1 * g11;
	into.d22 = h2 * g2 * g2 + h1 * g22;
	into.d12 = h2 * g1 * g2;
}

/** Strain of a face that is pulled by s1 and s2 from the surface to the plane: the largest |σ − 1| from the plane to the surface. */
export const strainOf = (s1: number, s2: number): number =>
	s2 > 0 ? Math.max(Math.abs(1 / s1 - 1), Math.abs(1 / s2 - 1)) : Infinity;
