import { latest } from '../facts/bodyMeasure.ts';
import { type Component, inLedgerOrder } from '../facts/component.ts';
import type { MeasureRecord } from '../facts/measureRecord.ts';
import { fittedOf } from '../facts/measureRecord.ts';
import type { Placement } from '../facts/placement.ts';
import type { StoredShape } from '../facts/shape.ts';
import type { Zone } from '../facts/zone.ts';
import { placed } from '../engines/assembly/place.ts';
import { type AssembledForm, type FormMesh, mapped, turnedOver } from '../engines/pattern/form.ts';
import { type Stand, standOf } from '../engines/stand/form.ts';
import type { FitFor } from './fitFor.ts';
import { measuredFor } from './panelShape.ts';
import { shapeFor } from './shapePieces.ts';
import { standFor } from './stand.ts';

/** A shape as it stands on the wearer, once for each side that has it. */
export interface Thing {
	component: Component;
	shape: StoredShape;
	name: string;
	/** Null of what is in the middle. */
	side: 'left' | 'right' | null;
	mesh: FormMesh;
	/** Of its wall, mm. */
	thickness: number;
	/** Null where its seams were drawn on the form: there it stands. */
	where: Placement | null;
	/** The body over what is worn beneath it. */
	over: Stand;
}

/** What cannot be shown, and why. */
export interface NotShown {
	component: Component;
	because: 'noShape' | 'noForm' | 'noZone' | 'noPieces';
}

export interface Assembled {
	stand: Stand;
	things: Thing[];
	notShown: NotShown[];
}

/** Where the zones of the figure lie on the form. */
const AT: Record<string, Pick<Placement, 'limb' | 'level' | 'turn'>> = {
	head: { limb: 'trunk', level: 0, turn: 90 },
	face: { limb: 'trunk', level: 0.5, turn: 90 },
	neck: { limb: 'trunk', level: 2, turn: 90 },
	shoulder: { limb: 'arm', level: 0, turn: 0 },
	chest: { limb: 'trunk', level: 4, turn: 90 },
	back: { limb: 'trunk', level: 4, turn: 270 },
	'upper-arm': { limb: 'arm', level: 1, turn: 0 },
	forearm: { limb: 'arm', level: 3.4, turn: 0 },
	hand: { limb: 'arm', level: 6, turn: 0 },
	waist: { limb: 'trunk', level: 6, turn: 90 },
	hips: { limb: 'trunk', level: 7, turn: 90 },
	thigh: { limb: 'leg', level: 0, turn: 0 },
	shin: { limb: 'leg', level: 2, turn: 0 },
	foot: { limb: 'foot', level: 1, turn: 90 }
};
const stem = (zone: Zone) => zone.replace(/-(left|right)$/, '');

/** Where a shape stands while nobody has moved it: at the first of its component's zones and those of the same limb. */
export function startsAt(
	component: Pick<Component, 'zones' | 'side'>,
	form: AssembledForm
): Placement | null {
	const first = component.zones[0] && AT[stem(component.zones[0])];
	if (!first || form.way === 'there') return null;
	const levels = component.zones.map((z) => AT[stem(z)]!).filter((a) => a.limb === first.limb);
	const level = levels.reduce((sum, a) => sum + a.level, 0) / levels.length;
	const off = { way: form.way, out: 0, tip: 0, spin: 0 };
	// What sits on the head, not round it: on the crown, or one at each side of it.
	if (form.way === 'on' && stem(component.zones[0]!) === 'head')
		return {
			...off,
			limb: 'trunk',
			...(component.side === 'none' ? { level: -1, turn: 90 } : { level: -0.5, turn: 0 })
		};
	return { ...off, ...first, level };
}

/** The sides of the wearer that have a shape. */
function sidesOf({ side, zones }: Component, limb: Placement['limb'] | null): ('left' | 'right' | null)[] {
	if (side === 'left' || side === 'right') return [side];
	if (side === 'pair') return ['left', 'right'];
	if (limb === 'trunk' || limb === null) return [null];
	const seen = (['left', 'right'] as const).filter((s) => zones.some((z) => z.endsWith(`-${s}`)));
	return seen.length ? seen : ['left', 'right'];
}

