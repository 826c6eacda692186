import cdt2d from 'cdt2d';
import type { BodyPoint, Panel, PanelPlan } from '../../facts/panelPlan.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import type { Point } from '../../units/point.ts';
import type { Vec } from '../../units/vec.ts';
import { endOf, nextOf, startOf, type Surface, surfaceOf } from '../flatten/patch.ts';
import { edgePoints, type LimbSkin, unrolled } from './surface.ts';

/** Faces are about so large, mm along an edge. */
const EVERY = 30;

export interface PanelMesh {
	surface: Surface;
	/** Both halves of every edge where panels meet and where darts are. */
	cut: Uint8Array<ArrayBuffer>;
	/** The panel of each face. */
	panelOf: number[];
	/** Where each of its points lies on the body. */
	points: BodyPoint[];
}

const crosses = (a: Point, b: Point, c: Point, d: Point): boolean => {
	const turn = (p: Point, q: Point, r: Point) =>
		(q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
	return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
};
export const within = ([x, y]: Point, ring: readonly Point[]): boolean => {
	let inside = false;
	ring.forEach(([x1, y1], i) => {
		const [x2, y2] = ring[(i + 1) % ring.length]!;
		if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) inside = !inside;
	});
	return inside;
};

/** The points along each side of a panel, both of its corners included. */
export const sidesOf = (skin: LimbSkin, { points }: Panel, every = EVERY): BodyPoint[][] =>
	points.map(({ level, turn, runs }, i) => {
		const next = points[(i + 1) % points.length]!;
		return edgePoints(skin, { level, turn }, { level: next.level, turn: next.turn }, runs, every);
	});

/**
 * Panels of a plan as one surface of triangles: panels that share an edge share its points, so that both sides of their seam come from
 * the same line on the body.
 */
export function panelMesh(skin: LimbSkin, plan: PanelPlan, every = EVERY): Parsed<PanelMesh> {
	const vertices: Vec[] = [];
	const points: BodyPoint[] = [];
	const known = new Map<string, number>();
	const faces: [number, number, number][] = [];
	const panelOf: number[] = [];
	/** The turn of each corner as its panel has it: where a panel goes all the way round, one line has two. */
	const turns: number[] = [];
	const levels: number[] = [];
	const open = new Set<string>();
	/** Edges of panels that are eased in, by panel and points. */
	const eased = new Map<string, number>();
	const idOf = (p: BodyPoint): number => {
		const turn = ((p.turn % 360) + 360) % 360;
		const key = `${p.level.toFixed(6)} ${(turn > 359.999999 ? 0 : turn).toFixed(5)}`;
		const at = known.get(key);
		if (at !== undefined) return at;
		known.set(key, vertices.length);
		points.push(p);
		return vertices.push(skin.at(p)) - 1;
	};
	const flatOf = (p: BodyPoint) => unrolled(skin, p);

	for (const [index, panel] of plan.panels.entries()) {
		const sides = sidesOf(skin, panel, every);
		const ring: BodyPoint[] = sides.flatMap((side) => side.slice(0, -1));
		const path = ['panels', index];
		if (ring.some((p) => p.level > skin.levels - 1 + 1e-9))
			return bad('panelOff', { name: panel.name }, path);
		const flat = drawnIn(sides.map((side) => side.map(flatOf)));
		for (let i = 0; i < flat.length; i++)
			for (let k = i + 2; k < flat.length; k++)
				if (
					(i !== 0 || k !== flat.length - 1) &&
					crosses(flat[i]!, flat[i + 1]!, flat[k]!, flat[(k + 1) % flat.length]!)
				)
					return bad('panelCrosses', { name: panel.name }, path);
		const all: BodyPoint[] = [...ring];
		const at: Point[] = [...flat];
		const lines: [number, number][] = ring.map((_, i) => [i, (i + 1) % ring.length]);
		for (const dart of plan.darts.filter((d) => d.panel === index)) {
			const way = edgePoints(skin, dart.from, dart.tip, 'even', every);
			if (!within(flatOf(dart.tip), flat)) return bad('dartOutside', { name: panel.name }, path);
			// It begins at the point of the border that is nearest.
			const [x, y] = flatOf(dart.from);
			let before = flat.reduce(
				(best, p, i) =>
					Math.hypot(p[0] - x, p[1] - y) < Math.hypot(flat[best]![0] - x, flat[best]![1] - y) ? i : best,
				0
			);
			const begin = ring[before]!;
			const steps = way.length - 1;
			for (let i = 1; i <= steps; i++) {
				const share = i / steps;
				const p = {
					level: begin.level + (dart.tip.level - begin.level) * share,
					turn: begin.turn + (dart.tip.turn - begin.turn) * share
				};
				all.push(p);
				at.push(flatOf(p));
				lines.push([before, all.length - 1]);
				const [a, b] = [idOf(all[before]!), idOf(p)];
				open.add(`${a} ${b}`).add(`${b} ${a}`);
				before = all.length - 1;
			}
		}
		// Within, rows of triangles with equal sides, none too near to a line.
		const [xs, ys] = [at.map((p) => p[0]), at.map((p) => p[1])];
		const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
		const row = (every * Math.sqrt(3)) / 2;
		const lined = at.slice();
		for (let j = 0, y = low + row; y < high; y += row, j++)
			for (let x = left + (j % 2 ? every / 2 : 0); x < right; x += every) {
				if (!within([x, y], flat)) continue;
				if (lined.some((p) => Math.hypot(p[0] - x, p[1] - y) < every * 0.6)) continue;
				at.push([x, y]);
				all.push({ turn: (x / skin.round) * (180 / Math.PI), level: levelAt(skin, -y) });
			}
		const triangles = cdt2d(at, lines);
		const ids = all.map(idOf);
		sides
			.flatMap((side, i) => side.slice(0, -1).map(() => panel.points[i]!.eases ?? 0))
			.forEach((share, i) => {
				const [a, b] = [ids[i]!, ids[(i + 1) % ring.length]!];
				if (share) eased.set(`${index} ${a} ${b}`, share).set(`${index} ${b} ${a}`, share);
			});
		let added = 0;
		for (const its of triangles) {
			const corners3 = its.map((i) => at[i]!) as [Point, Point, Point];
			const middle: Point = [
				(corners3[0][0] + corners3[1][0] + corners3[2][0]) / 3,
				(corners3[0][1] + corners3[1][1] + corners3[2][1]) / 3
			];
			if (!within(middle, flat)) continue;
			const [a, b, c] = its.map((i) => ids[i]!) as [number, number, number];
			if (a === b || b === c || c === a) continue;
			// Counter-clockwise seen from without: turns run to the left there, and the other way on a limb in the mirror.
			const turned = turnOf(corners3) > 0 !== skin.mirrored;
			faces.push(turned ? [a, c, b] : [a, b, c]);
			const own = its.map((i) => all[i]!.turn) as [number, number, number];
			const high = its.map((i) => all[i]!.level) as [number, number, number];
			turns.push(...(turned ? [own[0], own[2], own[1]] : own));
			levels.push(...(turned ? [high[0], high[2], high[1]] : high));
			panelOf.push(index);
			added++;
		}
		if (added === 0) return bad('panelEmpty', { name: panel.name }, path);
	}
	const surface: Surface & { lengths: Float64Array } = {
		...surfaceOf(vertices, faces),
		lengths: new Float64Array(faces.length * 3)
	};
	for (let h = 0; h < surface.lengths.length; h++) {
		const at = (half: number): BodyPoint => ({ level: levels[half]!, turn: turns[half]! });
		surface.lengths[h] = curvedLength(skin, at(h), at(nextOf(h)));
	}
	if (eased.size)
		surface.eased = Float64Array.from(
			surface.lengths,
			(_, h) => eased.get(`${panelOf[Math.floor(h / 3)]} ${startOf(surface, h)} ${endOf(surface, h)}`) ?? 0
		);
	const cut = new Uint8Array(faces.length * 3);
	for (let h = 0; h < cut.length; h++) {
		const g = surface.twin[h]!;
		if (g < 0) continue;
		const [f, e] = [Math.floor(h / 3), Math.floor(g / 3)];
		const rim = panelOf[f] !== panelOf[e] || Math.abs(turns[h]! - turns[nextOf(g)]!) > 180;
		if (rim || open.has(`${startOf(surface, h)} ${endOf(surface, h)}`)) cut[h] = 1;
	}
	for (let h = 0; h < cut.length; h++) if (cut[h]) cut[surface.twin[h]!] = 1;
	return good({ surface, cut, panelOf, points });
}

