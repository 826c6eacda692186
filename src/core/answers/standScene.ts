import type { Point3 } from '../units/point.ts';
import { type Limb, profile, ROUND, type Stand } from '../engines/stand/form.ts';
import { limbPoint, limbSurface } from '../engines/stand/surface.ts';
import type { StandLevelShown } from './stand.ts';

export interface StandMesh {
	vertices: Point3[];
	faces: [number, number, number][];
	look: 'cloth' | 'guessed';
}
export interface StandLine {
	points: Point3[];
	strong: boolean;
}

/** Between two forms that stand beside each other, mm. */
const BESIDE = 750;
/** Lines stand out from the surface by so much, mm. */
const OUT = 1.5;

/** The closed line round a limb at a section, a little out from the surface. */
function ringOf(limb: Limb, along: number): Point3[] {
	const profiles = { wide: profile(limb, 'wide'), deep: profile(limb, 'deep') };
	const out = {
		wide: (a: number) => profiles.wide(a) + OUT,
		deep: (a: number) => profiles.deep(a) + OUT
	};
	return Array.from({ length: ROUND + 1 }, (_, i) => limbPoint(limb, out, along, (2 * Math.PI * i) / ROUND));
}

const moved = <P extends readonly [number, number, number]>(points: readonly P[], by: number): Point3[] =>
	points.map(([x, y, z]) => [x + by, y, z]);

/** A form, and another one beside it, as what is drawn: what is guessed apart from what is measured, a line at each measured level. @param chosen the level that stands out */
export function sceneOf(
	stand: Stand,
	beside: Stand | null,
	chosen: Pick<StandLevelShown, 'limb' | 'section'> | null
): { meshes: StandMesh[]; lines: StandLine[] } {
	const meshes: StandMesh[] = [];
	const lines: StandLine[] = [];
	const add = (its: Stand, by: number) =>
		its.limbs.forEach((limb, l) => {
			const { vertices, faces, nearest } = limbSurface(limb, 2);
			const at = moved(vertices, by);
			for (const guessed of [false, true]) {
				const mine = faces.filter((_, f) => limb.sections[nearest[f]!]!.guessed === guessed);
				if (mine.length) meshes.push({ vertices: at, faces: mine, look: guessed ? 'guessed' : 'cloth' });
			}
			limb.sections.forEach((section, s) => {
				const strong = l === chosen?.limb && s === chosen.section;
				if (strong || section.level.measure)
					lines.push({ points: moved(ringOf(limb, section.along), by), strong });
			});
		});
	add(stand, beside ? -BESIDE / 2 : 0);
	if (beside) add(beside, BESIDE / 2);
	return { meshes, lines };
}
