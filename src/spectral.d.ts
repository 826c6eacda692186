declare module 'spectral.js' {
	/** A colour as a curve of reflectance at 38 wavelengths, 380 to 750 nm. `XYZ` is for 2° and D65, of which white has Y = 1. */
	class Color {
		constructor(of: readonly number[]);
		readonly R: number[];
		readonly KS: number[];
		readonly XYZ: number[];
		readonly luminance: number;
		tintingStrength: number;
	}
	const spectral: { Color: typeof Color; mix(...colours: [Color, number][]): Color };
	export default spectral;
}
