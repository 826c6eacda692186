import type { Coat } from '../facts/coat.ts';
import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Fault, HoldKind } from '../facts/fault.ts';
import type { WearLog } from '../facts/health.ts';
import type { Step } from '../facts/step.ts';
import type { Join, Variant, Worn } from '../facts/wear.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { fastenerOf } from '../trade/fastener.ts';
import { holdRateOf } from '../trade/holdRate.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import { wornIn } from './variant.ts';

/** Something of a component that may let go. */
export interface Hold {
	/** `join 12`, `seam sewn 3`: a line of the inspection. */
	line: string;
	kind: HoldKind;
	component: Component;
	/** What holds it, where it is one of its joins. */
	join: Join | null;
	/** When it was made; null where nobody knows, or it is not made yet. */
	madeAt: LocalMinutes | null;
}

const SEWN: readonly string[] = ['sewMachine', 'sewStretch', 'sewHand'];

/** The last of some steps that is done. */
const lastOf = (steps: readonly Step[]): LocalMinutes | null =>
	steps.reduce<LocalMinutes | null>(
		(last, s) => (s.doneAt === null ? last : Math.max(last ?? s.doneAt, s.doneAt)),
		null
	);

/** What cracks of coats on top of each other: edges under a clear one, or painted with nothing over them; null where neither is. */
export function coatKind(laid: readonly Pick<Coat, 'product'>[], trade: Catalogue): HoldKind | null {
	const does = laid.map((c) => coatProductOf(trade, c.product).does);
	if (does.includes('clear')) return 'coat clear';
	return does.includes('colour') ? 'coat painted' : null;
}

type Made = Pick<CostumeRecord, 'components' | 'steps' | 'coats'>;

/**
 * Everything of a costume that may let go, as far as it is made: joins, seams, coats, cells, foam, and steel that rusts. A kind of them counts once for a component.
 *
 * @param ready as it will be: work that is still to do counts as done
 */
export function holdsOf(
	{ components, steps, coats }: Made,
	worn: Worn,
	trade: Catalogue,
	ready = false
): Hold[] {
	return components.flatMap((component) => {
		const { id } = component;
		const isMade = (s: Step) => ready || s.doneAt !== null;
		const its = steps.filter((s) => s.componentId === id && isMade(s));
		const isDone = (stepId: number | null) => stepId === null || its.some((s) => s.id === stepId);
		const done = its.filter((s) => s.faultId === null);
		const joins = worn.joins
			.filter((j) => j.componentId === id && isDone(j.stepId))
			.map((join): Hold => ({
				line: `join ${join.id}`,
				kind: `fastener ${join.fastener}`,
				component,
				join,
				madeAt: its.find((s) => s.id === join.stepId)?.doneAt ?? lastOf(done)
			}));
		const kinds: HoldKind[] = [];
		if (done.some((s) => s.technique === 'cement')) kinds.push('seam cement');
		if (done.some((s) => SEWN.includes(s.technique))) kinds.push('seam sewn');
		const laid = coats.filter((c) => done.some((s) => s.coatId === c.id));
		const cracks = coatKind(laid, trade);
		if (cracks) kinds.push(cracks);
		const isLit = worn.wearings.some((w) => w.componentId === id && w.circuit);
		if (isLit || done.some((s) => s.technique === 'wire')) kinds.push('cells');
		if (done.some((s) => s.technique === 'cutFoam')) kinds.push('foam');
		const isSteel = worn.joins.some(
			(j) => j.componentId === id && fastenerOf(trade.fastener, j.fastener).steel
		);
		if (isSteel || done.some((s) => s.technique === 'eyelet')) kinds.push('rust');
		const madeAt = lastOf(done);
		return [
			...joins,
			...kinds.map((kind): Hold => ({ line: `${kind} ${id}`, kind, component, join: null, madeAt }))
		];
	});
}

/** The kind that let go in a fault: as it was said, else that of the component’s which its symptom is one of; null where nobody knows. */
export function kindOfFault(
	{ componentId, holds, known }: Pick<Fault, 'componentId' | 'holds' | 'known'>,
	all: readonly Hold[],
	trade: Catalogue
): HoldKind | null {
	if (holds !== null) return holds;
	const its = all.filter((h) => h.component.id === componentId);
	return its.find((h) => known !== null && holdRateOf(h.kind, trade).faults.includes(known))?.kind ?? null;
}

/** h of all wears of which somebody has looked at a clock. */
export const hoursWorn = (wears: readonly Pick<WearLog, 'hours'>[]): number =>
	wears.reduce((sum, w) => sum + (w.hours ?? 0), 0);

/** How often a component was worn. */
export function wearsOf(
	component: Pick<Component, 'id'>,
	components: readonly Component[],
	wears: readonly Pick<WearLog, 'variantId'>[],
	variants: readonly Variant[]
): number {
	return wears.filter(({ variantId }) =>
		wornIn(variants.find((v) => v.id === variantId) ?? null, components).some((c) => c.id === component.id)
	).length;
}
