import { inLedgerOrder, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import type { BondSide, Load } from '../trade/bond.ts';
import { surfaceOf } from './stackCheck.ts';

/** A joint that a costume has, by its components and their steps. */
export interface KnownJoin {
	key: string;
	name: string;
	component: Component;
	a: BondSide;
	b: BondSide;
	/** What it has to bear, as far as that follows from what it is. */
	loads: Load[];
	/** mm of seam in one of it, by its steps; null where these do not tell. */
	seamMm: number | null;
}

/** Fastened by work of its own: what it is, and what pulls on it (common practice). */
const FASTENED: Readonly<Record<string, { side: BondSide; name: string; load: Load }>> = {
	hookAndLoop: { side: 'hookAndLoop', name: 'its hook-and-loop', load: 'peel' },
	buckle: { side: 'strap', name: 'its straps', load: 'shear' }
};

/** What of a costume is glued, or might be: seams, what is fixed to what, and what fastens it. Where nobody knows a surface there is none. */
export function knownJoins(
	record: Pick<CostumeRecord, 'components' | 'steps' | 'needs'>,
	materials: readonly Material[]
): KnownJoin[] {
	return inLedgerOrder(record.components).flatMap(({ item: component }): KnownJoin[] => {
		const own = surfaceOf(component, record, materials);
		if (!own) return [];
		const bends: Load[] = component.flex === 'stretch' ? ['flex'] : [];
		const joined = (what: string, name: string, a: BondSide, b: BondSide, more: Partial<KnownJoin> = {}) => ({
			key: `${what} ${component.id}`,
			name,
			component,
			a,
			b,
			loads: bends,
			seamMm: null,
			...more
		});
		const steps = record.steps.filter((s) => s.componentId === component.id && s.amount > 0);
		const cemented = steps.filter((s) => s.technique === 'cement');
		const parent = record.components.find((c) => c.id === component.parentId);
		const beneath = parent ? surfaceOf(parent, record, materials) : null;
		return [
			...(cemented.length
				? [joined('seams', 'its seams', own, own, { seamMm: cemented.reduce((sum, s) => sum + s.amount, 0) })]
				: []),
			...(beneath ? [joined('on', `on ${parent!.code} ${parent!.name}`, own, beneath)] : []),
			...Object.entries(FASTENED).flatMap(([technique, { side, name, load }]) =>
				steps.some((s) => s.technique === technique)
					? [joined(technique, name, side, own, { loads: [...bends, load] })]
					: []
			)
		];
	});
}
