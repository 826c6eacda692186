import type { CoatProductKey } from '../facts/coat.ts';
import type { Kind } from '../facts/component.ts';
import type { Phase, TechniqueKey } from '../facts/step.ts';
import type { StandardCoatProduct } from './coatProduct.ts';
import type { Takes } from './driver.ts';
import type { StandardTechnique } from './technique.ts';

/**
 * Routes: the usual steps per technique (common practice). A route is a starting list that the
 * maker edits; amounts are starting values for a middling component.
 */
export interface RouteStep {
	name: string;
	technique: TechniqueKey;
	phase: Phase;
	/** mm, mm² or a count, for one copy. */
	amount: number;
	/** What of the pieces it takes, where that is not what its technique follows. */
	takes?: Takes;
	perCopy: boolean;
	waitMinutes: number;
	oneSitting: boolean;
	needsHelper: boolean;
	needsSprayPlace: boolean;
}

/** Coats of the stack stand in the route where they are put on. */
export interface RouteCoat {
	product: CoatProductKey;
	coats: number;
}

export interface Route {
	name: string;
	kinds: readonly Kind[];
	/** Outside area of one copy, mm², for its coats. */
	area: number;
	steps: readonly (RouteStep | RouteCoat)[];
	/** Where the row is from. */
	source: string;
}

type Extra = Partial<Omit<RouteStep, 'name' | 'technique' | 'phase' | 'amount'>>;

const step = (
	phase: Phase,
	name: string,
	technique: StandardTechnique,
	amount: number,
	extra: Extra = {}
): RouteStep => ({
	name,
	technique,
	phase,
	amount,
	perCopy: phase !== 'pattern',
	waitMinutes: 0,
	oneSitting: false,
	needsHelper: false,
	needsSprayPlace: false,
	...extra
});
const coat = (product: StandardCoatProduct, coats: number): RouteCoat => ({ product, coats });

const m = (metres: number) => metres * 1000;
const m2 = (area: number) => area * 1_000_000;

const H = 60;
/** Pieces do not tell how much of it there is: it is done to a part of them, or to what no piece is drawn of. */
const partly: Extra = { takes: 'nothing' };
const once: Extra = { perCopy: false };
const sitting: Extra = { oneSitting: true };
const fitting = step('fit', 'fit', 'fit', 1, { perCopy: false, needsHelper: true });
const rig = step('rig', 'rig', 'hookAndLoop', 2);

const foamToDetail = [
	step('pattern', 'pattern', 'draft', 3),
	step('pattern', 'mock-up', 'mockUp', 3),
	step('make', 'trace and label', 'trace', m(3)),
	step('make', 'cut', 'cutFoam', m(3)),
	step('make', 'bevel', 'bevel', m(1.5)),
	step('make', 'heat-shape', 'heatShape', 3),
	step('make', 'join', 'cement', m(1.5), { ...sitting, waitMinutes: 24 * H }),
	step('make', 'fill seams', 'caulk', m(1.5), { waitMinutes: 4 * H }),
	step('make', 'detail layer', 'cutFoam', m(2), partly)
];

const paintAndRig = [
	coat('fillerPrimer', 2),
	coat('acrylicSpray', 2),
	step('finish', 'detail paint', 'detailPaint', m2(0.05), { ...partly, waitMinutes: 2 * H }),
	step('finish', 'wear effects', 'dryBrush', m2(0.15), { waitMinutes: 2 * H }),
	coat('clearSpray', 2),
	rig,
	fitting
];

const PRACTICE = 'common practice; amounts are starting values';

