import { meshPatches } from '../core/engines/flatten/meshPatches.ts';
import { answer } from './answer.ts';

/** A curved shape in few patches, off the page. */
answer<'patches'>(({ mesh, limit, most, seconds }, { progress }) => {
	const begun = performance.now();
	return meshPatches(mesh, {
		limit,
		most,
		progress,
		spent: () => (performance.now() - begun) / 1000 / seconds
	});
});
