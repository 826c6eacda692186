import type { CoatProductKey } from './coat.ts';
import type { Lab } from '../units/lab.ts';
import type { Lateness } from './lateness.ts';
import type { Lot } from './lot.ts';
import type { WorkingDays } from './workingDays.ts';

/** mm that one unit of what comes off a roll is long; null for sheets and whatever is counted otherwise. */
export const lengthOfUnit = ({
	unit,
	widthMm,
	lengthMm
}: Pick<Material, 'unit' | 'widthMm' | 'lengthMm'>): number | null =>
	widthMm === null || lengthMm !== null
		? null
		: (({ m: 1000, yd: 914.4, cm: 10 } as Record<string, number>)[unit] ?? null);

/** mm² that one unit of a material covers: a sheet, or a metre or yard of the roll. Null when its size is not known. */
export function areaOfUnit(material: Pick<Material, 'unit' | 'widthMm' | 'lengthMm'>): number | null {
	if (material.widthMm === null) return null;
	if (material.lengthMm !== null) return material.widthMm * material.lengthMm;
	const roll = lengthOfUnit(material);
	return roll === null ? null : roll * material.widthMm;
}

export const FAMILIES = [
	'foam',
	'cloth',
	'hair',
	'hard',
	'closure',
	'light',
	'paint',
	'glue',
	'tool',
	'other'
] as const;
/** Families of generic materials; foam, cloth, hair, hard, closure, light and paint have weave marks. */
export type Family = (typeof FAMILIES)[number];

/** What work uses up: all but tools, which stay when the costume is done. */
export const USED_UP = FAMILIES.filter((f): f is Exclude<Family, 'tool'> => f !== 'tool');
export const isTool = ({ family }: Pick<Material, 'family'>): boolean => family === 'tool';

/** Of a row of the handbook. */
export type SupplyKey = string;

/** What pieces are cut from: sheets, and what comes off a roll. Cord, thread and hook-and-loop do too, but no piece is drawn on them. */
export const isCutFrom = ({
	family,
	unit,
	supply,
	coatProduct
}: Pick<Material, 'family' | 'unit' | 'supply' | 'coatProduct'>): boolean =>
	(family === 'foam' || family === 'cloth' || family === 'hard' || family === 'other') &&
	['sheet', 'm', 'yd', 'cm'].includes(unit) &&
	supply === null &&
	coatProduct === null;

/** What can be bought and kept: how it is sold, and how much of it is owned. */
export interface Material {
	id: number;
	name: string;
	/** As it is told; nothing where nobody has said. */
	colour: string;
	family: Family;
	/** What quantities count: `sheet`, `m`, `ml`, `piece`. */
	unit: string;
	/** Units in one pack. */
	packSize: number;
	/** Null where nobody knows it. */
	packPriceMinor: number | null;
	/** Of the price. */
	currency: string;
	/** The price as it is kept, where it was exchanged into another currency; for showing. */
	pricedAs?: { minor: number; currency: string; rate: number };
	supplier: string;
	/** Null where nobody knows it. */
	leadDays: number | null;
	/** Whether the lead counts the supplier's working days, Monday to Friday. */
	leadWorkingDays: boolean;
	/** Owned and still good, in units: what its lots come to. Not stored, put in as it is read. */
	stash: number;
	/** Of the stash. Not stored with it, put in as it is read. */
	lots: readonly Lot[];
	/** Where it usually lies. */
	stashNote: string;
	/** The coat product it is, so that coat stacks ask for it. */
	coatProduct: CoatProductKey | null;
	/** The supply it is, so that the work that uses it up asks for it. */
	supply: SupplyKey | null;
	/** Of foam, boards, cloth; null when nobody has said. */
	thicknessMm: number | null;
	/** Of a sheet, or of the roll. */
	widthMm: number | null;
	/** Of a sheet; null for what comes off a roll. */
	lengthMm: number | null;
	gramsPerM2: number | null;
	/** How much it stretches, percent of its length: across the roll, and along it. Null when nobody has said. */
	stretchAcross: number | null;
	stretchAlong: number | null;
	/** mm² that a pack of it covers with one coat, as its label says; null goes by the product's usual coverage and its content. */
	coversMm2: number | null;
	/** How it looks, dry; null where nobody has measured it. */
	lab: Lab | null;
	/** When its supplier sends, where that is known: not stored, put in as it is planned with. */
	sends?: WorkingDays;
	/** How late its supplier's parcels come, where enough have come to say: likewise. */
	late?: Lateness | null;
	version: number;
}

