import { z } from 'zod';
import type { Lab } from '../../units/lab.ts';
import { parseColour } from './lab.ts';

/** A colour as it is typed: as a screen shows it, or three numbers of CIELAB. */
export const typedColour = z
	.string({ error: 'Needs a colour.' })
	.max(60)
	.transform((typed, ctx): Lab => {
		const read = parseColour(typed);
		if (read) return read;
		ctx.addIssue({
			code: 'custom',
			message: 'A colour is #b08d57, or lightness 0 to 100 and two numbers of CIELAB: 61.4 12.5 49.8.'
		});
		return z.NEVER;
	});
