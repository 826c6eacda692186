export type DriverKey = Exclude<keyof Drivers, 'seams' | 'told'>;
export const DRIVER_KEYS = [
	'outline',
	'seam',
	'bevelled',
	'edge',
	'gathered',
	'shaped',
	'eyelets',
	'boned',
	'area',
	'cutArea',
	'pieces',
	'patterns'
] as const satisfies readonly DriverKey[];

/** What has to be marked on brought pieces before they tell it. Edges are what no seam takes. */
export const TOLD_BY: Partial<Record<DriverKey, DriverKey>> = {
	seam: 'seam',
	edge: 'seam',
	bevelled: 'bevelled'
};

/**
 * What a step takes of the pieces where that is not what its technique follows: one of the above, the seams of one name
 * (`seam line`), or nothing.
 */
export const TAKES =
	/^(outline|seam|bevelled|edge|gathered|shaped|eyelets|boned|area|cutArea|pieces|patterns|nothing|seam [^ ]{1,40})$/;
export type Takes = DriverKey | 'nothing' | `seam ${string}`;

/** How often the area of the pieces is needed, for waste, until pieces are laid out. Common practice; a starting value, from memory. */
export const USUAL_WASTE = 1.3;

/** What the pieces of a component come to, for one copy: lengths in mm, area in mm². */
export interface Drivers {
	outline: number;
	seam: number;
	bevelled: number;
	/** Edges that are joined to nothing. */
	edge: number;
	/** Edges that are gathered or pleated, before they are drawn in. */
	gathered: number;
	/** Edges that are cut by a template. */
	shaped: number;
	/** Eyelets that are set into them. */
	eyelets: number;
	/** Boning that goes into them. */
	boned: number;
	area: number;
	/** With allowances: what goes out of the sheet or the cloth. */
	cutArea: number;
	/** All that are cut. */
	pieces: number;
	/** Different ones. */
	patterns: number;
	/** Seams by the first word of their name. */
	seams: Readonly<Record<string, number>>;
	/** Whether the pieces say of any edge that it is gathered, or by which it is cut. */
	told: { gathered: boolean; shaped: boolean };
}
