import pluralize from 'pluralize';
import { z } from 'zod';
import { FLEXES, KINDS, SURFACE_KEYS } from '$core/facts/component.ts';
import { FAMILIES } from '$core/facts/material.ts';
import { HANDBOOK_TABLES, type HandbookRow, type HandbookTable } from '$core/facts/handbook.ts';
import { readHandbook } from '$core/formats/handbook.ts';
import { catalogueOf, STANDARD } from '$core/trade/catalogue.ts';
import { BOND_SIDES } from '$core/trade/bond.ts';
import { BASES, ROLES, SHEENS } from '$core/trade/coatProduct.ts';
import { CURES } from '$core/trade/coatRule.ts';
import { BEARS_BY, COUNTED } from '$core/trade/fastener.ts';
import { GLUE_UNDER } from '$core/trade/glueRule.ts';
import { FAULT_LOADS } from '$core/trade/knownFault.ts';
import { DRIVER_KEYS } from '$core/trade/driver.ts';
import { HANDBOOK_ROWS, keyFor, nameOfRow } from '$core/trade/handbookRow.ts';
import { unitProblem } from '$core/trade/starter.ts';
import { PLACES } from '$core/trade/thing.ts';
import { DRIVERS, GROUNDS, LAYERS_DONE, REDO_KINDS } from '$core/trade/technique.ts';
import type { Executor } from '../db/open.ts';
import { Absent, Refused, all, one } from '../db/rows.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

const source = () => f.text(200).transform((text) => text || 'my own');
const rows = <T extends z.ZodType>(schema: T) => f.json(schema, 'The steps could not be read.');

/** Traits with spaces or commas between. */
const traits = (schema: z.ZodType<string[], string[]>) =>
	f
		.text(500)
		.transform((text) => text.split(/[\s,]+/).filter(Boolean))
		.pipe(schema);

/** Words with commas between, as makers say them. */
const said = () =>
	f
		.text(500)
		.transform((text) =>
			text
				.toLowerCase()
				.split(',')
				.map((word) => word.trim())
				.filter(Boolean)
		)
		.pipe(HANDBOOK_ROWS.thing.shape.many);

