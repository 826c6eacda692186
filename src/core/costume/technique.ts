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

export interface Technique {
	name: string;
	driver: Driver;
	/** What the amount counts: `outline`, `seam`, `piece`. */
	of: string;
	/** Usual minutes per metre, per square metre or each. */
	minutes: number;
}

const perMetre = (name: string, of: string, minutes: number): Technique => ({
	name,
	driver: 'length',
	of,
	minutes
});
const perArea = (name: string, minutes: number): Technique => ({
	name,
	driver: 'area',
	of: 'outside area',
	minutes
});
const each = (name: string, of: string, minutes: number): Technique => ({
	name,
	driver: 'count',
	of,
	minutes
});

export const TECHNIQUES = {
	draft: each('draft pattern', 'piece', 12),
	mockUp: each('mock-up', 'piece', 10),
	trace: perMetre('trace and label', 'outline', 1 / 1),
	cutFoam: perMetre('cut foam', 'outline', 1 / 0.6),
	bevel: perMetre('bevel', 'bevelled edge', 1 / 0.3),
	heatShape: each('heat-shape', 'piece', 3),
	cement: perMetre('cement and join', 'seam', 1 / 0.25),
	// Both faces brushed as a coat is, then laid on each other and pressed.
	stack: perArea('stack layers', 2 / 0.02 + 10),
	caulk: perMetre('fill seams', 'seam', 1 / 0.4),
	carveLine: each('carve lines', 'line', 1.2),
	heatSeal: perArea('heat-seal', 10),
	cutCloth: perMetre('cut cloth', 'outline', 2),
	interface: each('interface and interline', 'piece', 4),
	baste: perMetre('baste', 'seam', 4),
	sewMachine: perMetre('sew by machine', 'seam', 1 / 0.5),
	sewHand: perMetre('sew by hand', 'seam', 1 / 0.06),
	bind: perMetre('bind edges', 'edge', 1 / 0.15),
	gather: perMetre('gather or pleat', 'strip', 3),
	markLine: perMetre('mark lines', 'line', 2),
	unpick: perMetre('unpick', 'seam', 6),
	press: each('press', 'garment', 15),
	closure: each('sew in closure', 'closure', 25),
	hookAndLoop: each('hook-and-loop', 'join', 6),
	snap: each('snap', 'join', 3),
	buckle: each('buckle strap', 'join', 15),
	sculpt: perArea('sculpt', 300),
	sand: perArea('sand', 60),
	clean: perArea('clean and scuff', 15),
	spray: perArea('spray a coat', 1 / 0.25),
	brush: perArea('brush a coat', 1 / 0.02),
	dryBrush: perArea('dry-brush', 1 / 0.05),
	detailPaint: perArea('detail paint', 90),
	stretchOn: perArea('stretch cloth on', 60),
	embroider: perMetre('stitch by hand', 'cord', 25),
	fit: each('fitting', 'fitting', 30),
	weft: perMetre('add wefts', 'weft', 1 / 0.1),
	trimHair: each('trim and thin', 'wig', 45),
	styleHair: each('style', 'wig', 90),
	attach: each('attach', 'ornament', 8),
	printSetUp: each('slice and start print', 'print', 20),
	printClean: each('clean print', 'print', 20),
	master: each('make master', 'master', 120),
	mould: each('make mould', 'mould', 60),
	pour: each('pour', 'pour', 12),
	wire: each('wire', 'light', 12),
	test: each('test', 'test', 10),
	other: each('other work', 'minute', 1)
} as const satisfies Record<string, Technique>;

export type TechniqueKey = keyof typeof TECHNIQUES;
export const TECHNIQUE_KEYS = Object.keys(TECHNIQUES) as [TechniqueKey, ...TechniqueKey[]];

/** Good, usual, bad. */
export type ThreePoints = readonly [number, number, number];

/** How far a good and a bad day lie from the usual one, until logged work says better. Starting values. */
export const GOOD_DAY = 0.7;
export const BAD_DAY = 1.8;

export type Rates = Readonly<Partial<Record<TechniqueKey, ThreePoints>>>;

/** Minutes per unit: the maker's own where set, else the starting value with its spread. */
export function rateOf(technique: TechniqueKey, own: Rates = {}): ThreePoints {
	const { minutes } = TECHNIQUES[technique];
	return own[technique] ?? [minutes * GOOD_DAY, minutes, minutes * BAD_DAY];
}
