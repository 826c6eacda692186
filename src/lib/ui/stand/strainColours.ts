import type { Point } from '$core/units/point.ts';

/** How far a face is pulled, in steps of what the material gives: up to a quarter, a half, three quarters, all of it, and beyond. */
export const STRAIN_STEPS = [
	{ upTo: 0.25, colour: '#e9dfc0', words: 'up to a quarter of what it gives' },
	{ upTo: 0.5, colour: '#e2c98a', words: 'up to half' },
	{ upTo: 0.75, colour: '#d3a24a', words: 'up to three quarters' },
	{ upTo: 1.001, colour: '#b06a2c', words: 'up to all of it' },
	{ upTo: Infinity, colour: '#a8201a', words: 'beyond' }
] as const;

/** Triangles by the colour of their strain. */
export const strainPaths = (
	triangles: readonly (readonly Point[])[],
	strains: readonly number[],
	limit: number
) =>
	STRAIN_STEPS.map(({ colour }, step) => ({
		colour,
		triangles: triangles.filter((_, i) => stepOf(strains[i]!, limit) === step)
	})).filter((p) => p.triangles.length);
const stepOf = (strain: number, limit: number) => STRAIN_STEPS.findIndex((s) => strain <= s.upTo * limit);

const rgb = (hex: string): [number, number, number] =>
	[1, 3, 5].map((i) => (parseInt(hex.slice(i, i + 2), 16) / 255) ** 2.2) as [number, number, number];
const COLOURS = STRAIN_STEPS.map((s) => rgb(s.colour));

/** The colour of a face for the scene: parts of light. */
export const strainColour = (strain: number, limit: number): [number, number, number] =>
	COLOURS[stepOf(strain, limit)]!;
