import { unfold } from '../src/core/engines/mesh/unfold.ts';
import { triangleCount } from '../src/core/engines/mesh/mesh.ts';
import { bumpy } from '../tests/support/meshes.ts';
import { median, ms, timed } from './print.ts';

/** Unfolding free forms with ridges and hollows. */
export function mesh(): void {
	console.log('');
	for (const [rings, sectors] of [
		[12, 18],
		[26, 40],
		[60, 84]
	] as const) {
		const its = bumpy(rings, sectors, 110, 0.1);
		const run = () => unfold(its, { thickness: 6, most: null });
		const done = run();
		if (!done.ok) throw new Error(done.problem.code);
		console.log(
			`mesh: ${triangleCount(its)} faces unfolded ${ms(median(timed(3, run)))} (median of 3): ${done.value.pieces.length} pieces, ${(done.value.seamLength / 1000).toFixed(1)} m of seams`
		);
	}
}
