/** CIELAB for D65 and the 2° observer: lightness 0 to 100, green to red, blue to yellow. */
export type Lab = readonly [l: number, a: number, b: number];
