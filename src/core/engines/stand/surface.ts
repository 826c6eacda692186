import type { Point3 } from '../../units/point.ts';
import { type Limb, profile, ROUND, type Stand } from './form.ts';

/** A closed surface of triangles, counter-clockwise seen from without. mm. */
export interface StandSurface {
	vertices: Point3[];
	faces: [number, number, number][];
}

/** The surface of a limb, and the section that each face lies nearest to. */
export interface LimbSurface extends StandSurface {
	nearest: number[];
}

/** Least rings between two sections, and of an end. */
const BETWEEN_SECTIONS = 8;
const END = 8;

/** Where on a limb: so far along its axis, and turned so far from its left towards its front, radians; `share` of the way out. */
export function limbPoint(
	limb: Limb,
	out: { wide: (along: number) => number; deep: (along: number) => number },
	along: number,
	turn: number,
	share = 1
): Point3 {
	const { begins, axis, across, forward, rests } = limb;
	const [wide, deep] = [out.wide(along), out.deep(along)];
	const [a, f] = [share * wide * Math.cos(turn), share * deep * Math.sin(turn) + (rests ? deep : 0)];
	const at = (i: 0 | 1 | 2) => begins[i] + axis[i] * along + across[i] * a + forward[i] * f;
	return [at(0), at(1), at(2)];
}

/** The surface of one limb, closed at both of its ends. @param coarse so many times fewer points round and along: to be drawn */
export function limbSurface(limb: Limb, coarse: 1 | 2 = 1): LimbSurface {
	const around = ROUND / coarse;
	const steps = BETWEEN_SECTIONS / coarse;
	const endRings = END / coarse;
	const out = { wide: profile(limb, 'wide'), deep: profile(limb, 'deep') };
	const first = limb.sections[0]!.along;
	const last = limb.sections.at(-1)!.along;
	const [before, beyond] = limb.ends;
	/** Rings that close an end as half an ellipsoid does, from its section outwards, without the point. */
	const end = (long: number) =>
		Array.from({ length: endRings - 1 }, (_, i) => {
			const angle = (Math.PI / 2) * ((i + 1) / endRings);
			return { off: long * Math.sin(angle), share: Math.cos(angle) };
		});
	const rings = [
		...end(before)
			.reverse()
			.map(({ off, share }) => ({ along: first - off, share, near: 0 })),
		...limb.sections.slice(0, -1).flatMap((s, i) => {
			const step = (limb.sections[i + 1]!.along - s.along) / steps;
			return Array.from({ length: steps }, (_, k) => ({
				along: s.along + step * k,
				share: 1,
				near: 2 * k < steps ? i : i + 1
			}));
		}),
		{ along: last, share: 1, near: limb.sections.length - 1 },
		...end(beyond).map(({ off, share }) => ({ along: last + off, share, near: limb.sections.length - 1 }))
	];
	const vertices: Point3[] = [limbPoint(limb, out, first - before, 0, 0)];
	for (const { along, share } of rings)
		for (let i = 0; i < around; i++)
			vertices.push(limbPoint(limb, out, along, (2 * Math.PI * i) / around, share));
	vertices.push(limbPoint(limb, out, last + beyond, 0, 0));
	const at = (ring: number, i: number) => 1 + ring * around + (i % around);
	const tip = vertices.length - 1;
	const faces: StandSurface['faces'] = [];
	const nearest: number[] = [];
	for (let i = 0; i < around; i++) {
		faces.push([0, at(0, i + 1), at(0, i)]);
		nearest.push(0);
		for (let ring = 0; ring + 1 < rings.length; ring++)
			faces.push(
				[at(ring, i), at(ring, i + 1), at(ring + 1, i + 1)],
				[at(ring, i), at(ring + 1, i + 1), at(ring + 1, i)]
			);
		nearest.push(...rings.slice(1).flatMap(({ near }) => [near, near]), limb.sections.length - 1);
		faces.push([at(rings.length - 1, i), at(rings.length - 1, i + 1), tip]);
	}
	return { vertices, faces, nearest };
}

/** All limbs together: each is closed, and those that meet lie in each other. @param coarse as of a limb */
export function standSurface({ limbs }: Stand, coarse: 1 | 2 = 1): StandSurface {
	const all: StandSurface = { vertices: [], faces: [] };
	for (const limb of limbs) {
		const { vertices, faces } = limbSurface(limb, coarse);
		const from = all.vertices.length;
		all.vertices.push(...vertices);
		all.faces.push(...faces.map(([a, b, c]): [number, number, number] => [a + from, b + from, c + from]));
	}
	return all;
}
