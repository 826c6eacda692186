import { related } from './layers.ts';
import { type Room, roomOver, sought, type Sought } from '../engines/assembly/room.ts';
import type { FormMesh } from '../engines/pattern/form.ts';
import { limbSurface } from '../engines/stand/surface.ts';
import type { Stand } from '../engines/stand/form.ts';
import type { Assembled, Thing } from './assembled.ts';

/** What lies over what, where they are nearest. */
export interface RoomFound {
	upper: Thing;
	/** Null is the body over what is worn beneath. */
	lower: Thing | null;
	room: Room;
	/** Flesh gives way a little; walls do not. */
	verdict: 'into' | 'close' | 'clear' | 'within';
}

/** Flesh and what is soft give way by so much, mm; from memory. */
const GIVES = 5;
/** Two walls that run into each other by less than this meet, mm: as exactly as foam is cut. */
const EXACT = 1;
/** Less than this is no room, mm. */
const CLOSE = 2;

/** What stands where it stood is looked at again: its tree stays. */
const trees = new WeakMap<FormMesh, Sought>();
const treeOf = (mesh: FormMesh) => trees.get(mesh) ?? trees.set(mesh, sought(mesh)).get(mesh)!;
const bodies = new WeakMap<Stand, Map<string, FormMesh>>();

function box({ vertices }: FormMesh, by: number): [number[], number[]] {
	const axis = [0, 1, 2];
	return [
		axis.map((k) => Math.min(...vertices.map((v) => v[k]!)) - by),
		axis.map((k) => Math.max(...vertices.map((v) => v[k]!)) + by)
	];
}

/** How much room each thing has over the limb that it stands on and over every other thing, cloth aside; what runs in farthest is first. */
export function roomsOf({ things }: Pick<Assembled, 'things'>): RoomFound[] {
	const found: RoomFound[] = [];
	const limbOf = ({ over, where, side }: Thing): FormMesh | null => {
		if (!where) return null;
		const key = `${where.limb} ${where.limb === 'trunk' ? '' : side}`;
		const known = bodies.get(over) ?? bodies.set(over, new Map()).get(over)!;
		const limb = over.limbs.find(
			(l) => l.name === where.limb && (l.side === 'none' || l.side === (side ?? 'left'))
		)!;
		return known.get(key) ?? known.set(key, limbSurface(limb, 2)).get(key)!;
	};
	for (const thing of things) {
		// What stretches is meant to be smaller than the body.
		if (thing.component.flex === 'stretch') continue;
		const body = limbOf(thing);
		const room = body && roomOver(thing.mesh.vertices, treeOf(body), [thing.form.thickness, 0]);
		if (room) found.push({ upper: thing, lower: null, room, verdict: verdictOf(room, GIVES) });
	}
	const boxes = things.map((t) => box(t.mesh, t.form.thickness / 2 + CLOSE));
	const byId = new Map(things.map((t) => [t.component.id, t.component]));
	things.forEach((a, i) =>
		things.slice(i + 1).forEach((b, k) => {
			if (a.soft || b.soft || a.component === b.component) return;
			if (related(a.component, b.component, byId)) return;
			const [p, q] = [boxes[i]!, boxes[i + 1 + k]!];
			if (![0, 1, 2].every((axis) => p[0][axis]! <= q[1][axis]! && q[0][axis]! <= p[1][axis]!)) return;
			const [upper, lower] = a.component.layer >= b.component.layer ? [a, b] : [b, a];
			const room = roomOver(upper.mesh.vertices, treeOf(lower.mesh), [
				upper.form.thickness,
				lower.form.thickness
			]);
			// On one layer either may lie over the other.
			if (room && !(room.lies === 'within' && a.component.layer === b.component.layer))
				found.push({ upper, lower, room, verdict: verdictOf(room, EXACT) });
		})
	);
	return found.sort((a, b) => a.room.mm - b.room.mm);
}

function verdictOf({ lies, mm }: Room, gives: number): RoomFound['verdict'] {
	if (lies === 'within') return 'within';
	if (mm < -gives) return 'into';
	return mm < CLOSE ? 'close' : 'clear';
}