export const ROUTES = {
	foamPlate: {
		name: 'foam plate',
		kinds: ['armor', 'prop'],
		area: m2(0.15),
		source: PRACTICE,
		steps: [...foamToDetail, step('finish', 'heat-seal', 'heatSeal', m2(0.15)), ...paintAndRig]
	},
	thermoplasticOverFoam: {
		name: 'thermoplastic over foam',
		kinds: ['armor', 'prop'],
		area: m2(0.15),
		source: PRACTICE,
		steps: [
			...foamToDetail,
			step('make', 'cut skin with fold-over', 'cutFoam', m(3.5)),
			step('make', 'heat and press', 'heatShape', 6, sitting),
			step('make', 'fold edge', 'heatShape', 3, sitting),
			step('finish', 'smooth', 'sand', m2(0.15)),
			...paintAndRig
		]
	},
	clothWrappedFoam: {
		name: 'cloth-wrapped foam',
		kinds: ['armor', 'garment'],
		area: m2(0.15),
		source: PRACTICE,
		steps: [
			...foamToDetail.slice(0, 7),
			step('make', 'cut cloth with wrap allowance', 'cutCloth', m(3.2)),
			step('make', 'spray back', 'spray', m2(0.15), { needsSprayPlace: true, waitMinutes: 10 }),
			step('make', 'stretch on', 'stretchOn', m2(0.15), sitting),
			step('make', 'glue turned edge when tacky', 'cement', m(1.5), {
				takes: 'outline',
				...sitting,
				waitMinutes: 24 * H
			}),
			step('finish', 'wrap raised edges', 'stretchOn', m2(0.05), partly),
			rig,
			fitting
		]
	},
	sculpted: {
		name: 'carved or sculpted',
		kinds: ['armor', 'prop'],
		area: m2(0.08),
		source: PRACTICE,
		steps: [
			step('pattern', 'sketch at true size', 'draft', 1),
			step('make', 'core', 'cutFoam', m(1)),
			step('make', 'sculpt', 'sculpt', m2(0.08)),
			step('make', 'smooth with water', 'clean', m2(0.08), { waitMinutes: 48 * H }),
			step('finish', 'sand', 'sand', m2(0.08)),
			coat('pva', 5),
			coat('brushedAcrylic', 2),
			coat('clearSpray', 2),
			rig
		]
	},
	printedPart: {
		name: 'printed part',
		kinds: ['armor', 'prop'],
		area: m2(0.06),
		source: PRACTICE,
		steps: [
			step('pattern', 'check model and scale', 'test', 2),
			step('make', 'print', 'printSetUp', 1, { waitMinutes: 10 * H }),
			step('make', 'clean', 'printClean', 1),
			step('finish', 'fill and sand', 'sand', m2(0.12)),
			coat('fillerPrimer', 3),
			coat('acrylicSpray', 2),
			coat('clearSpray', 2),
			rig
		]
	},
	castPart: {
		name: 'cast part',
		kinds: ['armor', 'prop'],
		area: m2(0.03),
		source: PRACTICE,
		steps: [
			step('pattern', 'master', 'master', 1),
			step('make', 'mould', 'mould', 1, { ...once, ...sitting, waitMinutes: 16 * H }),
			step('make', 'pour', 'pour', 1, { ...sitting, waitMinutes: 6 * H }),
			step('make', 'trim', 'printClean', 1),
			coat('acrylicSpray', 2),
			coat('clearSpray', 1),
			rig
		]
	},
	foundObject: {
		name: 'found object',
		kinds: ['armor', 'prop', 'garment'],
		area: m2(0.1),
		source: PRACTICE,
		steps: [
			step('make', 'clean and scuff', 'clean', m2(0.1)),
			step('make', 'strip or cut', 'other', 20),
			step('make', 'rebuild', 'other', 60),
			coat('fillerPrimer', 1),
			coat('acrylicSpray', 2),
			rig
		]
	},
	wovenGarment: {
		name: 'woven garment',
		kinds: ['garment'],
		area: m2(1.5),
		source: PRACTICE,
		steps: [
			step('pattern', 'pattern', 'draft', 5),
			step('pattern', 'cloth mock-up', 'sewMachine', m(6)),
			step('pattern', 'fit mock-up', 'fit', 1, { needsHelper: true }),
			step('make', 'cut', 'cutCloth', m(10)),
			step('make', 'interface and interline', 'interface', 4),
			step('make', 'baste', 'baste', m(3)),
			step('make', 'sew', 'sewMachine', m(12)),
			step('make', 'closure', 'closure', 1),
			step('make', 'line', 'sewMachine', m(8), partly),
			step('finish', 'hem', 'sewMachine', m(3), { takes: 'edge' }),
			step('finish', 'press', 'press', 1),
			step('finish', 'trim', 'sewHand', m(1), partly),
			fitting
		]
	},
	stretchGarment: {
		name: 'stretch garment',
		kinds: ['garment'],
		area: m2(1.5),
		source: PRACTICE,
		steps: [
			step('pattern', 'pattern with negative ease', 'draft', 4),
			step('make', 'cut', 'cutCloth', m(8)),
			step('make', 'sew with stretch seam', 'sewStretch', m(8)),
			step('make', 'closure', 'closure', 1),
			fitting
		]
	},
	layeredSkirt: {
		name: 'layered net skirt',
		kinds: ['garment'],
		area: m2(3),
		source: PRACTICE,
		steps: [
			step('pattern', 'plan layers', 'draft', 3, partly),
			step('make', 'base', 'sewMachine', m(5), partly),
			step('make', 'mark layer lines', 'markLine', m(12)),
			step('make', 'cut layers', 'cutCloth', m(60)),
			step('make', 'edge shapes', 'cutCloth', m(40), { takes: 'shaped' }),
			step('make', 'gather or pleat', 'gather', m(60)),
			step('make', 'sew on, bottom up, alternating', 'sewMachine', m(14), { takes: 'seam line' }),
			step('make', 'hoop channel', 'sewMachine', m(2), { takes: 'seam channel' }),
			step('finish', 'tack', 'sewHand', m(1), partly),
			step('finish', 'decorate', 'attach', 12),
			fitting
		]
	},
	alteredGarment: {
		name: 'altered garment',
		kinds: ['garment'],
		area: m2(1.2),
		source: PRACTICE,
		steps: [
			step('pattern', 'try on and mark', 'fit', 1, { needsHelper: true }),
			step('make', 'unpick or cut', 'unpick', m(2), partly),
			step('make', 'sew', 'sewMachine', m(4), partly),
			step('make', 'add panels', 'sewMachine', m(3)),
			step('finish', 'dye test swatch', 'test', 2, { waitMinutes: 12 * H }),
			step('finish', 'paint or dye', 'other', 45, { waitMinutes: 24 * H }),
			fitting
		]
	},
	applique: {
		name: 'appliqué or embroidery',
		kinds: ['garment', 'prop'],
		area: m2(0.05),
		source: PRACTICE,
		steps: [
			step('pattern', 'transfer', 'markLine', m(3)),
			step('make', 'stitch', 'embroider', m(3)),
			step('finish', 'back', 'interface', 1)
		]
	},
	wig: {
		name: 'wig',
		kinds: ['wig'],
		area: m2(0.1),
		source: PRACTICE,
		steps: [
			step('pattern', 'wash and fit on head form', 'fit', 1, { waitMinutes: 12 * H }),
			step('make', 'trim and thin', 'trimHair', 1),
			step('make', 'add wefts', 'weft', m(4)),
			step('finish', 'style and set', 'styleHair', 1, { ...sitting, waitMinutes: 12 * H }),
			step('finish', 'attach ornaments', 'attach', 3),
			fitting
		]
	},
	light: {
		name: 'light',
		kinds: ['prop', 'armor'],
		area: m2(0.02),
		source: PRACTICE,
		steps: [
			step('pattern', 'try diffuse layers', 'test', 2),
			step('rig', 'place', 'attach', 2),
			step('rig', 'wire', 'wire', 2),
			step('rig', 'switch and battery in reach', 'attach', 2),
			step('fit', 'test', 'test', 2)
		]
	}
} as const satisfies Record<string, Route>;

/** A route that ships with the app. */
export type StandardRoute = keyof typeof ROUTES;
export const isRouteCoat = (entry: RouteStep | RouteCoat): entry is RouteCoat => 'product' in entry;
