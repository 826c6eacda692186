import { isInTime, wantedOf, type Offered } from './offered.ts';
import type { Aim, PackNeed } from './task.ts';

/** Terms of a sum: factor and variable. */
type Sum = readonly (readonly [factor: number, variable: string])[];

/** A row of the LP format holds so many terms, because solvers limit the length of a line. */
const PER_LINE = 12;

function written(sum: Sum): string {
	const terms = sum
		.filter(([factor]) => factor !== 0)
		.map(([factor, variable]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${variable}`);
	const lines: string[] = [];
	for (let k = 0; k < terms.length; k += PER_LINE) lines.push(terms.slice(k, k + PER_LINE).join(' '));
	return lines.join('\n  ');
}

/** Packs of an offer at one price: at least and at most so many, if any. */
interface Tier {
	packs: string;
	/** 1 when this is the price; null where there is no other. */
	taken: string | null;
	from: number;
	to: number;
	priceMinor: number;
}

/** The choice as a mixed-integer program: which variables stand for what. */
export interface Model {
	lp: string;
	/** Variables of each offer's packs, added up. */
	packs: readonly (readonly string[])[];
}

/**
 * Packs are whole; a price holds for all packs of an offer, so each break is a range that is taken or not; a supplier who is used sends a
 * parcel, which is paid unless its goods come to what is sent for nothing.
 * @param parcels at most so many, when that is known
 */
export function modelOf(
	offered: readonly Offered[],
	needs: readonly PackNeed[],
	aim: Exclude<Aim, 'soonest'>,
	parcels: number | null
): Model {
	const rows: string[] = [];
	const bounds: string[] = [];
	const whole: string[] = [];
	const yesNo: string[] = [];
	const row = (sum: Sum, relation: string) => rows.push(` r${rows.length}: ${written(sum)} ${relation}`);

	const tiers = offered.map((o, k) => tiersOf(o, k));
	tiers.forEach((its, k) => {
		const o = offered[k]!;
		for (const t of its) {
			whole.push(t.packs);
			bounds.push(` 0 <= ${t.packs} <= ${t.to}`);
			if (t.taken === null) continue;
			yesNo.push(t.taken);
			row(
				[
					[1, t.packs],
					[-t.from, t.taken]
				],
				'>= 0'
			);
			row(
				[
					[1, t.packs],
					[-t.to, t.taken]
				],
				'<= 0'
			);
		}
		const taken = its.flatMap((t) => (t.taken === null ? [] : [[1, t.taken] as const]));
		if (taken.length > 0) row(taken, '<= 1');
		if (o.offer.least)
			row(
				its.map((t) => [1, t.packs]),
				`>= ${Math.min(o.offer.least, o.most)}`
			);
	});
	for (const need of needs)
		for (const { amount, by } of wantedOf(need)) {
			const its = offered.flatMap((o, k) =>
				o.offer.need === need.id && isInTime(o, by)
					? tiers[k]!.map((t) => [o.offer.amount, t.packs] as const)
					: []
			);
			row(its, `>= ${amount}`);
		}
	const suppliers = [...new Set(offered.map((o) => o.supplier))];
	const cost: [number, string][] = tiers.flatMap((its) =>
		its.map((t): [number, string] => [t.priceMinor, t.packs])
	);
	suppliers.forEach((s, n) => {
		const used = `u${n}`;
		yesNo.push(used);
		const goods: (readonly [number, string])[] = [];
		offered.forEach((o, k) => {
			if (o.supplier !== s) return;
			goods.push(...tiers[k]!.map((t) => [t.priceMinor, t.packs] as const));
			row([...tiers[k]!.map((t) => [1, t.packs] as const), [-o.most, used]], '<= 0');
		});
		if (s.minOrderMinor) row([...goods, [-s.minOrderMinor, used]], '>= 0');
		cost.push([s.shippingMinor, used]);
		if (s.freeFromMinor === null || s.shippingMinor === 0) return;
		const free = `f${n}`;
		yesNo.push(free);
		row([...goods, [-s.freeFromMinor, free]], '>= 0');
		row(
			[
				[1, free],
				[-1, used]
			],
			'<= 0'
		);
		cost.push([-s.shippingMinor, free]);
	});
	const used = suppliers.map((_, n): [number, string] => [1, `u${n}`]);
	if (parcels !== null) row(used, `<= ${parcels}`);
	const lp = [
		'Minimize',
		` cost: ${written(aim === 'fewest' ? used : cost) || `0 u0`}`,
		'Subject To',
		...rows,
		'Bounds',
		...bounds,
		'General',
		` ${whole.join('\n ')}`,
		'Binary',
		` ${yesNo.join('\n ')}`,
		'End'
	].join('\n');
	return { lp, packs: tiers.map((its) => its.map((t) => t.packs)) };
}

function tiersOf({ offer, most }: Offered, k: number): Tier[] {
	const breaks = offer.breaks.filter((b) => b.from > 1 && b.from <= most);
	const first = offer.breaks.find((b) => b.from <= 1)?.priceMinor ?? offer.priceMinor;
	if (breaks.length === 0) return [{ packs: `x${k}`, taken: null, from: 0, to: most, priceMinor: first }];
	const starts = [{ from: 1, priceMinor: first }, ...[...breaks].sort((a, b) => a.from - b.from)];
	return starts.map((s, n) => ({
		packs: `x${k}_${n}`,
		taken: `t${k}_${n}`,
		from: s.from,
		to: n + 1 < starts.length ? starts[n + 1]!.from - 1 : most,
		priceMinor: s.priceMinor
	}));
}
