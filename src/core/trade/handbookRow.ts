import { z } from 'zod';
import { HANDBOOK_TABLES, type HandbookRow, type HandbookTable } from '../facts/handbook.ts';
import { FLEXES, KINDS, SURFACE_KEYS } from '../facts/component.ts';
import { FAMILIES } from '../facts/material.ts';
import { PHASES } from '../facts/step.ts';
import type { Catalogue } from './catalogue.ts';
import { BOND_SIDES } from './bond.ts';
import { BASES, ROLES, SHEENS } from './coatProduct.ts';
import { CURES } from './coatRule.ts';
import { DRIVER_KEYS, TAKES, type DriverKey, type Takes } from './driver.ts';
import { BEARS_BY, COUNTED } from './fastener.ts';
import { GLUE_UNDER } from './glueRule.ts';
import { PLACES } from './thing.ts';
import { FAULT_LOADS } from './knownFault.ts';
import { DRIVERS, GROUNDS, LAYERS_DONE, REDO_KINDS } from './technique.ts';

/** The form of a row of each table of the handbook, for what is typed and what is read from files. */

const words = z.string().trim().min(1, 'Needs a value.').max(200);
const note = z.string().trim().max(1000);
const minutes = z.number().int().min(0).max(1_000_000);
const minutesOrNull = minutes.nullable();
export const handbookKey = z.string().regex(/^[a-z][A-Za-z0-9]{0,59}$/, 'is not a key of the handbook');
/** As makers say it: small letters, spaces and hyphens. */
const spoken = z
	.string()
	.trim()
	.toLowerCase()
	.regex(/^[\p{L}][\p{L} -]{0,39}$/u, 'Words of letters, with commas between.');
const sizeOrNull = z.number().positive().max(100_000).nullable();
const bears = z.number().positive('What it bears is more than nothing.').max(1_000_000);
const keys = z.array(handbookKey).max(20);
const follows: z.ZodType<DriverKey | null> = z.enum(DRIVER_KEYS).nullable();

/** What of the pieces a step takes. */
export const takes = z.custom<Takes>(
	(v) => typeof v === 'string' && TAKES.test(v),
	'is nothing that pieces tell'
);

/** A trait, or several with `+` between. */
const trait = z
	.string()
	.regex(/^[A-Za-z][A-Za-z0-9]*(\+[A-Za-z][A-Za-z0-9]*)*$/, 'is not a trait: `enamel`, `clear+matt`');
const traits = z.array(trait).min(1, 'Needs a trait.').max(30);

const sides = z.array(z.enum(BOND_SIDES)).min(1, 'Choose at least one.').max(30);

const routeStep = z.strictObject({
	name: words,
	technique: handbookKey,
	phase: z.enum(PHASES),
	amount: z.number().min(0).max(1e12),
	takes: takes.optional(),
	perCopy: z.boolean(),
	waitMinutes: minutes,
	oneSitting: z.boolean(),
	needsHelper: z.boolean(),
	needsSprayPlace: z.boolean()
});
const routeCoat = z.strictObject({ product: handbookKey, coats: z.number().int().min(1).max(20) });

/** A recipe from the inside out. */
export const recipeLayers = z
	.array(
		z.union([
			z.strictObject({
				product: handbookKey,
				coats: z.number().int().min(1, 'Coats are 1 to 20.').max(20, 'Coats are 1 to 20.'),
				colour: z.string().trim().max(120)
			}),
			z.strictObject({ technique: handbookKey, name: words })
		])
	)
	.min(1, 'A recipe needs a layer.')
	.max(40, 'A recipe has 40 layers at most.');

/** Work that a cure, or a pair to be glued, asks for. */
const plainSteps = z
	.array(
		z.strictObject({
			name: words,
			technique: handbookKey,
			amount: z.number().min(0).max(1e12),
			waitMinutes: minutes,
			oneSitting: z.boolean()
		})
	)
	.max(30);

