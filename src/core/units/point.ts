/** mm; x to the right, y up. */
export type Point = readonly [number, number];

export const distance = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
