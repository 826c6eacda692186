/**
 * Boxes laid into bins, each into the free room that it leaves least of: maximal rectangles, best short side or lowest place
 * (J. Jylänki, A Thousand Ways to Pack the Bin, 2010). Good for rectangles, and a first whole layout for anything.
 */

export interface BoxWays {
	/** Width and height of each way it may lie. */
	ways: readonly (readonly [number, number])[];
	area: number;
}
export interface BoxBin {
	width: number;
	/** Infinity for a roll. */
	height: number;
}
export interface BoxPlace {
	bin: number;
	way: number;
	x: number;
	y: number;
}

interface Room {
	x: number;
	y: number;
	w: number;
	h: number;
}
type Rule = 'shortSide' | 'low' | 'touching';
const EPS = 1e-6;

const ORDERS: readonly ((a: BoxWays) => number)[] = [
	(a) => a.ways[0]![0] * a.ways[0]![1],
	(a) => Math.max(...a.ways[0]!),
	(a) => a.ways[0]![0] + a.ways[0]![1],
	(a) => a.ways[0]![1],
	(a) => a.ways[0]![0],
	(a) => Math.min(...a.ways[0]!)
];
const RULES: readonly Rule[] = ['shortSide', 'low', 'touching'];

class RoomBin {
	rooms: Room[];
	laid: Room[] = [];
	constructor(readonly bin: BoxBin) {
		this.rooms = [{ x: 0, y: 0, w: bin.width, h: bin.height }];
	}
	score(w: number, h: number, r: Room, rule: Rule): [number, number] {
		const short = Math.min(r.w - w, r.h - h);
		if (rule === 'low') return [r.y + h, r.x];
		if (rule === 'shortSide') return [short, Math.max(r.w - w, r.h - h)];
		let touch = 0;
		if (r.x < EPS || Math.abs(r.x + w - this.bin.width) < EPS) touch += h;
		if (r.y < EPS || Math.abs(r.y + h - this.bin.height) < EPS) touch += w;
		for (const l of this.laid) {
			const across = Math.min(r.x + w, l.x + l.w) - Math.max(r.x, l.x);
			const up = Math.min(r.y + h, l.y + l.h) - Math.max(r.y, l.y);
			if (Math.abs(l.x - r.x - w) < EPS || Math.abs(l.x + l.w - r.x) < EPS) touch += Math.max(0, up);
			if (Math.abs(l.y - r.y - h) < EPS || Math.abs(l.y + l.h - r.y) < EPS) touch += Math.max(0, across);
		}
		return [-touch, r.y + h];
	}
	find(box: BoxWays, rule: Rule): { score: [number, number]; way: number; x: number; y: number } | null {
		let best: { score: [number, number]; way: number; x: number; y: number } | null = null;
		box.ways.forEach(([w, h], way) => {
			for (const r of this.rooms) {
				if (w > r.w + EPS || h > r.h + EPS) continue;
				const score = this.score(w, h, r, rule);
				if (!best || score[0] < best.score[0] || (score[0] === best.score[0] && score[1] < best.score[1]))
					best = { score, way, x: r.x, y: r.y };
			}
		});
		return best;
	}
	take(x: number, y: number, w: number, h: number) {
		this.laid.push({ x, y, w, h });
		const rooms: Room[] = [];
		for (const r of this.rooms) {
			if (x >= r.x + r.w - EPS || x + w <= r.x + EPS || y >= r.y + r.h - EPS || y + h <= r.y + EPS) {
				rooms.push(r);
				continue;
			}
			if (x > r.x + EPS) rooms.push({ x: r.x, y: r.y, w: x - r.x, h: r.h });
			if (x + w < r.x + r.w - EPS) rooms.push({ x: x + w, y: r.y, w: r.x + r.w - x - w, h: r.h });
			if (y > r.y + EPS) rooms.push({ x: r.x, y: r.y, w: r.w, h: y - r.y });
			if (y + h < r.y + r.h - EPS) rooms.push({ x: r.x, y: y + h, w: r.w, h: r.y + r.h - y - h });
		}
		this.rooms = rooms.filter(
			(a, i) =>
				!rooms.some(
					(b, j) =>
						i !== j &&
						a.x >= b.x - EPS &&
						a.y >= b.y - EPS &&
						a.x + a.w <= b.x + b.w + EPS &&
						a.y + a.h <= b.y + b.h + EPS &&
						(j < i || a.w * a.h < b.w * b.h - EPS || a.w !== b.w || a.h !== b.h)
				)
		);
	}
}

function once(
	boxes: readonly BoxWays[],
	order: readonly number[],
	given: readonly BoxBin[],
	more: BoxBin | null,
	rule: Rule
): (BoxPlace | null)[] {
	const bins = given.map((b) => new RoomBin(b));
	const places: (BoxPlace | null)[] = boxes.map(() => null);
	for (const i of order) {
		const box = boxes[i]!;
		let bin = -1;
		let found: ReturnType<RoomBin['find']> = null;
		for (let b = 0; b < bins.length && !found; b++) {
			found = bins[b]!.find(box, rule);
			bin = b;
		}
		if (!found && more) {
			const its = new RoomBin(more);
			found = its.find(box, rule);
			if (found) {
				bins.push(its);
				bin = bins.length - 1;
			}
		}
		if (!found) continue;
		const [w, h] = box.ways[found.way]!;
		bins[bin]!.take(found.x, found.y, w, h);
		places[i] = { bin, way: found.way, x: found.x, y: found.y };
	}
	return places;
}

/** Of a layout: boxes left out, bins, and how high it reaches in the last one. Less is better, in this order. */
function cost(boxes: readonly BoxWays[], places: readonly (BoxPlace | null)[]): [number, number, number] {
	let [out, last, high] = [0, -1, 0];
	for (const [i, p] of places.entries()) {
		if (!p) {
			out += boxes[i]!.area;
			continue;
		}
		const top = p.y + boxes[i]!.ways[p.way]![1];
		if (p.bin > last) [last, high] = [p.bin, top];
		else if (p.bin === last) high = Math.max(high, top);
	}
	return [out, last, high];
}
const less = (a: readonly number[], b: readonly number[]): boolean => {
	for (const [k, v] of a.entries()) if (Math.abs(v - b[k]!) > 1e-9) return v < b[k]!;
	return false;
};

/**
 * The best of several orders and rules.
 * @param given bins that are there, in the order in which they are filled
 * @param more as many more of this as are needed; null for none
 * @param over whether to stop at the best so far
 * @returns for each box where it lies, lower left corner; null when there is no room for it
 */
export function layBoxes(
	boxes: readonly BoxWays[],
	given: readonly BoxBin[],
	more: BoxBin | null,
	over: () => boolean = () => false
): (BoxPlace | null)[] {
	let best: (BoxPlace | null)[] | null = null;
	let least: [number, number, number] = [Infinity, Infinity, Infinity];
	for (const rule of RULES)
		for (const by of ORDERS) {
			if (best && (over() || (boxes.length > MANY && rule !== 'low'))) break;
			const order = boxes.map((_, i) => i).sort((a, b) => by(boxes[b]!) - by(boxes[a]!) || a - b);
			const places = once(boxes, order, given, more, rule);
			const its = cost(boxes, places);
			if (less(its, least)) [best, least] = [places, its];
		}
	return best ?? boxes.map(() => null);
}
/** So many boxes are laid by the quickest rule only. */
const MANY = 400;
