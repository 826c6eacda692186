import { latest } from '../facts/bodyMeasure.ts';
import { type Component, inLedgerOrder } from '../facts/component.ts';
import type { MeasureRecord } from '../facts/measureRecord.ts';
import { fittedOf } from '../facts/measureRecord.ts';
import type { KeptForm, Placement } from '../facts/placement.ts';
import type { StoredShape } from '../facts/shape.ts';
import type { Zone } from '../facts/zone.ts';
import { placed } from '../engines/assembly/place.ts';
import { skinOf } from '../engines/panels/surface.ts';
import { type AssembledForm, type FormMesh, mapped, turnedOver } from '../engines/pattern/form.ts';
import { type Stand, standOf } from '../engines/stand/form.ts';
import type { Point3 } from '../units/point.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import type { Shaped } from '../engines/pattern/shaper.ts';
import type { FitFor } from './fitFor.ts';
import { standBeneath } from './panelShape.ts';
import { shapeFor } from './shapePieces.ts';
import { standFor } from './stand.ts';

/** A shape as it stands on the wearer, once for each side that has it. */
export interface Thing {
	component: Component;
	shape: StoredShape;
	name: string;
	/** Null of what is in the middle. */
	side: 'left' | 'right' | null;
	/** As its shaper has it, and where it stands. */
	form: AssembledForm;
	mesh: FormMesh;
	/** Null where its seams were drawn on the form: there it stands. */
	where: Placement | null;
	/** The body over what is worn beneath it. */
	over: Stand;
	/** It is of cloth, and gives way to whatever is under it or over it. */
	soft: boolean;
	/** Nearly all that its component is cut from stands there. */
	whole: boolean;
}

/** What cannot be shown, and why. */
export interface NotShown {
	component: Component;
	because: 'noShape' | 'noForm' | 'noZone' | 'noPieces' | 'carried';
	/** What would stand there, and where: it is put there when somebody says so. */
	could: { shape: StoredShape; placed: Placement } | null;
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
	thigh: { limb: 'leg', level: 0.4, turn: 0 },
	shin: { limb: 'leg', level: 2.3, turn: 0 },
	foot: { limb: 'foot', level: 1, turn: 90 }
};
const stem = (zone: Zone) => zone.replace(/-(left|right)$/, '');

/** Levels of a limb at which a shape's values follow a measure. */
function followed({ values }: StoredShape, over: Stand, limb: Placement['limb']): number[] {
	const sections = over.limbs.find((l) => l.name === limb)!.sections;
	return Object.values(values).flatMap((v) => {
		const level = typeof v === 'number' ? -1 : sections.findIndex((s) => s.level.measure === v.follows);
		return level < 0 ? [] : [level];
	});
}

/**
 * Where a shape stands while nobody has moved it: between the levels whose measures it follows, else at the first of its component's
 * zones and those of the same limb. Null where its component is worn nowhere.
 */
