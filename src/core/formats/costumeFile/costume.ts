import { z } from 'zod';
import { formatLocalTime } from '../../units/localTime.ts';
import { CURRENCIES } from '../../units/money.ts';
import { COSTUME, line, minor, text, time, type CostumeSource, type FileOf, type Rows } from './fields.ts';

/** The costume itself. */
export const costumeFields = {
	costume: z.strictObject({
		name: z.string().min(1).max(120),
		wearer: line,
		eventName: line,
		eventAt: time,
		bufferDays: z.number().int().min(0).max(60),
		limitMinor: minor.nullable(),
		currency: z.enum(CURRENCIES),
		stashAtCost: z.boolean(),
		split: z.enum(['windows', 'anywhere']),
		targetOdds: z.number().int().min(50).max(99).default(85),
		rehearsalAt: time.nullable().default(null),
		note: text
	})
};

export const writeCostume = ({ record: { costume } }: CostumeSource) => {
	return {
		costume: {
			name: costume.name,
			wearer: costume.wearer,
			eventName: costume.eventName,
			eventAt: formatLocalTime(costume.eventAt),
			bufferDays: costume.bufferDays,
			limitMinor: costume.limitMinor,
			currency: costume.currency as (typeof CURRENCIES)[number],
			stashAtCost: costume.stashAtCost,
			split: costume.split,
			targetOdds: costume.targetOdds,
			rehearsalAt: costume.rehearsalAt === null ? null : formatLocalTime(costume.rehearsalAt),
			note: costume.note
		}
	};
};

export const costumeRows = ({ costume }: FileOf<typeof costumeFields>): Rows[] => [
	{ table: 'costume', rows: [{ id: COSTUME, ...costume }] }
];
