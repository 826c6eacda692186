import { z } from 'zod';
import { formatLocalTime } from '../../units/localTime.ts';
import {
	byId,
	COSTUME,
	hash,
	idOrNull,
	line,
	time,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

/** Photos of the work; the pictures themselves lie beside, under their hash. */
export const photoFields = {
	photos: z
		.array(
			z.strictObject({
				hash,
				componentId: idOrNull,
				stepId: idOrNull,
				faultId: idOrNull,
				fittingId: idOrNull.default(null),
				/** Since form 13. */
				swatchId: idOrNull.default(null),
				caption: line,
				takenAt: time
			})
		)
		.max(5000)
};

export const writePhotos = ({ record }: CostumeSource) => {
	return {
		photos: byId(record.photos).map((p) => ({
			hash: p.hash,
			componentId: p.componentId,
			stepId: p.stepId,
			faultId: p.faultId,
			fittingId: p.fittingId,
			swatchId: p.swatchId,
			caption: p.caption,
			takenAt: formatLocalTime(p.takenAt)
		}))
	};
};

export const photoRows = ({ photos }: FileOf<typeof photoFields>): Rows[] => [
	{ table: 'photo', rows: photos.map((p) => ({ ...p, costumeId: COSTUME })) }
];
