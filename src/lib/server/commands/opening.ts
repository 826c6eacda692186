import { z } from 'zod';
import { MEASURE_KEYS } from '$core/facts/bodyMeasure.ts';
import { PASSAGE_KEYS, PASSAGES } from '$core/facts/opening.ts';
import { DIRECTIONS, MADE_FOR } from '$core/facts/measureRecord.ts';
import { sizesOf } from '$core/trade/sizeTable.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused, written } from '../db/rows.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

async function codeOf(tx: Executor, id: number, { costumeId }: Context): Promise<string> {
	const row = await one<{ code: string; name: string }>(
		tx,
		'select code, name from component where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('component');
	return `${row.code} ${row.name}`;
}

const round = ({ settings: { lengthUnit } }: Context) => ({
	passage: f.choice(PASSAGE_KEYS),
	closedMm: f.lengthBetween(lengthUnit, 50, 3000),
	stretchPercent: f.decimal(0, 200),
	openingMm: f.lengthBetween(lengthUnit, 0, 3000),
	split: f.ticked()
});

const ease = ({ settings: { lengthUnit } }: Context) =>
	z.preprocess(
		(text) => (typeof text === 'string' ? text.trim().replace(/^[-−–]/, '-') : text),
		z.string().transform((text, ctx) => {
			const negative = text.startsWith('-');
			const parsed = f.lengthBetween(lengthUnit, 0, 1000).safeParse((negative ? text.slice(1) : text) || '0');
			if (parsed.success) return negative ? -parsed.data : parsed.data;
			ctx.addIssue({ code: 'custom', message: parsed.error.issues[0]!.message });
			return z.NEVER;
		})
	);

export const openingCommands = {
	addOpening: command(
		(context) => z.object({ componentId: f.id(), ...round(context) }),
		async (tx, v, context) => {
			const name = await codeOf(tx, v.componentId, context);
			const result = await one<{ id: number }>(
				tx,
				`insert into opening (component_id, passage, closed_mm, stretch_percent, opening_mm, split)
				values ($1, $2, $3, $4, $5, $6) returning id`,
				[v.componentId, v.passage, v.closedMm, v.stretchPercent, v.openingMm, v.split]
			);
			return { words: `Added ${PASSAGES[v.passage].name} of ${name}`, result };
		}
	),

	editOpening: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...round(context) }),
		async (tx, v, { costumeId }) => {
			const rows = await all<{ id: number }>(
				tx,
				`update opening o set passage = $3, closed_mm = $4, stretch_percent = $5, opening_mm = $6, split = $7
				from component c where o.id = $1 and o.version = $2 and c.id = o.component_id and c.costume_id = $8 returning o.id`,
				[v.id, v.version, v.passage, v.closedMm, v.stretchPercent, v.openingMm, v.split, costumeId]
			);
			await written(tx, 'opening', v.id, rows);
			return { words: `Changed ${PASSAGES[v.passage].name}` };
		}
	),

	removeOpening: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ code: string }>(
				tx,
				`delete from opening o using component c
				where o.id = $1 and c.id = o.component_id and c.costume_id = $2 returning c.code`,
				[id, costumeId]
			);
			if (!row) throw new Absent('opening');
			return { words: `Removed an opening of ${row.code}` };
		}
	),

	setThickness: command(
		({ settings }) => z.object({ id: f.id(), thicknessMm: f.lengthOrNull(settings.lengthUnit, 0, 200) }),
		async (tx, v, context) => {
			const name = await codeOf(tx, v.id, context);
			await tx.query('update component set thickness_mm = $2 where id = $1', [v.id, v.thicknessMm]);
			return { words: `Set the thickness of ${name}` };
		}
	),

	addNominal: command(
		(context) =>
			z.object({
				componentId: f.id(),
				measure: f.choice(MEASURE_KEYS),
				direction: f.choice(DIRECTIONS),
				nominalMm: f.lengthBetween(context.settings.lengthUnit, 10, 5000),
				madeFor: f.choice(MADE_FOR).default('garment'),
				easeMm: ease(context)
			}),
		async (tx, v, context) => {
			const name = await codeOf(tx, v.componentId, context);
			await tx.query(
				'insert into nominal (component_id, measure, direction, nominal_mm, ease_mm, made_for) values ($1, $2, $3, $4, $5, $6)',
				[v.componentId, v.measure, v.direction, v.nominalMm, v.easeMm, v.madeFor]
			);
			return { words: `Added what the pattern of ${name} was made for` };
		}
	),

	/** The girths of a size of clothes, as what a bought pattern was made for. */
	addNominalSize: command(
		() => z.object({ componentId: f.id(), table: f.choice(['women', 'men']), size: f.text(10) }),
		async (tx, v, context) => {
			const name = await codeOf(tx, v.componentId, context);
			const size = sizesOf(v.table).find((s) => s.name === v.size);
			if (!size) throw new Refused(`There is no size ${v.size}.`, 'size');
			for (const [measure, mm] of Object.entries(size.girths))
				await tx.query(
					`insert into nominal (component_id, measure, direction, nominal_mm, made_for) values ($1, $2, 'width', $3, 'body')`,
					[v.componentId, measure, mm]
				);
			return { words: `The pattern of ${name} is size ${v.size}` };
		}
	),

	removeNominal: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ code: string }>(
				tx,
				`delete from nominal n using component c
				where n.id = $1 and c.id = n.component_id and c.costume_id = $2 returning c.code`,
				[id, costumeId]
			);
			if (!row) throw new Absent('measure of the pattern');
			return { words: `Removed a measure of the pattern of ${row.code}` };
		}
	)
};
