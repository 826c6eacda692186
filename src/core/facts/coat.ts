/** Of a row of the handbook. */
export type CoatProductKey = string;

/** One product of a component's stack. */
export interface Coat {
	id: number;
	componentId: number;
	position: number;
	product: CoatProductKey;
	coats: number;
	/** Outside area of one copy, mm². */
	area: number;
	/** The area is that of the component's pieces. */
	fromPieces: boolean;
	/** The area is a starting value that nobody has looked at. */
	guessed: boolean;
	/** What it was as a starting value, mm²; null for what was entered. */
	guess: number | null;
	/** What it is put on with: its colour. Null for the only material there is of the product. */
	materialId: number | null;
	recoatMinutes: number;
	handlingMinutes: number;
	version: number;
}
