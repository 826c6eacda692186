import type { BodyPoint } from '../../facts/panelPlan.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { type Limb, type LimbName, profile, type Stand, through } from '../stand/form.ts';

/** The surface of one limb, moved out, as panels are drawn on it. */
export interface LimbSkin {
	limb: Limb;
	/** Mean half width, mm: how long a radian of turn is, about. */
	round: number;
	/** Where a point of the body lies. */
	at: (point: BodyPoint) => Point3;
	/** Along the axis, mm. */
	along: (level: number) => number;
	/** The body point that a place on the surface, or near it, has. */
	pointAt: (place: Point3) => BodyPoint;
	levels: number;
	/** It is the right one of two: seen as the left one in a mirror. */
	mirrored: boolean;
}

/**
 * On the limb of a form that panels of a component are drawn on: of a pair the side that is stouter.
 *
 * @param outBy how far out, mm: everywhere, or at each level and smoothly between
 */
export function skinOf(
	stand: Stand,
	name: LimbName,
	side: 'left' | 'right' | null,
	outBy: number | ((level: number) => number)
): LimbSkin {
	const stout = (l: Limb) => l.sections.reduce((sum, s) => sum + s.girth, 0);
	const limb = stand.limbs
		.filter((l) => l.name === name && (side === null || l.side === 'none' || l.side === side))
		.reduce((a, b) => (stout(b) > stout(a) ? b : a));
	/** A right limb is the left one in a mirror, so that 0 is outside on both. */
	const mirror = limb.side === 'right' ? -1 : 1;
	const wide = profile(limb, 'wide');
	const deep = profile(limb, 'deep');
	const along = limb.sections.map((s) => s.along);
	const last = along.length - 1;
	const outs = along.map((_, i) => (typeof outBy === 'number' ? outBy : outBy(i)));
	const outAt = through(along, outs);
	const first = outs[0]!;
	/** Along the axis, and how far out of it; beyond the first and last section the limb closes as half an ellipsoid. */
	const axial = (level: number): { along: number; share: number } => {
		if (level < 0) {
			const angle = (Math.min(-level, 1) * Math.PI) / 2;
			return { along: along[0]! - (limb.ends[0] + first) * Math.sin(angle), share: Math.cos(angle) };
		}
		if (level >= last) return { along: along[last]!, share: 1 };
		const i = Math.floor(level);
		return { along: along[i]! + (along[i + 1]! - along[i]!) * (level - i), share: 1 };
	};
	const at = ({ level, turn }: BodyPoint): Point3 => {
		const { along: a, share } = axial(level);
		const angle = (turn * Math.PI) / 180;
		const out = outAt(a);
		const across = mirror * share * (wide(a) + out) * Math.cos(angle);
		// What rests on the ground stands on its sections.
		const forward = share * (deep(a) + out) * Math.sin(angle) + (limb.rests ? deep(a) : 0);
		const place = (i: 0 | 1 | 2) =>
			limb.begins[i] + limb.axis[i] * a + limb.across[i] * across + limb.forward[i] * forward;
		return [place(0), place(1), place(2)];
	};
	const pointAt = (place: Point3): BodyPoint => {
		const off = place.map((v, i) => v - limb.begins[i]!) as [number, number, number];
		const dot = (v: Point3) => off[0] * v[0] + off[1] * v[1] + off[2] * v[2];
		const a = dot(limb.axis);
		const out = outAt(a);
		const turn = Math.atan2(
			(dot(limb.forward) - (limb.rests ? deep(a) : 0)) / (deep(a) + out),
			(mirror * dot(limb.across)) / (wide(a) + out)
		);
		const degrees = ((turn * 180) / Math.PI + 360) % 360;
		if (a < along[0]!)
			return {
				level: -Math.asin(Math.min(1, (along[0]! - a) / (limb.ends[0] + first))) / (Math.PI / 2),
				turn: degrees
			};
		const i = Math.max(
			0,
			along.findLastIndex((v) => v <= a)
		);
		const level = i >= last ? last : i + (a - along[i]!) / (along[i + 1]! - along[i]!);
		return { level, turn: degrees };
	};
	const mean =
		limb.sections.reduce((sum, s, i) => sum + (s.wide + s.deep) / 2 + outs[i]!, 0) / limb.sections.length;
	return {
		limb,
		round: mean,
		at,
		along: (level) => axial(level).along,
		pointAt,
		levels: along.length,
		mirrored: mirror < 0
	};
}

/** Where a point of the body lies when the limb is unrolled at its mean half width, up the sheet as up the limb, mm. */
export const unrolled = (skin: LimbSkin, { level, turn }: BodyPoint): Point => [
	(skin.round * turn * Math.PI) / 180,
	-skin.along(level)
];

/** So many points of an edge between two corners: evenly by level and turn, or along the shortest way on the surface. */
export function edgePoints(
	skin: LimbSkin,
	a: BodyPoint,
	b: BodyPoint,
	runs: 'shortest' | 'even',
	every: number
): BodyPoint[] {
	// The same points from either end: two panels share an edge.
	const turned = a.level > b.level || (a.level === b.level && a.turn > b.turn);
	const [from, to] = turned ? [b, a] : [a, b];
	const even = (n: number): BodyPoint[] =>
		Array.from({ length: n + 1 }, (_, i) => ({
			level: from.level + ((to.level - from.level) * i) / n,
			turn: from.turn + ((to.turn - from.turn) * i) / n
		}));
	const long = (points: readonly BodyPoint[]) =>
		points.slice(1).reduce((sum, p, i) => sum + apart(skin.at(points[i]!), skin.at(p)), 0);
	const n = Math.max(1, Math.ceil(long(even(16)) / every));
	const points = runs === 'even' || n < 2 ? even(n) : shortest(skin, even(n));
	return turned ? points.reverse() : points;
}

const apart = (p: Point3, q: Point3) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
/** Steps by which a path is drawn tight. */
const TIGHTER = 400;

/** The same number of points drawn tight on the surface: each goes to the middle of its neighbours, as near as it can on the surface. */
function shortest(skin: LimbSkin, path: BodyPoint[]): BodyPoint[] {
	const points = path.map((p) => ({ ...p }));
	const [dl, dt] = [1e-3, 1e-2];
	for (let step = 0; step < TIGHTER; step++) {
		let moved = 0;
		for (let i = 1; i + 1 < points.length; i++) {
			const p = points[i]!;
			const here = skin.at(p);
			const [before, after] = [skin.at(points[i - 1]!), skin.at(points[i + 1]!)];
			const want = here.map((v, k) => (before[k]! + after[k]!) / 2 - v);
			const l = skin.at({ ...p, level: p.level + dl }).map((v, k) => (v - here[k]!) / dl);
			const t = skin.at({ ...p, turn: p.turn + dt }).map((v, k) => (v - here[k]!) / dt);
			const dot = (u: number[], v: number[]) => u.reduce((sum, x, k) => sum + x * v[k]!, 0);
			const [ll, lt, tt, wl, wt] = [dot(l, l), dot(l, t), dot(t, t), dot(want, l), dot(want, t)];
			const over = ll * tt - lt * lt;
			if (!(over > 1e-12)) continue;
			const [u, v] = [(wl * tt - wt * lt) / over, (wt * ll - wl * lt) / over];
			p.level += u;
			p.turn += v;
			moved = Math.max(moved, Math.hypot(...want));
		}
		if (moved < 1e-4) break;
	}
	return points;
}
