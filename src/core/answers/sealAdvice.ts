import type { Material } from '../facts/material.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, type Catalogue } from '../trade/catalogue.ts';
import { DRY_GRAMS_PER_ML, type CoatProduct } from '../trade/coatProduct.ts';
import { rateOf } from '../trade/rates.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { coatSteps, coversOf } from './coatStack.ts';
import { mlOfUnit, mlPerM2Of } from './spraySessions.ts';
import { checkStack, thoughtOf, type Ground } from './stackCheck.ts';
import { slowerBy } from './wait.ts';

/** What is to be sealed. */
export interface Face extends Ground {
	/** Outside, mm². */
	areaMm2: number;
	/** Minutes until it has to be ready; null where nothing presses. */
	leftMinutes: number | null;
}

export interface SealChoice {
	key: string;
	product: CoatProduct;
	/** What of it there is; null where no material stands for the product. */
	material: Material | null;
	coats: number;
	/** From the first coat until it may be handled, by hand and waiting. */
	minutes: number;
	handsMinutes: number;
	/** Of that the waits between coats, and the last one. */
	betweenMinutes: number;
	lastMinutes: number;
	/** Units of the material, or usual packs. */
	units: number;
	/** What 1 m² of one coat takes, ml; null where nobody knows what a unit holds. */
	mlPerM2: number | null;
	ml: number | null;
	/** It is ready in time; null where nothing presses. */
	inTime: boolean | null;
	/** What of its price it takes, minor units of the material's currency; null where nobody knows. */
	costMinor: number | null;
	/** Weight that stays on, g. */
	grams: number | null;
	pros: string[];
	cons: string[];
}
export interface SealAdvice {
	choices: SealChoice[];
	avoid: { product: CoatProduct; why: string }[];
}

/**
 * Sealers and primers for a surface: those that are ready in time first, then those that bend where the part does, then the sooner,
 * then the cheaper. What spoils is not advised, and named with why.
 *
 * @param face area more than nothing
 */
export function sealAdvice(
	face: Face,
	workshop: Pick<Workshop, 'materials' | 'handbook' | 'rates'> & {
		settings: Pick<Workshop['settings'], 'coldOrDamp'>;
	}
): SealAdvice {
	const trade = catalogueOf(workshop.handbook);
	const choices: SealChoice[] = [];
	const avoid: SealAdvice['avoid'] = [];
	for (const [key, product] of Object.entries(trade.coatProduct)) {
		if (product.does !== 'seal' && product.does !== 'prime') continue;
		// It is painted over: what is said of a last coat does not go for it.
		const layers = [key, 'brushedAcrylic'].map((k) => thoughtOf(k, trade));
		const warnings = checkStack(face, layers, trade, 0).filter((w) => w.over === 0);
		const spoils = warnings.find((w) => w.spoils);
		if (spoils) avoid.push({ product, why: spoils.why });
		else
			choices.push(
				choiceOf(
					key,
					product,
					face,
					warnings.map((w) => w.why),
					trade,
					workshop
				)
			);
	}
	const order = (c: SealChoice) => [
		c.inTime === false ? 1 : 0,
		c.cons.length,
		c.minutes,
		c.costMinor ?? Infinity
	];
	return {
		choices: choices.sort((a, b) => {
			const [x, y] = [order(a), order(b)];
			const at = x.findIndex((v, i) => v !== y[i]);
			return at < 0 ? 0 : x[at]! - y[at]!;
		}),
		avoid
	};
}

function choiceOf(
	key: string,
	product: CoatProduct,
	face: Face,
	doubts: readonly string[],
	trade: Catalogue,
	{ materials, rates, settings }: Parameters<typeof sealAdvice>[1]
): SealChoice {
	const coats = product.coats[0];
	const own = materials.filter((m) => m.coatProduct === key);
	const material = own.find((m) => m.stash > 0) ?? own[0] ?? null;
	const steps = coatSteps(
		{
			product: key,
			coats,
			area: face.areaMm2,
			recoatMinutes: product.recoatMinutes,
			handlingMinutes: product.handlingMinutes
		},
		trade
	);
	const hands = steps.reduce((sum, s) => {
		const [, usual]: ThreePoints = rateOf(trade, s.technique, rates);
		return sum + Math.max(1, Math.round(s.setUpMinutes + (s.amount / 1e6) * usual));
	}, 0);
	const slower = slowerBy(settings);
	const waits = steps.map((step) => step.waitMinutes * slower);
	const lastMinutes = waits.at(-1)!;
	const betweenMinutes = waits.reduce((sum, w) => sum + w, 0) - lastMinutes;
	const covers = material ? coversOf(material, product) : product.coversMm2;
	const unitMl = mlOfUnit(material, product);
	const units = (face.areaMm2 * coats) / covers;
	const ml = unitMl === null ? null : units * unitMl;
	const minutes = hands + betweenMinutes + lastMinutes;
	const inTime = face.leftMinutes === null ? null : minutes <= face.leftMinutes;
	return {
		key,
		product,
		material,
		coats,
		minutes,
		handsMinutes: hands,
		betweenMinutes,
		lastMinutes,
		units,
		mlPerM2: mlPerM2Of(material, product),
		ml,
		inTime,
		costMinor:
			material?.packPriceMinor == null
				? null
				: Math.round((units / material.packSize) * material.packPriceMinor),
		grams: ml === null ? null : ml * DRY_GRAMS_PER_ML[product.how],
		pros: [
			...(product.flexible ? ['bends without cracking'] : []),
			...(material && material.stash > 0 ? ['there is some in the stash'] : [])
		],
		cons: [...doubts, ...(inTime === false ? ['not ready in time'] : [])]
	};
}
