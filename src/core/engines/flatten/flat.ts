import { type Patch, restOf, type Surface } from './patch.ts';
import { dissected, PointSystem } from './sparse.ts';
import { type Derivatives, type Measure, measureOf, strainOf } from './strain.ts';

/** A border edge that shall be so long, mm. */
export interface Spring {
	from: number;
	to: number;
	long: number;
}

const MOST_STEPS = 60;
/** Pairs of corners of a face, each with itself too. */
const PAIRS = [
	[0, 0],
	[1, 1],
	[2, 2],
	[0, 1],
	[0, 2],
	[1, 2]
] as const;

/**
 * One patch on its way into the plane. Points move by Newton steps with the curvature of each face made positive (Smith, de Goes and
 * Kim 2019), and never so far that a face turns over.
 */
export class Flat {
	/** x and y of every point of the patch, mm. */
	at: Float64Array;
	readonly area: number;
	readonly #faces: Int32Array;
	readonly #areas: Float64Array;
	/** Gradients of the three hats of each face, six numbers. */
	readonly #hats: Float64Array;
	readonly #system: PointSystem;
	/** Of the six pairs of corners of each face: where their block begins, −1 − that where it is turned. */
	readonly #places: Int32Array;
	/** The 36 values of one face. */
	readonly #local = new Float64Array(36);
	readonly #points: number;
	springs: readonly Spring[] = [];

