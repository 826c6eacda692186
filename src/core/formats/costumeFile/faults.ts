import { z } from 'zod';
import { OCCASIONS } from '../../facts/fault.ts';
import { formatLocalTime } from '../../units/localTime.ts';
import { handbookKey } from '../../trade/handbookRow.ts';
import { KNOWN_FAULTS, keyOfSymptom } from '../../trade/knownFault.ts';
import {
	byId,
	id,
	idOrNull,
	line,
	minutes,
	time,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

/** What broke, and what mended it. */
export const faultFields = {
	faults: z
		.array(
			z
				.strictObject({
					id,
					componentId: id,
					symptom: z.string().min(1).max(200),
					/** Of the handbook. Before form 4 it was told by the symptom's words. */
					known: handbookKey.nullable().optional(),
					/** Since form 16. */
					holds: z.string().min(1).max(120).nullable().default(null),
					cause: line,
					cure: line,
					occasion: z.enum(OCCASIONS),
					happenedAt: time,
					minutesLost: minutes,
					cameBackOf: idOrNull
				})
				.transform((f) => ({
					...f,
					known: f.known === undefined ? keyOfSymptom(KNOWN_FAULTS, f.symptom) : f.known
				}))
		)
		.max(5000)
};

export const writeFaults = ({ record }: CostumeSource) => {
	return {
		faults: byId(record.faults).map((f) => ({
			id: f.id,
			componentId: f.componentId,
			symptom: f.symptom,
			known: f.known,
			holds: f.holds,
			cause: f.cause,
			cure: f.cure,
			occasion: f.occasion,
			happenedAt: formatLocalTime(f.happenedAt),
			minutesLost: f.minutesLost,
			cameBackOf: f.cameBackOf
		}))
	};
};

export const faultRows = ({ faults }: FileOf<typeof faultFields>): Rows[] => [
	{ table: 'fault', rows: faults }
];
