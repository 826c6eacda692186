import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Inspected, Keeping } from '../facts/health.ts';
import type { Material } from '../facts/material.ts';
import type { Join, Worn } from '../facts/wear.ts';
import { CARE_RULES, WASHES, type CareRule, type Store, type Wash } from '../trade/care.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { dayOf, monthsAfter } from '../units/localTime.ts';

type Asks = Pick<CareRule, 'wash' | 'mostC' | 'danger' | 'off' | 'store' | 'dryHours' | 'months' | 'say'> &
	Partial<CareRule>;

/** Something of a component that asks for care. */
export interface CareReason {
	/** What of it: a material, a coat, a fastener. */
	what: string;
	rule: Asks;
}

/** How a component is washed, dried, stored and looked after. */
export interface Care {
	component: Component;
	reasons: CareReason[];
	/** The gentlest that anything of it asks for; null where nothing is known of what it is made of. */
	wash: Wash | null;
	/** °C, at most; null where nothing says. */
	mostC: number | null;
	/** What comes off before. */
	offFirst: string[];
	/** Hours until it is dry, in the air of today; nothing for what is not wetted. */
	dryHours: number;
	store: Store[];
	/** Months from look to look. */
	months: number;
	/** The last time that it was looked at, or made; days since 1970. Null where it is not made yet. */
	lookedOn: number | null;
	/** The next look; null where it is not made yet. */
	dueOn: number | null;
	kept: Keeping | null;
}

/** A glue is known by the row of the handbook that its name names. */
function glueRule(material: Material, trade: Catalogue): CareReason | null {
	const name = material.name.toLowerCase();
	const its = Object.values(trade.glue).find((g) => name.includes(g.name.toLowerCase()));
	if (!its) return null;
	return {
		what: material.name,
		rule: {
			wash: its.washable ? 'machine' : 'wipe',
			mostC: its.heatLimit,
			danger: its.heatLimit !== null && its.heatLimit <= 50 ? 'melts' : null,
			off: false,
			store: [],
			dryHours: 0,
			months: 12,
			say: its.washable ? 'bears water' : 'lets go when it is soaked'
		}
	};
}

/** What is known of a material: by its name before its family. */
const ruleOf = (material: Material): CareRule | undefined =>
	CARE_RULES.find((r) => r.words?.test(material.name)) ??
	CARE_RULES.find((r) => r.families?.includes(material.family));

/** Months where nothing is known. */
const USUAL_MONTHS = 12;

/**
 * How a component is kept, from what it is made of: the gentlest wash, the lowest heat, the longest drying, every way to store it, the
 * soonest look.
 *
 * @param its materials that its pieces are cut from, by component, among it; `slower`: how many times as long things dry in the air of today
 */
