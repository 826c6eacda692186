import { z } from 'zod';
import { parseMoney } from '$core/units/money.ts';
import { say } from '$core/units/problem.ts';
import type { Context } from './command.ts';

/** A price is read in the currency that stands beside it; nothing typed is not known. */
export const price = z
	.object({ text: z.string().max(500, 'Too long.'), currency: z.string() })
	.transform(({ text, currency }, ctx): number | null => {
		if (text.trim() === '') return null;
		const read = parseMoney(text, currency);
		if (read.ok) return read.value;
		ctx.addIssue({ code: 'custom', message: say(read.problem) });
		return z.NEVER;
	});

/** Puts the currency of a form beside its price, before anything is read. */
export const withCurrency = <S extends z.ZodType>(schema: S, { currency }: Context) =>
	z.preprocess((form) => {
		const its = form as Record<string, unknown>;
		const text = its.packPriceMinor ?? '';
		return { ...its, packPriceMinor: { text, currency: String(its.currency ?? currency) } };
	}, schema);
