import loadHighs from 'highs';
import type { Solve } from './task.ts';

/** All costs are whole minor units: whoever is within less than one of the best is the best. */
const WITHIN = 0.5;

/**
 * The exact solver, ready to be asked; HiGHS (Huangfu and Hall 2018, “Parallelizing the dual revised simplex method”), as WebAssembly.
 * @param wasm where its code lies, when it is not beside the module
 */
export async function loadSolver(wasm?: string): Promise<Solve> {
	const highs = await loadHighs(wasm === undefined ? undefined : { locateFile: () => wasm });
	return (lp, seconds) => {
		const found = highs.solve(lp, {
			output_flag: false,
			time_limit: Math.max(0.05, seconds),
			mip_rel_gap: 0,
			mip_abs_gap: WITHIN
		});
		const values = new Map(
			Object.entries(found.Columns).flatMap(([name, c]) =>
				'Primal' in c && Number.isFinite(c.Primal) ? [[name, c.Primal as number] as const] : []
			)
		);
		if (found.Status === 'Optimal') return { values, proved: true };
		if (found.Status === 'Infeasible') return 'none';
		return values.size > 0 ? { values, proved: false } : 'time';
	};
}
