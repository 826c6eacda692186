import { pertMean, pertVariance, normalShare } from '../engines/schedule/pert.ts';
import { inLedgerOrder } from '../facts/component.ts';
import type { Costume, CostumeRecord } from '../facts/costume.ts';
import type { Payment, Quote, QuoteLine, QuoteSums, QuoteTerms } from '../facts/quote.ts';
import type { Workshop } from '../facts/workshop.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { percentOf, shared } from '../units/money.ts';
import { seek } from '../units/seek.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { SHARED } from './forecast.ts';
import { loggedByStep, minutesLeft, minutesOf } from './minutes.ts';
import { redoOf } from './redo.ts';
import { expectedByComponent } from './spend.ts';

/** What a costume takes, component by component, before anybody asks for a price. */
export interface Costing {
	lines: readonly {
		componentId: number | null;
		code: string;
		name: string;
		/** Bought, to be bought, and of the stash where that counts: in minor units of the costume's currency. */
		materialsMinor: number;
		/** Done and still to do, usual. */
		minutes: number;
	}[];
	/** The mean of all hands-on minutes: what is done is known. */
	meanMinutes: number;
	/** The mean of what has to be done a second time. */
	againMinutes: number;
	/** Of both together. */
	deviationMinutes: number;
	/** Something in it is a guess. */
	guessed: boolean;
}

/** What is done at what was logged, or at its usual minutes where nothing was; what is left beside what was logged on it. */
export function costingOf(record: CostumeRecord, workshop: Workshop): Costing {
	const minutes = minutesOf(record, workshop);
	const logged = loggedByStep(record.logs);
	const redo = redoOf(record, workshop);
	const work = record.steps.map((step): Work & { componentId: number } => {
		const all = minutes.get(step.id)!;
		const so = logged.get(step.id) ?? 0;
		const { componentId } = step;
		if (step.doneAt !== null) return { componentId, so: so > 0 ? so : all[1], left: [0, 0, 0], again: 0 };
		return { componentId, so, left: minutesLeft(all, so), again: redo(step)?.chance ?? 0 };
	});
	const materials = expectedByComponent(record, workshop);
	const usualOf = (id: number) =>
		work.reduce((sum, w) => sum + (w.componentId === id ? w.so + w.left[1] : 0), 0);
	const lines = inLedgerOrder(record.components).map(({ item: c }) => ({
		componentId: c.id as number | null,
		code: c.code,
		name: c.name,
		materialsMinor: materials.get(c.id) ?? 0,
		minutes: usualOf(c.id)
	}));
	const ofNone = materials.get(null) ?? 0;
	if (ofNone > 0)
		lines.push({
			componentId: null,
			code: '',
			name: 'for the whole costume',
			materialsMinor: ofNone,
			minutes: 0
		});
	return {
		lines: lines.filter((l) => l.materialsMinor > 0 || l.minutes > 0),
		...spreadOf(work),
		guessed: record.steps.some((s) => s.guessed && s.doneAt === null) || record.needs.some((n) => n.guessed)
	};
}

/** Minutes that are done, what is left, and how likely that has to be done a second time. */
interface Work {
	so: number;
	left: ThreePoints;
	again: number;
}

/**
 * Mean and deviation of all work, as simulated builds have it: a part ρ of the luck is common to all steps, what is done again has luck
 * of its own besides. By the law of total variance over the common luck, with σ and μ of what is left and its chance p to be done again:
 * ρ (Σ (1 + p) σ)² + Σ ((1 + p) (1 − ρ) σ² + p (1 − p) (μ² + ρ σ²)).
 */
function spreadOf(work: readonly Work[]): Pick<Costing, 'meanMinutes' | 'againMinutes' | 'deviationMinutes'> {
	const sum = (of: (w: Work) => number) => work.reduce((total, w) => total + of(w), 0);
	const together = sum(({ left, again: p }) => (1 + p) * Math.sqrt(pertVariance(left))) ** 2;
	const alone = sum(({ left, again: p }) => {
		const [mean, variance] = [pertMean(left), pertVariance(left)];
		return (1 + p) * (1 - SHARED) * variance + p * (1 - p) * (mean ** 2 + SHARED * variance);
	});
	return {
		meanMinutes: sum(({ so, left }) => so + pertMean(left)),
		againMinutes: sum(({ left, again }) => again * pertMean(left)),
		deviationMinutes: Math.sqrt(SHARED * together + alone)
	};
}

