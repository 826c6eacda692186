import { z } from 'zod';
import type { CostumeRecord } from '../../facts/costume.ts';
import type { KeptLayout } from '../../facts/layout.ts';
import type { MeasureRecord } from '../../facts/measureRecord.ts';
import type { LookRecord } from '../../facts/picture.ts';
import type { TableName } from '../../facts/tables.ts';
import type { Keeping, NextTime, WearLog } from '../../facts/health.ts';
import type { WearRecord } from '../../facts/wear.ts';
import type { Workshop } from '../../facts/workshop.ts';
import { formatDate, formatLocalTime, parseDate, parseLocalTime } from '../../units/localTime.ts';

/** What the sections of the costume file are made of. */

export const id = z.number().int().positive();
export const idOrNull = id.nullable();
export const line = z.string().max(200);
export const longLine = z.string().max(500);
export const text = z.string().max(4000);
export const minutes = z.number().int().min(0).max(1_000_000);
export const minor = z.number().int().min(0).max(1_000_000_000_000);
export const amount = z.number().min(0).max(1e12);
export const size = z.number().positive().max(1e6).nullable();
export const mm = z.number().min(0).max(100_000);
export const hash = z.string().regex(/^[0-9a-f]{64}$/);
export const time = z
	.string()
	.refine((t) => parseLocalTime(t).ok, 'is not a local time like 2031-05-16T09:00');
export const date = z.string().refine((t) => parseDate(t).ok, 'is not a date like 2031-05-16');
export const points = z
	.array(z.tuple([z.number(), z.number()]))
	.min(1)
	.max(500);
/** A list that came with a later form, and may be missing. */
export const list = <T extends z.ZodType>(item: T, most: number) => z.array(item).max(most).default([]);

/** What a costume file is written from. */
export interface CostumeSource {
	record: CostumeRecord;
	workshop: Pick<Workshop, 'materials' | 'places' | 'makers' | 'handbook' | 'settings'>;
	look: LookRecord;
	fit: MeasureRecord;
	wear: WearRecord;
	wears: WearLog[];
	nextTimes: NextTime[];
	keepings: Keeping[];
	layouts: readonly KeptLayout[];
}

/** As they were written down: reading gives new ids in the same order. */
export const byId = <T extends { id: number }>(rows: readonly T[]): T[] =>
	[...rows].sort((a, b) => a.id - b.id);

/** A row without what reading the file gives anew: its id, its version, the costume that it hangs on. */
export function bare<T extends object>(row: T): Omit<T, 'id' | 'version' | 'costumeId'> {
	const { id: _i, version: _v, costumeId: _c, ...rest } = row as T & Record<string, unknown>;
	return rest as Omit<T, 'id' | 'version' | 'costumeId'>;
}

/** Steps that are done, to do and left out. */
export const stepsOf = ({ record }: CostumeSource) => byId([...record.steps, ...record.leftOut]);

export const dayOrNull = (day: number | null) => (day === null ? null : formatDate(day));
export const timeOrNull = (at: number | null) => (at === null ? null : formatLocalTime(at));

/** What a section's fields are read as. */
export type FileOf<F extends z.ZodRawShape> = z.infer<z.ZodObject<F>>;

/**
 * What a section is put in as: rows of a table, by the names of their facts. A link leads to the `id` that a row has in
 * the file; reading gives new ones.
 */
export interface Rows {
	table: TableName;
	rows: readonly ({ id?: number } & Record<string, unknown>)[];
}

/** Where links lead that stand inside of other values, and makers, who are told by name. */
export interface Links {
	to: (table: TableName, id: number) => number;
	maker: (name: string) => number | null;
}

/** What the costume’s own row is linked by; a file holds one. */
export const COSTUME = 0;
/** The spray place of the workshop that reads the file. */
export const SPRAY_PLACE = 0;
