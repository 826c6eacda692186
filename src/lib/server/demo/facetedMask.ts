import { factorForGirth, scaled, soundMesh, type Mesh } from '$core/engines/mesh/mesh.ts';
import { formOf } from '$core/engines/mesh/kept.ts';
import type { KeptForm } from '$core/facts/placement.ts';
import { unfold } from '$core/engines/mesh/unfold.ts';
import type { Piece } from '$core/facts/piece.ts';

/** Heights from the chin up, and how far the shell stands out there: our own, a mask like a ferry's bow. */
const RINGS = [
	[-60, 0.72],
	[-20, 0.9],
	[30, 1],
	[80, 0.94],
	[120, 0.7]
] as const;
const SECTORS = 9;
const TOP = 142;
/** The brow stands out by a keel. */
const KEEL = 1.22;

/** A shell of flat facets, open below. */
function shell(): Mesh {
	const points: number[] = [];
	for (const [z, wide] of RINGS)
		for (let s = 0; s < SECTORS; s++) {
			const a = (2 * Math.PI * s) / SECTORS;
			const out = 88 * wide * (s === 0 ? KEEL : 1);
			points.push(out * 1.12 * Math.cos(a), out * Math.sin(a), z);
		}
	points.push(8, 0, TOP);
	const at = (ring: number, s: number) => ring * SECTORS + (s % SECTORS);
	const triangles: number[] = [];
	for (let s = 0; s < SECTORS; s++) {
		for (let r = 0; r + 1 < RINGS.length; r++)
			triangles.push(at(r, s), at(r, s + 1), at(r + 1, s + 1), at(r, s), at(r + 1, s + 1), at(r + 1, s));
		triangles.push(at(RINGS.length - 1, s), at(RINGS.length - 1, s + 1), RINGS.length * SECTORS);
	}
	return { points: new Float64Array(points), triangles: new Uint32Array(triangles) };
}

/** Its pieces for a head of this girth, in foam of 6 mm, and its surface. */
export function maskOf(girth: number): { pieces: Piece[]; kept: KeptForm } {
	const sound = soundMesh(shell());
	if (!sound.ok) throw new Error(sound.problem.code);
	const { mesh } = sound.value;
	const sized = scaled(mesh, factorForGirth(mesh, 0.45, girth)!);
	const done = unfold(sized, { thickness: 6, most: 480 });
	if (!done.ok) throw new Error(done.problem.code);
	return { pieces: done.value.pieces, kept: formOf(sized) };
}