export function startsAt(
	component: Pick<Component, 'zones' | 'side'>,
	shape: StoredShape,
	form: AssembledForm,
	over: Stand
): Placement | null {
	const [zone] = component.zones;
	const first = zone && AT[stem(zone)];
	if (!first || form.way === 'there') return null;
	const off = { way: form.way, out: 0, tip: 0, spin: 0 };
	// On the head, not round it: on the crown, or one at each side of it. On the shoulder: over its end.
	if (form.way === 'on' && stem(zone) === 'head')
		return {
			...off,
			limb: 'trunk',
			...(component.side === 'none' ? { level: -1, turn: 90 } : { level: -0.5, turn: 0 })
		};
	if (form.way === 'on' && stem(zone) === 'shoulder') return { ...off, ...first, level: -0.5 };
	const zones = component.zones.map((z) => AT[stem(z)]!).filter((a) => a.limb === first.limb);
	const follows = form.way === 'round' ? followed(shape, over, first.limb) : [];
	const levels = follows.length ? follows : zones.map((a) => a.level);
	const skin = skinOf(over, first.limb, 'left', 0);
	const middle = (skin.along(Math.min(...levels)) + skin.along(Math.max(...levels))) / 2;
	const { begins, axis } = skin.limb;
	const { level } = skin.pointAt(
		[0, 1, 2].map((k) => begins[k]! + axis[k]! * middle) as [number, number, number]
	);
	return { ...off, ...first, level: Math.round(level * 100) / 100 };
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

/** What was unfolded stands by the middle of its box. */
function boxed({ vertices, faces }: KeptForm, thickness: number): AssembledForm {
	const middle = [0, 1, 2].map((k) => {
		const all = vertices.map((v) => v[k]!);
		return (Math.min(...all) + Math.max(...all)) / 2;
	});
	const moved = vertices.map((v) => v.map((c, k) => c - middle[k]!) as [number, number, number]);
	return { mesh: { vertices: moved, faces }, way: 'round', at: 0, bends: false, thickness };
}

/** Of a shape, as large as its pieces are printed. */
function formOfShape(
	{ kept, works }: StoredShape,
	{ form }: Shaped,
	thickness: number
): AssembledForm | null {
	const its = kept ? boxed(kept, thickness) : form;
	return its && resized(its, works);
}

/** A component of whose pieces so much stands there is compared as a whole: lacing and straps have no form of their own. */
const WHOLE = 0.85;

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
		const over = its.length ? standBeneath(fitFor) : stand;
		const standing: Thing[] = [];
		let [area, standingArea] = [0, 0];
		let missing: Omit<NotShown, 'component'> = { because: its.length ? 'noForm' : 'noShape', could: null };
		for (const shape of its) {
			const done = shapeFor(shape, fitFor);
			const material = materials.find((m) => m.id === shape.materialId);
			const cut = done.ok ? driversOf(done.value.pieces).area : 0;
			area += cut;
			const form = done.ok
				? formOfShape(shape, done.value, (material?.thicknessMm ?? 0) * shape.layers)
				: null;
			if (!form) {
				if (!done.ok) missing = { because: 'noPieces', could: null };
				continue;
			}
			const where = shape.placed ?? startsAt(component, shape, form, over);
			if (!where && form.way !== 'there') {
				missing = { because: 'noZone', could: null };
				continue;
			}
			// What is held is not worn: it stands there only where somebody put it.
			if (where && !shape.placed && component.kind === 'prop') {
				missing = { because: 'carried', could: { shape, placed: where } };
				continue;
			}
			standingArea += cut;
			for (const side of sidesOf(component, where?.limb ?? null))
				standing.push({
					component,
					shape,
					name: shape.name || component.name,
					side,
					mesh: where ? placed(form, over, where, side ?? 'left') : drawnThere(form, component, side),
					form,
					where,
					over,
					soft: material ? material.family === 'cloth' : component.kind === 'garment',
					whole: false
				});
		}
		const whole = standing.length > 0 && standingArea >= WHOLE * area;
		things.push(...standing.map((t) => ({ ...t, whole })));
		if (!standing.length) notShown.push({ component, ...missing });
	}
	return { stand, things, notShown };
}

/** Panels stand where they were drawn: of a pair the other side is its mirror. */
function drawnThere({ mesh }: AssembledForm, { side }: Component, on: Thing['side']): FormMesh {
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

/** The same with one shape somewhere else: nothing else is worked out anew. */
export const movedTo = (assembled: Assembled, shapeId: number, where: Placement): Assembled => ({
	...assembled,
	things: assembled.things.map((t) =>
		t.shape.id === shapeId ? { ...t, where, mesh: placed(t.form, t.over, where, t.side ?? 'left') } : t
	)
});

/** Where a shape stands once it was dragged to a place on the form: nothing but its level and turn changes. */
export function draggedTo({ over, where, side }: Thing, at: Point3): Placement {
	const mirror = where!.limb === 'trunk' && side === 'right' ? -1 : 1;
	const skin = skinOf(over, where!.limb, side ?? 'left', 0);
	const { level, turn } = skin.pointAt([mirror * at[0], at[1], at[2]]);
	const round = (v: number) => Math.round(v * 100) / 100;
	// What goes round a limb is only moved along it.
	return { ...where!, level: round(level), turn: where!.way === 'round' ? where!.turn : round(turn) };
}

/** Where a thing stands in words: `Round the arm: between forearm and wrist.` */
export function placeWords({ where, over }: Thing): string {
	const { limb, way, level, out } = where!;
	const names = over.limbs.find((l) => l.name === limb)!.sections.map((s) => s.level.name);
	const whole = Math.round(level);
	const name = (n: number) => names[Math.min(Math.max(n, 0), names.length - 1)]!;
	const words =
		level <= -0.9
			? 'the very top'
			: level < 0
				? `above the ${name(0)}`
				: Math.abs(level - whole) < 0.15
					? name(whole)
					: `between ${name(Math.floor(level))} and ${name(Math.ceil(level))}`;
	return `${way === 'round' ? 'Round' : 'On'} the ${limb}: ${words}${out ? ', moved off it' : ''}.`;
}
