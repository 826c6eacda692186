import { z } from 'zod';
import { PHASES } from '../../facts/step.ts';
import { handbookKey, takes } from '../../trade/handbookRow.ts';
import type { Takes } from '../../trade/driver.ts';
import { formatLocalTime } from '../../units/localTime.ts';
import {
	SPRAY_PLACE,
	amount,
	byId,
	id,
	idOrNull,
	line,
	minutes,
	stepsOf,
	text,
	time,
	type CostumeSource,
	type FileOf,
	type Links,
	type Rows
} from './fields.ts';

/** Steps with their links, and what was logged on them. A running timer is left out: it has no end yet. */
export const stepFields = {
	steps: z
		.array(
			z.strictObject({
				id,
				componentId: id,
				position: z.number().int().min(0),
				name: z.string().min(1).max(120),
				technique: handbookKey,
				phase: z.enum(PHASES),
				amount,
				fromPieces: z.boolean().default(false),
				/** What of the pieces it takes, and whether the amount is a starting value: since form 5. */
				takes: takes.nullable().default(null),
				guessed: z.boolean().default(false),
				guess: amount.nullable().default(null),
				perCopy: z.boolean(),
				setUpMinutes: minutes,
				waitMinutes: minutes,
				withinMinutes: minutes.nullable(),
				orAfterMinutes: minutes.nullable(),
				oneSitting: z.boolean(),
				needsHelper: z.boolean(),
				placeId: idOrNull.default(null),
				/** In forms 1 and 2: it needs the spray place of the workshop that reads the file. */
				needsSprayPlace: z.boolean().default(false),
				coatId: idOrNull,
				faultId: idOrNull,
				doneAt: time.nullable(),
				/** A start that is kept for it. */
				pinnedAt: time.nullable().default(null),
				/** Left out to be in time. */
				leftOut: z.boolean().default(false),
				after: z.array(id)
			})
		)
		.max(20_000),
	logs: z
		.array(
			z.strictObject({
				stepId: id,
				/** By name. */
				maker: line.nullable().default(null),
				startedAt: time,
				endedAt: time,
				minutes,
				note: text
			})
		)
		.max(100_000)
};

export const writeSteps = (source: CostumeSource) => {
	const { record, workshop } = source;
	const makerNames = new Map(workshop.makers.map((m) => [m.id, m.name]));
	return {
		steps: stepsOf(source).map((s) => ({
			id: s.id,
			componentId: s.componentId,
			position: s.position,
			name: s.name,
			technique: s.technique,
			phase: s.phase,
			amount: s.amount,
			fromPieces: s.fromPieces,
			takes: s.takes as Takes | null,
			guessed: s.guessed,
			guess: s.guess,
			perCopy: s.perCopy,
			setUpMinutes: s.setUpMinutes,
			waitMinutes: s.waitMinutes,
			withinMinutes: s.withinMinutes,
			orAfterMinutes: s.orAfterMinutes,
			oneSitting: s.oneSitting,
			needsHelper: s.needsHelper,
			placeId: s.placeId,
			needsSprayPlace: false,
			coatId: s.coatId,
			faultId: s.faultId,
			doneAt: s.doneAt === null ? null : formatLocalTime(s.doneAt),
			pinnedAt: s.pinnedAt === null ? null : formatLocalTime(s.pinnedAt),
			leftOut: record.leftOut.includes(s),
			after: s.after
		})),
		logs: byId(record.logs)
			.filter((l) => l.endedAt !== null)
			.map((l) => ({
				stepId: l.stepId,
				maker: makerNames.get(l.makerId ?? 0) ?? null,
				startedAt: formatLocalTime(l.startedAt),
				endedAt: formatLocalTime(l.endedAt!),
				minutes: l.minutes,
				note: l.note
			}))
	};
};

export const stepRows = ({ steps, logs }: FileOf<typeof stepFields>, { maker }: Links): Rows[] => [
	{
		table: 'step',
		rows: steps.map(({ after: _, needsSprayPlace, ...s }) => ({
			...s,
			placeId: needsSprayPlace ? SPRAY_PLACE : s.placeId
		}))
	},
	{
		table: 'step_after',
		rows: steps.flatMap((s) => s.after.map((afterId) => ({ stepId: s.id, afterId })))
	},
	{
		table: 'work_log',
		rows: logs.map(({ maker: name, ...l }) => ({ ...l, makerId: name === null ? null : maker(name) }))
	}
];
