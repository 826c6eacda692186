import type { CostumeRecord } from '../facts/costume.ts';
import type { HoldKind } from '../facts/fault.ts';
import type { Material } from '../facts/material.ts';
import type { FaultPlace } from '../trade/knownFault.ts';
import { worstOf, type Held } from './holding.ts';
import type { Hold } from './holds.ts';
import { surfaceOf } from './stackCheck.ts';

/**
 * What is known of where a component lets go: what of it may, what it and what it hangs on are of, and how it is loaded when jumping.
 *
 * @param kind what let go; null for whatever may
 */
export function faultPlace(
	componentId: number,
	kind: HoldKind | null,
	from: {
		record: Pick<CostumeRecord, 'components' | 'needs'>;
		holds: readonly Hold[];
		held: readonly Held[];
		materials: readonly Material[];
	}
): FaultPlace {
	const { record, holds, held, materials } = from;
	const its = holds.filter((h) => h.component.id === componentId);
	const on = its.flatMap((h) => h.join?.toComponentId ?? []);
	const surfaces = record.components
		.filter((c) => c.id === componentId || on.includes(c.id))
		.flatMap((c) => surfaceOf(c, record, materials) ?? []);
	const load = held.find((h) => h.component.id === componentId)?.loads?.jumping;
	return {
		holds: kind === null ? [...new Set(its.map((h) => h.kind))] : [kind],
		surfaces: [...new Set(surfaces)],
		loads: !load ? [] : load.tips ? ['tips'] : worstOf(load) > 1 ? ['overloaded'] : []
	};
}
