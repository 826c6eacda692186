import { standOf } from '../src/core/engines/stand/form.ts';
import { standSurface } from '../src/core/engines/stand/surface.ts';
import { flatten } from '../src/core/engines/flatten/flatten.ts';
import { surfaceOf } from '../src/core/engines/flatten/patch.ts';
import { panelsFlat } from '../src/core/engines/panels/panels.ts';
import { PANEL_PRESETS } from '../src/core/engines/panels/presets.ts';
import { skinOf } from '../src/core/engines/panels/surface.ts';
import { cap, helmet } from '../tests/support/forms.ts';
import { median, ms, timed } from './print.ts';

/** The form of a wearer, panels on it, and curved patches laid flat. */
export function flat(): void {
	console.log('');
	const measures: Record<string, number> = { stature: 1680, chestGirth: 930, waistGirth: 745, hipGirth: 990 };
	const stand = standOf((key) => measures[key] ?? null);
	console.log(
		`stand: form and surface ${ms(median(timed(5, () => standSurface(standOf((key) => measures[key] ?? null)))))} (median of 5; wanted: 300 ms)`
	);
	for (const key of ['breastplateTwo', 'bodicePrincess'] as const) {
		const { plan, limb, name } = PANEL_PRESETS[key];
		const run = () => panelsFlat(skinOf(stand, limb, null, 12), plan, 0.1);
		console.log(`panels: ${name} ${ms(median(timed(3, run)))} (median of 3)`);
	}
	for (const [rings, wanted] of [
		[18, '1 s'],
		[58, '15 s']
	] as const) {
		const { vertices, faces } = cap(100, 0.9, rings);
		const run = () =>
			flatten(surfaceOf(vertices, faces), new Uint8Array(faces.length * 3), { limit: 0.1, propose: false });
		console.log(`flat: a cap of ${faces.length} faces ${ms(median(timed(1, run)))} (wanted: ${wanted})`);
	}
	const { vertices, faces } = helmet(2940);
	const begun = performance.now();
	const done = flatten(surfaceOf(vertices, faces), new Uint8Array(faces.length * 3), {
		limit: 0.05,
		propose: true,
		least: 15,
		spent: () => (performance.now() - begun) / 25_000
	});
	if (!done.ok) throw new Error(done.problem.code);
	console.log(
		`patches: a helmet of ${faces.length} faces within 5 % in ${ms(performance.now() - begun)}: ${done.value.flats.length} pieces, ${Math.round(done.value.lengths.reduce((sum, l) => sum + l.on, 0))} mm of seams`
	);
}