/** So many deviations above the mean a normal stays below with so many in a hundred. */
export const deviationsFor = (percent: number): number => seek(normalShare, percent / 100, -6, 6) ?? 0;

/**
 * Minutes beyond the usual ones, so that with such odds the work takes no more, what has to be done again included: many steps
 * together are nearly normal (central limit theorem).
 */
export const contingencyMinutes = (costing: Costing, percent: number): number =>
	Math.max(
		0,
		Math.round(
			costing.meanMinutes +
				costing.againMinutes +
				deviationsFor(percent) * costing.deviationMinutes -
				usualMinutes(costing)
		)
	);

/** What all parts take, done and still to do. */
export const usualMinutes = ({ lines }: Pick<Costing, 'lines'>): number =>
	lines.reduce((sum, l) => sum + l.minutes, 0);

/** By how much a price moved. */
export const movedMinor = (before: QuoteSums, after: QuoteSums): number =>
	after.totalMinor - before.totalMinor;

const hours = (minutes: number, rateMinor: number): number => Math.round((minutes * rateMinor) / 60);

/** The price of a costume on these terms. What is shared out is shared by the largest remainder: lines and payments come to the whole. */
export function quoteOf(costing: Costing, terms: QuoteTerms): QuoteSums {
	const { lines } = costing;
	const minutes = usualMinutes(costing);
	const workMinor = hours(minutes, terms.hourRateMinor);
	const work =
		minutes > 0
			? shared(
					workMinor,
					lines.map((l) => l.minutes)
				)
			: lines.map(() => 0);
	const materialsMinor = lines.reduce((sum, l) => sum + l.materialsMinor, 0);
	const more = contingencyMinutes(costing, terms.oddsPercent);
	const contingencyMinor = hours(more, terms.hourRateMinor);
	const before = materialsMinor + workMinor + contingencyMinor + terms.feeMinor;
	const taxMinor = terms.taxPercent === null ? 0 : percentOf(before, terms.taxPercent);
	const totalMinor = before + taxMinor;
	const percents = terms.payments.map((p) => p.percent);
	// What is typed may not come to a hundred yet.
	const rest = Math.max(0, 100 - percents.reduce((sum, p) => sum + p, 0));
	const payments = shared(totalMinor, [...percents, rest]);
	return {
		lines: lines.map((l, i): QuoteLine => ({ ...l, workMinor: work[i]! })),
		materialsMinor,
		minutes,
		workMinor,
		contingencyMinutes: more,
		contingencyMinor,
		feeMinor: terms.feeMinor,
		taxMinor,
		totalMinor,
		payments: terms.payments.map((p, i) => ({ ...p, minor: payments[i]! }))
	};
}

/** Whether what is paid first covers what has to be bought: else the maker lends it. */
export const depositCovers = ({ payments, materialsMinor }: QuoteSums): boolean =>
	payments.length === 0 || payments[0]!.minor >= materialsMinor;

/** One component as it was quoted, and as it is now. */
export interface AgainstQuote {
	componentId: number | null;
	code: string;
	name: string;
	quoted: { materialsMinor: number; minutes: number } | null;
	now: { materialsMinor: number; minutes: number } | null;
}

/** Line by line, what was quoted beside what it comes to now; a component that was added or dropped since stands on one side. */
export function againstQuote({ lines }: Pick<QuoteSums, 'lines'>, costing: Costing): AgainstQuote[] {
	const key = (l: { componentId: number | null }) => l.componentId ?? 0;
	const quoted = new Map(lines.map((l) => [key(l), l]));
	const now = new Map(costing.lines.map((l) => [key(l), l]));
	return [...new Set([...quoted.keys(), ...now.keys()])].map((id) => {
		const { componentId, code, name } = (now.get(id) ?? quoted.get(id))!;
		return { componentId, code, name, quoted: quoted.get(id) ?? null, now: now.get(id) ?? null };
	});
}

/** What is left of a price for the work, once the materials and the tax are paid, and what an hour of it comes to. */
export interface Earned {
	minor: number;
	minutes: number;
	/** Null while there is no work. */
	perHourMinor: number | null;
}

export function earnedOf({ totalMinor, taxMinor }: QuoteSums, costing: Costing): Earned {
	const minor = totalMinor - taxMinor - costing.lines.reduce((sum, l) => sum + l.materialsMinor, 0);
	const minutes = usualMinutes(costing);
	return { minor, minutes, perHourMinor: minutes > 0 ? Math.round((minor * 60) / minutes) : null };
}

