import type { Kind } from '../facts/component.ts';
import type { Zone } from '../facts/zone.ts';

/** Where a costume rubs: what is weathered there looks worn, and what is not protected there is worn first. Common practice. */
export interface WearSpot {
	name: string;
	why: string;
	/** Zones without their side; none: wherever it is. */
	zones: readonly string[];
	/** Of what; none: of anything that is worn. */
	kinds: readonly Kind[];
	/** Of the outside area, from memory. */
	share: number;
}

const HARD: readonly Kind[] = ['armor', 'prop'];
const spot = (
	name: string,
	why: string,
	share: number,
	zones: readonly string[],
	kinds: readonly Kind[] = []
): WearSpot => ({ name, why, zones, kinds, share });

export const WEAR_SPOTS = {
	edges: spot('free edges and corners', 'Whatever passes by catches on them.', 0.08, [], HARD),
	grip: spot('grip', 'Hands hold it, and are wiped on it.', 0.1, [], ['prop']),
	hands: spot('palms and finger tips', 'Hands grip, and are wiped on.', 0.15, ['hand']),
	forearms: spot('outer side of the forearm', 'It lies on tables and rails.', 0.1, ['forearm']),
	shoulders: spot('where straps lie', 'Straps and bags rub there.', 0.08, ['shoulder']),
	belt: spot('along the belt', 'The belt moves with every bend.', 0.06, ['waist']),
	seat: spot('seat', 'It is sat on.', 0.12, ['hips'], ['garment', 'armor']),
	knees: spot('knees', 'They bend, and are knelt on.', 0.1, ['thigh', 'shin']),
	feet: spot('toes and heels', 'They meet steps and kerbs.', 0.15, ['foot']),
	brim: spot('brim and crown', 'There it is taken hold of.', 0.08, ['head'], HARD)
} as const satisfies Record<string, WearSpot>;

/** Beneath something that is worn over it: share of the outside area that touches, from memory. */
export const BENEATH_SHARE = 0.1;

/** `upper-arm-left` → `upper-arm`. */
export const plainZone = (zone: Zone): string => zone.replace(/-(left|right)$/, '');
