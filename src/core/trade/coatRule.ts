/**
 * What may go over what, as rules: whoever has a trait of `over` spoils, or has to be tried first, on whatever has one of `on`.
 *
 * Traits of a coat: its product’s key, its base, what it does, its sheen, `flexible` or `brittle`, `spray` or `brush`, `softens` where a hot
 * car is too hot for it, `last` where none comes over it, `coat`. Of a step: its technique. Of what is beneath: those of the coat directly
 * beneath, or of the surface while nothing lies on it (then also `bare`); and those of the part: `part`, `bends`, `painted` once
 * a coat is on, `masked`, `closed` once a closure is set, `joined` once it is joined to what has its colour already, `otherColour`.
 */
export const CURES = ['insert', 'swap', 'cure', 'under', 'mask'] as const;
/**
 * `insert`: a coat between; `swap`: another product instead; `cure`: wait until the one beneath is hard; `under`: it goes on before what it
 * would go over; `mask`: mask first.
 */
export type CureDoes = (typeof CURES)[number];
export interface Cure {
	does: CureDoes;
	/** Of `insert` and `swap`. */
	product: string | null;
}

export interface CoatRule {
	name: string;
	/** Any of them; `a+b` has both. */
	over: readonly string[];
	on: readonly string[];
	/** Any of these beneath, and the rule does not hold. */
	unless: readonly string[];
	/** It spoils; else it is tried on a scrap first. */
	spoils: boolean;
	/** Only until the one beneath has cured. */
	untilCured: boolean;
	why: string;
	cures: readonly Cure[];
	source: string;
}

const insert = (product: string): Cure => ({ does: 'insert', product });
const swap = (product: string): Cure => ({ does: 'swap', product });
const cure: Cure = { does: 'cure', product: null };
const under: Cure = { does: 'under', product: null };
const mask: Cure = { does: 'mask', product: null };
const rule = (
	name: string,
	over: readonly string[],
	on: readonly string[],
	why: string,
	cures: readonly Cure[],
	more: Partial<CoatRule> = {}
): CoatRule => ({
	name,
	over,
	on,
	unless: [],
	spoils: true,
	untilCured: false,
	why,
	cures,
	source: 'common practice',
	...more
});
const TEST = { spoils: false };

/** The first that holds is told of a coat. */
export const COAT_RULES = {
	enamelOverAcrylic: rule(
		'enamel over acrylic',
		['enamel'],
		['water+colour', 'solvent+colour', 'water+wash'],
		'Its solvent lifts the acrylic: it wrinkles.',
		[swap('acrylicSpray'), swap('brushedAcrylic'), insert('flexibleSealer')]
	),
	enamelOverRubber: rule(
		'enamel over a rubber coating',
		['enamel'],
		['rubber'],
		'The rubber stays soft beneath it: enamel stays sticky or cracks.',
		[insert('flexibleSealer'), swap('brushedAcrylic')]
	),
	solventOnPolystyrene: rule(
		'solvent on polystyrene',
		['solvent', 'enamel', 'rubber'],
		['polystyrene'],
		'Solvent melts polystyrene.',
		[insert('pva'), swap('brushedAcrylic')]
	),
	brittleOnBend: rule(
		'a brittle coat where it bends',
		['enamel', 'clear+brittle', 'pva', 'prime+brittle', 'solvent+colour+brittle'],
		['bends'],
		'It cracks at the first bend and flakes off.',
		[swap('flexibleSealer'), swap('flexibleClear'), swap('brushedAcrylic')]
	),
	leafOnBare: rule(
		'leaf or metal on a bare or rough ground',
		['size', 'metal'],
		['bare+drinks', 'bare+rough'],
		'Every pore shows through metal, and size sinks in.',
		[insert('flexibleSealer'), insert('fillerPrimer')]
	),
	paintOnBareFoam: rule(
		'paint on bare foam',
		['prime', 'colour'],
		['foam+bare', 'clay+bare'],
		'It drinks up the paint, and the paint cracks where it bends.',
		[insert('rubberSpray'), insert('flexibleSealer')],
		TEST
	),
	solventOverRubber: rule(
		'solvent over a rubber coating',
		['solvent'],
		['rubber'],
		'On rubber that is not hard yet it stays sticky; afterwards try it on a scrap.',
		[cure, insert('flexibleSealer')],
		{ ...TEST, untilCured: true }
	),
	solventOverWater: rule(
		'solvent over water paint',
		['solvent', 'enamel'],
		['water'],
		'On what is not dry all through it lifts and crazes.',
		[cure],
		{ ...TEST, untilCured: true }
	),
	overEnamel: rule(
		'acrylic over enamel',
		['water', 'solvent'],
		['enamel'],
		'It beads on fresh enamel: only when that is hard, and scuffed.',
		[cure],
		{ ...TEST, untilCured: true }
	),
	mattOverGloss: rule(
		'a matt clear over gloss or metal',
		['clear+matt'],
		['gloss', 'metal'],
		'The shine beneath is lost.',
		[swap('glossClear')],
		TEST
	),
	overClear: rule(
		'a coat over the clear',
		['seal', 'prime', 'colour', 'wash', 'size'],
		['clear'],
		'The clear goes on last: what comes over it is not held.',
		[under],
		TEST
	),
	colourOnJoined: rule(
		'another colour sprayed once painted parts are joined',
		['spray+colour'],
		['joined+otherColour'],
		'What has its colour is joined to it: spray reaches that too, and tape does not follow a joint. Spray each part before they are joined.',
		[under],
		TEST
	),
	secondColour: rule(
		'a second colour sprayed over the first',
		['spray+colour'],
		['otherColour'],
		'It covers all of the first, unless that is masked.',
		[mask],
		{ ...TEST, unless: ['masked'] }
	),
	glueOnPaint: rule(
		'glue on paint',
		['cement', 'stack', 'magnet'],
		['painted'],
		'The glue holds to the paint, and the paint lets go: faces to be glued stay bare.',
		[under, mask],
		{ unless: ['masked'] }
	),
	coatOverClosure: rule(
		'a coat over a closure',
		['coat'],
		['closed'],
		'Paint gums up hooks, snaps and buckles.',
		[under, mask],
		{ ...TEST, unless: ['masked'] }
	),
	heatOnPaint: rule(
		'heat on paint',
		['heatShape', 'heatSeal', 'carveLine', 'pressTexture', 'burnTexture'],
		['painted'],
		'Heat blisters and cracks what is on.',
		[under]
	),
	softInCar: rule(
		'a coat that a hot car softens',
		['softens+last'],
		['part'],
		'It bears less than the 60 °C of a closed car in the sun: it turns tacky, and takes the print of what lies on it. Keep it cool on the way.',
		[swap('flexibleSealer')],
		{ ...TEST, source: 'starting value, from memory' }
	)
} as const satisfies Record<string, CoatRule>;