	constructor(
		readonly surface: Surface,
		readonly patch: Patch
	) {
		const { faces, corners, vertices } = patch;
		const n = (this.#points = vertices.length);
		this.at = new Float64Array(2 * n);
		this.#faces = corners;
		this.#areas = new Float64Array(faces.length);
		this.#hats = new Float64Array(faces.length * 6);
		faces.forEach((f, i) => {
			const [x1, x2, y2] = restOf(surface, f);
			this.#areas[i] = (x1 * y2) / 2;
			// Hat of the second corner is 1 at (x1, 0), of the third at (x2, y2).
			const [bx, by] = [1 / x1, -x2 / (x1 * y2)];
			const cy = 1 / y2;
			this.#hats.set([-bx, -by - cy, bx, by, 0, cy], 6 * i);
		});
		this.area = this.#areas.reduce((a, b) => a + b, 0);

		const near: Set<number>[] = Array.from({ length: n }, () => new Set());
		for (let i = 0; i < corners.length; i += 3)
			for (let k = 0; k < 3; k++) {
				const [a, b] = [corners[i + k]!, corners[i + ((k + 1) % 3)]!];
				near[a]!.add(b);
				near[b]!.add(a);
			}
		const neighbours = near.map((its) => [...its]);
		const where = new Float64Array(3 * n);
		vertices.forEach((v, i) => where.set(surface.vertices[v]!, 3 * i));
		this.#system = new PointSystem(neighbours, dissected(where, 3, neighbours));
		this.#places = new Int32Array(faces.length * 6);
		for (let i = 0; i < faces.length; i++)
			PAIRS.forEach(([a, b], p) => {
				const { at, turned } = this.#system.place(corners[3 * i + a]!, corners[3 * i + b]!);
				this.#places[6 * i + p] = turned ? -1 - at : at;
			});
	}

	/** How a face is pulled, s1 ≥ s2, below 0 where it is turned over; and the turns before and after: cos and sin. */
	#pulled(i: number, at: Float64Array, into: Float64Array): void {
		const [h, f] = [this.#hats, this.#faces];
		let [a, b, c, d] = [0, 0, 0, 0];
		for (let k = 0; k < 3; k++) {
			const v = f[3 * i + k]!;
			const [x, y] = [at[2 * v]!, at[2 * v + 1]!];
			const [gx, gy] = [h[6 * i + 2 * k]!, h[6 * i + 2 * k + 1]!];
			a += x * gx;
			b += x * gy;
			c += y * gx;
			d += y * gy;
		}
		const [e, g] = [(a + d) / 2, (c - b) / 2];
		const [p, q] = [(a - d) / 2, (c + b) / 2];
		const [sum, off] = [Math.hypot(e, g), Math.hypot(p, q)];
		const [turn, lean] = [Math.atan2(g, e), Math.atan2(q, p)];
		into[0] = sum + off;
		into[1] = sum - off;
		// J = R((turn + lean) / 2) · diag(s1, s2) · R((turn − lean) / 2)
		into[2] = (turn + lean) / 2;
		into[3] = (turn - lean) / 2;
	}

	/** Strain of every face, and how it is pulled from the surface to the plane. */
	strains(): { each: Float64Array; max: number; rms: number; folded: number } {
		const each = new Float64Array(this.#areas.length);
		const s = new Float64Array(4);
		let [max, sum, folded] = [0, 0, 0];
		for (let i = 0; i < each.length; i++) {
			this.#pulled(i, this.at, s);
			each[i] = strainOf(s[0]!, s[1]!);
			if (!(s[1]! > 0)) folded++;
			max = Math.max(max, each[i]!);
			sum += each[i]! ** 2 * this.#areas[i]!;
		}
		return { each, max, rms: Math.sqrt(sum / this.area), folded };
	}

	#energy(measure: Measure, at: Float64Array, stiffness: number): number {
		const s = new Float64Array(4);
		const d: Derivatives = { value: 0, d1: 0, d2: 0, d11: 0, d12: 0, d22: 0 };
		let sum = 0;
		for (let i = 0; i < this.#areas.length; i++) {
			this.#pulled(i, at, s);
			if (!(s[1]! > 1e-9)) return Infinity;
			measureOf(measure, s[0]!, s[1]!, d);
			sum += (d.value * this.#areas[i]!) / this.area;
		}
		for (const { from, to, long } of this.springs)
			sum +=
				(stiffness / 2) *
				(Math.hypot(at[2 * to]! - at[2 * from]!, at[2 * to + 1]! - at[2 * from + 1]!) / long - 1) ** 2 *
				(long / Math.sqrt(this.area));
		return sum;
	}

	/** Adds value · w wᵀ to the values of the face at hand. */
	#add(value: number, w: Float64Array): void {
		const local = this.#local;
		for (let a = 0; a < 6; a++) {
			const wa = value * w[a]!;
			for (let b = 0; b < 6; b++) local[6 * a + b]! += wa * w[b]!;
		}
	}

	/** Puts the values of the face at hand into the system. */
	#put(i: number): void {
		const [local, values] = [this.#local, this.#system.values];
		for (let p = 0; p < 6; p++) {
			const [a, b] = PAIRS[p]!;
			const from = 12 * a + 2 * b;
			const place = this.#places[6 * i + p]!;
			const turned = place < 0;
			const to = turned ? -1 - place : place;
			values[to]! += local[from]!;
			values[to + 1]! += local[turned ? from + 6 : from + 1]!;
			values[to + 2]! += local[turned ? from + 1 : from + 6]!;
			values[to + 3]! += local[from + 7]!;
		}
		local.fill(0);
	}

	/** Into `w`: how the product of a 2 × 2 mode with the map of a face changes by each of its six coordinates. */
	#mode(i: number, m: readonly [number, number, number, number], w: Float64Array): void {
		for (let k = 0; k < 3; k++) {
			const [gx, gy] = [this.#hats[6 * i + 2 * k]!, this.#hats[6 * i + 2 * k + 1]!];
			w[2 * k] = m[0] * gx + m[1] * gy;
			w[2 * k + 1] = m[2] * gx + m[3] * gy;
		}
	}

	/** The system and the right side of one step. */
	#step(measure: Measure, stiffness: number): Float64Array {
		const system = this.#system;
		system.values.fill(0);
		const right = new Float64Array(2 * this.#points);
		const s = new Float64Array(4);
		const d: Derivatives = { value: 0, d1: 0, d2: 0, d11: 0, d12: 0, d22: 0 };
		const [w1, w2, w] = [new Float64Array(6), new Float64Array(6), new Float64Array(6)];
		for (let i = 0; i < this.#areas.length; i++) {
			this.#pulled(i, this.at, s);
			const [s1, s2] = [s[0]!, s[1]!];
			measureOf(measure, s1, s2, d);
			const weight = this.#areas[i]! / this.area;
			const [cu, su, cv, sv] = [Math.cos(s[2]!), Math.sin(s[2]!), Math.cos(s[3]!), Math.sin(s[3]!)];
			// U = R(u), Vᵀ = R(v): modes are U · M · Vᵀ.
			this.#mode(i, [cu * cv, -cu * sv, su * cv, -su * sv], w1);
			this.#mode(i, [-su * sv, -su * cv, cu * sv, cu * cv], w2);
			for (let k = 0; k < 6; k++) {
				const v = 2 * this.#faces[3 * i + (k >> 1)]! + (k & 1);
				right[v]! -= weight * (d.d1 * w1[k]! + d.d2 * w2[k]!);
			}
			// The two ways in which it is pulled, together.
			const [mean, half] = [(d.d11 + d.d22) / 2, Math.hypot((d.d11 - d.d22) / 2, d.d12)];
			const angle = Math.atan2(2 * d.d12, d.d11 - d.d22) / 2;
			for (const [value, c, z] of [
				[mean + half, Math.cos(angle), Math.sin(angle)],
				[mean - half, -Math.sin(angle), Math.cos(angle)]
			] as const) {
				if (value <= 0) continue;
				for (let k = 0; k < 6; k++) w[k] = c * w1[k]! + z * w2[k]!;
				this.#add(weight * value, w);
			}
			const twist = (d.d1 + d.d2) / (s1 + s2);
			const flip = s1 - s2 > 1e-7 ? (d.d1 - d.d2) / (s1 - s2) : d.d11 - d.d12;
			const R = Math.SQRT1_2;
			if (twist > 0) {
				// R(90°) between U and Vᵀ.
				const [c, z] = [-(su * cv + cu * sv) * R, (cu * cv - su * sv) * R];
				this.#mode(i, [c, -z, z, c], w);
				this.#add(weight * twist, w);
			}
			if (flip > 0) {
				const [c, z] = [(cu * sv - su * cv) * R, (cu * cv + su * sv) * R];
				this.#mode(i, [c, z, z, -c], w);
				this.#add(weight * flip, w);
			}
			this.#put(i);
		}
		for (const { from, to, long } of this.springs) {
			const [x, y] = [this.at[2 * to]! - this.at[2 * from]!, this.at[2 * to + 1]! - this.at[2 * from + 1]!];
			const now = Math.hypot(x, y);
			const k = (stiffness * long) / Math.sqrt(this.area);
			const force = (k * (now / long - 1)) / long;
			const [ux, uy] = [x / now, y / now];
			right[2 * from]! += force * ux;
			right[2 * from + 1]! += force * uy;
			right[2 * to]! -= force * ux;
			right[2 * to + 1]! -= force * uy;
			const along = k / long ** 2;
			const across = Math.max(0, force / now);
			const xx = along * ux * ux + across * uy * uy;
			const xy = (along - across) * ux * uy;
			const yy = along * uy * uy + across * ux * ux;
			const add = (p: number, q: number, sign: number) => {
				const { at } = system.place(p, q);
				[xx, xy, xy, yy].forEach((v, k) => (system.values[at + k]! += sign * v));
			};
			add(from, from, 1);
			add(to, to, 1);
			add(from, to, -1);
		}
		// What moves all together costs nothing: a hair holds it.
		this.#firm(1e-10);
		return right;
	}

	/** Adds a share of the heaviest value to all that stand on the diagonal. */
	#firm(share: number): void {
		const system = this.#system;
		const at = Array.from({ length: this.#points }, (_, p) => system.place(p, p).at);
		const heaviest = at.reduce((most, i) => Math.max(most, system.values[i]!, system.values[i + 3]!), 0);
		for (const i of at) {
			system.values[i]! += heaviest * share + 1e-300;
			system.values[i + 3]! += heaviest * share + 1e-300;
		}
	}

	/** How far along a way the first face would lie on a line, as a share of it. */
	#farthest(way: Float64Array): number {
		let most = Infinity;
		for (let i = 0; i < this.#areas.length; i++) {
			const [a, b, c] = [this.#faces[3 * i]!, this.#faces[3 * i + 1]!, this.#faces[3 * i + 2]!];
			const at = this.at;
			const [x1, y1] = [at[2 * b]! - at[2 * a]!, at[2 * b + 1]! - at[2 * a + 1]!];
			const [x2, y2] = [at[2 * c]! - at[2 * a]!, at[2 * c + 1]! - at[2 * a + 1]!];
			const [u1, v1] = [way[2 * b]! - way[2 * a]!, way[2 * b + 1]! - way[2 * a + 1]!];
			const [u2, v2] = [way[2 * c]! - way[2 * a]!, way[2 * c + 1]! - way[2 * a + 1]!];
			const [q2, q1, q0] = [u1 * v2 - u2 * v1, x1 * v2 + u1 * y2 - x2 * v1 - u2 * y1, x1 * y2 - x2 * y1];
			// The least root above 0 of q2 t² + q1 t + q0, by the form that does not cancel.
			const under = q1 * q1 - 4 * q2 * q0;
			if (under < 0) continue;
			const r = -(q1 + (q1 >= 0 ? 1 : -1) * Math.sqrt(under)) / 2;
			for (const t of [r / q2, q0 / r]) if (t > 0 && t < most) most = t;
		}
		return most;
	}

	/**
	 * Makes a measure of strain least, from where the points are, none of whose faces is turned over.
	 *
	 * @param still the least share of it that a step must gain for another one
	 * @param enough asked after every step; true ends it
	 * @returns the measure, as a mean over the area
	 */
	settle(
		measure: Measure,
		{
			steps = MOST_STEPS,
			stiffness = 0,
			still = 1e-6,
			enough
		}: { steps?: number; stiffness?: number; still?: number; enough?: () => boolean } = {}
	): number {
		let energy = this.#energy(measure, this.at, stiffness);
		for (let step = 0; step < steps; step++) {
			const right = this.#step(measure, stiffness);
			if (!this.#system.factorise()) return energy;
			const way = this.#system.solve(right);
			const drop = way.reduce((sum, v, i) => sum + v * right[i]!, 0);
			if (!(drop > 1e-12 * (Math.abs(energy) + 1e-9))) return energy;
			let t = Math.min(1, 0.9 * this.#farthest(way));
			const before = this.at;
			let moved = false;
			for (let tries = 0; tries < 30; tries++, t /= 2) {
				const there = before.map((v, i) => v + t * way[i]!);
				const then = this.#energy(measure, there, stiffness);
				if (then > energy - 1e-4 * t * drop) continue;
				const gained = energy - then;
				this.at = there;
				energy = then;
				moved = gained > still * Math.abs(energy);
				break;
			}
			if (!moved || enough?.()) return energy;
		}
		return energy;
	}

	/** Angles kept as well as they can be, two far points held (Lévy and others 2002); the area is that of the surface. */
	conformal(): void {
		const system = this.#system;
		system.values.fill(0);
		const w = new Float64Array(6);
		for (let i = 0; i < this.#areas.length; i++) {
			for (const m of [
				[1, 0, 0, -1],
				[0, 1, 1, 0]
			] as const) {
				this.#mode(i, m, w);
				this.#add(this.#areas[i]!, w);
			}
			this.#put(i);
		}
		const { vertices } = this.patch;
		const where = (p: number) => this.surface.vertices[vertices[p]!]!;
		const far = (from: number) => {
			let [best, most] = [0, -1];
			for (let p = 0; p < vertices.length; p++) {
				const [a, b] = [where(p), where(from)];
				const long = Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
				if (long > most) [best, most] = [p, long];
			}
			return [best, most] as const;
		};
		const [first] = far(0);
		const [second, apart] = far(first);
		const right = new Float64Array(2 * this.#points);
		for (const [p, x] of [
			[first, 0],
			[second, apart]
		] as const) {
			const { at } = system.place(p, p);
			system.values[at]! += 1e7;
			system.values[at + 3]! += 1e7;
			right[2 * p] = 1e7 * x;
		}
		if (!system.factorise()) return;
		this.at = system.solve(right);
		this.toSize();
	}

	/** The border on a circle, each point within in the middle of its neighbours: never folded (Tutte 1963, Floater 1997). */
	onCircle(): void {
		const { borders, vertices } = this.patch;
		const { surface } = this;
		const longest = borders.reduce((a, b) => (b.length > a.length ? b : a));
		// A hole is closed by a point in its middle.
		const holes = borders.filter((b) => b !== longest);
		const n = vertices.length + holes.length;
		const near: Set<number>[] = Array.from({ length: n }, () => new Set());
		const join = (a: number, b: number) => {
			near[a]!.add(b);
			near[b]!.add(a);
		};
		const f = this.#faces;
		for (let i = 0; i < f.length; i += 3) for (let k = 0; k < 3; k++) join(f[i + k]!, f[i + ((k + 1) % 3)]!);
		holes.forEach((hole, i) => hole.forEach((v) => join(v, vertices.length + i)));
		const neighbours = near.map((its) => [...its]);
		const where = new Float64Array(3 * n);
		vertices.forEach((v, i) => where.set(surface.vertices[v]!, 3 * i));
		holes.forEach((hole, i) => where.set(surface.vertices[vertices[hole[0]!]!]!, 3 * (vertices.length + i)));
		const system = new PointSystem(neighbours, dissected(where, 3, neighbours));
		const fixed = new Set(longest);
		const right = new Float64Array(2 * n);
		const lengths = longest.map((v, i) => {
			const b = longest[(i + 1) % longest.length]!;
			return Math.hypot(...[0, 1, 2].map((k) => where[3 * v + k]! - where[3 * b + k]!));
		});
		const round = lengths.reduce((a, b) => a + b, 0);
		const radius = Math.sqrt(this.area / Math.PI);
		let along = 0;
		longest.forEach((v, i) => {
			const angle = (2 * Math.PI * along) / round;
			right.set([radius * Math.cos(angle), radius * Math.sin(angle)], 2 * v);
			along += lengths[i]!;
		});
		const set = (a: number, b: number, value: number) => {
			const { at } = system.place(a, b);
			system.values[at] = system.values[at + 3] = value;
		};
		for (let a = 0; a < n; a++) {
			if (fixed.has(a)) {
				set(a, a, 1);
				continue;
			}
			set(a, a, neighbours[a]!.length);
			for (const b of neighbours[a]!)
				if (fixed.has(b)) {
					right[2 * a]! += right[2 * b]!;
					right[2 * a + 1]! += right[2 * b + 1]!;
				} else set(a, b, -1);
		}
		if (!system.factorise()) return;
		this.at = system
			.solve(right)
			.subarray(0, 2 * vertices.length)
			.slice();
	}

	/** How much more, by its logarithm, a map is scaled in one place than in another; the outermost hundredths do not count. */
	spread(): number {
		const each = this.#scales();
		each.sort((a, b) => a.scale - b.scale);
		const edge = this.area / 100;
		const reach = (list: typeof each) => {
			let sum = 0;
			return list.find(({ area }) => (sum += area) >= edge)!.scale;
		};
		return reach([...each].reverse()) - reach(each);
	}

	/** By how much each face is scaled, as a logarithm. */
	#scales(): { scale: number; area: number; face: number }[] {
		const s = new Float64Array(4);
		return Array.from(this.#areas, (area, face) => {
			this.#pulled(face, this.at, s);
			return { scale: Math.log(Math.max(1e-9, s[0]! * s[1]!)) / 2, area, face };
		});
	}

	/** The point within that is scaled farthest from the middle; null where all are on the border. */
	extreme(): number | null {
		const each = this.#scales();
		const mean = each.reduce((sum, { scale, area }) => sum + scale * area, 0) / this.area;
		const border = new Set(this.patch.borders.flat());
		let [best, most] = [null as number | null, 0];
		for (const { scale, face } of each)
			for (let k = 0; k < 3; k++) {
				const v = this.#faces[3 * face + k]!;
				if (!border.has(v) && Math.abs(scale - mean) > most) [best, most] = [v, Math.abs(scale - mean)];
			}
		return best;
	}

	/** The longer side of what it covers, mm. */
	wide(): number {
		const [x, y] = [0, 1].map((k) => this.at.filter((_, i) => i % 2 === k));
		const span = (list: Float64Array) =>
			list.reduce((a, b) => Math.max(a, b), -Infinity) - list.reduce((a, b) => Math.min(a, b), Infinity);
		return Math.max(span(x!), span(y!));
	}

	/** Scaled until it has the area of the surface. */
	toSize(): void {
		let sum = 0;
		const s = new Float64Array(4);
		for (let i = 0; i < this.#areas.length; i++) {
			this.#pulled(i, this.at, s);
			sum += s[0]! * Math.max(0, s[1]!) * this.#areas[i]!;
		}
		const factor = Math.sqrt(this.area / sum);
		if (Number.isFinite(factor)) this.at = this.at.map((v) => v * factor);
	}

	/** No strain above `limit`, if that can be, and borders as long as their springs say. */
	hold(limit: number, stiffness: number): void {
		const before = this.at;
		this.least(stiffness);
		if (this.strains().max <= limit) return;
		// The mean alone goes beyond it: from where it was, with the largest one held.
		this.at = before;
		this.settle({ kind: 'power', k: 32, q: 32, unit: limit }, { steps: 30, stiffness, still: 1e-5 });
	}

	/** Laid down without a fold: by its angles where that does not fold, else by a circle; then evened out. */
	begin(conformal = false): boolean {
		if (!conformal) this.conformal();
		if (!(this.strains().folded === 0)) {
			this.onCircle();
			this.toSize();
		}
		if (this.strains().folded) return false;
		this.settle({ kind: 'symmetric' }, { still: 0.01 });
		return true;
	}

	/** With the least mean square of the larger strain of each face. */
	least(stiffness = 0): void {
		this.settle({ kind: 'power', k: 2, q: 6, unit: 1 }, { stiffness, still: 1e-5 });
	}

	/** With the largest strain as small as it gets, or not above `limit`. */
	press(limit = 0, stiffness = 0): void {
		const enough = () => this.strains().max <= limit;
		for (const k of [4, 8, 16, 32]) {
			const unit = this.strains().max;
			if (unit <= limit || unit < 1e-9) return;
			const least = this.settle(
				{ kind: 'power', k, q: k, unit },
				{ steps: 25, stiffness, still: 1e-3, enough }
			);
			// No map has a largest strain below the least mean of its powers.
			if (limit > 0 && unit * (least / 2) ** (1 / k) > limit) return;
		}
	}
}
