import type { Family } from '../facts/material.ts';
import type { CautionKey } from './caution.ts';
import type { DriverKey } from './driver.ts';

/**
 * Techniques and their starting rates. A step's hands-on minutes are
 * set-up + driver amount × copies × minutes per unit, at three points.
 *
 * The rates are starting values, from memory, that the maker edits and that logged work corrects.
 */
export const DRIVERS = ['length', 'area', 'count'] as const;
export type Driver = (typeof DRIVERS)[number];

/** A driver amount is stored in mm, mm² or a count; rates are per metre, square metre or one. */
export const BASE_PER_UNIT: Record<Driver, number> = { length: 1000, area: 1_000_000, count: 1 };

/** What work is done to: solids (foam, boards), cloth, or either. */
export const GROUNDS = ['any', 'solid', 'cloth', 'solidElseCloth'] as const;
export type Ground = (typeof GROUNDS)[number];
/** The families of a ground; of a later list only where there is nothing of an earlier. Null for all. */
export const FAMILIES_OF_GROUND: Record<Ground, readonly (readonly Family[])[] | null> = {
	any: null,
	solid: [['foam', 'hard']],
	cloth: [['cloth']],
	solidElseCloth: [['foam', 'hard'], ['cloth']]
};

export const LAYERS_DONE = ['once', 'each', 'between'] as const;
export type LayersDone = (typeof LAYERS_DONE)[number];

/** What goes wrong with such work and has to be done again; its starting odds are in `redo.ts`. */
export const REDO_KINDS = ['coat', 'fit', 'glue'] as const;
export type RedoKind = (typeof REDO_KINDS)[number];

export interface Technique {
	name: string;
	driver: Driver;
	/** What the amount counts, in words: `outline`, `seam`, `piece`. */
	of: string;
	/** Usual minutes per metre, per square metre or each. */
	minutes: number;
	/** What of a component's pieces the amount can follow; null when pieces do not tell. */
	follows: DriverKey | null;
	ground: Ground;
	/** Of a piece of several layers: done once to the whole, to each of them, or between them. */
	layers: LayersDone;
	/** Its waiting is drying: longer in the cold or damp. */
	dries: boolean;
	redo: RedoKind | null;
	cautions: readonly CautionKey[];
	/** Where the row is from. */
	source: string;
}

type More = Partial<Pick<Technique, 'follows' | 'ground' | 'layers' | 'dries' | 'redo' | 'cautions'>>;
const START = 'starting value, from memory';
const row = (name: string, driver: Driver, of: string, minutes: number, more: More): Technique => ({
	name,
	driver,
	of,
	minutes,
	follows: null,
	ground: 'any',
	layers: 'once',
	dries: false,
	redo: null,
	cautions: [],
	source: START,
	...more
});
const perMetre = (name: string, of: string, minutes: number, more: More = {}) =>
	row(name, 'length', of, minutes, more);
const perArea = (name: string, minutes: number, more: More = {}) =>
	row(name, 'area', 'outside area', minutes, { follows: 'area', ...more });
const each = (name: string, of: string, minutes: number, more: More = {}) =>
	row(name, 'count', of, minutes, more);

