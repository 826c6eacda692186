import type { SurfaceKey } from '../facts/component.ts';
import type { Family } from '../facts/material.ts';

/** What a stack of coats begins on. */
export interface Surface {
	name: string;
	/** Traits besides its key: what the rules of coats go by. */
	traits: readonly string[];
}

/** Common practice. */
export const SURFACES: Readonly<Record<SurfaceKey, Surface>> = {
	foam: { name: 'foam', traits: ['drinks'] },
	polystyrene: { name: 'polystyrene foam', traits: ['drinks', 'rough'] },
	cloth: { name: 'cloth', traits: ['drinks', 'bends', 'rough'] },
	leather: { name: 'leather, faux leather', traits: ['bends'] },
	plastic: { name: 'thermoplastic, plastic', traits: ['smooth'] },
	print: { name: '3D print', traits: ['rough'] },
	wood: { name: 'wood, card', traits: ['drinks', 'rough'] },
	metal: { name: 'metal', traits: ['smooth'] },
	clay: { name: 'foam clay, plaster', traits: ['drinks'] }
};

/** What sheets of a family are, as a rule. */
export const SURFACE_OF: Partial<Record<Family, SurfaceKey>> = {
	foam: 'foam',
	cloth: 'cloth',
	hard: 'plastic'
};