/**
 * The quote that holds: the newest that was accepted.
 * @param currency of the costume: one in another cannot be held against it
 */
export const acceptedOf = <Q extends Pick<Quote, 'state' | 'number' | 'currency'>>(
	quotes: readonly Q[],
	currency: string
): Q | null =>
	quotes.reduce<Q | null>(
		(best, q) =>
			q.state === 'accepted' && q.currency === currency && (!best || q.number > best.number) ? q : best,
		null
	);

/** A part whose price is another one than it was; null on the side on which it is not. */
export interface PriceChange {
	name: string;
	beforeMinor: number | null;
	afterMinor: number | null;
}

/** What a quote changes of the one before: parts, and what is asked besides. The differences come to that of the totals. */
export function changesOf(before: QuoteSums, after: QuoteSums): PriceChange[] {
	const parts = (sums: QuoteSums) =>
		new Map(
			sums.lines.map((l) => [
				l.componentId ?? 0,
				{ name: [l.code, l.name].filter(Boolean).join(' '), minor: l.materialsMinor + l.workMinor }
			])
		);
	const [old, now] = [parts(before), parts(after)];
	const its = [...new Set([...old.keys(), ...now.keys()])].map((id): PriceChange => ({
		name: (now.get(id) ?? old.get(id))!.name,
		beforeMinor: old.get(id)?.minor ?? null,
		afterMinor: now.get(id)?.minor ?? null
	}));
	const besides = BESIDES.map(({ name, of }): PriceChange => ({
		name,
		beforeMinor: of(before) || null,
		afterMinor: of(after) || null
	}));
	return [...its, ...besides].filter((c) => c.beforeMinor !== c.afterMinor);
}

/** What stands in a price besides the parts, as a client reads it. */
const BESIDES: readonly { name: string; of: (sums: QuoteSums) => number }[] = [
	{ name: 'What cannot be foreseen', of: (s) => s.contingencyMinor },
	{ name: 'Design and fittings', of: (s) => s.feeMinor },
	{ name: 'Tax', of: (s) => s.taxMinor }
];

/** In plain words. Common practice. */
const USUAL_TERMS = [
	'The price is for the parts listed, made to measure for one wearer.',
	'Materials are bought when the first payment is here; work begins when they are here and the measures are taken.',
	'The price holds whatever hours it takes in the end, unless something is changed.',
	'A change that takes more hours or materials is told with its price, and made when it is agreed.',
	'The day is kept if payments, measures and fittings come in time.',
	'What lets go in ordinary wear within three months is mended free of charge; wear by other people, washing against the label and accidents are not ordinary wear.'
].join('\n');

/** What is bought first is paid first. Common practice. */
const USUAL_PAYMENTS: readonly Payment[] = [
	{ name: 'with the order', percent: 50 },
	{ name: 'at the last fitting', percent: 30 },
	{ name: 'before it is handed over', percent: 20 }
];

/** How long a price is held as a rule, days. Common practice. */
const HELD_DAYS = 14;

/** How likely hours may be asked to be enough, per cent: what is less is no quote, what is more nobody can say. */
export const QUOTE_ODDS = { least: 50, most: 99 } as const;

/** What a new quote begins with: as the last one was made, else as quotes are made as a rule. Nobody but the maker knows the rate. */
export function quoteBegun(
	last: Quote | null,
	costume: Pick<Costume, 'targetOdds'>,
	deadline: LocalMinutes,
	today: number
): Pick<
	Quote,
	| 'feeMinor'
	| 'oddsPercent'
	| 'taxPercent'
	| 'payments'
	| 'maker'
	| 'client'
	| 'terms'
	| 'validUntil'
	| 'readyOn'
> & {
	hourRateMinor: number | null;
} {
	const { least, most } = QUOTE_ODDS;
	return {
		hourRateMinor: last?.hourRateMinor ?? null,
		feeMinor: last?.feeMinor ?? 0,
		oddsPercent: last?.oddsPercent ?? Math.min(most, Math.max(least, costume.targetOdds)),
		taxPercent: last?.taxPercent ?? null,
		payments: last?.payments ?? USUAL_PAYMENTS,
		maker: last?.maker ?? '',
		client: last?.client ?? '',
		terms: last?.terms ?? USUAL_TERMS,
		validUntil: today + HELD_DAYS,
		readyOn: Math.max(today, last?.readyOn ?? dayOf(deadline))
	};
}
