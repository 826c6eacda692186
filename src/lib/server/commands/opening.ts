import { z } from 'zod';
import { MEASURE_KEYS } from '$core/facts/bodyMeasure.ts';
import { PASSAGE_KEYS, PASSAGES } from '$core/facts/opening.ts';
import { DIRECTIONS, MADE_FOR } from '$core/facts/measureRecord.ts';
import { sizesOf } from '$core/trade/sizeTable.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
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

async function ownOpening(tx: Executor, id: number, costumeId: number): Promise<void> {
	const its = await one(
		tx,
		'select 1 from opening o join component c on c.id = o.component_id where o.id = $1 and c.costume_id = $2',
		[id, costumeId]
	);
	if (!its) throw new Absent('opening');
}

export const openingCommands = {
	addOpening: command(
		(context) => z.object({ componentId: f.id(), ...round(context) }),
		async (tx, v, context) => {
			const name = await codeOf(tx, v.componentId, context);
			const id = await insert(tx, 'opening', v);
			return { words: `Added ${PASSAGES[v.passage].name} of ${name}`, result: { id } };
		}
	),

	editOpening: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...round(context) }),
		async (tx, v, { costumeId }) => {
			await ownOpening(tx, v.id, costumeId);
			await update(tx, 'opening', v, v);
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
			await set(tx, 'component', v.id, { thicknessMm: v.thicknessMm });
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
			await insert(tx, 'nominal', v);
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
				await insert(tx, 'nominal', {
					componentId: v.componentId,
					measure,
					direction: 'width',
					nominalMm: mm,
					madeFor: 'body'
				});
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
