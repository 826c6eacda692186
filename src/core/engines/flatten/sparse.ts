/**
 * A symmetric system of equations for points of the plane, a block of 2 × 2 for each point and each pair of neighbours, whose places
 * stay the same while their values change: factored as L·D·Lᵀ by rows (Davis 2005, Algorithm 849, by blocks). The packages that do
 * so are for dense matrices, or do not run as modules do.
 */
export class PointSystem {
	/** Four values a block of the upper half, row by row. */
	readonly values: Float64Array;
	readonly size: number;
	readonly #columns: Int32Array;
	readonly #rows: Int32Array;
	readonly #new: Int32Array;
	readonly #old: Int32Array;
	readonly #parent: Int32Array;
	readonly #starts: Int32Array;
	readonly #below: Int32Array;
	readonly #factor: Float64Array;
	/** Inverses of the blocks of D. */
	readonly #inverse: Float64Array;

	/**
	 * @param neighbours of each point, both ways
	 * @param order in which points are done away with
	 */
	constructor(neighbours: readonly (readonly number[])[], order: Int32Array) {
		const n = (this.size = neighbours.length);
		this.#old = order;
		this.#new = new Int32Array(n);
		order.forEach((old, i) => (this.#new[old] = i));
		this.#columns = new Int32Array(n + 1);
		const rows: number[] = [];
		for (let k = 0; k < n; k++) {
			const its = neighbours[order[k]!]!.map((v) => this.#new[v]!).filter((i) => i < k);
			rows.push(...its.sort((a, b) => a - b), k);
			this.#columns[k + 1] = rows.length;
		}
		this.#rows = Int32Array.from(rows);
		this.values = new Float64Array(4 * rows.length);

		this.#parent = new Int32Array(n).fill(-1);
		const count = new Int32Array(n);
		const flag = new Int32Array(n);
		for (let k = 0; k < n; k++) {
			flag[k] = k;
			for (let p = this.#columns[k]!; p < this.#columns[k + 1]!; p++)
				for (let i = this.#rows[p]!; flag[i] !== k; i = this.#parent[i]!) {
					if (this.#parent[i] === -1) this.#parent[i] = k;
					count[i]!++;
					flag[i] = k;
				}
		}
		this.#starts = new Int32Array(n + 1);
		for (let k = 0; k < n; k++) this.#starts[k + 1] = this.#starts[k]! + count[k]!;
		this.#below = new Int32Array(this.#starts[n]!);
		this.#factor = new Float64Array(4 * this.#starts[n]!);
		this.#inverse = new Float64Array(4 * n);
	}

	/** Where in `values` the block of two points begins; `turned` where it stands with rows and columns changed. */
	place(a: number, b: number): { at: number; turned: boolean } {
		const [i, j] = [this.#new[a]!, this.#new[b]!];
		const [row, column] = [Math.min(i, j), Math.max(i, j)];
		let [low, high] = [this.#columns[column]!, this.#columns[column + 1]! - 1];
		while (low < high) {
			const middle = (low + high) >> 1;
			if (this.#rows[middle]! < row) low = middle + 1;
			else high = middle;
		}
		return { at: 4 * low, turned: i > j };
	}

	/** @returns false where the system has no single answer */
	factorise(): boolean {
		const n = this.size;
		const [columns, rows, values] = [this.#columns, this.#rows, this.values];
		const [parent, starts, below] = [this.#parent, this.#starts, this.#below];
		const [factor, inverse] = [this.#factor, this.#inverse];
		const y = new Float64Array(4 * n);
		const pattern = new Int32Array(n);
		const flag = new Int32Array(n);
		const filled = new Int32Array(n);
		for (let k = 0; k < n; k++) {
			let top = n;
			flag[k] = k;
			for (let p = columns[k]!; p < columns[k + 1]!; p++) {
				let i = rows[p]!;
				y[4 * i] = values[4 * p]!;
				y[4 * i + 1] = values[4 * p + 1]!;
				y[4 * i + 2] = values[4 * p + 2]!;
				y[4 * i + 3] = values[4 * p + 3]!;
				let length = 0;
				for (; flag[i] !== k; i = parent[i]!) {
					pattern[length++] = i;
					flag[i] = k;
				}
				while (length > 0) pattern[--top] = pattern[--length]!;
			}
			let [p0, p1, p2, p3] = [y[4 * k]!, y[4 * k + 1]!, y[4 * k + 2]!, y[4 * k + 3]!];
			y.fill(0, 4 * k, 4 * k + 4);
			for (; top < n; top++) {
				const i = pattern[top]!;
				const a = y[4 * i]!;
				const b = y[4 * i + 1]!;
				const c = y[4 * i + 2]!;
				const d = y[4 * i + 3]!;
				y.fill(0, 4 * i, 4 * i + 4);
				const end = starts[i]! + filled[i]!;
				for (let p = starts[i]!; p < end; p++) {
					const to = 4 * below[p]!;
					const q = 4 * p;
					const l0 = factor[q]!;
					const l1 = factor[q + 1]!;
					const l2 = factor[q + 2]!;
					const l3 = factor[q + 3]!;
					y[to]! -= l0 * a + l1 * c;
					y[to + 1]! -= l0 * b + l1 * d;
					y[to + 2]! -= l2 * a + l3 * c;
					y[to + 3]! -= l2 * b + l3 * d;
				}
				const m0 = inverse[4 * i]!;
				const m1 = inverse[4 * i + 1]!;
				const m3 = inverse[4 * i + 3]!;
				// The block of L is the turned one of y, times the inverse.
				const f0 = a * m0 + c * m1;
				const f1 = a * m1 + c * m3;
				const f2 = b * m0 + d * m1;
				const f3 = b * m1 + d * m3;
				p0 -= f0 * a + f1 * c;
				p1 -= f0 * b + f1 * d;
				p2 -= f2 * a + f3 * c;
				p3 -= f2 * b + f3 * d;
				below[end] = k;
				const q = 4 * end;
				factor[q] = f0;
				factor[q + 1] = f1;
				factor[q + 2] = f2;
				factor[q + 3] = f3;
				filled[i]!++;
			}
			const over = p0 * p3 - p1 * p2;
			if (!(p0 > 0) || !(over > 0)) return false;
			inverse[4 * k] = p3 / over;
			inverse[4 * k + 1] = inverse[4 * k + 2] = -(p1 + p2) / 2 / over;
			inverse[4 * k + 3] = p0 / over;
		}
		return true;
	}

	/** The answer for a right side, by what was factorised last. */
	solve(right: Float64Array): Float64Array {
		const n = this.size;
		const [starts, below, factor, inverse] = [this.#starts, this.#below, this.#factor, this.#inverse];
		const x = new Float64Array(2 * n);
		for (let i = 0; i < n; i++) {
			x[2 * i] = right[2 * this.#old[i]!]!;
			x[2 * i + 1] = right[2 * this.#old[i]! + 1]!;
		}
		for (let j = 0; j < n; j++) {
			const [u, v] = [x[2 * j]!, x[2 * j + 1]!];
			for (let p = starts[j]!; p < starts[j + 1]!; p++) {
				const to = 2 * below[p]!;
				x[to]! -= factor[4 * p]! * u + factor[4 * p + 1]! * v;
				x[to + 1]! -= factor[4 * p + 2]! * u + factor[4 * p + 3]! * v;
			}
		}
		for (let j = n - 1; j >= 0; j--) {
			const [a, b] = [x[2 * j]!, x[2 * j + 1]!];
			let u = inverse[4 * j]! * a + inverse[4 * j + 1]! * b;
			let v = inverse[4 * j + 2]! * a + inverse[4 * j + 3]! * b;
			for (let p = starts[j]!; p < starts[j + 1]!; p++) {
				const from = 2 * below[p]!;
				u -= factor[4 * p]! * x[from]! + factor[4 * p + 2]! * x[from + 1]!;
				v -= factor[4 * p + 1]! * x[from]! + factor[4 * p + 3]! * x[from + 1]!;
			}
			x[2 * j] = u;
			x[2 * j + 1] = v;
		}
		const answer = new Float64Array(2 * n);
		for (let i = 0; i < n; i++) {
			answer[2 * this.#old[i]!] = x[2 * i]!;
			answer[2 * this.#old[i]! + 1] = x[2 * i + 1]!;
		}
		return answer;
	}
}

/**
 * An order that keeps factors sparse: what lies on one side, on the other, and what parts them last (nested dissection, George 1973).
 *
 * @param at where each unknown lies, `dimensions` numbers each
 * @param neighbours of each
 */
export function dissected(
	at: ArrayLike<number>,
	dimensions: number,
	neighbours: readonly (readonly number[])[]
): Int32Array {
	const n = neighbours.length;
	const order: number[] = [];
	const side = new Int8Array(n);
	const part = (list: number[]): void => {
		if (list.length <= 12) return void order.push(...list);
		let [axis, widest] = [0, -1];
		for (let k = 0; k < dimensions; k++) {
			let [low, high] = [Infinity, -Infinity];
			for (const v of list) {
				low = Math.min(low, at[v * dimensions + k]!);
				high = Math.max(high, at[v * dimensions + k]!);
			}
			if (high - low > widest) [axis, widest] = [k, high - low];
		}
		const sorted = list.sort((a, b) => at[a * dimensions + axis]! - at[b * dimensions + axis]! || a - b);
		const half = sorted.length >> 1;
		sorted.forEach((v, i) => (side[v] = i < half ? 1 : 2));
		const parting = sorted.slice(0, half).filter((v) => neighbours[v]!.some((w) => side[w] === 2));
		for (const v of parting) side[v] = 3;
		const left = sorted.filter((v) => side[v] === 1);
		const right = sorted.filter((v) => side[v] === 2);
		for (const v of list) side[v] = 0;
		if (left.length === 0) return void order.push(...right, ...parting);
		part(left);
		part(right);
		order.push(...parting);
	};
	part(Array.from({ length: n }, (_, i) => i));
	return Int32Array.from(order);
}
