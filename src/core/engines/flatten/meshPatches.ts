import { good, type Parsed } from '../../units/problem.ts';
import { type Mesh, pointOf, triangleCount } from '../mesh/mesh.ts';
import { thinned } from '../mesh/thin.ts';
import { flatten } from './flatten.ts';
import { surfaceOf } from './patch.ts';
import { type FlatPieces, piecesOfFlat } from './pieces.ts';

/** More faces than this make a pattern slower and no better. */
export const FACES_THAT_SERVE = 3000;

export interface PatchOptions {
	/** What the material takes, as a share. */
	limit: number;
	most: number | null;
	progress?: (share: number) => void;
	spent?: () => number;
}

/** A curved shape cut into few patches that the material can be made to follow, and laid flat. */
export async function meshPatches(
	mesh: Mesh,
	{ limit, most, progress, spent }: PatchOptions
): Promise<Parsed<FlatPieces & { faces: number }>> {
	const thin = await thinned(mesh, FACES_THAT_SERVE);
	const faces = Array.from({ length: triangleCount(thin) }, (_, t): [number, number, number] => [
		thin.triangles[3 * t]!,
		thin.triangles[3 * t + 1]!,
		thin.triangles[3 * t + 2]!
	]);
	const surface = surfaceOf(
		Array.from({ length: thin.points.length / 3 }, (_, i) => pointOf(thin, i)),
		faces
	);
	const cut = new Uint8Array(faces.length * 3);
	const done = flatten(surface, cut, { limit, propose: true, least: 15, most, spent, progress });
	return done.ok ? good({ ...piecesOfFlat(surface, done.value), faces: faces.length }) : done;
}
