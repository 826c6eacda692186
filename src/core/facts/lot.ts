/** What of a material was bought together, lies together and lasts as long: the stash is lots. */
export interface Lot {
	id: number;
	materialId: number;
	/** What is left of it, in the material's unit; more than nothing. */
	quantity: number;
	/** Of cloth and paint: shade, or the number of its dye lot. */
	colour: string;
	/** Where it lies; nothing: where its material usually does. */
	place: string;
	/** Whole days since 1970-01-01; null where nobody knows it. */
	boughtOn: number | null;
	/** Units in one pack of it, as it was bought. */
	packSize: number | null;
	/** What one of these packs cost; null where nobody knows it. */
	packPriceMinor: number | null;
	/** Of the price. */
	currency: string | null;
	/** The last day on which it is still good, closed; null where it keeps. */
	bestBefore: number | null;
	/** The day on which it was opened; null while it is closed. */
	openedOn: number | null;
	/** Months that it is good for from then on, as its label says; null where that makes no difference. */
	openMonths: number | null;
	/** When it was last seen and counted. */
	countedOn: number | null;
	note: string;
	/** Of its photo; null without one. */
	hash: string | null;
	/** The last day on which it is good, as it stands. Not stored, put in as it is read. */
	lastDay: number | null;
	/** Not past it. Likewise. */
	good: boolean;
	version: number;
}