/** What is typed of a row of each table, in the maker's units, as the row that the handbook keeps. */
const FORMS = {
	technique: ({ trade }: Context) =>
		z.object({
			name: f.name(),
			driver: f.choice(DRIVERS),
			of: f.name(60),
			minutes: f.decimal(0, 10_000),
			follows: f.choiceOrNull(DRIVER_KEYS),
			ground: f.choice(GROUNDS),
			layers: f.choice(LAYERS_DONE),
			dries: f.ticked(),
			redo: f.choiceOrNull(REDO_KINDS),
			cautions: f.severalKeys(trade.caution),
			source: source()
		}),
	route: ({ settings }: Context) =>
		z.object({
			name: f.name(),
			kinds: z.array(f.choice(KINDS)).min(1, 'Choose at least one kind.'),
			area: f.area(settings.lengthUnit),
			steps: rows(HANDBOOK_ROWS.route.shape.steps),
			source: source()
		}),
	coatProduct: ({ settings }: Context) =>
		z
			.object({
				name: f.name(),
				how: f.choice(['spray', 'brush']),
				least: f.whole(1, 20),
				most: f.whole(1, 20),
				recoatMinutes: f.duration(),
				withinMinutes: f.durationOrNull(),
				orAfterMinutes: f.durationOrNull(),
				handlingMinutes: f.duration(),
				pack: f.name(60),
				coversMm2: f.area(settings.lengthUnit),
				flexible: f.ticked(),
				base: f.choice(BASES),
				does: f.choice(ROLES),
				sheen: f.choiceOrNull(SHEENS),
				cureMinutes: f.durationOrNull(),
				heatLimit: f.orNull(f.decimal(20, 400)),
				source: source()
			})
			.refine((v) => v.least <= v.most, { path: ['most'], message: 'The most is at least the fewest.' })
			.transform(({ least, most, ...row }) => ({ ...row, coats: [least, most] as [number, number] })),
	coatRule: ({ trade }: Context) =>
		z.object({
			name: f.name(),
			over: traits(HANDBOOK_ROWS.coatRule.shape.over),
			on: traits(HANDBOOK_ROWS.coatRule.shape.on),
			unless: traits(HANDBOOK_ROWS.coatRule.shape.unless),
			spoils: f.ticked(),
			untilCured: f.ticked(),
			why: f.name(500),
			cures: f.json(
				z.array(z.object({ does: f.choice(CURES), product: f.keyOrNull(trade.coatProduct) })).max(10),
				'The cures could not be read.'
			),
			source: source()
		}),
	recipe: () =>
		z.object({
			name: f.name(),
			surface: f.choiceOrNull(SURFACE_KEYS),
			layers: f.json(HANDBOOK_ROWS.recipe.shape.layers, 'The layers could not be read.'),
			note: f.text(1000),
			source: source()
		}),
	bond: ({ trade }: Context) =>
		z
			.object({
				name: f.name(),
				a: z.array(f.choice(BOND_SIDES)).min(1, 'Choose at least one.'),
				b: z.array(f.choice(BOND_SIDES)).min(1, 'Choose at least one.'),
				first: f.severalKeys(trade.glue),
				also: f.severalKeys(trade.glue),
				avoided: f.severalKeys(trade.glue),
				why: f.text(200),
				rather: f.text(1000),
				prepare: f.text(1000),
				steps: rows(HANDBOOK_ROWS.knownFault.shape.steps).default([]),
				source: source()
			})
			.transform(({ avoided, why, ...row }) => ({
				...row,
				avoid: avoided.map((glue) => ({ glue, why: why || 'it does not hold' }))
			})),
	glue: ({ trade }: Context) =>
		z.object({
			name: f.name(),
			mlPerM2: f.orNull(f.decimal(0, 100_000)),
			mlPerMetre: f.orNull(f.decimal(0, 10_000)),
			tackMinutes: f.durationOrNull(),
			openMinutes: f.durationOrNull(),
			fullMinutes: f.durationOrNull(),
			strength: f.orNull(f.whole(1, 3)),
			flexible: f.ticked(),
			washable: f.ticked(),
			heatLimit: f.orNull(f.decimal(20, 400)),
			gapMm: f.orNull(f.decimal(0, 50)),
			solvent: f.ticked(),
			cautions: f.severalKeys(trade.caution),
			source: source()
		}),
	glueRule: () =>
		z.object({
			name: f.name(),
			under: f.choice(GLUE_UNDER),
			glues: traits(HANDBOOK_ROWS.glueRule.shape.glues),
			unless: traits(HANDBOOK_ROWS.glueRule.shape.unless),
			points: f.decimal(-20, 20),
			why: f.name(),
			source: source()
		}),
	supply: ({ trade }: Context) =>
		z.object({
			name: f.name(),
			family: f.choice(FAMILIES),
			unit: f.name(20),
			pack: f.above0(1_000_000),
			uses: f.json(HANDBOOK_ROWS.supply.shape.uses, 'What uses it up could not be read.'),
			glue: f.keyOrNull(trade.glue),
			source: source()
		}),
	fastener: ({ trade }: Context) =>
		z.object({
			name: f.name(),
			technique: f.keyOf(trade.technique),
			counted: f.choice(COUNTED),
			shear: f.above0(1_000_000),
			shearBy: f.choice(BEARS_BY),
			pull: f.above0(1_000_000),
			pullBy: f.choice(BEARS_BY),
			grams: f.decimal(0, 10_000),
			steel: f.ticked(),
			selfAdhesive: f.ticked(),
			strap: f.ticked(),
			source: source()
		}),
	knownFault: () =>
		z.object({
			symptom: f.name(),
			cause: f.text(1000),
			cure: f.text(1000),
			steps: rows(HANDBOOK_ROWS.knownFault.shape.steps),
			blames: f.choiceOrNull(REDO_KINDS),
			holds: z.array(f.name()).default([]),
			surfaces: f.several(SURFACE_KEYS),
			loads: f.several(FAULT_LOADS),
			source: source()
		}),
	caution: () => z.object({ wear: f.text(1000), do: f.name(1000), source: source() }),
	thing: ({ trade }: Context) =>
		z
			.object({
				name: f.name(40).pipe(HANDBOOK_ROWS.thing.shape.words.element),
				also: said(),
				many: said(),
				kind: f.choice(KINDS),
				places: f.several(PLACES),
				paired: f.ticked(),
				layer: f.whole(0, 20),
				flex: f.choice(FLEXES),
				route: f.keyOrNull(trade.route),
				source: source()
			})
			.transform(({ also, ...row }) => ({ ...row, words: [...new Set([row.name, ...also])] })),
	starter: ({ settings }: Context) => {
		const size = () => f.lengthOrNull(settings.lengthUnit, 0.01, 100_000);
		return z
			.object({
				name: f.name(),
				family: f.choice(FAMILIES),
				unit: f.name(20),
				packSize: f.above0(1_000_000),
				thicknessMm: size(),
				widthMm: size(),
				lengthMm: size(),
				gramsPerM2: f.orNull(f.above0(100_000)),
				stretchAcross: f.orNull(f.decimal(0, 400)),
				stretchAlong: f.orNull(f.decimal(0, 400)),
				leadDays: f.orNull(f.whole(0, 365)),
				source: source()
			})
			.superRefine(({ family, unit }, ctx) => {
				const problem = unitProblem(family, unit);
				if (problem) ctx.addIssue({ code: 'custom', path: ['unit'], message: problem });
			});
	}
} satisfies Record<HandbookTable, (context: Context) => z.ZodType>;

