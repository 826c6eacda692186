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
	recoatMinutes: number;
	handlingMinutes: number;
	version: number;
}
