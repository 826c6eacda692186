import type { Zone } from './zone.ts';

export const KINDS = ['armor', 'garment', 'wig', 'prop'] as const;
export const SIDES = ['none', 'left', 'right', 'pair'] as const;
export const FLEXES = ['rigid', 'stretch'] as const;
export const SOURCES = ['make', 'buy', 'alter', 'have'] as const;
/** What is coated, or shows. */
export const SURFACE_KEYS = [
	'foam',
	'polystyrene',
	'cloth',
	'leather',
	'plastic',
	'print',
	'wood',
	'metal',
	'clay'
] as const;
export const SEEN_FROM = ['near', 'stage', 'never'] as const;

export type Kind = (typeof KINDS)[number];
export type Side = (typeof SIDES)[number];
export type Flex = (typeof FLEXES)[number];
export type Source = (typeof SOURCES)[number];
export type SurfaceKey = (typeof SURFACE_KEYS)[number];
export type SeenFrom = (typeof SEEN_FROM)[number];

/** Of a row of the handbook. */
export type RouteKey = string;

/** What is put on, carried or repaired as one thing. */
export interface Component {
	id: number;
	costumeId: number;
	/** The component that this one is a part of. */
	parentId: number | null;
	position: number;
	code: string;
	name: string;
	kind: Kind;
	/** What it is made as: `6 mm foam plate`, `circle skirt`. */
	form: string;
	/** How deep it sits: 0 is skin. */
	layer: number;
	zones: Zone[];
	side: Side;
	count: number;
	flex: Flex;
	/** How much it stands off what is beneath, mm; null when nobody has said. */
	thicknessMm: number | null;
	source: Source;
	/** What it is of on the outside; null goes by its materials. */
	surface: SurfaceKey | null;
	/** The recipe that was put on it, as it was in that version, and the swatch that it goes by. */
	recipe: string | null;
	recipeVersion: number | null;
	swatchId: number | null;
	seenFrom: SeenFrom;
	/** How much the look needs it, 0 to 5. */
	lookNeed: number;
	route: RouteKey | null;
	/** Routes whose steps were added to those of its own. */
	furtherRoutes: RouteKey[];
	note: string;
	version: number;
}

/** A component of which nothing is said yet: one, rigid, made here, seen from near. */
export const PLAIN_COMPONENT = {
	kind: 'armor',
	form: '',
	layer: 1,
	zones: [] as Zone[],
	side: 'none',
	count: 1,
	flex: 'rigid',
	thicknessMm: null,
	source: 'make',
	surface: null,
	recipe: null,
	recipeVersion: null,
	swatchId: null,
	seenFrom: 'near',
	lookNeed: 3,
	route: null,
	furtherRoutes: [] as RouteKey[],
	note: ''
} satisfies Partial<Component>;

/** How often it is made: pairs and sets multiply, and so do the sets that it is a part of. */
export function copiesOf<C extends Pick<Component, 'id' | 'parentId' | 'side' | 'count'>>(
	component: C,
	byId: ReadonlyMap<number, C>
): number {
	let copies = 1;
	const seen = new Set<number>();
	for (let at: C | undefined = component; at && !seen.has(at.id); at = byId.get(at.parentId ?? -1)) {
		seen.add(at.id);
		copies *= at.count * (at.side === 'pair' ? 2 : 1);
	}
	return copies;
}

export interface Nested<T> {
	item: T;
	depth: number;
}

/** Components in ledger order: each followed by its parts, siblings by position. */
export function inLedgerOrder(components: readonly Component[]): Nested<Component>[] {
	const children = new Map<number | null, Component[]>();
	const ids = new Set(components.map((c) => c.id));
	for (const c of components) {
		const parent = c.parentId !== null && ids.has(c.parentId) ? c.parentId : null;
		children.set(parent, [...(children.get(parent) ?? []), c]);
	}
	const out: Nested<Component>[] = [];
	const walk = (parent: number | null, depth: number) => {
		for (const c of (children.get(parent) ?? []).sort((a, b) => a.position - b.position || a.id - b.id)) {
			out.push({ item: c, depth });
			walk(c.id, depth + 1);
		}
	};
	walk(null, 0);
	return out;
}

const KIND_LETTER: Record<Kind, string> = { armor: 'A', garment: 'G', wig: 'W', prop: 'P' };

/** The next free code of its kind: `A-03`. */
export function nextCode(kind: Kind, taken: readonly string[]): string {
	const used = new Set(taken);
	for (let n = 1; ; n++) {
		const code = `${KIND_LETTER[kind]}-${String(n).padStart(2, '0')}`;
		if (!used.has(code)) return code;
	}
}

/** `L`, `R`, `pair`, `×10`: what a tag says after the code. */
export function tagWords(component: Pick<Component, 'side' | 'count'>): string {
	const side = { none: '', left: 'L', right: 'R', pair: 'L+R' }[component.side];
	return [side, component.count > 1 ? `×${component.count}` : ''].filter(Boolean).join(' ');
}
