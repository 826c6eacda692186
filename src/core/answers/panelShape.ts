import { definitionOf, MEASURE_KEYS, type MeasureSide } from '../facts/bodyMeasure.ts';
import type { PanelPlan } from '../facts/panelPlan.ts';
import { panelsFlat } from '../engines/panels/panels.ts';
import { type LimbSkin, skinOf } from '../engines/panels/surface.ts';
import type { Shaped } from '../engines/pattern/shaper.ts';
import { type Measured, type Stand, standOf } from '../engines/stand/form.ts';
import { givesAt, isBeyond } from '../trade/laidFlat.ts';
import { good, type Parsed, type Problem, problem } from '../units/problem.ts';
import { measureBeneath } from './goesOn.ts';
import { shapesOf } from './stand.ts';
import type { FitFor } from './fitFor.ts';

/** What a panel shape is told besides its plan: round that is left, and how thick it is, mm. */
export interface PanelValues {
	ease: number;
	thickness: number;
	/** How the material is worked, by its place in the list of ways. */
	gives: number;
}

/** What the form of a component's wearer goes by: over what is worn beneath, the largest of all wearers. */
export function measuredFor({ component, components, wearers }: Omit<FitFor, 'materials'>): Measured {
	return (key, side) =>
		wearers.reduce<number | null>((most, wearer) => {
			const over = measureBeneath(wearer, key, side, component, components);
			return over ? Math.max(most ?? 0, over.mm) : most;
		}, null);
}

/** The form that a component is shaped over: as much round as the largest wearer, as wide by deep as the first. */
export const standBeneath = (fit: Omit<FitFor, 'materials'>): Stand =>
	standOf(measuredFor(fit), shapesOf(fit.wearers[0]));

/** Where the panels of a component are drawn: half of the thickness out, and as far again as the ease there leaves round. */
export function skinFor(stand: Stand, plan: PanelPlan, side: string, values: PanelValues): LimbSkin {
	return skinOf(
		stand,
		plan.limb,
		side === 'left' || side === 'right' ? side : null,
		(level) =>
			(plan.ease.find((e) => e.level === level)?.mm ?? values.ease) / (2 * Math.PI) + values.thickness / 2
	);
}

/** Measured levels that panels lie at, or near to. */
export function levelsAt(stand: Stand, { limb, panels }: PanelPlan): { level: number; name: string }[] {
	const at = panels.flatMap((p) => p.points.map((point) => point.level));
	const [top, end] = [Math.min(...at) - 0.5, Math.max(...at) + 0.5];
	return stand.limbs
		.find((l) => l.name === limb)!
		.sections.map((s, level) => ({ level, name: s.level.name }))
		.filter(({ level }) => level >= top && level <= end);
}

const MOST_KEPT = 60;
/** What panels came to last, by everything that they go by: laying them flat takes a tenth of a second and more. */
const kept = new Map<string, Parsed<Shaped>>();

/** All measures that are known, by measure and side as `chestGirth none`. */
export const measuresOf = (measured: Measured): Record<string, number> =>
	Object.fromEntries(
		MEASURE_KEYS.flatMap((key) =>
			((definitionOf(key).sided ? ['left', 'right'] : ['none']) as MeasureSide[]).flatMap((side) => {
				const mm = measured(key, side);
				return mm === null ? [] : [[`${key} ${side}`, mm]];
			})
		)
	);

/** All that panels go by, as one text; where it is the same, so are they. */
export const panelKey = (fit: Omit<FitFor, 'materials'>, ...more: unknown[]): string =>
	JSON.stringify([measuresOf(measuredFor(fit)), fit.wearers[0]?.sections, more]);

/** The pieces of a panel shape. Panels that are pulled farther than the material gives are told, and made all the same. */
export function panelPieces(
	plan: PanelPlan,
	values: PanelValues,
	fit: FitFor,
	materialId: number | null
): Parsed<Shaped> {
	const material = fit.materials.find((m) => m.id === materialId) ?? null;
	const limit = givesAt(
		values.gives,
		material && {
			family: material.family ?? 'foam',
			stretchAcross: material.stretchAcross ?? null,
			stretchAlong: material.stretchAlong ?? null
		}
	).share;
	const key = panelKey(fit, plan, values, fit.component.side, limit);
	const known = kept.get(key);
	if (known) return known;
	const laid = panelsFlat(skinFor(standBeneath(fit), plan, fit.component.side, values), plan, limit);
	const done: Parsed<Shaped> = laid.ok
		? good({
				pieces: laid.value.pieces,
				dimensions: [],
				warnings: laid.value.strains.flatMap(({ max }, i): Problem[] =>
					isBeyond(max, limit)
						? [
								problem('panelPulled', {
									name: laid.value.pieces[i]!.name,
									percent: Math.round(1000 * max) / 10,
									limit: Math.round(1000 * limit) / 10
								})
							]
						: []
				),
				rounds: [],
				solid: [],
				form: {
					mesh: laid.value.mesh.surface,
					way: 'there',
					at: 0,
					bends: false,
					thickness: values.thickness
				}
			})
		: laid;
	if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
	kept.set(key, done);
	return done;
}