/** Puts a row of the maker’s own before the one that ships. */
export async function keepRow(
	tx: Executor,
	{ tableName, key, content }: Pick<HandbookRow, 'tableName' | 'key' | 'content'>
): Promise<void> {
	await tx.query(
		`insert into handbook_row (table_name, key, content) values ($1, $2, $3)
		on conflict (table_name, key) do update set content = $3`,
		[tableName, key, JSON.stringify(content)]
	);
}

/** What goes by a row, in words; null where nothing does. */
async function usersOf(
	tx: Executor,
	{ tableName, key }: HandbookRow,
	own: readonly HandbookRow[]
): Promise<string | null> {
	const found = (await one<{
		steps: number;
		components: number;
		coats: number;
		faults: number;
		materials: number;
		swatches: number;
		joins: number;
	}>(
		tx,
		`select
			(select count(*) from step where $1 = 'technique' and technique = $2) as steps,
			(select count(*) from component where $1 = 'route' and route = $2 or $1 = 'recipe' and recipe = $2) as components,
			(select count(*) from coat where $1 = 'coatProduct' and product = $2) as coats,
			(select count(*) from fault where $1 = 'knownFault' and known = $2) as faults,
			(select count(*) from material where $1 = 'coatProduct' and coat_product = $2 or $1 = 'supply' and supply = $2) as materials,
			(select count(*) from swatch where $1 = 'recipe' and recipe = $2) as swatches,
			(select count(*) from wear_join where $1 = 'fastener' and fastener = $2) as joins`,
		[tableName, key]
	))!;
	const words = Object.entries(found).flatMap(([what, n]) => (n ? [pluralize(what, n, true)] : []));
	const inRows = own.filter((r) => r.key !== key && JSON.stringify(r.content).includes(`"${key}"`)).length;
	if (inRows) words.push(`${pluralize('row', inRows, true)} of the handbook`);
	return words.length ? words.join(', ') : null;
}