export const TECHNIQUES = {
	draft: each('draft pattern', 'piece', 12, { follows: 'patterns' }),
	mockUp: each('mock-up', 'piece', 10, { follows: 'pieces' }),
	trace: perMetre('trace and label', 'outline', 1 / 1, { follows: 'outline', layers: 'each' }),
	cutFoam: perMetre('cut foam', 'outline', 1 / 0.6, {
		follows: 'outline',
		ground: 'solid',
		layers: 'each',
		cautions: ['blade']
	}),
	bevel: perMetre('bevel', 'bevelled edge', 1 / 0.3, {
		follows: 'bevelled',
		ground: 'solid',
		cautions: ['blade']
	}),
	heatShape: each('heat-shape', 'piece', 3, { follows: 'pieces', ground: 'solid', cautions: ['heat'] }),
	cement: perMetre('cement and join', 'seam', 1 / 0.25, {
		follows: 'seam',
		ground: 'solid',
		dries: true,
		redo: 'glue',
		cautions: ['solvent']
	}),
	// Both faces brushed as a coat is, then laid on each other and pressed.
	stack: perArea('stack layers', 2 / 0.02 + 10, {
		ground: 'solid',
		layers: 'between',
		cautions: ['solvent']
	}),
	caulk: perMetre('fill seams', 'seam', 1 / 0.4, { follows: 'seam', ground: 'solid', dries: true }),
	carveLine: each('carve lines', 'line', 1.2, { cautions: ['blade', 'heat'] }),
	heatSeal: perArea('heat-seal', 10, { ground: 'solid', cautions: ['heat'] }),
	cutCloth: perMetre('cut cloth', 'outline', 2, {
		follows: 'outline',
		ground: 'cloth',
		layers: 'each',
		cautions: ['blade']
	}),
	interface: each('interface and interline', 'piece', 4, { follows: 'pieces', ground: 'cloth' }),
	baste: perMetre('baste', 'seam', 4, { follows: 'seam', ground: 'cloth' }),
	sewMachine: perMetre('sew by machine', 'seam', 1 / 0.5, {
		follows: 'seam',
		ground: 'cloth',
		cautions: ['needle']
	}),
	sewStretch: perMetre('sew with a stretch stitch', 'seam', 1 / 0.4, {
		follows: 'seam',
		ground: 'cloth',
		cautions: ['needle']
	}),
	sewHand: perMetre('sew by hand', 'seam', 1 / 0.06, { follows: 'seam', ground: 'cloth' }),
	bind: perMetre('bind edges', 'edge', 1 / 0.15, { follows: 'edge', ground: 'cloth' }),
	gather: perMetre('gather or pleat', 'strip', 3, { follows: 'gathered', ground: 'cloth' }),
	markLine: perMetre('mark lines', 'line', 2),
	unpick: perMetre('unpick', 'seam', 6, { follows: 'seam', ground: 'cloth' }),
	press: each('press', 'garment', 15),
	closure: each('sew in closure', 'closure', 25),
	hookAndLoop: each('hook-and-loop', 'join', 6),
	eyelet: each('set eyelets', 'eyelet', 1.5, { follows: 'eyelets' }),
	magnet: each('glue in magnets', 'pair', 8, { cautions: ['solvent'] }),
	elastic: perMetre('sew in elastic', 'elastic', 5, { cautions: ['needle'] }),
	boning: perMetre('bone', 'bone', 6, { follows: 'boned', cautions: ['blade'] }),
	stuff: each('stuff', 'litre', 6),
	snap: each('snap', 'join', 3),
	buckle: each('buckle strap', 'join', 15, { cautions: ['blade'] }),
	sculpt: perArea('sculpt', 300, { ground: 'solid', cautions: ['blade'] }),
	sand: perArea('sand', 60, { ground: 'solid', cautions: ['dust'] }),
	mask: perMetre('mask', 'edge masked', 8, { follows: null }),
	clean: perArea('clean and scuff', 15, { ground: 'solidElseCloth', cautions: ['dust'] }),
	spray: perArea('spray a coat', 1 / 0.25, { ground: 'solidElseCloth', cautions: ['solvent'] }),
	brush: perArea('brush a coat', 1 / 0.02, { ground: 'solidElseCloth' }),
	dryBrush: perArea('dry-brush', 1 / 0.05, { ground: 'solidElseCloth' }),
	pressTexture: perArea('press in a texture', 40, { ground: 'solid', cautions: ['heat'] }),
	stampTexture: each('stamp', 'stamp', 0.5, { ground: 'solid' }),
	burnTexture: perArea('burn in a grain', 150, { ground: 'solid', cautions: ['heat', 'solvent'] }),
	detailPaint: perArea('detail paint', 90, { ground: 'solidElseCloth' }),
	stretchOn: perArea('stretch cloth on', 60, { ground: 'cloth', cautions: ['solvent'] }),
	embroider: perMetre('stitch by hand', 'cord', 25),
	fit: each('fitting', 'fitting', 30, { redo: 'fit' }),
	weft: perMetre('add wefts', 'weft', 1 / 0.1),
	trimHair: each('trim and thin', 'wig', 45, { cautions: ['blade'] }),
	styleHair: each('style', 'wig', 90, { cautions: ['heat'] }),
	attach: each('attach', 'ornament', 8),
	sleeve: each('fit sleeve and pin', 'sleeve', 20, { cautions: ['blade'] }),
	printSetUp: each('slice and start print', 'print', 20, { cautions: ['heat'] }),
	printClean: each('clean print', 'print', 20, { cautions: ['blade', 'dust'] }),
	master: each('make master', 'master', 120),
	mould: each('make mould', 'mould', 60, { cautions: ['resin'] }),
	pour: each('pour', 'pour', 12, { cautions: ['resin'] }),
	wire: each('wire', 'light', 12, { cautions: ['electric'] }),
	test: each('test', 'test', 10),
	other: each('other work', 'minute', 1)
} as const satisfies Record<string, Technique>;

/** A technique that ships with the app. */
export type StandardTechnique = keyof typeof TECHNIQUES;
