import { makerKey, parcelKey, placeKey } from '$core/answers/planProblem.ts';
import type { MadePlan } from '$core/answers/plan.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';

/** Names of steps, parcels, makers and places by their ids in the plan. */
export function namesOf(
	record: Pick<CostumeRecord, 'components' | 'steps'>,
	{ makers, places }: Pick<Workshop, 'makers' | 'places'>,
	{ orders }: Pick<MadePlan, 'orders'>
) {
	const components = new Map(record.components.map((c) => [c.id, c]));
	const steps = new Map(record.steps.map((s) => [String(s.id), s]));
	const named = (id: string): string => {
		const step = steps.get(id);
		if (step) return `${components.get(step.componentId)?.code ?? ''} ${step.name}`;
		const who = makers.find((m) => makerKey(m.id) === id) ?? places.find((p) => placeKey(p.id) === id);
		if (who) return who.name;
		const order = orders.find((o) => parcelKey(o.material.id) === id);
		return order ? `parcel: ${order.material.name}` : id;
	};
	/** Steps of one component in their order: the first and the last of them. */
	const namedAll = (ids: readonly string[]): string => {
		const its = ids.flatMap((id) => steps.get(id) ?? []).sort((a, b) => a.position - b.position);
		if (its.length < 2) return named(ids[0]!);
		const component = components.get(its[0]!.componentId);
		return `${component?.code ?? ''} ${component?.name ?? ''}: ${its[0]!.name} to ${its.at(-1)!.name}, ${its.length} steps`;
	};
	return { named, namedAll };
}