/** One command a table: `setTechnique`, `setRoute` … A row that ships is kept beside; a new one gets a key by its name. */
const setRow = (tableName: HandbookTable) =>
	command(
		(context: Context) =>
			f.both(z.object({ key: f.text(60) }), FORMS[tableName](context) as z.ZodType<Record<string, unknown>>),
		async (tx, { key: given, ...content }, { trade }) => {
			if (given && !Object.hasOwn(trade[tableName], given)) throw new Absent('row');
			const name = nameOfRow(content);
			const key = given || keyFor(name, Object.keys(trade[tableName]));
			// What every reader is promised, whoever wrote the form.
			const row = HANDBOOK_ROWS[tableName].parse(content);
			await keepRow(tx, { tableName, key, content: row });
			return { words: `${given ? 'Changed' : 'Added'} “${name}” in the handbook`, result: { key } };
		}
	);

export const handbookCommands = {
	setTechnique: setRow('technique'),
	setRoute: setRow('route'),
	setCoatProduct: setRow('coatProduct'),
	setCoatRule: setRow('coatRule'),
	setRecipe: setRow('recipe'),
	setBond: setRow('bond'),
	setGlue: setRow('glue'),
	setGlueRule: setRow('glueRule'),
	setSupply: setRow('supply'),
	setFastener: setRow('fastener'),
	setKnownFault: setRow('knownFault'),
	setCaution: setRow('caution'),
	setThing: setRow('thing'),
	setStarter: setRow('starter'),

	/** Brings back the row that ships, or takes away one that was added. */
	removeHandbookRow: command(
		() => z.object({ tableName: f.choice(HANDBOOK_TABLES), key: f.name(60) }),
		async (tx, v, { handbook }) => {
			const row = handbook.find((r) => r.tableName === v.tableName && r.key === v.key);
			if (!row) throw new Absent('row');
			const ships = Object.hasOwn(STANDARD[v.tableName] as object, v.key);
			const users = ships ? null : await usersOf(tx, row, handbook);
			const name = nameOfRow(row.content);
			if (users) throw new Refused(`“${name}” is in use: ${users}. Change these first.`);
			await tx.query('delete from handbook_row where id = $1', [row.id]);
			return { words: ships ? `Brought back “${name}” as it ships` : `Removed “${name}” from the handbook` };
		}
	),

	importHandbook: command(
		() => z.object({ file: z.instanceof(File, { error: 'Choose a file.' }) }),
		async (tx, { file }) => {
			if (file.size > 5_000_000) throw new Refused('A handbook is not that large.', 'file');
			const read = readHandbook(await file.text());
			if (!read.ok) throw new Refused(read.reason, 'file');
			for (const row of read.rows) await keepRow(tx, row);
			const trade = catalogueOf(
				await all<HandbookRow>(tx, 'select id, table_name, key, content, version from handbook_row')
			);
			const gone = danglingIn(read.rows, trade);
			if (gone) throw new Refused(gone, 'file');
			return {
				words: `Read ${pluralize('row', read.rows.length, true)} into the handbook`
			};
		}
	)
};

/** A technique, coat, glue or route that a row names and nobody knows. */
function danglingIn(
	rows: readonly Pick<HandbookRow, 'content'>[],
	trade: ReturnType<typeof catalogueOf>
): string | null {
	const needs = (content: HandbookRow['content'], what: string, key: string) =>
		`“${nameOfRow(content)}” needs the ${what} “${key}”, which is neither here nor in the file.`;
	for (const { content } of rows) {
		const named = [content.steps, content.uses, content.cures, content.layers, [content]].flatMap(
			(its) => (its as { technique?: string; product?: string | null }[] | undefined) ?? []
		);
		for (const s of named) {
			if (s.technique !== undefined && !Object.hasOwn(trade.technique, s.technique))
				return needs(content, 'technique', s.technique);
			if (s.product != null && !Object.hasOwn(trade.coatProduct, s.product))
				return needs(content, 'coat', s.product);
		}
		if (typeof content.glue === 'string' && !Object.hasOwn(trade.glue, content.glue))
			return needs(content, 'glue', content.glue);
		if (typeof content.route === 'string' && !Object.hasOwn(trade.route, content.route))
			return needs(content, 'route', content.route);
	}
	return null;
}
