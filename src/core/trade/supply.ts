import type { Family } from '../facts/material.ts';
import type { TechniqueKey } from '../facts/step.ts';
import type { StandardTechnique } from './technique.ts';

/** How much of a supply a technique uses up. */
export interface SupplyUse {
	technique: TechniqueKey;
	/** Units of the supply for one metre, m² or piece of the technique. */
	amount: number;
}

/** What work uses up by the way: nothing that is drawn as a piece or put on as a coat. */
export interface Supply {
	name: string;
	family: Family;
	unit: string;
	/** Units in a pack, as a rule. */
	pack: number;
	uses: readonly SupplyUse[];
	/** A glue of the handbook: joints take as much as its row says. */
	glue: string | null;
	/** Where the row is from. */
	source: string;
}

/**
 * Metres of thread in a metre of lockstitch, needle thread and bobbin together: each goes along the seam and, where they lock in
 * the middle of the cloth, once through its thickness for every stitch. Handbook arithmetic of sewing; tension adds to it.
 * @param stitch mm from stitch to stitch
 * @param thickness mm of all layers
 */
export const lockstitchThread = (stitch: number, thickness: number): number => 2 * (1 + thickness / stitch);

/** Two layers of a middling cloth. */
const TWO_LAYERS_MM = 1;
const seam = lockstitchThread(2.5, TWO_LAYERS_MM);
/** A zigzag is longer than the seam by its width: 1.5 mm along, 3 mm across. */
const stretchSeam = 2 * ((Math.hypot(1.5, 3) + TWO_LAYERS_MM) / 1.5);
const gatherRow = lockstitchThread(4, TWO_LAYERS_MM / 2);

const START = 'starting value, from memory';
type Uses = Partial<Record<StandardTechnique, number>>;
const supply = (
	name: string,
	family: Family,
	unit: string,
	pack: number,
	uses: Uses,
	source = START,
	glue: string | null = null
): Supply => ({
	name,
	family,
	unit,
	pack,
	uses: Object.entries(uses).map(([technique, amount]) => ({ technique, amount })),
	glue,
	source
});

export const SUPPLIES = {
	sewingThread: supply(
		'sewing thread',
		'other',
		'm',
		500,
		{
			sewMachine: seam,
			sewStretch: stretchSeam,
			// One thread: a back stitch lies three times over.
			sewHand: 3,
			baste: 1.3,
			// Sewn on and sewn down.
			bind: 2 * seam,
			// Two rows of long stitches.
			gather: 2 * gatherRow,
			closure: 2,
			elastic: stretchSeam,
			boning: 2 * seam
		},
		'stitches of 2.5 mm through two layers of 0.5 mm, worked out; hand stitches are starting values, from memory'
	),
	cordToStitch: supply('cord or thread', 'other', 'm', 50, { embroider: 1 }),
	contactCement: supply(
		'contact cement',
		'glue',
		'ml',
		250,
		{},
		'as its row under Glues says',
		'contactCement'
	),
	sprayAdhesive: supply('spray adhesive', 'glue', 'ml', 400, { stretchOn: 200 }),
	caulk: supply('acrylic caulk', 'glue', 'ml', 300, { caulk: 30 }),
	hookAndLoop: supply('hook-and-loop', 'closure', 'm', 1, { hookAndLoop: 0.1 }),
	snap: supply('snaps', 'closure', 'piece', 10, { snap: 1 }),
	buckle: supply('buckles', 'closure', 'piece', 4, { buckle: 1 }),
	strapWebbing: supply('webbing for straps', 'closure', 'm', 5, { buckle: 0.4 }),
	closure: supply('zips or hooks', 'closure', 'piece', 1, { closure: 1 }),
	eyelet: supply('eyelets', 'closure', 'piece', 50, { eyelet: 1 }),
	// Crosswise over a gap of 30 mm at 25 mm from eyelet to eyelet, and ends to tie.
	lacingCord: supply('lacing cord', 'closure', 'm', 5, { eyelet: 0.08 }),
	magnet: supply('magnets', 'closure', 'piece', 10, { magnet: 2 }),
	elastic: supply('elastic', 'closure', 'm', 5, { elastic: 0.9 }),
	boning: supply('boning', 'other', 'm', 5, { boning: 1 }),
	stuffing: supply('stuffing', 'other', 'g', 500, { stuff: 25 }),
	weft: supply('wefts', 'hair', 'm', 2, { weft: 1 }),
	cell: supply('cells', 'light', 'piece', 4, { wire: 1.5 }),
	sandpaper: supply('sandpaper', 'other', 'sheet', 5, { sand: 4, clean: 1, printClean: 0.5 }),
	blade: supply('blades', 'other', 'piece', 10, { cutFoam: 0.1, bevel: 0.1 }),
	maskingTape: supply('masking tape', 'other', 'm', 25, { detailPaint: 20, mask: 1.1 })
} as const satisfies Record<string, Supply>;
