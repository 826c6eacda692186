import type { CautionKey } from './caution.ts';

/** Glues, and what is known of their use. Null is not known here: the tin or tube says its own. */
export interface Glue {
	name: string;
	/** Both faces of a joint. */
	mlPerM2: number | null;
	/** Along a butted seam, both faces. */
	mlPerMetre: number | null;
	/** Both faces are left so long before they touch … */
	tackMinutes: number | null;
	/** … and are pressed before so long. */
	openMinutes: number | null;
	/** Before it is loaded, bent or trimmed. */
	fullMinutes: number | null;
	/** How strongly it holds what it is for: 1 light, 2 middling, 3 strong; null where nobody knows. */
	strength: number | null;
	/** It bends with what it holds. */
	flexible: boolean;
	washable: boolean;
	/** °C that it bears: a closed car in the sun comes to 60; null where nobody knows. */
	heatLimit: number | null;
	/** mm of gap that it fills; null where nobody knows. */
	gapMm: number | null;
	/** Its solvent melts polystyrene. */
	solvent: boolean;
	cautions: readonly CautionKey[];
	/** Where the row is from. */
	source: string;
}

const glue = (name: string, cautions: readonly CautionKey[], more: Partial<Glue> = {}): Glue => ({
	name,
	mlPerM2: null,
	mlPerMetre: null,
	tackMinutes: null,
	openMinutes: null,
	fullMinutes: null,
	strength: null,
	flexible: false,
	washable: false,
	heatLimit: null,
	gapMm: null,
	solvent: false,
	cautions,
	source: 'common practice',
	...more
});
const DAY = 1440;

const MEMORY = 'starting value, from memory: the label says its own';
export const GLUES = {
	contactCement: glue('contact cement', ['solvent'], {
		mlPerM2: 450,
		mlPerMetre: 15,
		tackMinutes: 15,
		openMinutes: 60,
		fullMinutes: DAY,
		strength: 3,
		flexible: true,
		washable: true,
		heatLimit: 70,
		gapMm: 0.3,
		solvent: true,
		source: 'starting value, from memory: the tin says its own'
	}),
	hotGlue: glue('hot glue', ['heat'], {
		mlPerMetre: 12,
		tackMinutes: 0,
		openMinutes: 1,
		fullMinutes: 5,
		strength: 2,
		washable: true,
		heatLimit: 50,
		gapMm: 5,
		source: MEMORY
	}),
	cyanoacrylate: glue('cyanoacrylate', ['solvent'], {
		mlPerMetre: 4,
		tackMinutes: 0,
		openMinutes: 1,
		fullMinutes: DAY,
		strength: 3,
		heatLimit: 80,
		gapMm: 0.1,
		source: MEMORY
	}),
	fabricGlue: glue('fabric glue', [], {
		mlPerMetre: 10,
		mlPerM2: 250,
		tackMinutes: 5,
		openMinutes: 15,
		fullMinutes: DAY,
		strength: 2,
		flexible: true,
		washable: true,
		heatLimit: 60,
		gapMm: 0.5,
		source: MEMORY
	}),
	industrialGlue: glue('industrial solvent glue', ['solvent'], {
		mlPerMetre: 12,
		tackMinutes: 5,
		openMinutes: 20,
		fullMinutes: DAY,
		strength: 3,
		flexible: true,
		washable: true,
		heatLimit: 80,
		gapMm: 1,
		solvent: true,
		source: MEMORY
	}),
	sprayAdhesive: glue('spray adhesive', ['solvent'], {
		mlPerM2: 200,
		tackMinutes: 2,
		openMinutes: 15,
		fullMinutes: DAY,
		strength: 1,
		flexible: true,
		heatLimit: 50,
		gapMm: 0.2,
		solvent: true,
		source: MEMORY
	}),
	woodGlue: glue('PVA', [], {
		mlPerMetre: 8,
		mlPerM2: 200,
		tackMinutes: 0,
		openMinutes: 10,
		fullMinutes: DAY,
		strength: 2,
		heatLimit: 50,
		gapMm: 0.2,
		source: MEMORY
	}),
	skinAdhesive: glue('skin-safe adhesive', ['skin'], {
		strength: 1,
		flexible: true,
		heatLimit: 40,
		gapMm: 0.1,
		source: MEMORY
	})
} as const satisfies Record<string, Glue>;
