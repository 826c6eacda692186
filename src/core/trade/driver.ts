export type DriverKey = keyof Drivers;
export const DRIVER_KEYS = [
	'outline',
	'seam',
	'bevelled',
	'edge',
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

/** How often the area of the pieces is needed, for waste, until pieces are laid out. Common practice; a starting value, from memory. */
export const USUAL_WASTE = 1.3;

/** What the pieces of a component come to, for one copy: lengths in mm, area in mm². */
export interface Drivers {
	outline: number;
	seam: number;
	bevelled: number;
	/** Edges that are joined to nothing. */
	edge: number;
	area: number;
	/** With allowances: what goes out of the sheet or the cloth. */
	cutArea: number;
	/** All that are cut. */
	pieces: number;
	/** Different ones. */
	patterns: number;
}
