import type { Vec } from '../../units/vec.ts';

/** A closed shape printed in layers: what it takes, and in how many parts. */

/** Common practice for household printers that lay down molten filament; from memory, each can be edited. */
export const PRINT_STARTS = {
	/** Of the walls together, mm. */
	wall: 1.2,
	/** Of what is inside the walls, %. */
	infill: 15,
	/** mm */
	layer: 0.2,
	/** Laid down while it moves, mm³ in a second. */
	flow: 8,
	/** To go up a layer, seconds. */
	change: 4,
	/** To heat up and be cleared, minutes a part. */
	start: 15
} as const;

/** kg/m³, common practice. */
export const FILAMENTS = {
	pla: { name: 'PLA', density: 1240 },
	petg: { name: 'PETG', density: 1270 },
	abs: { name: 'ABS', density: 1040 },
	resin: { name: 'resin', density: 1150 }
} as const;
export type FilamentKey = keyof typeof FILAMENTS;

/** What is laid down, mm³: the walls whole, what is inside of them by its infill. */
export function printedVolume(volume: number, area: number, wall: number, infill: number): number {
	const shell = Math.min(volume, area * wall);
	return shell + ((volume - shell) * infill) / 100;
}

/** Minutes at the machine: laying down, going up layer by layer for each part, and starting each part. */
export const printMinutes = (
	laid: number,
	flow: number,
	layers: number,
	change: number,
	parts: number,
	start: number
): number => laid / flow / 60 + (layers * change) / 60 + parts * start;

export interface OnBed {
	/** Which of wide, deep, high of the shape stands up: 0, 1, 2. */
	up: 0 | 1 | 2;
	/** Of the part as it stands, mm. */
	size: Vec;
	/** Into how many it is cut along each. */
	cuts: readonly [number, number, number];
	parts: number;
}

const ROUND = 1e-6;

/** The way to stand a shape on a bed that takes the fewest parts, and of those the lowest: cut straight across. */
export function standOn(size: Vec, bed: Vec): OnBed {
	const turns = [
		[0, 1, 2],
		[1, 0, 2],
		[0, 2, 1],
		[2, 0, 1],
		[1, 2, 0],
		[2, 1, 0]
	] as const;
	const ways = turns.map((turn): OnBed => {
		const stood = turn.map((axis) => size[axis]) as unknown as Vec;
		const cuts = stood.map((s, i) => Math.max(1, Math.ceil(s / bed[i]! - ROUND))) as unknown as OnBed['cuts'];
		return { up: turn[2], size: stood, cuts, parts: cuts[0] * cuts[1] * cuts[2] };
	});
	return ways.reduce((best, way) =>
		way.parts < best.parts || (way.parts === best.parts && way.size[2] < best.size[2] - ROUND) ? way : best
	);
}

/** Layers of all parts: each column of them is as high as the shape. */
export const layersOf = ({ size, cuts }: OnBed, layer: number): number =>
	Math.ceil(size[2] / layer) * cuts[0] * cuts[1];
