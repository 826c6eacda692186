/**
 * Coat products: how many thin coats, when the next may go on, how long before handling, and what
 * a pack covers. Starting values from memory unless marked common practice; the label decides.
 */
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
	/** Where the row is from. */
	source: string;
}

const H = 60;
const product = (
	name: string,
	how: 'spray' | 'brush',
	coats: readonly [number, number],
	recoatMinutes: number,
	handlingHours: number,
	pack: string,
	coversM2: number,
	extra: Partial<CoatProduct> = {}
): CoatProduct => ({
	name,
	how,
	coats,
	recoatMinutes,
	withinMinutes: null,
	orAfterMinutes: null,
	handlingMinutes: handlingHours * H,
	pack,
	coversMm2: coversM2 * 1_000_000,
	flexible: false,
	source: 'starting value, from memory',
	...extra
});

export const COAT_PRODUCTS = {
	rubberSpray: product('rubber spray coating', 'spray', [3, 5], 30, 4, '400 ml can', 1.2, { flexible: true }),
	pva: product('diluted PVA', 'brush', [5, 8], 45, 8, '500 ml', 6),
	flexibleSealer: product('flexible acrylic sealer', 'brush', [3, 5], 45, 24, '250 ml', 3, {
		flexible: true
	}),
	fillerPrimer: product('filler primer', 'spray', [2, 3], 20, 2, '400 ml can', 1.2),
	enamelSpray: product('enamel spray', 'spray', [2, 4], 15, 24, '400 ml can', 1.5, {
		withinMinutes: 60,
		orAfterMinutes: 48 * H
	}),
	acrylicSpray: product('acrylic spray', 'spray', [2, 4], 20, 2, '400 ml can', 1.5),
	brushedAcrylic: product('brushed acrylic', 'brush', [2, 6], 30, 2, '60 ml', 0.5),
	fabricPaint: product('fabric paint', 'brush', [2, 3], 4 * H, 24, '100 ml', 0.8, { flexible: true }),
	leafSize: product('leaf size', 'brush', [3, 4], 60, 12, '100 ml', 1),
	clearSpray: product('clear spray', 'spray', [2, 2], 30, 24, '400 ml can', 1.8)
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

/** Below 15 °C or above 70 % humidity everything dries more slowly: double the waits. Starting value, from memory. */
export const COLD_OR_DAMP_FACTOR = 2;
