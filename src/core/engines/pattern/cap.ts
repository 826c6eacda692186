import type { Point3 } from '../../units/point.ts';
import { type AssembledForm, turnedMesh } from './form.ts';
import { count, mm, type Dimension } from './shaper.ts';
import { meridians, round } from './solid.ts';

/** A cap of a ball, from its rim and depth. Closed form: R = (a² + d²)/2d. */
export interface Cap {
	/** Of the rim, mm. */
	rim: number;
	/** Of the ball, mm. */
	radius: number;
	/** From the pole to the rim: the angle in radians, and along the surface in mm. */
	reach: number;
	arc: number;
}

/**
 * @param thickness of what it is cut from, mm, less than 0 where it was measured outside: what is laid flat is the middle of it, a cap
 * of the same ball's middle. Its edge is cut square to its face, so that the angle from pole to rim stays.
 */
export function capOf(rim: number, depth: number, thickness = 0): Cap {
	const face = (rim * rim + depth * depth) / (2 * depth);
	// A cap deeper than half a ball reaches beyond 90°.
	const reach = Math.acos((face - depth) / face);
	const radius = face + thickness / 2;
	return { rim: radius * Math.sin(reach), radius, reach, arc: radius * reach };
}

/** Round the axis at the arc s from the pole, divided by 2π, mm. */
export const ringOf = ({ radius }: Cap, s: number): number => radius * Math.sin(s / radius);

export const capDimensions = (
	cap: Cap,
	given: { rim: number; depth: number; thickness: number },
	parts: number,
	wedge: string
): Dimension[] => [
	{
		title: 'Radius of the ball',
		of: 'length',
		formula: 'capRadius',
		inputs: [
			mm('radius of the rim', given.rim),
			mm('depth', given.depth),
			mm('thickness, less than 0 measured outside', given.thickness)
		]
	},
	{
		title: 'Radius of the disc',
		of: 'length',
		formula: 'arcLength',
		inputs: [
			mm('radius of the ball', cap.radius),
			{ name: 'angle from pole to rim', value: (cap.reach * 180) / Math.PI, of: 'angle' }
		]
	},
	{
		title: wedge,
		of: 'length',
		formula: 'wedgeWidth',
		inputs: [
			mm('radius of the disc', cap.arc),
			mm('rim of the ball’s middle', cap.rim),
			count('parts', parts)
		]
	}
];

/** Rim down on what it lies on; from `capOf` through the middle of its thickness. */
export const capForm = ({ radius, reach }: Cap, thickness: number): AssembledForm => ({
	mesh: turnedMesh(
		Array.from({ length: 17 }, (_, i): [number, number] => {
			const a = reach * (1 - i / 16);
			return [radius * Math.sin(a), radius * (Math.cos(a) - Math.cos(reach))];
		})
	),
	way: 'on',
	at: 0,
	bends: false,
	thickness
});

/** As it was measured: from `capOf` without a thickness. */
export const capLines = ({ rim, radius, reach }: Cap, depth: number, parts: number): Point3[][] => [
	round(rim, 0),
	...meridians(
		parts,
		Array.from({ length: 17 }, (_, i): [number, number] => [
			radius * Math.sin((reach * i) / 16),
			radius * Math.cos((reach * i) / 16) - radius + depth
		])
	)
];
