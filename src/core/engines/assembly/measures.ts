/** Between the faces of two walls, from how far the middles of their thicknesses lie apart; less than 0 where they run into each other, mm. */
export const roomBetween = (apart: number, upper: number, lower: number): number =>
	apart - (upper + lower) / 2;

/** By how much the side of a square is longer that covers the first area: as a share. */
export const largerThan = (made: number, picture: number): number => Math.sqrt(made / picture) - 1;