export function careOf(
	component: Component,
	record: Pick<CostumeRecord, 'components' | 'steps' | 'needs' | 'coats'>,
	worn: Worn,
	its: {
		materials: readonly Material[];
		keepings: readonly Keeping[];
		inspected: readonly Inspected[];
		slower: number;
		cutFrom: ReadonlyMap<number, readonly number[]>;
	},
	trade: Catalogue
): Care {
	const { id } = component;
	const found = new Map<string, CareReason>();
	const add = (reason: CareReason) => found.set(reason.what, found.get(reason.what) ?? reason);
	const material = (materialId: number | null) => its.materials.find((m) => m.id === materialId);
	const inside = record.needs.filter((n) => n.componentId === id).map((n) => n.materialId);
	for (const materialId of new Set([...inside, ...(its.cutFrom.get(id) ?? [])])) {
		const of = material(materialId);
		const reason = of && (of.family === 'glue' ? glueRule(of, trade) : ruleOf(of));
		if (of && reason) add('rule' in reason ? reason : { what: of.name, rule: reason });
	}
	const steps = record.steps.filter((s) => s.componentId === id);
	const joins = worn.joins.filter((j) => j.componentId === id || j.toComponentId === id);
	for (const rule of CARE_RULES) {
		const isDone = steps.some((s) => rule.techniques?.includes(s.technique));
		const holds = joins.some((j) => rule.fasteners?.includes(j.fastener));
		// A material of its own says more than the work that puts it in.
		const isKnown = [...found.values()].some(
			({ rule: r }) => r === rule || r.techniques?.some((t) => rule.techniques?.includes(t))
		);
		if ((isDone || holds) && !isKnown) add({ what: rule.name, rule });
	}
	const paint = CARE_RULES.find((r) => r.families?.includes('paint'))!;
	const coats = record.coats.filter((c) => c.componentId === id).map((c) => coatProductOf(trade, c.product));
	if (coats.length) {
		const bears = coats.flatMap((c) => c.heatLimit ?? []);
		const what = [...new Set(coats.map((c) => c.name))].join(', ');
		add({ what, rule: { ...paint, mostC: Math.min(paint.mostC!, ...bears) } });
	}
	if (worn.wearings.some((w) => w.componentId === id && w.circuit)) {
		const light = CARE_RULES.find((r) => r.families?.includes('light'))!;
		if (![...found.values()].some((r) => r.rule === light)) add({ what: light.name, rule: light });
	}
	const reasons = [...found.values()];
	// What comes off is washed by nobody; a thing that is nothing else is not washed at all.
	const rest = reasons.filter((r) => !r.rule.off);
	const stays = rest.length ? rest : reasons;
	const wash = stays.reduce<Wash | null>(
		(least, { rule }) =>
			least === null || WASHES.indexOf(rule.wash) < WASHES.indexOf(least) ? rule.wash : least,
		null
	);
	const degrees = stays.flatMap((r) => r.rule.mostC ?? []);
	const kept = its.keepings.find((k) => k.componentId === id) ?? null;
	const months = kept?.everyMonths ?? Math.min(USUAL_MONTHS, ...reasons.map((r) => r.rule.months));
	const lookedOn = lastLook(component, record, joins, kept, its.inspected);
	return {
		component,
		reasons: reasons.sort((a, b) => WASHES.indexOf(a.rule.wash) - WASHES.indexOf(b.rule.wash)),
		wash,
		mostC: degrees.length ? Math.min(...degrees) : null,
		offFirst: [
			...reasons.filter((r) => r.rule.off).map((r) => r.what),
			...record.components
				.filter((c) => worn.joins.some((j) => j.componentId === c.id && j.toComponentId === id))
				.map((c) => `${c.code} ${c.name}`)
		],
		dryHours: Math.max(0, ...wetted({ reasons, wash }).map((r) => r.rule.dryHours)) * its.slower,
		store: [...new Set(reasons.flatMap((r) => r.rule.store))],
		months,
		lookedOn,
		dueOn: lookedOn === null ? null : monthsAfter(lookedOn, months),
		kept
	};
}

/** What gets wet when it is washed as gently as it asks for: what is only wiped soaks nothing else. */
export const wetted = ({ reasons, wash }: Pick<Care, 'reasons' | 'wash'>): CareReason[] =>
	reasons.filter((r) => !r.rule.off && (wash === 'hand' || wash === 'machine' || r.rule.wash === wash));

/** In its place, at an inspection, or when the last of it was made. */
function lastLook(
	{ id }: Component,
	{ steps }: Pick<CostumeRecord, 'steps'>,
	joins: readonly Join[],
	kept: Keeping | null,
	inspected: readonly Inspected[]
): number | null {
	const its = steps.filter((s) => s.componentId === id);
	const isMade = its.length > 0 && its.every((s) => s.doneAt !== null || s.faultId !== null);
	const own = new Set(joins.filter((j) => j.componentId === id).map((j) => `join ${j.id}`));
	const lines = inspected.filter(
		({ line }) => own.has(line) || (!line.startsWith('join ') && line.endsWith(` ${id}`))
	);
	const days = [
		...(kept?.lookedOn == null ? [] : [kept.lookedOn]),
		...lines.map((i) => dayOf(i.lookedAt)),
		...(isMade ? its.flatMap((s) => (s.doneAt === null ? [] : [dayOf(s.doneAt)])) : [])
	];
	return days.length ? Math.max(...days) : null;
}

/** What is due first; what is not made yet last. */
export const byDue = (cares: readonly Care[]): Care[] =>
	[...cares].sort((a, b) => (a.dueOn ?? Infinity) - (b.dueOn ?? Infinity));