/** A material of which nothing is said yet but what it is and how it is sold. */
export const PLAIN_MATERIAL = {
	colour: '',
	packPriceMinor: null,
	supplier: '',
	leadDays: null,
	leadWorkingDays: true,
	stash: 0,
	lots: [] as readonly Lot[],
	stashNote: '',
	coatProduct: null,
	supply: null,
	thicknessMm: null,
	widthMm: null,
	lengthMm: null,
	gramsPerM2: null,
	stretchAcross: null,
	stretchAlong: null,
	coversMm2: null,
	lab: null
} satisfies Partial<Material>;

/** How much of a material a component takes. */
export interface Need {
	id: number;
	componentId: number;
	materialId: number;
	/** For all copies, in the material's unit. */
	quantity: number;
	/** The step that first uses it; null for the first making step. */
	stepId: number | null;
	/**
	 * The quantity follows the area of the component's pieces of this material, so many times for waste; null when
	 * it is entered.
	 */
	waste: number | null;
	/** The quantity is what the kept layout takes: not stored, put in as the record is read. */
	laid?: boolean;
	/** The quantity was suggested, and nobody has looked at it. */
	guessed: boolean;
	/**
	 * Of a supply: as much as the component's work uses up, whatever the quantity says; or the quantity for sure; null where a
	 * quantity stands and nobody has said which counts.
	 */
	byWork: boolean | null;
	/** What of it has been taken out of the stash: it is cut. */
	taken: number;
	/** What that cost, in minor units of the costume's currency; null where nobody knows it. */
	takenMinor: number | null;
	version: number;
}

export const PURCHASE_STATES = ['planned', 'ordered', 'arrived', 'used', 'returned'] as const;
export type PurchaseState = (typeof PURCHASE_STATES)[number];
/** How far a purchase has come, one after the other; what is sent back leaves them. */
export const ORDER_STATES = [
	'planned',
	'ordered',
	'arrived',
	'used'
] as const satisfies readonly PurchaseState[];

export interface Purchase {
	id: number;
	costumeId: number;
	/** For this component alone; null when the costume shares it. */
	componentId: number | null;
	/** Of which it is this costume's share: packs that are bought for several. */
	jointId: number | null;
	materialId: number;
	packs: number;
	/** Units in one pack; null: a pack of the material's own. */
	packSize: number | null;
	/** In the costume's currency; null where nobody knows it. */
	packPriceMinor: number | null;
	shippingMinor: number;
	supplier: string;
	leadDays: number | null;
	leadWorkingDays: boolean;
	state: PurchaseState;
	/** Whole days since 1970-01-01. */
	orderedOn: number | null;
	/** The supplier's promise; null counts from the order. */
	dueOn: number | null;
	arrivedOn: number | null;
	/** What came back of its price when it was sent back. */
	refundMinor: number;
	/** Units of it that were left over and went to the stash. */
	stashed: number;
	note: string;
	/** Of the photo of its receipt; null without one. */
	hash: string | null;
	/** When its supplier sends, where that is known: not stored, put in as it is planned with. */
	sends?: WorkingDays;
	/** How late its supplier's parcels come, where enough have come to say: likewise. */
	late?: Lateness | null;
	version: number;
}

/** What a purchase comes to, in the material's unit; what was sent back is nothing, and what went to the stash is in it no more. */
export const unitsOf = (
	purchase: Pick<Purchase, 'packs' | 'packSize' | 'state' | 'stashed'>,
	material: Pick<Material, 'packSize'>
): number =>
	purchase.state === 'returned'
		? 0
		: Math.max(0, purchase.packs * (purchase.packSize ?? material.packSize) - purchase.stashed);

/** Null while its price is not known. */
export const purchaseCost = (
	p: Pick<Purchase, 'packs' | 'packPriceMinor' | 'shippingMinor' | 'refundMinor'>
): number | null =>
	p.packPriceMinor === null ? null : p.packs * p.packPriceMinor + p.shippingMinor - p.refundMinor;

/** What of it is known: the sending, while nobody knows the price. */
export const knownCost = (p: Parameters<typeof purchaseCost>[0]): number =>
	purchaseCost(p) ?? p.shippingMinor;
