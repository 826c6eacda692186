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
	cautions,
	source: 'common practice',
	...more
});
const DAY = 1440;

export const GLUES = {
	contactCement: glue('contact cement', ['solvent'], {
		mlPerM2: 450,
		mlPerMetre: 15,
		tackMinutes: 15,
		openMinutes: 60,
		fullMinutes: DAY,
		source: 'starting value, from memory: the tin says its own'
	}),
	hotGlue: glue('hot glue', ['heat']),
	cyanoacrylate: glue('cyanoacrylate', ['solvent']),
	fabricGlue: glue('fabric glue', []),
	industrialGlue: glue('industrial solvent glue', ['solvent'], { fullMinutes: DAY }),
	sprayAdhesive: glue('spray adhesive', ['solvent']),
	woodGlue: glue('PVA', []),
	skinAdhesive: glue('skin-safe adhesive', ['skin'])
} as const satisfies Record<string, Glue>;