/** How the form of a shape is made larger or smaller with its pieces. */
function resized(form: AssembledForm, works: StoredShape['works']): AssembledForm {
	const work = works.find((w) => w.kind === 'resize');
	if (work?.kind !== 'resize') return form;
	const { width, height } = work;
	return {
		...form,
		at: form.at * height,
		mesh: mapped(form.mesh, ([x, y, z]) => [x * width, y * width, z * height])
	};
}

/** What was unfolded stands by the middle of its box: round what it is larger than, else on it. */
function formOfKept(
	{ kept, works }: StoredShape & { kept: NonNullable<StoredShape['kept']> },
	thickness: number
): AssembledForm {
	const low = [0, 1, 2].map((k) => Math.min(...kept.vertices.map((v) => v[k]!)));
	const high = [0, 1, 2].map((k) => Math.max(...kept.vertices.map((v) => v[k]!)));
	const middle = low.map((v, k) => (v + high[k]!) / 2);
	const vertices = kept.vertices.map(
		([x, y, z]) => [x - middle[0]!, y - middle[1]!, z - middle[2]!] as const
	);
	return resized(
		{
			mesh: { vertices: vertices.map(([x, y, z]) => [x, y, z]), faces: kept.faces },
			way: 'round',
			at: 0,
			bends: false,
			thickness
		},
		works
	);
}

/** Every shape of a costume that knows its form, on the wearer whom the pieces follow. */
export function assembledOf(
	components: readonly Component[],
	fit: MeasureRecord,
	materials: FitFor['materials']
): Assembled {
	const wearers = fittedOf(fit);
	const stand = wearers[0] ? standFor(wearers[0]) : standOf(() => null);
	const things: Thing[] = [];
	const notShown: NotShown[] = [];
	for (const { item: component } of inLedgerOrder(components)) {
		const its = fit.shapes.filter((s) => s.componentId === component.id);
		const fitFor: FitFor = { component, components, wearers, materials };
		let because: NotShown['because'] | null = its.length ? 'noForm' : 'noShape';
		const over = its.length ? standOf(measuredFor(fitFor)) : stand;
		for (const shape of its) {
			const done = shapeFor(shape, fitFor);
			if (!done.ok) {
				because = 'noPieces';
				continue;
			}
			const wall = materials.find((m) => m.id === shape.materialId)?.thicknessMm ?? 0;
			const form = shape.kept
				? formOfKept({ ...shape, kept: shape.kept }, wall * shape.layers)
				: done.value.form && resized(done.value.form, shape.works);
			if (!form) continue;
			const where = shape.placed ?? startsAt(component, form);
			if (!where && form.way !== 'there') {
				because = 'noZone';
				continue;
			}
			because = null;
			for (const side of sidesOf(component, where?.limb ?? null))
				things.push({
					component,
					shape,
					name: shape.name || component.name,
					side,
					mesh: where ? placed(form, over, where, side ?? 'left') : standing(form, component, side),
					thickness: form.thickness,
					where,
					over
				});
		}
		if (because) notShown.push({ component, because });
	}
	return { stand, things, notShown };
}

/** Panels stand where they were drawn: of a pair the other side is its mirror. */
function standing({ mesh }: AssembledForm, { side }: Component, on: Thing['side']): FormMesh {
	if (side !== 'pair') return mesh;
	const mean = mesh.vertices.reduce((sum, [x]) => sum + x, 0);
	if (on === (mean > 0 ? 'left' : 'right')) return mesh;
	return turnedOver(mapped(mesh, ([x, y, z]) => [-x, y, z]));
}

/** How high the wearer is, mm; null where nobody measured. */
export const statureOf = (fit: MeasureRecord): number | null => {
	const [wearer] = fittedOf(fit);
	return wearer ? (latest(wearer.measures, 'stature', 'none')?.mm ?? null) : null;
};
