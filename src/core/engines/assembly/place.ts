import type { Placement } from '../../facts/placement.ts';
import { cross, dot, norm, plus, sub, times, unit, type Vec } from '../../units/vec.ts';
import type { Point3 } from '../../units/point.ts';
import { skinOf } from '../panels/surface.ts';
import { type AssembledForm, type FormMesh, mapped, turnedOver } from '../pattern/form.ts';
import { ovalRound } from '../pattern/oval.ts';
import { profile, type Stand } from '../stand/form.ts';

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** A vector turned about an axis of length 1 (Rodrigues). */
function turned(v: Vec, axis: Vec, angle: number): Vec {
	const [c, s] = [Math.cos(angle), Math.sin(angle)];
	return plus(plus(times(v, c), times(cross(axis, v), s)), times(axis, dot(axis, v) * (1 - c)));
}

/** A shape as it stands on the wearer, mm. @param side of the wearer; on the trunk the right one is the left one in a mirror */
export function placed(
	{ mesh, at, bends }: AssembledForm,
	stand: Stand,
	where: Placement,
	side: 'left' | 'right'
): FormMesh {
	const skin = skinOf(stand, where.limb, side, 0);
	const { limb } = skin;
	const hand = skin.mirrored ? -1 : 1;
	const up = times(limb.axis, -1);
	const section = (turn: number, wide = 1, deep = 1): Vec =>
		plus(
			times(limb.across, hand * wide * Math.cos(radians(turn))),
			times(limb.forward, deep * Math.sin(radians(turn)))
		);
	const half = { wide: profile(limb, 'wide'), deep: profile(limb, 'deep') };
	const along = skin.along(where.level);
	const centre = (a: number): Vec =>
		plus(plus(limb.begins, times(limb.axis, a)), times(limb.forward, limb.rests ? half.deep(a) : 0));

	let [z, y, origin]: [Vec, Vec, Vec] = [up, times(section(where.turn), -1), centre(along)];
	if (where.way === 'round') origin = plus(origin, times(section(where.turn), where.out));
	else {
		const point = { level: where.level, turn: where.turn };
		// At the very end all turns meet: there a little before it.
		const near = { ...point, level: Math.max(point.level, -0.999) };
		const byLevel = sub(skin.at({ ...near, level: near.level + 1e-3 }), skin.at(near));
		const byTurn = sub(skin.at({ ...near, turn: near.turn + 0.05 }), skin.at(near));
		const normal = unit(cross(byTurn, byLevel));
		z = dot(normal, sub(skin.at(near), centre(Math.max(along, 0)))) < 0 ? times(normal, -1) : normal;
		const rest = sub(up, times(z, dot(up, z)));
		y = unit(norm(rest) > 0.05 ? rest : sub(section(270), times(z, dot(section(270), z))));
		origin = plus(skin.at(point), times(z, where.out));
	}
	const x = times(cross(y, z), hand);
	const [tip, spin] = [radians(where.tip) * hand, radians(where.spin) * hand];
	const tipped = (v: Vec): Vec => turned(turned(v, x, tip), z, spin);
	const straight = ([px, py, pz]: Point3): Vec => plus(plus(times(x, px), times(y, py)), times(z, pz - at));
	/** Round an oval of half a width of 1, by its depth: levels have the same one all round. */
	const ovals = new Map<number, number>();
	const ovalOf = (ratio: number) => ovals.get(ratio) ?? ovals.set(ratio, ovalRound(ratio)).get(ratio)!;
	/** Round the limb with the same girth, as wide by deep as it is there. */
	const bent = ([px, py, pz]: Point3): Vec => {
		const a = along - (pz - at);
		const ratio = half.deep(a) / half.wide(a);
		const wide = (2 * Math.PI * Math.hypot(px, py)) / ovalOf(ratio);
		const turn = where.turn - 90 - (Math.atan2(py, px) * 180) / Math.PI;
		return plus(section(turn, wide, wide * ratio), times(up, pz - at));
	};
	const to = bends && where.way === 'round' ? bent : straight;
	const done = mapped(mesh, (p) => [...plus(origin, tipped(to(p)))] as Point3);
	const inMirror = where.limb === 'trunk' && side === 'right';
	const shown = inMirror ? mapped(done, ([px, py, pz]) => [-px, py, pz]) : done;
	return skin.mirrored || inMirror ? turnedOver(shown) : shown;
}
