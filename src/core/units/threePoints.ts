/** Good, usual, bad. */
export type ThreePoints = readonly [number, number, number];
