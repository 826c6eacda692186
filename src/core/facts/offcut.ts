import type { Point } from '../units/point.ts';

/** What is left of a sheet or of cloth, and kept. */
export interface Offcut {
	id: number;
	materialId: number;
	name: string;
	/** Its box begins at 0, 0. */
	outline: Point[];
	/** What of it is spoiled, or cut out of its middle. */
	flaws: Point[][];
	/** Where it lies. */
	note: string;
	version: number;
}
