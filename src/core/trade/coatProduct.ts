/**
 * Coat products: how many thin coats, when the next may go on, how long before handling, and what
 * a pack covers. Starting values from memory unless marked common practice; the label decides.
 */
export const BASES = ['water', 'solvent', 'enamel', 'rubber'] as const;
export const ROLES = ['seal', 'prime', 'colour', 'wash', 'highlight', 'size', 'clear'] as const;
export const SHEENS = ['matt', 'satin', 'gloss', 'metal'] as const;
/** What it is thinned with or made of, for what may go over what. */
export type Base = (typeof BASES)[number];
/** What it does in a stack. */
export type Role = (typeof ROLES)[number];
export type Sheen = (typeof SHEENS)[number];

export interface CoatProduct {
	name: string;
	how: 'spray' | 'brush';
	/** Usual number of thin coats, least and most. */
	coats: readonly [number, number];
	recoatMinutes: number;
	/** Recoat window: within so long of the coat before … */
	withinMinutes: number | null;
	/** … or only after so long. */
	orAfterMinutes: number | null;
	handlingMinutes: number;
	pack: string;
	/** mm² that one pack covers with one coat. */
	coversMm2: number;
	flexible: boolean;
	base: Base;
	does: Role;
	/** Null where it is not the product that says. */
	sheen: Sheen | null;
	/** Until it is as hard as it gets, minutes; null where nobody knows. */
	cureMinutes: number | null;
	/** °C that it bears afterwards; null where nobody knows. */
	heatLimit: number | null;
	/** Where the row is from. */
	source: string;
}

const H = 60;
const product = (
	name: string,
	how: 'spray' | 'brush',
	[base, does]: readonly [Base, Role],
	coats: readonly [number, number],
	recoatMinutes: number,
	[handlingHours, cureHours]: readonly [number, number],
	pack: string,
	coversM2: number,
	extra: Partial<CoatProduct> = {}
): CoatProduct => ({
	name,
	how,
	base,
	does,
	sheen: null,
	heatLimit: null,
	coats,
	recoatMinutes,
	withinMinutes: null,
	orAfterMinutes: null,
	handlingMinutes: handlingHours * H,
	cureMinutes: cureHours * H,
	pack,
	coversMm2: coversM2 * 1_000_000,
	flexible: false,
	source: 'starting value, from memory',
	...extra
});

export const COAT_PRODUCTS = {
	rubberSpray: product(
		'rubber spray coating',
		'spray',
		['rubber', 'seal'],
		[3, 5],
		30,
		[4, 24],
		'400 ml can',
		1.2,
		{
			flexible: true
		}
	),
	pva: product('diluted PVA', 'brush', ['water', 'seal'], [5, 8], 45, [8, 24], '500 ml', 6, {
		heatLimit: 50
	}),
	flexibleSealer: product(
		'flexible acrylic sealer',
		'brush',
		['water', 'seal'],
		[3, 5],
		45,
		[24, 72],
		'250 ml',
		3,
		{
			flexible: true
		}
	),
	fillerPrimer: product(
		'filler primer',
		'spray',
		['solvent', 'prime'],
		[2, 3],
		20,
		[2, 24],
		'400 ml can',
		1.2
	),
	enamelSpray: product(
		'enamel spray',
		'spray',
		['enamel', 'colour'],
		[2, 4],
		15,
		[24, 7 * 24],
		'400 ml can',
		1.5,
		{
			sheen: 'gloss',
			withinMinutes: 60,
			orAfterMinutes: 48 * H
		}
	),
	acrylicSpray: product(
		'acrylic spray',
		'spray',
		['solvent', 'colour'],
		[2, 4],
		20,
		[2, 24],
		'400 ml can',
		1.5
	),
	metallicSpray: product(
		'metallic spray',
		'spray',
		['solvent', 'colour'],
		[2, 3],
		20,
		[4, 24],
		'400 ml can',
		1.5,
		{
			sheen: 'metal'
		}
	),
	brushedAcrylic: product('brushed acrylic', 'brush', ['water', 'colour'], [2, 6], 30, [2, 24], '60 ml', 0.5),
	acrylicWash: product('thinned acrylic wash', 'brush', ['water', 'wash'], [1, 2], 30, [2, 24], '60 ml', 3, {
		flexible: true
	}),
	metallicWax: product(
		'metallic wax',
		'brush',
		['solvent', 'highlight'],
		[1, 2],
		60,
		[12, 72],
		'30 ml',
		1.5,
		{
			sheen: 'metal',
			flexible: true,
			heatLimit: 45
		}
	),
	fabricPaint: product('fabric paint', 'brush', ['water', 'colour'], [2, 3], 4 * H, [24, 72], '100 ml', 0.8, {
		flexible: true
	}),
	leafSize: product('leaf size', 'brush', ['water', 'size'], [3, 4], 60, [12, 24], '100 ml', 1),
	clearSpray: product('clear spray', 'spray', ['solvent', 'clear'], [2, 2], 30, [24, 48], '400 ml can', 1.8),
	mattClear: product(
		'matt clear spray',
		'spray',
		['solvent', 'clear'],
		[2, 2],
		30,
		[24, 48],
		'400 ml can',
		1.8,
		{
			sheen: 'matt'
		}
	),
	glossClear: product(
		'gloss clear spray',
		'spray',
		['solvent', 'clear'],
		[2, 2],
		30,
		[24, 48],
		'400 ml can',
		1.8,
		{
			sheen: 'gloss'
		}
	),
	flexibleClear: product(
		'flexible clear, brushed',
		'brush',
		['water', 'clear'],
		[2, 3],
		60,
		[12, 72],
		'250 ml',
		3,
		{
			flexible: true
		}
	)
} as const satisfies Record<string, CoatProduct>;

/** ml that a pack holds, as its words say: `400 ml can`; null where they do not. */
export function contentOf(pack: string): number | null {
	const found = /(\d+(?:[.,]\d+)?)\s*(ml|l)\b/i.exec(pack);
	return found ? Number(found[1]!.replace(',', '.')) * (found[2]!.toLowerCase() === 'l' ? 1000 : 1) : null;
}

/** A coat product that ships with the app. */
export type StandardCoatProduct = keyof typeof COAT_PRODUCTS;

/** Masking up, laying out and cleaning the nozzle, once per spray session. Starting value. */
export const SPRAY_SET_UP_MINUTES = 20;

/** What of a ml stays on when it is dry, g: the rest is propellant, water and solvent. Starting values, from memory. */
export const DRY_GRAMS_PER_ML: Readonly<Record<CoatProduct['how'], number>> = { spray: 0.2, brush: 0.5 };

/** Below 15 °C or above 70 % humidity everything dries more slowly: double the waits. Starting value, from memory. */
export const COLD_OR_DAMP_FACTOR = 2;
/** Below so many °C, and above so much relative humidity, %, things dry slowly (from memory). */
export const COLD_BELOW = 15;
export const DAMP_ABOVE = 70;
