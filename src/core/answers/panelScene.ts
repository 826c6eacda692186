import type { Corners } from '../facts/panelPlan.ts';
import { edgePoints, type LimbSkin } from '../engines/panels/surface.ts';
import type { Stand } from '../engines/stand/form.ts';
import { limbSurface } from '../engines/stand/surface.ts';
import type { Point3 } from '../units/point.ts';

/** A form and the panels on it, as what is drawn: each face of a panel with its strain as a share of what the material gives. */
export interface PanelScene {
	stand: { vertices: Point3[]; faces: [number, number, number][]; look: 'cloth' | 'guessed' }[];
	panels: { vertices: Point3[]; faces: [number, number, number][]; shares: number[] } | null;
	/** Where panels end and where their darts are. */
	rims: Point3[][];
}

interface Laid {
	vertices: [number, number, number][];
	faces: [number, number, number][];
	strainOf: number[];
	rims: number[][];
}

export function panelScene(stand: Stand, laid: Laid | null, limit: number): PanelScene {
	return {
		stand: stand.limbs.flatMap((limb) => {
			const { vertices, faces, nearest } = limbSurface(limb, 2);
			return [false, true].flatMap((guessed) => {
				const mine = faces.filter((_, f) => limb.sections[nearest[f]!]!.guessed === guessed);
				return mine.length
					? [{ vertices, faces: mine, look: guessed ? ('guessed' as const) : ('cloth' as const) }]
					: [];
			});
		}),
		panels: laid && {
			vertices: laid.vertices,
			faces: laid.faces,
			shares: laid.strainOf.map((s) => s / limit)
		},
		rims: laid?.rims.map((rim) => rim.map((v) => laid.vertices[v]!)) ?? []
	};
}

/** Corners that are being drawn as the line through them. */
export const standLines = (skin: LimbSkin, points: Corners): Point3[] =>
	points.length === 1
		? [skin.at(points[0]!)]
		: points
				.slice(1)
				.flatMap((p, i) => edgePoints(skin, points[i]!, p, points[i]!.runs, 20).map((q) => skin.at(q)));
