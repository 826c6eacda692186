import { z } from 'zod';
import { coatSteps } from '../answers/coatStack.ts';
import { checkStack, cured, cureWords, thoughtOf, type Layer } from '../answers/stackCheck.ts';
import { SURFACE_KEYS } from '../facts/component.ts';
import { catalogueOf, type Catalogue } from '../trade/catalogue.ts';
import { contentOf } from '../trade/coatProduct.ts';
import { HANDBOOK_ROWS, handbookKey } from '../trade/handbookRow.ts';
import { rateOf } from '../trade/rates.ts';
import { wholePacks } from '../units/packs.ts';
import { slowerBy } from '../answers/wait.ts';

const minutes = z.number().int().min(0).max(1_000_000);
const coat = z.strictObject({
	product: handbookKey,
	/** What tells it from another of the product. */
	colour: z.string().max(120).default(''),
	coats: z.number().int().min(1).max(20).optional(),
	/** mm², where it is not that of the part. */
	area: z.number().positive('Needs an area.').max(1e9).optional(),
	recoat: minutes.optional(),
	handling: minutes.optional()
});
const work = z.strictObject({ work: handbookKey });
const own = <S extends z.ZodType>(row: S) => z.record(handbookKey, row).default({});

/** The job kind `coats`, as docs/jobs.md describes it. */
export const coatsJob = z
	.strictObject({
		kind: z.literal('coats'),
		surface: z.enum(SURFACE_KEYS).nullable().default(null),
		bends: z.boolean().default(false),
		area: z.number().positive('Needs an area.').max(1e9),
		copies: z.number().int().min(1).max(1000).default(1),
		coldOrDamp: z.boolean().default(false),
		stack: z
			.array(z.union([coat, work]))
			.min(1, 'Needs a coat.')
			.max(400, 'At most 400 coats.'),
		products: own(HANDBOOK_ROWS.coatProduct),
		rules: own(HANDBOOK_ROWS.coatRule)
	})
	.superRefine((job, ctx) => {
		const trade = tradeOf(job);
		for (const [i, layer] of job.stack.entries()) {
			const [table, key, what] =
				'work' in layer
					? (['technique', layer.work, 'technique'] as const)
					: (['coatProduct', layer.product, 'product'] as const);
			if (!Object.hasOwn(trade[table], key))
				ctx.addIssue({
					code: 'custom',
					path: ['stack', i],
					message: `There is no ${what} “${key}”.`
				});
		}
	});
type Job = z.infer<typeof coatsJob>;

const tradeOf = ({ products, rules }: Pick<Job, 'products' | 'rules'>): Catalogue =>
	catalogueOf(
		[
			...Object.entries(products).map(([key, content]) => ({
				tableName: 'coatProduct' as const,
				key,
				content
			})),
			...Object.entries(rules).map(([key, content]) => ({ tableName: 'coatRule' as const, key, content }))
		].map((row, id) => ({ ...row, id, version: 1 }))
	);

/** A stack on a surface: what may not hold, the order that its cures lead to, when each coat goes on, and what it takes. */
export function runCoatsJob(job: Job) {
	const trade = tradeOf(job);
	const ground = { surface: job.surface, bends: job.bends };
	const entered = job.stack.map((layer, at): Layer => {
		if ('work' in layer)
			return {
				kind: 'step',
				id: at,
				name: trade.technique[layer.work]!.name,
				technique: layer.work,
				begun: false
			};
		const coat = thoughtOf(layer.product, trade);
		return {
			...coat,
			id: at,
			colour: `${layer.product} ${layer.colour}`,
			wait: layer.handling ?? coat.wait
		};
	});
	const warnings = checkStack(ground, entered, trade, 0);
	return {
		warnings: warnings.map(({ rule, spoils, why, over, on, cures }) => ({
			rule,
			spoils,
			why,
			over,
			on,
			cures: cures.map((cure) => ({
				...cure,
				words: cureWords(cure, { over, on }, entered, trade)
			}))
		})),
		order: curedThrough(ground, entered, trade).map((layer) =>
			layer.kind === 'coat' ? layer.product : layer.technique
		),
		...timesOf(job, trade),
		needs: needsOf(job, trade)
	};
}

/** The stack with the first cure of each warning taken, until none is left that can be. */
function curedThrough(ground: Parameters<typeof checkStack>[0], entered: readonly Layer[], trade: Catalogue) {
	let layers = entered;
	for (let round = 0; round < entered.length * 4; round++) {
		const warning = checkStack(ground, layers, trade, 0).find((w) => w.cures.length > 0);
		if (!warning) break;
		layers = cured(layers, warning, warning.cures[0]!, trade)!;
	}
	return layers;
}

/** When each coat goes on, minutes from the first, done one after the other by one who has nothing else to do. */
function timesOf({ area, copies, coldOrDamp, stack }: Job, trade: Catalogue) {
	let at = 0;
	const slower = slowerBy({ coldOrDamp });
	const coats = stack.flatMap((layer, index) => {
		if ('work' in layer) return [];
		const p = trade.coatProduct[layer.product]!;
		const steps = coatSteps(
			{
				product: layer.product,
				coats: layer.coats ?? p.coats[0],
				area: layer.area ?? area,
				recoatMinutes: layer.recoat ?? p.recoatMinutes,
				handlingMinutes: layer.handling ?? p.handlingMinutes
			},
			trade
		);
		return steps.map(({ technique, amount, setUpMinutes, waitMinutes, withinMinutes, orAfterMinutes }, k) => {
			const hands = Math.max(
				1,
				Math.round(setUpMinutes + (amount / 1e6) * copies * rateOf(trade, technique)[1])
			);
			const wait = waitMinutes * slower;
			const coat = {
				layer: index,
				product: layer.product,
				colour: layer.colour,
				coat: k + 1,
				at,
				minutes: hands,
				wait,
				within: withinMinutes,
				orAfter: orAfterMinutes === null ? null : orAfterMinutes * slower
			};
			at += hands + wait;
			return coat;
		});
	});
	return { coats, minutes: at };
}

/** Packs and ml by product and colour, over the whole stack; rounded up once. */
function needsOf({ area, copies, stack }: Job, trade: Catalogue) {
	const sums = new Map<string, { product: string; colour: string; coatedMm2: number }>();
	for (const layer of stack) {
		if ('work' in layer) continue;
		const { product, colour } = layer;
		const key = `${product} ${colour}`;
		const coats = layer.coats ?? trade.coatProduct[product]!.coats[0];
		const coatedMm2 = (sums.get(key)?.coatedMm2 ?? 0) + (layer.area ?? area) * coats * copies;
		sums.set(key, { product, colour, coatedMm2 });
	}
	return [...sums.values()].map((sum) => {
		const { coversMm2, pack } = trade.coatProduct[sum.product]!;
		const content = contentOf(pack);
		return {
			...sum,
			ml: content === null ? null : Number(((sum.coatedMm2 / coversMm2) * content).toFixed(1)),
			packs: wholePacks(sum.coatedMm2, coversMm2)
		};
	});
}
