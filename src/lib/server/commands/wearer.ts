import pluralize from 'pluralize';
import { z } from 'zod';
import {
	BODY_MEASURES,
	definitionOf,
	MEASURE_KEYS,
	measureWords,
	OVERS,
	SECTION_RATIO,
	type MeasureKey,
	type MeasureSide,
	type Wearer
} from '$core/facts/bodyMeasure.ts';
import { SCAN_LEVELS } from '$core/answers/scanned.ts';
import { SECTION_KEYS } from '$core/engines/stand/levels.ts';
import { formatDate, formatLocalTime, type LocalMinutes } from '$core/units/localTime.ts';
import { formatLength } from '$core/units/measure.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

type WearerRow = Pick<Wearer, 'id' | 'name' | 'sections'>;
async function loadWearer(tx: Executor, id: number): Promise<WearerRow> {
	const row = await one<WearerRow>(tx, 'select id, name, sections from wearer where id = $1', [id]);
	if (!row) throw new Absent('wearer');
	return row;
}

async function uniqueName(tx: Executor, name: string, its = 0): Promise<void> {
	const same = await one(tx, 'select 1 from wearer where lower(name) = lower($1) and id <> $2', [name, its]);
	if (same) throw new Refused(`There is a wearer called ${name} already.`, 'name');
}

const SCAN_KEYS = SCAN_LEVELS.map((l) => l.key) as [string, ...string[]];

/** Fields of the measuring sheet: `waistGirth`, `wristGirth-left`. */
export const sheetFields: readonly { field: string; key: MeasureKey; side: MeasureSide }[] =
	MEASURE_KEYS.flatMap((key) =>
		definitionOf(key).sided
			? (['left', 'right'] as const).map((side) => ({
					field: `${key}-${side}`,
					key,
					side: side as MeasureSide
				}))
			: [{ field: key, key, side: 'none' as MeasureSide }]
	);

const measured = (key: MeasureKey, { settings }: Context) =>
	f.lengthBetween(settings.lengthUnit, BODY_MEASURES[key].least, BODY_MEASURES[key].most);

interface MeasureRow {
	id: number;
	measure: MeasureKey;
	side: MeasureSide;
	name: string;
}
async function loadMeasureRow(tx: Executor, id: number): Promise<MeasureRow> {
	const row = await one<MeasureRow>(
		tx,
		`select m.id, m.measure, m.side, w.name from body_measure m join wearer w on w.id = m.wearer_id where m.id = $1`,
		[id]
	);
	if (!row) throw new Absent('measure');
	return row;
}

/** The first wearer of a costume is the one whose measures its pieces follow. */
async function link(tx: Executor, { costumeId, now }: Context, wearerId: number) {
	const row = await one<{ id: number }>(
		tx,
		`insert into costume_wearer (costume_id, wearer_id) select k.id, $2 from costume k where k.id = $1
		on conflict do nothing returning id`,
		[costumeId, wearerId]
	);
	const others = await one(tx, 'select 1 from costume_wearer where costume_id = $1 and id <> $2', [
		costumeId,
		row?.id ?? 0
	]);
	if (row && !others) await fitTo(tx, costumeId, wearerId, now);
	return row;
}

/** From now on its pieces follow this wearer, who is named as the costume's. */
async function fitTo(tx: Executor, costumeId: number, wearerId: number, now: LocalMinutes): Promise<void> {
	await tx.query('update costume_wearer set fitted_at = $3 where costume_id = $1 and wearer_id = $2', [
		costumeId,
		wearerId,
		formatLocalTime(now)
	]);
	await tx.query(
		'update costume set wearer = (select name from wearer where id = $2) where id = $1 and wearer <> (select name from wearer where id = $2)',
		[costumeId, wearerId]
	);
}

/** Costumes that named this wearer name the one that their pieces follow now, or nobody. */
async function unname(tx: Executor, name: string, costumeIds: readonly number[]): Promise<void> {
	await tx.query(
		`update costume k set wearer = coalesce((select w.name from costume_wearer l join wearer w on w.id = l.wearer_id
			where l.costume_id = k.id order by l.fitted_at desc nulls last, l.id limit 1), '')
		where k.id = any($2) and lower(k.wearer) = lower($1)`,
		[name, costumeIds]
	);
}

