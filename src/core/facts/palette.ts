import type { Lab } from '../units/lab.ts';
import type { Point } from '../units/point.ts';

/** Drops of an owned paint in a mix. */
export interface MixPart {
	materialId: number;
	drops: number;
}

/** Where a colour was picked: pixels of the picture from its top left, the radius of the patch, and a neutral that was picked. */
export interface Picked {
	centre: Point;
	radius: number;
	neutral: Point | null;
}

/** A colour of the costume, which parts of it are meant to have. */
export interface PaletteColour {
	id: number;
	costumeId: number;
	position: number;
	name: string;
	lab: Lab;
	/** How far its patch strays from its mean, ΔE00; null for what was typed. */
	spread: number | null;
	pictureId: number | null;
	picked: Picked | null;
	/** Drops of owned paints that come to it; none while nothing is mixed for it. */
	mix: readonly MixPart[];
	/** Whoever is meant to have it: not stored with it, put in as the record is read. */
	componentIds: readonly number[];
	note: string;
	version: number;
}
