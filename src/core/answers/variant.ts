import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Variant, WearRecord } from '../facts/wear.ts';

/** What is worn of a costume, worn in one way. */
export interface WornAs {
	components: Component[];
	wear: WearRecord;
	/** Held to something that is not worn: whoever reads this says what holds it then. */
	loose: { component: Component; to: Component }[];
}

/** The way to wear it that an address names; null for all of it. */
export const variantAt = (variants: readonly Variant[], as: string | null): Variant | null =>
	variants.find((v) => String(v.id) === as) ?? null;

/** The components that are worn in a variant: all but those left off, and their parts; all of them for null. */
export function wornIn(
	variant: Pick<Variant, 'without'> | null,
	components: readonly Component[]
): Component[] {
	const off = new Set(variant?.without);
	// Parts may stand before their whole.
	for (let before = -1; before !== off.size;) {
		before = off.size;
		for (const c of components) if (c.parentId !== null && off.has(c.parentId)) off.add(c.id);
	}
	return components.filter((c) => !off.has(c.id));
}

/** A costume as it is worn in one way: what is left off holds nothing, weighs nothing and travels nowhere; all of it for null. */
export function wornAs(variant: Variant | null, components: readonly Component[], wear: WearRecord): WornAs {
	const worn = wornIn(variant, components);
	const byId = new Map(worn.map((c) => [c.id, c]));
	const all = new Map(components.map((c) => [c.id, c]));
	const its = wear.joins.filter((j) => byId.has(j.componentId));
	const isHeld = ({ toComponentId }: (typeof its)[number]) =>
		toComponentId === null || byId.has(toComponentId);
	return {
		components: worn,
		wear: {
			...wear,
			joins: its.filter(isHeld),
			wearings: wear.wearings
				.filter((w) => byId.has(w.componentId))
				.map((w) => (w.insideId === null || byId.has(w.insideId) ? w : { ...w, insideId: null })),
			preparations: wear.preparations.filter(
				(p) => variant === null || p.variantId === null || p.variantId === variant.id
			)
		},
		loose: its
			.filter((j) => !isHeld(j))
			.map((j) => ({ component: byId.get(j.componentId)!, to: all.get(j.toComponentId!)! }))
	};
}

/** What of these is known to weigh anything, all copies of each, and of what nobody knows. */
export function wornWeight(
	components: readonly Component[],
	weights: ReadonlyMap<number, { grams: number | null }>
): { grams: number; of: { component: Component; copies: number; grams: number }[]; unknown: Component[] } {
	const byId = new Map(components.map((c) => [c.id, c]));
	const grams = (c: Component) => weights.get(c.id)?.grams ?? null;
	const of = components.flatMap((component) => {
		const one = grams(component);
		const copies = copiesOf(component, byId);
		return one === null ? [] : [{ component, copies, grams: one * copies }];
	});
	return {
		grams: of.reduce((sum, o) => sum + o.grams, 0),
		of,
		unknown: components.filter((c) => grams(c) === null)
	};
}

/** What is recorded of these components only. */
export function recordOnly<T extends Pick<CostumeRecord, 'components' | 'steps' | 'needs' | 'coats'>>(
	record: T,
	components: Component[]
): T {
	const ids = new Set(components.map((c) => c.id));
	const its = <R extends { componentId: number }>(rows: readonly R[]) =>
		rows.filter((r) => ids.has(r.componentId));
	return {
		...record,
		components,
		steps: its(record.steps),
		needs: its(record.needs),
		coats: its(record.coats)
	};
}
