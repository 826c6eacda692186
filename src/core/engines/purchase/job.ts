import { z } from 'zod';
import { formatDate, parseDate } from '../../units/localTime.ts';
import { say } from '../../units/problem.ts';
import { choosePacks } from './choose.ts';
import { AIMS, type PackTask, type Solve } from './task.ts';

const date = z.string().transform((text, ctx): number => {
	const parsed = parseDate(text);
	if (parsed.ok) return parsed.value;
	ctx.addIssue({ code: 'custom', message: say(parsed.problem) });
	return z.NEVER;
});
const id = z.string().min(1).max(200);
const amount = z.number().positive().max(1e6);
const money = z.number().int().min(0).max(1e9);
const packs = z.number().int().min(0).max(100_000);

const unique = (things: readonly { id: string }[]) => new Set(things.map((t) => t.id)).size === things.length;
const list = <T extends z.ZodType<{ id: string }>>(item: T, what: string) =>
	z.array(item).refine(unique, { message: `Two ${what} have the same id.` });

type Wanted = { amount: number; by: number | null };
const isRising = (need: Wanted & { sooner: readonly Wanted[] }) =>
	[...need.sooner, need].every(({ amount, by }, k) => {
		const before = need.sooner[k - 1];
		return !before || (amount > before.amount && (by ?? Infinity) > before.by!);
	});

/** The job kind `packs`, as docs/jobs.md describes it. */
export const packsJob = z
	.strictObject({
		kind: z.literal('packs'),
		seconds: z.number().positive().max(3600).default(2),
		start: date,
		aim: z.enum(AIMS).default('cheapest'),
		needs: list(
			z
				.strictObject({
					id,
					amount: z.number().min(0).max(1e6),
					by: date.nullable().default(null),
					sooner: z
						.array(z.strictObject({ amount, by: date }))
						.max(100)
						.default([])
				})
				.refine(isRising, {
					message: 'What is wanted sooner is less, each day more than on the one before.'
				}),
			'needs'
		),
		offers: list(
			z.strictObject({
				id,
				need: id,
				supplier: id,
				amount,
				priceMinor: money,
				breaks: z
					.array(z.strictObject({ from: packs.min(1), priceMinor: money }))
					.refine((b) => new Set(b.map((one) => one.from)).size === b.length, {
						message: 'Two breaks begin at the same number.'
					})
					.default([]),
				leadDays: z.number().int().min(0).max(400).default(0),
				max: packs.nullable().default(null),
				least: packs.default(0)
			}),
			'offers'
		),
		suppliers: list(
			z.strictObject({
				id,
				shippingMinor: money.default(0),
				freeFromMinor: money.nullable().default(null),
				minOrderMinor: money.nullable().default(null),
				workingDays: z.array(z.number().int().min(1).max(7)).default([1, 2, 3, 4, 5]),
				closed: z.array(date).default([])
			}),
			'suppliers'
		)
	})
	.superRefine((job, ctx) => {
		const needs = new Set(job.needs.map((n) => n.id));
		const suppliers = new Set(job.suppliers.map((s) => s.id));
		job.offers.forEach((o, k) => {
			const unknown = (field: string, value: string) =>
				ctx.addIssue({ code: 'custom', path: ['offers', k, field], message: `“${value}” is not there.` });
			if (!needs.has(o.need)) unknown('need', o.need);
			if (!suppliers.has(o.supplier)) unknown('supplier', o.supplier);
		});
	});

/** @throws Failed when no purchase was found in time */
export function runPacksJob({ seconds, kind: _, ...task }: z.infer<typeof packsJob>, solve: Solve) {
	const day = (d: number | null) => (d === null ? null : formatDate(d));
	const { buy, short, ...rest } = choosePacks(task satisfies PackTask, solve, seconds);
	return {
		buy: buy.map((b) => ({ ...b, arrives: formatDate(b.arrives) })),
		...rest,
		short: short.map(({ sooner = [], ...s }) => ({
			...s,
			soonest: day(s.soonest),
			...(sooner.length > 0 && { sooner: sooner.map(day) })
		}))
	};
}
