declare module 'cdt2d' {
	/** Triangles of points with such edges among them: constrained Delaunay. */
	export default function cdt2d(
		points: readonly (readonly [number, number])[],
		edges?: readonly (readonly [number, number])[],
		options?: { delaunay?: boolean; interior?: boolean; exterior?: boolean; infinity?: boolean }
	): [number, number, number][];
}