export const wearerCommands = {
	/** A new profile, which wears this costume. */
	addWearer: command(
		() => z.object({ name: f.name(), note: f.note() }),
		async (tx, v, context) => {
			await uniqueName(tx, v.name);
			const id = await insert(tx, 'wearer', v);
			await link(tx, context, id);
			return { words: `Began a profile for ${v.name}`, result: { id } };
		}
	),

	editWearer: command(
		() => z.object({ id: f.id(), version: f.version(), name: f.name(), note: f.note() }),
		async (tx, v) => {
			await uniqueName(tx, v.name, v.id);
			const before = await loadWearer(tx, v.id);
			await tx.query(
				`update costume k set wearer = $2 where lower(k.wearer) = lower($3)
				and exists (select 1 from costume_wearer l where l.costume_id = k.id and l.wearer_id = $1)`,
				[v.id, v.name, before.name]
			);
			await update(tx, 'wearer', v, v);
			return { words: `Changed the profile of ${v.name}` };
		}
	),

	/** How wide by deep a section of the body is; without a value it goes by the usual. */
	shapeSection: command(
		() =>
			z.object({
				wearerId: f.id(),
				section: f.choice(SECTION_KEYS),
				breadthToDepth: f.ratioOrNull(SECTION_RATIO.least, SECTION_RATIO.most)
			}),
		async (tx, { wearerId, section, breadthToDepth }) => {
			const { name, sections: before } = await loadWearer(tx, wearerId);
			const { [section]: _, ...others } = before;
			const sections = breadthToDepth === null ? others : { ...others, [section]: breadthToDepth };
			await set(tx, 'wearer', wearerId, { sections });
			return { words: `Shaped the section “${section.replace(/ none$/, '')}” of ${name}` };
		}
	),

	removeWearer: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { name } = await loadWearer(tx, id);
			const worn = await all<{ costumeId: number }>(
				tx,
				'select costume_id from costume_wearer where wearer_id = $1',
				[id]
			);
			await tx.query('delete from wearer where id = $1', [id]);
			await unname(
				tx,
				name,
				worn.map((w) => w.costumeId)
			);
			return { words: `Removed the profile of ${name}` };
		}
	),

	/** One more wearer of this costume, with a profile that exists. */
	wearCostume: command(
		() => z.object({ wearerId: f.id() }),
		async (tx, { wearerId }, context) => {
			const { name } = await loadWearer(tx, wearerId);
			const row = await link(tx, context, wearerId);
			if (!row) throw new Refused(`${name} wears this costume already.`, 'wearerId');
			return { words: `${name} wears this costume` };
		}
	),

	/** The profile stays; only this costume is no longer for that wearer. */
	unwearCostume: command(
		() => z.object({ wearerId: f.id() }),
		async (tx, { wearerId }, { costumeId }) => {
			const { name } = await loadWearer(tx, wearerId);
			await tx.query('delete from costume_wearer where costume_id = $1 and wearer_id = $2', [
				costumeId,
				wearerId
			]);
			await unname(tx, name, [costumeId]);
			return { words: `${name} no longer wears this costume` };
		}
	),

	/** Its pieces follow this wearer's measures from now on. */
	fitCostume: command(
		() => z.object({ wearerId: f.id() }),
		async (tx, { wearerId }, { costumeId, now }) => {
			const { name } = await loadWearer(tx, wearerId);
			const worn = await one(tx, 'select 1 from costume_wearer where costume_id = $1 and wearer_id = $2', [
				costumeId,
				wearerId
			]);
			if (!worn) throw new Absent('wearer of this costume');
			await fitTo(tx, costumeId, wearerId, now);
			return { words: `The pieces follow ${name}` };
		}
	),

	/** As of which day's measures the costume was built. */
	setBuiltOn: command(
		() => z.object({ wearerId: f.id(), builtOn: f.dateOrNull() }),
		async (tx, { wearerId, builtOn }, { costumeId }) => {
			const { name } = await loadWearer(tx, wearerId);
			await tx.query('update costume_wearer set built_on = $3 where costume_id = $1 and wearer_id = $2', [
				costumeId,
				wearerId,
				builtOn === null ? null : formatDate(builtOn)
			]);
			const when = builtOn === null ? 'no day yet' : formatDate(builtOn);
			return { words: `Built for ${name} as measured on ${when}` };
		}
	),

	/** A sheet of measures taken on one day, over one thing; empty fields were not taken. */
	takeMeasures: command(
		(context) =>
			z.object({
				wearerId: f.id(),
				takenOn: f.date(),
				over: f.choice(OVERS),
				note: f.text(),
				...Object.fromEntries(
					sheetFields.map(({ field, key }) => [
						field,
						z.preprocess(
							(text) => (typeof text === 'string' && text.trim() === '' ? undefined : text),
							measured(key, context).optional()
						)
					])
				)
			}),
		async (tx, v) => {
			const { name } = await loadWearer(tx, v.wearerId);
			const given = v as Record<string, unknown>;
			const rows = sheetFields.filter(({ field }) => typeof given[field] === 'number');
			if (rows.length === 0) throw new Refused('Nothing is filled in.');
			for (const { field, key, side } of rows)
				await insert(tx, 'body_measure', {
					wearerId: v.wearerId,
					measure: key,
					side,
					over: v.over,
					mm: given[field],
					takenOn: v.takenOn,
					note: v.note
				});
			return { words: `Took ${pluralize('measure', rows.length, true)} of ${name}` };
		}
	),

	/** What was found on a scan of the body: measures, and how wide by deep it is there. */
	takeScan: command(
		() =>
			z.object({
				wearerId: f.id(),
				takenOn: f.date(),
				taken: f.json(
					z
						.array(
							z.strictObject({
								key: z.enum(SCAN_KEYS),
								mm: z.number(),
								breadthToDepth: z.number().min(SECTION_RATIO.least).max(SECTION_RATIO.most).nullable()
							})
						)
						.min(1, 'Press on the scan first.')
						.max(60),
					'What was found on the scan cannot be read.'
				)
			}),
		async (tx, { wearerId, takenOn, taken }, { settings }) => {
			const { name, sections: before } = await loadWearer(tx, wearerId);
			const sections = { ...before };
			for (const { key, mm, breadthToDepth } of taken) {
				const level = SCAN_LEVELS.find((l) => l.key === key)!;
				const { least, most } = definitionOf(level.measure);
				if (mm < least || mm > most)
					throw new Refused(
						`${measureWords(level.measure, level.side)}: ${formatLength(mm, settings.lengthUnit)} cannot be.`
					);
				const { measure, side } = level;
				await insert(tx, 'body_measure', {
					wearerId,
					measure,
					side,
					over: 'skin',
					mm,
					takenOn,
					note: 'from a scan'
				});
				if (breadthToDepth !== null) sections[level.section] = breadthToDepth;
			}
			await set(tx, 'wearer', wearerId, { sections });
			return { words: `Took ${pluralize('measure', taken.length, true)} of ${name} from a scan` };
		}
	),

	editMeasure: command(
		({ settings }) =>
			z.object({
				id: f.id(),
				version: f.version(),
				mm: f.lengthBetween(settings.lengthUnit, 1, 3000),
				over: f.choice(OVERS),
				takenOn: f.date(),
				note: f.text()
			}),
		async (tx, v, { settings }) => {
			const row = await loadMeasureRow(tx, v.id);
			const { least, most } = definitionOf(row.measure);
			if (v.mm < least || v.mm > most)
				throw new Refused(
					`A ${BODY_MEASURES[row.measure].name} lies from ${formatLength(least, settings.lengthUnit)} to ${formatLength(most, settings.lengthUnit)}.`,
					'mm'
				);
			await update(tx, 'body_measure', v, { ...v, confirmed: false });
			return { words: `Changed ${measureWords(row.measure, row.side)} of ${row.name}` };
		}
	),

	/** It was asked about, and it is right. */
	confirmMeasure: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const row = await loadMeasureRow(tx, id);
			await set(tx, 'body_measure', id, { confirmed: true });
			return { words: `Confirmed ${measureWords(row.measure, row.side)} of ${row.name}` };
		}
	),

	removeMeasure: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const row = await loadMeasureRow(tx, id);
			await tx.query('delete from body_measure where id = $1', [id]);
			return { words: `Removed ${measureWords(row.measure, row.side)} of ${row.name}` };
		}
	)
};