export const HANDBOOK_ROWS = {
	technique: z.strictObject({
		name: words,
		driver: z.enum(DRIVERS),
		of: words,
		minutes: z.number().min(0).max(10_000),
		follows,
		ground: z.enum(GROUNDS),
		layers: z.enum(LAYERS_DONE),
		dries: z.boolean(),
		redo: z.enum(REDO_KINDS).nullable(),
		cautions: keys,
		source: words
	}),
	route: z.strictObject({
		name: words,
		kinds: z.array(z.enum(KINDS)).min(1),
		area: z.number().min(0).max(1e9),
		steps: z
			.array(z.union([routeStep, routeCoat]))
			.min(1, 'A route needs a step.')
			.max(100),
		source: words
	}),
	coatProduct: z.strictObject({
		name: words,
		how: z.enum(['spray', 'brush']),
		coats: z.tuple([z.number().int().min(1).max(20), z.number().int().min(1).max(20)]),
		recoatMinutes: minutes,
		withinMinutes: minutesOrNull,
		orAfterMinutes: minutesOrNull,
		handlingMinutes: minutes,
		pack: words,
		coversMm2: z.number().positive().max(1e9),
		flexible: z.boolean(),
		base: z.enum(BASES).default('water'),
		does: z.enum(ROLES).default('colour'),
		sheen: z.enum(SHEENS).nullable().default(null),
		cureMinutes: minutesOrNull.default(null),
		heatLimit: z.number().min(20, 'Heat that it bears is 20 to 400 °C.').max(400).nullable().default(null),
		source: words
	}),
	coatRule: z.strictObject({
		name: words,
		over: traits,
		on: traits,
		unless: z.array(trait).max(20),
		spoils: z.boolean(),
		untilCured: z.boolean(),
		why: words.max(500),
		cures: z.array(z.strictObject({ does: z.enum(CURES), product: handbookKey.nullable() })).max(10),
		source: words
	}),
	recipe: z.strictObject({
		name: words,
		surface: z.enum(SURFACE_KEYS).nullable(),
		layers: recipeLayers,
		note,
		source: words
	}),
	bond: z.strictObject({
		name: words,
		a: sides,
		b: sides,
		first: keys,
		also: keys,
		avoid: z.array(z.strictObject({ glue: handbookKey, why: words })).max(20),
		rather: note,
		prepare: note,
		steps: plainSteps.default([]),
		source: words
	}),
	glue: z.strictObject({
		name: words,
		mlPerM2: z.number().min(0).max(100_000).nullable(),
		mlPerMetre: z.number().min(0).max(10_000).nullable(),
		tackMinutes: minutesOrNull,
		openMinutes: minutesOrNull,
		fullMinutes: minutesOrNull,
		strength: z.number().int().min(1).max(3).nullable().default(null),
		flexible: z.boolean().default(false),
		washable: z.boolean().default(false),
		heatLimit: z.number().min(20).max(400).nullable().default(null),
		gapMm: z.number().min(0).max(50).nullable().default(null),
		solvent: z.boolean().default(false),
		cautions: keys,
		source: words
	}),
	glueRule: z.strictObject({
		name: words,
		under: z.enum(GLUE_UNDER),
		glues: traits,
		unless: z.array(trait).max(20),
		points: z.number().min(-20, 'Points are −20 to 20.').max(20, 'Points are −20 to 20.'),
		why: words,
		source: words
	}),
	supply: z.strictObject({
		name: words,
		family: z.enum(FAMILIES),
		unit: words.max(20),
		pack: z.number().positive().max(1_000_000),
		uses: z.array(z.strictObject({ technique: handbookKey, amount: z.number().min(0).max(100_000) })).max(50),
		glue: handbookKey.nullable(),
		source: words
	}),
	fastener: z.strictObject({
		name: words,
		technique: handbookKey,
		counted: z.enum(COUNTED),
		shear: bears,
		shearBy: z.enum(BEARS_BY),
		pull: bears,
		pullBy: z.enum(BEARS_BY),
		grams: z.number().min(0).max(10_000),
		steel: z.boolean(),
		selfAdhesive: z.boolean(),
		strap: z.boolean(),
		source: words
	}),
	knownFault: z.strictObject({
		symptom: words,
		cause: note,
		cure: note,
		steps: plainSteps,
		blames: z.enum(REDO_KINDS).nullable(),
		/** Where it is usual: told since a while. */
		holds: z.array(words).max(100).default([]),
		surfaces: z.array(z.enum(SURFACE_KEYS)).default([]),
		loads: z.array(z.enum(FAULT_LOADS)).default([]),
		source: words
	}),
	caution: z.strictObject({ wear: note, do: words.max(1000), source: words }),
	thing: z.strictObject({
		name: words,
		words: z.array(spoken).min(1, 'Say at least one word.').max(40),
		many: z.array(spoken).max(40),
		kind: z.enum(KINDS),
		places: z.array(z.enum(PLACES)).max(PLACES.length),
		paired: z.boolean(),
		layer: z.number().int().min(0).max(20),
		flex: z.enum(FLEXES),
		route: handbookKey.nullable(),
		source: words
	}),
	starter: z.strictObject({
		name: words,
		family: z.enum(FAMILIES),
		unit: words.max(20),
		packSize: z.number().positive().max(1_000_000),
		thicknessMm: sizeOrNull,
		widthMm: sizeOrNull,
		lengthMm: sizeOrNull,
		gramsPerM2: z.number().positive().max(100_000).nullable(),
		stretchAcross: z.number().min(0).max(400).nullable(),
		stretchAlong: z.number().min(0).max(400).nullable(),
		leadDays: z.number().int().min(0).max(365).nullable(),
		source: words
	})
} as const satisfies Record<HandbookTable, z.ZodType>;