/** How long the surface is between two of its points: from one straight piece and from two, to the fourth order (Richardson 1911). */
function curvedLength(skin: LimbSkin, a: BodyPoint, b: BodyPoint): number {
	const middle = skin.at({ level: (a.level + b.level) / 2, turn: (a.turn + b.turn) / 2 });
	const [p, q] = [skin.at(a), skin.at(b)];
	const long = (u: Vec, v: Vec) => Math.hypot(u[0] - v[0], u[1] - v[1], u[2] - v[2]);
	return (4 * (long(p, middle) + long(middle, q)) - long(p, q)) / 3;
}

function levelAt(skin: LimbSkin, along: number): number {
	let [low, high] = [-1, skin.levels - 1];
	for (let i = 0; i < 50; i++) {
		const middle = (low + high) / 2;
		if (skin.along(middle) < along) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/**
 * Points of a closed row of sides, each side a hair inwards between its ends: points on one line would make triangles with nothing
 * between them.
 */
function drawnIn(sides: readonly (readonly Point[])[]): Point[] {
	const HAIR = 0.05;
	const round = sides.flatMap((side) => side.slice(0, -1));
	const area = round.reduce((sum, [x, y], i) => {
		const [u, v] = round[(i + 1) % round.length]!;
		return sum + x * v - u * y;
	}, 0);
	return sides.flatMap((side) => {
		const [[x1, y1], [x2, y2]] = [side[0]!, side.at(-1)!];
		const long = Math.hypot(x2 - x1, y2 - y1) || 1;
		const inwards = (Math.sign(area) * HAIR) / long;
		return side.slice(0, -1).map(([x, y], i): Point => {
			const share = i / (side.length - 1);
			const by = 4 * share * (1 - share) * inwards;
			return [x - by * (y2 - y1), y + by * (x2 - x1)];
		});
	});
}

const turnOf = ([a, b, c]: readonly [Point, Point, Point]): number =>
	(b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
