import type { CoatProductKey } from '../facts/coat.ts';
import type { HandbookRow, HandbookTable } from '../facts/handbook.ts';
import type { TechniqueKey } from '../facts/step.ts';
import { BONDS, type Bond } from './bond.ts';
import { CAUTIONS, type Caution, type CautionKey } from './caution.ts';
import { COAT_PRODUCTS, type CoatProduct } from './coatProduct.ts';
import { COAT_RULES, type CoatRule } from './coatRule.ts';
import { FASTENERS, type Fastener } from './fastener.ts';
import { GLUES, type Glue } from './glue.ts';
import { GLUE_RULES, type GlueRule } from './glueRule.ts';
import { KNOWN_FAULTS, type KnownFault } from './knownFault.ts';
import { MADE_OF, type MadeOf } from './madeOf.ts';
import { RECIPES, type Recipe } from './recipe.ts';
import { ROUTES, type Route } from './route.ts';
import { SUPPLIES, type Supply } from './supply.ts';
import { STARTERS, type Starter } from './starter.ts';
import { THINGS, type Thing } from './thing.ts';
import { TECHNIQUES, type Technique } from './technique.ts';

/** What is known of the trade, by key: what ships with the app, and the maker's own rows before it. */
export interface Catalogue {
	technique: Readonly<Record<string, Technique>>;
	route: Readonly<Record<string, Route>>;
	coatProduct: Readonly<Record<string, CoatProduct>>;
	coatRule: Readonly<Record<string, CoatRule>>;
	recipe: Readonly<Record<string, Recipe>>;
	bond: Readonly<Record<string, Bond>>;
	glue: Readonly<Record<string, Glue>>;
	glueRule: Readonly<Record<string, GlueRule>>;
	supply: Readonly<Record<string, Supply>>;
	fastener: Readonly<Record<string, Fastener>>;
	knownFault: Readonly<Record<string, KnownFault>>;
	caution: Readonly<Record<string, Caution>>;
	/** What makers call things, and say they are made of. */
	thing: Readonly<Record<string, Thing>>;
	madeOf: Readonly<Record<string, MadeOf>>;
	/** How materials are sold as a rule. */
	starter: Readonly<Record<string, Starter>>;
}

/** Each table under the name that the handbook keeps its rows by. */
export const STANDARD: Catalogue & Record<HandbookTable, unknown> = {
	technique: TECHNIQUES,
	route: ROUTES,
	coatProduct: COAT_PRODUCTS,
	coatRule: COAT_RULES,
	recipe: RECIPES,
	bond: BONDS,
	glue: GLUES,
	glueRule: GLUE_RULES,
	supply: SUPPLIES,
	fastener: FASTENERS,
	knownFault: KNOWN_FAULTS,
	caution: CAUTIONS,
	thing: THINGS,
	madeOf: MADE_OF,
	starter: STARTERS
};

/** What rows of the maker's own from before it was asked for are taken to say, where none ships under their key. */
const UNSAID: Partial<Record<HandbookTable, object>> = {
	coatProduct: { base: 'water', does: 'colour', sheen: null, cureMinutes: null, heatLimit: null },
	bond: { steps: [] },
	knownFault: { holds: [], surfaces: [], loads: [] },
	glue: { strength: null, flexible: false, washable: false, heatLimit: null, gapMm: null, solvent: false }
};

const made = new WeakMap<readonly HandbookRow[], Catalogue>();

const shipped = (table: HandbookTable, key: string) =>
	(STANDARD[table] as Readonly<Record<string, object>>)[key];

/** The catalogue with the maker's own rows, which the edge has checked. Made once for the same rows. */
export function catalogueOf(own: readonly HandbookRow[]): Catalogue {
	if (own.length === 0) return STANDARD;
	let catalogue = made.get(own);
	if (!catalogue) {
		const mine = (table: HandbookTable) =>
			Object.fromEntries(
				own
					.filter((r) => r.tableName === table)
					.map((r) => [r.key, { ...UNSAID[table], ...shipped(table, r.key), ...r.content }])
			);
		catalogue = Object.fromEntries(
			Object.entries(STANDARD).map(([table, rows]) => [
				table,
				{ ...(rows as object), ...mine(table as HandbookTable) }
			])
		) as unknown as Catalogue;
		made.set(own, catalogue);
	}
	return catalogue;
}

/** A row that was taken away while something still names it: other work, whatever it was. */
const GONE: Technique = { ...TECHNIQUES.other, name: 'work not in the handbook' };

export const techniqueOf = (trade: Catalogue, key: TechniqueKey): Technique => trade.technique[key] ?? GONE;

const NO_PRODUCT: CoatProduct = { ...COAT_PRODUCTS.brushedAcrylic, name: 'coat not in the handbook' };
export const coatProductOf = (trade: Catalogue, key: CoatProductKey): CoatProduct =>
	trade.coatProduct[key] ?? NO_PRODUCT;

export const cautionsFor = (trade: Catalogue, technique: TechniqueKey): readonly CautionKey[] =>
	techniqueOf(trade, technique).cautions;

/** The known fault that a fault is one of; null for what nobody has seen before. */
export const knownFaultOf = (trade: Catalogue, key: string | null): KnownFault | null =>
	(key !== null && trade.knownFault[key]) || null;