/** The tables as a row may be of the catalogue: the compiler ties the forms above to it. */
type Fits = {
	[T in HandbookTable]: z.infer<(typeof HANDBOOK_ROWS)[T]> extends Catalogue[T][string] ? true : never;
};
const _rowsFit: Fits = {
	technique: true,
	route: true,
	coatProduct: true,
	coatRule: true,
	recipe: true,
	bond: true,
	glue: true,
	glueRule: true,
	supply: true,
	fastener: true,
	knownFault: true,
	caution: true,
	thing: true,
	starter: true
};

/** An own row as it is exchanged. */
export const handbookEntry = z
	.strictObject({
		tableName: z.enum(HANDBOOK_TABLES),
		key: handbookKey,
		content: z.record(z.string(), z.unknown())
	})
	.superRefine(({ tableName, content }, ctx) => {
		const read = HANDBOOK_ROWS[tableName].safeParse(content);
		for (const issue of read.error?.issues ?? [])
			ctx.addIssue({ code: 'custom', path: ['content', ...issue.path], message: issue.message });
	});
export type HandbookEntry = Pick<HandbookRow, 'tableName' | 'key' | 'content'>;

/** What a row is called: a fault by its symptom, a caution by what it says. */
export const nameOfRow = (content: Readonly<Record<string, unknown>>): string =>
	String(content.name ?? content.symptom ?? content.do ?? '');

/** A key that is not taken, made of a name: `vacuum form` → `vacuumForm`. */
export function keyFor(name: string, taken: readonly string[]): string {
	const words = name
		.normalize('NFD')
		.replace(/[^A-Za-z0-9 ]/g, '')
		.split(' ')
		.filter(Boolean);
	const plain = words
		.map((w, i) => (i ? w[0]!.toUpperCase() : w[0]!.toLowerCase()) + w.slice(1).toLowerCase())
		.join('');
	const base = (/^[a-z]/.test(plain) ? plain : `row${plain}`).slice(0, 50);
	const used = new Set(taken);
	for (let n = 1; ; n++) {
		const key = n === 1 ? base : `${base}${n}`;
		if (!used.has(key)) return key;
	}
}
