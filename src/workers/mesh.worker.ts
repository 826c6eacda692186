import { MOST_TRIANGLES, soundMesh, triangleCount } from '../core/engines/mesh/mesh.ts';
import { FACES_KEPT } from '../core/engines/mesh/kept.ts';
import { readMesh } from '../core/engines/mesh/readMesh.ts';
import { thinned } from '../core/engines/mesh/thin.ts';
import { good, problem } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** A shape read from a file, thinned where it has more faces than can be worked with. */
answer<'mesh'>(async ({ bytes }, { progress }) => {
	const raw = readMesh(bytes);
	if (!raw.ok) return raw;
	progress(0.4);
	const from = triangleCount(raw.value);
	// Allowed to move far: a shape that cannot be thinned so far is told as too many.
	const thin = await thinned(raw.value, MOST_TRIANGLES, 0.02);
	progress(0.8);
	const sound = soundMesh(thin);
	if (!sound.ok) return sound;
	const to = triangleCount(sound.value.mesh);
	return good({
		mesh: sound.value.mesh,
		few: await thinned(sound.value.mesh, FACES_KEPT, 0.02),
		notes:
			from > MOST_TRIANGLES ? [problem('meshThinned', { from, to }), ...sound.value.notes] : sound.value.notes
	});
});
